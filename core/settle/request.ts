/** What Settle is asked: on which screens and faces which findings are to go, and what may not change for it. */
import { FINDING_CODES, type FindingCode, type Severity } from "../checks/finding";
import type { PlayerCase } from "../checks/grid";
import { nearestWord } from "../engine/nearest";
import { ok, type Result } from "../engine/result";
import type { Layout, Screen } from "../format/types";

/**
 * What may change: where things are; how large they are; hit areas, their sides and where they lie about their pictures; landing areas; the
 * travel of sticks; the drawing order; words of wires that are misspelt.
 */
export const CHANGEABLES = ["place", "size", "hit", "landing", "travel", "order", "word"] as const;
export type Changeable = (typeof CHANGEABLES)[number];
/** What may change by default: all that is on the glass, no word. */
export const USUALLY_CHANGEABLE: readonly Changeable[] = CHANGEABLES.filter((kind) => kind !== "word");

/** What is to be settled. */
export interface SettleRequest {
  readonly layout: Layout;
  /** One or more; their order is of no consequence. */
  readonly screens: readonly Screen[];
  /** One or more: each screen is judged for each of these hands and sizes. */
  readonly faces: readonly PlayerCase[];
  /** The moment that alone is judged; null: every moment of the layout. */
  readonly moment: string | null;
  /** Findings of these codes are to go, */
  readonly codes: readonly FindingCode[];
  /** where they are of one of these severities. */
  readonly severities: readonly Severity[];
  /** Whether notes may come and grow, where none of them must be fixed: nothing else may become worse. */
  readonly notesMayGrow: boolean;
  /** What may change of all else. */
  readonly changeable: readonly Changeable[];
  /** Ids of controls and clusters of which nothing at all may change, in addition to what `workbench.locked` names. */
  readonly held: readonly string[];
  /** Once nothing more can be taken away, so far things may go and grow, mm, for touches to be missed less; 0: this is not asked. */
  readonly missMm: number;
  /** What a change of a control costs, by id, above 0; 1 where nothing is reported. */
  readonly weights: Readonly<Record<string, number>>;
}

const isSettled = (code: FindingCode) => /^(?:place|touch|feel)\//.test(code) || code === "view/covered" || code === "reach/far";
/** Whether a request leaves notes free. */
export const leavesNotes = ({ notesMayGrow, severities }: Pick<SettleRequest, "notesMayGrow" | "severities">): boolean =>
  notesMayGrow && !severities.includes("note");

/** Nothing may go farther than this to be missed less, mm. */
export const MOST_MISS_MM = 20;
/** The codes that a change of places and sizes can answer for; asked for by default. */
export const SETTLED_CODES: readonly FindingCode[] = FINDING_CODES.filter(isSettled);

/** Reads codes as a caller writes them: comma by comma, each a code or a family such as `touch/*`. */
export function readCodes(text: string): Result<readonly FindingCode[]> {
  const words = text.split(",").map((word) => word.trim());
  const problems = words.flatMap((word, i) => (matching(word).length > 0 ? [] : [{ path: `codes[${i}]`, message: strange(word) }]));
  if (problems.length > 0) return { ok: false, problems };
  const wanted = new Set(words.flatMap(matching));
  return ok(FINDING_CODES.filter((code) => wanted.has(code)));
}

/** Reads what may change as a caller writes it, comma by comma. */
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
