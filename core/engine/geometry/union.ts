/**
 * Areas of several shapes together. A vertical line cuts each (convex) shape in one interval; the length that at least one
 * of them covers, within a bounding shape, is summed along x. Between two neighbouring ends of shapes the same shapes are
 * cut, and the length is smooth but for crossings; so each such slab is sampled on its own, by midpoints, the more the wider it is.
 */
import { reachAt, type Shape } from "./shape";

/** Midpoints over the whole width, and the least and most a slab gets: together they keep the sum within 0.3 % of the bounding shape. */
const SAMPLES = 160;
const LEAST = 3;
const MOST = 24;

/** The part of `within` that at least one of `shapes` covers, px². */
export function coveredArea(within: Shape, shapes: readonly Shape[]): number {
  if (within.w <= 0 || within.h <= 0) return 0;
  const right = within.x + within.w;
  const near = shapes.filter((s) => s.w > 0 && s.h > 0 && s.x < right && s.x + s.w > within.x && s.y < within.y + within.h && s.y + s.h > within.y);
  if (near.length === 0) return 0;
  const ends = [within.x, right];
  for (const s of near) {
    if (s.x > within.x) ends.push(s.x);
    if (s.x + s.w < right) ends.push(s.x + s.w);
    const middle = s.x + s.w / 2;
    if (s.shape !== "box" && middle > within.x && middle < right) ends.push(middle);
  }
  ends.sort((a, b) => a - b);
  const tops = new Float64Array(near.length);
  const bottoms = new Float64Array(near.length);
  let area = 0;
  for (let i = 0; i + 1 < ends.length; i += 1) {
    const width = ends[i + 1] - ends[i];
    if (width <= 0) continue;
    const middle = ends[i] + width / 2;
    const cut = near.filter((s) => s.x < middle && s.x + s.w > middle);
    if (cut.length === 0) continue;
    const straight = within.shape === "box" && cut.every((s) => s.shape === "box");
    const samples = straight ? 1 : Math.min(MOST, Math.max(LEAST, Math.ceil((width / within.w) * SAMPLES)));
    for (let k = 0; k < samples; k += 1) area += (width / samples) * coveredLength(within, cut, ends[i] + ((k + 0.5) * width) / samples, tops, bottoms);
  }
  return area;
}

/** The covered length above x; `tops` and `bottoms` are room to work in. */
function coveredLength(within: Shape, shapes: readonly Shape[], x: number, tops: Float64Array, bottoms: Float64Array): number {
  const frame = reachAt(within, x);
  if (frame < 0) return 0;
  const low = within.y + within.h / 2 - frame;
  const high = low + 2 * frame;
  let count = 0;
  for (const shape of shapes) {
    const reach = reachAt(shape, x);
    if (reach < 0) continue;
    const middle = shape.y + shape.h / 2;
    const top = Math.max(middle - reach, low);
    const bottom = Math.min(middle + reach, high);
    if (bottom <= top) continue;
    let at = count;
    for (; at > 0 && tops[at - 1] > top; at -= 1) {
      tops[at] = tops[at - 1];
      bottoms[at] = bottoms[at - 1];
    }
    tops[at] = top;
    bottoms[at] = bottom;
    count += 1;
  }
  let length = 0;
  let reached = -Infinity;
  for (let i = 0; i < count; i += 1) {
    if (bottoms[i] <= reached) continue;
    length += bottoms[i] - Math.max(tops[i], reached);
    reached = bottoms[i];
  }
  return length;
}
