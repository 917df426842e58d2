/** `touch/steals`, `view/covered`: keep-clear zones stay free of touch areas and of pictures. */
import { KINDS } from "../../engine/kinds";
import { isWithin } from "../../engine/geometry/distance";
import type { Shape } from "../../engine/geometry/shape";
import { isShownWith, type PlacedControl, type PlacedZone } from "../problem/scenarioData";
import { areaOn, areaPlace, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext } from "./constraint";
import { directionIfConcentric, directionIn, directionOutOf, pairKey } from "./separation";
import { LOOK_MM, shareConstraint } from "./sharing";

export function* zoneConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { data, numbers, request } = context;
  for (const zone of data.zones)
    for (const placed of data.controls) {
      if (!isShownWith(request, placed.control, zone)) continue;
      if (zone.taps) yield* clearOfZone(context, "touch/steals", [placed, zone], { shape: areaOn(numbers, placed), at: areaPlace(placed) });
      if (!KINDS[placed.control.kind].isField)
        yield* clearOfZone(context, "view/covered", [placed, zone], { shape: visualOf(numbers, placed), at: visualPlace(placed) });
    }
}

function* clearOfZone(
  context: ConstraintContext,
  code: "touch/steals" | "view/covered",
  [{ control }, { id, box }]: readonly [PlacedControl, PlacedZone],
  { shape, at }: { readonly shape: Shape; readonly at: number },
): Iterable<Constraint> {
  if (!(box.w > 0 && box.h > 0) || !isWithin(shape, box, LOOK_MM)) return;
  const { data, separations } = context;
  const subjects = [control.id, id];
  const along =
    directionIn(data, separations.get(pairKey(control.id, id))) ??
    directionIfConcentric(shape, box) ??
    (isWithin(shape, box, 0) ? directionOutOf(shape, box, data.scenario.frames.safe) : undefined);
  yield* shareConstraint(context, { code, subjects, target: targetFor(context, code, subjects) }, { a: shape, b: box, of: "b", along, at: [at, null] });
}
