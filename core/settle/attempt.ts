/**
 * One attempt with given variables: minimizes, verifies by the checks, relaxes what cannot be satisfied, tries relaxed requests again, and tries
 * other directions for active pairs. It returns only versions that the checks have verified.
 */
import type { FindingCode } from "../checks/finding";
import type { ConstraintContext } from "./constraints/constraint";
import { COVERAGE_CODES } from "./constraints/coverage";
import { controlConstraints } from "./constraints/families";
import type { Separations } from "./constraints/separation";
import { otherSeparations } from "./directions";
import { motionBy, numbersAt, type LayoutMotion } from "./linearize";
import { costOf } from "./problem/cost";
import { problemOf, type Problem, type ProblemParts } from "./problem/problem";
import type { Relaxed } from "./problem/targets";
import { withValues } from "./problem/variables";
import { keyOf, Relaxation } from "./relax";
import type { SettleRequest } from "./request";
import type { SettleProgress, Version } from "./result";
import { minimize, type Iterate, type Program } from "./solve";
import { allFindings, leavesLess, requestedFindings, verify, type ScenarioFinding } from "./verify";

/** A verified version and the iterate it was written from. */
interface Verified extends Version {
  readonly iterate: Iterate;
}

/** The result of an attempt, with what explains the findings that remain. */
export interface AttemptResult extends Version {
  readonly programs: number;
  readonly active: Iterate["active"];
  readonly problem: Problem;
  readonly relaxed: Relaxed;
}

/** How often a version that the checks reject is computed again. */
const MOST_PROOFS = 8;
/** How many other directions are tried: as many as fit into the effort (scenarios × controls), within limits. */
const DIRECTION_TRIES = { effort: 8000, least: 3, most: 16 };
/** The price of another direction has to be less than this fraction of that of the best version, */
const CHEAPER = 0.999;
/** or to leave less than this fraction of its violation. */
const LESS_VIOLATION = 0.9;
/** How often requests are relaxed. */
const MOST_ROUNDS = 24;
/** How many relaxed requests are tried again. */
const MOST_AGAIN = 24;
/** How often the requests of a single control are relaxed. */
const MOST_ALONE = 3;

export class Attempt {
  private readonly problem: Problem;
  private readonly relaxation: Relaxation;
  /** Coverage constraints are expensive: they are included once the checks report one. */
  private readonly coverage = new Set<FindingCode>();
  private programCount = 0;

  /** `isQuick`: neither other directions nor relaxed requests are tried again. */
  constructor(
    private readonly request: SettleRequest,
    parts: ProblemParts,
    private readonly isQuick: boolean,
  ) {
    this.problem = problemOf(request, parts);
    this.relaxation = new Relaxation(this.problem);
  }

  get motion(): LayoutMotion {
    return this.problem.motion;
  }
  get programs(): number {
    return this.programCount;
  }

  private get program(): Program {
    const { request, motion, prices, data, constraints } = this.problem;
    return { request, motion, prices, data, relaxed: this.relaxation.relaxed, constraints: constraints(this.coverage) };
  }

  private minimize(start: Float64Array, separations?: Separations, program = this.program): Iterate {
    const iterate = minimize(program, start, separations);
    this.programCount += iterate.programs;
    return iterate;
  }

  /** The version nearest to some values at which all constraints hold; null if the checks find something worse there. For attempts without requests. */
  nearTo(target: Float64Array): { readonly layout: Version["layout"]; readonly values: Float64Array } | null {
    const prices = { ...this.problem.prices, origin: numbersAt(this.motion, target) };
    for (let again = 0; again <= COVERAGE_CODES.length; again += 1) {
      const iterate = this.minimize(target, undefined, { ...this.program, prices });
      if (iterate.violated.length > 0) return null;
      const { version, rejected } = this.verified(iterate);
      if (version) return { layout: version.layout, values: iterate.values };
      if (!this.includeCoverage(rejected)) return null;
    }
    return null;
  }

