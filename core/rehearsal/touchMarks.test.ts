import fc from "fast-check";
import type { InputEvent } from "../engine/input/events";
import type { Layout } from "../format/types";
import { eventsArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { placed, STAGE, staged, touch } from "../../test/stage";
import { bareTake, standing, tap } from "../../test/takes";
import { stageOf, type Take } from "./take";
import { createTakePlayer, type TakePlayer } from "./takePlayer";
import { noticeText } from "./notices";
import { touchTable } from "./touchMarks";
import { repeated } from "../../test/repeated";

const [brackwater] = sampleLayouts();
function played(take: Take, layout: Layout): TakePlayer {
  const stage = stageOf(take, layout);
  if (!stage.ok) throw new Error(JSON.stringify(stage.problems));
  const player = createTakePlayer(take, stage.value);
  while (!player.work(1000));
  return player;
}
/** On the small stage ten px are a millimetre. */
const onStage = (layout: Layout, events: readonly InputEvent[]) => played(bareTake(layout, events, { screen: STAGE, moment: null }), layout);
const button = (id: string, x: number, y: number, more: object = {}) => ({
  id,
  name: id.toUpperCase(),
  kind: "button",
  placement: placed(x, y, 100),
  hit: { shape: "box" },
  serves: [{ port: "press", action: id }],
  ...more,
});
const press = (name: string) => ({ name, kind: "press" });
const two = staged([button("a", 200, 200), button("b", 320, 200, { feel: { slideIn: true } })], [press("a"), press("b")], {
  keepClear: [{ id: "clock", name: "Clock", placement: placed(800, 100, 100), taps: true }],
});

test("each touch tells what took it: the control meant, another, the game's own zone, nothing", () => {
  const events = [
    touch(10, "down", 200, 200, 1), // on a
    touch(20, "up", 200, 200, 1),
    touch(40, "down", 200, 270, 2), // 2 mm below a: meant for it, and nothing takes it
    touch(50, "up", 200, 270, 2),
    touch(60, "down", 800, 100, 3), // the clock's
    touch(70, "up", 800, 100, 3),
    touch(80, "down", 600, 400, 4), // nowhere
    touch(90, "up", 600, 400, 4),
  ];
  const marks = onStage(two, events).marks();
  expect(marks.filter((m) => m.kind === "down").map((m) => [m.fate, m.meant])).toEqual([
    ["meant", "a"],
    ["nothing", "a"],
    ["game", null],
    ["nothing", null],
  ]);
  expect(marks.filter((m) => m.kind === "lift").map((m) => m.took)).toEqual([["a"], [], [], []]);
});

test("a touch that another took, in an area that reaches over a picture", () => {
  const layout = staged([button("a", 200, 200), button("wide", 420, 200, { hit: { shape: "box", size: ["500px", "300px"] } })], [press("a"), press("wide")]);
  const [mark] = onStage(layout, [touch(10, "down", 210, 200)]).marks();
  expect(mark).toMatchObject({ fate: "another", meant: "a", took: ["wide"], kind: "down" });
});

test("a touch that slides in is told where it slid, and a touch that came and went in one tick is not lost", () => {
  const layout = two;
  const slid = onStage(layout, [touch(10, "down", 600, 200), touch(60, "move", 320, 200), touch(90, "up", 320, 200)]).marks();
  expect(slid.map((m) => [m.kind, m.took])).toEqual([
    ["down", []],
    ["slide-in", ["b"]],
    ["lift", ["b"]],
  ]);
  const quick = onStage(layout, [touch(1, "down", 200, 200), touch(2, "up", 200, 200)]).marks();
  expect(quick.map((m) => [m.kind, m.fate, m.tick])).toEqual([
    ["down", "meant", 1],
    ["lift", "meant", 1],
  ]);
});

test("the table counts each touch once, and how far from the middle it came down", () => {
  const events = [
    touch(10, "down", 200, 210, 1),
    touch(20, "up", 200, 210, 1),
    touch(40, "down", 230, 200, 2),
    touch(50, "up", 230, 200, 2),
    touch(60, "down", 200, 280, 3),
  ];
  const rows = touchTable(["a", "b"], onStage(two, events).marks());
  expect(rows).toEqual([
    { control: "a", touches: 3, itself: 2, another: 0, nothing: 1, meanMm: expect.closeTo(4, 9), spreadMm: expect.closeTo(Math.sqrt((9 + 1 + 16) / 3), 9) },
    { control: "b", touches: 0, itself: 0, another: 0, nothing: 0, meanMm: null, spreadMm: null },
  ]);
});

test("whatever hands do, what took a touch at its down is what the engine says held it, and each row adds up", () => {
  fc.assert(
    fc.property(eventsArbitrary, (all) => {
      const events = all.filter((e) => e.type !== "moment" && e.type !== "control");
      const player = played(bareTake(brackwater, events), brackwater);
      const downs = player.marks().filter((m) => m.kind === "down");
      expect(downs).toHaveLength(events.filter((e) => e.type === "down").length);
      for (const mark of downs) {
        expect(mark.fate === "nothing" || mark.fate === "game").toBe(mark.took.length === 0);
        expect(mark.meant === null || mark.offMm >= 0).toBe(true);
      }
      for (const row of touchTable(
        brackwater.controls.map((c) => c.id),
        player.marks(),
      ))
        expect(row.itself + row.another + row.nothing).toBe(row.touches);
    }),
    { numRuns: repeated(50) },
  );
});

describe("told by itself", () => {
  const told = (layout: Layout, events: readonly InputEvent[]) => onStage(layout, events).told();
  const kinds = (layout: Layout, events: readonly InputEvent[]) => told(layout, events).map((t) => t.kind);
  const three = staged([button("a", 200, 200), button("b", 400, 200), button("c", 600, 200)], [press("a"), press("b"), press("c")], {
    together: [{ id: "ab", actions: ["a", "b"] }],
  });

  test("two actions at once that no together set names, once as long as both are given", () => {
    const at = (x: number) => ({ x, y: 200 });
    const events = [...tap(10, 1, at(200), 500), ...tap(60, 2, at(400), 400), ...tap(100, 3, at(600), 50), ...tap(300, 3, at(600), 50)].sort(
      (p, q) => p.t - q.t,
    );
    const pairs = told(three, events).filter((t) => t.kind === "unnamed pair");
    expect(pairs).toEqual([
      { kind: "unnamed pair", subjects: ["a", "c"], tick: 6, times: 2 },
      { kind: "unnamed pair", subjects: ["b", "c"], tick: 6, times: 2 },
    ]);
    expect(noticeText(pairs[0], (id) => id)).toBe("a and c were active together, 2 times, but no together set contains them");
  });

  test("two presses shorter than 60 ms within 150 ms are a slip; longer ones, and later ones, are none", () => {
    const at = { x: 200, y: 200 };
    const slips = (second: number, ms: number) => kinds(three, [...tap(100, 1, at, 40), ...tap(100 + second, 2, at, ms)]).filter((k) => k === "slip");
    expect([slips(120, 50), slips(160, 50), slips(120, 70)].map((s) => s.length)).toEqual([1, 0, 0]);
  });

  test("a touch that nothing took is told of the control it was meant for, unless the game has it or it was meant for none", () => {
    const lost = (x: number, y: number) => told(two, [touch(100, "down", x, y)]).filter((t) => t.kind === "lost touch");
    expect(lost(200, 270)).toEqual([{ kind: "lost touch", subjects: ["a"], tick: 6, times: 1 }]);
    expect([lost(600, 400), lost(800, 100), lost(200, 200)]).toEqual([[], [], []]);
  });

  const steered = (px: number, ms: number) => {
    const take = bareTake(brackwater);
    const helm = standing(take, brackwater, "helm");
    const events: InputEvent[] = [
      { t: 10, id: 1, type: "down", x: helm.x, y: helm.y },
      { t: 30, id: 1, type: "move", x: helm.x + px, y: helm.y },
      { t: 30 + ms, id: 1, type: "up", x: helm.x + px, y: helm.y },
    ];
    return played(bareTake(brackwater, events), brackwater)
      .told()
      .filter((t) => t.subjects[0] === "helm")
      .map((t) => t.kind);
  };
  test("a stick that was used and never gave all it has, or never stayed in its fine half", () => {
    expect(steered(800, 1000)).toEqual(["stick no fine half"]);
    expect(steered(70, 1000)).toEqual(["stick never full"]);
    expect(steered(800, 200)).toEqual([]);
  });

  test("an action that was never given, once anything has been played", () => {
    const never = told(three, tap(10, 1, { x: 200, y: 200 })).filter((t) => t.kind === "never active");
    expect(never.map((t) => t.subjects[0])).toEqual(["b", "c"]);
    expect(noticeText(never[0], (id) => id)).toBe("b was never active");
  });
});
