/**
 * Sequential quadratic programming: from some values to a local minimum of the price at which every constraint holds. Each iteration linearizes
 * the constraints where the layout is, and takes the best step within a trust region. For two convex shapes the linear constraint is stricter
 * than what it stands for (constraints/contact.ts), so a layout that holds the lines holds the constraints.
 *
 * Requested constraints may be violated, at a price far above any movement: so there is always a step, and what cannot be satisfied is violated
 * as little as possible. The other constraints may not.
 */
import type { Constraint, ConstraintFamily } from "./constraints/constraint";
import type { Separations } from "./constraints/separation";
import { derivativeAt, isAsPredicted, numbersAt, predicted, type Derivative, type LayoutMotion, type Numbers } from "./linearize";
import { costOf, smallCost, type Prices } from "./problem/cost";
import type { ScenarioData } from "./problem/scenarioData";
import type { Relaxed } from "./problem/targets";
import type { SettleRequest } from "./request";
import { bestStep, VIOLATION_PRICE, type ActiveConstraint, type Point } from "./step";

/** What is minimized. */
export interface Program {
  readonly request: SettleRequest;
  readonly motion: LayoutMotion;
  readonly prices: Prices;
  readonly data: readonly ScenarioData[];
  readonly relaxed: Relaxed;
  readonly constraints: ConstraintFamily;
}

/** The end of a minimization. */
export interface Iterate {
  readonly values: Float64Array;
  readonly numbers: Numbers;
  /** With the small prices. */
  readonly price: number;
  /** The sum of all violations, mm. */
  readonly violationMm: number;
  readonly violated: readonly Constraint[];
  readonly active: readonly ActiveConstraint[];
  /** The number of quadratic programs solved. */
  readonly programs: number;
}

/** A violation below this is none, mm. */
const HOLDS_MM = 1e-4;
/** A step below this is none, mm. */
const NO_STEP_MM = 1e-4;
const MOST_STEPS = 24;
/** After `most` steps that each gain less than this fraction of the price, the minimum is reached. */
const IDLE = { gain: 5e-4, most: 2 };
/** How often violated scenarios are added. */
const MOST_LOOKS = 10;

/**
 * Minimizes from some values. Most scenarios ask for nothing that another does not ask for more: it begins with those in which a constraint is
 * violated most, and adds others if the result violates something there. `separations`: how some pairs are separated in the first step.
 */
export function minimize(program: Program, start: Float64Array, separations: Separations = new Map()): Iterate {
  const known = new Set<string>();
  const included = new Set<number>();
  const lasting = lastingSeparations(separations);
  const include = (violated: readonly Constraint[]): boolean => {
    const size = included.size;
    for (const { scenario } of worstOfEach(violated)) included.add(scenario);
    return included.size > size;
  };
  let from = pointAt(program.motion, start);
  include(violatedIn(program, from.numbers, lasting));
  let programs = 0;
  for (let look = 0; ; look += 1) {
    const data = program.data.filter(({ index }) => included.has(index));
    const { iterate, derivative } = iterated({ ...program, data }, from, { first: look === 0 ? separations : lasting, lasting }, known);
    programs += iterate.programs;
    const violated = violatedIn(program, iterate.numbers, lasting);
    if (look >= MOST_LOOKS || !include(violated)) return { ...iterate, violated, violationMm: sumOf(violated), programs };
    from = { values: iterate.values, numbers: iterate.numbers, derivative };
  }
}

/** Of the constraints about the same, the one that is violated most. */
function worstOfEach(violated: readonly Constraint[]): readonly Constraint[] {
  const worst = new Map<string, Constraint>();
  for (const constraint of violated) {
    const key = `${constraint.code} ${constraint.subjects.join(" ")}`;
    if (constraint.value < (worst.get(key)?.value ?? Infinity)) worst.set(key, constraint);
  }
  return [...worst.values()];
}

/** Points where minimizations began: several begin at the same values. */
const points = new WeakMap<LayoutMotion, WeakMap<Float64Array, Point>>();

