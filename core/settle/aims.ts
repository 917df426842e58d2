/**
 * How far each finding may go, on each face: away where it is asked for, and nowhere further than it was. A finding that the layout did not have
 * may not come; one that is not asked for (or that somebody lives with) may not grow.
 */
import { bareFindings } from "../checks/check";
import { isWorse, SEVERITIES, type BareFinding, type FindingCode, type Severity } from "../checks/finding";
import { SCREEN_SLACK_PX } from "../engine/geometry/tolerances";
import type { Layout } from "../format/types";
import type { Scenario } from "./scenarios";
import { leavesNotes, type SettleRequest } from "./request";

/** What a finding of a code may measure before it is of a severity: worst first; the last is where it begins at all. In its own unit. */
export type Thresholds = readonly { readonly severity: Severity; readonly measure: number }[];

/** The thresholds of section 3 of the model, for a layout on a screen (`mm`: px a mm). Codes without a measure, or that no place decides, have none. */
export function thresholdsOf({ limits }: Pick<Layout, "limits">, mm: number): Partial<Record<FindingCode, Thresholds>> {
  const only = (severity: Severity, measure: number): Thresholds => [{ severity, measure }];
  const seen = SCREEN_SLACK_PX / mm;
  return {
    "place/off-screen": only("blocker", seen),
    "touch/overlap": [...only("blocker", 0.15), ...only("warning", 0.02)],
    "touch/buried": [...only("blocker", 0.5), ...only("warning", 0.15)],
    "touch/small": [...only("blocker", 0.75 * limits.minTargetMm), ...only("warning", limits.minTargetMm)],
    "place/unsafe": only("warning", seen),
    "touch/edge": only("warning", 0.02),
    "touch/steals": only("warning", 0.01),
    "feel/travel-cut": only("warning", seen),
    "feel/fine": only("warning", 2),
    "reach/far": [...only("warning", limits.stretchMm), ...only("note", limits.comfortMm)],
    "view/covered": only("warning", 0.01),
    "view/crowded": only("warning", limits.maxCover),
    "touch/close": only("note", limits.minGapMm),
    "land/gap": only("note", 0.02),
  };
}

/** A finding on a face, whatever the moment. */
export const findingWord = (code: FindingCode, subjects: readonly string[]): string => `${code} ${subjects.join(" ")}`;

/** What is found on every face of a layout, by code and subjects: of several moments the worst. */
export type FoundOnFaces = readonly ReadonlyMap<string, BareFinding>[];

/** What is found of a layout on a face. */
export const findingsOn = (layout: Layout, { screen, face }: Scenario, moment: string | null): BareFinding[] =>
  bareFindings(layout, screen, { ...face, moment });

/** The findings of every face by code and subjects. */
export function byWord(findings: readonly BareFinding[]): ReadonlyMap<string, BareFinding> {
  const found = new Map<string, BareFinding>();
  for (const one of findings) {
    const word = findingWord(one.code, one.subjects);
    const before = found.get(word);
    const rank = (f: BareFinding) => SEVERITIES.indexOf(f.severity);
    if (!before || rank(one) < rank(before) || (rank(one) === rank(before) && isWorse(one.code, one.measure, before.measure))) found.set(word, one);
  }
  return found;
}

/** Whether a finding is one of those that are to go. */
export const isAskedFor = ({ codes, severities }: Pick<SettleRequest, "codes" | "severities">, finding: BareFinding): boolean =>
  finding.accepted === null && codes.includes(finding.code) && severities.includes(finding.severity);

/** How far a finding may go on a face. `wanted`: whether it is yet to be brought there. */
export interface ConstraintTarget {
  readonly measure: number;
  readonly wanted: boolean;
  /** Whether it is there and stays: it may be all that it was, and no spare is asked for. */
  readonly kept: boolean;
}

/** How much has been given up of what was asked for, by face and finding: 0 nothing; 1 that it goes, where it may still become less grave; 2 that too. */
export type Relaxed = ReadonlyMap<string, number>;
export const waivedKey = (face: number, word: string): string => `${face} ${word}`;

/** The aim for a finding of a code with thresholds, of which the layout had `found` on this face (undefined: nothing). */
export function aimOf(thresholds: Thresholds, found: BareFinding | undefined, request: SettleRequest, waived: number): ConstraintTarget {
  const grave = leavesNotes(request) ? thresholds.filter(({ severity }) => severity !== "note") : thresholds;
  const least = (grave[grave.length - 1] ?? thresholds[thresholds.length - 1]).measure;
  const isFree = found?.severity === "note" && leavesNotes(request) && grave.length > 0;
  if (!found || isFree) return { measure: least, wanted: false, kept: false };
  const was = found.measure?.value ?? least;
  if (!isAskedFor(request, found)) return { measure: was, wanted: false, kept: true };
  // The thresholds of severities asked for that this finding is beyond, mildest first.
  const reached = thresholds.filter((t) => request.severities.includes(t.severity) && SEVERITIES.indexOf(t.severity) >= SEVERITIES.indexOf(found.severity));
  const aim = reached[reached.length - 1 - waived];
  return aim ? { measure: aim.measure, wanted: true, kept: false } : { measure: was, wanted: false, kept: true };
}
