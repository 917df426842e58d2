/** All families of constraints, one file each. */
import type { Constraint, ConstraintContext, ConstraintFamily } from "./constraint";
import { buriedConstraints } from "./buried";
import { edgeConstraints } from "./edges";
import { frameConstraints } from "./frames";
import { orderConstraints } from "./order";
import { overlapConstraints } from "./overlap";
import { pictureConstraints } from "./picture";
import { reachConstraints } from "./reach";
import { rowConstraints } from "./rows";
import { sizeConstraints } from "./size";
import { thumbConstraints } from "./thumbs";
import { travelConstraints } from "./travel";
import { wordConstraints } from "./words";
import { zoneConstraints } from "./zones";

/** Families about one control at a time. */
const OF_ONE_CONTROL: readonly ConstraintFamily[] = [
  frameConstraints,
  sizeConstraints,
  reachConstraints,
  travelConstraints,
  edgeConstraints,
  pictureConstraints,
  wordConstraints,
];
/** Families about two controls, or a control and a zone. */
const OF_PAIRS: readonly ConstraintFamily[] = [overlapConstraints, buriedConstraints, zoneConstraints, orderConstraints, rowConstraints, thumbConstraints];

/** The constraints of each control by itself. */
export function* controlConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const family of OF_ONE_CONTROL) yield* family(context);
}

/** The constraints of pairs. */
export function* pairConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const family of OF_PAIRS) yield* family(context);
}
