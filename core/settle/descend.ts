/**
 * From some values down to the least cost at which every wish holds: the wishes as lines where all stands now, the cost as a square, the least of
 * it found, and again from there. A line keeps clear of all that it stands for (see contact.ts), so that what holds the lines holds the wishes.
 *
 * What is asked for may stay short, at a price far above any way a control could go: so a step is always found, and what cannot be had stays
 * short by as little as can be. What only has to stay may not.
 */
import { costOf, costProgramme, smallCost, type Prices } from "./cost";
import { derivativeAt, isAsSaid, numbersAt, predicted, variableTerms, type Derivative, type Motion, type Numbers } from "./motion";
import { solveQuadratic, type Row, type Solution } from "./quadratic";
import type { SettleRequest } from "./request";
import type { FindingCode } from "../checks/finding";
import { findingWord, type Waived } from "./aims";
import type { FaceFacts, Way, Wish, Wishing } from "./wishes";

/** What is to be solved. */
export interface Task {
  readonly request: SettleRequest;
  readonly motion: Motion;
  readonly prices: Prices;
  readonly facts: readonly FaceFacts[];
  readonly waived: Waived;
  /** The wishes of a face; `ways`: how pairs are told to keep clear. */
  readonly wishes: (wishing: Wishing) => Iterable<Wish>;
}

/** Where a descent has come to. */
export interface Reached {
  readonly values: Float64Array;
  readonly numbers: Numbers;
  /** With the small prices. */
  readonly cost: number;
  /** By how much the wishes that do not hold fall short, together, mm. */
  readonly short: number;
  /** The wishes that do not hold. */
  readonly broken: readonly Wish[];
  /** The wishes that press, with what a mm of each costs, mm². */
  readonly pressing: readonly { readonly wish: Wish; readonly multiplier: number }[];
  /** How many programmes were solved. */
  readonly solved: number;
}

/** A wish holds with this to spare, mm: what rounding to the decimals of a file takes away is less. */
const MARGIN_MM = 0.003;
/** What falls short by less than this holds, mm. */
const HOLDS_MM = 1e-4;
/** The price of falling short by a mm, and its growth. */
const SHORT_PRICE = 3000;
const SHORT_GROWTH = 10;
/** No variable goes farther in one step, mm. */
const STRIDE_MM = 12;
/** A step shorter than this is none, mm. */
const NO_STEP_MM = 1e-4;
const MOST_STEPS = 24;
/** What has more room than this, mm, no step uses up. */
const OUT_OF_STRIDE_MM = 20;
/** A step that gains less than this part of the cost is idle; so many of them and it has arrived. */
const ENOUGH = 5e-4;
const MOST_IDLE = 2;
/** A row with less room than this after a step, mm, is looked at from the beginning in the next. */
const NEAR_MM = 0.5;
/** Times broken wishes are taken in before a step is taken as it is. */
const MOST_ROUNDS = 20;

type Programme = ReturnType<typeof costProgramme>;

interface WishRow {
  /** What tells rows apart from step to step. */
  readonly key: string;
  readonly wish: Wish | null;
  readonly indexes: readonly number[];
  readonly weights: readonly number[];
  /** The sum of weight · step is at least this. */
  readonly bound: number;
  /** The finding that is asked for, whose rows fall short together; null for what only has to stay. */
  readonly group: string | null;
}

/** Faces are taken in so often before it is left at that. */
const MOST_LOOKS = 10;

/**
 * Descends from some values. Most faces ask for nothing that another does not ask for more: it begins with those on which a finding is worst, and
 * takes in the others where it would break something there. `firstWays`: how some pairs are told to keep clear in the first step.
 */
export function descend(task: Task, start: Float64Array, firstWays: ReadonlyMap<string, Way> = new Map()): Reached {
  const known = new Set<string>();
  const active = new Set<number>();
  const lasting = lastingWays(firstWays);
  const take = (wishes: readonly Wish[]): boolean => {
    const worst = new Map<string, Wish>();
    for (const wish of wishes) {
      const word = `${wish.code} ${wish.subjects.join(" ")}`;
      if (wish.value < (worst.get(word)?.value ?? Infinity)) worst.set(word, wish);
    }
    const size = active.size;
    for (const { face } of worst.values()) active.add(face);
    return active.size > size;
  };
  const numbers = numbersAt(task.motion, start);
  take(allBroken(task, numbers, lasting));
  let from: Here = { values: start, numbers, derivative: derivativeAt(task.motion, start, numbers) };
  let solved = 0;
  for (let look = 0; ; look += 1) {
    const facts = task.facts.filter(({ index }) => active.has(index));
    const { reached, derivative } = descendOn({ ...task, facts }, from, look === 0 ? firstWays : lasting, known);
    solved += reached.solved;
    const broken = allBroken(task, reached.numbers, lasting);
    if (look >= MOST_LOOKS || !take(broken)) return { ...reached, broken, short: shortOf(broken), solved };
    from = { values: reached.values, numbers: reached.numbers, derivative };
  }
}

const shortOf = (broken: readonly Wish[]) => broken.reduce((sum, { value }) => sum - value, 0);

/** Ways apart hold to the end; directions only at first. */
const lastingWays = (ways: ReadonlyMap<string, Way>): ReadonlyMap<string, Way> =>
  new Map([...ways].filter(([, way]) => way.apart).map(([pair, way]) => [pair, { ...way, along: null }]));

