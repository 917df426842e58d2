import fc from "fast-check";
import { XMLValidator } from "fast-xml-parser";
import { byId } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { framesOf, plainScreen } from "../engine/placement/screen";
import { unitPx } from "../engine/placement/scale";
import { catalogueFor } from "../checks/catalogue";
import { cellsOf } from "../exchange/rows";
import { boxIn } from "../exchange/boxDirection";
import type { Layout } from "../format/types";
import { drawnFor } from "../versions/compare";
import { layoutArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { checklist } from "./checklist";
import { contactSheet } from "./contactSheet";
import { sheetEntries, type SheetEntry } from "./sheetEntries";
import { sheetCsv, sheetHtml } from "./sheetHtml";
import { scaleWords } from "./sheetScale";

const [brackwater, pigeonhole, draft] = sampleLayouts();
const value = ({ rows }: SheetEntry, field: string) => rows.find((row) => row.field === field)!;
const figures = (text: string) => text.split(/,|×/).map((part) => Number(part.replace(" u", "")));

test("typed in as it says, both ways of y, everything stands where it was drawn", () => {
  fc.assert(
    fc.property(layoutArbitrary, (layout) => {
      const screen = drawnFor(layout);
      const base = { ...layout, arrangements: [] };
      const resolved = resolvedOn(base, screen, PLAIN_PLAYER_VIEW);
      const frames = framesOf(screen, layout.picture);
      for (const entry of sheetEntries(base)) {
        const control = byId(layout.controls).get(entry.id);
        const at = byId(resolved.controls).get(entry.id);
        if (!control || !at || control.placement.kind !== "pin") continue;
        const frame = value(entry, "frame").down;
        const within = typeof control.placement.frame === "string" ? frames[control.placement.frame] : resolved.clusters[control.placement.frame.cluster];
        expect(frame).toMatch(typeof control.placement.frame === "string" ? / frame$/ : /^cluster /);
        const [w, h] = figures(value(entry, "size").down);
        for (const way of ["down", "up"] as const) {
          const about = boxIn(within, screen.heightPx, way);
          const [[ax, ay], [px, py], [dx, dy]] = ["anchor x, y", "pivot x, y", "offset x, y"].map((field) => figures(value(entry, field)[way]));
          const box = boxIn(at.visual, screen.heightPx, way);
          // Each figure is written to a thousandth of a unit, and fractions to a thousandth of theirs.
          const slack = 0.002 + 0.0005 * (about.w + about.h + w + h);
          expect(Math.abs(about.x + ax * about.w + dx - px * w - box.x)).toBeLessThan(slack);
          expect(Math.abs(about.y + ay * about.h + dy - py * h - box.y)).toBeLessThan(slack);
        }
      }
    }),
  );
});

test("what stands elsewhere in an arrangement has an entry of its own, what is hidden says so", () => {
  const layout: Layout = {
    ...brackwater,
    arrangements: [
      {
        id: "narrow",
        name: "Narrow",
        when: { aspect: { max: 1.5 } },
        overrides: {
          horn: { hidden: true },
          pump: { hidden: false, placement: { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["10u", "20u"], size: ["90u", "90u"] } },
        },
      },
    ],
  };
  const elsewhere = sheetEntries(layout).filter(({ arrangement }) => arrangement === "Narrow");
  expect(elsewhere.map(({ id }) => id)).toEqual(["horn", "pump"]);
  expect(elsewhere[0].rows).toEqual([{ part: "shows", field: "shown", down: "hidden", up: "hidden", written: "" }]);
  expect([value(elsewhere[1], "offset x, y").down, value(elsewhere[1], "offset x, y").up]).toEqual(["10 u, 20 u", "10 u, -20 u"]);
});

test("the page is whole and says what is ticked; the CSV has its rows; nothing is left undefined", () => {
  for (const layout of [brackwater, pigeonhole, draft]) {
    const page = sheetHtml({
      layout,
      digest: "d",
      date: "2026-11-27",
      screen: catalogueFor("landscape")[0],
      paper: "letter",
      ticked: new Set(["project.mouse"]),
    });
    expect(page).not.toMatch(/undefined|NaN|\[object/);
    expect(XMLValidator.validate(/<body>([\s\S]*)<\/body>/.exec(page)![1])).toBe(true);
    expect(page.match(/<span class="box">✓<\/span>/g)).toHaveLength(1);
    expect(page.match(/<li>/g)).toHaveLength(checklist(layout).length);
    const [heading, ...rows] = cellsOf(sheetCsv(layout));
    expect(heading).toEqual(["arrangement", "id", "name", "kind", "part", "field", "y down", "y up", "as written"]);
    expect(rows.length).toBe(sheetEntries(layout).reduce((sum, entry) => sum + entry.rows.length, 0));
  }
});

test.each([0, 0.35, 1])("the example of the rule of scale at share %p is what the engine works out", (share) => {
  const scale = { share, of: "inside" as const, mmPerUnit: 0.08 };
  const reference = { width: 1600, height: 720 };
  const screen = plainScreen("S", 2000, 1200, 300);
  const { formula, example } = scaleWords({ scale, reference }, screen);
  const s = unitPx(scale, reference, screen);
  expect(example).toContain(`s = ${Number(s.toFixed(3))}, so 100 u are ${Number((100 * s).toFixed(1))} px`);
  expect(formula.includes("ppi")).toBe(share < 1);
  expect(formula.includes("min(W/Wr, H/Hr)")).toBe(share > 0);
});

test("the contact sheet has every screen at one scale, none over another, and is a drawing that parses", () => {
  const screens = catalogueFor("landscape");
  const svg = contactSheet(brackwater, screens, PLAIN_PLAYER_VIEW);
  expect(XMLValidator.validate(svg)).toBe(true);
  const boxes = [...svg.matchAll(/<g data-screen="[^"]*"><svg xmlns="[^"]*" x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)"/g)].map((match) =>
    match.slice(1).map(Number),
  );
  expect(boxes.length).toBe(screens.length);
  boxes.forEach(([x, y, w, h], i) => {
    expect(w).toBeCloseTo((screens[i].widthPx * 25.4) / screens[i].ppi, 2);
    for (const [ox, oy, ow, oh] of boxes.slice(0, i)) expect(x + w < ox || ox + ow < x || y + h < oy || oy + oh < y).toBe(true);
  });
  expect(new Set([...svg.matchAll(/ id="([^"]+)"/g)].map(([, id]) => id)).size).toBe([...svg.matchAll(/ id="([^"]+)"/g)].length);
});
