/**
 * Areas of several shapes together. A vertical line cuts each (convex) shape in one interval; the length that at least one
 * of them covers, within a bounding shape, is summed along x. Between two neighbouring ends of shapes the length is smooth but for
 * crossings, so each such slab is sampled on its own, by midpoints.
 */
import { extentAt, type Shape } from "./shape";

/** Midpoints a slab: 24 keep curved outlines within 0.2 % of the bounding shape. */
const SAMPLES = 24;

/** The part of `within` that at least one of `shapes` covers, px². */
export function coveredArea(within: Shape, shapes: readonly Shape[]): number {
  const near = shapes.filter(
    (s) => s.w > 0 && s.h > 0 && s.x < within.x + within.w && s.x + s.w > within.x && s.y < within.y + within.h && s.y + s.h > within.y,
  );
  if (near.length === 0 || within.w <= 0 || within.h <= 0) return 0;
  const right = within.x + within.w;
  const ends = new Set([within.x, right]);
  for (const s of near) for (const x of [s.x, s.x + s.w / 2, s.x + s.w]) if (x > within.x && x < right) ends.add(x);
  const xs = [...ends].sort((a, b) => a - b);
  const allBoxes = within.shape === "box" && near.every((s) => s.shape === "box");
  const samples = allBoxes ? 1 : SAMPLES;
  let area = 0;
  for (let i = 0; i + 1 < xs.length; i += 1) {
    const width = (xs[i + 1] - xs[i]) / samples;
    for (let k = 0; k < samples; k += 1) area += width * coveredLength(within, near, xs[i] + (k + 0.5) * width);
  }
  return area;
}

function coveredLength(within: Shape, shapes: readonly Shape[], x: number): number {
  const frame = extentAt(within, x);
  if (!frame) return 0;
  const pieces: (readonly [number, number])[] = [];
  for (const shape of shapes) {
    const extent = extentAt(shape, x);
    if (!extent) continue;
    const top = Math.max(extent[0], frame[0]);
    const bottom = Math.min(extent[1], frame[1]);
    if (bottom > top) pieces.push([top, bottom]);
  }
  pieces.sort((a, b) => a[0] - b[0]);
  let length = 0;
  let reached = -Infinity;
  for (const [top, bottom] of pieces) {
    if (bottom <= reached) continue;
    length += bottom - Math.max(top, reached);
    reached = bottom;
  }
  return length;
}
