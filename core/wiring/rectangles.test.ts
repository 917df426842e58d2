import fc from "fast-check";
import { resolvedOn } from "../derived/resolved";
import { layoutDrawing } from "../drawing/layoutDrawing";
import { editContextOf } from "../editing/placing";
import { newLayout } from "../editing/edits/layout";
import type { Box } from "../engine/geometry/point";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { plainScreen } from "../engine/placement/screen";
import { controlsCsv, controlsJson, controlTable } from "../handoff/controlTable";
import { readSvgRectangles } from "../exchange/svgRectangles";
import { guessMatch, readTables, tableRectangles } from "../exchange/tableRectangles";
import { TABLE_UNITS, Y_DIRECTIONS } from "../exchange/boxDirection";
import type { Layout, Screen } from "../format/types";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { actionOfName, guessControls, groupsByGap, takeRectangles, type DrawnRectangle } from "./rectangles";
import { repeated } from "../../test/repeated";

const [brackwater] = sampleLayouts();
const visuals = (layout: Layout, screen: Screen) => new Map(resolvedOn(layout, screen, PLAIN_PLAYER_VIEW).controls.map(({ id, visual }) => [id, visual]));

/** What a hand would do with a file: everything that has an extent is taken as new controls into an empty layout of the same make. */
function takenAnew(layout: Layout, rectangles: readonly DrawnRectangle[], screen: Screen): readonly Box[] {
  const empty = newLayout("empty", layout.reference, layout.scale);
  if (!empty.ok) throw new Error("no layout");
  const context = editContextOf(empty.value, screen);
  const wishes = rectangles.map((rectangle) => ({ ...rectangle, kind: rectangle.kind ?? ("button" as const), action: null, control: null }));
  const taken = takeRectangles(context, wishes, false);
  if (!taken.ok) throw new Error(JSON.stringify(taken.problems));
  const there = visuals(taken.value.layout, screen);
  return taken.value.ids.map((id) => there.get(id)!);
}

/** The worst difference between two lists of boxes, px, in parts of the screen's longer side. */
function worst(a: readonly Box[], b: readonly Box[], { widthPx, heightPx }: Screen): number {
  expect(a.length).toBe(b.length);
  const sides = ["x", "y", "w", "h"] as const;
  return Math.max(0, ...a.flatMap((box, i) => sides.map((side) => Math.abs(box[side] - b[i][side])))) / Math.max(widthPx, heightPx);
}

/** On the glass and with an extent: what a table can tell and a control can be. */
const told = ({ x, y, w, h }: Box, { widthPx, heightPx }: Screen) =>
  w > 1 && h > 1 && Math.abs(x) < 4 * widthPx && Math.abs(y) < 4 * heightPx && w < 4 * widthPx && h < 4 * heightPx;

test("a table that went out comes back in as the same places, in every unit, both ways of y, as CSV and as JSON", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, fc.constantFrom(...TABLE_UNITS), fc.constantFrom(...Y_DIRECTIONS), (layout, screen, unit, direction) => {
      const boxes = [...visuals(layout, screen)].filter(([, box]) => told(box, screen));
      const keep = new Set(boxes.map(([id]) => id));
      const table = controlTable(layout, { screens: [screen], playerView: PLAIN_PLAYER_VIEW, direction }).map((one) => ({
        ...one,
        controls: one.controls.filter(({ id }) => keep.has(id)),
      }));
      fc.pre(keep.size > 0);
      const files = [
        ["t.csv", controlsCsv(table, unit, direction), unit],
        ["t.json", controlsJson(layout, "d", table, direction), "px"],
      ] as const;
      for (const [name, text, inUnit] of files) {
        const tables = readTables(name, text);
        if (!tables.ok) throw new Error(JSON.stringify(tables.problems));
        const found = tables.value.find(({ path }) => path === "" || path === "screens[0].controls")!;
        const match = guessMatch(found);
        expect([match.unit, match.direction]).toEqual([inUnit, direction]);
        const rectangles = tableRectangles(found, match, screen);
        if (!rectangles.ok) throw new Error(JSON.stringify(rectangles.problems));
        expect(rectangles.value.map((one) => one.name)).toEqual(boxes.map(([id]) => id));
        expect(
          worst(
            takenAnew(layout, rectangles.value, screen),
            boxes.map(([, box]) => box),
            screen,
          ),
        ).toBeLessThan(1e-5);
      }
    }),
    { numRuns: repeated(25) },
  );
});

