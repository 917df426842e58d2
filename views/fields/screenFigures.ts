/** What a screen is, in figures, for the reading line. */
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";

/** Its diagonal, its aspect, its sides. */
export function screenFigures(screen: Screen): Readonly<Record<string, string>> {
  const mm = pxPerMm(screen);
  const { widthPx: w, heightPx: h, ppi } = screen;
  return {
    inches: `${(Math.hypot(w, h) / ppi).toFixed(1)} inches`,
    aspect: `${(w / h).toFixed(2)} to 1`,
    mm: `${(w / mm).toFixed(0)} × ${(h / mm).toFixed(0)} mm`,
  };
}
