/** A point or a difference of points. Screen points: px, y down. Action values: y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** An upright box: left, top, width, height, px. Width and height are 0 or more. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** The length of (x, y). Plain arithmetic: coordinates here are far from where squares overflow, and Math.hypot is many times slower. */
export function magnitude(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}

/** The middle of a box. */
export function centreOf(box: Box): Point {
  return { x: box.x + box.w / 2, y: box.y + box.h / 2 };
}

/** `value` held between `low` and `high`. */
export function clampTo(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value;
}
