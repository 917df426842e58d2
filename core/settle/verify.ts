/** Verification by the checks: which requested findings remain in a version of a layout, and what became worse. */
import { changesOf } from "../checks/findingChanges";
import { SEVERITIES, type BareFinding, type Severity } from "../checks/finding";
import type { Layout } from "../format/types";
import type { Scenario } from "./problem/scenarios";
import { findingsOn, isRequested } from "./problem/targets";
import { leavesNotes, type SettleRequest } from "./request";

/** A finding in a scenario (by its place). */
export interface ScenarioFinding {
  readonly scenario: number;
  readonly finding: BareFinding;
}

/** `remaining`: requested and still there. `worse`: new, or worse than before. */
export interface Verification {
  readonly remaining: readonly ScenarioFinding[];
  readonly worse: readonly ScenarioFinding[];
}

/** The findings of a layout, scenario by scenario. */
export const allFindings = (layout: Layout, scenarios: readonly Scenario[], moment: string | null): BareFinding[][] =>
  scenarios.map((scenario) => findingsOn(layout, scenario, moment));

/** The requested findings among some. */
export const requestedFindings = (request: SettleRequest, found: readonly (readonly BareFinding[])[]): ScenarioFinding[] =>
  found.flatMap((list, scenario) => list.flatMap((finding) => (isRequested(request, finding) ? [{ scenario, finding }] : [])));

/** Compares a version of a layout with the findings of the layout before. */
export function verify(request: SettleRequest, scenarios: readonly Scenario[], before: readonly (readonly BareFinding[])[], version: Layout): Verification {
  const after = allFindings(version, scenarios, request.moment);
  const isFree = leavesNotes(request);
  const worse = after.flatMap((list, scenario) =>
    changesOf(before[scenario], list).flatMap(({ kind, is }) =>
      is && (kind === "new" || kind === "worse") && !(is.severity === "note" && isFree) ? [{ scenario, finding: is }] : [],
    ),
  );
  return { remaining: requestedFindings(request, after), worse };
}

/** Whether fewer findings of the worst severity remain than in another version; of equally many, fewer of the next severity. */
export function leavesLess(remaining: readonly ScenarioFinding[], than: readonly ScenarioFinding[]): boolean {
  const count = (all: readonly ScenarioFinding[], severity: Severity) => all.filter(({ finding }) => finding.severity === severity).length;
  const differs = SEVERITIES.find((severity) => count(remaining, severity) !== count(than, severity));
  return differs !== undefined && count(remaining, differs) < count(than, differs);
}
