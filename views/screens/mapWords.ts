/** A place of the map in words. */
import type { MapCell } from "../../core/checks/aspectMap";

/** "aspect 1.778, 6.10 inches: blocker touch/overlap and 2 more". */
export function placeWords({ aspect, inches }: { readonly aspect: number; readonly inches: number }, cell: MapCell | null): string {
  const where = `Aspect ${aspect.toFixed(3)}, ${inches.toFixed(2)} inches`;
  if (!cell) return `${where}: not computed yet`;
  if (cell.length === 0) return `${where}: no findings`;
  return `${where}: ${cell[0].severity} ${cell[0].key}${cell.length > 1 ? ` and ${cell.length - 1} more` : ""}`;
}
