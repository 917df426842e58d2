import fc from "fast-check";
import { sampleLayouts } from "../test/samples";
import { resolveLayout } from "../core/engine/placement/resolve";
import { framesOf, plainScreen, pxPerMm } from "../core/engine/placement/screen";
import { createOwn } from "./ownHandle";
import { NO_CHANGES, ownValue, readOwn, withOwn, type OwnChanges } from "./own";

const [brackwater] = sampleLayouts();
const screen = plainScreen("Wide phone", 2400, 1080, 420);
const laidOut = resolveLayout(brackwater, screen);
const createTried = (kept: unknown = null) => {
  let changed = 0;
  const own = createOwn({ layout: () => brackwater, placesWith: (one) => withOwn(laidOut, one), changed: () => (changed += 1) }, kept);
  return { own, changed: () => changed, places: () => withOwn(laidOut, own.changes()) };
};
const ids = brackwater.controls.map((c) => c.id);

test("nothing changed is nothing moved; a size of one and no movement too", () => {
  expect(withOwn(laidOut, NO_CHANGES)).toEqual(laidOut);
  const same: OwnChanges = { controls: Object.fromEntries(ids.map((id) => [id, { right: 0, down: 0, size: 1, fade: 0.5 }])), actions: {} };
  withOwn(laidOut, same).controls.forEach((at, i) => {
    for (const side of ["x", "y", "w", "h"] as const) expect(at.visual[side]).toBeCloseTo(laidOut.controls[i].visual[side], 9);
  });
});

test("whatever a player tries: what is taken lies in the safe frame and on nothing it did not lie on; what is refused has changed nothing", () => {
  const mm = fc.double({ min: -60, max: 60, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.record({ id: fc.constantFrom(...ids), right: mm, down: mm, size: fc.double({ min: 0.5, max: 2, noNaN: true }), sizes: fc.boolean() }), {
        maxLength: 12,
      }),
      (tries) => {
        const { own, places } = createTried();
        for (const { id, right, down, size, sizes } of tries) {
          const before = JSON.stringify(own.json());
          const isTaken = sizes ? own.size(id, size) : own.move(id, right, down);
          if (!isTaken) {
            expect(JSON.stringify(own.json())).toBe(before);
            continue;
          }
          const { visual } = places().controls.find((at) => at.id === id)!;
          const { safe } = framesOf(screen);
          expect(visual.x).toBeGreaterThanOrEqual(safe.x - 0.5);
          expect(visual.y).toBeGreaterThanOrEqual(safe.y - 0.5);
          expect(visual.x + visual.w).toBeLessThanOrEqual(safe.x + safe.w + 0.5);
          expect(visual.y + visual.h).toBeLessThanOrEqual(safe.y + safe.h + 0.5);
          if (sizes) expect(size >= brackwater.playerSizes.min && size <= brackwater.playerSizes.max).toBe(true);
        }
        // What was kept is what comes back, and it stands in the same places.
        const again = createTried(JSON.parse(JSON.stringify(own.json())));
        expect(again.own.json()).toEqual(own.json());
        expect(again.places()).toEqual(places());
        own.reset();
        expect(places()).toEqual(laidOut);
      },
    ),
    { numRuns: 40 },
  );
});

test("a move is so many mm on the glass, and moves add up", () => {
  const { own, places } = createTried();
  const at = () => places().controls.find((c) => c.id === "horn")!.visual;
  const before = at();
  expect([own.move("horn", -3, -2), own.move("horn", -2, 0)]).toEqual([true, true]);
  expect(at().x).toBeCloseTo(before.x - 5 * pxPerMm(screen), 6);
  expect(at().y).toBeCloseTo(before.y - 2 * pxPerMm(screen), 6);
  expect(own.move("nobody", 1, 1)).toBe(false);
});

test("what was kept can be anything: what cannot be read is as laid out, and no name does harm", () => {
  fc.assert(
    fc.property(fc.anything(), (kept) => {
      const read = readOwn(kept);
      for (const { size, fade } of Object.values(read.controls)) expect(size >= 0.25 && size <= 4 && fade >= 0.1 && fade <= 1).toBe(true);
    }),
  );
  expect(readOwn(JSON.parse(`{"controls":{"__proto__":{"size":2},"horn":{"size":99,"right":3}},"actions":{"helm":{"factor":"many","across":true}}}`))).toEqual({
    controls: { horn: { right: 3, down: 0, size: 1, fade: 1 } },
    actions: { helm: { factor: 1, across: true, upDown: false } },
  });
});

test("values with a factor stay what they are: a vector within its disc, an axis within its ends, a press a press; a motion goes as far as it goes", () => {
  const own = (factor: number, across = false, upDown = false) => ({ factor, across, upDown });
  expect(ownValue([0.6, 0.8], own(2), false)).toEqual([0.6, 0.8]);
  expect(ownValue([0.3, 0], own(2, true), false)).toEqual([-0.6, 0]);
  expect(ownValue(0.7, own(3), false)).toBe(1);
  expect(ownValue([3, -4], own(2, false, true), true)).toEqual([6, 8]);
  expect([ownValue(true, own(5), false), ownValue(0.5, undefined, false)]).toEqual([true, 0.5]);
});
