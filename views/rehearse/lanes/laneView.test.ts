import fc from "fast-check";
import { endOf, RUNNING, SECONDS, stepLanes, tickAt, timeWords, xOfTick, type LaneInput, type Kept, type LaneView } from "./laneView";

const tick = fc.integer({ min: -5000, max: 50_000 });
const input: fc.Arbitrary<LaneInput> = fc.oneof(
  fc.constantFrom<LaneInput>({ kind: "stop" }, { kind: "run" }, { kind: "no marks" }),
  tick.map((ticks): LaneInput => ({ kind: "scroll", ticks })),
  tick.map((ticks): LaneInput => ({ kind: "step", ticks })),
  tick.map((at): LaneInput => ({ kind: "go", tick: at })),
  fc.integer({ min: -9, max: 9 }).map((steps): LaneInput => ({ kind: "zoom", steps })),
  tick.map((at): LaneInput => ({ kind: "mark", tick: at })),
);
const kept: fc.Arbitrary<Kept> = fc
  .tuple(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 20_000 }), fc.constantFrom(30, 60, 144))
  .map(([first, length, hz]) => ({ first, end: first + length, hz }));

test("whatever is done, what is read is kept and seen, and nothing beyond the newest tick is shown", () => {
  fc.assert(
    fc.property(kept, fc.array(input, { maxLength: 12 }), (all, inputs) => {
      let view: LaneView = RUNNING;
      for (const one of inputs) {
        view = stepLanes(view, one, all);
        expect(endOf(view, all)).toBeLessThanOrEqual(all.end);
        expect(SECONDS).toContain(view.seconds);
        if ((one.kind !== "step" && one.kind !== "go") || view.cursor === null) continue;
        expect(view.cursor).toBeGreaterThanOrEqual(all.first);
        expect(view.cursor).toBeLessThan(all.end);
        const x = xOfTick(view.cursor, 1000, view, all);
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(1000);
      }
    }),
  );
});

test("the tick under a place is the one that is drawn there", () => {
  fc.assert(
    fc.property(kept, fc.constantFrom(...SECONDS), fc.double({ min: 0, max: 1, noNaN: true }), (all, seconds, part) => {
      fc.pre(all.end > all.first);
      const view: LaneView = { ...RUNNING, seconds };
      const at = tickAt(part * 800, 800, view, all);
      const width = 800 / (seconds * all.hz);
      fc.pre(at > all.first && at < all.end - 1);
      expect(Math.abs(xOfTick(at, 800, view, all) - part * 800)).toBeLessThanOrEqual(width / 2 + 1e-6);
    }),
  );
});

test("zooming leaves the tick that is read where it is, and two marks make way for a third", () => {
  const all = { first: 0, end: 6000, hz: 60 };
  const read = stepLanes(stepLanes(RUNNING, { kind: "stop" }, all), { kind: "go", tick: 3000 }, all);
  const closer = stepLanes(read, { kind: "zoom", steps: -2 }, all);
  expect(closer.seconds).toBeLessThan(read.seconds);
  expect(xOfTick(3000, 1000, closer, all)).toBeCloseTo(xOfTick(3000, 1000, read, all), -1);
  const marked = [10, 20, 30].reduce((view, at) => stepLanes(view, { kind: "mark", tick: at }, all), read);
  expect(marked.marks).toEqual([30]);
});

test("times of a trace", () => {
  expect([timeWords(15, 60), timeWords(60 * 127.5, 60)]).toEqual(["0.25 s", "2:07.50"]);
});
