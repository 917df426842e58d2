import { editContextOf } from "../../core/editing/placing";
import { placeableBox, placeableOf } from "../../core/editing/placeables";
import type { Layout } from "../../core/format/types";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { plainScreen } from "../../core/engine/placement/screen";
import { sampleLayouts } from "../../test/samples";
import { GLASS_AT_REST, glassDoubleClick, glassStep, type GlassInput, type GlassState } from "./benchPointer";
import { followed, NOTHING_SHOWN, type GlassCommand, type GlassShown, type GlassWorld, type PressedOn } from "./glassGesture";

const [harbour] = sampleLayouts();
const screen = plainScreen("Bench", 2400, 1080, 411);
const contextOf = (layout: Layout) => editContextOf(layout, screen, PLAIN_PLAYER_VIEW);
const boxOf = (layout: Layout, id: string) => placeableBox(contextOf(layout).resolved, placeableOf(layout, id)!)!;
const KEYS = { shift: false, alt: false };

/** The glass with a session behind it, as far as the machine knows one. */
function glass(start: Layout = harbour, change: Partial<GlassWorld> = {}) {
  let state: GlassState = GLASS_AT_REST;
  let layout = start;
  let base: Layout | null = null;
  let selection: readonly string[] = change.selection ?? [];
  let entered = change.entered ?? null;
  let pan = { x: 0, y: 0 };
  const said: string[] = [];
  const history: string[] = [];
  let label = "";
  let shown: GlassShown = NOTHING_SHOWN;
  const made: unknown[] = [];
  const apply = (result: { ok: true; value: Layout } | { ok: false }) => {
    if (result.ok) layout = result.value;
  };
  const obey = (command: GlassCommand) => {
    said.push(command.do);
    switch (command.do) {
      case "select":
        selection = command.ids;
        return;
      case "enter":
        entered = command.cluster;
        return;
      case "begin":
        base = layout;
        label = command.label;
        return;
      case "preview":
        return apply(command.edit(command.way));
      case "follow":
        return apply(followed(command.edit, layout));
      case "commit":
        history.push(label);
        base = null;
        return;
      case "cancel":
        if (base) layout = base;
        base = null;
        return;
      case "edit":
        history.push(command.label);
        return apply(command.edit(layout));
      case "make":
        made.push(command.at);
        return;
      case "push":
        pan = command.pan;
        return;
      case "show":
        shown = { ...shown, ...command.shown };
        return;
      case "capture":
    }
  };
  const world = (): GlassWorld => ({ context: contextOf(base ?? layout), scale: 0.5, tool: null, grid: false, ...change, selection, entered, pan });
  const feed = (input: GlassInput) => {
    const step = glassStep(state, input, world());
    state = step.state;
    step.commands.forEach(obey);
  };
  // The window's CSS px are the screen's px at half size.
  const at = (x: number, y: number) => ({ at: { x: x / 2, y: y / 2 }, point: { x, y } });
  return {
    down: (on: PressedOn, x: number, y: number, more: { shift?: boolean; pans?: boolean; pointer?: number } = {}) =>
      feed({ type: "down", pointer: more.pointer ?? 1, on, shift: more.shift ?? false, pans: more.pans ?? false, ...at(x, y) }),
    move: (x: number, y: number, keys = KEYS) => feed({ type: "move", pointer: 1, keys, ...at(x, y) }),
    up: (x: number, y: number, keys = KEYS) => feed({ type: "up", pointer: 1, keys, ...at(x, y) }),
    feed,
    doubleClick: (on: PressedOn) => glassDoubleClick(on, world()).forEach(obey),
    now: () => ({ layout, selection, entered, pan, said, history, shown, made, phase: state.phase }),
  };
}
const control = (id: string): PressedOn => ({ kind: "control", id });
const centre = (id: string) => {
  const box = boxOf(harbour, id);
  return [box.x + box.w / 2, box.y + box.h / 2] as const;
};
const FREE = { shift: false, alt: true };

test("a control is selected when it is pressed, and moved as one entry when it is dragged", () => {
  const g = glass();
  const [x, y] = centre("horn");
  g.down(control("horn"), x, y);
  expect(g.now().selection).toEqual(["horn"]);
  const before = boxOf(harbour, "horn");
  for (const step of [10, 25, 60]) g.move(x - step, y - step, FREE);
  expect(g.now().shown.moving).toEqual(["horn"]);
  g.up(x - 60, y - 60, FREE);
  const after = boxOf(g.now().layout, "horn");
  expect([after.x - before.x, after.y - before.y].map(Math.round)).toEqual([-60, -60]);
  expect(g.now()).toMatchObject({ history: [expect.stringContaining("move")], phase: "idle", shown: NOTHING_SHOWN });
});

