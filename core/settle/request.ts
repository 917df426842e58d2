/** The request to Settle: which findings to remove on which screens for which players, and what may change. */
import { FINDING_CODES, type FindingCode, type Severity } from "../checks/finding";
import type { PlayerCase } from "../checks/grid";
import { nearestWord } from "../engine/nearest";
import { ok, type Result } from "../engine/result";
import type { Layout, Screen } from "../format/types";

/**
 * What may change: positions; sizes; hit areas (sides and shift); landing areas; the
 * travel of sticks; the drawing order; misspelled action names.
 */
export const CHANGEABLES = ["place", "size", "hit", "landing", "travel", "order", "word"] as const;
export type Changeable = (typeof CHANGEABLES)[number];
/** What may change by default: everything except names. */
export const USUALLY_CHANGEABLE: readonly Changeable[] = CHANGEABLES.filter((kind) => kind !== "word");

/** A request. */
export interface SettleRequest {
  readonly layout: Layout;
  /** One or more, in any order. */
  readonly screens: readonly Screen[];
  /** One or more players: each screen is checked for each of them. */
  readonly faces: readonly PlayerCase[];
  /** The moment that is checked; null: all moments. */
  readonly moment: string | null;
  /** The codes of the findings to remove, */
  readonly codes: readonly FindingCode[];
  /** and their severities. */
  readonly severities: readonly Severity[];
  /** Whether new and worse notes are allowed, if none of them is to be removed. Nothing else may become worse. */
  readonly notesMayGrow: boolean;
  /** What may change. */
  readonly changeable: readonly Changeable[];
  /** Ids of controls and clusters that may not change at all, in addition to `workbench.locked`. */
  readonly held: readonly string[];
  /** How far each variable may change to reduce misses after the findings, mm; 0: misses are not reduced. */
  readonly missMm: number;
  /** The weight of a control's change in the cost, by id, above 0; default 1. */
  readonly weights: Readonly<Record<string, number>>;
}

const isSettled = (code: FindingCode) => /^(?:place|touch|feel)\//.test(code) || code === "view/covered" || code === "reach/far";
/** Whether a request allows new and worse notes. */
export const leavesNotes = ({ notesMayGrow, severities }: Pick<SettleRequest, "notesMayGrow" | "severities">): boolean =>
  notesMayGrow && !severities.includes("note");

/** The largest `missMm`. */
export const MOST_MISS_MM = 20;
/** The codes that a change of positions and sizes can remove; requested by default. */
export const SETTLED_CODES: readonly FindingCode[] = FINDING_CODES.filter(isSettled);

/** Reads a list of codes, separated by commas; each is a code or a family such as `touch/*`. */
export function readCodes(text: string): Result<readonly FindingCode[]> {
  const words = text.split(",").map((word) => word.trim());
  const problems = words.flatMap((word, i) => (matching(word).length > 0 ? [] : [{ path: `codes[${i}]`, message: strange(word) }]));
  if (problems.length > 0) return { ok: false, problems };
  const wanted = new Set(words.flatMap(matching));
  return ok(FINDING_CODES.filter((code) => wanted.has(code)));
}

/** Reads a list of what may change, separated by commas. */
export function readChangeables(text: string): Result<readonly Changeable[]> {
  const words = text.split(",").map((word) => word.trim());
  const isKnown = (word: string) => CHANGEABLES.some((kind) => kind === word);
  const problems = words.flatMap((word, i) =>
    isKnown(word) ? [] : [{ path: `change[${i}]`, message: `"${word.slice(0, 80)}" is nothing that may change; write some of ${CHANGEABLES.join(", ")}` }],
  );
  return problems.length > 0 ? { ok: false, problems } : ok(CHANGEABLES.filter((kind) => words.includes(kind)));
}

function matching(word: string): readonly FindingCode[] {
  return FINDING_CODES.filter((code) => code === word || (word.endsWith("/*") && code.startsWith(word.slice(0, -1))) || word === "*");
}

function strange(word: string): string {
  const near = nearestWord(word, FINDING_CODES);
  return `"${word.slice(0, 80)}" is no code of a finding${near === null ? "" : `; did you mean "${near}"`}; write codes such as touch/overlap, or families such as touch/*`;
}