/** The layout at some values, and its derivative. The same arguments give the same object. */
function pointAt(motion: LayoutMotion, values: Float64Array): Point {
  const known = points.get(motion) ?? new WeakMap<Float64Array, Point>();
  points.set(motion, known);
  const before = known.get(values);
  if (before) return before;
  const numbers = numbersAt(motion, values);
  const point = { values, numbers, derivative: derivativeAt(motion, values, numbers) };
  known.set(values, point);
  return point;
}

const sumOf = (violated: readonly Constraint[]) => violated.reduce((sum, { value }) => sum - value, 0);

/** Pairs that are wholly apart stay so; directions hold for the first step only. */
const lastingSeparations = (separations: Separations): Separations =>
  new Map([...separations].filter(([, { apart }]) => apart).map(([pair, separation]) => [pair, { ...separation, along: null }]));

interface SeparationPlan {
  readonly first: Separations;
  readonly lasting: Separations;
}

/** Iterates with the constraints of the program's scenarios. */
function iterated(
  program: Program,
  from: Point,
  { first, lasting }: SeparationPlan,
  known: Set<string>,
): { readonly iterate: Iterate; readonly derivative: Derivative } {
  const { motion, prices, data } = program;
  let here = from;
  let best: Iterate | null = null;
  let programs = 0;
  let idle = 0;
  for (let count = 0; count < MOST_STEPS; count += 1) {
    const constraints = constraintsIn(program, data, here.numbers, count === 0 ? first : lasting);
    const step = bestStep({ motion, prices }, here, constraints, known);
    programs += step.programs;
    const violated = (count === 0 && first.size > 0 ? constraintsIn(program, data, here.numbers, lasting) : constraints).filter(isViolated);
    const now: Iterate = {
      values: here.values,
      numbers: here.numbers,
      price: costOf(prices, here.numbers, "price") + smallCost(motion, here.values),
      violationMm: sumOf(violated),
      violated,
      active: step.active,
      programs,
    };
    const gained: number = best === null ? Infinity : merit(best);
    if (best === null || isBetter(now, best)) best = now;
    idle = gained - merit(best) < IDLE.gain * (1 + best.price) ? idle + 1 : 0;
    const length = step.change ? step.change.reduce((most, s) => Math.max(most, Math.abs(s)), 0) : 0;
    if (!step.change || length < NO_STEP_MM || idle >= IDLE.most) break;
    // A step that made it worse is halved towards the best.
    const values = best === now ? here.values.map((v, i) => v + step.change![i]) : here.values.map((v, i) => (v + best!.values[i]) / 2);
    here = pointAfter(motion, here, values);
  }
  return { iterate: { ...best!, programs }, derivative: here.derivative };
}

/** The point at other values; the derivative is computed again only if it no longer predicts where everything is. */
function pointAfter(motion: LayoutMotion, { values: before, numbers: from, derivative }: Point, values: Float64Array): Point {
  const expected = predicted(motion, derivative, from, values.map((v, i) => v - before[i])); // prettier-ignore
  const numbers = numbersAt(motion, values);
  return { values, numbers, derivative: isAsPredicted(expected, numbers) ? derivative : derivativeAt(motion, values, numbers) };
}

/** The merit function: the less the better. */
const merit = ({ price, violationMm }: Iterate) => price + VIOLATION_PRICE * (violationMm > HOLDS_MM ? violationMm : 0);

/** Whether one iterate is better than another: by its violation, then by its price. */
function isBetter(a: Iterate, b: Iterate): boolean {
  if (Math.abs(a.violationMm - b.violationMm) > HOLDS_MM) return a.violationMm < b.violationMm;
  return a.price < b.price;
}

const isViolated = ({ value }: Constraint) => value < -HOLDS_MM;

/** Every constraint in some scenarios. */
function constraintsIn({ request, relaxed, constraints }: Program, data: readonly ScenarioData[], numbers: Numbers, separations: Separations): Constraint[] {
  return data.flatMap((one) => [...constraints({ request, data: one, numbers: numbers[one.index], relaxed, separations, brief: false })]);
}

/** The violated constraints in every scenario. */
function violatedIn({ request, data, relaxed, constraints }: Program, numbers: Numbers, separations: Separations): Constraint[] {
  return data.flatMap((one) => [...constraints({ request, data: one, numbers: numbers[one.index], relaxed, separations, brief: true })].filter(isViolated));
}