test("a click on one of several selected leaves that one; a click beside everything nothing, and leaves a cluster", () => {
  const g = glass(harbour, { selection: ["horn", "pump"] });
  const [x, y] = centre("horn");
  g.down(control("horn"), x, y);
  expect(g.now().selection).toEqual(["horn", "pump"]);
  g.up(x, y);
  expect(g.now().selection).toEqual(["horn"]);
  const beside = glass(harbour, { selection: ["horn"], entered: "somewhere" });
  beside.down({ kind: "glass" }, 5, 5);
  beside.up(5, 5);
  expect(beside.now()).toMatchObject({ selection: [], entered: null, history: [] });
});

test("with Shift a control is added, or taken away, and nothing is dragged by it", () => {
  const g = glass(harbour, { selection: ["horn"] });
  const [x, y] = centre("pump");
  g.down(control("pump"), x, y, { shift: true });
  g.move(x + 100, y);
  g.up(x + 100, y);
  expect(g.now()).toMatchObject({ selection: ["horn", "pump"], history: [], layout: harbour });
  g.down(control("horn"), ...centre("horn"), { shift: true });
  g.up(...centre("horn"));
  expect(g.now().selection).toEqual(["pump"]);
});

const endings: [string, (g: ReturnType<typeof glass>) => void][] = [
  ["Escape, or going away", (g) => g.feed({ type: "abandon" })],
  ["a cancelled pointer, or a lost capture", (g) => g.feed({ type: "cancel", pointer: 1 })],
  ["a second finger", (g) => g.down({ kind: "glass" }, 5, 5, { pointer: 2 })],
];
describe.each(endings)("%s in the middle", (_how, end) => {
  test.each<[string, PressedOn, string]>([
    ["of a move", control("horn"), "horn"],
    ["of resizing", { kind: "handle", of: "horn", handle: "se" }, "horn"],
    ["of tying", { kind: "tether", id: "horn" }, "horn"],
    ["of a marquee", { kind: "glass" }, "horn"],
  ])("%s puts everything back and leaves no entry", (_what, on, id) => {
    const g = glass();
    const [x, y] = centre(id);
    g.down(on, x, y);
    g.move(x - 90, y - 70, FREE);
    end(g);
    g.up(x - 90, y - 70, FREE);
    expect(g.now()).toMatchObject({ layout: harbour, history: [], phase: "idle", shown: NOTHING_SHOWN });
    expect(g.now().said.filter((word) => word === "commit")).toEqual([]);
  });
});

test("a corner of a button keeps its proportion, with Shift it does not; no side goes below a millimetre", () => {
  const box = boxOf(harbour, "horn");
  const dragged = (dx: number, dy: number, keys: typeof KEYS) => {
    const g = glass(harbour, { selection: ["horn"] });
    g.down({ kind: "handle", of: "horn", handle: "se" }, box.x + box.w, box.y + box.h);
    g.move(box.x + box.w + dx, box.y + box.h + dy, keys);
    g.up(box.x + box.w + dx, box.y + box.h + dy, keys);
    expect(g.now().history).toEqual([expect.stringContaining("resize")]);
    return boxOf(g.now().layout, "horn");
  };
  const kept = dragged(40, 0, { shift: false, alt: true });
  expect(kept.w / kept.h).toBeCloseTo(box.w / box.h, 6);
  const free = dragged(40, 0, { shift: true, alt: true });
  expect([free.w - box.w, free.h - box.h].map(Math.round)).toEqual([40, 0]);
  const least = dragged(-9999, -9999, { shift: true, alt: true });
  expect(least.w).toBeGreaterThanOrEqual(411 / 25.4 - 1e-3);
});

test("what a moving box snaps to is worked out once, from the layout as it was when the gesture began", () => {
  const g = glass();
  const [x, y] = centre("horn");
  const pump = boxOf(harbour, "pump");
  const horn = boxOf(harbour, "horn");
  g.down(control("horn"), x, y);
  // Three px next to the line of the pump's centre, then two.
  for (const off of [3, 2]) {
    g.move(pump.x + pump.w / 2 + off, y - 300);
    expect(boxOf(g.now().layout, "horn").x).toBeCloseTo(pump.x + pump.w / 2 - horn.w / 2, 3);
    expect(g.now().shown.guides.map((guide) => guide.axis)).toContain("x");
  }
  g.up(pump.x + pump.w / 2 + 2, y - 300);
});

