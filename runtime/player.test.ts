import { changeFeel } from "../core/layout/edits/controls";
import { benchScreenOf } from "../views/session/screens";
import { sampleLayouts } from "../samples/samples";
import type { ActionValues } from "../core/input/events";
import { PLAIN_VIEW } from "../core/placement/resolve";
import { createPlayer } from "./player";
import { drawnControls } from "./poses";

const [layout] = sampleLayouts();
const screen = benchScreenOf(layout);
const view = { ...PLAIN_VIEW, moment: "under-way" };

function start() {
  const player = createPlayer(layout, screen, 60, view);
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

test("ticks fall due by the clock that is passed in, and take the events of their time", () => {
  const { player, seen, to } = start();
  player.feed({ t: 5020, type: "key", code: "KeyH", down: true });
  to(5017);
  expect(seen.map((v) => v.horn)).toEqual([false]);
  to(5034);
  expect(seen.map((v) => v.horn)).toEqual([false, true]);
});

test("after a long pause the clock is taken up anew, not caught up with", () => {
  const { seen, to } = start();
  to(60_000);
  expect(seen.length).toBeLessThan(20);
  to(60_100);
  expect(seen.length).toBeLessThan(30);
});

test("a change of feel is felt while the thumb is down; another set of controls lets go", () => {
  const { player, seen, through } = start();
  const helm = player.resolved().controls.find((c) => c.id === "helm")!;
  const [x, y] = [helm.visual.x + helm.visual.w / 2, helm.visual.y + helm.visual.h / 2];
  player.feed({ t: 5001, type: "down", id: 1, x, y });
  player.feed({ t: 5002, type: "move", id: 1, x: x + helm.travel! * 0.4, y });
  through(5400);
  const before = (seen.at(-1)!.helm as [number, number])[0];
  const tuned = changeFeel(layout, "helm", { curve: { kind: "full" } });
  if (!tuned.ok) throw new Error("refused");
  player.retune(tuned.value, screen, view);
  through(5800);
  expect(before).toBeLessThan(0.6);
  expect((seen.at(-1)!.helm as [number, number])[0]).toBeCloseTo(1, 6);
  player.retune({ ...tuned.value, controls: tuned.value.controls.slice(1) }, screen, view);
  through(6200);
  expect(seen.at(-1)!.helm).toEqual([0, 0]);
});

test("poses follow the state, and only what the moment shows is drawn", () => {
  const { player, to } = start();
  const drawn = () => drawnControls(layout, player.resolved(), player.setup(), player.state());
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
