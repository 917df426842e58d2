import fc from "fast-check";
import { findAspectIntervals, findAspectProfiles } from "./aspectIntervals";
import { facesOf, findingKey } from "./grid";
import { sampleLayouts } from "../../test/samples";
import { aspectsOf, barHeight, spanRows } from "./spanRows";

const [brackwater, pigeonhole, draft] = sampleLayouts();
const range = { diagonalInches: 6.1, ppi: 420, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 }, from: 1.3, to: 2.3 };

test.each([
  ["Brackwater", brackwater, 1.3, 1.4],
  ["Pigeonhole", pigeonhole, 0.42, 0.46],
  ["the first draft", draft, 1.9, 2.05],
] as const)("every row and every interval of %s is what spans say, to the digit, and each face's findings stand in one row", (_, layout, from, to) => {
  const part = { ...range, from, to };
  const faces = facesOf(layout).map((face) => ({ face, spans: findAspectIntervals(layout, part, { ...face, moment: null }) }));
  const rows = spanRows(facesOf(layout).map((face) => findAspectProfiles(layout, part, { ...face, moment: null })));
  expect(rows.reduce((n, row) => n + row.faces.length, 0)).toBe(faces.reduce((n, { spans }) => n + spans.length, 0));
  for (const { profile, faces: own } of rows) {
    const { points: _points, ...said } = profile;
    expect(faces[own[0]].spans).toContainEqual(said);
    for (const face of own) {
      const same = faces[face].spans.find((s) => findingKey(s) === findingKey(profile))!;
      same.intervals.forEach(([from, to], i) => {
        expect(Math.abs(from - profile.intervals[i][0])).toBeLessThanOrEqual(0.0005);
        expect(Math.abs(to - profile.intervals[i][1])).toBeLessThanOrEqual(0.0005);
      });
    }
  }
});

test("a face that has not been worked out yet has no rows, and rows come worst first", () => {
  const profiles = findAspectProfiles(draft, { ...range, from: 1.7, to: 1.8 });
  expect(spanRows([null, null])).toEqual([]);
  const severities = spanRows([null, profiles]).map((row) => ["blocker", "warning", "note"].indexOf(row.profile.severity));
  expect(severities).toEqual([...severities].sort());
});

test("bars stay within their rows, are higher where it is worse, and flat where hardly anything changes", () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0.01, max: 100, noNaN: true }), { minLength: 2, maxLength: 20 }),
      fc.constantFrom("touch/small" as const, "touch/overlap" as const),
      (values, code) => {
        const points = values.map((v, i): [number, number] => [1 + i / 10, v]);
        const heights = values.map((v) => barHeight({ code, points }, v));
        for (const height of heights) {
          expect(height).toBeGreaterThanOrEqual(0.2 - 1e-9);
          expect(height).toBeLessThanOrEqual(1 + 1e-9);
        }
        const worst = code === "touch/small" ? Math.min(...values) : Math.max(...values);
        expect(barHeight({ code, points }, worst)).toBeCloseTo(Math.max(...heights), 9);
      },
    ),
  );
  const steady = {
    code: "touch/overlap" as const,
    points: [
      [1, 10],
      [1.1, 10.1],
      [1.2, 9.95],
    ] as const,
  };
  expect(Math.abs(barHeight(steady, 10.1) - barHeight(steady, 9.95))).toBeLessThan(0.06);
});

test("aspects as far as a layout may be held", () => {
  expect([aspectsOf({ orientation: "landscape" }), aspectsOf({ orientation: "portrait" }), aspectsOf({ orientation: "both" })]).toEqual([
    { from: 1, to: 2.6 },
    { from: 0.38, to: 1 },
    { from: 0.38, to: 2.6 },
  ]);
});
