/** `place/off-screen`, `place/unsafe`: pictures stay on the screen and in the safe frame. */
import { KINDS } from "../../engine/kinds";
import type { Box } from "../../engine/geometry/point";
import { ofControl, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext, type Terms } from "./constraint";

/** The distances by which a box is inside a frame at each side, with `slack` added. */
function insideFrame(box: Box, frame: Box, slack: number, at: number): { readonly value: number; readonly terms: Terms }[] {
  return [
    { value: box.x - frame.x + slack, terms: [[at, 1]] },
    { value: box.y - frame.y + slack, terms: [[at + 1, 1]] },
    { value: frame.x + frame.w - box.x - box.w + slack, terms: [[at, -1], [at + 2, -1]] }, // prettier-ignore
    { value: frame.y + frame.h - box.y - box.h + slack, terms: [[at + 1, -1], [at + 3, -1]] }, // prettier-ignore
  ];
}

export function* frameConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { frames } = context.data.scenario;
  for (const placed of context.data.controls) {
    const { id, kind } = placed.control;
    const box = visualOf(context.numbers, placed);
    const offScreen = targetFor(context, "place/off-screen", [id]);
    for (const side of insideFrame(box, frames.screen, offScreen.measure, visualPlace(placed)))
      yield ofControl(context, placed, "place/off-screen", { target: offScreen, ...side });
    if (KINDS[kind].isField) continue;
    const unsafe = targetFor(context, "place/unsafe", [id]);
    // The checks report a control off the screen only as that; back on the screen it has to be in the safe frame at once.
    const target = offScreen.requested ? offScreen : unsafe;
    for (const side of insideFrame(box, frames.safe, unsafe.measure, visualPlace(placed)))
      yield ofControl(context, placed, "place/unsafe", { target, ...side });
  }
}
