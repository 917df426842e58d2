import fc from "fast-check";
import Papa from "papaparse";
import { readRows, writeRows } from "./rows";
import { repeated } from "../../test/repeated";

const sign = fc.constantFrom("=", "+", "-", "@", "\t", "\r", "\n", "−", "＝", "＋", "－", "＠", "|", "%", "'", ";", ",", '"', " ", "a", "1", "ä");
const text = fc.string({ maxLength: 12, unit: sign });

test("no cell of a file begins a formula, and each comes back as it was", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(text, text), { minLength: 1, maxLength: 4 }), (cells) => {
      // A row in which nothing is is no row.
      const rows = cells.map(([a, b]) => [a, `x${b}`]);
      const csv = writeRows(["one", "two"], rows);
      for (const row of Papa.parse<string[]>(csv, { delimiter: "," }).data)
        for (const cell of row) expect(cell).not.toMatch(/^[=+\-@\t\r\n\u2212\uff1d\uff0b\uff0d\uff20|%]/);
      // Cut at semicolons or tabs, as elsewhere in the world, no piece outside quotation marks begins one either.
      for (const piece of csv.replace(/"(?:[^"]|"")*"/g, "q").split(/[;\t\n,]/)) expect(piece).not.toMatch(/^[=+\-@\u2212\uff1d\uff0b\uff0d\uff20]/);
      const read = readRows(csv, ["one"], ["one", "two"]);
      expect(read.ok && read.value.map((r) => [r.cell("one"), r.cell("two")])).toEqual(rows);
    }),
    { numRuns: repeated(500) },
  );
});

test("columns are named, known, and stand once", () => {
  const told = (csv: string) => {
    const read = readRows(csv, ["one"], ["one", "two"]);
    return read.ok ? "" : read.problems[0].message;
  };
  expect(told("")).toContain("one is missing");
  expect(told("one,__proto__")).toBe('unknown column "__proto__"; known: one, two');
  expect(told("one,two,one")).toBe("the column one appears twice");
  expect(told("\uFEFF one ,\n1")).toBe("");
  const read = readRows("one;two\n1,5;2", ["one"], ["one", "two"]);
  expect(read.ok && read.value.map((r) => [r.cell("one"), r.cell("two")])).toEqual([["1,5", "2"]]);
});
