/**
 * The least change that takes away what is found on all chosen screens, hands and sizes at once (docs/SETTLE.md). The wishes lead the way, the
 * checks decide: nothing is given out that they do not find free of what is said to be gone, and in no other place worse than it was.
 */
import type { Layout } from "../format/types";
import { costOf, pricesOf } from "./cost";
import { raisedAboveUnderlay } from "./raised";
import { facedScreens, numbersOn, type Scenario } from "./scenarios";
import { lowerMissesSteps, missChanges, missRates } from "./lowerMisses";
import { movesBetween } from "./moves";
import { noWaysOf, type Remainder } from "./noWay";
import { allFindings, askedFor, isFurther, outcomeOf } from "./outcome";
import type { SettleRequest } from "./request";
import { spelledAnew } from "./correctedNames";
import type { SettleResult, SettleProgress } from "./settleResult";
import { Solver, type Attempt } from "./solver";

/** Settles a layout, telling now and then how far it is. Whoever has enough simply asks no further. */
export function* settleSteps(request: SettleRequest): Generator<SettleProgress, SettleResult, void> {
  const { settled: first, why, pressing } = yield* settledSteps(request);
  const settled = request.missMm > 0 ? yield* missedLessSteps(request, first, pressing) : first;
  if (settled.left.length === 0 || !why) return settled;
  yield { doing: "computing options", left: settled.left.length, solved: settled.solved };
  const again = (other: SettleRequest) => last(settledSteps(other, true)).settled;
  return { ...settled, noWays: noWaysOf({ ...why, left: settled.left, again }) };
}

/** The second aim: what is settled, missed less, within the change that is allowed for it. */
function* missedLessSteps(request: SettleRequest, settled: SettleResult, pressing: Attempt["pressing"]): Generator<SettleProgress, SettleResult, void> {
  const { layout, faces, asked } = settled;
  const before = allFindings(layout, faces, request.moment);
  const rates = missRates(request.layout, faces, request.moment);
  const settling = new Solver(
    { ...request, layout, codes: [] },
    { faces, before, held: heldWhole(request), children: true, isQuick: true, withinMm: request.missMm },
  );
  const lowered = yield* lowerMissesSteps(settling, faces, { moment: request.moment, left: settled.left.length });
  // Twice a little that the checks call the same may be more than they do: then it stays as it was settled.
  const { left, worse } = outcomeOf(request, faces, allFindings(request.layout, faces, request.moment), lowered.layout);
  const is = worse.length === 0 ? lowered.layout : layout;
  const misses = missChanges(rates, missRates(is, faces, request.moment));
  if (is === layout) return { ...settled, misses };
  const moves = movesBetween(request.layout, is, faces, { asked, pressing, missed: lowered.movedFor });
  return {
    ...settled,
    kind: settled.kind === "partly" && left.length === 0 ? "settled" : settled.kind,
    layout: is,
    left,
    cost: costBetween(request, is, faces),
    solved: settled.solved + settling.solvedSoFar,
    moves,
    misses,
  };
}

/** Steps to their end. */
function last<T>(steps: Generator<unknown, T, void>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** What came of it, and what there is to say why something remains. */
interface Explained {
  readonly settled: SettleResult;
  readonly why: Omit<Remainder, "left" | "again"> | null;
  readonly pressing: Attempt["pressing"];
}

/** `isQuick`: at one go, without trying what may do better. */
function* settledSteps(request: SettleRequest, isQuick = false): Generator<SettleProgress, Explained, void> {
  const faces = facedScreens(request.layout, request.screens, request.faces);
  const before = allFindings(request.layout, faces, request.moment);
  const asked = askedFor(request, before);
  const start = { layout: request.layout, faces, asked, cost: 0, solved: 0, moves: [], misses: null, noWays: [] };
  const spelled = request.changeable.includes("word") ? spelledAnew(request.layout, heldWhole(request)) : request.layout;
  const movesTo = (layout: Layout, pressing: Attempt["pressing"]) => movesBetween(request.layout, layout, faces, { asked, pressing });
  if (asked.length === 0) {
    const kind = spelled === request.layout ? "clean" : "settled";
    return { settled: { ...start, kind, layout: spelled, left: [], moves: movesTo(spelled, []) }, why: null, pressing: [] };
  }
  yield { doing: "looking", left: asked.length, solved: 0 };
  let best: Attempt | null = null;
  let solved = 0;
  // Gone over again from where it has come to, until nothing more comes of it: so that settling once more changes nothing.
  for (let round = 0; round < (isQuick ? 1 : MOST_ROUNDS); round += 1) {
    const attempt: Attempt = yield* attemptSteps({ ...request, layout: best?.layout ?? spelled }, faces, isQuick);
    solved += attempt.solved;
    const isGood = isFurther(attempt.left, best?.left ?? asked) && (best === null || outcomeOf(request, faces, before, attempt.layout).worse.length === 0);
    if (!isGood) {
      best ??= { ...attempt, layout: spelled, left: asked, cost: 0 };
      break;
    }
    best = attempt;
    if (best.left.length === 0) break;
  }
  const { layout, left, pressing, why } = best!;
  const kind = left.length === 0 ? "settled" : layout !== request.layout ? "partly" : "none";
  const cost = costBetween(request, layout, faces);
  return {
    settled: { kind, layout, faces, asked, left, cost, solved, moves: movesTo(layout, pressing), misses: null, noWays: [] },
    why,
    pressing,
  };
}

/** So often what remains is gone over again. */
const MOST_ROUNDS = 4;

/** One attempt: clusters as wholes, and where that leaves something, what is in them by itself. */
function* attemptSteps(request: SettleRequest, faces: readonly Scenario[], isQuick: boolean): Generator<SettleProgress, Attempt, void> {
  const before = allFindings(request.layout, faces, request.moment);
  const held = heldWhole(request);
  const buried = new Set(askedFor(request, before).flatMap(({ finding }) => (finding.code === "touch/buried" ? finding.subjects : [])));
  const ordered = request.changeable.includes("order") ? raisedAboveUnderlay(request.layout, buried, held) : request.layout;
  let best: Attempt | null = null;
  let solved = 0;
  for (const children of request.layout.clusters.length > 0 ? [false, true] : [true]) {
    const attempt: Attempt = yield* new Solver({ ...request, layout: ordered }, { faces, before, held, children, isQuick }).run();
    solved += attempt.solved;
    if (best === null || isFurther(attempt.left, best.left)) best = attempt;
    if (best.left.length === 0) break;
  }
  return { ...best!, solved };
}

/** What the change from a request's layout to another version costs, mm². */
function costBetween({ layout, weights }: SettleRequest, version: Layout, faces: readonly Scenario[]): number {
  const places = new Map(layout.controls.map(({ id }, i) => [id, i]));
  const numbers = (one: Layout) => faces.map((face) => numbersOn(one, face, places));
  return costOf(pricesOf(layout, numbers(layout), weights), numbers(version));
}

/** Settles a layout at once. */
export function settle(request: SettleRequest): SettleResult {
  return last(settleSteps(request));
}

/** What is held whole: what the request names, and all that is in a cluster it names. */
function heldWhole({ layout, held }: SettleRequest): ReadonlySet<string> {
  const named = new Set(held);
  for (const { id, placement } of layout.controls) {
    const { frame } = placement;
    if (typeof frame === "object" && named.has(frame.cluster)) named.add(id);
  }
  return named;
}
