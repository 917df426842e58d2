/**
 * One step of the solver: the constraints as rows of the variables, the price as a quadratic program, solved within a trust region.
 *
 * Requested constraints are soft: one slack variable per finding, at a price far above any movement. All other constraints are hard; only if
 * they contradict each other do they get a slack too, at a still higher price.
 */
import type { FindingCode } from "../checks/finding";
import type { Constraint } from "./constraints/constraint";
import { variableTerms, type Derivative, type LayoutMotion, type Numbers } from "./linearize";
import { quadraticPrice, type Prices } from "./problem/cost";
import { findingKey } from "./problem/targets";
import { solveQuadratic, type LinearConstraint, type Solution } from "./qp";

/** What moves, and what it costs. */
interface Pricing {
  readonly motion: LayoutMotion;
  readonly prices: Prices;
}

/** A constraint that limits the step; `multiplier`: what a mm of it costs, mm². */
export interface ActiveConstraint {
  readonly constraint: Constraint;
  readonly multiplier: number;
}

/** Constraints hold with this margin, mm: more than rounding to the decimals of a file takes away. */
const MARGIN_MM = 0.003;
/** The price per mm of violation of a requested constraint, its growth, and the factor for constraints that only have to keep holding. */
export const VIOLATION_PRICE = 3000;
const VIOLATION_GROWTH = 10;
const HARD_FACTOR = 30;
/** The trust region: no variable changes by more than this in one step, mm. */
const TRUST_REGION_MM = 12;
/** Constraints with more room than this, mm, cannot be reached in one step. */
const OUT_OF_REACH_MM = 20;
/** A row with less room than this after a step, mm, is in the first program of the next step. */
const NEAR_MM = 0.5;
/** How often violated rows are added before the step is taken as it is. */
const MOST_ROUNDS = 20;

type QuadraticPrice = ReturnType<typeof quadraticPrice>;

interface Row extends LinearConstraint {
  /** Identifies the row from step to step. */
  readonly key: string;
  /** Null for the range of a variable. */
  readonly constraint: Constraint | null;
  /** The requested finding whose rows share a slack; null for constraints that only have to keep holding. */
  readonly finding: string | null;
}

/** Where the solver is. */
export interface Point {
  readonly values: Float64Array;
  readonly numbers: Numbers;
  readonly derivative: Derivative;
}

/** A step. `change`: null if no program has a solution. */
export interface Step {
  readonly change: Float64Array | null;
  readonly active: readonly ActiveConstraint[];
  readonly programs: number;
}

/** Computes the best step by the linearized constraints. `known`: keys of the rows that mattered before; replaced by those that matter now. */
export function bestStep({ motion, prices }: Pricing, here: Point, constraints: readonly Constraint[], known: Set<string>): Step {
  const rows = [...linearRows(constraints, here.derivative), ...rangeRows(motion, here.values)];
  const price = quadraticPrice(motion, prices, here.derivative, here);
  const chosen = new Set(rows.filter(({ key, constraint, bound }) => (constraint !== null && bound > 0) || known.has(key)));
  // Parts that no added row touches keep their solution.
  const solutions = new Map<string, Solution>();
  let programs = 0;
  let change = new Float64Array(here.values.length);
  let active: readonly ActiveConstraint[] = [];
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    change = new Float64Array(here.values.length);
    const found: ActiveConstraint[] = [];
    for (const part of independentParts(motion, [...chosen], here.values)) {
      const key = `${part.variables[0]} ${part.rows.map((row) => row.key).join(";")}`;
      const before = solutions.get(key);
      const solution = before ?? solveElastic(price, part);
      if (!before) programs += 1;
      if (!solution) return { change: null, active, programs };
      solutions.set(key, solution);
      part.variables.forEach((v, i) => (change[v] = solution.values[i]));
      found.push(...activeOf(part, solution));
    }
    active = found;
    const missed = rows.filter((row) => !chosen.has(row) && growthOf(row, change) < row.bound - 1e-7);
    if (missed.length === 0) break;
    for (const row of missed) chosen.add(row);
  }
  known.clear();
  for (const row of chosen) if (growthOf(row, change) - row.bound < NEAR_MM) known.add(row.key);
  return { change, active, programs };
}

const growthOf = ({ indexes, weights }: Row, change: Float64Array) => indexes.reduce((sum, index, k) => sum + weights[k] * change[index], 0);

const activeOf = ({ rows }: Part, { multipliers }: Solution): ActiveConstraint[] =>
  rows.flatMap(({ constraint }, i) => (constraint && multipliers[i] > 1e-6 ? [{ constraint, multiplier: multipliers[i] }] : []));

