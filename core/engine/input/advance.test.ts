import fc from "fast-check";
import { eventsArbitrary, frozen, layoutArbitrary, screenArbitrary } from "../../../test/arbitrary";
import { placed as at, STAGE as screen, staged as layoutOf, touch } from "../../../test/stage";
import type { Layout } from "../../format/types";
import { resolveLayout } from "../placement/resolve";
import { advance, replay, tickTime } from "./advance";
import type { ActionValues, InputEvent } from "./events";
import { prepareInput } from "./setup";
import { initialState } from "./inputState";
import { repeated } from "../../../test/repeated";

const HZ = 60;
/** The values at each tick of some events. */
function play(layout: Layout, events: InputEvent[]): ActionValues[] {
  return replay(layout, resolveLayout(layout, screen), events, { hz: HZ }).map((f) => f.values);
}
const helm = {
  name: "helm",
  kind: "vector",
  keys: [
    { code: "KeyD", value: [1, 0] },
    { code: "KeyW", value: [0, 1] },
  ],
};
const stick = (feel: object = {}) => ({
  id: "stick",
  name: "s",
  kind: "stick",
  placement: at(200, 300, 200),
  feel: { inner: 0.2, outer: 0.8, ...feel },
  serves: [{ port: "vector", action: "helm" }],
});
const horn = { name: "horn", kind: "press", keys: [{ code: "Space" }] };
const button = (id: string, x: number, feel: object = {}) => ({
  id,
  name: id,
  kind: "button",
  placement: at(x, 300, 100),
  feel,
  serves: [{ port: "press", action: id }],
});

test("a fixed stick: nothing in the dead zone, all beyond the outer, the share between, y up", () => {
  const layout = layoutOf([stick()], [helm]);
  const pushed = (x: number, y: number) => play(layout, [touch(1, "down", 200, 300), touch(2, "move", x, y)])[0].helm as [number, number];
  expect(pushed(219, 300)).toEqual([0, 0]);
  expect(pushed(250, 300)[0]).toBeCloseTo(0.5, 9);
  expect(pushed(280, 300)[0]).toBeCloseTo(1, 9);
  expect(pushed(900, 300)[0]).toBeCloseTo(1, 9);
  expect(pushed(200, 220)[1]).toBeCloseTo(1, 9);
  const [x, y] = pushed(500, 0);
  expect(Math.hypot(x, y)).toBeCloseTo(1, 9);
});

test("curves shape what is given, and a stick without travel gives nothing", () => {
  const half = (feel: object) => (play(layoutOf([stick(feel)], [helm]), [touch(1, "down", 250, 300)])[0].helm as [number, number])[0];
  expect(half({ curve: { kind: "power", exponent: 2 } })).toBeCloseTo(0.25, 9);
  expect(half({ curve: { kind: "full" } })).toBe(1);
  expect(half({ curve: { kind: "bezier", x1: 0.25, y1: 0.1, x2: 0.25, y2: 1 } })).toBeCloseTo(0.8024, 3);
  // A curve that goes beyond 1 gives 1.
  expect(half({ curve: { kind: "bezier", x1: 0.1, y1: 2, x2: 0.4, y2: 2 } })).toBe(1);
  expect(half({ travel: "0px" })).toBe(0);
});

test("a tap between two ticks is given at the next, a cancelled one never", () => {
  const layout = layoutOf([button("horn", 500)], [horn]);
  expect(play(layout, [touch(1, "down", 500, 300), touch(3, "up", 500, 300)]).map((v) => v.horn)).toEqual([true, false]);
  expect(play(layout, [touch(1, "down", 500, 300), touch(3, "cancel", 500, 300)]).map((v) => v.horn)).toEqual([false, false]);
  expect(
    play(layout, [
      { t: 1, type: "key", code: "Space", down: true },
      { t: 2, type: "key", code: "Space", down: false },
    ]).map((v) => v.horn),
  ).toEqual([true, false]);
  expect(
    play(layout, [
      { t: 1, type: "key", code: "Space", down: true },
      { t: 2, type: "blur" },
    ]).map((v) => v.horn),
  ).toEqual([false, false]);
});

