import fc from "fast-check";
import { gather } from "../core/editing/clusters";
import { editContextOf } from "../core/editing/placing";
import { sampleLayouts } from "../test/samples";
import type { Layout } from "../core/format/types";
import { hardwareEnds } from "../core/wiring/hardwareWires";
import { portsOf } from "../core/wiring/serves";
import { looseEnds, actionStatuses } from "../core/wiring/actionStatus";
import { endWord, keyWord } from "./fields/keyWords";
import { joined, targetKey, targetOf, whyNot } from "./interaction/connections";
import { chainOf, groupsOf, seenActions, sheetPositions } from "./actions/sheetPositions";
import { statusDetail } from "./actions/statusDetail";
import { textOfFile } from "./document/files/textOfFile";
import { anchorWord } from "./layout/anchorWord";
import { draggedBox, HANDLES, snappedBox } from "./interaction/handles";
import { targetOfPointer, placeWord, snapTargets } from "./interaction/targets";
import { anchorAt } from "./interaction/anchorDrag";
import { valueText } from "./fields/valueText";
import { benchScreenOf, railOf, shelfOf } from "./document/railScreens";
import { common } from "./fields/common";
import { namesOf, spokenProblems } from "./document/names";
import { fileNameFor } from "../core/exchange/fileName";

const [brackwater, pigeonhole, draft] = sampleLayouts();

test("a dragged handle keeps the opposite side where it is, and the proportion where that is asked for", () => {
  const far = { min: -500, max: 500 };
  fc.assert(
    fc.property(fc.constantFrom(...HANDLES), fc.integer(far), fc.integer(far), fc.boolean(), (handle, dx, dy, keep) => {
      const box = { x: 100, y: 200, w: 80, h: 40 };
      const next = draggedBox(box, { key: handle.key, dx, dy, least: 10, keep });
      // A handle at the left holds the right side, one in the middle the middle.
      const held = (of: typeof box, f: number, low: "x" | "y", side: "w" | "h") => of[low] + of[side] * (1 - f);
      expect(held(next, handle.fx, "x", "w")).toBeCloseTo(held(box, handle.fx, "x", "w"), 9);
      expect(held(next, handle.fy, "y", "h")).toBeCloseTo(held(box, handle.fy, "y", "h"), 9);
      expect(Math.min(next.w, next.h)).toBeGreaterThanOrEqual(10 - 1e-9);
      expect(keep ? next.w / next.h : 2).toBeCloseTo(2, 9);
      expect(!keep && handle.fx === 0.5 ? next.w : 80).toBe(80);
    }),
  );
});

test("a dragged edge snaps to a line near by, and in a kept proportion the other side follows", () => {
  const targets = { frames: [], others: [{ x: 300, y: 0, w: 50, h: 50 }], mirrored: [], widthPx: 1000, gridPx: 0, reachPx: 8 };
  const box = { x: 100, y: 200, w: 80, h: 40 };
  const east = snappedBox(box, { key: "e", dx: 115, dy: 0, least: 10, keep: false }, targets);
  expect(east.box).toEqual({ x: 100, y: 200, w: 200, h: 40 });
  expect(east.guides).toHaveLength(1);
  expect(snappedBox(box, { key: "se", dx: 115, dy: 0, least: 10, keep: true }, targets).box).toEqual({ x: 100, y: 200, w: 200, h: 100 });
  expect(snappedBox(box, { key: "e", dx: 90, dy: 0, least: 10, keep: false }, targets)).toMatchObject({ box: { w: 170 }, guides: [] });
});

test("what is taken hold of in a cluster, and what a moving box may snap to", () => {
  const gathered = gather(editContextOf(brackwater, benchScreenOf(brackwater)), ["horn", "towline"], "Deck");
  if (!gathered.ok) throw new Error(JSON.stringify(gathered));
  const context = editContextOf(gathered.value.layout, benchScreenOf(brackwater));
  expect(targetOfPointer(context.layout, null, "horn", null)).toBe("deck");
  expect(targetOfPointer(context.layout, null, "horn", "deck")).toBe("horn");
  expect(targetOfPointer(context.layout, null, "helm", "deck")).toBe("helm");
  const count = context.resolved.controls.length + context.resolved.keepClear.length;
  expect(snapTargets(context, ["deck"], 0.5, false).others).toHaveLength(count - 2);
  expect(snapTargets(context, ["horn"], 0.5, true)).toMatchObject({ reachPx: 14, gridPx: expect.closeTo((5 * context.screen.ppi) / 25.4, 6) as number });
  expect([placeWord({ x: 0, y: 0, w: 10, h: 10 }, context.screen), placeWord({ x: 1100, y: 500, w: 100, h: 100 }, context.screen)]).toEqual([
    "top left",
    "middle",
  ]);
});

