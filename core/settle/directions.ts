/** Other directions in which a pair may be separated than the one the solver takes by itself. */
import { isFixedRelation } from "./constraints/constraint";
import { pairKey, type Separation } from "./constraints/separation";
import type { Scenario } from "./problem/scenarios";
import type { Iterate } from "./solve";

/** A separation to try; `key` identifies it. */
export interface PairSeparation {
  readonly key: string;
  readonly pair: string;
  readonly separation: Separation;
}

/** The separations of active pairs to try, most active pairs first. */
export function otherSeparations({ active }: Pick<Iterate, "active">, scenarios: readonly Scenario[]): PairSeparation[] {
  const pairs = new Map<string, { weight: number; along: { x: number; y: number }; overlap: boolean }>();
  for (const { constraint, multiplier } of active) {
    if (constraint.subjects.length !== 2 || isFixedRelation(constraint.code)) continue;
    const pair = pairKey(constraint.subjects[0], constraint.subjects[1]);
    const known = pairs.get(pair) ?? { weight: 0, along: { x: 0, y: 0 }, overlap: false };
    pairs.set(pair, known);
    known.weight += multiplier;
    // The first two terms belong to the position of the first shape: they point away from the second.
    const turn = scenarios[constraint.scenario].mirrored ? -1 : 1;
    known.along = { x: known.along.x - turn * constraint.terms[0][1] * multiplier, y: known.along.y - constraint.terms[1][1] * multiplier };
    known.overlap ||= constraint.code === "touch/overlap";
  }
  return [...pairs]
    .sort(([, a], [, b]) => b.weight - a.weight)
    .flatMap(([pair, { along, overlap }]) => {
      const length = Math.hypot(along.x, along.y) || 1;
      const others = DIRECTIONS.filter(({ x, y }) => (x * along.x + y * along.y) / length < DIFFERENT);
      const separations: Separation[] = [...others.map((one) => ({ along: one, apart: false })), ...(overlap ? [{ along: null, apart: true }] : [])];
      return separations.map((separation) => ({ key: `${pair} ${separation.along?.x} ${separation.along?.y} ${separation.apart}`, pair, separation }));
    });
}

/** A direction whose cosine with the present one is below this is another one. */
const DIFFERENT = 0.6;
const DIRECTIONS = [
  { x: 0, y: -1 },
  { x: 0, y: 1 },
  { x: -1, y: 0 },
  { x: 1, y: 0 },
] as const;