test("a latch turns with each press, and turns back where the press is cancelled unseen", () => {
  const layout = layoutOf([button("horn", 500, { press: "latch" })], [horn]);
  const tap = (t: number, end: "up" | "cancel") => [touch(t, "down", 500, 300), touch(t + 1, end, 500, 300)];
  expect(play(layout, [...tap(1, "up"), ...tap(40, "up")]).map((v) => v.horn)).toEqual([true, true, false, false]);
  expect(play(layout, tap(1, "cancel")).some((v) => v.horn)).toBe(false);
});

test("a touch goes to the topmost; own cuts, shared lets it through", () => {
  const two = (sharing: string) =>
    layoutOf(
      [button("low", 500), { ...button("high", 520), hit: { sharing } }],
      [
        { name: "low", kind: "press" },
        { name: "high", kind: "press" },
      ],
    );
  const down = [touch(1, "down", 510, 300)];
  expect(play(two("own"), down)[0]).toEqual({ low: false, high: true });
  expect(play(two("shared"), down)[0]).toEqual({ low: true, high: true });
});

test("a stick keeps its touch from the other fingers; they reach what lies below", () => {
  const layout = layoutOf([{ ...button("horn", 200), placement: at(200, 300, 60) }, stick()], [helm, horn]);
  const values = play(layout, [touch(1, "down", 200, 300, 1), touch(20, "down", 205, 300, 2)]);
  expect(values[0].horn).toBe(false);
  expect(values.at(-1)!.horn).toBe(true);
});

test("sources add up: keys and stick together stay within length 1", () => {
  const layout = layoutOf([stick()], [helm]);
  const keys: InputEvent[] = ["KeyD", "KeyW"].map((code) => ({ t: 1, type: "key", code, down: true }));
  const [x, y] = play(layout, keys)[0].helm as [number, number];
  expect([x, y]).toEqual([Math.SQRT1_2, Math.SQRT1_2].map((n) => expect.closeTo(n, 9)));
  const more = play(layout, [...keys, touch(2, "down", 300, 300)])[0].helm as [number, number];
  expect(Math.hypot(...more)).toBeCloseTo(1, 9);
  expect(more[0]).toBeGreaterThan(more[1]);
});

test("smoothing moves no faster than rise and fall allow", () => {
  const layout = layoutOf([], [{ name: "trim", kind: "axis", keys: [{ code: "KeyE" }], riseMs: 100, fallMs: 50 }]);
  const values = play(layout, [
    { t: 1, type: "key", code: "KeyE", down: true },
    { t: 120, type: "key", code: "KeyE", down: false },
    { t: 250, type: "key", code: "KeyX", down: true },
  ]).map((v) => v.trim as number);
  values.slice(1).forEach((v, i) => {
    expect(v - values[i]).toBeLessThanOrEqual(1000 / HZ / 100 + 1e-9);
    expect(values[i] - v).toBeLessThanOrEqual(1000 / HZ / 50 + 1e-9);
  });
  expect(Math.max(...values)).toBe(1);
  expect(values.at(-1)).toBe(0);
});

test("the given state is left as it is, and the next one shares nothing with it", () => {
  const layout = layoutOf([stick(), button("horn", 500)], [helm, horn]);
  const setup = prepareInput(layout, resolveLayout(layout, screen), HZ);
  const state = frozen(initialState(setup));
  const next = advance(setup, state, [touch(1, "down", 250, 300), touch(2, "down", 500, 300, 2)], tickTime(1, HZ));
  expect(state).toEqual(initialState(setup));
  expect(advance(setup, frozen(next.state), [], tickTime(2, HZ)).values.horn).toBe(true);
});

const playing = fc.tuple(layoutArbitrary, screenArbitrary, eventsArbitrary);

