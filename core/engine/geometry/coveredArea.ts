/**
 * Areas of several shapes together. A vertical line cuts each (convex) shape in one interval; the length that at least one
 * of them covers, within a bounding shape, is summed along x. Between two neighbouring ends of shapes the same shapes are
 * cut, and the length is smooth but for crossings; so each such slab is sampled on its own, by the two-point rule of Gauss and
 * Legendre in as many panels as its width asks for. Where all is boxes one sample a slab is exact.
 */
import { areaOf, reachAt, type Shape } from "./shape";

/** Panels over the whole width, and the most a slab gets: together they keep the sum within 0.3 % of the bounding shape. */
const PANELS = 80;
const MOST = 12;
/** Where in a panel the two samples lie, as parts of its width (Gauss–Legendre, two points: (1 ± 1/√3)/2). */
const LOW = 0.5 - 0.5 / Math.sqrt(3);
const HIGH = 1 - LOW;

/** Room for the covered intervals above one x, kept sorted by their tops. */
interface Intervals {
  readonly tops: Float64Array;
  readonly bottoms: Float64Array;
}

/** The part of `within` that at least one of `shapes` covers, px². A shape without width or height covers nothing. */
export function coveredArea(within: Shape, shapes: readonly Shape[]): number {
  if (within.w <= 0 || within.h <= 0) return 0;
  const right = within.x + within.w;
  const bottom = within.y + within.h;
  const reaching: Shape[] = [];
  const ends = [within.x, right];
  let straight = within.shape === "box";
  for (const s of shapes) {
    if (s.w <= 0 || s.h <= 0 || s.x >= right || s.x + s.w <= within.x || s.y >= bottom || s.y + s.h <= within.y) continue;
    reaching.push(s);
    if (s.x > within.x) ends.push(s.x);
    if (s.x + s.w < right) ends.push(s.x + s.w);
    if (s.shape === "box") continue;
    straight = false;
    const middle = s.x + s.w / 2;
    if (middle > within.x && middle < right) ends.push(middle);
  }
  if (reaching.length === 0) return 0;
  const sorted = Float64Array.from(ends).sort();
  reaching.sort((a, b) => a.x - b.x);
  const room = { tops: new Float64Array(reaching.length), bottoms: new Float64Array(reaching.length) };
  /** The shapes that the present slab cuts. */
  const cut: Shape[] = [];
  let coming = 0;
  let area = 0;
  for (let i = 0; i + 1 < sorted.length; i += 1) {
    const from = sorted[i];
    const width = sorted[i + 1] - from;
    if (width <= 0) continue;
    const middle = from + width / 2;
    while (coming < reaching.length && reaching[coming].x < middle) cut.push(reaching[coming++]);
    let kept = 0;
    for (const shape of cut) if (shape.x + shape.w > middle) cut[kept++] = shape;
    cut.length = kept;
    if (kept === 0) continue;
    if (straight) {
      area += width * coveredLength(within, cut, middle, room);
      continue;
    }
    const panels = Math.min(MOST, Math.max(1, Math.ceil((width / within.w) * PANELS)));
    const panel = width / panels;
    for (let k = 0; k < panels; k += 1) {
      const at = from + k * panel;
      area += (panel / 2) * (coveredLength(within, cut, at + LOW * panel, room) + coveredLength(within, cut, at + HIGH * panel, room));
    }
  }
  // A sum of samples may come out above what there is to cover; a share is never more than the whole.
  return Math.min(area, areaOf(within));
}

/** The covered length above x. */
function coveredLength(within: Shape, shapes: readonly Shape[], x: number, { tops, bottoms }: Intervals): number {
  const reach = reachAt(within, x);
  if (reach < 0) return 0;
  const low = within.y + within.h / 2 - reach;
  const high = low + 2 * reach;
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
