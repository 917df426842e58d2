import fc from "fast-check";
import { advance, tickTime } from "../engine/input/advance";
import type { ActionValues, InputEvent } from "../engine/input/events";
import { prepareInput } from "../engine/input/setup";
import { initialState } from "../engine/input/inputState";
import { prepareLayout } from "../engine/placement/prepare";
import { plainScreen } from "../engine/placement/screen";
import { PLAIN_PLAYER_VIEW, resolve } from "../engine/placement/resolve";
import { sampleLayouts } from "../../test/samples";
import { betweenTicks, createTraceLog, type TraceLog } from "./traceLog";

const [brackwater] = sampleLayouts();
const setup = prepareInput(brackwater, resolve(prepareLayout(brackwater), plainScreen("Wide phone", 2400, 1080, 420), PLAIN_PLAYER_VIEW), 60);
const quiet = { setup, state: initialState(setup) };
const empty = (most = 10_000) =>
  createTraceLog({
    hz: 60,
    most,
    actions: [
      { name: "horn", kind: "press" },
      { name: "sidle", kind: "axis" },
      { name: "helm", kind: "vector" },
    ],
    controls: ["horn", "gone"],
  });

test("a log gives back what was pushed, in the kind of each action", () => {
  const log = empty();
  const value = fc.record({
    horn: fc.boolean(),
    sidle: fc.float({ min: -1, max: 1, noNaN: true }),
    helm: fc.tuple(fc.float({ noNaN: true }), fc.float({ noNaN: true })),
  });
  const pushed: ActionValues[] = [];
  fc.assert(
    fc.property(value, (values) => {
      log.push(values, quiet);
      pushed.push(values);
      const tick = fc.sample(fc.integer({ min: 0, max: pushed.length - 1 }), 1)[0];
      expect(log.actions.map(({ name }, i) => [name, log.value(i, tick)])).toEqual(Object.entries(pushed[tick]));
    }),
  );
  expect([log.first(), log.end()]).toEqual([0, pushed.length]);
});

test("only the newest ticks are kept, as many as were asked for at least, and older ones read as rest", () => {
  const log = empty(5000);
  for (let n = 0; n < 30_000; n += 1) log.push({ horn: true, sidle: 0, helm: [0, 0] }, quiet);
  expect(log.end()).toBe(30_000);
  expect(log.end() - log.first()).toBeGreaterThanOrEqual(5000);
  expect(log.end() - log.first()).toBeLessThan(5000 + 2 * 4096);
  expect([log.value(0, log.first()), log.value(0, log.first() - 1)]).toEqual([true, false]);
});

test("touches and held controls are seen at the ticks at which they were, whatever a layout lacks", () => {
  const log = empty();
  const { x, y } = setup.controls.find((c) => c.id === "horn")!.centre;
  const events: InputEvent[][] = [[], [{ t: 20, id: 1, type: "down", x, y }], [], [{ t: 60, id: 1, type: "up", x, y }], []];
  let state = initialState(setup);
  events.forEach((due, n) => {
    const step = advance(setup, state, due, tickTime(n + 1, 60));
    state = step.state;
    log.push(step.values, { setup, state });
  });
  const ticks = [0, 1, 2, 3, 4];
  expect(ticks.map((t) => log.touches(t))).toEqual([0, 1, 1, 0, 0]);
  expect(ticks.map((t) => log.isHeld(0, t))).toEqual([false, true, true, false, false]);
  expect(ticks.some((t) => log.isHeld(1, t))).toBe(false);
});

describe("between two ticks", () => {
  const filled = (length: number, at: (tick: number) => ActionValues): TraceLog => {
    const log = empty();
    for (let tick = 0; tick < length; tick += 1) log.push(at(tick), quiet);
    return log;
  };
  test("presses are counted where they begin, and the time they were held", () => {
    const log = filled(120, (tick) => ({ horn: tick % 20 < 5, sidle: 0, helm: [0, 0] }));
    expect(betweenTicks(log, 0, 120, 10)).toEqual({ seconds: 110 / 60, pressesPerSecond: 5 / (110 / 60), pressedPart: 25 / 110, mean: null });
  });
  test("an axis has its mean with its sign, a vector its mean length; where nothing is kept there are no figures", () => {
    const log = filled(60, (tick) => ({ horn: false, sidle: tick < 30 ? -1 : 0.5, helm: [0.6, -0.8] }));
    expect(betweenTicks(log, 1, 0, 60)!.mean).toBeCloseTo(-0.25, 6);
    expect(betweenTicks(log, 2, 0, 60)!.mean).toBeCloseTo(1, 6);
    expect(betweenTicks(log, 2, 60, 900)).toBeNull();
  });
});