  *run(): Generator<SettleProgress, AttemptResult, void> {
    const requested = requestedFindings(this.request, this.problem.before);
    yield this.progress("testing single fixes", requested.length);
    const impossible = this.relaxImpossible(requested);
    const zero = new Float64Array(this.motion.variables.length);
    let best = yield* this.relaxUntilVerified(zero, requested.length);
    if (best && !this.isQuick) {
      best = yield* this.requestAgain(best, impossible);
      if (this.relaxation.all.length > 0) best = this.fromTheStart(best, zero);
      if (best.remaining.length === 0) best = yield* this.cheaperDirections(best);
    }
    const version = best ?? this.unchanged();
    return {
      layout: version.layout,
      remaining: version.remaining,
      cost: version.cost,
      price: version.price,
      programs: this.programCount,
      active: best?.iterate.active ?? [],
      problem: this.problem,
      relaxed: this.relaxation.relaxed,
    };
  }

  private progress(doing: SettleProgress["doing"], remaining: number): SettleProgress {
    return { doing, remaining, programs: this.programCount };
  }

  private unchanged(): Version {
    const { layout, moment } = this.request;
    return { layout, remaining: requestedFindings(this.request, allFindings(layout, this.problem.scenarios, moment)), cost: 0, price: 0 };
  }

