/**
 * One step of a descent: the wishes as rows of the variables, the least cost at which they hold. What is asked for may fall short, one length for
 * each finding, at a price far above any way; where nothing is found otherwise, so may what only has to stay, at a price far above that.
 */
import type { FindingCode } from "../checks/finding";
import { findingWord } from "./aims";
import { costProgramme, type Prices } from "./cost";
import { variableTerms, type Derivative, type LayoutMotion, type Numbers } from "./layoutMotion";
import { solveQuadratic, type LinearConstraint, type Solution } from "./quadratic";
import type { Constraint } from "./constraints";

/** What moves, and what it costs. */
interface Pricing {
  readonly motion: LayoutMotion;
  readonly prices: Prices;
}

/** A wish that presses, and what a mm of it costs, mm². */
export interface ActiveConstraint {
  readonly wish: Constraint;
  readonly multiplier: number;
}

/** A wish holds with this to spare, mm: what rounding to the decimals of a file takes away is less. */
const MARGIN_MM = 0.003;
/** The price of falling short by a mm, and its growth; how many times that what only has to stay costs. */
export const SHORT_PRICE = 3000;
const SHORT_GROWTH = 10;
const STAYING = 30;
/** No variable goes farther in one step, mm. */
const STRIDE_MM = 12;
/** What has more room than this, mm, no step uses up. */
const OUT_OF_STRIDE_MM = 20;
/** A row with less room than this after a step, mm, is looked at from the beginning in the next. */
const NEAR_MM = 0.5;
/** Times broken wishes are taken in before a step is taken as it is. */
const MOST_ROUNDS = 20;

type Programme = ReturnType<typeof costProgramme>;

interface WishRow {
  /** What reports rows apart from step to step. */
  readonly key: string;
  readonly wish: Constraint | null;
  readonly indexes: readonly number[];
  readonly weights: readonly number[];
  /** The sum of weight · step is at least this. */
  readonly bound: number;
  /** The finding that is asked for, whose rows fall short together; null for what only has to stay. */
  readonly group: string | null;
}

/** Where all is, and how it moves. */
export interface MotionState {
  readonly values: Float64Array;
  readonly numbers: Numbers;
  readonly derivative: Derivative;
}

/** The best step by the lines; null where there is none. `known`: keys of rows that mattered before, added to. */
export function nextStep(
  { motion, prices }: Pricing,
  here: MotionState,
  wishes: readonly Constraint[],
  known: Set<string>,
): { step: Float64Array | null; pressing: readonly ActiveConstraint[]; solved: number } {
  const rows = [...rowsOf(wishes, here.derivative), ...rangeRows(motion, here.values)];
  const programme = costProgramme(motion, prices, here.derivative, here);
  const chosen = new Set(rows.filter(({ key, wish, bound }) => (wish !== null && bound > 0) || known.has(key)));
  let solved = 0;
  let step: Float64Array = new Float64Array(here.values.length);
  let pressing: readonly ActiveConstraint[] = [];
  // What has nothing to do with a row that has come in has its solution already.
  const solutions = new Map<string, Solution>();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const list = [...chosen];
    const parts = separated(motion, list, here.values);
    step = new Float64Array(here.values.length);
    const pressed: { wish: Constraint; multiplier: number }[] = [];
    for (const part of parts) {
      const word = `${part.variables[0]} ${part.rows.map(({ key }) => key).join(";")}`;
      const before = solutions.get(word);
      const solution = before ?? solveElastic(programme, part);
      if (!before) solved += 1;
      if (solution) solutions.set(word, solution);
      if (!solution) return { step: null, pressing, solved };
      part.variables.forEach((v, i) => (step[v] = solution.values[i]));
      part.rows.forEach(({ wish }, i) => wish && solution.multipliers[i] > 1e-6 && pressed.push({ wish, multiplier: solution.multipliers[i] }));
    }
    pressing = pressed;
    const missed = rows.filter((row) => !chosen.has(row) && along(row, step) < row.bound - 1e-7);
    if (missed.length === 0) break;
    for (const row of missed) chosen.add(row);
  }
  known.clear();
  for (const row of chosen) if (along(row, step) - row.bound < NEAR_MM) known.add(row.key);
  return { step, pressing, solved };
}

const along = ({ indexes, weights }: WishRow, step: Float64Array) => indexes.reduce((sum, index, k) => sum + weights[k] * step[index], 0);

