/**
 * How much of two shapes lies in both.
 *
 * Both shapes are convex, so a vertical line cuts each in one interval and the intersection in the overlap of the two.
 * The shared area is the integral of that overlap along x. Its integrand has corners where the outlines cross and
 * square-root ends where an ellipse closes; with x = mid − half·cos θ the ends become smooth, and the trapezoid rule in θ
 * (Clenshaw–Curtis in spirit) at 96 points stays well within 0.1 % of either area.
 */
import { circleRadius, lensArea } from "./circle";
import { magnitude } from "./point";
import { areaOf, reachAt, type Shape } from "./shape";
import { LENGTH_SLACK } from "./tolerances";

const STEPS = 96;
const COS = Array.from({ length: STEPS + 1 }, (_, i) => Math.cos((Math.PI * i) / STEPS));
const SIN = Array.from({ length: STEPS + 1 }, (_, i) => Math.sin((Math.PI * i) / STEPS));

/** The area two shapes share, px²; 0 where they only touch. Boxes and circles exactly, the rest within 0.1 % of the smaller one. */
export function commonArea(a: Shape, b: Shape): number {
  const left = Math.max(a.x, b.x);
  const right = Math.min(a.x + a.w, b.x + b.w);
  const top = Math.max(a.y, b.y);
  const bottom = Math.min(a.y + a.h, b.y + b.h);
  if (right - left <= LENGTH_SLACK || bottom - top <= LENGTH_SLACK) return 0;
  if (a.shape === "box" && b.shape === "box") return (right - left) * (bottom - top);
  const r = circleRadius(a);
  const t = r < 0 ? -1 : circleRadius(b);
  if (t >= 0) return lensArea(r, t, magnitude(a.x + r - b.x - t, a.y + r - b.y - t));
  const middle = (left + right) / 2;
  const half = (right - left) / 2;
  const between = a.y + a.h / 2 - b.y - b.h / 2;
  let sum = 0;
  for (let i = 1; i < STEPS; i += 1) {
    const x = middle - half * COS[i];
    const one = reachAt(a, x);
    const two = reachAt(b, x);
    if (one < 0 || two < 0) continue;
    const height = Math.min(between + one, two) - Math.max(between - one, -two);
    if (height > 0) sum += height * SIN[i];
  }
  // A sum of samples may come out above what there is to share; a share is never more than the whole.
  return Math.min((sum * half * Math.PI) / STEPS, areaOf(a), areaOf(b));
}