test("a tether's end takes the nearest point of any frame, its own frame's first; freely it goes where it is", () => {
  const context = editContextOf(brackwater, benchScreenOf(brackwater));
  const at = (x: number, y: number, free = false) => anchorAt(context, "horn", { point: { x, y }, free }, 0.34);
  expect(at(100, 10)).toMatchObject({ frame: "safe", anchor: [0, 0] });
  expect(at(4, 1078)).toMatchObject({ frame: "screen", anchor: [0, 1] });
  expect(at(700, 400)!.anchor[0]).toBeCloseTo((700 - 96) / (2400 - 96), 3);
  expect(at(100, 10, true)!.anchor[0]).toBeCloseTo(4 / (2400 - 96), 3);
  expect(anchorAt(context, "lamp", { point: { x: 0, y: 0 }, free: false }, 1)).toBeNull();
});

test("common values, and where things differ", () => {
  expect(common([1, 1], (n) => n)).toBe(1);
  expect(common([1, 2], (n) => n)).toBeNull();
  expect(common([[1], [1]], (n) => n)).toEqual([1]);
  expect(common([], () => 1)).toBeNull();
});

test("anchors, keys, values and file names in words", () => {
  expect([anchorWord([0, 1]), anchorWord([0.5, 0.5]), anchorWord([0.5, 0]), anchorWord([0.2, 1])]).toEqual(["bottom left", "centre", "top", "20 %, 100 %"]);
  expect([keyWord("KeyW"), keyWord("ArrowUp"), keyWord("Digit1"), keyWord("Space")]).toEqual(["W", "↑", "1", "Space"]);
  expect([valueText([0.001, -0.004]), valueText(-1), valueText(true), valueText(undefined)]).toEqual(["0.00, 0.00", "-1.00", "true", "–"]);
  expect(fileNameFor("Brackwater, first draft")).toBe("brackwater-first-draft.nodulum.json");
  expect(fileNameFor("!!!")).toBe("layout.nodulum.json");
});

const placed = (layout: Layout, options: Partial<Parameters<typeof sheetPositions>[2]> = {}, seen = layout.actions) =>
  sheetPositions(layout, seen, { grouped: false, folded: new Set(), filtered: false, loose: looseEnds(layout), ...options });

test("on the sheet nothing lies on anything else, and every wire ends where its row is", () => {
  for (const layout of [brackwater, draft, pigeonhole]) {
    const positions = placed(layout);
    for (const column of [[...positions.actions.values()], positions.ends, [...positions.controls.values()]]) {
      const rows = [...column].sort((a, b) => a.y - b.y);
      rows.forEach((row, i) => expect(i === 0 || row.y >= rows[i - 1].y + rows[i - 1].h).toBe(true));
      expect(rows.every((row) => row.y >= 0 && row.y + row.h <= positions.height)).toBe(true);
    }
    const serves = layout.controls.reduce((n, c) => n + c.serves.length, 0);
    expect(new Set(positions.serveWires.map((w) => `${w.toY}`)).size).toBe(serves);
    for (const w of positions.hardwareWires) {
      const action = positions.actions.get(w.action)!;
      expect(w.toY).toBe(action.y + action.h / 2);
      expect(positions.ends.some((e) => e.end === w.end && e.y + e.h / 2 === w.fromY)).toBe(true);
      expect(Math.abs(w.fromY - w.toY)).toBeLessThan(220);
    }
  }
});

test("grouped by moment and folded, the rows and what serves them alone are gone, their wires end at the group", () => {
  const open = placed(brackwater, { grouped: true });
  expect(open.groups.map((g) => g.count).reduce((a, b) => a + b)).toBe(brackwater.actions.length);
  const [group] = open.groups;
  const folded = placed(brackwater, { grouped: true, folded: new Set([group.key]) });
  expect(folded.actions.size).toBe(brackwater.actions.length - group.count);
  expect(folded.controls.size).toBeLessThan(open.controls.size);
  const gone = new Set(groupsOf(brackwater.actions, brackwater.moments, true)[0].actions.map((a) => a.name));
  expect(folded.hardwareWires.every((w) => !gone.has(w.action))).toBe(true);
  expect(folded.serveWires.every((w) => !gone.has(w.action) || w.fromY === 15)).toBe(true);
});

