import fc from "fast-check";
import { advance, tickTime } from "../engine/input/advance";
import type { ActionValues, InputEvent } from "../engine/input/events";
import { prepareInput } from "../engine/input/setup";
import { initialState } from "../engine/input/inputState";
import { prepareLayout } from "../engine/placement/prepare";
import { plainScreen } from "../engine/placement/screen";
import { PLAIN_PLAYER_VIEW, resolve } from "../engine/placement/resolve";
import { changeFeel } from "../editing/edits/controls";
import { sampleLayouts } from "../../test/samples";
import type { Layout } from "../format/types";
import { afterDeadZone, readFeel, type FeelState } from "./feelChain";
import { repeated } from "../../test/repeated";

const [brackwater, pigeonhole] = sampleLayouts();
const HZ = 60;

/** Plays events on the layout's own screen, and reads the chain of a control after the tick that took them, and some more. */
function chainAfter(
  layout: Layout,
  id: string,
  { events, ticks = 1 }: { events: (at: { x: number; y: number; mm: number }) => InputEvent[]; ticks?: number },
): FeelState {
  const resolved = resolve(prepareLayout(layout), plainScreen("Wide phone", 2400, 1080, 420), PLAIN_PLAYER_VIEW);
  const setup = prepareInput(layout, resolved, HZ);
  const ready = setup.controls.find((c) => c.id === id)!;
  // In a moment in which nothing else lies on it.
  let state = initialState(setup, ready.moments[0] ?? null);
  let values: ActionValues = {};
  for (let n = 1; n <= ticks; n += 1) {
    const step = advance(setup, state, n === 1 ? events({ ...ready.centre, mm: ready.mmPx }) : [], tickTime(n, HZ));
    [state, values] = [step.state, step.values];
  }
  return readFeel({ setup, state }, id, values)!;
}
const down = (x: number, y: number): InputEvent => ({ t: 0, id: 1, type: "down", x, y });
const move = (x: number, y: number): InputEvent => ({ t: 1, id: 1, type: "move", x, y });

test("a stick: what the chain shows as given is what the curve makes of its argument, wherever the thumb is", () => {
  const linear = changeFeel(brackwater, "helm", { origin: "fixed", curve: { kind: "linear" }, directions: 0, deadZone: "radial" });
  if (!linear.ok) throw new Error("the sample's helm is a stick");
  fc.assert(
    fc.property(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -200, max: 200 }), (dx, dy) => {
      const now = chainAfter(linear.value, "helm", { events: ({ x, y }) => [down(x, y), move(x + dx, y + dy)] });
      if (now.step?.kind !== "stick") throw new Error("the stick is held");
      const { raw, argument, gives } = now.step;
      expect(raw.length).toBeLessThanOrEqual(1 + 1e-9);
      expect(Math.sign(raw.x)).toBe(Math.sign(dx));
      expect(Math.sign(raw.y) + Math.sign(dy)).toBe(0);
      expect(gives).toBeCloseTo(argument, 9);
    }),
    { numRuns: repeated(60) },
  );
});

test("an eased action tells what it is on its way to, and no more once it is there", () => {
  const eased: Layout = { ...brackwater, actions: brackwater.actions.map((a) => (a.name === "helm" ? { ...a, riseMs: 500, fallMs: 500, ease: "all" } : a)) };
  const events = ({ x, y }: { x: number; y: number }) => [down(x, y), move(x + 400, y)];
  const [soon, late] = [chainAfter(eased, "helm", { events, ticks: 3 }), chainAfter(eased, "helm", { events, ticks: 60 })];
  const helm = (now: FeelState) => now.actions.find((a) => a.name === "helm")!;
  const given = helm(soon).value as readonly number[];
  const toward = helm(soon).toward as readonly number[];
  expect(given[0]).toBeGreaterThan(0);
  expect(toward[0]).toBeGreaterThan(given[0] + 0.5);
  expect(helm(late)).toMatchObject({ toward: null });
  expect((helm(late).value as readonly number[])[0]).toBeCloseTo(toward[0], 6);
});

/** What some kinds tell of a thumb that went 3 mm to the right. */
const TOLD: Readonly<Record<string, object>> = {
  swipe: { wayMm: { x: expect.closeTo(3, 9) } },
  dpad: { raw: { x: expect.closeTo(0.23, 1), y: 0 } },
};

test("each kind tells what the thumb does on it, and nothing where nobody touches it", () => {
  const told = new Set<string>();
  for (const layout of [brackwater, pigeonhole])
    for (const { id, kind } of layout.controls) {
      expect(chainAfter(layout, id, { events: () => [] }).step).toBeNull();
      const { step } = chainAfter(layout, id, { events: ({ x, y, mm }) => [down(x, y), move(x + 3 * mm, y)] });
      expect(step).toMatchObject({ kind, ...TOLD[kind] });
      told.add(kind);
    }
  for (const kind of Object.keys(TOLD)) expect(told).toContain(kind);
});

test("a button's press lasts as long as ticks have gone by", () => {
  const now = chainAfter(brackwater, "horn", { events: ({ x, y }) => [down(x, y)], ticks: 30 });
  expect(now.step).toMatchObject({ kind: "button", heldMs: 500, isSecond: false });
});

test("dead zones that meet leave all or nothing", () => {
  expect([afterDeadZone(0.49, 0.5, 0.5), afterDeadZone(0.51, 0.5, 0.5), afterDeadZone(0.5, 0.2, 0.8)]).toEqual([0, 1, expect.closeTo(0.5, 9)]);
});
