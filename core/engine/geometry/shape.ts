/**
 * Shapes that take touches, and the one place where edges are decided; how far apart counts as equal is in tolerances.ts.
 * Sets are closed: a point on the edge is inside. Two shapes overlap only if their intersection has an area.
 */
import { magnitude, type Box } from "./point";
import { LENGTH_SLACK } from "./tolerances";

/** An ellipse, box or capsule (a box with corners of radius min(w,h)/2) filling an upright box. */
export interface Shape extends Box {
  readonly shape: "ellipse" | "box" | "capsule";
}

/** Whether the shape holds the point (px). A shape without width or height holds the points of its segment. */
export function contains(shape: Shape, x: number, y: number): boolean {
  const halfW = shape.w / 2;
  const halfH = shape.h / 2;
  const dx = Math.abs(x - (shape.x + halfW));
  const dy = Math.abs(y - (shape.y + halfH));
  if (dx > halfW + LENGTH_SLACK || dy > halfH + LENGTH_SLACK) return false;
  switch (shape.shape) {
    case "box":
      return true;
    case "ellipse": {
      const least = Math.min(halfW, halfH);
      if (least <= 0) return true;
      return magnitude(dx / halfW, dy / halfH) <= 1 + LENGTH_SLACK / least;
    }
    case "capsule": {
      const radius = Math.min(halfW, halfH);
      return magnitude(Math.max(0, dx - (halfW - radius)), Math.max(0, dy - (halfH - radius))) <= radius + LENGTH_SLACK;
    }
  }
}

/** The area of a shape, px². */
export function areaOf(shape: Shape): number {
  switch (shape.shape) {
    case "box":
      return shape.w * shape.h;
    case "ellipse":
      return (Math.PI / 4) * shape.w * shape.h;
    case "capsule": {
      const d = Math.min(shape.w, shape.h);
      return shape.w * shape.h - d * d * (1 - Math.PI / 4);
    }
  }
}

/** Half the vertical extent of a shape above x, px; −1 where it has none. The middle is that of the shape. */
export function reachAt(shape: Shape, x: number): number {
  const halfW = shape.w / 2;
  const halfH = shape.h / 2;
  const dx = Math.abs(x - (shape.x + halfW));
  if (dx > halfW) return -1;
  switch (shape.shape) {
    case "box":
      return halfH;
    case "ellipse":
      return halfW > 0 ? halfH * Math.sqrt(Math.max(0, 1 - (dx / halfW) ** 2)) : halfH;
    case "capsule": {
      const radius = Math.min(halfW, halfH);
      const beyond = Math.max(0, dx - (halfW - radius));
      return halfH - radius + Math.sqrt(Math.max(0, radius * radius - beyond * beyond));
    }
  }
}