test("a trace cut anywhere and resumed from the stored state gives the same frames", () => {
  fc.assert(
    fc.property(playing, fc.integer({ min: 1, max: 100 }), ([layout, on, events], percent) => {
      const resolved = resolveLayout(layout, on);
      const setup = prepareInput(layout, resolved, HZ);
      const whole = replay(layout, resolved, events, { hz: HZ });
      let state = initialState(setup);
      const cut = Math.ceil((whole.length * percent) / 100);
      let next = 0;
      whole.forEach((output, i) => {
        if (i === cut) state = JSON.parse(JSON.stringify(state)) as typeof state;
        const pending: InputEvent[] = [];
        while (next < events.length && events[next].t <= output.t + 1e-6) pending.push(events[next++]);
        const step = advance(setup, state, pending, output.t);
        state = step.state;
        expect(step.values).toEqual(output.values);
      });
    }),
    { numRuns: repeated(60) },
  );
});

/** Whether a value of a kind is a number, or several, in its range. */
const IN_RANGE = {
  press: (value: unknown) => typeof value === "boolean",
  axis: (value: number) => Math.abs(value) <= 1,
  vector: ([x, y]: readonly [number, number]) => Math.hypot(x, y) <= 1 + 1e-9,
  motion: ([x, y]: readonly [number, number]) => Number.isFinite(x) && Number.isFinite(y),
  delta: (value: number) => Number.isFinite(value),
};

test("every value stays in its range and is a number", () => {
  fc.assert(
    fc.property(playing, ([layout, on, events]) => {
      for (const { values } of replay(layout, resolveLayout(layout, on), events, { hz: HZ }))
        for (const { name, kind } of layout.actions) expect([kind, IN_RANGE[kind](values[name] as never)]).toEqual([kind, true]);
    }),
    { numRuns: repeated(60) },
  );
});

test("touch ids may be any numbers", () => {
  fc.assert(
    fc.property(playing, fc.integer({ min: 5, max: 1e6 }), ([layout, on, events], by) => {
      const resolved = resolveLayout(layout, on);
      const renamed = events.map((e) => ("x" in e ? { ...e, id: e.id * 7 + by } : e));
      expect(replay(layout, resolved, renamed, { hz: HZ })).toEqual(replay(layout, resolved, events, { hz: HZ }));
    }),
    { numRuns: repeated(40) },
  );
});

test("with every finger lifted only latches give anything", () => {
  fc.assert(
    fc.property(playing, ([layout, on, events]) => {
      const calm = {
        ...layout,
        actions: layout.actions.map((a) => ({ ...a, riseMs: 0, fallMs: 0, keys: [], mouse: [], pad: [] })),
        controls: layout.controls.filter((c) => c.kind !== "button" || c.feel.press !== "latch"),
      };
      const last = events.at(-1)?.t ?? 0;
      const lifted: InputEvent[] = [...events, ...[1, 2, 3, 4].map((id): InputEvent => ({ t: last, type: "up", id, x: 0, y: 0 }))];
      const end = replay(calm, resolveLayout(calm, on), lifted, { hz: HZ }).at(-1)!.values;
      for (const value of Object.values(end)) expect([false, 0, "0,0"]).toContain(Array.isArray(value) ? value.map((n: number) => n + 0).join(",") : value);
    }),
    { numRuns: repeated(60) },
  );
});

test("the order of controls that do not lie on each other does not matter", () => {
  const names = ["a", "b", "c", "d"];
  const actions = names.map((name) => ({ name, kind: "press" }));
  const buttons = names.map((id, i) => button(id, 100 + i * 250, { slideIn: true, press: i % 2 ? "latch" : "hold" }));
  fc.assert(
    fc.property(fc.shuffledSubarray(buttons, { minLength: 4 }), eventsArbitrary, (shuffled, events) => {
      expect(play(layoutOf(shuffled, actions), events)).toEqual(play(layoutOf(buttons, actions), events));
    }),
    { numRuns: repeated(60) },
  );
});

test("actions may have names that objects have of their own", () => {
  const names = ["__proto__", "constructor", "toString"];
  const values = play(
    layoutOf(
      names.map((name, i) => ({ ...button(`b${i}`, 100 + i * 200), serves: [{ port: "press", action: name }] })),
      names.map((name) => ({ name, kind: "press" })),
    ),
    [touch(1, "down", 100, 300)],
  );
  expect(Object.keys(values[0]).sort()).toEqual([...names].sort());
  expect(Object.entries(values[0]).filter(([, value]) => value === true)).toEqual([["__proto__", true]]);
});
