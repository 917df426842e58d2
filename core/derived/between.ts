/** Where all is between two versions of a layout, for showing a change as a way. */
import type { Box } from "../engine/geometry/point";
import type { Resolved, ResolvedControl } from "../engine/placement/resolve";
import { byId } from "./byId";

const mix = (was: number, is: number, part: number) => (part >= 1 ? is : was + (is - was) * part);

function boxBetween<T extends Box>(was: Box, is: T, part: number): T {
  return { ...is, x: mix(was.x, is.x, part), y: mix(was.y, is.y, part), w: mix(was.w, is.w, part), h: mix(was.h, is.h, part) };
}

/** The part `part` (0: as it was, 1: as it is) of the way between two versions on one screen. What one of them lacks is as in the version that is. */
export function resolvedBetween(was: Resolved, is: Resolved, part: number): Resolved {
  if (part >= 1) return is;
  const controls = byId(was.controls);
  const zones = byId(was.keepClear);
  const between = (at: ResolvedControl): ResolvedControl => {
    const from = controls.get(at.id);
    if (!from) return at;
    return {
      ...at,
      visual: boxBetween(from.visual, at.visual, part),
      hit: boxBetween(from.hit, at.hit, part),
      ...(at.travel !== undefined && from.travel !== undefined ? { travel: mix(from.travel, at.travel, part) } : {}),
      ...(at.landing && from.landing ? { landing: boxBetween(from.landing, at.landing, part) } : {}),
    };
  };
  return {
    ...is,
    controls: is.controls.map(between),
    clusters: Object.fromEntries(Object.entries(is.clusters).map(([id, box]) => [id, was.clusters[id] ? boxBetween(was.clusters[id], box, part) : box])),
    keepClear: is.keepClear.map((zone) => {
      const from = zones.get(zone.id);
      return from ? boxBetween(from, zone, part) : zone;
    }),
  };
}
