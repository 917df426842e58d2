import fc from "fast-check";
import { clearance, distanceTo } from "./distance";
import { commonArea } from "./commonArea";
import { areaOf, reachAt, contains, type Shape } from "./shape";
import { coveredArea } from "./coveredArea";
import { repeated } from "../../../test/repeated";

const shape: fc.Arbitrary<Shape> = fc.record({
  shape: fc.constantFrom("ellipse", "box", "capsule"),
  x: fc.integer({ min: 0, max: 300 }),
  y: fc.integer({ min: 0, max: 300 }),
  w: fc.integer({ min: 1, max: 300 }),
  h: fc.integer({ min: 1, max: 300 }),
});
const box = (x: number, y: number, w: number, h: number): Shape => ({ shape: "box", x, y, w, h });
const disc = (x: number, y: number, r: number): Shape => ({ shape: "ellipse", x: x - r, y: y - r, w: 2 * r, h: 2 * r });

/** The area of all points for which `inside` is true, by counting on a grid: slow, and written without the formulas. */
function counted(inside: (x: number, y: number) => boolean, step = 2): number {
  let n = 0;
  for (let x = step / 2; x < 620; x += step) for (let y = step / 2; y < 620; y += step) if (inside(x, y)) n += 1;
  return n * step * step;
}
const near = (actual: number, expected: number, shapes: Shape[]) =>
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(0.01 * Math.max(...shapes.map(areaOf)) + 4 * Math.max(...shapes.map((s) => s.w + s.h)));

test("a point on the edge is inside; the corner of an ellipse's box is not", () => {
  expect(contains(box(0, 0, 10, 10), 10, 10)).toBe(true);
  expect(contains(box(0, 0, 10, 10), 10.00001, 10)).toBe(false);
  expect(contains(disc(5, 5, 5), 10, 5)).toBe(true);
  expect(contains(disc(5, 5, 5), 9, 9)).toBe(false);
  expect(contains({ shape: "capsule", x: 0, y: 0, w: 30, h: 10 }, 25, 10)).toBe(true);
  expect(contains({ shape: "capsule", x: 0, y: 0, w: 30, h: 10 }, 29.5, 1)).toBe(false);
});

test("areas and extents agree with what the shape holds", () => {
  fc.assert(
    fc.property(shape, (s) => {
      near(
        areaOf(s),
        counted((x, y) => contains(s, x, y)),
        [s],
      );
      const x = s.x + s.w * 0.3;
      const middle = s.y + s.h / 2;
      const [top, bottom] = [middle - reachAt(s, x), middle + reachAt(s, x)];
      expect(contains(s, x, top + 1e-7) && contains(s, x, bottom - 1e-7)).toBe(true);
      expect(contains(s, x, top - 1e-3) || contains(s, x, bottom + 1e-3)).toBe(false);
    }),
    { numRuns: repeated(8) },
  );
});

test("shared and covered areas agree with counting", () => {
  fc.assert(
    fc.property(shape, shape, shape, (a, b, c) => {
      near(
        commonArea(a, b),
        counted((x, y) => contains(a, x, y) && contains(b, x, y)),
        [a, b],
      );
      expect(commonArea(a, b)).toBeCloseTo(commonArea(b, a), 6);
      near(
        coveredArea(a, [b, c]),
        counted((x, y) => contains(a, x, y) && (contains(b, x, y) || contains(c, x, y))),
        [a, b, c],
      );
    }),
    { numRuns: repeated(8) },
  );
});

test("nothing shares or covers more than all of it, and one that holds the other shares just that", () => {
  fc.assert(
    fc.property(shape, fc.array(shape, { maxLength: 5 }), fc.double({ min: 0.01, max: 1, noNaN: true }), (a, others, part) => {
      for (const b of others) expect(commonArea(a, b)).toBeLessThanOrEqual(Math.min(areaOf(a), areaOf(b)));
      expect(coveredArea(a, others)).toBeLessThanOrEqual(areaOf(a));
      // More shapes never cover less, but for the sum's own roughness.
      expect(coveredArea(a, others)).toBeGreaterThanOrEqual(coveredArea(a, others.slice(1)) - 0.003 * areaOf({ ...a, shape: "box" }));
      const inner = { ...a, x: a.x + (a.w * (1 - part)) / 2, y: a.y + (a.h * (1 - part)) / 2, w: a.w * part, h: a.h * part };
      expect(Math.abs(commonArea(a, inner) - areaOf(inner))).toBeLessThanOrEqual(0.001 * areaOf(inner) + 1e-6);
    }),
    { numRuns: repeated(80) },
  );
});

test("shapes that only touch share nothing", () => {
  expect(commonArea(box(0, 0, 10, 10), box(10, 0, 10, 10))).toBe(0);
  expect(commonArea(disc(10, 10, 10), disc(30, 10, 10))).toBe(0);
});

test("clearance: known distances, and the sign says whether they overlap", () => {
  expect(clearance(disc(0, 0, 10), disc(50, 0, 10)).px).toBeCloseTo(30, 6);
  expect(clearance(box(0, 0, 10, 10), box(13, 14, 5, 5)).px).toBeCloseTo(5, 6);
  expect(clearance(disc(0, 0, 10), disc(15, 0, 10)).px).toBeCloseTo(-5, 6);
  expect(distanceTo(box(0, 0, 10, 10), { x: 5, y: 5 })).toBe(0);
  expect(distanceTo(box(0, 0, 10, 10), { x: 13, y: 14 })).toBeCloseTo(5, 6);
  fc.assert(
    fc.property(shape, shape, (a, b) => {
      const { px, direction } = clearance(a, b);
      const shared = commonArea(a, b);
      expect(shared > 1 && px >= 0).toBe(false);
      expect(px > 1e-3 && shared > 0).toBe(false);
      // Apart, or moved apart by what it says: what remains to share is next to nothing.
      const apart = px < -1e-3 ? -px * 1.001 : 0;
      const moved = { ...b, x: b.x + apart * direction.x, y: b.y + apart * direction.y };
      expect(commonArea(a, moved)).toBeLessThanOrEqual(0.002 * Math.min(areaOf(a), areaOf(b)) + 1);
    }),
    { numRuns: repeated(60) },
  );
});