  /** Relaxes until a version is verified; null if nothing is left to relax. */
  private *relaxUntilVerified(zero: Float64Array, remaining: number): Generator<SettleProgress, Verified | null, void> {
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      yield this.progress("settling", remaining);
      const { version, violated } = this.tried(zero, round === 0 && !this.isQuick);
      if (version || violated.length === 0) return version;
      for (const key of violated) this.relaxation.relax(key);
    }
    return null;
  }

  /** What was relaxed together with others may be possible now. `impossible`: what was relaxed for itself alone. */
  private *requestAgain(first: Verified, impossible: ReadonlySet<string>): Generator<SettleProgress, Verified, void> {
    let best = first;
    for (const [key, level] of this.relaxation.all.slice(0, MOST_AGAIN))
      for (let tried = impossible.has(key) ? 1 : 0; tried < level; tried += 1) {
        yield this.progress("trying other directions", best.remaining.length);
        this.relaxation.set(key, tried);
        const { version } = this.tried(best.iterate.values);
        if (version && leavesLess(version.remaining, best.remaining)) {
          best = version;
          break;
        }
        this.relaxation.set(key, level);
      }
    return best;
  }

  /** The requests that are left, all together from the start: this may be cheaper than one after the other. */
  private fromTheStart(best: Verified, zero: Float64Array): Verified {
    const { version } = this.tried(zero);
    return version && !leavesLess(best.remaining, version.remaining) && version.iterate.price < best.iterate.price * CHEAPER ? version : best;
  }

  /** Active pairs, separated in another direction. */
  private *cheaperDirections(first: Verified): Generator<SettleProgress, Verified, void> {
    let best = first;
    const tried = new Set<string>();
    for (let tries = 0; tries < this.directionTries(); tries += 1) {
      const next = otherSeparations(best.iterate, this.problem.scenarios).find(({ key }) => !tried.has(key));
      if (!next) break;
      tried.add(next.key);
      yield this.progress("trying other directions", best.remaining.length);
      const iterate = this.minimize(best.iterate.values, new Map([[next.pair, next.separation]]));
      if (iterate.violated.length > 0 || iterate.price > best.iterate.price * CHEAPER) continue;
      const { version } = this.verified(iterate);
      if (version && version.remaining.length <= best.remaining.length) best = version;
    }
    return best;
  }

  /** Pairs that stay violated, separated in another direction, most violated first. */
  private possibleDirections(first: Iterate): Iterate {
    let best = first;
    const tried = new Set<string>();
    for (let tries = 0; tries < this.directionTries() && best.violated.length > 0; tries += 1) {
      const violated = new Set(best.violated.filter(({ requested }) => requested).map(keyOf));
      const active = best.active.filter(({ constraint }) => violated.has(keyOf(constraint)));
      const next = otherSeparations({ active }, this.problem.scenarios).find(({ key }) => !tried.has(key));
      if (!next) break;
      tried.add(next.key);
      const iterate = this.minimize(best.values, new Map([[next.pair, next.separation]]));
      if (iterate.violationMm < best.violationMm * LESS_VIOLATION) best = iterate;
    }
    return best;
  }

  private directionTries(): number {
    const { effort, least, most } = DIRECTION_TRIES;
    return Math.min(most, Math.max(least, Math.floor(effort / (this.problem.scenarios.length * this.request.layout.controls.length))));
  }

  /** Minimizes and verifies. Without a version: the requests to relax. */
  private tried(start: Float64Array, isPatient = false): { readonly version: Verified | null; readonly violated: readonly string[] } {
    for (let proof = 0; proof < MOST_PROOFS; proof += 1) {
      let iterate = this.minimize(start);
      if (isPatient && iterate.violated.length > 0) iterate = this.possibleDirections(iterate);
      const violated = this.relaxation.candidates(iterate);
      if (violated.length > 0) return { version: null, violated };
      const { version, rejected } = this.verified(iterate);
      if (version) return { version, violated: [] };
      if (!this.includeCoverage(rejected)) return { version: null, violated: this.relaxation.openBeside(rejected.flatMap(({ finding }) => finding.subjects)) };
    }
    return { version: null, violated: [] };
  }

  /** Includes the coverage constraints that the checks report; whether any is new. */
  private includeCoverage(rejected: readonly ScenarioFinding[]): boolean {
    const { size } = this.coverage;
    for (const { finding } of rejected) if (COVERAGE_CODES.includes(finding.code)) this.coverage.add(finding.code);
    return this.coverage.size > size;
  }

  /** Relaxes what a control could not have even without all other controls; returns that. */
  private relaxImpossible(requested: readonly ScenarioFinding[]): ReadonlySet<string> {
    const impossible = new Set<string>();
    const ids = new Set(requested.filter(({ finding }) => finding.subjects.length === 1).map(({ finding }) => finding.subjects[0]));
    for (const id of ids) {
      const motion = motionBy(this.motion, ({ parts }) => parts.some(({ slot }) => slot.id === id));
      const zero = new Float64Array(motion.variables.length);
      const constraints = (context: ConstraintContext) =>
        controlConstraints({ ...context, data: { ...context.data, controls: context.data.controls.filter(({ control }) => control.id === id) } });
      for (let again = 0; again < MOST_ALONE; again += 1) {
        const { violated } = this.minimize(zero, undefined, { ...this.program, motion, constraints });
        const keys = new Set(violated.filter((one) => one.requested).map(keyOf));
        if (keys.size === 0) break;
        for (const key of keys) {
          impossible.add(key);
          this.relaxation.relax(key);
        }
      }
    }
    return impossible;
  }

  /** Writes an iterate as a layout and verifies it by the checks. */
  private verified(iterate: Iterate): { readonly version: Verified | null; readonly rejected: readonly ScenarioFinding[] } {
    const { motion, prices, scenarios, before } = this.problem;
    const layout = withValues(motion.layout, motion.variables, iterate.values, true);
    const { remaining, worse } = verify(this.request, scenarios, before, layout);
    const rejected = [...remaining.filter((one) => !this.relaxation.isRelaxed(one)), ...worse];
    if (rejected.length > 0) return { version: null, rejected };
    const [cost, price] = (["cost", "price"] as const).map((measure) => costOf(prices, iterate.numbers, measure));
    return { version: { layout, remaining, cost, price, iterate }, rejected };
  }
}
