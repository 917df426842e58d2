/** How the ranges of arrangements lie on the axis of aspect ratios: which applies where, where several claim the same, where none does. */
import type { Arrangement } from "../format/types";

/** A stretch of the axis, from ≤ aspect < to. `ids`: the arrangements whose aspect range holds it, the one that applies first; none: the base. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly ids: readonly string[];
  /** Between two ranges, not before the first or after the last. */
  readonly gap: boolean;
  /** More than one arrangement claims it, and none of them asks for a size in addition. */
  readonly overlap: boolean;
}

/** The stretches of the axis between two aspect ratios, in order, none empty. Only aspects are judged; an arrangement without a range of aspects holds everywhere. */
export function stretches(arrangements: readonly Arrangement[], from: number, to: number): Stretch[] {
  const ends = arrangements.flatMap(({ when }) => [when.aspect?.min, when.aspect?.max]).filter((v): v is number => v !== undefined && v > from && v < to);
  const cuts = [from, ...[...new Set(ends)].sort((a, b) => a - b), to];
  const covering = (aspect: number) => arrangements.filter(({ when }) => (when.aspect?.min ?? -Infinity) <= aspect && aspect < (when.aspect?.max ?? Infinity));
  const plain = cuts.slice(0, -1).map((cut, i) => ({ from: cut, to: cuts[i + 1], covered: covering((cut + cuts[i + 1]) / 2) }));
  const first = plain.findIndex((s) => s.covered.length > 0);
  const last = plain.length - 1 - [...plain].reverse().findIndex((s) => s.covered.length > 0);
  return plain.map(({ covered, ...s }, i) => ({
    ...s,
    ids: covered.map((a) => a.id),
    gap: covered.length === 0 && first >= 0 && i > first && i < last,
    overlap: covered.filter((a) => !a.when.shortSideMm).length > 1,
  }));
}
