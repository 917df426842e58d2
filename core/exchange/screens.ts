/** Lists of screens as JSON, and as CSV for a spreadsheet: a row a screen, its sides in columns, its cut-outs as `x y w h; x y w h`. */
import { screenSchema } from "../format/schema/file";
import { problemsToTell, readThrough } from "../format/readThrough";
import { byRow, readRows, writeRows } from "./rows";
import { readJson, withoutByteOrderMark } from "../format/parseJson";
import { LISTS } from "../format/limits";
import { listOf } from "../format/schema/parts";
import { parseScreen } from "../engine/placement/screen";
import type { Screen } from "../format/types";
import { ok, refused, type Problem, type Result } from "../engine/result";

/** Reads a JSON list of screens; each needs widthPx, heightPx and ppi, and gets a name from its px where it has none. */
export function readScreens(text: string): Result<Screen[]> {
  const value = readJson(text);
  return value.ok ? screensOf(value.value) : value;
}

const list = listOf(screenSchema, LISTS.screens, "a list of screens");

function screensOf(value: unknown): Result<Screen[]> {
  const read = readThrough(list, value);
  if (!read.ok) return read;
  return ok(read.value.map((screen) => ({ ...screen, name: screen.name || `${screen.widthPx}×${screen.heightPx}` })));
}

/** Reads a screen as the command line writes it (`2400x1080@411+96,0,96,48`), within the limits of screens. */
export function readScreenText(text: string): Result<Screen> {
  const parsed = parseScreen(text);
  return parsed.ok ? readThrough(screenSchema, { ...parsed.value, name: text.slice(0, 80) }) : parsed;
}

const SIDES = ["left", "top", "right", "bottom"] as const;
/** The columns of the CSV, in order. Only the first four are needed. */
const COLUMNS = ["name", "widthPx", "heightPx", "ppi", ...SIDES.map((s) => `inset_${s}`), "cornerPx", "cutouts", ...SIDES.map((s) => `edge_${s}`)] as const;

/** The screens as a JSON list, ending with a line feed. */
export function screensJson(screens: readonly Screen[]): string {
  return `${JSON.stringify(screens, null, 2)}\n`;
}

/** The screens as CSV (RFC 4180), a heading first. */
export function screensCsv(screens: readonly Screen[]): string {
  const rows = screens.map((s) => [
    s.name,
    s.widthPx,
    s.heightPx,
    s.ppi,
    ...SIDES.map((side) => s.insets[side]),
    s.cornerPx,
    s.cutouts.map((c) => `${c.x} ${c.y} ${c.w} ${c.h}`).join("; "),
    ...SIDES.map((side) => s.edges[side]),
  ]);
  return writeRows(COLUMNS, rows);
}

/** Reads such a CSV. An empty cell has its default; a fault names its row and column. @internal exported for its test */
export function readScreensCsv(text: string): Result<Screen[]> {
  const rows = readRows(text, ["widthPx", "heightPx", "ppi"], COLUMNS);
  if (!rows.ok) return rows;
  if (rows.value.length > LISTS.screens.most) return refused("", LISTS.screens.words);
  const problems: Problem[] = [];
  const values = rows.value.map(({ place, cell }) => {
    const number = (column: string): number | undefined => {
      const written = cell(column).trim();
      if (written === "") return undefined;
      const value = Number(written);
      if (!Number.isFinite(value)) problems.push({ path: `${place}, ${column}`, message: `"${written}" is not a number` });
      return value;
    };
    const sides = (kind: string) => Object.fromEntries(SIDES.map((side) => [side, number(`${kind}_${side}`)]).filter(([, v]) => v !== undefined));
    const cutouts = cell("cutouts")
      .split(";")
      .map((part) => part.trim())
      .filter((part) => part !== "")
      .map((part) => {
        const [x, y, w, h, ...more] = part.split(/\s+/).map(Number);
        if (more.length > 0 || ![x, y, w, h].every(Number.isFinite))
          problems.push({ path: `${place}, cutouts`, message: `"${part}" is not four numbers: x y w h` });
        return { x, y, w, h };
      });
    const name = cell("name");
    return {
      name,
      widthPx: number("widthPx"),
      heightPx: number("heightPx"),
      ppi: number("ppi"),
      insets: sides("inset"),
      cornerPx: number("cornerPx"),
      cutouts,
      edges: sides("edge"),
    };
  });
  if (problems.length > 0) return { ok: false, problems: problemsToTell(problems) };
  const read = screensOf(values);
  return read.ok ? read : { ok: false, problems: byRow(read.problems) };
}

/** Reads a list of either sort: JSON where it begins with a bracket, else CSV. */
export function readScreenList(text: string): Result<Screen[]> {
  return /^\s*[[{]/.test(withoutByteOrderMark(text)) ? readScreens(text) : readScreensCsv(text);
}
