import fc from "fast-check";
import type { MapCell } from "../../core/checks/aspectMap";
import { contoursOf, niceSteps } from "./mapContours";
import { cellAt, doneShare, emptyRows, finestWhole } from "./mapDrawing";

const LEVEL = { columns: 16, rows: 12 } as const;
const cell = (code: "reach/far" | "touch/small", value: number): MapCell => [
  { key: "it", code, subjects: ["horn"], severity: "warning", measure: { value, unit: "mm" } },
];
const rowsOf = (at: (column: number, row: number) => MapCell) =>
  Array.from({ length: 12 }, (_, row) => Array.from({ length: 16 }, (_, column) => at(column, row)));
/** The points of a path, in cells. */
const points = (path: string) => [...path.matchAll(/([\d.]+) ([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);

test.each(["reach/far", "touch/small"] as const)("lines of %s run where the measure has their value", (code) => {
  // The measure rises by one mm a column: its value at x is x + 9.5, for cells are known in their middles.
  const lines = contoursOf(
    rowsOf((column) => cell(code, column + 10)),
    LEVEL as never,
    "it",
  );
  expect(lines.length).toBeGreaterThanOrEqual(2);
  for (const { value, path, text } of lines) {
    expect(text).toBe(`${value} mm`);
    const along = points(path);
    expect(along.length).toBeGreaterThan(8);
    for (const [x] of along) expect(x + 9.5).toBeCloseTo(value, 1);
  }
});

test("where a finding does not stand there is no line, and along the rim of the map neither; what stands nowhere or has no measure has none", () => {
  const lines = contoursOf(
    rowsOf((column, row) => (column > 7 && row > 5 ? cell("reach/far", 50 + row) : [])),
    LEVEL as never,
    "it",
  );
  for (const { path } of lines) for (const [x, y] of points(path)) expect(x >= 7 && y >= 5).toBe(true);
  expect(
    contoursOf(
      rowsOf(() => cell("reach/far", 5)),
      LEVEL as never,
      "other",
    ),
  ).toEqual([]);
  expect(
    contoursOf(
      rowsOf(() => [{ ...cell("reach/far", 5)[0], measure: null }]),
      LEVEL as never,
      "it",
    ),
  ).toEqual([]);
});

test("steps are round, at most six or so, and lie within what they divide", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1e4, noNaN: true }), fc.double({ min: 1e-3, max: 1e4, noNaN: true }), (from, more) => {
      const steps = niceSteps(from, from + more);
      expect(steps.length).toBeLessThanOrEqual(8);
      for (const step of steps) {
        expect(step).toBeGreaterThanOrEqual(from - 1e-9 * (1 + from));
        expect(step).toBeLessThanOrEqual((from + more) * (1 + 1e-9));
      }
    }),
  );
  expect(niceSteps(3, 3)).toEqual([3]);
});

test("of a map that is under way the finest that has come at a place is seen, the finest whole level measured, and how much there is told", () => {
  const rows = emptyRows();
  expect([finestWhole(rows), doneShare(rows), cellAt(rows, 0.5, 0.5)]).toEqual([null, 0, null]);
  for (let r = 0; r < 6; r += 1) rows[0][r] = Array.from({ length: 8 }, () => cell("reach/far", 1));
  rows[1][0] = Array.from({ length: 16 }, () => cell("reach/far", 2));
  expect(finestWhole(rows)?.level.columns).toBe(8);
  expect(cellAt(rows, 0.99, 0.01)![0].measure!.value).toBe(2);
  expect(cellAt(rows, 1, 1)![0].measure!.value).toBe(1);
  expect(doneShare(rows)).toBeCloseTo((48 + 16) / (48 + 192 + 768 + 3072), 9);
});
