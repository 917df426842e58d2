/** What the checks say of a settled layout: what of that which was asked for remains, and what has come or grown that may not. */
import { changesOf } from "../checks/findingChanges";
import { SEVERITIES, type BareFinding, type Severity } from "../checks/finding";
import type { Layout } from "../format/types";
import { findingsOn, isAskedFor } from "./aims";
import type { Scenario } from "./scenarios";
import { leavesNotes, type SettleRequest } from "./request";

/** A finding, and the face (by its place) that it is on. */
export interface FaceFound {
  readonly face: number;
  readonly finding: BareFinding;
}

/** `left`: asked for and still there. `worse`: new, or worse than it was. */
export interface Outcome {
  readonly left: readonly FaceFound[];
  readonly worse: readonly FaceFound[];
}

/** What is found of a layout, face by face. */
export const allFindings = (layout: Layout, faces: readonly Scenario[], moment: string | null): BareFinding[][] =>
  faces.map((face) => findingsOn(layout, face, moment));

/** The findings that are asked for. */
export const askedFor = (request: SettleRequest, found: readonly (readonly BareFinding[])[]): FaceFound[] =>
  found.flatMap((list, face) => list.flatMap((finding) => (isAskedFor(request, finding) ? [{ face, finding }] : [])));

/** Holds a version of a layout against what was found of the layout before. */
export function outcomeOf(request: SettleRequest, faces: readonly Scenario[], before: readonly (readonly BareFinding[])[], version: Layout): Outcome {
  const after = allFindings(version, faces, request.moment);
  const isFree = leavesNotes(request);
  const worse = after.flatMap((list, face) =>
    changesOf(before[face], list).flatMap(({ kind, is }) =>
      is && (kind === "new" || kind === "worse") && !(is.severity === "note" && isFree) ? [{ face, finding: is }] : [],
    ),
  );
  return { left: askedFor(request, after), worse };
}

/** Whether one leaves less behind than another: fewer findings of the worst severity, of as many fewer of the next. */
export function isFurther(left: readonly FaceFound[], than: readonly FaceFound[]): boolean {
  const count = (all: readonly FaceFound[], severity: Severity) => all.filter(({ finding }) => finding.severity === severity).length;
  const differs = SEVERITIES.find((severity) => count(left, severity) !== count(than, severity));
  return differs !== undefined && count(left, differs) < count(than, differs);
}
