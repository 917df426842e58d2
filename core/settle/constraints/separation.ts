/** Separations: how a pair is kept clear, if not along the direction that the solver would take itself. */
import type { Point } from "../../engine/geometry/point";
import type { Shape } from "../../engine/geometry/shape";
import { centreOf, type Box } from "../../engine/geometry/point";
import type { ScenarioData } from "../problem/scenarioData";

/** `along`: the direction from the first to the second, for the right hand (null: chosen by the solver). `apart`: with the full gap instead of sharing a little. */
export interface Separation {
  readonly along: Point | null;
  readonly apart: boolean;
}
/** By pair (`pairKey`). */
export type Separations = ReadonlyMap<string, Separation>;

/** Identifies a pair. */
export const pairKey = (a: string, b: string): string => `${a} ${b}`;

/** The direction of a separation in a scenario; undefined if it has none. */
export function directionIn({ scenario }: ScenarioData, separation: Separation | undefined): Point | undefined {
  if (!separation?.along) return undefined;
  return scenario.mirrored ? { x: -separation.along.x, y: separation.along.y } : separation.along;
}

/** Concentric shapes separate upwards: all sides cost the same, and this one is its own mirror. Undefined for other shapes. */
export function directionIfConcentric(a: Shape, b: Shape): Point | undefined {
  const [p, q] = [centreOf(a), centreOf(b)];
  return Math.abs(p.x - q.x) + Math.abs(p.y - q.y) < 1e-6 ? { x: 0, y: -1 } : undefined;
}

/**
 * The direction (from an area to a zone that it covers) along which the area leaves the zone first and stays in a frame. Undefined if every
 * direction leaves the frame, or if the shortest one does not: then the shapes themselves give a better direction.
 */
export function directionOutOf(area: Box, zone: Box, frame: Box): Point | undefined {
  const sides = [
    { along: { x: 1, y: 0 }, by: area.x + area.w - zone.x, fits: zone.x - area.w >= frame.x },
    { along: { x: -1, y: 0 }, by: zone.x + zone.w - area.x, fits: zone.x + zone.w + area.w <= frame.x + frame.w },
    { along: { x: 0, y: 1 }, by: area.y + area.h - zone.y, fits: zone.y - area.h >= frame.y },
    { along: { x: 0, y: -1 }, by: zone.y + zone.h - area.y, fits: zone.y + zone.h + area.h <= frame.y + frame.h },
  ];
  const shortest = Math.min(...sides.map(({ by }) => by));
  const fitting = sides.filter(({ fits }) => fits);
  if (fitting.length === 0 || fitting.some(({ by }) => by <= shortest)) return undefined;
  return fitting.reduce((a, b) => (b.by < a.by ? b : a)).along;
}
