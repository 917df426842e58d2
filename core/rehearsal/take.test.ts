import fc from "fast-check";
import { advance, replay, tickTime } from "../engine/input/advance";
import type { ActionValues, InputEvent } from "../engine/input/events";
import { initialState, type InputState } from "../engine/input/inputState";
import { readTake, writeTake } from "../exchange/takeFile";
import { changeFeel } from "../editing/edits/controls";
import { eventsArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { bareTake, standing, tap, TALL, WIDE } from "../../test/takes";
import { carryTake } from "./carryTake";
import { actionDifferences, actionFigures, firstDifference } from "./frameDifferences";
import { createRecorder, isAtRest, type Recorder } from "./recorder";
import { takeFrames, stageOf, tickNumber, type Take } from "./take";
import { createTakePlayer } from "./takePlayer";
import { repeated } from "../../test/repeated";

const [brackwater, pigeonhole] = sampleLayouts();
const stage = (take: Take, layout = brackwater) => {
  const made = stageOf(take, layout);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
};
const frames = (take: Take, layout = brackwater) => {
  const made = takeFrames(take, layout);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
};
/** Events that the samples know: no moment and no control that they lack. */
const events = eventsArbitrary.map((all) => all.filter((e) => e.type !== "moment" && e.type !== "control"));

/** Plays events as they come, with a recorder next to: what was seen, tick by tick, and the states. */
function live(all: readonly InputEvent[], ticks: number, at: (n: number, recorder: Recorder) => void = () => undefined, hz = 60) {
  const { setup } = stage(bareTake(brackwater, [], { hz }));
  const recorder = createRecorder(hz, 30);
  let state: InputState = initialState(setup, "under-way");
  const seen: ActionValues[] = [];
  const states: InputState[] = [];
  let next = 0;
  for (let n = 1; n <= ticks; n += 1) {
    const due: InputEvent[] = [];
    while (next < all.length && all[next].t <= tickTime(n, hz)) due.push(all[next++]);
    const before = state;
    const step = advance(setup, state, due, tickTime(n, hz));
    state = step.state;
    seen.push(step.values);
    states.push(state);
    recorder.tick(n, { events: due, before }, { setup, state });
    at(n, recorder);
  }
  return { recorder, seen, states, setup };
}

test("recorded, exported, imported and replayed, a take gives what the live engine gave", () => {
  fc.assert(
    fc.property(events, fc.constantFrom(30, 60, 144), (all, hz) => {
      const ticks = tickNumber({ events: all, hz }) + 3;
      const { recorder, seen } = live(all, ticks, () => undefined, hz);
      const cut = recorder.last(1e6)!;
      expect(cut.from).toBe(0);
      const read = readTake(writeTake(bareTake(brackwater, cut.events, { hz, moment: cut.moment })));
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const again = frames(read.value);
      expect(again.length).toBeLessThanOrEqual(seen.length);
      // Times in a take are whole microseconds, so values that hang on time may differ by as little.
      expect(
        firstDifference(
          again,
          seen.slice(0, again.length).map((values, i) => ({ t: again[i].t, values })),
        ),
      ).toBeNull();
    }),
    { numRuns: repeated(60) },
  );
});

test("a recording that begins while something is down leaves it out until its next down; what follows is as it was", () => {
  const { x, y } = standing(bareTake(brackwater), brackwater, "horn");
  const all: InputEvent[] = [
    { t: 100, id: 1, type: "down", x, y },
    { t: 120, type: "key", code: "KeyH", down: true },
    { t: 400, id: 1, type: "move", x: x + 1, y },
    { t: 500, id: 1, type: "up", x, y },
    { t: 520, type: "key", code: "KeyH", down: false },
    { t: 700, id: 1, type: "down", x, y },
    { t: 760, id: 1, type: "up", x, y },
    { t: 800, type: "key", code: "KeyH", down: true },
    { t: 850, type: "key", code: "KeyH", down: false },
  ];
  let cut: ReturnType<Recorder["stop"]> = null;
  live(all, 70, (n, recorder) => {
    if (n === 15) recorder.record();
    if (n === 70) cut = recorder.stop();
  });
  const made = cut as unknown as NonNullable<ReturnType<Recorder["stop"]>>;
  expect(made.events.map((e) => `${e.type} ${Math.round(e.t)}`)).toEqual(["down 450", "up 510", "key 550", "key 600"]);
  expect(made).toMatchObject({ from: 15, to: 70, moment: "under-way" });
});

test("the last seconds begin at the last tick before them with nothing down, latched or easing", () => {
  const { x, y } = standing(bareTake(brackwater), brackwater, "horn");
  // Down from second 3 on for 4 s: half a second back from second 6 nothing is quiet before second 3.
  const all: InputEvent[] = [...tap(1000, 1, { x, y }), ...tap(3000, 1, { x, y }, 4000)];
  const { recorder, states, setup } = live(all, 6 * 60);
  const cut = recorder.last(0.5)!;
  expect(cut.from).toBeLessThanOrEqual(3 * 60);
  expect(cut.from).toBeGreaterThan(3 * 60 - 3);
  expect(isAtRest({ setup, state: states[cut.from - 1] })).toBe(true);
  expect(cut.events).toHaveLength(1);
  expect(recorder.last(4.5)!.events).toHaveLength(1);
  expect(recorder.last(5.5)!.events).toHaveLength(3);
});

test("after an hour of play no more is held than the last seconds need", () => {
  const { setup } = stage(bareTake(brackwater));
  const recorder = createRecorder(60, 30);
  const quiet = { setup, state: initialState(setup) };
  for (let n = 1; n <= 60 * 3600; n += 1) recorder.tick(n, { events: n % 2 === 0 ? [{ t: tickTime(n, 60), type: "blur" }] : [], before: quiet.state }, quiet);
  const cut = recorder.last(1e9)!;
  expect(cut.to - cut.from).toBeGreaterThanOrEqual(30 * 60);
  expect(cut.to - cut.from).toBeLessThan(60 * 60);
});

test("where something is held without an end, what is kept stays bounded, and a take of the last seconds leaves out what was down", () => {
  const { setup } = stage(bareTake(brackwater));
  const { x, y } = standing(bareTake(brackwater), brackwater, "helm");
  const recorder = createRecorder(60, 30);
  let state: InputState = initialState(setup, "under-way");
  // One thumb stays on the helm, and twenty moves a tick come in.
  for (let n = 1; n <= 60 * 120; n += 1) {
    const t = tickTime(n, 60);
    const due: InputEvent[] = n === 1 ? [{ t, id: 1, type: "down", x, y }] : Array.from({ length: 20 }, (_, i) => ({ t, id: 1, type: "move", x: x + i, y }));
    if (n % 60 === 0) due.push({ t, type: "key", code: "KeyH", down: n % 120 === 0 });
    const before = state;
    state = advance(setup, state, due, t).state;
    recorder.tick(n, { events: due, before }, { setup, state });
  }
  const cut = recorder.last(30)!;
  expect(cut.to - cut.from).toBeLessThan(60 * 60);
  expect(cut.events.length).toBeGreaterThan(10);
  expect(cut.events.every((e) => e.type === "key")).toBe(true);
});

test("what a take names and a layout lacks is refused by name; the digest of another layout is no matter", () => {
  const take = bareTake(brackwater, [{ t: 1, type: "control", id: "anchor", shown: false }]);
  const refusal = takeFrames(take, brackwater);
  expect(refusal.ok || refusal.problems[0].message).toMatch(/the take is of a control "anchor" that the layout lacks; known: /);
  const moment = takeFrames(bareTake(brackwater, [], { moment: "storm" }), brackwater);
  expect(moment.ok || moment.problems[0].message).toMatch(/a moment "storm".*known: under-way/);
  expect(frames(bareTake(brackwater, [], { layout: "0".repeat(64) }))).toHaveLength(2);
});

test("how many ticks a take has is as many as a replay gives", () => {
  fc.assert(
    fc.property(events, fc.integer({ min: 1, max: 1000 }), (all, hz) => {
      const take = bareTake(
        brackwater,
        all.filter((e) => e.t < 3000),
        { hz },
      );
      const { layout, resolved } = stage(take);
      expect(tickNumber(take)).toBe(replay(layout, resolved, take.events, { hz }).length);
    }),
    { numRuns: repeated(40) },
  );
});

test("a take player gives the same tick whichever way it is come to", () => {
  fc.assert(
    fc.property(events, fc.array(fc.nat(900), { minLength: 1, maxLength: 8 }), (all, jumps) => {
      const take = bareTake(brackwater, all);
      const want = frames(take);
      const player = createTakePlayer(take, stage(take));
      for (const jump of jumps) {
        const at = player.at(jump);
        expect(at.tick).toBe(Math.min(jump, player.ticks));
        // Before its first tick a take gives what it gives at rest.
        expect(JSON.stringify(at.values)).toBe(JSON.stringify(at.tick > 0 ? want[at.tick - 1].values : createTakePlayer(take, stage(take)).at(0).values));
      }
      while (!player.work(50));
      expect(player.log.end()).toBe(want.length);
    }),
    { numRuns: repeated(40) },
  );
});

describe("on another screen, hand or layout", () => {
  const horn = standing(bareTake(brackwater), brackwater, "horn");
  const helm = standing(bareTake(brackwater), brackwater, "helm");
  const take = bareTake(brackwater, [
    { t: 10, id: 1, type: "down", x: horn.x + 2 * horn.mm, y: horn.y - horn.mm },
    { t: 20, id: 2, type: "down", x: helm.x, y: helm.y },
    { t: 40, id: 2, type: "move", x: helm.x + 4 * helm.mm, y: helm.y },
    { t: 200, id: 1, type: "up", x: horn.x, y: horn.y },
    { t: 250, id: 2, type: "up", x: helm.x + 4 * helm.mm, y: helm.y },
    { t: 300, id: 3, type: "down", x: WIDE.widthPx / 2, y: WIDE.heightPx * 0.9 },
  ]);
  const carried = (aim: Partial<Parameters<typeof carryTake>[2]>) => {
    const made = carryTake(take, brackwater, { layout: brackwater, screen: WIDE, handed: "right", playerSize: 1, ...aim });
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    return made.value;
  };
  test("to its own it is carried to where it is", () => {
    const places = (events: Take["events"]) => events.map((event) => ("x" in event ? [event.type, event.x.toFixed(6), event.y.toFixed(6)] : event));
    expect(places(carried({}).events)).toEqual(places(take.events));
  });
  test("each touch keeps its mm from the control it began on, and what began on none its part of the safe frame", () => {
    const screen = { ...TALL, widthPx: 2732, heightPx: 2048, ppi: 264, insets: { left: 40, top: 0, right: 0, bottom: 20 } };
    for (const handed of ["right", "left"] as const) {
      const now = carried({ screen, handed, playerSize: 1.2 });
      const to = { ...now, screen, handed, playerSize: 1.2 };
      const [h, w] = [standing(to, brackwater, "horn"), standing(to, brackwater, "helm")];
      const [down, , push, , , free] = now.events as unknown as readonly { x: number; y: number }[];
      expect([(down.x - h.x) / h.mm, (down.y - h.y) / h.mm]).toEqual([expect.closeTo(2, 6), expect.closeTo(-1, 6)]);
      expect((push.x - w.x) / w.mm).toBeCloseTo(4, 6);
      expect([free.x, free.y]).toEqual([expect.closeTo(40 + (2732 - 40) / 2, 6), expect.closeTo((2048 - 20) * 0.9, 6)]);
      expect(frames(now).some((f) => f.values.horn === true)).toBe(true);
    }
  });
  test("on a layout that lacks the control, the moment or the word it is played as far as it goes", () => {
    const made = carryTake({ ...take, events: [...take.events, { t: 400, type: "moment", moment: "alongside" }] }, brackwater, {
      layout: pigeonhole,
      screen: TALL,
      handed: "right",
      playerSize: 1,
    });
    if (!made.ok) throw new Error("it can be carried");
    expect(made.value.events).toHaveLength(take.events.length);
    expect(takeFrames(made.value, pigeonhole).ok).toBe(true);
  });
});

test("a feel that is changed is the first difference, told with its tick and by how much", () => {
  const helm = standing(bareTake(brackwater), brackwater, "helm");
  const take = bareTake(brackwater, [
    { t: 100, id: 1, type: "down", x: helm.x, y: helm.y },
    { t: 300, id: 1, type: "move", x: helm.x + 6 * helm.mm, y: helm.y },
    { t: 600, id: 1, type: "up", x: helm.x, y: helm.y },
  ]);
  const heavier = changeFeel(brackwater, "helm", { curve: { kind: "power", exponent: 3 } });
  if (!heavier.ok) throw new Error("the helm is a stick");
  const [was, is] = [frames(take), frames(take, heavier.value)];
  expect(firstDifference(was, was)).toBeNull();
  expect(firstDifference(was, is)).toMatchObject({ tick: 18, action: "helm" });
  expect(firstDifference(was, was.slice(0, 9))).toEqual({ tick: 10, action: null, was: null, is: null });
  const helmDifference = actionDifferences(was, is).find((d) => d.action === "helm")!;
  expect(helmDifference).toMatchObject({ firstTick: 18 });
  expect(helmDifference.most).toBeGreaterThan(0.1);
  expect(actionDifferences(was, is).filter((d) => d.firstTick !== null)).toHaveLength(1);
  const [before, after] = [was, is].map((f) => actionFigures(f, 60).find((a) => a.action === "helm")!);
  expect(after.mean).toBeLessThan(before.mean);
  expect(before.seconds).toBeCloseTo(0.3, 1);
});

test("numbers within a millionth are the same, absolute or relative; another action or another kind is none", () => {
  const frame = (values: ActionValues) => [{ t: 1, values }];
  expect(firstDifference(frame({ a: 1e6 }), frame({ a: 1e6 + 0.5 }))).toBeNull();
  expect(firstDifference(frame({ a: [0, 5e-7] }), frame({ a: [0, 0] }))).toBeNull();
  expect(firstDifference(frame({ a: 0 }), frame({ a: 2e-6 }))).toEqual({ tick: 1, action: "a", was: 0, is: 2e-6 });
  expect(firstDifference(frame({ a: 0 }), frame({ a: false }))).toMatchObject({ action: "a" });
  expect(firstDifference(frame({}), frame({ b: false }))).toEqual({ tick: 1, action: "b", was: null, is: false });
});
