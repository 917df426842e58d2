/** Why findings remain: constraints that cannot all be satisfied, with a lower bound, or that no solution was found; and what would help. */
import { isWorse, SEVERITIES, type FindingCode } from "../checks/finding";
import { isWithin } from "../engine/geometry/distance";
import { areaOn, type ConstraintContext } from "./constraints/constraint";
import { provedInfeasible, type Infeasible } from "./infeasible";
import { motionBy, numbersAt, type LayoutMotion } from "./linearize";
import type { ScenarioData } from "./problem/scenarioData";
import { findingKey } from "./problem/targets";
import type { SettleRequest } from "./request";
import { idNames, scenarioName } from "./scenarioName";
import { suggestionsFor, withNotesSuggested, type Suggestion, type Unresolved } from "./suggest/suggest";
import type { ScenarioFinding } from "./verify";

/** A finding that remains, and why. */
export interface Unsolved {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
  /** The scenario in which it is worst, by its place. */
  readonly scenario: number;
  /** Whether it is proved that there is no solution; else none was found. */
  readonly proved: boolean;
  readonly text: string;
  /** The constraints that cannot all be satisfied, in words; empty if nothing is proved. */
  readonly constraints: readonly string[];
  /** The same as codes (of findings or fixed relations), subjects and scenarios. */
  readonly parts: readonly { readonly code: string; readonly subjects: readonly string[]; readonly scenario: number }[];
  /** By how much they are violated at least, mm; null if nothing is proved. */
  readonly shortMm: number | null;
  readonly suggestions: readonly Suggestion[];
}

/** How many findings are explained, worst first; the others are only listed as remaining. */
const MOST_EXPLAINED = 6;
/** How many neighbours are included in a proof, */
const MOST_NEIGHBOURS = 2;
/** and how near they are, mm. */
const NEIGHBOUR_MM = 3;

