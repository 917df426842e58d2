/** `reach/far`: the nearest thumb reaches the centre of a control, or the nearest point of ground. */
import { clearance } from "../../engine/geometry/distance";
import { centreOf, magnitude, type Point } from "../../engine/geometry/point";
import type { Shape } from "../../engine/geometry/shape";
import type { PlacedControl } from "../problem/scenarioData";
import { areaOn, areaPlace, boxTerms, ofControl, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext, type Terms } from "./constraint";
import { gapContact } from "./contact";

const asShape = ({ x, y }: Point): Shape => ({ shape: "box", x, y, w: 0, h: 0 });

export function* reachConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const placed of context.data.controls) {
    const { distance, terms } = placed.underlay ? groundReach(context, placed) : centreReach(context, placed);
    if (distance <= 0 && !placed.underlay) continue;
    const target = targetFor(context, "reach/far", [placed.control.id]);
    yield ofControl(context, placed, "reach/far", { target, value: target.measure - distance, terms });
  }
}

/** Distance from the nearest thumb pivot, mm, and terms of its negative. */
interface Reach {
  readonly distance: number;
  readonly terms: Terms;
}

function nearest(pivots: readonly Point[], distanceTo: (pivot: Point) => number): Point {
  return pivots.reduce((best, pivot) => (distanceTo(pivot) < distanceTo(best) ? pivot : best));
}

function centreReach({ data, numbers }: ConstraintContext, placed: PlacedControl): Reach {
  const centre = centreOf(visualOf(numbers, placed));
  const distanceTo = ({ x, y }: Point) => magnitude(x - centre.x, y - centre.y);
  const pivot = nearest(data.pivots, distanceTo);
  const distance = distanceTo(pivot);
  if (distance <= 0) return { distance, terms: [] };
  const [nx, ny] = [(centre.x - pivot.x) / distance, (centre.y - pivot.y) / distance];
  return { distance, terms: boxTerms(visualPlace(placed), [-nx, -ny, -nx / 2, -ny / 2]) };
}

function groundReach({ data, numbers }: ConstraintContext, placed: PlacedControl): Reach {
  const area = areaOn(numbers, placed);
  const distanceTo = (pivot: Point) => Math.max(0, clearance(asShape(pivot), area).px);
  const pivot = nearest(data.pivots, distanceTo);
  const distance = distanceTo(pivot);
  if (distance <= 0) return { distance, terms: [] };
  const { b } = gapContact(asShape(pivot), area, 0);
  return { distance, terms: boxTerms(areaPlace(placed), b.map((n) => -n)) }; // prettier-ignore
}