test("a search finds an action by its word, its keys, its controls; a filter by how it stands", () => {
  const statuses = new Map(actionStatuses(draft).map((s) => [s.name, s]));
  const find = (search: string, only: "all" | "left" = "all") =>
    seenActions(draft, { search, moment: null, only }, statuses, (end) => endWord(end)).map((a) => a.name);
  expect(find("HELM")).toContain("helm");
  expect(find("sidle-left")).toEqual(["sidle"]);
  expect(find("space")).toEqual(draft.actions.filter((a) => a.keys.some((k) => k.code === "Space")).map((a) => a.name));
  expect(find("no such word")).toEqual([]);
  expect(find("", "left")).toEqual(["towline"]);
  expect(seenActions(draft, { search: "", moment: "log-open", only: "all" }, statuses, (end) => end).every((a) => a.moments.includes("log-open"))).toBe(true);
});

test("two ends are joined exactly where nothing speaks against it, in every pair of the sample", () => {
  const { actions, controls } = brackwater;
  const ports = controls.flatMap((c) => [null, ...portsOf(c.kind)].map((port) => ({ kind: "port", id: c.id, port }) as const));
  const ends = [...new Set(actions.flatMap(hardwareEnds)), "mouse 0", "pad axis 3"].map((end) => ({ kind: "end", end }) as const);
  const starts = [
    ...actions.flatMap(({ name }) => (["hardware", "touch"] as const).map((side) => ({ kind: "action", name, side }) as const)),
    ...ports,
    ...ends,
    ...controls.flatMap((c) => c.serves.map((_, index) => ({ kind: "serve", id: c.id, index }) as const)),
  ];
  const targets = [...actions.map(({ name }) => ({ kind: "action", name }) as const), ...ports, ...ends];
  let fitting = 0;
  for (const start of starts)
    for (const target of targets) {
      const why = whyNot(brackwater, start, target);
      const made = joined(brackwater, start, target);
      expect([start, target, made.ok]).toEqual([start, target, why === null]);
      expect(made.ok ? null : made.problems[0].message).toBe(why);
      if (made.ok) fitting += 1;
    }
  expect(fitting).toBeGreaterThan(200);
});

test("how an action stands is told moment by moment, those served alike together", () => {
  const status = { name: "a", kind: "part", word: "no touch control in B", toDo: true, near: null } as const;
  const moments = ["A", "B", "C"].map((name) => ({ id: name.toLowerCase(), name }));
  const by = (...list: string[][]) => list.map((controls, i) => ({ moment: moments[i].id, by: controls }));
  expect(statusDetail({ ...status, moments: by(["x", "y"], [], ["x", "y"]) }, moments)).toBe("A, C: x, y; B: nothing");
  expect(statusDetail({ ...status, moments: [{ moment: null, by: ["x"] }] }, [])).toBe("x");
  expect(statusDetail({ ...status, moments: [] }, moments)).toBe("no touch control in B");
});

test("a chain holds all that gives to an action, what a control gives to, and both ends of a wire", () => {
  const of = (pick: Parameters<typeof chainOf>[0]) => chainOf(pick, brackwater);
  const sidle = of({ kind: "action", name: "sidle" })!;
  expect([...sidle.controls]).toEqual(["sidle-left", "sidle-right"]);
  expect(sidle.wires.size).toBe(2 + sidle.ends.size);
  expect([...of({ kind: "control", id: "helm" })!.actions]).toEqual(["helm"]);
  expect([...of({ kind: "serve", id: "sidle-left", index: 0 })!.controls]).toEqual(["sidle-left"]);
  const [end] = sidle.ends;
  expect(of({ kind: "end", end })!.actions.has("sidle")).toBe(true);
  expect([of(null), of({ kind: "action", name: "no such" }), of({ kind: "serve", id: "helm", index: 9 })]).toEqual([null, null, null]);
});

