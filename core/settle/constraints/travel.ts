/** `feel/fine`, `feel/travel-cut`: the travel of sticks is long enough, and on the screen. */
import { centreOf } from "../../engine/geometry/point";
import { NUMBERS, TRAVEL } from "../problem/scenarios";
import { ofControl, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext, type Terms } from "./constraint";

export function* travelConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { screen } = context.data.scenario.frames;
  for (const placed of context.data.controls) {
    const { control } = placed;
    if (control.kind !== "stick") continue;
    const at = placed.index * NUMBERS + TRAVEL;
    const travel = context.numbers[at];
    const live = control.feel.outer - control.feel.inner;
    const fine = targetFor(context, "feel/fine", [control.id]);
    yield ofControl(context, placed, "feel/fine", { target: fine, value: live * travel - fine.measure, terms: [[at, live]] });
    if (control.feel.origin !== "fixed") continue;
    const target = targetFor(context, "feel/travel-cut", [control.id]);
    const { x, y } = centreOf(visualOf(context.numbers, placed));
    const v = visualPlace(placed);
    const sides: { readonly value: number; readonly terms: Terms }[] = [
      { value: x - travel - screen.x, terms: [[v, 1], [v + 2, 0.5], [at, -1]] }, // prettier-ignore
      { value: y - travel - screen.y, terms: [[v + 1, 1], [v + 3, 0.5], [at, -1]] }, // prettier-ignore
      { value: screen.x + screen.w - x - travel, terms: [[v, -1], [v + 2, -0.5], [at, -1]] }, // prettier-ignore
      { value: screen.y + screen.h - y - travel, terms: [[v + 1, -1], [v + 3, -0.5], [at, -1]] }, // prettier-ignore
    ];
    for (const { value, terms } of sides) yield ofControl(context, placed, "feel/travel-cut", { target, value: value + target.measure, terms });
  }
}
