/**
 * From some values down to the least cost at which every wish holds: the wishes as lines where all is now, the cost as a square, the least of
 * it found, and again from there. A line keeps clear of all that it represents (see contact.ts), so that what holds the lines holds the wishes.
 *
 * What is asked for may stay short, at a price far above any way a control could go: so a step is always found, and what cannot be had stays
 * short by as little as can be. What only has to stay may not.
 */
import { costOf, smallCost, type Prices } from "./cost";
import { derivativeAt, isAsSaid, numbersAt, predicted, type Derivative, type LayoutMotion, type Numbers } from "./layoutMotion";
import { nextStep, SHORT_PRICE, type MotionState, type ActiveConstraint } from "./nextStep";
import type { SettleRequest } from "./request";
import type { Relaxed } from "./aims";
import type { FaceFacts, Way, Constraint, ConstraintContext } from "./constraints";

/** What is to be solved. */
export interface Task {
  readonly request: SettleRequest;
  readonly motion: LayoutMotion;
  readonly prices: Prices;
  readonly facts: readonly FaceFacts[];
  readonly waived: Relaxed;
  /** The wishes of a face; `ways`: how pairs are reported to keep clear. */
  readonly wishes: (wishing: ConstraintContext) => Iterable<Constraint>;
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
  readonly broken: readonly Constraint[];
  /** The wishes that press, with what a mm of each costs, mm². */
  readonly pressing: readonly ActiveConstraint[];
  /** How many programmes were solved. */
  readonly solved: number;
}

/** What falls short by less than this holds, mm. */
const HOLDS_MM = 1e-4;
/** A step shorter than this is none, mm. */
const NO_STEP_MM = 1e-4;
const MOST_STEPS = 24;
/** A step that gains less than this part of the cost is idle; this many of them and it has arrived. */
const ENOUGH = 5e-4;
const MOST_IDLE = 2;

/** Faces are taken in so often before it remains at that. */
const MOST_LOOKS = 10;

/**
 * Descends from some values. Most faces ask for nothing that another does not ask for more: it begins with those on which a finding is worst, and
 * takes in the others where it would break something there. `firstWays`: how some pairs are reported to keep clear in the first step.
 */
export function descend(task: Task, start: Float64Array, firstWays: ReadonlyMap<string, Way> = new Map()): Reached {
  const known = new Set<string>();
  const active = new Set<number>();
  const lasting = lastingWays(firstWays);
  const take = (wishes: readonly Constraint[]): boolean => {
    const worst = new Map<string, Constraint>();
    for (const wish of wishes) {
      const word = `${wish.code} ${wish.subjects.join(" ")}`;
      if (wish.value < (worst.get(word)?.value ?? Infinity)) worst.set(word, wish);
    }
    const size = active.size;
    for (const { face } of worst.values()) active.add(face);
    return active.size > size;
  };
  let from = stateAt(task.motion, start);
  take(allBroken(task, from.numbers, lasting));
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

/** Where descents have begun: several begin at the same values. */
const states = new WeakMap<LayoutMotion, WeakMap<Float64Array, MotionState>>();

/** Where all is at some values, and how it moves there. The same two give the same object. */
function stateAt(motion: LayoutMotion, values: Float64Array): MotionState {
  const known = states.get(motion) ?? new WeakMap<Float64Array, MotionState>();
  states.set(motion, known);
  const before = known.get(values);
  if (before) return before;
  const numbers = numbersAt(motion, values);
  const state = { values, numbers, derivative: derivativeAt(motion, values, numbers) };
  known.set(values, state);
  return state;
}

const shortOf = (broken: readonly Constraint[]) => broken.reduce((sum, { value }) => sum - value, 0);

/** Ways apart hold to the end; directions only at first. */
const lastingWays = (ways: ReadonlyMap<string, Way>): ReadonlyMap<string, Way> =>
  new Map([...ways].filter(([, way]) => way.apart).map(([pair, way]) => [pair, { ...way, along: null }]));

/** Descends on some faces. */
function descendOn(
  task: Task,
  from: MotionState,
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
    const taken = nextStep({ motion, prices }, { values, numbers, derivative }, wishes, known);
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
function isBetter(a: Reached, b: Reached): boolean {
  if (Math.abs(a.short - b.short) > HOLDS_MM) return a.short < b.short;
  return a.cost < b.cost;
}

const isBroken = ({ value }: Constraint) => value < -HOLDS_MM;

/** Every wish of some faces. */
function allWishes({ request, waived, wishes }: Task, facts: readonly FaceFacts[], numbers: Numbers, ways: ReadonlyMap<string, Way>): Constraint[] {
  return facts.flatMap((one) => [...wishes({ request, facts: one, numbers: numbers[one.index], waived, ways, brief: false })]);
}

/** The wishes that do not hold, of every face. */
function allBroken({ request, facts, waived, wishes }: Task, numbers: Numbers, ways: ReadonlyMap<string, Way>): Constraint[] {
  return facts.flatMap((one) => [...wishes({ request, facts: one, numbers: numbers[one.index], waived, ways, brief: true })].filter(isBroken));
}
