/**
 * Settle: the smallest change of a layout after which the requested findings are gone on all chosen screens, for all chosen players, at once
 * (docs/SETTLE.md). It is sequential quadratic programming with verification:
 *
 *     problem ─► solve (linearize ─► step: qp) ─► verify ─► result
 *                  ▲                                │
 *                  └──────────── relax ◄────────────┘        what remains ─► infeasible ─► suggest
 */
import type { Layout } from "../format/types";
import { Attempt, type AttemptResult } from "./attempt";
import { spelledAnew } from "./correctedNames";
import { raisedAboveGround } from "./drawingOrder";
import { largeChangesOf } from "./largeChanges";
import { movesBetween } from "./moves";
import { costOf, pricesOf } from "./problem/cost";
import type { Problem, ProblemParts } from "./problem/problem";
import { numbersOn, scenariosOf, type Scenario } from "./problem/scenarios";
import { missChanges, missRates, reduceMissesSteps } from "./reduceMisses";
import type { Changeable, SettleRequest } from "./request";
import type { SettleProgress, SettleResult } from "./result";
import { unsolvedOf } from "./unsolved";
import { allFindings, leavesLess, requestedFindings, verify } from "./verify";

type Steps<T> = Generator<SettleProgress, T, void>;

/** A result, and the attempt that led to it; null if nothing was requested. */
interface Solved {
  readonly result: SettleResult;
  readonly attempt: AttemptResult | null;
}

/** Settles a layout, with progress. To cancel, stop asking for more steps. */
export function* settleSteps(request: SettleRequest): Steps<SettleResult> {
  const { result: solved, attempt } = yield* solveSteps(request, false);
  const settled = request.missMm > 0 ? yield* withFewerMisses(request, { result: solved, attempt }) : solved;
  const result = { ...settled, large: largeChangesOf(request, settled) };
  if (result.remaining.length === 0 || !attempt) return result;
  yield { doing: "computing options", remaining: result.remaining.length, programs: result.programs };
  const again = (other: SettleRequest) => last(solveSteps(other, true)).result;
  return { ...result, unsolved: unsolvedOf({ problem: attempt.problem, relaxed: attempt.relaxed, remaining: result.remaining, again }) };
}

/** Settles a layout. */
export function settle(request: SettleRequest): SettleResult {
  return last(settleSteps(request));
}

