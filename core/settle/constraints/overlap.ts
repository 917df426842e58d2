/** `touch/overlap`, `touch/close`: touch areas of two controls that are shown together share little, or keep a gap. */
import type { FindingCode } from "../../checks/finding";
import { clearance, isWithin } from "../../engine/geometry/distance";
import { LENGTH_SLACK } from "../../engine/geometry/tolerances";
import type { PlacedControl } from "../problem/scenarioData";
import { findingKey } from "../problem/targets";
import { leavesNotes } from "../request";
import { areaOn, areaPlace, NOT_NEW, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext } from "./constraint";
import { depthContact, gapContact } from "./contact";
import { directionIfConcentric, directionIn, pairKey } from "./separation";
import { contactConstraint, LOOK_MM, shareConstraint } from "./sharing";

/** Areas that may share a little overlap by at least this depth, mm: if they only touched, they would be too close. */
const LEAST_DEPTH_MM = 0.02;

export function* overlapConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const [a, b] of context.data.pairs) {
    const [one, two] = [areaOn(context.numbers, a), areaOn(context.numbers, b)];
    if (one.w > 0 && one.h > 0 && two.w > 0 && two.h > 0 && isWithin(one, two, LOOK_MM)) yield* clearOf(context, a, b);
  }
}

function* clearOf(context: ConstraintContext, a: PlacedControl, b: PlacedControl): Iterable<Constraint> {
  const { data, numbers, separations } = context;
  const subjects = [a.control.id, b.control.id];
  const separation = separations.get(pairKey(a.control.id, b.control.id));
  const [one, two] = [areaOn(numbers, a), areaOn(numbers, b)];
  const along = directionIn(data, separation) ?? directionIfConcentric(one, two);
  // If notes may grow, no gap is needed: areas may be as near as no warning is found.
  const gap = a.underlay || leavesNotes(context.request) ? 0 : data.thresholds["touch/close"]![0].measure;
  const depth = a.underlay ? 0 : -clearance(areaOn(data.origin, a), areaOn(data.origin, b)).px;
  const overlapped = depth > LENGTH_SLACK;
  if (gap > 0 && (!overlapped || separation?.apart)) return yield* apart(context, [a, b], { gap, overlapped, along });
  const at = [areaPlace(a), areaPlace(b)] as const;
  const target = targetFor(context, "touch/overlap", subjects);
  yield* shareConstraint(context, { code: "touch/overlap", subjects, target }, { a: one, b: two, of: "smaller", along, at });
  if (gap > 0)
    yield* contactConstraint(context, { code: "touch/close", subjects, target: NOT_NEW }, depthContact(one, two, Math.min(LEAST_DEPTH_MM, depth / 2)), at);
}

/** Two areas with a gap: the one that is wanted, or the smaller one that they had. */
function* apart(
  context: ConstraintContext,
  [a, b]: readonly [PlacedControl, PlacedControl],
  { gap, overlapped, along }: { readonly gap: number; readonly overlapped: boolean; readonly along: Parameters<typeof gapContact>[3] },
): Iterable<Constraint> {
  const { data, numbers } = context;
  const subjects = [a.control.id, b.control.id];
  const isFound = (code: FindingCode) => data.found.has(findingKey(code, subjects));
  const close = targetFor(context, "touch/close", subjects);
  const target = overlapped ? { ...targetFor(context, "touch/overlap", subjects), measure: gap } : isFound("touch/close") ? close : { ...close, measure: gap };
  const subject = { code: overlapped ? "touch/overlap" : "touch/close", subjects, target } as const;
  const [one, two] = [areaOn(numbers, a), areaOn(numbers, b)];
  const areas = [areaPlace(a), areaPlace(b)] as const;
  const [seenOne, seenTwo] = [visualOf(numbers, a), visualOf(numbers, b)];
  // A gap between the pictures is as good as one between the areas: the larger one is kept.
  if (clearance(seenOne, seenTwo).px > Math.max(0, clearance(one, two).px)) {
    yield* contactConstraint(context, subject, gapContact(seenOne, seenTwo, target.measure, along), [visualPlace(a), visualPlace(b)]);
    yield* contactConstraint(context, { ...subject, code: "touch/overlap" }, gapContact(one, two, 0, along), areas);
  } else yield* contactConstraint(context, subject, gapContact(one, two, target.measure, along), areas);
}
