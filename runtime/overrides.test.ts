import fc from "fast-check";
import { sampleLayouts } from "../test/samples";
import { resolveLayout } from "../core/engine/placement/resolve";
import { framesOf, plainScreen, pxPerMm } from "../core/engine/placement/screen";
import { createOwn } from "./ownHandle";
import { fitOwn, keepsClear, NO_CHANGES, overriddenValue, readOwn, withOwn, type OwnChanges } from "./overrides";
import { repeated } from "../test/repeated";

const [brackwater] = sampleLayouts();
const screen = plainScreen("Wide phone", 2400, 1080, 420);
const laidOut = resolveLayout(brackwater, screen);
const createTried = (kept: unknown = null) => {
  let changed = 0;
  const own = createOwn({ layout: () => brackwater, laidOut: () => laidOut, changed: () => (changed += 1) }, kept);
  return { own, changed: () => changed, places: () => withOwn(laidOut, fitOwn(brackwater, laidOut, own.changes())) };
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
  let taken = 0;
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
          expect(!isTaken && JSON.stringify(own.json()) !== before).toBe(false);
          if (!isTaken) continue;
          taken += 1;
          const { visual } = places().controls.find((at) => at.id === id)!;
          const { safe } = framesOf(screen);
          expect(visual.x).toBeGreaterThanOrEqual(safe.x - 0.5);
          expect(visual.y).toBeGreaterThanOrEqual(safe.y - 0.5);
          expect(visual.x + visual.w).toBeLessThanOrEqual(safe.x + safe.w + 0.5);
          expect(visual.y + visual.h).toBeLessThanOrEqual(safe.y + safe.h + 0.5);
          expect(sizes && !(size >= brackwater.playerSizes.min && size <= brackwater.playerSizes.max)).toBe(false);
        }
        // What was kept is what comes back, and it is in the same places.
        const again = createTried(JSON.parse(JSON.stringify(own.json())));
        expect(again.own.json()).toEqual(own.json());
        expect(again.places()).toEqual(places());
        own.reset();
        expect(places()).toEqual(laidOut);
      },
    ),
    { numRuns: repeated(40) },
  );
  expect(taken).toBeGreaterThan(10);
});

const SCREENS = [screen, plainScreen("Small phone", 1280, 720, 340), plainScreen("Tablet", 2048, 1536, 264), plainScreen("Old phone", 800, 480, 233)];
const saved = fc.record({
  controls: fc.dictionary(
    fc.constantFrom(...ids),
    fc.record({
      right: fc.double({ min: -1e4, max: 1e4, noNaN: true }),
      down: fc.double({ min: -1e4, max: 1e4, noNaN: true }),
      size: fc.double({ min: 0.25, max: 4, noNaN: true }),
      fade: fc.constant(1),
    }),
  ),
  actions: fc.constant({}),
});

test("whatever was saved, on every screen each control is as laid out, or in the safe frame and on nothing it did not lie on", () => {
  let changed = 0;
  fc.assert(
    fc.property(saved, fc.constantFrom(...SCREENS), (kept, on) => {
      const asLaidOut = resolveLayout(brackwater, on);
      const fitted = fitOwn(brackwater, asLaidOut, readOwn(kept));
      const places = withOwn(asLaidOut, fitted);
      for (const id of Object.keys(kept.controls)) {
        const [was, is] = [asLaidOut, places].map(({ controls }) => controls.find((c) => c.id === id)!.visual);
        if (Math.hypot(was.x - is.x, was.y - is.y, was.w - is.w) < 1e-6) continue;
        changed += 1;
        expect([id, keepsClear(brackwater, asLaidOut, places, id)]).toEqual([id, true]);
      }
    }),
    { numRuns: repeated(60) },
  );
  expect(changed).toBeGreaterThan(50);
});

test("choices made on a tablet are held to a phone's screen there, and are as they were back on the tablet", () => {
  const on = (which: typeof screen) => {
    const asLaidOut = resolveLayout(brackwater, which);
    const placed = (own: OwnChanges) => withOwn(asLaidOut, fitOwn(brackwater, asLaidOut, own)).controls.find((c) => c.id === "horn")!.visual;
    return { asLaidOut, placed, safe: framesOf(which).safe };
  };
  const [tablet, phone] = [on(SCREENS[2]), on(SCREENS[1])];
  const kept = createOwn({ layout: () => brackwater, laidOut: () => tablet.asLaidOut, changed: () => undefined }, null);
  expect(kept.move("horn", -20, -90)).toBe(true);
  const text = JSON.stringify(kept.json());
  const there = phone.placed(readOwn(text));
  expect(there.y).toBeGreaterThanOrEqual(phone.safe.y - 0.5);
  const here = createOwn({ layout: () => brackwater, laidOut: () => phone.asLaidOut, changed: () => undefined }, text);
  expect(JSON.stringify(here.json())).toBe(text);
  // A move on the phone goes on from where the control is seen there.
  expect(here.move("horn", 1, 0)).toBe(true);
  expect(phone.placed(here.changes()).x).toBeCloseTo(there.x + pxPerMm(SCREENS[1]), 3);
  expect(tablet.placed(readOwn(text)).y).toBeCloseTo(tablet.placed(kept.changes()).y, 6);
});

test("what was saved may be a text; one that is longer than 64 Ki letters, or no JSON, changes nothing", () => {
  const own = { controls: { horn: { right: 3, down: 0, size: 1, fade: 1 } }, actions: {} };
  expect(readOwn(JSON.stringify(own))).toEqual(own);
  const long = { ...own, note: "x".repeat(64 * 1024) };
  for (const kept of [JSON.stringify(long), long, "{ no json", 10n, undefined]) expect(readOwn(kept)).toEqual(NO_CHANGES);
  const cyclic: Record<string, unknown> = { ...own };
  cyclic.self = cyclic;
  expect(readOwn(cyclic)).toEqual(NO_CHANGES);
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
  expect(overriddenValue([0.6, 0.8], own(2), false)).toEqual([0.6, 0.8]);
  expect(overriddenValue([0.3, 0], own(2, true), false)).toEqual([-0.6, 0]);
  expect(overriddenValue(0.7, own(3), false)).toBe(1);
  expect(overriddenValue([3, -4], own(2, false, true), true)).toEqual([6, 8]);
  expect([overriddenValue(true, own(5), false), overriddenValue(0.5, undefined, false)]).toEqual([true, 0.5]);
});
