/** Rows, columns and equal gaps: exact ones stay exact, others stay within what counts as arranged. */
import { NUMBERS, VISUAL } from "../problem/scenarios";
import { ARRANGED_MM, gapDifference, offLine } from "../problem/relations";
import { AS_IT_WAS, type Constraint, type ConstraintContext, type Terms } from "./constraint";

/** A relation this near to exact was meant so, mm; */
const MEANT_EXACT_MM = 0.05;
/** and it is kept by this little, so that two opposite constraints are never a contradiction by rounding. */
const ROUNDING_MM = 0.001;

export function* rowConstraints({ request, data, numbers }: ConstraintContext): Iterable<Constraint> {
  const { rows, gaps } = data.relations;
  const { controls } = request.layout;
  const kept = function* (
    code: "held/row" | "held/gap",
    places: readonly number[],
    measure: (where: Float64Array) => number,
    terms: Terms,
  ): Iterable<Constraint> {
    const [now, was] = [measure(numbers), measure(data.origin)];
    if (Number.isNaN(now)) return;
    const about = { code, subjects: places.map((place) => controls[place].id), scenario: data.index, ...AS_IT_WAS };
    const [low, high] = Math.abs(was) <= MEANT_EXACT_MM ? [Math.min(0, was), Math.max(0, was)] : [-ARRANGED_MM, ARRANGED_MM];
    yield { ...about, value: now - low + ROUNDING_MM, terms };
    yield { ...about, value: high + ROUNDING_MM - now, terms: terms.map(([k, weight]) => [k, -weight] as const) };
  };
  for (const row of rows) {
    const [p, q] = row.pair.map((place) => place * NUMBERS + VISUAL + row.across);
    yield* kept("held/row", row.pair, (where) => offLine(where, row), [[q, 1], [q + 2, 0.5], [p, -1], [p + 2, -0.5]]); // prettier-ignore
  }
  for (const gap of gaps) {
    const [p, q, r] = gap.three.map((place) => place * NUMBERS + VISUAL + 1 - gap.across);
    yield* kept("held/gap", gap.three, (where) => gapDifference(where, gap), [[r, 1], [q, -2], [q + 2, -1], [p, 1], [p + 2, 1]]); // prettier-ignore
  }
}
