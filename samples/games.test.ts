import { createTug } from "./tug/tug";
import { BARGE_START, BERTH, FIRE, momentOf, newTug, sail, WORLD, type TugState } from "./tug/world";
import { bodyWords } from "./yard/bodies";
import { createYard } from "./yard/yard";
import { sampleLayouts } from "../test/samples";
import type { ActionValues } from "../core/engine/input/events";

const TICK = 1000 / 60;
const run = (from: TugState, values: ActionValues, ticks: number) => Array.from({ length: ticks }).reduce<TugState>((tug) => sail(tug, values, TICK), from);

test("the helm drives and turns; left alone the tug slows", () => {
  const ahead = run(newTug(), { helm: [0, 1] }, 120);
  expect(ahead.speed).toBeGreaterThan(80);
  expect(Math.hypot(ahead.x - 700, ahead.y - 460)).toBeGreaterThan(60);
  expect(run(ahead, { helm: [1, 0] }, 30).heading).toBeGreaterThan(ahead.heading);
  expect(run(ahead, {}, 240).speed).toBeLessThan(10);
});

test("the tug stays in the harbour whatever is pressed", () => {
  const far = run(newTug(), { helm: [0.2, 1], nudge: [1, 1], sidle: 1 }, 3000);
  expect(far.x >= 0 && far.x <= WORLD.w && far.y >= WORLD.quay && far.y <= WORLD.h).toBe(true);
});

test("a press counts once, and the moment follows", () => {
  const open = run(newTug(), { log: true }, 10);
  expect(momentOf(open)).toBe("log-open");
  expect(momentOf(run(run(open, { log: false }, 2), { log: true }, 10))).toBe("under-way");
  const quay = { ...newTug(), y: WORLD.quay + 60, speed: 0 };
  expect(momentOf(run(quay, {}, 2))).toBe("alongside");
  const paused = run(newTug(), { pause: true }, 5);
  expect(run(paused, { pause: false, helm: [0, 1] }, 60).x).toBe(paused.x);
});

test("the towline holds the barge near, and the pump puts the fire out", () => {
  const near = { ...newTug(), x: BARGE_START.x + 120, y: BARGE_START.y, heading: 0 };
  const towing = run(near, { towline: true, helm: [0, 1] }, 200);
  expect(towing.barge.x).toBeGreaterThan(BARGE_START.x + 20);
  expect(run(near, { helm: [0, 1] }, 200).barge.x).toBe(BARGE_START.x);
  const aimed = { ...newTug(), x: FIRE.x, y: 300, heading: -Math.PI / 2, speed: 0 };
  expect(run(aimed, { pump: true }, 60 * 7).fire).toBe(0);
});

test("the barge cast off in its berth and the fire out end the job, and its time stands", () => {
  const towed = { ...newTug(), barge: { x: BERTH.x + 60, y: BERTH.y + 60, towed: true }, x: BERTH.x + 150, y: BERTH.y + 60, fire: 0 };
  const towing = run(towed, { towline: true }, 5);
  expect(towing).toMatchObject({ berthed: false, doneAt: null });
  const done = run(towing, {}, 5);
  expect(done.berthed).toBe(true);
  expect(done.doneAt).toBeCloseTo(6 / 60, 6);
  expect(run(done, { helm: [0, 1] }, 60).doneAt).toBe(done.doneAt);
  expect(run({ ...towing, fire: 0.5 }, {}, 5).doneAt).toBeNull();
});

test("in the yard every action drives its own body and no other", () => {
  const yard = createYard(sampleLayouts()[0].actions);
  for (let i = 0; i < 30; i += 1) yard.tick({ helm: [1, 0], lamp: [2, 0], sidle: -0.5, horn: i % 10 < 5 }, TICK);
  const bodies = yard.bodies();
  expect((bodies.get("helm") as { x: number }).x).toBeGreaterThan(0.1);
  expect(bodies.get("lamp")).toMatchObject({ kind: "view", x: 60 });
  expect(bodies.get("sidle")).toMatchObject({ kind: "needle", lean: -0.5 });
  expect(bodies.get("horn")).toMatchObject({ count: 3 });
  expect(bodies.get("pump")).toEqual({ kind: "lamp", on: false, count: 0, ms: 0 });
});

test("a body tells how long and how often, how fast, and how much of the disc was reached", () => {
  const yard = createYard(sampleLayouts()[0].actions);
  const turn = (i: number) => ({ helm: [Math.cos(i / 20), Math.sin(i / 20)] as const, lamp: [1, 0] as const, sidle: i / 600, horn: i < 30 });
  for (let i = 0; i < 300; i += 1) yard.tick(turn(i), TICK);
  const words = (name: string) => bodyWords(yard.bodies().get(name)!);
  expect(words("horn")).toBe("1 × · 0.50 s");
  expect(words("lamp")).toBe("300° · 60 °/s");
  expect(words("sidle")).toBe("0.50 · 0.1/s");
  // Once round the rim is a quarter of the disc's cells, and never all of them.
  const reached = Number(/(\d+) %/.exec(words("helm"))![1]);
  expect(reached).toBeGreaterThan(15);
  expect(reached).toBeLessThan(45);
  const puck = yard.bodies().get("helm") as { trail: readonly { t: number }[] };
  expect(puck.trail.length).toBeLessThanOrEqual(121);
});

test("the tug as a game tells its moment", () => {
  const game = createTug();
  game.tick({ log: true }, TICK);
  expect(game.moment()).toBe("log-open");
});
