/**
 * Targets: how large each finding may be in each scenario. A requested finding has to go. Any other finding, and one that is accepted, may not
 * grow. A finding that the layout does not have may not appear.
 */
import { bareFindings } from "../../checks/check";
import { isWorse, SEVERITIES, type BareFinding, type FindingCode, type Severity } from "../../checks/finding";
import { SCREEN_SLACK_PX } from "../../engine/geometry/tolerances";
import type { Layout } from "../../format/types";
import { leavesNotes, type SettleRequest } from "../request";
import type { Scenario } from "./scenarios";

/** From which measure a finding has which severity: worst first; the last one is where it begins. In the unit of the finding. */
export type Thresholds = readonly { readonly severity: Severity; readonly measure: number }[];

/** The thresholds of section 3 of the model for a layout on a screen (`mm`: px per mm). Codes without a measure, or that no length changes, have none. */
export function thresholdsOf({ limits }: Pick<Layout, "limits">, mm: number): Partial<Record<FindingCode, Thresholds>> {
  const only = (severity: Severity, measure: number): Thresholds => [{ severity, measure }];
  const visible = SCREEN_SLACK_PX / mm;
  return {
    "place/off-screen": only("blocker", visible),
    "touch/overlap": [...only("blocker", 0.15), ...only("warning", 0.02)],
    "touch/buried": [...only("blocker", 0.5), ...only("warning", 0.15)],
    "touch/small": [...only("blocker", 0.75 * limits.minTargetMm), ...only("warning", limits.minTargetMm)],
    "place/unsafe": only("warning", visible),
    "touch/edge": only("warning", 0.02),
    "touch/steals": only("warning", 0.01),
    "feel/travel-cut": only("warning", visible),
    "feel/fine": only("warning", 2),
    "reach/far": [...only("warning", limits.stretchMm), ...only("note", limits.comfortMm)],
    "view/covered": only("warning", 0.01),
    "view/crowded": only("warning", limits.maxCover),
    "touch/close": only("note", limits.minGapMm),
    "land/gap": only("note", 0.02),
  };
}

/** Identifies a finding in a scenario, in any moment. */
export const findingKey = (code: FindingCode, subjects: readonly string[]): string => `${code} ${subjects.join(" ")}`;

/** The findings of every scenario by `findingKey`; of several moments the worst. */
export type FoundByScenario = readonly ReadonlyMap<string, BareFinding>[];

/** The findings of a layout in a scenario. */
export const findingsOn = (layout: Layout, { screen, player }: Scenario, moment: string | null): BareFinding[] =>
  bareFindings(layout, screen, { ...player, moment });

/** Findings by `findingKey`; of several with one key the worst. */
export function byKey(findings: readonly BareFinding[]): ReadonlyMap<string, BareFinding> {
  const found = new Map<string, BareFinding>();
  for (const one of findings) {
    const key = findingKey(one.code, one.subjects);
    const before = found.get(key);
    const rank = (f: BareFinding) => SEVERITIES.indexOf(f.severity);
    if (!before || rank(one) < rank(before) || (rank(one) === rank(before) && isWorse(one.code, one.measure, before.measure))) found.set(key, one);
  }
  return found;
}

/** Whether a finding is requested to go. */
export const isRequested = ({ codes, severities }: Pick<SettleRequest, "codes" | "severities">, finding: BareFinding): boolean =>
  finding.accepted === null && codes.includes(finding.code) && severities.includes(finding.severity);

/** How large a finding may be. */
export interface Target {
  readonly measure: number;
  /** Whether it is requested. */
  readonly requested: boolean;
  /** Whether it is there and stays: it may be exactly what it was, without a margin. */
  readonly kept: boolean;
}

/** How far each finding is relaxed, by `relaxedKey`: 0 not; 1 it stays, with a milder severity if possible; 2 it stays as it is. */
export type Relaxed = ReadonlyMap<string, number>;
export const relaxedKey = (scenario: number, finding: string): string => `${scenario} ${finding}`;

/** The target of a finding with thresholds. `found`: what the layout has in this scenario; undefined: nothing. */
export function targetOf(thresholds: Thresholds, found: BareFinding | undefined, request: SettleRequest, relaxed: number): Target {
  const guarded = leavesNotes(request) ? thresholds.filter(({ severity }) => severity !== "note") : thresholds;
  const least = (guarded[guarded.length - 1] ?? thresholds[thresholds.length - 1]).measure;
  const isFreeNote = found?.severity === "note" && leavesNotes(request) && guarded.length > 0;
  if (!found || isFreeNote) return { measure: least, requested: false, kept: false };
  const was = found.measure?.value ?? least;
  if (!isRequested(request, found)) return { measure: was, requested: false, kept: true };
  // The thresholds of requested severities that this finding exceeds, mildest last.
  const exceeded = thresholds.filter((t) => request.severities.includes(t.severity) && SEVERITIES.indexOf(t.severity) >= SEVERITIES.indexOf(found.severity));
  const threshold = exceeded[exceeded.length - 1 - relaxed];
  return threshold ? { measure: threshold.measure, requested: true, kept: false } : { measure: was, requested: false, kept: true };
}
