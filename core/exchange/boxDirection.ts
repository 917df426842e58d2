/** How places are reported to and by other programs: each has its own units and its own way of y, and a place is only right with both. */
import type { Box } from "../engine/geometry/point";

export const Y_DIRECTIONS = ["down", "up"] as const;
/** Down: from the top left corner, as the layout file and the web have it. Up: from the bottom left corner. */
export type YDirection = (typeof Y_DIRECTIONS)[number];

/** A box of a screen as it is reported in a direction: its corner nearest the origin, and its sides. Told twice it is what it was. */
export function boxIn({ x, y, w, h }: Box, heightPx: number, direction: YDirection): Box {
  return { x, y: direction === "down" ? y : heightPx - y - h, w, h };
}

export const TABLE_UNITS = ["px", "mm", "fractions"] as const;
/** px of the screen, mm of its glass, or fractions of its width (x, w) and height (y, h); a travel as a fraction of the shorter side. */
export type TableUnit = (typeof TABLE_UNITS)[number];