/** Constraints as rows of the variables. Of constraints with the same weights only the one with the least room is kept. */
function linearRows(constraints: readonly Constraint[], derivative: Derivative): Row[] {
  const rows = new Map<string, Row>();
  for (const constraint of constraints) {
    if (constraint.value > OUT_OF_REACH_MM) continue;
    const { indexes, weights: sums } = variableTerms(derivative, constraint.scenario, constraint.terms);
    if (indexes.length === 0) continue;
    const length = Math.sqrt(sums.reduce((sum, w) => sum + w * w, 0));
    const weights = sums.map((w) => w / length);
    const finding = constraint.requested ? findingKey(constraint.code as FindingCode, constraint.subjects) : null;
    const key = `${finding ?? ""} ${indexes.map((i, k) => `${i}:${Math.round(weights[k] * 100)}`).join()}`;
    const bound = ((constraint.kept ? 0 : MARGIN_MM) - constraint.value) / length;
    const known = rows.get(key);
    if (!known || known.bound < bound) rows.set(key, { key, constraint, indexes, weights, bound, finding });
  }
  return [...rows.values()];
}

/** The range of each variable, within the trust region. */
function rangeRows({ variables }: LayoutMotion, values: Float64Array): Row[] {
  const row = (key: string, i: number, weight: 1 | -1, room: number): Row => ({
    key,
    constraint: null,
    indexes: [i],
    weights: [weight],
    bound: Math.max(-room, -TRUST_REGION_MM),
    finding: null,
  });
  return variables.flatMap(({ low, high }, i) => [row(`low ${i}`, i, 1, values[i] - low), row(`high ${i}`, i, -1, high - values[i])]);
}

/** Variables that depend on each other, and the rows that contain them. */
interface Part {
  readonly variables: readonly number[];
  readonly rows: readonly Row[];
}

/**
 * Splits the program into independent parts: a row joins its variables, a control joins the variables that move it. Parts without constraints
 * whose variables are at 0 are left out.
 */
function independentParts({ moved }: LayoutMotion, rows: readonly Row[], values: Float64Array): Part[] {
  const leaders = moved.map((_, v) => v);
  const leaderOf = (v: number): number => (leaders[v] === v ? v : (leaders[v] = leaderOf(leaders[v])));
  const join = (list: readonly number[]) => list.forEach((v) => (leaders[leaderOf(v)] = leaderOf(list[0])));
  const byControl = new Map<number, number[]>();
  moved.forEach((controls, v) => controls.forEach((c) => byControl.set(c, [...(byControl.get(c) ?? []), v])));
  for (const list of byControl.values()) join(list);
  for (const { indexes } of rows) join(indexes);
  const parts = new Map<number, { variables: number[]; rows: Row[] }>();
  const partOf = (v: number) => {
    const leader = leaderOf(v);
    const part = parts.get(leader) ?? { variables: [], rows: [] };
    parts.set(leader, part);
    return part;
  };
  moved.forEach((_, v) => partOf(v).variables.push(v));
  for (const row of rows) partOf(row.indexes[0]).rows.push(row);
  return [...parts.values()].filter((part) => part.rows.some(({ constraint }) => constraint !== null) || part.variables.some((v) => values[v] !== 0));
}

/** Solves a part with soft requested constraints; if that has no solution, with all constraints soft. */
function solveElastic(price: QuadraticPrice, part: Part): Solution | null {
  return solveWithSlacks(price, part, ({ finding }) => finding) ?? solveWithSlacks(price, part, ({ finding }) => finding ?? "");
}

/** Solves a part; `slackOf`: which constraints share a slack variable (null: a hard constraint; "": constraints that only have to keep holding). */
function solveWithSlacks({ hessian: whole, linear: line }: QuadraticPrice, { variables, rows }: Part, slackOf: (row: Row) => string | null): Solution | null {
  const places = new Map(variables.map((v, i) => [v, i]));
  const slacks = new Map<string, number>();
  const all: LinearConstraint[] = rows.map((row) => {
    const indexes = row.indexes.map((v) => places.get(v)!);
    const slack = row.constraint === null ? null : slackOf(row);
    if (slack === null) return { indexes, weights: row.weights, bound: row.bound };
    if (!slacks.has(slack)) slacks.set(slack, variables.length + slacks.size);
    return { indexes: [...indexes, slacks.get(slack)!], weights: [...row.weights, 1], bound: row.bound };
  });
  const n = variables.length + slacks.size;
  const hessian = Array.from({ length: n }, () => new Float64Array(n));
  const linear = new Float64Array(n);
  variables.forEach((v, i) => {
    linear[i] = line[v];
    variables.forEach((w, j) => (hessian[i][j] = whole[v][w]));
  });
  for (const [finding, s] of slacks) {
    const factor = finding === "" ? HARD_FACTOR : 1;
    hessian[s][s] = VIOLATION_GROWTH * factor;
    linear[s] = VIOLATION_PRICE * factor;
    all.push({ indexes: [s], weights: [1], bound: 0 });
  }
  return solveQuadratic(hessian, linear, all);
}
