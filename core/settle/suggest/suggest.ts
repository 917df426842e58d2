/** Suggestions: what would help where a finding remains, and what it costs. Each can be requested (requestFor.ts). */
import { counted } from "../../derived/counted";
import type { FindingCode } from "../../checks/finding";
import type { Screen } from "../../format/types";
import type { Problem } from "../problem/problem";
import { findingKey, type Relaxed } from "../problem/targets";
import type { SettleRequest } from "../request";
import type { ScenarioFinding } from "../verify";

/** A suggestion in words, and its cost, mm²; null if that was not computed. */
export type Suggestion = { readonly text: string; readonly costMm2: number | null } & (
  | { readonly kind: "smaller-targets"; readonly minTargetMm: number }
  /** New and worse notes are allowed. */
  | { readonly kind: "notes" }
  /** An arrangement for these screens, by their names. */
  | { readonly kind: "arrangement"; readonly screens: readonly string[] }
  /** The first control is shown only when the second is not. */
  | { readonly kind: "one-less"; readonly ids: readonly [string, string] }
  /** These findings are accepted, with a reason. */
  | { readonly kind: "accept"; readonly findings: readonly AcceptedFinding[]; readonly reason: string }
);

/** A finding to accept. */
export interface AcceptedFinding {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
}

/** What remains of a request. `again`: settles another request. */
export interface Unresolved {
  readonly problem: Problem;
  readonly relaxed: Relaxed;
  readonly remaining: readonly ScenarioFinding[];
  readonly again: (request: SettleRequest) => { readonly remaining: readonly ScenarioFinding[]; readonly cost: number };
}

/** A finding that remains. */
interface Remaining {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
}

/** Costs are computed for at most this many screens; the cost of an arrangement for more of them. */
const MOST_COMPUTED = 4;
const MOST_ARRANGED = 12;
/** Smaller targets to try, mm. */
const TARGETS_MM = [8, 7, 6];

/** Whether a finding remains in any scenario. */
const remains = (remaining: readonly ScenarioFinding[], { code, subjects }: Remaining): boolean =>
  remaining.some(({ finding }) => findingKey(finding.code, finding.subjects) === findingKey(code, subjects));

/** Suggestions for a finding in all its scenarios. `worst`: where it is worst. */
export function suggestionsFor(unresolved: Unresolved, group: readonly ScenarioFinding[], worst: ScenarioFinding): Suggestion[] {
  const { data } = unresolved.problem;
  const screens = [...new Set(group.map(({ scenario }) => data[scenario].scenario.screen))];
  const arrangement = arrangementFor(unresolved, worst.finding, { screens, worst: data[worst.scenario].scenario.screen });
  const targets = smallerTargets(unresolved, worst.finding, screens);
  return [...arrangement, ...targets, ...oneLess(unresolved, worst.finding.subjects, screens)];
}

/** An arrangement for the screens of a finding; if that does not help, for the worst of them. */
function arrangementFor(
  { problem: { request }, again }: Unresolved,
  finding: Remaining,
  { screens, worst }: { readonly screens: readonly Screen[]; readonly worst: Screen },
): Suggestion[] {
  if (screens.length > MOST_ARRANGED && screens.length < request.screens.length) {
    const names = screens.map(({ name }) => name);
    return [{ kind: "arrangement", screens: names, text: `an arrangement for ${names.join("; ")}`, costMm2: null }];
  }
  const choices = [...(screens.length < request.screens.length ? [screens] : []), ...(screens.length > 1 ? [[worst]] : [])];
  for (const these of request.screens.length > 1 ? choices : []) {
    const own = again({ ...request, screens: these });
    if (remains(own.remaining, finding)) continue;
    const names = these.map(({ name }) => name);
    const text = `an arrangement for ${names.join("; ")}: fixed there with ${own.cost.toFixed(2)} mm² of change`;
    return [{ kind: "arrangement", screens: names, text, costMm2: own.cost }];
  }
  return [];
}

/** The largest smaller target with which a finding goes. */
function smallerTargets({ problem: { request }, again }: Unresolved, finding: Remaining, screens: readonly Screen[]): Suggestion[] {
  if (screens.length > MOST_COMPUTED || (finding.code !== "touch/small" && finding.code !== "touch/overlap")) return [];
  const { layout } = request;
  for (const minTargetMm of TARGETS_MM.filter((one) => one < layout.limits.minTargetMm)) {
    const smaller = again({ ...request, screens, layout: { ...layout, limits: { ...layout.limits, minTargetMm } } });
    if (remains(smaller.remaining, finding)) continue;
    const names = screens.map(({ name }) => name).join("; ");
    const text = `targets of ${minTargetMm} mm: fixed on ${names} with ${smaller.cost.toFixed(2)} mm² of change`;
    return [{ kind: "smaller-targets", minTargetMm, text, costMm2: smaller.cost }];
  }
  return [];
}

/** Of two controls that are in each other's way, one in another moment: which one, and what the rest costs. */
function oneLess({ problem: { request }, again }: Unresolved, subjects: readonly string[], screens: readonly Screen[]): Suggestion[] {
  const { controls } = request.layout;
  const both = subjects.filter((id) => controls.some((c) => c.id === id));
  if (both.length !== 2) return [];
  const ids = (id: string): readonly [string, string] => [id, both.find((other) => other !== id)!];
  if (screens.length > MOST_COMPUTED) return both.map((id) => ({ kind: "one-less", ids: ids(id), text: `\`${id}\` in another moment`, costMm2: null }));
  const without = both.map((id) => ({ id, ...again({ ...request, screens, layout: { ...request.layout, controls: controls.filter((c) => c.id !== id) } }) }));
  const best = without.reduce((a, b) => (b.remaining.length < a.remaining.length || (b.remaining.length === a.remaining.length && b.cost < a.cost) ? b : a));
  const rest = best.remaining.length === 0 ? "nothing else remains" : counted(best.remaining.length, "finding remains", "findings remain");
  const names = screens.map(({ name }) => name).join("; ");
  const text = `\`${best.id}\` in another moment: ${rest} on ${names}, with ${best.cost.toFixed(2)} mm² of change`;
  return [{ kind: "one-less", ids: ids(best.id), text, costMm2: best.cost }];
}

/** Adds, to what is not proved infeasible, that notes may grow, if that helps. It is computed once for all findings. */
export function withNotesSuggested<T extends Remaining & { readonly proved: boolean; readonly suggestions: readonly Suggestion[] }>(
  { problem: { request }, again }: Unresolved,
  all: readonly T[],
): T[] {
  if (request.notesMayGrow || request.severities.includes("note") || all.every(({ proved }) => proved)) return [...all];
  const free = again({ ...request, notesMayGrow: true });
  const suggestion: Suggestion = {
    kind: "notes",
    text: `allow new and worse notes: fixed with ${free.cost.toFixed(2)} mm² total change`,
    costMm2: free.cost,
  };
  return all.map((one) => (one.proved || remains(free.remaining, one) ? one : { ...one, suggestions: [suggestion, ...one.suggestions] }));
}
