import fc from "fast-check";
import { layoutArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import type { Layout } from "../format/types";
import { catalogueFor } from "./catalogue";
import { bareOn, checkScreen } from "./check";
import { tallyOf } from "./finding";
import { cellOf, facesOf, findingKey, gridOf, isMoreSevere, type JudgedScreen } from "./grid";
import { repeated } from "../../test/repeated";

const judged = (layout: Layout, count = 24): JudgedScreen[] =>
  catalogueFor(layout.orientation)
    .slice(0, count)
    .map((screen) => ({ name: screen.name, faces: facesOf(layout).map((face) => bareOn(layout, screen, { ...face, moment: null })) }));

const NO_TALLY = tallyOf([]);

// Of Derrick nothing is found anywhere.
test.each(
  sampleLayouts()
    .filter(({ name }) => name !== "Derrick")
    .map((layout) => [layout.name, layout] as const),
)("every cell of %s shows the worst of what check says, to the digit, and no cell misses any", (_, layout) => {
  const screens = catalogueFor(layout.orientation);
  const faces = facesOf(layout);
  const grid = gridOf(layout, judged(layout));
  let judgedCells = 0;
  screens.forEach((screen, column) => {
    const all = faces.flatMap((face, i) => checkScreen(layout, screen, { ...face, moment: null }).map((finding) => ({ finding, face: i })));
    const open = all.filter(({ finding }) => finding.accepted === null);
    const cell = grid.columns[column];
    expect(cell === null).toBe(all.length === 0);
    if (cell) judgedCells += 1;
    expect(cell?.worst?.finding.severity ?? null).toBe(
      open[0] ? ["blocker", "warning", "note"].find((s) => open.some(({ finding }) => finding.severity === s)) : null,
    );
    const apart = new Map(open.map(({ finding }) => [`${finding.severity} ${findingKey(finding)}`, finding]));
    expect(cell?.tally ?? NO_TALLY).toEqual(tallyOf([...apart.values()]));
    // The worst is one that check gives on that face, with its measure.
    for (const { finding, face } of cell?.worst ? [cell.worst] : []) {
      const same = checkScreen(layout, screen, { ...faces[face], moment: null }).find(
        (f) => findingKey(f) === findingKey(finding) && f.severity === finding.severity,
      )!;
      expect(same.measure).toEqual(finding.measure);
      expect(open.some(({ finding: other }) => isMoreSevere(other, finding))).toBe(false);
    }
    for (const row of grid.rows) {
      const about = open.filter(({ finding }) =>
        row.subject === null ? !finding.subjects.some((s) => grid.rows.some((r) => r.subject === s)) : finding.subjects.includes(row.subject),
      );
      expect((row.cells[column]?.worst ?? null) === null).toBe(about.length === 0);
    }
  });
  expect(judgedCells).toBeGreaterThan(0);
});

test("rows and columns sum up: a row's numbers are those of its cells, and screens that are not judged yet leave theirs empty", () => {
  fc.assert(
    fc.property(layoutArbitrary, (layout) => {
      const grid = gridOf(layout, [...judged(layout, 3), null]);
      for (const row of grid.rows) {
        const sum = (severity: "blocker" | "warning" | "note") => row.cells.reduce((n, cell) => n + (cell?.tally[severity] ?? 0), 0);
        expect(row.sum?.tally ?? { blocker: 0, warning: 0, note: 0 }).toEqual({ blocker: sum("blocker"), warning: sum("warning"), note: sum("note") });
        expect(row.cells[3]).toBeNull();
      }
      expect(grid.columns[3]).toBeNull();
    }),
    { numRuns: repeated(10) },
  );
});

test("what is accepted stands apart and is never the worst", () => {
  const finding = { code: "touch/small", severity: "blocker", subjects: ["a"], moment: null, measure: { value: 4, unit: "mm" }, accepted: "so it is" } as const;
  expect(cellOf([{ finding, face: 0 }])).toEqual({ worst: null, tally: { blocker: 0, warning: 0, note: 0 }, accepted: 1 });
  expect(cellOf([])).toBeNull();
  const open = { ...finding, accepted: null };
  const smaller = { ...open, measure: { value: 3, unit: "mm" } } as const;
  expect(cellOf([open, smaller].map((f, face) => ({ finding: f, face })))!.worst!.finding).toBe(smaller);
});

test("a layout of one size has two faces, of two sizes four", () => {
  expect(facesOf({ playerSizes: { min: 1, max: 1 } })).toHaveLength(2);
  expect(facesOf({ playerSizes: { min: 0.8, max: 1.3 } })).toHaveLength(4);
});