/** Wishes as rows of the variables. Of those that say the same in the same way the one with the least room represents all. */
function rowsOf(wishes: readonly Constraint[], derivative: Derivative): WishRow[] {
  const rows = new Map<string, WishRow>();
  for (const wish of wishes) {
    if (wish.value > OUT_OF_STRIDE_MM) continue;
    const { indexes, weights: sums } = variableTerms(derivative, wish.face, wish.terms);
    if (indexes.length === 0) continue;
    const length = Math.sqrt(sums.reduce((sum, w) => sum + w * w, 0));
    const weights = sums.map((w) => w / length);
    const group = wish.wanted ? findingWord(wish.code as FindingCode, wish.subjects) : null;
    const key = `${group ?? ""} ${indexes.map((i, k) => `${i}:${Math.round(weights[k] * 100)}`).join()}`;
    const bound = ((wish.kept ? 0 : MARGIN_MM) - wish.value) / length;
    const known = rows.get(key);
    if (!known || known.bound < bound) rows.set(key, { key, wish, indexes, weights, bound, group });
  }
  return [...rows.values()];
}

/** How far each variable may go in a step. */
function rangeRows({ variables }: LayoutMotion, values: Float64Array): WishRow[] {
  return variables.flatMap(({ low, high }, i) => [
    { key: `low ${i}`, wish: null, indexes: [i], weights: [1], bound: Math.max(low - values[i], -STRIDE_MM), group: null },
    { key: `high ${i}`, wish: null, indexes: [i], weights: [-1], bound: Math.max(values[i] - high, -STRIDE_MM), group: null },
  ]);
}

/** Variables that have to do with each other, and the rows that speak of them. */
interface Separate {
  readonly variables: readonly number[];
  readonly rows: readonly WishRow[];
}

/** What has nothing to do with each other, apart: rows join the variables they speak of, controls those that move them. What no row speaks of and is where it began is omitted. */
function separated({ moved }: LayoutMotion, rows: readonly WishRow[], values: Float64Array): Separate[] {
  const leaders = moved.map((_, v) => v);
  const leaderOf = (v: number): number => (leaders[v] === v ? v : (leaders[v] = leaderOf(leaders[v])));
  const join = (list: readonly number[]) => list.forEach((v) => (leaders[leaderOf(v)] = leaderOf(list[0])));
  const byControl = new Map<number, number[]>();
  moved.forEach((controls, v) => controls.forEach((c) => byControl.set(c, [...(byControl.get(c) ?? []), v])));
  for (const list of byControl.values()) join(list);
  for (const { indexes } of rows) join(indexes);
  const parts = new Map<number, { variables: number[]; rows: WishRow[] }>();
  const partOf = (v: number) => {
    const leader = leaderOf(v);
    const part = parts.get(leader) ?? { variables: [], rows: [] };
    parts.set(leader, part);
    return part;
  };
  moved.forEach((_, v) => partOf(v).variables.push(v));
  for (const row of rows) partOf(row.indexes[0]).rows.push(row);
  return [...parts.values()].filter((part) => part.rows.some(({ wish }) => wish !== null) || part.variables.some((v) => values[v] !== 0));
}

/** Solves for a step in which what is wanted may fall short, and, only where there is none, what has to stay too. */
function solveElastic({ hessian: whole, linear: line }: Programme, { variables, rows }: Separate): Solution | null {
  const place = new Map(variables.map((v, i) => [v, i]));
  for (const isFirm of [true, false]) {
    // One length to fall short by for each finding asked for; where nothing is found otherwise, one more for all that has to stay.
    const slacks = new Map<string, number>();
    const slackOf = ({ wish, group }: WishRow): number | null => {
      if (wish === null || (group === null && isFirm)) return null;
      const word = group ?? "";
      if (!slacks.has(word)) slacks.set(word, variables.length + slacks.size);
      return slacks.get(word)!;
    };
    const all: LinearConstraint[] = rows.map((row) => {
      const own = row.indexes.map((v) => place.get(v)!);
      const slack = slackOf(row);
      return slack === null
        ? { indexes: own, weights: row.weights, bound: row.bound }
        : { indexes: [...own, slack], weights: [...row.weights, 1], bound: row.bound };
    });
    const n = variables.length + slacks.size;
    const hessian = Array.from({ length: n }, () => new Float64Array(n));
    const linear = new Float64Array(n);
    variables.forEach((v, i) => {
      linear[i] = line[v];
      variables.forEach((w, j) => (hessian[i][j] = whole[v][w]));
    });
    for (const [word, s] of slacks) {
      const price = word === "" ? STAYING : 1;
      hessian[s][s] = SHORT_GROWTH * price;
      linear[s] = SHORT_PRICE * price;
      all.push({ indexes: [s], weights: [1], bound: 0 });
    }
    const solution = solveQuadratic(hessian, linear, all);
    if (solution) return solution;
  }
  return null;
}
