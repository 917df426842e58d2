import fc from "fast-check";
import type { Box } from "../engine/geometry/point";
import { alignedBox, ALIGNMENTS, boundsOf, spacedOut } from "./align";
import { snapEdge, snapMove, type SnapTargets } from "./snap";

const box = (x: number, y: number, w = 100, h = 100): Box => ({ x, y, w, h });
const targets = (more: Partial<SnapTargets> = {}): SnapTargets => ({ frames: [], others: [], mirrored: [], widthPx: 1000, gridPx: 0, reachPx: 10, ...more });

test("an edge, a centre, a frame's edge: the nearest line within reach is met, and nothing farther", () => {
  const others = [box(300, 300)];
  expect(snapMove(box(305, 100), targets({ others }))).toMatchObject({ dx: -5, dy: 0 });
  expect(snapMove(box(320, 108, 60, 60), targets({ others })).dx).toBe(0);
  expect(snapMove(box(324, 100, 60, 60), targets({ others })).dx).toBe(-4);
  expect(snapMove(box(320.4, 100, 60, 60), targets({ others })).guides[0].sort).toBe("centre");
  expect(snapMove(box(4, 493), targets({ frames: [box(0, 0, 1000, 600)] }))).toMatchObject({ dx: -4, dy: 7 });
  expect(snapMove(box(150, 150), targets({ others, frames: [box(0, 0, 1000, 600)] }))).toEqual({ dx: 0, dy: 0, guides: [] });
});

test("guides run over both boxes and tell the free distance between them", () => {
  const [guide] = snapMove(box(305, 100), targets({ others: [box(300, 300)] })).guides;
  expect(guide).toMatchObject({ axis: "x", at: 350, from: 100, to: 400, gaps: [{ axis: "y", from: 200, to: 300 }] });
});

test("equal gaps: between two, and beyond them", () => {
  const others = [box(100, 0), box(500, 0)];
  const between = snapMove(box(297, 10), targets({ others }));
  expect(between.dx).toBe(3);
  expect(between.guides.find((g) => g.sort === "gap")!.gaps.map((g) => g.to - g.from)).toEqual([100, 100]);
  expect(snapMove(box(895, 10), targets({ others, widthPx: 5000 })).dx).toBe(5);
  // Out of the row there is no gap to be equal to.
  expect(snapMove(box(297, 400), targets({ others })).dx).toBe(0);
});

test("the mirrored twin's line and the grid", () => {
  const mirroredBox = snapMove(box(803, 400), targets({ mirrored: [box(100, 200)] }));
  expect(mirroredBox).toMatchObject({ dx: -3, guides: [{ sort: "mirror", at: 850 }] });
  expect(snapMove(box(38, 61, 25, 25), targets({ gridPx: 20 }))).toMatchObject({ dx: 2, dy: -1 });
});

test("a dragged edge meets edges, not centres", () => {
  const others = [box(300, 300)];
  expect(snapEdge(box(0, 0, 296), "x", "to", targets({ others }))).toMatchObject({ shift: 4 });
  expect(snapEdge(box(0, 0, 348), "x", "to", targets({ others }))).toBeNull();
  expect(snapEdge(box(304, 0), "x", "from", targets({ others }))).toMatchObject({ shift: -4 });
});

const oneBox = fc.record({
  x: fc.integer({ min: 0, max: 900 }),
  y: fc.integer({ min: 0, max: 500 }),
  w: fc.integer({ min: 10, max: 200 }),
  h: fc.integer({ min: 10, max: 200 }),
});
const boxes = fc.array(oneBox, { minLength: 1, maxLength: 8 });

test("a snap never goes farther than it reaches, and once there it stays", () => {
  fc.assert(
    fc.property(boxes, boxes, fc.integer({ min: 0, max: 20 }), ([moved], others, gridPx) => {
      const t = targets({ others, mirrored: others.slice(0, 2), frames: [box(0, 0, 1000, 600)], gridPx });
      const { dx, dy } = snapMove(moved, t);
      expect(Math.abs(dx)).toBeLessThanOrEqual(10);
      expect(Math.abs(dy)).toBeLessThanOrEqual(10);
      // There it stays, and nothing nearer was passed over on the way.
      const along = { ...moved, x: moved.x + dx };
      expect(snapMove(along, t).dx).toBeCloseTo(0, 6);
      expect(snapMove(moved, { ...t, reachPx: Math.abs(dx) * 0.999 }).dx).toBeCloseTo(0, 12);
    }),
  );
});

test("two boxes have nothing to be spaced between", () => {
  const two = [box(0, 0), box(300, 40)];
  expect(spacedOut(two, "x")).toEqual(two);
});

test("aligned boxes share the line; spaced boxes have equal gaps, and the outermost stay", () => {
  fc.assert(
    fc.property(
      fc.array(oneBox, { minLength: 3, maxLength: 8 }),
      fc.constantFrom(...ALIGNMENTS),
      fc.constantFrom("x" as const, "y" as const),
      (all, to, axis) => {
        const bounds = boundsOf(all)!;
        const line = (b: Box) => ({ left: b.x, centre: b.x + b.w / 2, right: b.x + b.w, top: b.y, middle: b.y + b.h / 2, bottom: b.y + b.h })[to];
        for (const b of all) expect(line(alignedBox(b, bounds, to))).toBeCloseTo(line(bounds), 9);
        const out = spacedOut(all, axis);
        expect(out.map((b) => [b.w, b.h])).toEqual(all.map((b) => [b.w, b.h]));
        const side = axis === "x" ? "w" : "h";
        const middle = (b: Box) => b[axis] + b[side] / 2;
        const order = [...all.keys()].sort((a, b) => middle(all[a]) - middle(all[b]));
        const gaps = order.slice(1).map((i, n) => out[i][axis] - out[order[n]][axis] - out[order[n]][side]);
        for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0], 6);
        expect(out[order[0]]).toEqual(all[order[0]]);
      },
    ),
  );
});
