/**
 * What has changed in what is found: two versions of a layout judged on the same screen, held against each other. A finding is the same where
 * its code and its subjects are; one without a moment represents all of them. What somebody lives with counts as not found.
 */
import { isWorse, SEVERITIES, type BareFinding, type FindingMeasure } from "./finding";
import type { JudgedScreen } from "./grid";

export const CHANGE_KINDS = ["new", "worse", "better", "resolved"] as const;
/** new and gone: it is in one version alone · worse, better: in both, with another severity, measure, or number of moments. */
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** `was` is null where it is new, `is` where it is gone. */
export interface FindingChange {
  readonly kind: ChangeKind;
  readonly was: BareFinding | null;
  readonly is: BareFinding | null;
}

/** Measures nearer than this are the same as texts write them: tenths of mm and of ratios, per cent of shares. */
const SAME: Readonly<Record<FindingMeasure["unit"], number>> = { mm: 0.05, share: 0.005, ratio: 0.05 };

const keyOf = ({ code, subjects }: BareFinding) => JSON.stringify([code, subjects]);

/** Findings by what they are about, those that somebody lives with omitted. */
export type FindingsByKey = ReadonlyMap<string, readonly BareFinding[]>;

/** What is new, worse or better among findings, against others; what is gone is not told. */
export function changesAgainst(before: FindingsByKey, after: FindingsByKey): FindingChange[] {
  const changes: FindingChange[] = [];
  for (const [key, now] of after) for (const finding of now) changes.push(...changeOf(before.get(key) ?? [], now, finding));
  return changes;
}

/** What became of the findings of one screen for one player, in the order of the newer ones, what is gone last. */
export function changesOf(was: readonly BareFinding[], is: readonly BareFinding[]): FindingChange[] {
  const [before, after] = [findingsByKey(was), findingsByKey(is)];
  const changes = changesAgainst(before, after);
  for (const [key, then] of before)
    for (const finding of then) if (!(after.get(key) ?? []).some((one) => meets(one, finding))) changes.push({ kind: "resolved", was: finding, is: null });
  return changes;
}

/** Puts findings in order by what they are about. */
export function findingsByKey(findings: readonly BareFinding[]): Map<string, BareFinding[]> {
  const found = new Map<string, BareFinding[]>();
  for (const finding of findings) {
    if (finding.accepted !== null) continue;
    const key = keyOf(finding);
    const list = found.get(key);
    if (list) list.push(finding);
    else found.set(key, [finding]);
  }
  return found;
}

/** Whether two findings of a key are in a common moment. */
const meets = (a: BareFinding, b: BareFinding) => a.moment === null || b.moment === null || a.moment === b.moment;

function changeOf(then: readonly BareFinding[], now: readonly BareFinding[], is: BareFinding): FindingChange[] {
  const met = then.filter((one) => meets(one, is));
  if (met.length === 0) return [{ kind: "new", was: null, is }];
  const was = met.reduce((a, b) => (rank(b) < rank(a) || (rank(b) === rank(a) && isWorse(b.code, b.measure, a.measure)) ? b : a));
  if (rank(was) !== rank(is)) return [{ kind: rank(is) < rank(was) ? "worse" : "better", was, is }];
  const apart = Math.abs((is.measure?.value ?? 0) - (was.measure?.value ?? 0));
  if (is.measure && apart > SAME[is.measure.unit]) return [{ kind: isWorse(is.code, is.measure, was.measure) ? "worse" : "better", was, is }];
  // As grave as it was, in more moments than before, or in fewer; of several the first reports it.
  if (is.moment === null && was.moment !== null) return [{ kind: "worse", was, is }];
  if (is.moment !== null && was.moment === null && now[0] === is) return [{ kind: "better", was, is }];
  return [];
}

const rank = ({ severity }: BareFinding) => SEVERITIES.indexOf(severity);

/** How many findings of a screen or a control changed which way. */
export type ChangeTally = Readonly<Record<ChangeKind, number>>;
const NO_CHANGES: ChangeTally = { new: 0, worse: 0, better: 0, resolved: 0 };

/** A change and on which face of its screen it was found. */
export interface FaceChange {
  readonly change: FindingChange;
  readonly face: number;
}

/** All that changed on a screen, the same on several faces once: with the first of them. */
export function screenChanges(was: JudgedScreen, is: JudgedScreen): FaceChange[] {
  const seen = new Set<string>();
  return is.faces.flatMap((list, face) =>
    changesOf(was.faces[face] ?? [], list).flatMap((change) => {
      const of = (change.is ?? change.was)!;
      const key = `${change.kind} ${keyOf(of)} ${of.moment ?? ""}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [{ change, face }];
    }),
  );
}

/** Counts changes. */
export function changeTally(changes: readonly FaceChange[]): ChangeTally {
  const tally = { ...NO_CHANGES };
  for (const { change } of changes) tally[change.kind] += 1;
  return tally;
}
