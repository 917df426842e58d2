import fc from "fast-check";
import { areaOf, type Shape } from "../../engine/geometry/shape";
import { depthContact, gapContact, shareContact, sharedPart, type Contact } from "./contact";
import { repeated } from "../../../test/repeated";

const side = fc.integer({ min: 24, max: 80 }).map((n) => n / 4);
const shape = (x: number, y: number) =>
  fc.record({ shape: fc.constantFrom("ellipse", "box", "capsule"), w: side, h: side }).map((s): Shape => ({ ...s, x: x - s.w / 2, y: y - s.h / 2 }));
const pair = fc
  .record({ turn: fc.integer({ min: 0, max: 628 }), far: fc.integer({ min: 30, max: 160 }) })
  .chain(({ turn, far }) => fc.tuple(shape(0, 0), shape((Math.cos(turn / 100) * far) / 10, (Math.sin(turn / 100) * far) / 10)));

const KEYS = ["x", "y", "w", "h"] as const;
/** The contact's own value when a number of one of the shapes changes. */
const slope = (contact: (a: Shape, b: Shape) => Contact | null, a: Shape, b: Shape, which: 0 | 1, key: (typeof KEYS)[number]) => {
  const step = 1e-3;
  const at = (by: number) => (which === 0 ? contact({ ...a, [key]: a[key] + by }, b) : contact(a, { ...b, [key]: b[key] + by }));
  const [more, less] = [at(step), at(-step)];
  return more && less ? (more.value - less.value) / (2 * step) : null;
};

test("a gap along a direction changes with every side as it says", () => {
  const along = { x: 0.6, y: 0.8 };
  fc.assert(
    fc.property(pair, ([a, b]) => {
      // A capsule's radius is half its shorter side: where the two change places there is a corner.
      fc.pre(![a, b].some((s) => s.shape === "capsule" && Math.abs(s.w - s.h) < 0.01));
      const gap = (p: Shape, q: Shape) => gapContact(p, q, 1, along);
      const { a: of, b: to } = gap(a, b);
      KEYS.forEach((key, k) => {
        expect(slope(gap, a, b, 0, key)!).toBeCloseTo(of[k], 4);
        expect(slope(gap, a, b, 1, key)!).toBeCloseTo(to[k], 4);
      });
    }),
    { numRuns: repeated(50) },
  );
});

test("whoever is beyond the line shares no more than is allowed, wherever along it", () => {
  fc.assert(
    fc.property(pair, fc.integer({ min: -60, max: 60 }), fc.constantFrom("smaller", "a", "b"), ([a, b], slide, of) => {
      const contact = shareContact(a, b, { of, share: 0.05 });
      fc.pre(contact !== null);
      const [nx, ny] = contact.b;
      // Onto the line, and along it.
      const onto = (by: number): Shape => ({ ...b, x: b.x - contact.value * nx - (by / 10) * ny, y: b.y - contact.value * ny + (by / 10) * nx });
      expect(sharedPart(a, onto(slide), of)).toBeLessThan(0.05 + 2e-3);
    }),
    { numRuns: repeated(80) },
  );
});

test("on the line just so much is shared, and the line tells how that changes with the sides", () => {
  fc.assert(
    fc.property(pair, ([a, b]) => {
      const share = (p: Shape, q: Shape) => shareContact(p, q, { of: "smaller", share: 0.05 }, { x: 1, y: 0 });
      const contact = share(a, b);
      fc.pre(contact !== null && Math.abs(contact.b[0]) >= 0.5);
      const border: Shape = { ...b, x: b.x - contact.value / contact.b[0] };
      const there = share(a, border)!;
      expect(Math.abs(there.value)).toBeLessThan(1e-3);
      // Both sides at once, as those of a circle always change.
      const wider: Shape = { ...border, x: border.x - 0.02, y: border.y - 0.02, w: border.w + 0.04, h: border.h + 0.04 };
      const now = share(a, wider);
      // Where the two are about as large, another becomes the smaller.
      fc.pre(now !== null && Math.abs(areaOf(a) - areaOf(b)) > 10);
      // Its middle stays: what a side adds on the left and the right.
      expect(now.value - there.value).toBeCloseTo(0.04 * (there.b[2] - there.b[0] / 2 + there.b[3] - there.b[1] / 2), 2);
    }),
    { numRuns: repeated(50) },
  );
});

test("lying in each other is the other way about", () => {
  const [a, b]: Shape[] = [
    { shape: "ellipse", x: 0, y: 0, w: 10, h: 10 },
    { shape: "ellipse", x: 8, y: 0, w: 10, h: 10 },
  ];
  expect(gapContact(a, b, 0).value).toBeCloseTo(-2, 9);
  expect(depthContact(a, b, 0.5).value).toBeCloseTo(1.5, 9);
  expect(depthContact(a, b, 0.5).b[0]).toBeCloseTo(-1, 9);
});