/** Runs steps to their end. */
function last<T>(steps: Generator<unknown, T, void>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** How often what remains is attempted again. */
const MOST_ROUNDS = 4;

/** Takes the requested findings away. `isQuick`: in one round, without alternatives. */
function* solveSteps(request: SettleRequest, isQuick: boolean): Steps<Solved> {
  const scenarios = scenariosOf(request.layout, request.screens, request.faces);
  const before = allFindings(request.layout, scenarios, request.moment);
  const requested = requestedFindings(request, before);
  const start = request.changeable.includes("word") ? spelledAnew(request.layout, heldIn(request)) : request.layout;
  if (requested.length === 0) {
    const kind = start === request.layout ? "clean" : "settled";
    return { result: { ...resultOf(request, scenarios, start), kind, requested, remaining: [] }, attempt: null };
  }
  yield { doing: "looking", remaining: requested.length, programs: 0 };
  let best: AttemptResult | null = null;
  let programs = 0;
  // Repeated from the result until nothing improves, so that settling a settled layout changes nothing.
  for (let round = 0; round < (isQuick ? 1 : MOST_ROUNDS); round += 1) {
    const attempt: AttemptResult = yield* attemptSteps({ ...request, layout: best?.layout ?? start }, scenarios, isQuick);
    programs += attempt.programs;
    const isGood = leavesLess(attempt.remaining, best?.remaining ?? requested);
    // A later round compares with its own start; the whole change is verified here.
    if (!isGood || (best !== null && verify(request, scenarios, before, attempt.layout).worse.length > 0)) {
      best ??= { ...attempt, layout: start, remaining: requested };
      break;
    }
    best = attempt;
    if (best.remaining.length === 0) break;
  }
  const { layout, remaining, active } = best!;
  const kind = remaining.length === 0 ? "settled" : layout !== request.layout ? "partly" : "none";
  const moves = movesBetween(request.layout, layout, scenarios, { requested, active });
  return { result: { ...resultOf(request, scenarios, layout), kind, requested, remaining, programs, moves }, attempt: best };
}

/** A result with a layout and nothing else. */
function resultOf(request: SettleRequest, scenarios: readonly Scenario[], layout: Layout): Omit<SettleResult, "kind" | "requested" | "remaining"> {
  const moves = movesBetween(request.layout, layout, scenarios, { requested: [], active: [] });
  return { layout, scenarios, ...measuresBetween(request, layout, scenarios), programs: 0, moves, misses: null, large: [], unsolved: [] };
}

/** The price of a result must be less than this fraction of that of another one to replace it. */
const CHEAPER = 0.999;

/** The controls of a cluster stay together unless their price apart is less than this fraction. */
const CHEAPER_APART = 0.9;

/** Whether an attempt is better: it leaves less, or equally much at less than a fraction of the price. */
const isBetter = (attempt: AttemptResult, than: AttemptResult, fraction = CHEAPER): boolean =>
  leavesLess(attempt.remaining, than.remaining) || (!leavesLess(than.remaining, attempt.remaining) && attempt.price < than.price * fraction);

/** What is tried if something remains with all freedoms: with fewer of them a solution may be found that was missed. */
const FEWER_FREEDOMS: readonly (readonly Changeable[])[] = [["place"], ["place", "size"], ["place", "hit"], ["hit"]];

/** Whether a problem keeps any row or equal gaps. */
const isArrangedAtAll = ({ data }: Problem): boolean => data.some(({ relations }) => relations.rows.length > 0);

/**
 * One round: clusters as wholes, and their controls separately, with rows and equal gaps kept; what remains then, without them; and what still
 * remains, with fewer freedoms.
 */
function* attemptSteps(request: SettleRequest, scenarios: readonly Scenario[], isQuick: boolean): Steps<AttemptResult> {
  const before = allFindings(request.layout, scenarios, request.moment);
  const held = heldIn(request);
  const buried = new Set(requestedFindings(request, before).flatMap(({ finding }) => (finding.code === "touch/buried" ? finding.subjects : [])));
  const layout = request.changeable.includes("order") ? raisedAboveGround(request.layout, buried, held) : request.layout;
  let programs = 0;
  const attempt = function* (parts: Pick<ProblemParts, "children" | "isArranged">, changeable = request.changeable): Steps<AttemptResult> {
    const found: AttemptResult = yield* new Attempt({ ...request, changeable, layout }, { scenarios, before, held, ...parts }, isQuick).run();
    programs += found.programs;
    return found;
  };
  /** Clusters as wholes, and their controls separately where that is better. */
  const wholeOrApart = function* (isArranged: boolean): Steps<AttemptResult> {
    const hasClusters = request.layout.clusters.length > 0;
    const whole = yield* attempt({ children: !hasClusters, isArranged });
    if (!hasClusters || (isQuick && whole.remaining.length === 0)) return whole;
    const apart = yield* attempt({ children: true, isArranged });
    return isBetter(apart, whole, CHEAPER_APART) ? apart : whole;
  };
  let best = yield* wholeOrApart(true);
  // What is proved later is about all freedoms: about this problem.
  let { problem, relaxed } = best;
  let isArranged = true;
  if (best.remaining.length > 0 && isArrangedAtAll(problem)) {
    const free = yield* wholeOrApart(false);
    ({ problem, relaxed } = free);
    isArranged = !leavesLess(free.remaining, best.remaining);
    if (!isArranged) best = free;
  }
  for (const freedoms of best.remaining.length > 0 && !isQuick ? FEWER_FREEDOMS : []) {
    const fewer = request.changeable.filter((one) => freedoms.includes(one));
    if (fewer.length === 0 || fewer.length === request.changeable.length) continue;
    const found = yield* attempt({ children: true, isArranged: false }, fewer);
    if (isArranged ? leavesLess(found.remaining, best.remaining) : isBetter(found, best)) best = found;
    if (best.remaining.length === 0) break;
  }
  return { ...best, problem, relaxed, programs };
}

/** The second goal: fewer misses, within the change that is allowed for it. */
function* withFewerMisses(request: SettleRequest, { result, attempt }: Solved): Steps<SettleResult> {
  const { layout, scenarios, requested, remaining } = result;
  const rates = missRates(request.layout, scenarios, request.moment);
  const parts = {
    scenarios,
    before: allFindings(layout, scenarios, request.moment),
    held: heldIn(request),
    children: true,
    isArranged: true,
    withinMm: request.missMm,
  };
  const reducing = new Attempt({ ...request, layout, codes: [] }, parts, true);
  const reduced = yield* reduceMissesSteps(reducing, scenarios, { moment: request.moment, remaining: remaining.length });
  // Two changes that the checks accept one by one may be too much together: then the first result stays.
  const whole = verify(request, scenarios, allFindings(request.layout, scenarios, request.moment), reduced.layout);
  const next = whole.worse.length === 0 ? reduced.layout : layout;
  const misses = missChanges(rates, missRates(next, scenarios, request.moment));
  if (next === layout) return { ...result, misses };
  return {
    ...result,
    kind: result.kind === "partly" && whole.remaining.length === 0 ? "settled" : result.kind,
    layout: next,
    remaining: whole.remaining,
    ...measuresBetween(request, next, scenarios),
    programs: result.programs + reducing.programs,
    moves: movesBetween(request.layout, next, scenarios, { requested, active: attempt?.active ?? [], missed: reduced.movedFor }),
    misses,
  };
}

/** The cost and the price of the change from a request's layout to another version, mm². */
function measuresBetween(
  { layout, weights }: SettleRequest,
  version: Layout,
  scenarios: readonly Scenario[],
): { readonly cost: number; readonly price: number } {
  const indexes = new Map(layout.controls.map(({ id }, i) => [id, i]));
  const numbers = (one: Layout) => scenarios.map((scenario) => numbersOn(one, scenario, indexes));
  const prices = pricesOf(layout, numbers(layout), weights);
  const after = numbers(version);
  return { cost: costOf(prices, after, "cost"), price: costOf(prices, after, "price") };
}

/** The ids that are held: those of the request, and all controls in a held cluster. */
function heldIn({ layout, held }: SettleRequest): ReadonlySet<string> {
  const ids = new Set(held);
  for (const { id, placement } of layout.controls) {
    const { frame } = placement;
    if (typeof frame === "object" && ids.has(frame.cluster)) ids.add(id);
  }
  return ids;
}
