/** Circles among the shapes: the commonest case, and the one with closed forms. */
import { type Shape } from "./shape";
import { LENGTH_SLACK } from "./tolerances";

/** The radius where a shape is a circle (an ellipse or capsule as wide as high), else −1. */
export function circleRadius(shape: Shape): number {
  return shape.shape !== "box" && Math.abs(shape.w - shape.h) <= LENGTH_SLACK ? shape.w / 2 : -1;
}

/** The area two circles share (circular lens; Weisstein, "Circle-Circle Intersection", MathWorld): radii r and s, centres d apart. */
export function lensArea(r: number, s: number, d: number): number {
  if (d >= r + s) return 0;
  const small = Math.min(r, s);
  if (d <= Math.abs(r - s)) return Math.PI * small * small;
  const alpha = Math.acos((d * d + r * r - s * s) / (2 * d * r));
  const beta = Math.acos((d * d + s * s - r * r) / (2 * d * s));
  const kite = (-d + r + s) * (d + r - s) * (d - r + s) * (d + r + s);
  return r * r * alpha + s * s * beta - Math.sqrt(Math.max(0, kite)) / 2;
}
