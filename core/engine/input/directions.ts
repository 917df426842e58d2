/** Angles and the directions a control snaps to. Degrees, counter-clockwise from +x, y up. */
import { ANGLE_SLACK } from "../geometry/tolerances";

/** A direction port holds this far to each its own side direction: two neighbours overlap in the diagonals. */
const PORT_HALF_WIDTH = 66;

/** The angle of (x, y up), −180 (exclusive) to 180. */
export function angleOf(x: number, y: number): number {
  return (Math.atan2(y, x) * 180) / Math.PI;
}

/** How far apart two angles are, 0…180. */
export function apart(a: number, b: number): number {
  const d = Math.abs(a - b) % 360;
  return d > 180 ? 360 - d : d;
}

/**
 * Which of n even directions an angle takes: the index of the multiple of 360/n. The one in force is kept within
 * half a step plus holdDeg of it; a tie goes counter-clockwise.
 */
export function snapIndex(angle: number, n: number, inForce: number | null, holdDeg: number): number {
  const step = 360 / n;
  if (inForce !== null && apart(angle, inForce * step) <= step / 2 + holdDeg + ANGLE_SLACK) return inForce;
  const index = Math.floor(angle / step + 0.5 + ANGLE_SLACK / step);
  return ((index % n) + n) % n;
}

/** Whether a direction at `angle` lies within a port's width of the port at `portAngle`, `extra` degrees wider. */
export function withinPort(angle: number, portAngle: number, extra = 0): boolean {
  return apart(angle, portAngle) <= PORT_HALF_WIDTH + extra + ANGLE_SLACK;
}

/** The unit vector of an angle, exact along the axes. */
export function unitAt(angle: number): readonly [number, number] {
  const turn = ((angle % 360) + 360) % 360;
  if (turn === 0) return [1, 0];
  if (turn === 90) return [0, 1];
  if (turn === 180) return [-1, 0];
  if (turn === 270) return [0, -1];
  const rad = (turn * Math.PI) / 180;
  return [Math.cos(rad), Math.sin(rad)];
}
