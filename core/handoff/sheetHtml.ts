/** The sheet as a page to print and as a table. */
import { element, escaped } from "../drawing/svgElement";
import { layoutDrawing } from "../drawing/layoutDrawing";
import { resolvedOn } from "../derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { pxPerMm } from "../engine/placement/screen";
import { writeRows } from "../exchange/rows";
import type { Layout, Screen } from "../format/types";
import { documentHtml } from "../report/document";
import { CONTENT_MM, reportStyle, type Paper } from "../report/style";
import { drawnFor } from "../versions/compare";
import { checklist } from "./checklist";
import { sheetActions, sheetEntries, type SheetEntry } from "./sheetEntries";
import { FACING, scaleWords } from "./sheetScale";

/** What a sheet is made from. `ticked`: ids of the checklist that are done. */
export interface SheetSource {
  readonly layout: Layout;
  readonly digest: string;
  readonly date: string;
  /** The screen the rule of scale is worked on. */
  readonly screen: Screen;
  readonly paper: Paper;
  readonly ticked: ReadonlySet<string>;
}

const STYLE = `
section.control { break-inside: avoid; }
table.rows th[scope=row] { width: 42mm; color: inherit; }
table.rows td { font-family: inherit; }
ul.ticks { list-style: none; padding: 0; margin: 0; }
ul.ticks li { display: grid; grid-template-columns: 6mm 1fr; padding: 0.8mm 0; break-inside: avoid; }
.box { width: 3.4mm; height: 3.4mm; border: 0.3mm solid currentColor; display: inline-block; text-align: center; line-height: 3mm; }
`;

const cells = (row: readonly string[], name = "td") => row.map((cell) => element(name, {}, escaped(cell))).join("");
const table = (heads: readonly string[], rows: readonly (readonly string[])[], caption?: string) =>
  element(
    "table",
    { class: "rows" },
    (caption === undefined ? "" : element("caption", {}, escaped(caption))) +
      element("thead", {}, element("tr", {}, cells(heads, "th"))) +
      element("tbody", {}, rows.map(([first, ...rest]) => element("tr", {}, element("th", { scope: "row" }, escaped(first)) + cells(rest))).join("")),
  );

function entrySection({ name, id, kind, arrangement, rows }: SheetEntry): string {
  const where = arrangement === null ? "" : `, in the arrangement ${arrangement}`;
  return element(
    "section",
    { class: "control", "data-entry": id },
    element("h3", {}, escaped(`${name} (${kind}, ${id})${where}`)) +
      table(
        ["what", "y runs down", "y runs up", "as the file has it"],
        rows.map(({ field, down, up, written }) => [field, down, up === down ? "same" : up, written]),
      ),
  );
}

/** The sheet as one HTML file that prints, needs no network and runs nothing. */
export function sheetHtml({ layout, digest, date, screen, paper, ticked }: SheetSource): string {
  const scale = scaleWords(layout, screen);
  const drawnOn = drawnFor(layout);
  const shrinks = Math.max(1, Math.ceil(drawnOn.widthPx / pxPerMm(drawnOn) / CONTENT_MM));
  const drawing = layoutDrawing(layout, resolvedOn(layout, drawnOn, PLAIN_PLAYER_VIEW), {
    layers: ["glass", "zones", "areas", "controls", "names", "measures"],
    shrinks,
  });
  const { width, height } = layout.reference;
  const part = (heading: string, inside: string) => element("section", {}, element("h2", {}, escaped(heading)) + inside);
  const paragraph = (text: string) => element("p", {}, escaped(text));
  const ticks = checklist(layout)
    .map(({ id, text }) => element("li", {}, element("span", { class: "box" }, ticked.has(id) ? "✓" : "") + element("span", {}, escaped(text))))
    .join("");
  const body = [
    element("h1", {}, escaped(`${layout.name}: sheet`)) +
      element("p", { class: "muted" }, `${escaped(date)}; digest ${element("code", {}, digest)}`) +
      paragraph(
        `Designed for ${width} × ${height} units (u). Positions are given twice: for programs with y down from the top, and with y up from the bottom. Anchors and pivots are fractions of the frame and of the control; an offset goes from the anchor to the pivot.`,
      ) +
      element("figure", {}, drawing),
    part("Scale", [scale.keeps, scale.formula, scale.example].map(paragraph).join("")),
    part("Positions", sheetEntries(layout).map(entrySection).join("")),
    part(
      "Actions",
      table(
        ["action", "kind", "moments", "keys, mouse and pad", "smoothing"],
        sheetActions(layout).map((a) => [a.name, a.kind, a.moments, a.inputs, a.smoothing]),
      ),
    ),
    part(
      "Turning towards the stick",
      table(
        ["for", "formula"],
        FACING.map((line) => [...line]),
      ),
    ),
    part("In the game’s project", element("ul", { class: "ticks" }, ticks)),
  ].join("\n");
  return documentHtml({ title: `${layout.name}: sheet`, style: `${reportStyle(paper)}${STYLE}`, content: body });
}

/** The sheet as CSV, a row a value. */
export function sheetCsv(layout: Layout): string {
  const rows = sheetEntries(layout).flatMap(({ id, name, kind, arrangement, rows: own }) =>
    own.map(({ part, field, down, up, written }) => [arrangement ?? "", id, name, kind, part, field, down, up, written]),
  );
  return writeRows(["arrangement", "id", "name", "kind", "part", "field", "y down", "y up", "as written"], rows);
}