/** Descends on some faces. */
function descendOn(
  task: Task,
  from: Here,
  firstWays: ReadonlyMap<string, Way>,
  known: Set<string>,
): { readonly reached: Reached; readonly derivative: Derivative } {
  const { motion, prices, facts } = task;
  let { values, numbers, derivative } = from;
  const lasting = lastingWays(firstWays);
  let best: Reached | null = null;
  let solvedInAll = 0;
  let solved = 0;
  let idle = 0;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const wishes = allWishes(task, facts, numbers, step === 0 ? firstWays : lasting);
    const taken = nextStep(task, { values, numbers, derivative }, wishes, known);
    solved += taken.solved;
    const broken = step === 0 && firstWays.size > 0 ? allWishes(task, facts, numbers, lasting).filter(isBroken) : wishes.filter(isBroken);
    const here: Reached = {
      values,
      numbers,
      cost: costOf(prices, numbers) + smallCost(motion, values),
      short: shortOf(broken),
      broken,
      pressing: taken.pressing,
      solved,
    };
    solvedInAll = solved;
    const before: Reached | null = best;
    if (best === null || isBetter(here, best)) best = here;
    const gained = before === null ? Infinity : merit(before) - merit(best);
    idle = gained < ENOUGH * (1 + best.cost) ? idle + 1 : 0;
    const length = taken.step ? taken.step.reduce((most, s) => Math.max(most, Math.abs(s)), 0) : 0;
    if (!taken.step || length < NO_STEP_MM || idle >= MOST_IDLE) break;
    // What has gone too far, or from side to side, goes on from half way to the best.
    const next = best === here ? values.map((v, i) => v + taken.step![i]) : values.map((v, i) => (v + best!.values[i]) / 2);
    const said = predicted(motion, derivative, numbers, next.map((v, i) => v - values[i])); // prettier-ignore
    const there = numbersAt(motion, next);
    if (!isAsSaid(said, there)) derivative = derivativeAt(motion, next, there);
    values = next;
    numbers = there;
  }
  return { reached: { ...best!, solved: solvedInAll }, derivative };
}

/** What a place to come to is worth, the less the better. */
const merit = ({ cost, short }: Reached) => cost + SHORT_PRICE * (short > HOLDS_MM ? short : 0);

/** Whether one place to come to is better than another: what falls short first, then the cost. */
export function isBetter(a: Reached, b: Reached): boolean {
  if (Math.abs(a.short - b.short) > HOLDS_MM) return a.short < b.short;
  return a.cost < b.cost;
}

const isBroken = ({ value }: Wish) => value < -HOLDS_MM;

/** Every wish of some faces. */
function allWishes({ request, waived, wishes }: Task, facts: readonly FaceFacts[], numbers: Numbers, ways: ReadonlyMap<string, Way>): Wish[] {
  return facts.flatMap((one) => [...wishes({ request, facts: one, numbers: numbers[one.index], waived, ways, brief: false })]);
}

/** The wishes that do not hold, of every face. */
function allBroken({ request, facts, waived, wishes }: Task, numbers: Numbers, ways: ReadonlyMap<string, Way>): Wish[] {
  return facts.flatMap((one) => [...wishes({ request, facts: one, numbers: numbers[one.index], waived, ways, brief: true })].filter(isBroken));
}

interface Here {
  readonly values: Float64Array;
  readonly numbers: Numbers;
  readonly derivative: Derivative;
}

/** The best step by the lines; null where there is none. `known`: keys of rows that mattered before, added to. */
function nextStep(
  task: Task,
  here: Here,
  wishes: readonly Wish[],
  known: Set<string>,
): { step: Float64Array | null; pressing: Reached["pressing"]; solved: number } {
  const { motion, prices } = task;
  const rows = [...rowsOf(wishes, here.derivative), ...rangeRows(motion, here.values)];
  const programme = costProgramme(motion, prices, here.derivative, here);
  const chosen = new Set(rows.filter(({ key, wish, bound }) => (wish !== null && bound > 0) || known.has(key)));
  let solved = 0;
  let step: Float64Array = new Float64Array(here.values.length);
  let pressing: Reached["pressing"] = [];
  // What has nothing to do with a row that has come in has its solution already.
  const solutions = new Map<string, Solution>();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const list = [...chosen];
    const parts = separated(motion, list, here.values);
    step = new Float64Array(here.values.length);
    const pressed: { wish: Wish; multiplier: number }[] = [];
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

/** Wishes as rows of the variables. Of those that say the same in the same way the one with the least room stands for all. */
function rowsOf(wishes: readonly Wish[], derivative: Derivative): WishRow[] {
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
function rangeRows({ variables }: Motion, values: Float64Array): WishRow[] {
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

/** What has nothing to do with each other, apart: rows join the variables they speak of, controls those that move them. What no row speaks of and is where it began is left out. */
function separated({ moved }: Motion, rows: readonly WishRow[], values: Float64Array): Separate[] {
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
    const all: Row[] = rows.map((row) => {
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
      const price = word === "" ? 30 : 1;
      hessian[s][s] = SHORT_GROWTH * price;
      linear[s] = SHORT_PRICE * price;
      all.push({ indexes: [s], weights: [1], bound: 0 });
    }
    const solution = solveQuadratic(hessian, linear, all);
    if (solution) return solution;
  }
  return null;
}
