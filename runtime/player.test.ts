import fc from "fast-check";
import { replay } from "../core/engine/input/advance";
import { changeFeel } from "../core/editing/edits/controls";
import { benchScreenOf } from "../views/document/railScreens";
import { sampleLayouts } from "../test/samples";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { PLAIN_PLAYER_VIEW } from "../core/engine/placement/resolve";
import { plainScreen } from "../core/engine/placement/screen";
import { placed, STAGE, staged } from "../test/stage";
import { createPlayer } from "./player";
import { drawnControls } from "./poses";
import { repeated } from "../test/repeated";

const [layout] = sampleLayouts();
const screen = benchScreenOf(layout);
const playerView = { ...PLAIN_PLAYER_VIEW, moment: "under-way" };

function start() {
  const player = createPlayer(layout, screen, 60, playerView);
  const seen: ActionValues[] = [];
  const to = (ms: number) => player.playTo(ms, (values) => seen.push(values));
  to(5000);
  /** Frame after frame, as a browser would. */
  let now = 5000;
  const through = (ms: number) => {
    while (now < ms) to((now = Math.min(ms, now + 15)));
  };
  return { player, seen, to, through };
}

test("the last due tick takes every event that has come in, and the tick before it only those of its time", () => {
  const { player, seen, to } = start();
  player.feed({ t: 5010, type: "key", code: "KeyH", down: true });
  player.feed({ t: 5030, type: "key", code: "KeyH", down: false });
  player.feed({ t: 5036, type: "key", code: "KeyP", down: true });
  to(5034);
  expect(seen.map((v) => [v.horn, v.pause])).toEqual([
    [true, false],
    [false, true],
  ]);
});

test("an event that comes in while no tick is due counts at once; without events nothing is played ahead of its time", () => {
  const { player, seen, to } = start();
  to(5005);
  expect(seen).toHaveLength(0);
  player.feed({ t: 5004, type: "key", code: "KeyH", down: true });
  to(5008);
  expect(seen.map((v) => v.horn)).toEqual([true]);
  to(5017);
  expect(seen).toHaveLength(1);
  to(5034);
  expect(seen).toHaveLength(2);
});

/** A hand on a glass seen at some rate: for each picture its time and what has come in since the one before. */
const pictures = (hz: number) =>
  fc
    .array(
      fc.record({
        lateMs: fc.double({ min: 0, max: 3, noNaN: true }),
        presses: fc.constantFrom(0, 0, 0, 0, 0, 1, 1, 2),
        moves: fc.boolean(),
      }),
      { minLength: 20, maxLength: 80 },
    )
    .map((list) => list.map((one, i) => ({ ...one, now: 5000 + ((i + 1) * 1000) / hz + one.lateMs })));

for (const hz of [60, 120])
  test(`at ${hz} pictures a second the values read after a picture are those of a replay of what the ticks took, and presses count in the picture they come in`, () => {
    let [presses, same] = [0, 0];
    fc.assert(
      fc.property(pictures(hz), (list) => {
        const player = createPlayer(layout, screen, 60, playerView);
        const helm = player.resolved().controls.find((c) => c.id === "helm")!;
        const [x, y] = [helm.visual.x + helm.visual.w / 2, helm.visual.y + helm.visual.h / 2];
        const frames: { t: number; values: ActionValues }[] = [];
        const events: InputEvent[] = [];
        const play = (now: number) =>
          player.playTo(now, (values, t, came) => {
            frames.push({ t, values });
            events.push(...came.events);
          });
        play(5000);
        let isDown = false;
        let quiet = 3;
        player.feed({ t: 5000, type: "down", id: 1, x, y });
        play(5000);
        for (const [i, { now, presses: count, moves }] of list.entries()) {
          if (moves) player.feed({ t: now - 4, type: "move", id: 1, x: x + (i % 40), y });
          for (let k = 0; k < count; k += 1) player.feed({ t: now - 1, type: "key", code: "KeyH", down: (isDown = !isDown) });
          play(now);
          // A thumb needs 25 ms for another press.
          if (count === 1 && quiet * (1000 / hz) > 25) {
            presses += 1;
            if (frames.at(-1)!.values.horn === isDown) same += 1;
          }
          quiet = count > 0 ? 0 : quiet + 1;
        }
        const again = replay(layout, player.resolved(), events, { hz: 60, moment: playerView.moment });
        // A replay ends a tick after its last event.
        expect(again.slice(0, frames.length).map(({ values }) => values)).toEqual(frames.slice(0, again.length).map(({ values }) => values));
        expect(events.map(({ t }) => t)).toEqual(events.map(({ t }) => t).sort((a, b) => a - b));
      }),
      { numRuns: repeated(120) },
    );
    expect(presses).toBeGreaterThan(50);
    expect(same / presses).toBeGreaterThanOrEqual(0.95);
  });

test("after a long pause the clock is taken up anew, not caught up with", () => {
  const { seen, to } = start();
  to(60_000);
  expect(seen.length).toBeLessThan(20);
  to(60_100);
  expect(seen.length).toBeLessThan(30);
});

