/**
 * Cells of CSV files that go out to spreadsheets and come back in. A cell that a spreadsheet would take for a formula goes out with an
 * apostrophe before it, and so does one that begins with apostrophes and then so: each cell that is read back is the one that was written.
 */
import Papa from "papaparse";
import { withoutByteOrderMark } from "../format/parseJson";
import { refused, type Problem, type Result } from "../engine/result";

/** A formula begins with one of these signs, their full-width forms and the minus sign among them, or with what spreadsheets pass over before them. */
const FORMULA = /^'*[=+\-@\t\r\n\u2212\uff1d\uff0b\uff0d\uff20|%]/;
const HIDDEN = /^'(?='*[=+\-@\t\r\n\u2212\uff1d\uff0b\uff0d\uff20|%])/;

type Cell = string | number;
const harmless = (cell: Cell): Cell => (FORMULA.test(String(cell)) ? `'${cell}` : cell);

/** Rows as CSV (RFC 4180), a heading first. What a spreadsheet of another country would cut at a semicolon or a tab is in quotation marks. */
export function writeRows(columns: readonly string[], rows: readonly (readonly Cell[])[]): string {
  const quotes = (cell: unknown) => /[;\t\r\n]/.test(String(cell));
  return `${Papa.unparse({ fields: [...columns], data: rows.map((row) => row.map(harmless)) }, { newline: "\n", quotes })}\n`;
}

/** A row of a table: its cells by their columns, as they were before they were written; an absent one is empty. */
export interface TableRow {
  /** Where it is, as a spreadsheet counts: the first row below the heading is 2. */
  readonly place: string;
  readonly has: (column: string) => boolean;
  readonly cell: (column: string) => string;
}

/** What is wrong with the place of a problem in a list, told by rows: the first item of the list is in row 2. */
export const byRow = (problems: readonly Problem[]): readonly Problem[] =>
  problems.map((p) => ({ ...p, path: p.path.replace(/^\[(\d+)\]\.?/, (_, n: string) => `row ${Number(n) + 2}, `) }));

/** What is between the cells, by the heading: spreadsheets of some countries write semicolons. */
function delimiterOf(text: string): string {
  const heading = /^\s*([^\r\n]*)/.exec(text)![1];
  return heading.includes(",") ? "," : heading.includes(";") ? ";" : heading.includes("\t") ? "\t" : ",";
}

/** Reads a table: the heading must name these columns, and no others than `known`. */
export function readRows(text: string, needed: readonly string[], known: readonly string[]): Result<readonly TableRow[]> {
  const bare = withoutByteOrderMark(text);
  const parsed = Papa.parse<readonly string[]>(bare, { skipEmptyLines: "greedy", delimiter: delimiterOf(bare) });
  const [heading = [], ...rows] = parsed.data;
  const columns = heading.map((name) => name.trim());
  const lacking = needed.filter((column) => !columns.includes(column));
  if (lacking.length > 0) return refused("", `the first row must name the columns; ${lacking.join(", ")} is missing`);
  const unknown = columns.find((column) => column !== "" && !known.includes(column));
  if (unknown !== undefined) return refused("", `unknown column "${unknown}"; known: ${known.join(", ")}`);
  const twice = columns.find((column, i) => column !== "" && columns.indexOf(column) !== i);
  if (twice !== undefined) return refused("", `the column ${twice} appears twice`);
  return {
    ok: true,
    value: rows.map((row, i) => ({
      place: `row ${i + 2}`,
      has: (column) => columns.includes(column),
      cell: (column) => (row[columns.indexOf(column)] ?? "").replace(HIDDEN, ""),
    })),
  };
}

/** The cells of a table whatever its columns are, the heading first: to be shown, or to be matched by hand. */
export function cellsOf(text: string): readonly (readonly string[])[] {
  const bare = withoutByteOrderMark(text);
  const { data } = Papa.parse<readonly string[]>(bare, { skipEmptyLines: "greedy", delimiter: delimiterOf(bare) });
  return data.map((row) => row.map((cell) => cell.replace(HIDDEN, "")));
}
