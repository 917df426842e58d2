/** A file that holds rectangles, as it was read: a drawing, or tables of which one is chosen and matched. */
import { readSvgRectangles, type DrawnSheet } from "./svgRectangles";
import { readTables, tableRectangles, type FoundTable, type TableMatch } from "./tableRectangles";
import { ok, type Result } from "../engine/result";
import type { Screen } from "../format/types";
import type { DrawnRectangle } from "../wiring/rectangles";

export type RectangleSource =
  | { readonly kind: "drawing"; readonly fileName: string; readonly sheet: DrawnSheet }
  | { readonly kind: "tables"; readonly fileName: string; readonly tables: readonly FoundTable[] };

/** Reads a file: SVG by its name or its beginning, all else as a table. */
export function readRectangleFile(fileName: string, text: string): Result<RectangleSource> {
  if (/\.svg$/i.test(fileName) || /^\uFEFF?\s*</.test(text)) {
    const sheet = readSvgRectangles(text);
    return sheet.ok ? ok({ kind: "drawing", fileName, sheet: sheet.value }) : sheet;
  }
  const tables = readTables(fileName, text);
  return tables.ok ? ok({ kind: "tables", fileName, tables: tables.value }) : tables;
}

/** A rectangle that covers nearly all of the drawing is what it was drawn on. */
const BACKGROUND_PART = 0.95;

/** A drawing's rectangles on a screen: as many px as fill its width or its height, the drawing in the middle where its aspect is another. */
function drawnOn({ width, height, rectangles }: DrawnSheet, { widthPx, heightPx }: Screen): readonly DrawnRectangle[] {
  const scale = Math.min(widthPx / width, heightPx / height);
  const [dx, dy] = [(widthPx - width * scale) / 2, (heightPx - height * scale) / 2];
  return rectangles
    .filter(({ box }) => box.w * box.h < BACKGROUND_PART * width * height)
    .map((one) => ({ ...one, box: { x: one.box.x * scale + dx, y: one.box.y * scale + dy, w: one.box.w * scale, h: one.box.h * scale } }));
}

/** The rectangles as they are read now. */
export function rectanglesIn(
  source: RectangleSource,
  { table, match }: { readonly table: number; readonly match: TableMatch | null },
  screen: Screen,
): Result<readonly DrawnRectangle[]> {
  if (source.kind === "drawing") return ok(drawnOn(source.sheet, screen));
  return match === null ? ok([]) : tableRectangles(source.tables[table], match, screen);
}
