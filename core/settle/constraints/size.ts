/** `touch/small`: both sides of a hit area reach the target. */
import { HIT, NUMBERS } from "../problem/scenarios";
import { ofControl, targetFor, type Constraint, type ConstraintContext } from "./constraint";

export function* sizeConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const placed of context.data.controls) {
    const target = targetFor(context, "touch/small", [placed.control.id]);
    for (const side of [2, 3]) {
      const at = placed.index * NUMBERS + HIT + side;
      yield ofControl(context, placed, "touch/small", { target, value: context.numbers[at] - target.measure, terms: [[at, 1]] });
    }
  }
}