test("a change of feel is felt while the thumb is down; what is gone lets go, the rest goes on", () => {
  const { player, seen, through } = start();
  const helm = player.resolved().controls.find((c) => c.id === "helm")!;
  const [x, y] = [helm.visual.x + helm.visual.w / 2, helm.visual.y + helm.visual.h / 2];
  player.feed({ t: 5001, type: "down", id: 1, x, y });
  player.feed({ t: 5002, type: "move", id: 1, x: x + helm.travel! * 0.4, y });
  through(5400);
  const before = (seen.at(-1)!.helm as [number, number])[0];
  const tuned = changeFeel(layout, "helm", { curve: { kind: "full" } });
  if (!tuned.ok) throw new Error("refused");
  player.retune(tuned.value, screen, playerView);
  through(5800);
  expect(before).toBeLessThan(0.6);
  expect((seen.at(-1)!.helm as [number, number])[0]).toBeCloseTo(1, 6);
  const without = (id: string) => ({ ...tuned.value, controls: tuned.value.controls.filter((c) => c.id !== id) });
  player.retune(without("horn"), screen, playerView);
  through(6000);
  expect((seen.at(-1)!.helm as [number, number])[0]).toBeCloseTo(1, 6);
  player.retune(without("helm"), screen, playerView);
  through(6200);
  expect(seen.at(-1)!.helm).toEqual([0, 0]);
});

test("what eases and what repeats follows its action, not its place in the list", () => {
  const axis = (name: string, code: string) => ({ name, kind: "axis", riseMs: 1000, fallMs: 1000, keys: [{ code, value: 1 }] });
  const gun = (id: string, x: number) => ({
    id,
    name: id,
    kind: "button",
    placement: placed(x, 100, 60),
    serves: [{ port: "press", action: id, repeat: { delayMs: 10_000, intervalMs: 10_000 } }],
  });
  const press = (name: string) => ({ name, kind: "press" });
  const first = staged([gun("one", 100), gun("two", 300)], [axis("a", "KeyA"), axis("b", "KeyB"), press("one"), press("two")]);
  const turned = { ...first, actions: [...first.actions].reverse(), controls: [...first.controls].reverse() };
  const player = createPlayer(first, STAGE, 100);
  const seen: ActionValues[] = [];
  const to = (ms: number) => player.playTo(ms, (values) => seen.push(values));
  to(0);
  player.feed({ t: 1, type: "key", code: "KeyA", down: true });
  player.feed({ t: 1, type: "down", id: 1, x: 100, y: 100 });
  to(100);
  expect(seen.map((v) => v.one)).toEqual([true, ...Array.from({ length: 9 }, () => false)]);
  player.retune(turned, STAGE);
  seen.length = 0;
  to(200);
  expect(seen.at(-1)!.a).toBeCloseTo(0.2, 9);
  expect(seen.map((v) => v.b)).toEqual(Array.from({ length: 10 }, () => 0));
  // The press that has been given is not given again, and the touch still holds its own button.
  expect(seen.some((v) => v.one === true || v.two === true)).toBe(false);
  player.feed({ t: 201, type: "down", id: 2, x: 300, y: 100 });
  to(220);
  expect(seen.filter((v) => v.two === true)).toHaveLength(1);
});

test("an event told late counts as told now: events of one finger keep their order", () => {
  const { player, seen, to } = start();
  player.feed({ t: 5030, type: "key", code: "KeyH", down: true });
  player.feed({ t: 5010, type: "key", code: "KeyH", down: false });
  to(5017);
  to(5034);
  to(5050);
  // Down and up came in one tick: a press of one tick.
  expect(seen.map((v) => v.horn)).toEqual([true, false, false]);
});

test("poses follow the state, and only what the moment shows is drawn", () => {
  const { player, to } = start();
  const drawn = () => drawnControls({ layout, resolved: player.resolved(), setup: player.setup(), state: player.state() });
  expect(drawn().map((d) => d.control.id)).not.toContain("nudge");
  const towline = player.resolved().controls.find((c) => c.id === "towline")!;
  player.feed({ t: 5001, type: "down", id: 1, x: towline.visual.x + towline.visual.w / 2, y: towline.visual.y + towline.visual.h / 2 });
  player.feed({ t: 5002, type: "up", id: 1, x: towline.visual.x + towline.visual.w / 2, y: towline.visual.y + towline.visual.h / 2 });
  to(5040);
  expect(drawn().find((d) => d.control.id === "towline")!.pose.held).toBe(true);
  player.feed({ t: 5041, type: "moment", moment: "alongside" });
  to(5080);
  expect(drawn().map((d) => d.control.id)).toContain("nudge");
});

test("what the game has hidden stays hidden through a screen on which the layout does not have it", () => {
  const button = { id: "one", name: "one", kind: "button", placement: placed(100, 100, 60), serves: [{ port: "press", action: "one" }] };
  const narrow = { id: "narrow", name: "Narrow", when: { aspect: { max: 1 } }, overrides: { one: { hidden: true } } };
  const only = staged([button], [{ name: "one", kind: "press" }], { arrangements: [narrow] });
  const upright = plainScreen("upright", 500, 1000, 254);
  const player = createPlayer(only, STAGE, 100);
  const seen: ActionValues[] = [];
  const to = (ms: number) => player.playTo(ms, (values) => seen.push(values));
  to(0);
  player.feed({ t: 1, type: "control", id: "one", shown: false });
  to(20);
  player.retune(only, upright);
  expect(player.resolved().controls).toEqual([]);
  to(40);
  player.retune(only, STAGE);
  player.feed({ t: 41, type: "down", id: 1, x: 100, y: 100 });
  to(60);
  expect(seen.some((values) => values.one === true)).toBe(false);
  player.feed({ t: 61, type: "control", id: "one", shown: true });
  player.feed({ t: 62, type: "down", id: 2, x: 100, y: 100 });
  to(80);
  expect(seen.at(-1)!.one).toBe(true);
});
