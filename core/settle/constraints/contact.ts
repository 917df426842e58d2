/**
 * Linear constraints that keep two shapes apart. For two convex shapes, the relative positions at which they overlap too much (or are too close)
 * form a convex set. A tangent of this set defines a half-plane in which the shapes are clear. The tangent changes from iteration to iteration.
 */
import { commonArea } from "../../engine/geometry/commonArea";
import { clearance, support } from "../../engine/geometry/distance";
import { circleRadius, lensArea } from "../../engine/geometry/circle";
import { magnitude, type Point } from "../../engine/geometry/point";
import { areaOf, type Shape } from "../../engine/geometry/shape";

/** The signed distance of two shapes from the line, mm (0 and above: clear), and its derivatives by x, y, w, h of each. */
export interface Contact {
  readonly value: number;
  readonly a: readonly [number, number, number, number];
  readonly b: readonly [number, number, number, number];
}

/** Returns the derivatives of the support function along a direction by half width and half height. */
function reachGrowth({ shape, w, h }: Shape, nx: number, ny: number): readonly [number, number] {
  switch (shape) {
    case "box":
      return [Math.abs(nx), Math.abs(ny)];
    case "ellipse": {
      const reach = magnitude((nx * w) / 2, (ny * h) / 2) || 1;
      return [(nx * nx * w) / 2 / reach, (ny * ny * h) / 2 / reach];
    }
    case "capsule":
      return w <= h ? [1 - Math.abs(ny), Math.abs(ny)] : [Math.abs(nx), 1 - Math.abs(nx)];
  }
}

/** Converts derivatives by centre and half sides to derivatives by x, y, w, h. */
const asBox = (cx: number, cy: number, halfW: number, halfH: number) => [cx, cy, (cx + halfW) / 2, (cy + halfH) / 2] as const;

/** Returns the distance of two shapes along a direction from a to b (default: the direction of the largest distance), minus `gap`. */
export function gapContact(a: Shape, b: Shape, gap: number, along?: Point): Contact {
  const { x, y } = along ?? clearance(a, b).direction;
  const px = along ? -(support(a, x, y) + support(b, -x, -y)) : clearance(a, b).px;
  const [aw, ah] = reachGrowth(a, x, y);
  const [bw, bh] = reachGrowth(b, x, y);
  return { value: px - gap, a: asBox(-x, -y, -aw, -ah), b: asBox(x, y, -bw, -bh) };
}

/** Returns the opposite constraint: the shapes must overlap. `depth`: the minimum distance to separate them. */
export function depthContact(a: Shape, b: Shape, depth: number): Contact {
  const { value, a: of, b: to } = gapContact(a, b, -depth);
  const turned = (g: Contact["a"]) => [-g[0], -g[1], -g[2], -g[3]] as const;
  return { value: -value, a: turned(of), b: turned(to) };
}

/** Returns by how much a shape extends beyond another one inside it, along a direction. */
export function containment(inner: Shape, outer: Shape, { x, y }: Point): Contact {
  const [iw, ih] = reachGrowth(inner, x, y);
  const [ow, oh] = reachGrowth(outer, x, y);
  return { value: support(outer, x, y) - support(inner, x, y), a: asBox(-x, -y, -iw, -ih), b: asBox(x, y, ow, oh) };
}

/** The area that a share refers to: the smaller one, the first or the second shape. */
export type WholeOf = "smaller" | "a" | "b";

const wholeArea = (a: Shape, b: Shape, of: WholeOf) => (of === "a" ? areaOf(a) : of === "b" ? areaOf(b) : Math.min(areaOf(a), areaOf(b)));
/** Returns the shared area as a fraction of the whole. */
export function sharedPart(a: Shape, b: Shape, of: WholeOf): number {
  const whole = wholeArea(a, b, of);
  return whole > 0 ? commonArea(a, b) / whole : 0;
}

const shifted = (shape: Shape, by: number, { x, y }: Point): Shape => ({ ...shape, x: shape.x + by * x, y: shape.y + by * y });
const widened = (shape: Shape, dw: number, dh: number): Shape => ({ ...shape, x: shape.x - dw / 2, y: shape.y - dh / 2, w: shape.w + dw, h: shape.h + dh });

/** Shapes farther apart than this, mm, use the cheaper distance constraint. */
const FAR_MM = 1.5;
/** Tolerance of a position on the border, mm. */
const FOUND_MM = 1e-6;
const MOST_STEPS = 60;

/**
 * Returns the distance of two shapes from sharing `share` of the whole. Null if they cannot share that much along this direction (from a to b;
 * default: the direction that separates them first).
 */
