/** Which arrangement a screen uses. */
import { LENGTH_SLACK } from "../geometry/tolerances";
import type { Arrangement, Screen } from "../types";
import { aspectOf, pxPerMm } from "./screen";

/** The index of the first arrangement whose ranges hold the screen; −1 for the base. Ranges are half-open, min ≤ v < max, a tie within 1e-9 counting as equal. */
export function arrangementFor(arrangements: readonly Arrangement[], screen: Screen): number {
  const shortMm = Math.min(screen.widthPx, screen.heightPx) / pxPerMm(screen);
  return arrangements.findIndex((a) => within(a.when.aspect, aspectOf(screen)) && within(a.when.shortSideMm, shortMm));
}

function within(range: { min?: number; max?: number } | undefined, value: number): boolean {
  if (!range) return true;
  if (range.min !== undefined && value < range.min - LENGTH_SLACK) return false;
  return range.max === undefined || value < range.max - LENGTH_SLACK;
}
