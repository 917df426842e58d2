/** Gaps between an area and those about it: how near, and from where to where. */
import { clearance } from "./distance";
import { centreOf, type Point } from "./point";
import type { Shape } from "./shape";
import { SQUARE_SLACK } from "./tolerances";

/** One gap: the index of the other area, the distance px (0 where they lie on each other), and its two ends. */
export interface Gap {
  readonly index: number;
  readonly px: number;
  readonly from: Point;
  readonly to: Point;
}

/** Where a shape reaches farthest along a unit vector; on a flat side, as near as may be to `toward`. */
function farthest(shape: Shape, nx: number, ny: number, toward: Point): Point {
  const { x, y } = centreOf(shape);
  const halfW = shape.w / 2;
  const halfH = shape.h / 2;
  if (shape.shape === "ellipse") {
    const reach = Math.sqrt((halfW * nx) ** 2 + (halfH * ny) ** 2) || 1;
    return { x: x + (halfW * halfW * nx) / reach, y: y + (halfH * halfH * ny) / reach };
  }
  const radius = shape.shape === "capsule" ? Math.min(halfW, halfH) : 0;
  const along = (n: number, half: number, at: number, wish: number) => {
    const flat = half - radius;
    return (Math.abs(n) < SQUARE_SLACK ? Math.min(Math.max(wish, at - flat), at + flat) : at + Math.sign(n) * flat) + n * radius;
  };
  return { x: along(nx, halfW, x, toward.x), y: along(ny, halfH, y, toward.y) };
}

/** The gaps from an area to others within `reachPx`, nearest first, at most `most`. */
export function gapsAbout(area: Shape, others: readonly Shape[], reachPx: number, most: number): Gap[] {
  const found: Gap[] = [];
  others.forEach((other, index) => {
    if (other.x > area.x + area.w + reachPx || area.x > other.x + other.w + reachPx) return;
    if (other.y > area.y + area.h + reachPx || area.y > other.y + other.h + reachPx) return;
    const { px, direction } = clearance(area, other);
    if (px > reachPx) return;
    const { x: nx, y: ny } = direction;
    const from = farthest(area, nx, ny, centreOf(other));
    found.push({ index, px: Math.max(0, px), from, to: farthest(other, -nx, -ny, from) });
  });
  return found.sort((a, b) => a.px - b.px).slice(0, most);
}
