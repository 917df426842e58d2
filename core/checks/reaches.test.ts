import fc from "fast-check";
import { clearance } from "../engine/geometry/distance";
import { resolveLayout } from "../engine/placement/resolve";
import { staged } from "../../test/stage";
import { plainScreen } from "../engine/placement/screen";
import { checkScreen } from "./check";
import { repeated } from "../../test/repeated";

const screen = plainScreen("s", 2000, 1000, 254);
const view = { handed: "right", playerSize: 1, moment: null } as const;
type Made = { x: number; y: number; stick: boolean; slideIn: boolean; gives: readonly number[] };

/** A layout of small controls that are where they are reported, px, and serve actions by their numbers. */
function layoutOf(made: readonly Made[], sets: readonly (readonly number[])[], actions: number) {
  return staged(
    made.map(({ x, y, stick, slideIn, gives }, i) => ({
      id: `c${i}`,
      name: `C${i}`,
      kind: stick ? "stick" : "button",
      placement: { kind: "pin", frame: "screen", anchor: [0, 0], pivot: [0.5, 0.5], offset: [`${x}px`, `${y}px`], size: ["60px", "60px"] },
      ...(stick ? {} : { feel: { slideIn } }),
      serves: gives.map((a) => ({ port: stick ? "active" : "press", action: `a${a}` })),
    })),
    Array.from({ length: actions }, (_, i) => ({ name: `a${i}`, kind: "press" })),
    { together: sets.map((set, i) => ({ id: `t${i}`, actions: set.map((a) => `a${a}`) })) },
  );
}
const found = (layout: ReturnType<typeof layoutOf>) =>
  checkScreen(layout, screen, view)
    .filter((f) => f.code === "reach/one-thumb")
    .flatMap((f) => f.subjects);

/** Every choice of a serving control for every action, tried one after the other, by the words of the contract. */
function canByTrying(layout: ReturnType<typeof layoutOf>, made: readonly Made[], set: readonly number[]): boolean {
  const { controls } = resolveLayout(layout, screen);
  const left = (i: number) => Math.hypot(made[i].x, made[i].y - 850) <= Math.hypot(2000 - made[i].x, made[i].y - 850);
  const area = (i: number) => controls[i].hit;
  const holds = (hand: readonly number[]) =>
    hand.length < 2 ||
    (hand.length === 2 && hand.every((i) => !made[i].stick) && hand.some((i) => made[i].slideIn) && clearance(area(hand[0]), area(hand[1])).px <= 30 + 1e-9);
  const tried = (i: number, hands: readonly (readonly number[])[]): boolean => {
    if (i === set.length) return true;
    return made.some((m, c) => {
      if (!m.gives.includes(set[i])) return false;
      const hand = left(c) ? 0 : 1;
      const next = hands.map((h, j) => (j === hand && !h.includes(c) ? [...h, c] : h));
      return holds(next[hand]) && tried(i + 1, next);
    });
  };
  return tried(0, [[], []]);
}

test("whether thumbs suffice is what trying every choice says", () => {
  const made = fc.record({
    x: fc.constantFrom(100, 170, 240, 700, 1300, 1800, 1870),
    y: fc.constantFrom(600, 680, 760, 900),
    stick: fc.boolean(),
    slideIn: fc.boolean(),
    gives: fc.uniqueArray(fc.nat({ max: 3 }), { maxLength: 2 }),
  });
  let short = 0;
  fc.assert(
    fc.property(fc.array(made, { minLength: 1, maxLength: 6 }), fc.uniqueArray(fc.nat({ max: 3 }), { minLength: 1, maxLength: 4 }), (controls, set) => {
      fc.pre(set.every((a) => controls.some((c) => c.gives.includes(a))));
      const layout = layoutOf(controls, [set], 4);
      const can = canByTrying(layout, controls, set);
      if (!can) short += 1;
      expect(found(layout)).toEqual(can ? [] : ["t0"]);
    }),
    { numRuns: repeated(150) },
  );
  expect(short).toBeGreaterThan(5);
});

test("32 sets of 8 actions that 200 controls serve are judged without trying 200 to the power of 8 choices", () => {
  const made = Array.from({ length: 200 }, (_, i) => ({ x: 60 + (i % 20) * 90, y: 60 + Math.floor(i / 20) * 95, stick: false, slideIn: true }));
  const sets = Array.from({ length: 32 }, () => [0, 1, 2, 3, 4, 5, 6, 7]);
  // Each gives one of the eight: two thumbs with two buttons each give four at most.
  expect(
    found(
      layoutOf(
        made.map((m, i) => ({ ...m, gives: [i % 8] })),
        sets,
        8,
      ),
    ),
  ).toHaveLength(32);
  // Each gives all eight: one button is enough.
  expect(
    found(
      layoutOf(
        made.map((m) => ({ ...m, gives: [0, 1, 2, 3, 4, 5, 6, 7] })),
        sets,
        8,
      ),
    ),
  ).toEqual([]);
  // Each gives two neighbours: four buttons give eight, where a pair that a thumb holds has four between them.
  expect(
    found(
      layoutOf(
        made.map((m, i) => ({ ...m, gives: [(2 * i) % 8, (2 * i + 1) % 8] })),
        sets,
        8,
      ),
    ),
  ).toEqual([]);
});
