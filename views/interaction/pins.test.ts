import fc from "fast-check";
import { FIRST_PIN_ID, loopAt, loopSort, MOST_PINS, noPins, stepPins, type PinEvent, type PinInput, type Pins } from "./pins";
import { repeated } from "../../test/repeated";

/** Plays inputs one after the other; gives the pins and all events. */
function play(inputs: readonly PinInput[], from: Pins = noPins(20)): { pins: Pins; events: PinEvent[]; numbers: (number | null)[] } {
  let pins = from;
  const events: PinEvent[] = [];
  const numbers: (number | null)[] = [];
  for (const input of inputs) {
    const step = stepPins(pins, input);
    pins = step.pins;
    events.push(...step.events);
    numbers.push(step.number);
  }
  return { pins, events, numbers };
}
const shown = (events: readonly PinEvent[]) => events.map((e) => `${e.id - FIRST_PIN_ID} ${e.type} ${e.x},${e.y}`);

test("a pin stays where it is let go, is taken up again near its place, and lifted", () => {
  const { events, numbers, pins } = play([
    { kind: "press", t: 0, x: 100, y: 100 },
    { kind: "move", t: 50, number: 1, x: 140, y: 100 },
    { kind: "cancel", t: 60, number: 1 },
    { kind: "press", t: 100, x: 300, y: 50 },
    { kind: "cancel", t: 110, number: 2 },
    { kind: "press", t: 200, x: 150, y: 104 },
    { kind: "cancel", t: 210, number: 1 },
    { kind: "lift", t: 300, number: 1 },
    { kind: "press", t: 400, x: 10, y: 10 },
    { kind: "lift all", t: 500 },
  ]);
  expect(numbers.filter((n) => n !== null)).toEqual([1, 2, 1, 1]);
  expect(shown(events)).toEqual([
    "1 down 100,100",
    "1 move 140,100",
    "2 down 300,50",
    "1 move 150,104",
    "1 up 150,104",
    "1 down 10,10",
    "1 up 10,10",
    "2 up 300,50",
  ]);
  expect(pins.pins).toEqual([]);
});

test("a movement that comes back goes round, another is a flick, none is a press", () => {
  const path = (...points: [number, number][]) => ({ path: points.map(([x, y], i) => ({ x, y, ms: i * 100 })) });
  const round = path([0, 0], [50, 0], [50, 50], [4, 4]);
  const flick = path([0, 0], [100, 0]);
  expect([loopSort(round, 20), loopSort(flick, 20), loopSort(path([0, 0]), 20)]).toEqual(["round", "flick", "press"]);
  expect(loopAt(round, 350, 20)).toEqual({ isDown: true, at: { x: 25, y: 0 } });
  expect(loopAt(flick, 50, 20)).toEqual({ isDown: true, at: { x: 50, y: 0 } });
  expect(loopAt(flick, 200, 20).isDown).toBe(false);
  expect(loopAt(flick, 450, 20)).toEqual({ isDown: true, at: { x: 50, y: 0 } });
  expect([0, 100, 150, 310].map((ms) => loopAt(path([9, 9]), ms, 20).isDown)).toEqual([true, true, false, true]);
});

test("a loop goes at half, true and double speed, and another speed goes on from where it is", () => {
  const begun = play([
    { kind: "press", t: 0, x: 0, y: 0 },
    { kind: "move", t: 1000, number: 1, x: 1000, y: 0 },
    { kind: "move", t: 2000, number: 1, x: 0, y: 0 },
    { kind: "cancel", t: 2000, number: 1 },
    { kind: "loop", t: 3000, number: 1, speed: 1 },
    { kind: "tick", t: 3400 },
  ]);
  expect(begun.pins.pins[0].x).toBeCloseTo(400, 9);
  const faster = play(
    [
      { kind: "loop", t: 3400, number: 1, speed: 2 },
      { kind: "tick", t: 3400 },
    ],
    begun.pins,
  );
  expect(faster.pins.pins[0].x).toBeCloseTo(400, 9);
  expect(play([{ kind: "tick", t: 3600 }], faster.pins).pins.pins[0].x).toBeCloseTo(800, 9);
  // Ended, it is held where it is.
  const ended = play(
    [
      { kind: "loop", t: 3600, number: 1, speed: null },
      { kind: "tick", t: 9000 },
    ],
    faster.pins,
  );
  expect(ended.pins.pins[0]).toMatchObject({ x: faster.pins.pins[0].x, isDown: true, state: { kind: "still" } });
});

test("on another screen pins stand at the same parts of it", () => {
  const { pins, events } = play([
    { kind: "press", t: 0, x: 100, y: 40 },
    { kind: "cancel", t: 1, number: 1 },
    { kind: "screen", t: 2, scaleX: 2, scaleY: 0.5, reachPx: 30 },
  ]);
  expect(pins).toMatchObject({ reachPx: 30, pins: [{ x: 200, y: 20 }] });
  expect(events.at(-1)).toMatchObject({ type: "move", x: 200, y: 20 });
});

test("whatever is done, each pin's events are down, moves, up; times do not go back; lifting all leaves nothing down", () => {
  const at = { x: fc.integer({ min: 0, max: 300 }), y: fc.integer({ min: 0, max: 300 }) };
  const number = fc.integer({ min: 1, max: 12 });
  const input = fc.oneof(
    fc.record({ kind: fc.constant("press" as const), ...at }),
    fc.record({ kind: fc.constant("move" as const), number, ...at }),
    fc.record({ kind: fc.constantFrom("cancel" as const, "lift" as const), number }),
    fc.record({ kind: fc.constant("loop" as const), number, speed: fc.constantFrom(0.5 as const, 1 as const, 2 as const, null) }),
    fc.record({ kind: fc.constant("tick" as const) }),
    fc.record({ kind: fc.constant("screen" as const), scaleX: fc.constantFrom(0.5, 2), scaleY: fc.constantFrom(0.5, 2), reachPx: fc.constant(20) }),
  );
  fc.assert(
    fc.property(fc.array(fc.tuple(input, fc.integer({ min: 0, max: 400 })), { maxLength: 60 }), (list) => {
      let t = 0;
      const timed = list.map(([one, ms]) => ({ ...one, t: (t += ms) }) as PinInput);
      const { events, pins } = play([...timed, { kind: "lift all", t: t + 1 }]);
      const down = new Set<number>();
      let last = -1;
      for (const e of events) {
        expect(e.t).toBeGreaterThanOrEqual(last);
        last = e.t;
        expect(down.has(e.id)).toBe(e.type !== "down");
        if (e.type === "down") down.add(e.id);
        if (e.type === "up") down.delete(e.id);
        expect(down.size).toBeLessThanOrEqual(MOST_PINS);
      }
      expect(down.size).toBe(0);
      expect(pins.pins).toEqual([]);
    }),
    { numRuns: repeated(300) },
  );
});