test("a wire runs from an action to something else, and from nothing to what it does not fit", () => {
  const why = (start: Parameters<typeof whyNot>[1], target: Parameters<typeof whyNot>[2]) => whyNot(brackwater, start, target);
  const touch = (name: string) => ({ kind: "action", name, side: "touch" }) as const;
  expect(why(touch("horn"), { kind: "end", end: "key KeyQ" })).toMatch(/^a wire connects/);
  expect(why(touch("lamp"), { kind: "port", id: "horn", port: null })).toMatch(/no port of a button gives to a motion/);
  expect(why(touch("horn"), { kind: "port", id: "horn", port: "press" })).toMatch(/already serves/);
  expect(why({ kind: "end", end: "mouse move" }, { kind: "action", name: "helm" })).toMatch(/gives movement, the action is a vector/);
  expect(why({ kind: "port", id: "helm", port: "active" }, { kind: "action", name: "horn" })).toBeNull();
  const bad = joined(brackwater, touch("lamp"), { kind: "port", id: "horn", port: null });
  expect(bad.ok).toBe(false);
  // A stick that gives its vector already takes the next port that fits.
  const again = joined(brackwater, touch("helm"), { kind: "port", id: "helm", port: null });
  expect(again.ok && again.value.controls.find((c) => c.id === "helm")!.serves.map((s) => s.port)).toEqual(["vector", "up"]);
  for (const target of [
    { kind: "action", name: "a b" },
    { kind: "end", end: "key KeyW" },
    { kind: "port", id: "x", port: "up" },
    { kind: "port", id: "x", port: null },
  ] as const)
    expect(targetOf(targetKey(target))).toEqual(target);
});

test("rail and shelf follow the orientation; the bench falls back where its screen is unknown", () => {
  expect(railOf(brackwater)).toHaveLength(8);
  expect(shelfOf(pigeonhole).every((s) => s.heightPx > s.widthPx)).toBe(true);
  expect(benchScreenOf({ ...brackwater, workbench: { ...brackwater.workbench, screen: "no such" } }).name).toBe(railOf(brackwater)[0].name);
  expect(railOf({ ...brackwater, orientation: "both" })).toHaveLength(8);
});

test("held either way, the bench keeps the screen it is on and the way it is held, and so does the rail", () => {
  for (const layout of [brackwater, pigeonhole]) {
    const both = { ...layout, orientation: "both" } as const;
    const [before, after] = [benchScreenOf(layout), benchScreenOf(both)];
    expect([after.widthPx, after.heightPx]).toEqual([before.widthPx, before.heightPx]);
    expect(railOf(both).map((s) => s.widthPx)).toEqual(railOf(layout).map((s) => s.widthPx));
    const named = { ...layout, workbench: { ...layout.workbench, screen: `Tablet 4:3, ${layout.orientation}` } };
    expect(benchScreenOf(named).name).toBe("Tablet 4:3");
  }
});

test("problems are told by the names of what they are about, never by places in lists or ids", () => {
  const say = (path: string) => spokenProblems(brackwater, [{ path, message: "no" }], 3);
  expect(say("controls[1].feel.inner")).toBe("“helm”, feel inner: no");
  expect(say("controls[8]")).toBe("“log book”: no");
  expect(say("controls[99].hit")).toBe("the new control, hit: no");
  expect(say("sidle-left")).toBe("“sidle to port”: no");
  expect(say("controls")).toBe("no");
  expect(namesOf(brackwater, ["log"])).toBe("log book");
  expect(namesOf(brackwater, ["log", "pause"])).toBe("2 controls");
});

test("files that cannot be layouts are told apart before they are read", async () => {
  const file = (bytes: Uint8Array, size = bytes.length) => ({ size, arrayBuffer: () => Promise.resolve(bytes.buffer as ArrayBuffer) });
  const reason = async (f: ReturnType<typeof file>) => {
    const read = await textOfFile(f);
    return read.ok ? read.value : read.problems[0].message;
  };
  expect(await reason(file(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 1])))).toMatch(/PNG picture/);
  expect(await reason(file(new Uint8Array(), 50 * 1048576))).toMatch(/50\.0 MiB; a layout has at most/);
  expect(await reason(file(new Uint8Array([0xff, 0xfe, 0x00])))).toMatch(/UTF-8/);
  expect(await reason(file(new Uint8Array()))).toMatch(/empty/);
  expect(await reason(file(new TextEncoder().encode("{}")))).toBe("{}");
  expect(await reason({ size: 9, arrayBuffer: () => Promise.reject(new Error("gone")) } as never)).toMatch(/cannot read the file/);
});