export function shareContact(a: Shape, b: Shape, whole: { readonly of: WholeOf; readonly share: number }, along?: Point): Contact | null {
  const { of, share } = whole;
  const apart = along ? null : clearance(a, b);
  // For distant shapes, “not touching” is a sufficient and cheaper constraint.
  if (apart && apart.px > FAR_MM) return gapContact(a, b, 0, apart.direction);
  const n = along ?? apart!.direction;
  const discs = circleRadius(a) > 0 && circleRadius(b) > 0 ? discContact(a, b, whole, n) : undefined;
  if (discs !== undefined) return discs;
  const free = support(a, n.x, n.y) + support(b, -n.x, -n.y);
  const over = (by: number) => sharedPart(a, shifted(b, by, n), of) - share;
  const at = boxBorder(a, b, whole, n) ?? borderFrom(over, free, Math.min(a.w, a.h, b.w, b.h));
  if (at === null) return null;
  const there = shifted(b, at, n);
  const part = (one: Shape, other: Shape) => sharedPart(one, other, of);
  const step = Math.max(1e-4, 0.004 * Math.min(a.w, a.h, b.w, b.h));
  const here = part(a, there);
  const slope = (dx: number, dy: number) => (part(a, shifted(there, 1, { x: dx, y: dy })) - part(a, shifted(there, -1, { x: dx, y: dy }))) / (2 * step);
  const gx = slope(step, 0);
  const gy = slope(0, step);
  const steep = magnitude(gx, gy);
  if (!(steep > 1e-9)) return null;
  const [nx, ny] = [-gx / steep, -gy / steep];
  const growth = (dw: number, dh: number, first: boolean) => {
    const larger = first ? part(widened(a, dw, dh), there) : part(a, widened(there, dw, dh));
    // By half a side, as `asBox` expects.
    return (-2 * (larger - here)) / step / steep;
  };
  // The sides of a circle change together: each gets half of the joint derivative.
  const sides = (shape: Shape, first: boolean): readonly [number, number] => {
    if (circleRadius(shape) < 0) return [growth(step, 0, first), growth(0, step, first)];
    const both = growth(step, step, first) / 2;
    return [both, both];
  };
  return {
    value: -at * (nx * n.x + ny * n.y),
    a: asBox(-nx, -ny, ...sides(a, true)),
    b: asBox(nx, ny, ...sides(b, false)),
  };
}

/** Returns the same along a given direction; for distant shapes, the distance from touching. */
export function shareContactAlong(a: Shape, b: Shape, whole: { readonly of: WholeOf; readonly share: number }, along: Point): Contact | null {
  const beside = gapContact(a, b, 0, along);
  return beside.value > FAR_MM ? beside : shareContact(a, b, whole, along);
}

/** Returns the same for two discs, from the distance of their centres and their radii. */
function discContact(a: Shape, b: Shape, { of, share }: { readonly of: WholeOf; readonly share: number }, n: Point): Contact | null {
  const [r, s] = [circleRadius(a), circleRadius(b)];
  const border = (one: number, two: number): number | null => {
    const area = Math.PI * (of === "a" ? one : of === "b" ? two : Math.min(one, two)) ** 2;
    const over = (by: number) => lensArea(one, two, by) / area - share;
    return borderFrom(over, one + two, Math.min(one, two));
  };
  const at = border(r, s);
  if (at === null) return null;
  const step = 0.01 * Math.min(r, s);
  const growth = (dr: number, ds: number) => ((border(r + dr, s + ds) ?? at) - (border(r - dr, s - ds) ?? at)) / (2 * step);
  // The tangent where the line along n from the current centre leaves the forbidden circle.
  const [dx, dy] = [b.x + s - a.x - r, b.y + s - a.y - r];
  const onward = dx * n.x + dy * n.y;
  const across = dx * dx + dy * dy - onward * onward;
  const reach = Math.sqrt(Math.max(0, at * at - across));
  const [nx, ny] = [(dx + (reach - onward) * n.x) / at, (dy + (reach - onward) * n.y) / at];
  return {
    value: dx * nx + dy * ny - at,
    a: asBox(-nx, -ny, -growth(step, 0) / 2, -growth(step, 0) / 2),
    b: asBox(nx, ny, -growth(0, step) / 2, -growth(0, step) / 2),
  };
}

/** Returns the border position of two boxes along an axis in closed form; null for other shapes or directions. */
function boxBorder(a: Shape, b: Shape, { of, share }: { readonly of: WholeOf; readonly share: number }, { x, y }: Point): number | null {
  if (a.shape !== "box" || b.shape !== "box" || (x !== 0 && y !== 0)) return null;
  const across = x !== 0 ? Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) : Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
  const deepest = x !== 0 ? Math.min(a.w, b.w) : Math.min(a.h, b.h);
  const depth = (share * wholeArea(a, b, of)) / across;
  if (!(across > 0) || !(depth > 0) || depth >= deepest) return null;
  return support(a, x, y) + support(b, -x, -y) - depth;
}

/** Returns the position along a line, before `free`, at which exactly the given share overlaps; null if it never does. */
function borderFrom(over: (by: number) => number, free: number, size: number): number | null {
  let high = free;
  if (!(size > 0)) return null;
  let reach = size / 64;
  let low = free - reach;
  let value = over(low);
  while (value < 0) {
    reach *= 2;
    if (!(reach <= 4 * size)) return null;
    high = low;
    low = free - reach;
    const next = over(low);
    // The overlap decreases again: the maximum is passed.
    if (next < value - 1e-12 && next < 0) return null;
    value = next;
  }
  let atLow = value;
  let atHigh = over(high);
  for (let i = 0; i < MOST_STEPS && high - low > FOUND_MM; i += 1) {
    // Use the secant if it stays inside the interval, else bisect.
    const secant = low + ((high - low) * atLow) / (atLow - atHigh);
    const middle = i % 3 === 2 || !(secant > low && secant < high) ? (low + high) / 2 : secant;
    const now = over(middle);
    if (now >= 0) {
      low = middle;
      atLow = now;
    } else {
      high = middle;
      atHigh = now;
    }
  }
  return high;
}
