/** Controls stay on the side of their thumb; buttons that one thumb presses together stay as near. */
import { clearance } from "../../engine/geometry/distance";
import { areaOn, areaPlace, AS_IT_WAS, ofControl, visualPlace, type Constraint, type ConstraintContext } from "./constraint";
import { depthContact } from "./contact";
import { centreAlong } from "./order";
import { contactConstraint } from "./sharing";

/** One thumb presses two buttons at once if they are at most this far apart, mm (section 3 of the model). */
const ONE_THUMB_GAP_MM = 3;

export function* thumbConstraints(context: ConstraintContext): Iterable<Constraint> {
  if (context.data.pivots.length === 2) yield* onTheirSide(context);
  if (context.data.togetherIds.size > 0) yield* asNear(context);
}

function* onTheirSide(context: ConstraintContext): Iterable<Constraint> {
  const { data, numbers } = context;
  const border = (data.pivots[0].x + data.pivots[1].x) / 2;
  for (const placed of data.controls) {
    const at = visualPlace(placed);
    // In the middle of the screen a picture has no thumb yet, unless it is used together with another control.
    const isBetween = data.origin[at] < border && data.origin[at] + data.origin[at + 2] > border;
    if (isBetween && !data.togetherIds.has(placed.control.id)) continue;
    const side = centreAlong(data.origin, placed.index, 0) <= border ? -1 : 1;
    const terms = [[at, side], [at + 2, side / 2]] as const; // prettier-ignore
    yield ofControl(context, placed, "held/thumb", { target: AS_IT_WAS, value: side * (centreAlong(numbers, placed.index, 0) - border), terms });
  }
}

function* asNear(context: ConstraintContext): Iterable<Constraint> {
  const { data, numbers } = context;
  for (const [a, b] of data.pairs) {
    if (!data.togetherIds.has(a.control.id) || !data.togetherIds.has(b.control.id) || a.control.kind !== "button" || b.control.kind !== "button") continue;
    if (!a.control.feel.slideIn && !b.control.feel.slideIn) continue;
    if (clearance(areaOn(data.origin, a), areaOn(data.origin, b)).px > ONE_THUMB_GAP_MM) continue;
    const near = depthContact(areaOn(numbers, a), areaOn(numbers, b), -ONE_THUMB_GAP_MM);
    yield* contactConstraint(context, { code: "held/thumb", subjects: [a.control.id, b.control.id], target: AS_IT_WAS }, near, [areaPlace(a), areaPlace(b)]);
  }
}