/** Explains what remains. */
export function unsolvedOf(given: Unresolved): Unsolved[] {
  const unresolved = { ...given, again: remembered(given.again) };
  const rank = ({ finding }: ScenarioFinding) => SEVERITIES.indexOf(finding.severity);
  const groups = new Map<string, ScenarioFinding[]>();
  for (const one of [...unresolved.remaining].sort((a, b) => rank(a) - rank(b))) {
    const key = findingKey(one.finding.code, one.finding.subjects);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  const proofs: Infeasible[] = [];
  const all = [...groups.values()].slice(0, MOST_EXPLAINED).map((group) => explained(unresolved, group, proofs));
  return withNotesSuggested(unresolved, all);
}

/** Several findings may remain on the same screens: what a request gives is computed once. */
function remembered(again: Unresolved["again"]): Unresolved["again"] {
  const answers = new Map<string, ReturnType<Unresolved["again"]>>();
  return (request) => {
    const { screens, layout, notesMayGrow } = request;
    const key = JSON.stringify([screens.map(({ name }) => name), layout.limits, layout.controls.map(({ id }) => id), notesMayGrow]);
    const answer = answers.get(key) ?? again(request);
    answers.set(key, answer);
    return answer;
  };
}

/** Explains a finding in all its scenarios. `proofs`: the proofs so far, one of which may contain this finding; new ones are added. */
function explained(unresolved: Unresolved, group: readonly ScenarioFinding[], proofs: Infeasible[]): Unsolved {
  const worst = group.reduce((a, b) => (isWorse(b.finding.code, b.finding.measure, a.finding.measure) ? b : a));
  const { code, subjects } = worst.finding;
  const known = proofs.find(({ constraints }) => constraints.some(({ key }) => key === findingKey(code, subjects)));
  const proof = known ?? proofFor(unresolved, worst);
  if (proof && !known) proofs.push(proof);
  const common = { code, subjects, scenario: worst.scenario, suggestions: suggestionsFor(unresolved, group, worst) };
  const what = `${code} of ${idNames(subjects)}`;
  if (!proof) return { ...common, proved: false, text: `${what}: none found; it is not proved impossible`, constraints: [], parts: [], shortMm: null };
  const { data } = unresolved.problem;
  const constraints = proof.constraints.map(({ key, scenario }) => `${constraintWords(key)} on ${scenarioName(data[scenario].scenario)}`);
  const parts = proof.constraints.map(({ key, scenario }) => {
    const [part, ...ids] = key.split(" ");
    return { code: part, subjects: ids, scenario };
  });
  const text = `${what}: ${constraints.join("; ")} cannot all be met; at least ${proof.shortMm.toFixed(2)} mm short`;
  return { ...common, proved: true, text, constraints, parts, shortMm: proof.shortMm };
}

/** A constraint in words, from the key of its finding. */
function constraintWords(key: string): string {
  const [code, ...ids] = key.split(" ");
  const all = idNames(ids);
  switch (code) {
    case "touch/overlap":
      return `${all}, at their smallest, clear of each other`;
    case "view/covered":
      return `\`${ids[0]}\` clear of \`${ids[1]}\``;
    case "place/off-screen":
      return `${all} on the screen`;
    case "place/unsafe":
      return `${all} in the safe frame`;
    case "touch/small":
      return `${all} large enough`;
    case "reach/far":
      return `${all} in reach`;
    case "feel/travel-cut":
      return `the travel of ${all} on the screen`;
    case "feel/fine":
      return `the travel of ${all} long enough`;
    case "held/screen":
      return `the hit area of ${all} on the screen`;
    case "held/line":
      return `${all} in their order`;
    case "held/thumb":
      return `${all} on the side of its thumb`;
    default:
      return `${all} around its picture`;
  }
}

/** Tries to prove a finding infeasible: with its own controls first, then with their neighbours. */
function proofFor(unresolved: Unresolved, { scenario, finding }: ScenarioFinding): Infeasible | null {
  const { motion, data } = unresolved.problem;
  const key = findingKey(finding.code, finding.subjects);
  const own = new Set(finding.subjects.filter((id) => motion.places.has(id)));
  const alone = provedFor(unresolved, scenario, { ids: own, isClaimed: (given) => given === key });
  if (alone || own.size < 2) return alone;
  const wider = new Set([...own, ...neighbours(motion, data[scenario], own)]);
  const isAmong = (given: string) => given.startsWith("touch/overlap ") && given.split(" ").slice(1).every((id) => wider.has(id)); // prettier-ignore
  const proof = provedFor(unresolved, scenario, { ids: wider, isClaimed: isAmong });
  return proof?.constraints.some((constraint) => constraint.key === key) ? proof : null;
}

/** Tries a proof about some controls. `isClaimed`: findings that are requested in full again; other relaxed findings stay relaxed. */
function provedFor(
  { problem: { request, motionWithShifts, data }, relaxed }: Unresolved,
  scenario: number,
  { ids, isClaimed }: { readonly ids: ReadonlySet<string>; readonly isClaimed: (key: string) => boolean },
): Infeasible | null {
  const stillRelaxed = new Map([...relaxed].filter(([key]) => !isClaimed(key.slice(key.indexOf(" ") + 1))));
  const context = (one: ScenarioData, numbers: Float64Array): ConstraintContext => ({
    request,
    data: one,
    numbers,
    relaxed: stillRelaxed,
    separations: new Map(),
    brief: false,
  });
  const moves = (id: string) => ids.has(id) || isClusterOf(request, id, ids);
  const own = motionBy(motionWithShifts(ids), ({ parts }) => parts.some(({ slot }) => moves(slot.id)));
  return provedInfeasible({ motion: own, data, context, ids, scenarios: [scenario] });
}

/** Whether a cluster contains one of some controls. */
function isClusterOf({ layout }: SettleRequest, cluster: string, ids: ReadonlySet<string>): boolean {
  return layout.controls.some(({ id, placement }) => ids.has(id) && typeof placement.frame === "object" && placement.frame.cluster === cluster);
}

/** The controls nearest to some controls in a scenario, of those that may overlap with them. */
function neighbours(motion: LayoutMotion, data: ScenarioData, ids: ReadonlySet<string>): readonly string[] {
  const numbers = numbersAt(motion, new Float64Array(motion.variables.length))[data.index];
  const near = data.pairs.flatMap(([a, b]) => {
    const [own, other] = ids.has(a.control.id) ? [a, b] : [b, a];
    const isNear = ids.has(own.control.id) && !ids.has(other.control.id) && isWithin(areaOn(numbers, own), areaOn(numbers, other), NEIGHBOUR_MM);
    return isNear ? [other.control.id] : [];
  });
  return [...new Set(near)].slice(0, MOST_NEIGHBOURS);
}
