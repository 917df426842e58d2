"use client";
/** Which column of a table is what, in which unit, which way y runs, and which rows count. */
import { FIELDS, valuesIn, type RectangleField, type FoundTable, type TableMatch } from "../../../core/exchange/tableRectangles";
import { TABLE_UNITS, Y_DIRECTIONS } from "../../../core/exchange/boxDirection";
import { Select, type Choices } from "../../../ui/Select";
import { says } from "../../shell/reading/sentences";

interface Props {
  readonly tables: readonly FoundTable[];
  readonly table: number;
  readonly match: TableMatch;
  readonly onTable: (table: number) => void;
  readonly onMatch: (match: TableMatch) => void;
}

const FIELD_WORDS: Readonly<Record<RectangleField, string>> = { name: "name", x: "x", y: "y", w: "width", h: "height", kind: "kind", shape: "shape" };
const NONE = "\u0000";
/** So many different values are offered to choose rows by. */
const MOST_VALUES = 60;

export function TableMatching({ tables, table, match, onTable, onMatch }: Props) {
  const found = tables[table];
  const row = ([word, label, value]: readonly [string, string, string], options: Choices, onChange: (key: string) => void) => (
    <label key={label} className="field-row">
      <span className="field-name">{word}</span>
      <Select label={label} reads={says("rectangles.match", { field: word })} className="w-full min-w-0" value={value} options={options} onChange={onChange} />
    </label>
  );
  const columns: Choices = [[NONE, "no column"], ...found.columns.map((column) => [column, column] as const)];
  const { only } = match;
  return (
    <div className="grid gap-x-4 gap-y-0.5 [--name:4.5rem] sm:grid-cols-2">
      {tables.length > 1 &&
        row(
          ["list", "List of the file", String(table)],
          tables.map((one, i) => [String(i), `${one.path}, ${one.rows.length}`] as const),
          (key) => onTable(Number(key)),
        )}
      {FIELDS.map((field) =>
        row([FIELD_WORDS[field], `Column of ${FIELD_WORDS[field]}`, match.columns[field] ?? NONE], columns, (key) =>
          onMatch({ ...match, columns: { ...match.columns, [field]: key === NONE ? null : key } }),
        ),
      )}
      {row(
        ["unit", "Unit", match.unit],
        TABLE_UNITS.map((unit) => [unit, unit] as const),
        (key) => onMatch({ ...match, unit: TABLE_UNITS.find((one) => one === key)! }),
      )}
      {row(
        ["y runs", "Direction of y", match.direction],
        Y_DIRECTIONS.map((one) => [one, one === "down" ? "down, from the top left" : "up, from the bottom left"] as const),
        (key) => onMatch({ ...match, direction: Y_DIRECTIONS.find((one) => one === key)! }),
      )}
      {row(
        ["x, y are", "What x and y measure", match.of],
        [
          ["corner", "corner at the origin"],
          ["middle", "centre"],
        ],
        (key) => onMatch({ ...match, of: key === "middle" ? "middle" : "corner" }),
      )}
      {row(["rows by", "Filter column", only?.column ?? NONE], [[NONE, "all rows"], ...columns.slice(1)], (key) =>
        onMatch({ ...match, only: key === NONE ? null : { column: key, value: valuesIn(found, key)[0] ?? "" } }),
      )}
      {only &&
        row(
          ["where it is", "Filter value", only.value],
          valuesIn(found, only.column)
            .slice(0, MOST_VALUES)
            .map((value) => [value, value || "(nothing)"] as const),
          (value) => onMatch({ ...match, only: { ...only, value } }),
        )}
    </div>
  );
}
