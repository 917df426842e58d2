import { sampleLayouts } from "../../test/samples";
import { findingsOfMap, MAP_LEVELS, mapCell, mapRow, mapScreen, middleOf, type MapRange } from "./aspectMap";
import { checkScreen } from "./check";
import { SEVERITIES } from "./finding";
import { facesOf, isMoreSevere } from "./grid";
import { aspectsOf } from "./spanRows";

const COARSE = MAP_LEVELS[0];
const rangeOf = (layout: Parameters<typeof aspectsOf>[0]): MapRange => ({
  ...aspectsOf(layout),
  fromInches: 3,
  toInches: 13,
  ppi: 420,
  insetsMm: { left: 4, top: 0, right: 4, bottom: 2 },
});

/** Places of the finest level that look random and are the same every time. */
const places = Array.from({ length: 20 }, (_, i) => ({ column: (i * 37 + 11) % 64, row: (i * 29 + 5) % 48 }));

test.each(sampleLayouts().map((layout, i) => [i === 0 ? 20 : 5, layout.name, layout] as const))(
  "%i cells of the finest map of %s are what check says of these screens",
  (count, _, layout) => {
    const [range, faces, level] = [rangeOf(layout), facesOf(layout), MAP_LEVELS[3]];
    for (const { column, row } of places.slice(0, count)) {
      const screen = mapScreen(range, middleOf(range, level, column, row));
      const cell = mapCell(layout, screen, faces);
      const found = faces.flatMap((face) => checkScreen(layout, screen, { ...face, moment: null })).filter((f) => f.accepted === null);
      const keys = new Set(found.map((f) => `${f.code} ${f.subjects.join(" ")}`.trim()));
      expect(new Set(cell.map((f) => f.key))).toEqual(keys);
      const worst = found.reduce<(typeof found)[number] | null>((a, b) => (a === null || isMoreSevere(b, a) ? b : a), null);
      expect(cell[0]?.severity).toBe(worst?.severity);
      expect(cell[0]?.code).toBe(worst?.code);
      expect(cell[0]?.measure?.value ?? 0).toBeCloseTo(worst?.measure?.value ?? 0, 9);
      expect(cell.map((f) => SEVERITIES.indexOf(f.severity))).toEqual(cell.map((f) => SEVERITIES.indexOf(f.severity)).sort());
    }
  },
);

test("a map runs over the whole range: the first row has the largest screens, each in the middle of its cell; the diagonal is what it says", () => {
  const [layout] = sampleLayouts();
  const range = rangeOf(layout);
  const first = middleOf(range, COARSE, 0, 0);
  const last = middleOf(range, COARSE, COARSE.columns - 1, COARSE.rows - 1);
  expect(first.aspect - range.from).toBeCloseTo(range.to - last.aspect, 9);
  expect(range.toInches - first.inches).toBeCloseTo(last.inches - range.fromInches, 9);
  const { widthPx, heightPx, ppi } = mapScreen(range, { aspect: 1.7, inches: 6.2 });
  expect(widthPx / heightPx).toBeCloseTo(1.7, 9);
  expect(Math.hypot(widthPx, heightPx) / ppi).toBeCloseTo(6.2, 9);
});

test("findings of a map are told by how many cells they stand in, each as it is where it is worst", () => {
  const [, , draft] = sampleLayouts();
  const [range, faces] = [rangeOf(draft), facesOf(draft)];
  const rows = Array.from({ length: COARSE.rows }, (_, row) => mapRow(draft, range, { level: COARSE, row, faces }));
  const found = findingsOfMap(rows);
  const cells = rows.flat();
  for (const { key, cells: count, finding } of found) {
    const all = cells.flatMap((cell) => cell.filter((f) => f.key === key));
    expect(all.length).toBe(count);
    expect(SEVERITIES.indexOf(finding.severity)).toBe(Math.min(...all.map((f) => SEVERITIES.indexOf(f.severity))));
  }
  expect(found.map((f) => f.cells)).toEqual(found.map((f) => f.cells).sort((a, b) => b - a));
});