test("a marquee selects what it touches, with Shift in addition", () => {
  const g = glass(harbour, { selection: ["lamp"] });
  const box = boxOf(harbour, "horn");
  g.down({ kind: "glass" }, box.x - 20, box.y - 20, { shift: true });
  g.move(box.x + 5, box.y + 5);
  expect(g.now().shown.marquee).toEqual({ x: box.x - 20, y: box.y - 20, w: 25, h: 25 });
  g.up(box.x + 5, box.y + 5);
  expect(g.now().selection).toContain("horn");
  expect(g.now().selection[0]).toBe("lamp");
  expect(g.now().shown.marquee).toBeNull();
});

test("with a tool in hand a box is drawn or a place is clicked, whatever lies there", () => {
  const g = glass(harbour, { tool: "button" });
  g.down(control("horn"), 300, 200);
  g.move(500, 350);
  expect(g.now().shown.drawn).toEqual({ x: 300, y: 200, w: 200, h: 150 });
  g.up(500, 350);
  g.down(control("horn"), 700, 300);
  g.up(700, 300);
  expect(g.now().made).toEqual([
    { x: 300, y: 200, w: 200, h: 150 },
    { x: 700, y: 300 },
  ]);
  expect(g.now()).toMatchObject({ selection: [], history: [], shown: NOTHING_SHOWN });
});

test("the middle button, or Space, pushes the glass about, whatever lies there, and changes nothing else", () => {
  const g = glass();
  g.down(control("horn"), ...centre("horn"), { pans: true });
  const [x, y] = centre("horn");
  g.move(x + 100, y - 40);
  g.up(x + 100, y - 40);
  expect(g.now()).toMatchObject({ pan: { x: 50, y: -20 }, selection: [], layout: harbour, history: [] });
});

test("a tether's end is shown on its way and tied where it is dropped; with Shift the control comes along", () => {
  const g = glass(harbour, { selection: ["horn"] });
  g.down({ kind: "tether", id: "horn" }, ...centre("horn"));
  g.move(30, 30);
  expect(g.now().shown.anchorDrag).toMatchObject({ anchor: [0, 0] });
  const before = boxOf(harbour, "horn");
  g.up(4, 4);
  const there = boxOf(g.now().layout, "horn");
  expect([there.x, there.y].map(Math.round)).toEqual([before.x, before.y].map(Math.round));
  const carried = glass(harbour, { selection: ["horn"] });
  carried.down({ kind: "tether", id: "horn" }, ...centre("horn"));
  carried.move(4, 4);
  carried.up(4, 4, { shift: true, alt: false });
  const near = boxOf(carried.now().layout, "horn");
  expect(near.x).toBeLessThan(before.x);
  expect([g.now().history, carried.now().history]).toEqual([["tie horn"], ["carry horn"]]);
});

test("a double click carries a control to its tether, and on a plain control means nothing", () => {
  const g = glass(harbour, { selection: ["horn"] });
  g.doubleClick({ kind: "tether", id: "horn" });
  expect(g.now().history).toEqual(["carry horn"]);
  g.doubleClick(control("horn"));
  g.doubleClick({ kind: "glass" });
  expect(g.now()).toMatchObject({ history: ["carry horn"], entered: null });
});

test("in a cluster: pressed from outside it moves as one; a double click goes in; leaving it, it is closed", () => {
  const cluster = {
    id: "group",
    name: "Group",
    placement: {
      kind: "pin" as const,
      frame: "safe" as const,
      anchor: [1, 1] as [number, number],
      pivot: [1, 1] as [number, number],
      offset: ["-10mm", "-10mm"] as [string, string],
      size: ["30mm", "20mm"] as [string, string],
    },
  };
  const inside = { ...harbour.controls.find((c) => c.id === "horn")!.placement, frame: { cluster: "group" }, anchor: [0.5, 0.5], offset: ["0u", "0u"] };
  const layout = { ...harbour, clusters: [cluster], controls: harbour.controls.map((c) => (c.id === "horn" ? { ...c, placement: inside } : c)) } as Layout;
  const g = glass(layout);
  const box = boxOf(layout, "horn");
  g.down(control("horn"), box.x + 5, box.y + 5);
  g.up(box.x + 5, box.y + 5);
  expect(g.now().selection).toEqual(["group"]);
  g.doubleClick(control("horn"));
  expect(g.now()).toMatchObject({ entered: "group", selection: ["horn"] });
  g.down(control("horn"), box.x + 5, box.y + 5);
  g.move(box.x - 60, box.y + 5, FREE);
  g.up(box.x - 60, box.y + 5, FREE);
  const grown = boxOf(g.now().layout, "group");
  expect(grown.x).toBeLessThan(boxOf(layout, "group").x + boxOf(layout, "group").w);
  expect(boxOf(g.now().layout, "horn").x).toBeCloseTo(box.x - 65, 0);
  g.down(control("pump"), ...centre("pump"));
  expect(g.now()).toMatchObject({ entered: null, selection: ["pump"] });
});
