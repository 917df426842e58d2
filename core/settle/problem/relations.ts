/**
 * What a person sees as arranged: rows, columns and equal gaps. Two controls are in a row if their middles are level and nothing else in the row lies
 * between them, on every screen; gaps of three in a row are equal if they are on every screen.
 */
import { isUnderlay } from "../../derived/underlay";
import type { Layout } from "../../format/types";
import { NUMBERS, VISUAL } from "./scenarios";

/** Middles this near to level, and gaps this near to equal, count as such, mm. */
export const ARRANGED_MM = 0.5;
/** Controls with a larger gap between them are not seen as a row, mm. */
const FARTHEST_MM = 15;

/** Neighbours in a row (`across` 1: their middles have the same y) or a column (0). By their places, in order. */
export interface Neighbours {
  readonly across: 0 | 1;
  readonly pair: readonly [number, number];
}
/** Three in a row or a column with equal gaps. */
export interface EqualGaps {
  readonly across: 0 | 1;
  readonly three: readonly [number, number, number];
}
export interface Relations {
  readonly rows: readonly Neighbours[];
  readonly gaps: readonly EqualGaps[];
}

/** The middle of a control along an axis. */
export const middle = (numbers: Float64Array, control: number, axis: 0 | 1): number => {
  const at = control * NUMBERS + VISUAL + axis;
  return numbers[at] + numbers[at + 2] / 2;
};
/** The gap between two pictures, the first before the second. */
const gapBetween = (numbers: Float64Array, [a, b]: readonly [number, number], axis: 0 | 1): number => {
  const [p, q] = [a * NUMBERS + VISUAL + axis, b * NUMBERS + VISUAL + axis];
  return numbers[q] - numbers[p] - numbers[p + 2];
};
/** By how much the second gap of three is larger. */
export const gapDifference = (numbers: Float64Array, { across, three: [a, b, c] }: EqualGaps): number =>
  gapBetween(numbers, [b, c], other(across)) - gapBetween(numbers, [a, b], other(across));
/** By how much the second of two is farther across the row. */
export const offLine = (numbers: Float64Array, { across, pair: [a, b] }: Neighbours): number => middle(numbers, b, across) - middle(numbers, a, across);

const other = (axis: 0 | 1): 0 | 1 => (axis === 0 ? 1 : 0);
const isThere = (numbers: Float64Array, control: number) => !Number.isNaN(numbers[control * NUMBERS]);

/** The relations of a layout whose controls are at some numbers, scenario by scenario. `areTogether`: whether two are ever shown at once. */
export function relationsIn(layout: Layout, numbers: readonly Float64Array[], areTogether: (a: number, b: number) => boolean): Relations {
  const rows: Neighbours[] = [];
  const gaps: EqualGaps[] = [];
  const seen = layout.controls.flatMap((control, i) => (isUnderlay(control) ? [] : [i]));
  for (const across of [0, 1] as const) {
    const along = other(across);
    const isPair = (a: number, b: number) => {
      if (a === b || !areTogether(a, b)) return false;
      const both = numbers.filter((line) => isThere(line, a) && isThere(line, b));
      return both.length > 0 && both.every((line) => isLevel(line, { across, pair: [a, b] }));
    };
    const pairs = seen.flatMap((a) => seen.filter((b) => isPair(a, b)).map((b) => [a, b] as const));
    const nextTo = (a: number) => {
      const after = pairs.filter(([first]) => first === a).map(([, b]) => b);
      const line = numbers.find((one) => isThere(one, a));
      return line ? after.sort((p, q) => middle(line, p, along) - middle(line, q, along))[0] : undefined;
    };
    const next = new Map(seen.map((a) => [a, nextTo(a)]));
    for (const [a, b] of next) {
      if (b === undefined) continue;
      rows.push({ across, pair: [a, b] });
      const c = next.get(b);
      if (c === undefined) continue;
      const three: EqualGaps = { across, three: [a, b, c] };
      const all = numbers.filter((line) => [a, b, c].every((one) => isThere(line, one)));
      if (all.length > 0 && all.every((line) => Math.abs(gapDifference(line, three)) <= ARRANGED_MM)) gaps.push(three);
    }
  }
  return { rows, gaps };
}

/** Whether two controls are level, beside each other, the first before the second. */
function isLevel(line: Float64Array, row: Neighbours): boolean {
  const { across, pair } = row;
  const along = other(across);
  const least = Math.min(...pair.map((one) => line[one * NUMBERS + VISUAL + along + 2]));
  const gap = gapBetween(line, pair, along);
  return Math.abs(offLine(line, row)) <= ARRANGED_MM && gap <= FARTHEST_MM && gap > -least / 2;
}
