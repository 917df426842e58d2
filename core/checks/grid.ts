/**
 * All findings at one look: what is on the layout down, screens across, in each cell the worst finding of every face and moment. A face
 * is a screen for one hand and one player's size.
 */
import type { PlayerView } from "../engine/placement/resolve";
import type { Layout } from "../format/types";
import { FINDING_CODES, isWorse, SEVERITIES, type BareFinding, type FindingTally } from "./finding";

/** A hand and a player's size. */
export type PlayerCase = Pick<PlayerView, "handed" | "playerSize">;

/** The faces of a layout: right and left hand, smallest and largest player; one size where both are the same. */
export function facesOf({ playerSizes }: Pick<Layout, "playerSizes">): readonly PlayerCase[] {
  const sizes = [...new Set([playerSizes.min, playerSizes.max])];
  return (["right", "left"] as const).flatMap((handed) => sizes.map((playerSize) => ({ handed, playerSize })));
}

/** What was found on one screen, face by face. */
export interface JudgedScreen {
  readonly name: string;
  readonly faces: readonly (readonly BareFinding[])[];
}

/** A finding and on which face it was found (its place among the faces). */
export interface FaceFinding {
  readonly finding: BareFinding;
  readonly face: number;
}
export interface GridCell {
  /** The worst finding that nobody lives with; null where all of them are accepted. */
  readonly worst: FaceFinding | null;
  /** Findings by severity, of all faces and moments; the same on several faces counts once. */
  readonly tally: FindingTally;
  /** How many are accepted. */
  readonly accepted: number;
}
/** A row: a control or zone by its id, or (null) what is of none of them. */
export interface GridRow {
  readonly subject: string | null;
  /** A cell a screen, in their order; null where nothing was found, or the screen has not been judged yet. */
  readonly cells: readonly (GridCell | null)[];
  readonly sum: GridCell | null;
}
export interface Grid {
  readonly rows: readonly GridRow[];
  /** What each screen has in all. */
  readonly columns: readonly (GridCell | null)[];
}

/** Whether a finding is worse than another: by severity, then by the order of codes, then by its measure. */
export function isMoreSevere(a: BareFinding, b: BareFinding): boolean {
  const [s, t] = [SEVERITIES.indexOf(a.severity), SEVERITIES.indexOf(b.severity)];
  if (s !== t) return s < t;
  const [c, d] = [FINDING_CODES.indexOf(a.code), FINDING_CODES.indexOf(b.code)];
  return c !== d ? c < d : isWorse(a.code, a.measure, b.measure);
}

/** What reports findings of one screen apart, whatever the face. */
export const findingKey = ({ code, subjects, moment }: Pick<BareFinding, "code" | "subjects" | "moment">): string =>
  `${code}\n${subjects.join("\n")}\n\n${moment ?? ""}`;

/** The count of a screen without findings. */
export const NOTHING_FOUND: FindingTally = { blocker: 0, warning: 0, note: 0 };

/** The findings of each face, each with its face. */
export const facedFindings = (faces: readonly (readonly BareFinding[])[]): FaceFinding[] =>
  faces.flatMap((list, face) => list.map((finding): FaceFinding => ({ finding, face })));

/** Several findings as one cell; null for none. */
export function cellOf(found: readonly FaceFinding[]): GridCell | null {
  if (found.length === 0) return null;
  let worst: FaceFinding | null = null;
  const tally = { blocker: 0, warning: 0, note: 0 };
  let accepted = 0;
  const seen = new Set<string>();
  for (const one of found) {
    const { finding } = one;
    const key = `${finding.severity} ${findingKey(finding)}`;
    if (finding.accepted === null && (worst === null || isMoreSevere(finding, worst.finding))) worst = one;
    if (seen.has(key)) continue;
    seen.add(key);
    if (finding.accepted === null) tally[finding.severity] += 1;
    else accepted += 1;
  }
  return { worst, tally, accepted };
}

/** The rows that a finding is in: of each control and zone it is about, else of the layout. */
function rowsOf({ subjects }: BareFinding, known: ReadonlySet<string>): readonly (string | null)[] {
  const own = subjects.filter((s) => known.has(s));
  return own.length > 0 ? own : [null];
}

/** The grid of what was found. Controls and zones without a finding have their row, empty; the layout's row comes last. */
export function gridOf(layout: Pick<Layout, "controls" | "keepClear">, screens: readonly (JudgedScreen | null)[]): Grid {
  const subjects: readonly (string | null)[] = [...layout.controls.map((c) => c.id), ...layout.keepClear.map((z) => z.id), null];
  const known = new Set(subjects.filter((s): s is string => s !== null));
  const found = new Map<string | null, FaceFinding[][]>(subjects.map((s) => [s, screens.map(() => [])]));
  const columns = screens.map((screen, i) => {
    const all = facedFindings(screen?.faces ?? []);
    for (const one of all) for (const row of rowsOf(one.finding, known)) found.get(row)![i].push(one);
    return cellOf(all);
  });
  const rows = subjects.map((subject): GridRow => {
    const lists = found.get(subject)!;
    return { subject, cells: lists.map(cellOf), sum: sumOf(lists.map(cellOf)) };
  });
  return { rows, columns };
}

/** Cells of several screens as one: the worst of them, their numbers added up. */
export function sumOf(cells: readonly (GridCell | null)[]): GridCell | null {
  const there = cells.filter((cell): cell is GridCell => cell !== null);
  if (there.length === 0) return null;
  const worse = (a: FaceFinding | null, b: FaceFinding | null) => (a === null ? b : b === null || !isMoreSevere(b.finding, a.finding) ? a : b);
  return there.reduce((a, b) => ({
    worst: worse(a.worst, b.worst),
    tally: { blocker: a.tally.blocker + b.tally.blocker, warning: a.tally.warning + b.tally.warning, note: a.tally.note + b.tally.note },
    accepted: a.accepted + b.accepted,
  }));
}
