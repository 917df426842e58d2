/** Rows and columns keep their order. */
import { NUMBERS, VISUAL } from "../problem/scenarios";
import { AS_IT_WAS, type Constraint, type ConstraintContext } from "./constraint";

/** The centre of a control (by its place) along an axis. */
export const centreAlong = (numbers: Float64Array, index: number, axis: 0 | 1): number =>
  numbers[index * NUMBERS + VISUAL + axis] + numbers[index * NUMBERS + VISUAL + axis + 2] / 2;

export function* orderConstraints({ data, numbers }: ConstraintContext): Iterable<Constraint> {
  const indexes = new Map(data.controls.map((placed) => [placed.control.id, placed.index]));
  for (const { along, ids } of data.lines) {
    const axis = along === "x" ? 0 : 1;
    const present = ids.flatMap((id) => (indexes.has(id) ? [{ id, index: indexes.get(id)! }] : []));
    present.sort((a, b) => centreAlong(data.origin, a.index, axis) - centreAlong(data.origin, b.index, axis));
    for (let i = 0; i + 1 < present.length; i += 1) {
      const [before, after] = [present[i], present[i + 1]];
      const [p, q] = [before.index * NUMBERS + VISUAL + axis, after.index * NUMBERS + VISUAL + axis];
      const value = centreAlong(numbers, after.index, axis) - centreAlong(numbers, before.index, axis);
      const terms = [[q, 1], [q + 2, 0.5], [p, -1], [p + 2, -0.5]] as const; // prettier-ignore
      yield { code: "held/line", subjects: [before.id, after.id], scenario: data.index, ...AS_IT_WAS, value, terms };
    }
  }
}
