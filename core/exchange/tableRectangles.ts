/**
 * Rectangles out of a table that another program wrote: CSV, or JSON with a list of things in it. Which column is which is guessed from its
 * name and matched by hand; so are the unit, the way of y, and whether a place is a corner or a middle.
 */
import { counted } from "../derived/counted";
import { pxPerMm } from "../engine/placement/screen";
import { PORTS } from "../engine/types";
import { ok, refused, type Problem, type Result } from "../engine/result";
import { readJson, withoutByteOrderMark } from "../format/parseJson";
import type { ControlKind, Screen } from "../format/types";
import type { DrawnRectangle } from "../wiring/rectangles";
import { cellsOf } from "./rows";
import { boxIn, TABLE_UNITS, Y_DIRECTIONS, type TableUnit, type YDirection } from "./boxDirection";

/** A table as it was found: in a JSON file at a path, in a CSV file at none. */
export interface FoundTable {
  readonly path: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Which way y runs in it, where the file says so for all of it. */
  readonly direction?: YDirection;
}

/** A table has at most this many rows: more controls than a layout may have come from no drawing. */
const MOST_ROWS = 5000;
const MOST_COLUMNS = 200;

/** The tables of a file: a CSV's own, or every list of things of a JSON. */
export function readTables(fileName: string, text: string): Result<readonly FoundTable[]> {
  const bare = withoutByteOrderMark(text);
  if (!/\.json$/i.test(fileName) && !/^\s*[[{]/.test(bare)) {
    const [columns = [], ...rows] = cellsOf(bare);
    if (columns.length < 2 || rows.length === 0) return refused("", "a table needs a header row, and one row per rectangle");
    return bounded([{ path: "", columns: columns.map((name) => name.trim()), rows }]);
  }
  const value = readJson(bare);
  if (!value.ok) return value;
  const found: FoundTable[] = [];
  look(value.value, "", found);
  const direction = isThing(value.value) ? Y_DIRECTIONS.find((one) => one === (value.value as { readonly yRuns?: unknown }).yRuns) : undefined;
  return found.length > 0
    ? bounded(direction === undefined ? found : found.map((table) => ({ ...table, direction })))
    : refused("", "the JSON has no list of objects with numbers");
}

function bounded(tables: readonly FoundTable[]): Result<readonly FoundTable[]> {
  const large = tables.find(({ rows, columns }) => rows.length > MOST_ROWS || columns.length > MOST_COLUMNS);
  return large
    ? refused(
        large.path,
        `has ${counted(large.rows.length, "row")} and ${counted(large.columns.length, "column")}; at most ${MOST_ROWS} and ${MOST_COLUMNS} are read`,
      )
    : ok(tables);
}

const isThing = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === "object" && value !== null && !Array.isArray(value);

/** Every list of things, and every thing whose values are all things: many programs write lists so, by name. */
function look(value: unknown, path: string, found: FoundTable[]): void {
  if (Array.isArray(value)) {
    const things = value.filter(isThing);
    if (things.length > 0 && things.length === value.length) found.push(tableOf(path || "the whole file", things));
    value.forEach((item, i) => look(item, `${path}[${i}]`, found));
  } else if (isThing(value)) {
    const entries = Object.entries(value);
    if (entries.length > 1 && entries.every(([, item]) => isThing(item)))
      found.push(
        tableOf(
          path || "the whole file",
          entries.map(([key, item]) => ({ key, ...(item as Readonly<Record<string, unknown>>) })),
        ),
      );
    for (const [key, item] of entries) look(item, path === "" ? key : `${path}.${key}`, found);
  }
}

/** A list of things as a table: what is in a thing within it has a column `outer.inner`. */
function tableOf(path: string, things: readonly Readonly<Record<string, unknown>>[]): FoundTable {
  const flat = things.map((thing) => new Map(cellsOfThing(thing, "")));
  const columns = [...new Set(flat.flatMap((cells) => [...cells.keys()]))];
  return { path, columns, rows: flat.map((cells) => columns.map((column) => cells.get(column) ?? "")) };
}

function cellsOfThing(thing: Readonly<Record<string, unknown>>, before: string): readonly (readonly [string, string])[] {
  return Object.entries(thing).flatMap(([key, value]) => {
    const name = before === "" ? key : `${before}.${key}`;
    if (isThing(value)) return cellsOfThing(value, name);
    return typeof value === "string" || typeof value === "number" || typeof value === "boolean" ? [[name, String(value)] as const] : [];
  });
}

export const FIELDS = ["name", "x", "y", "w", "h", "kind", "shape"] as const;
export type RectangleField = (typeof FIELDS)[number];
/** Without one of these there is no rectangle. */
export const NEEDED: readonly RectangleField[] = ["name", "x", "y", "w", "h"];

/** How a table is read: which column each field is in (null: in none), and in which units and directions. */
export interface TableMatch {
  readonly columns: Readonly<Record<RectangleField, string | null>>;
  readonly unit: TableUnit;
  readonly direction: YDirection;
  /** What x and y are of: the corner nearest the origin, or the middle. */
  readonly of: "corner" | "middle";
  /** Only the rows that have this in this column; null: all. */
  readonly only: { readonly column: string; readonly value: string } | null;
}

/** What columns are called, the likeliest first. */
const USUAL: Readonly<Record<RectangleField, readonly string[]>> = {
  name: ["id", "name", "label", "title", "key", "object", "node"],
  x: ["x", "left", "visual.px.x", "rect.x", "position.x", "pos x", "x px", "bounds.x", "frame.x"],
  y: ["y", "top", "bottom", "visual.px.y", "rect.y", "position.y", "pos y", "y px", "bounds.y", "frame.y"],
  w: ["w", "width", "visual.px.w", "rect.w", "rect.width", "size.x", "size.w", "size.width", "width px", "bounds.w", "frame.w"],
  h: ["h", "height", "visual.px.h", "rect.h", "rect.height", "size.y", "size.h", "size.height", "height px", "bounds.h", "frame.h"],
  kind: ["kind", "type"],
  shape: ["hit shape", "hit.shape", "shape"],
};

/** A first match of a table, to be put right by hand. */
export function guessMatch({ columns, rows, direction }: FoundTable): TableMatch {
  const find = (field: RectangleField) => {
    for (const usual of USUAL[field]) {
      const found = columns.find((column) => column.toLowerCase() === usual);
      if (found !== undefined) return found;
    }
    return null;
  };
  const matched = Object.fromEntries(FIELDS.map((field) => [field, find(field)])) as TableMatch["columns"];
  const all = (column: string) => [...new Set(rows.map((row) => row[columns.indexOf(column)] ?? ""))];
  const told = <T extends string>(column: string, words: readonly T[]): T | null => {
    const values = columns.includes(column) ? all(column) : [];
    return values.length === 1 ? (words.find((word) => word === values[0]) ?? null) : null;
  };
  const screens = columns.includes("screen") ? all("screen") : [];
  return {
    columns: matched,
    unit: told("unit", TABLE_UNITS) ?? "px",
    direction: direction ?? told("y runs", Y_DIRECTIONS) ?? (matched.y?.toLowerCase() === "bottom" ? "up" : "down"),
    of: "corner",
    only: screens.length > 1 ? { column: "screen", value: screens[0] } : null,
  };
}

/** What a column holds, each value once: to choose rows by. */
export function valuesIn({ columns, rows }: FoundTable, column: string): readonly string[] {
  const at = columns.indexOf(column);
  return [...new Set(rows.map((row) => row[at] ?? ""))];
}

const SHAPES = ["ellipse", "box", "capsule"] as const;

/** The rectangles of a table for a screen. Refused where a field has no column, or a row has no figure; the place says which. */
export function tableRectangles(table: FoundTable, match: TableMatch, screen: Screen): Result<readonly DrawnRectangle[]> {
  const lacking = NEEDED.filter((field) => match.columns[field] === null);
  if (lacking.length > 0) return refused("", `say which column is ${lacking.join(", ")}`);
  const at = Object.fromEntries(FIELDS.map((field) => [field, table.columns.indexOf(match.columns[field] ?? "")])) as Record<RectangleField, number>;
  const { only } = match;
  const filter = only === null ? -1 : table.columns.indexOf(only.column);
  const problems: Problem[] = [];
  const rectangles: DrawnRectangle[] = [];
  table.rows.forEach((row, i) => {
    if (only !== null && (row[filter] ?? "") !== only.value) return;
    const cell = (field: RectangleField) => (at[field] < 0 ? "" : (row[at[field]] ?? "").trim());
    const figures = (["x", "y", "w", "h"] as const).map((field) => {
      const value = cell(field) === "" ? NaN : Number(cell(field).replace(/(?:px|mm)$/, ""));
      if (!Number.isFinite(value))
        problems.push({ path: `row ${i + 2}`, message: `"${cell(field).slice(0, 40)}" in the column "${match.columns[field]}" is no number` });
      return value;
    });
    const box = onScreen(figures, match, screen);
    if (!(box.w > 0 && box.h > 0) && figures.every(Number.isFinite)) problems.push({ path: `row ${i + 2}`, message: "width and height must be above 0" });
    const kind = cell("kind");
    rectangles.push({
      name: cell("name") || `row ${i + 2}`,
      box,
      shape: SHAPES.find((shape) => shape === cell("shape")) ?? null,
      kind: Object.hasOwn(PORTS, kind) ? (kind as ControlKind) : null,
    });
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, 50) };
  return rectangles.length > 0 ? ok(rectangles) : refused("", "no rows match; choose another filter");
}

/** A box in px of the screen, y down, from its figures as the table reports them. */
function onScreen([x, y, w, h]: readonly number[], { unit, direction, of }: TableMatch, screen: Screen) {
  const { widthPx, heightPx } = screen;
  const mm = pxPerMm(screen);
  const [across, down] = unit === "px" ? [1, 1] : unit === "mm" ? [mm, mm] : [widthPx, heightPx];
  const half = of === "middle" ? 0.5 : 0;
  return boxIn({ x: (x - half * w) * across, y: (y - half * h) * down, w: w * across, h: h * down }, heightPx, direction);
}
