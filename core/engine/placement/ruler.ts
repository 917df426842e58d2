/**
 * Rulers: what one of each unit comes to in px, within one box. Lengths come in two families. Percent lengths are hundredths of the box;
 * u, mm and px are absolute, and are taken times a factor (the player's size, a cluster's K, a control's own K).
 */
import type { Box } from "../geometry/point";
import { LENGTH_UNITS, lengthOf, type LengthText } from "./length";

/** What lengths come to on a screen, px. */
export interface Metrics {
  /** Px a layout unit. */
  readonly unitPx: number;
  readonly pxPerMm: number;
}

/** Px one of each unit comes to, in the order of `LENGTH_UNITS`. */
export type Ruler = readonly number[];

/** A length ready for arithmetic: its amount, and its unit by its place in `LENGTH_UNITS`. */
export interface ReadyLength {
  readonly amount: number;
  readonly unit: number;
}

/** Reads a length once, so that no text is looked at while a screen is placed. */
export function readyLength(text: LengthText): ReadyLength {
  const { amount, unit } = lengthOf(text);
  return { amount, unit: LENGTH_UNITS.indexOf(unit) };
}

/** The ruler of a box. `absolute`: the factor of u, mm and px; `percent`: that of hundredths. */
export function rulerOf({ w, h }: { readonly w: number; readonly h: number }, { unitPx, pxPerMm }: Metrics, absolute = 1, percent = 1): Ruler {
  const part = percent / 100;
  return [unitPx * absolute, pxPerMm * absolute, absolute, w * part, h * part, (w < h ? w : h) * part, (w < h ? h : w) * part];
}

/** The px of a length by a ruler. */
export function lengthPx(length: ReadyLength, ruler: Ruler): number {
  return length.amount * ruler[length.unit];
}

/** A place in which lengths are measured: a frame with its ruler. `k`: the K of what is in it before its own sizes. */
export interface Room {
  readonly box: Box;
  readonly ruler: Ruler;
  readonly k: number;
}