test("a drawing that went out comes back in as the same places and kinds", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, screen) => {
      const boxes = [...visuals(layout, screen)];
      fc.pre(boxes.length > 0 && boxes.every(([, box]) => told(box, screen)));
      const svg = layoutDrawing(layout, resolvedOn(layout, screen, PLAIN_PLAYER_VIEW), {
        layers: ["glass", "zones", "areas", "controls", "names"],
        shrinks: 1,
      });
      const read = readSvgRectangles(svg);
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      expect([read.value.width, read.value.height]).toEqual([expect.closeTo(screen.widthPx, 2), expect.closeTo(screen.heightPx, 2)]);
      const kinds = new Map(layout.controls.map(({ id, kind }) => [id, kind]));
      expect(read.value.rectangles.map(({ name, kind }) => [name, kind])).toEqual(boxes.map(([id]) => [id, kinds.get(id)]));
      // Drawings are written to a thousandth of a px.
      expect(
        worst(
          takenAnew(layout, read.value.rectangles, screen),
          boxes.map(([, box]) => box),
          screen,
        ),
      ).toBeLessThan(1e-5);
    }),
    { numRuns: repeated(25) },
  );
});

test("into its own layout the table of another screen moves the controls that are there, and makes none", () => {
  const screen = plainScreen("s", 2400, 1080, 411);
  const moved = { x: 300, y: 200, w: 150, h: 150 };
  const [guess] = guessControls(brackwater, [{ name: "horn", box: moved, shape: null, kind: null }], screen);
  expect(guess).toEqual({ kind: "button", by: "from the file", action: "horn", control: "horn" });
  const taken = takeRectangles(editContextOf(brackwater, screen), [{ name: "horn", box: moved, shape: null, ...guess }], true);
  if (!taken.ok) throw new Error("not taken");
  expect(taken.value.layout.controls.length).toBe(brackwater.controls.length);
  const { x, y, w, h } = visuals(taken.value.layout, screen).get("horn")!;
  expect([x, y, w, h].map(Math.round)).toEqual([300, 200, 150, 150]);
});

const named = (name: string, side: number, shape: DrawnRectangle["shape"] = "ellipse", x = 100): DrawnRectangle => ({
  name,
  box: { x, y: 100, w: side, h: side },
  shape,
  kind: null,
});

test("kinds and actions are guessed by name, by action, by shape, in this order, and each control once", () => {
  const screen = plainScreen("s", 2400, 1080, 411);
  const fresh = { ...brackwater, controls: [] };
  const guesses = guessControls(
    fresh,
    [
      named("Left Stick", 400),
      named("horn_button", 120),
      named("towlin", 120),
      named("lamp", 120),
      named("D-Pad", 300),
      named("round", 400),
      named("small", 60),
      { ...named("field", 900), box: { x: 0, y: 0, w: 1200, h: 900 } },
    ],
    screen,
  );
  expect(guesses.map(({ kind, by, action }) => [kind, by, action])).toEqual([
    ["stick", "its name", null],
    ["button", "its name", "horn"],
    ["button", "its action", "towline"],
    ["touchpad", "its action", "lamp"],
    ["dpad", "its name", null],
    ["stick", "its shape", null],
    ["button", "its shape", null],
    ["touchpad", "its shape", null],
  ]);
  const twice = guessControls(brackwater, [named("horn", 100), named("horn", 100)], screen);
  expect(twice.map(({ control }) => control)).toEqual(["horn", null]);
  expect(actionOfName("btn", brackwater.actions)).toBeNull();
});

test("anchors: what stands by a corner is tied to it; buttons that stand together are a cluster, where they stood", () => {
  const screen = plainScreen("s", 1600, 720, 25.4 / 0.09);
  const empty = newLayout("empty", { width: 1600, height: 720 });
  if (!empty.ok) throw new Error("no layout");
  const wish = (name: string, x: number, y: number) => ({
    name,
    box: { x, y, w: 100, h: 100 },
    shape: "ellipse" as const,
    kind: "button" as const,
    action: null,
    control: null,
  });
  const wishes = [wish("a", 1400, 560), wish("b", 1280, 600), wish("c", 1480, 450), wish("alone", 20, 20), wish("top", 750, 10)];
  const taken = takeRectangles(editContextOf(empty.value, screen), wishes, true);
  if (!taken.ok) throw new Error("not taken");
  const { layout } = taken.value;
  expect(layout.clusters.length).toBe(1);
  const anchorOf = (id: string) =>
    layout.controls.map(({ id: own, placement }) => (own === id && placement.kind === "pin" ? placement.anchor : null)).find(Boolean);
  expect([anchorOf("alone"), anchorOf("top"), layout.clusters[0].placement.anchor]).toEqual([
    [0, 0],
    [0.5, 0],
    [1, 1],
  ]);
  for (const { name, box } of wishes) {
    const at = visuals(layout, screen).get(name)!;
    expect(Math.max(Math.abs(at.x - box.x), Math.abs(at.y - box.y), Math.abs(at.w - box.w))).toBeLessThan(1e-3);
  }
  expect(groupsByGap([wishes[3].box, wishes[4].box])).toEqual([]);
});
