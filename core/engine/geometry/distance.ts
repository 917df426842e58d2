/**
 * Signed distance of two convex shapes: how far apart they are, or how deeply they overlap.
 *
 * For a direction n, the gap along it is g(n) = −(h_A(n) + h_B(−n)), where h is the support function (the extent of a
 * shape along n). The maximum of g over all directions is the distance if positive, and minus the shortest separating movement if
 * negative. g is sampled around the circle; the best samples are refined by golden-section search.
 */
import { magnitude, type Box, type Point } from "./point";
import { circleRadius } from "./circle";
import type { Shape } from "./shape";

const SAMPLES = 72;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Returns the support function: the extent of a shape along the unit vector (nx, ny), px from the origin. */
export function support(shape: Shape, nx: number, ny: number): number {
  const halfW = shape.w / 2;
  const halfH = shape.h / 2;
  const centre = (shape.x + halfW) * nx + (shape.y + halfH) * ny;
  switch (shape.shape) {
    case "box":
      return centre + Math.abs(nx) * halfW + Math.abs(ny) * halfH;
    case "ellipse":
      return centre + magnitude(nx * halfW, ny * halfH);
    case "capsule": {
      const radius = Math.min(halfW, halfH);
      return centre + Math.abs(nx) * (halfW - radius) + Math.abs(ny) * (halfH - radius) + radius;
    }
  }
}

/** A signed distance and the direction (unit vector, from a to b) along which it is measured. */
export interface Clearance {
  readonly px: number;
  readonly direction: Point;
}

/** Returns the signed distance of two shapes, px: positive if apart, 0 if touching, negative by the shortest movement of b that separates them. */
export function clearance(a: Shape, b: Shape): Clearance {
  const closed = betweenCircles(a, b) ?? betweenBoxes(a, b) ?? circleAndBox(a, b);
  if (closed) return closed;
  const gap = (angle: number) => {
    const nx = Math.cos(angle);
    const ny = Math.sin(angle);
    return -(support(a, nx, ny) + support(b, -nx, -ny));
  };
  const step = (2 * Math.PI) / SAMPLES;
  const sampled = Array.from({ length: SAMPLES }, (_, i) => gap(i * step));
  let best = -Infinity;
  let bestAngle = 0;
  for (let i = 0; i < SAMPLES; i += 1) {
    if (sampled[i] < sampled[(i + 1) % SAMPLES] || sampled[i] < sampled[(i + SAMPLES - 1) % SAMPLES]) continue;
    let low = (i - 1) * step;
    let high = (i + 1) * step;
    let left = high - GOLDEN * (high - low);
    let right = low + GOLDEN * (high - low);
    let atLeft = gap(left);
    let atRight = gap(right);
    for (let k = 0; k < 44; k += 1) {
      if (atLeft < atRight) {
        low = left;
        left = right;
        atLeft = atRight;
        right = low + GOLDEN * (high - low);
        atRight = gap(right);
      } else {
        high = right;
        right = left;
        atRight = atLeft;
        left = high - GOLDEN * (high - low);
        atLeft = gap(left);
      }
    }
    for (const [angle, value] of [
      [i * step, sampled[i]],
      [(low + high) / 2, gap((low + high) / 2)],
    ] as const)
      if (value > best) {
        best = value;
        bestAngle = angle;
      }
  }
  return { px: best, direction: { x: Math.cos(bestAngle), y: Math.sin(bestAngle) } };
}

function betweenCircles(a: Shape, b: Shape): Clearance | null {
  const r = circleRadius(a);
  const s = r < 0 ? -1 : circleRadius(b);
  if (s < 0) return null;
  const dx = b.x + s - a.x - r;
  const dy = b.y + s - a.y - r;
  const far = magnitude(dx, dy);
  return { px: far - r - s, direction: far > 0 ? { x: dx / far, y: dy / far } : { x: 1, y: 0 } };
}

function betweenBoxes(a: Shape, b: Shape): Clearance | null {
  if (a.shape !== "box" || b.shape !== "box") return null;
  const dx = b.x + b.w / 2 - a.x - a.w / 2;
  const dy = b.y + b.h / 2 - a.y - a.h / 2;
  const gapX = Math.abs(dx) - (a.w + b.w) / 2;
  const gapY = Math.abs(dy) - (a.h + b.h) / 2;
  if (gapX > 0 && gapY > 0) {
    const far = magnitude(gapX, gapY);
    return { px: far, direction: { x: (Math.sign(dx) * gapX) / far, y: (Math.sign(dy) * gapY) / far } };
  }
  return gapX > gapY ? { px: gapX, direction: { x: dx < 0 ? -1 : 1, y: 0 } } : { px: gapY, direction: { x: 0, y: dy < 0 ? -1 : 1 } };
}

/** Circle and box: from the centre to the nearest point of the box; from inside, the shortest way out. */
function circleAndBox(a: Shape, b: Shape): Clearance | null {
  const turned = a.shape === "box";
  const [disc, box] = turned ? [b, a] : [a, b];
  const r = box.shape === "box" ? circleRadius(disc) : -1;
  if (r < 0) return null;
  const dx = box.x + box.w / 2 - disc.x - r;
  const dy = box.y + box.h / 2 - disc.y - r;
  const gapX = Math.abs(dx) - box.w / 2;
  const gapY = Math.abs(dy) - box.h / 2;
  const signX = (dx < 0 ? -1 : 1) * (turned ? -1 : 1);
  const signY = (dy < 0 ? -1 : 1) * (turned ? -1 : 1);
  if (gapX > 0 && gapY > 0) {
    const far = magnitude(gapX, gapY);
    return { px: far - r, direction: { x: (signX * gapX) / far, y: (signY * gapY) / far } };
  }
  return gapX > gapY ? { px: gapX - r, direction: { x: signX, y: 0 } } : { px: gapY - r, direction: { x: 0, y: signY } };
}

/** Returns the distance of a point from a shape, px; 0 inside. */
export function distanceTo(shape: Shape, point: Point): number {
  const r = circleRadius(shape);
  if (r >= 0) return Math.max(0, magnitude(point.x - shape.x - r, point.y - shape.y - r) - r);
  return Math.max(0, clearance({ shape: "box", x: point.x, y: point.y, w: 0, h: 0 }, shape).px);
}

/** Whether two boxes are closer than `px` along both axes; a fast rejection test. */
export function isWithin(a: Box, b: Box, px: number): boolean {
  return a.x < b.x + b.w + px && b.x < a.x + a.w + px && a.y < b.y + b.h + px && b.y < a.y + a.h + px;
}
