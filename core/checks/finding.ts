/** What a check says. */
import type { Fix } from "./fix";
import type { Say } from "./say";

export type Severity = "blocker" | "warning" | "note";
export const SEVERITIES: readonly Severity[] = ["blocker", "warning", "note"];

/** A measure and its unit: mm, a share (1 = the whole), or a ratio of contrast. */
export interface FindingMeasure {
  readonly value: number;
  readonly unit: "mm" | "share" | "ratio";
}

/** What holds, before it is known in which moments. `subjects`: ids of controls or zones, names of actions. */
interface FindingCore<Code> {
  readonly code: Code;
  readonly severity: Severity;
  readonly subjects: readonly string[];
  readonly measure: FindingMeasure | null;
}

/** What one check found. The text is computed only where it is wanted, with the fix that has been proved to work or null. */
export interface CheckResult extends FindingCore<FindingCode> {
  readonly text: (say: Say, fix: Fix | null) => string;
  /** A small move that should fix it, or null where none would; to be proved before it is offered. */
  readonly fix?: () => Fix | null;
}

/** A finding on one screen without its text. `moment` and `accepted` as in a finding. */
export interface BareFinding<Code extends FindingCode = FindingCode> extends FindingCore<Code> {
  readonly moment: string | null;
  readonly accepted: string | null;
}

/** A finding on one screen. `moment` null: in every moment, or not a matter of moments. `accepted`: the reason, where someone lives with it. */
export interface Finding<Code extends FindingCode = FindingCode> extends BareFinding<Code> {
  readonly text: string;
}

/** Every code, in the order in which findings of a severity are listed. */
export const FINDING_CODES = [
  "bind/unknown-action",
  "bind/kind-mismatch",
  "bind/unserved",
  "place/collapsed",
  "place/off-screen",
  "touch/overlap",
  "touch/buried",
  "touch/small",
  "place/unsafe",
  "touch/edge",
  "touch/steals",
  "feel/travel-cut",
  "feel/fine",
  "reach/far",
  "reach/one-thumb",
  "view/covered",
  "view/crowded",
  "bind/silent",
  "bind/any-touch",
  "touch/close",
  "land/gap",
  "bind/twice",
  "bind/unread",
  "look/faint",
  "look/overflow",
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];
/** Findings of these codes are the worse the less they measure: distances and sizes that are too small. */
const LESS_IS_WORSE: ReadonlySet<FindingCode> = new Set<FindingCode>(["touch/small", "touch/close", "feel/fine", "look/faint", "look/overflow"]);

/** Whether one measure of a finding is worse than another; what has none is no worse than anything. */
export function isWorse(code: FindingCode, measure: FindingMeasure | null, than: FindingMeasure | null): boolean {
  const more = (measure?.value ?? 0) - (than?.value ?? 0);
  return LESS_IS_WORSE.has(code) ? more < 0 : more > 0;
}
/** A length in mm as texts write it. */
export const mmText = (mm: number) => `${mm.toFixed(1)} mm`;
/** A share as texts write it. */
export const partText = (part: number) => `${Math.round(part * 100)} %`;

/** How many findings of each severity, accepted ones omitted. */
export type FindingTally = Readonly<Record<Severity, number>>;

/** Counts findings. */
export function tallyOf(findings: readonly { readonly severity: Severity; readonly accepted: string | null }[]): FindingTally {
  const tally = { blocker: 0, warning: 0, note: 0 };
  for (const { severity, accepted } of findings) if (accepted === null) tally[severity] += 1;
  return tally;
}
