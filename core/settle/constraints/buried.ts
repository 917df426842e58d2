/** `touch/buried`: a control under ground that is drawn above it keeps most of its touches. */
import { isWithin } from "../../engine/geometry/distance";
import { isShownWith } from "../problem/scenarioData";
import { areaOn, areaPlace, targetFor, type Constraint, type ConstraintContext } from "./constraint";
import { LOOK_MM, shareConstraint } from "./sharing";

export function* buriedConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { data, numbers, request } = context;
  for (const under of data.controls) {
    if (!under.ownsTouches || under.underlay) continue;
    const area = areaOn(numbers, under);
    for (const above of data.controls) {
      if (!above.ownsTouches || !above.underlay || above.index < under.index) continue;
      const cover = areaOn(numbers, above);
      if (!isShownWith(request, under.control, above.control) || !isWithin(area, cover, LOOK_MM)) continue;
      const subjects = [under.control.id];
      const subject = { code: "touch/buried", subjects, target: targetFor(context, "touch/buried", subjects) } as const;
      yield* shareConstraint(context, subject, { a: area, b: cover, of: "a", at: [areaPlace(under), areaPlace(above)] });
    }
  }
}
