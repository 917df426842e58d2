/**
 * How the controls move with the variables. Placement is linear in nearly every length of the file (a clamp in mm has a kink, a
 * percentage of a changing side is a product), so one derivative, computed by placing the layout with a changed variable, is valid far.
 */
import { byId } from "../derived/byId";
import { ownEntry } from "../engine/playerChanges";
import type { Layout } from "../format/types";
import { homeOf } from "../editing/placeables";
import { HIT, NUMBERS, numbersOn, type Scenario } from "./problem/scenarios";
import { withValues, type Variable } from "./problem/variables";

/** The numbers of every scenario, at some values. */
export type Numbers = readonly Float64Array[];

/** Derivatives. `of`: the variables that move a control, by its place; `by`: a scenario, then a control: `NUMBERS` rows of one column a variable. */
export interface Derivative {
  readonly of: readonly (readonly number[])[];
  readonly by: readonly (readonly Float64Array[])[];
}

/** A layout in its scenarios, moved by its variables. */
export interface LayoutMotion {
  readonly layout: Layout;
  readonly scenarios: readonly Scenario[];
  readonly variables: readonly Variable[];
  readonly places: ReadonlyMap<string, number>;
  /** Which controls each variable moves, by their places. */
  readonly moved: readonly (readonly number[])[];
  /** Sets of variables that move no common control: each set is changed at once. */
  readonly colours: readonly (readonly number[])[];
}

/** Prepares the motion of a layout by its variables. */
export function motionOf(layout: Layout, scenarios: readonly Scenario[], variables: readonly Variable[]): LayoutMotion {
  const places = new Map(layout.controls.map(({ id }, i) => [id, i]));
  const arrangements = [...new Set(scenarios.map((one) => one.arrangement))];
  const clusters = byId(layout.clusters);
  const movedBy = (id: string) =>
    clusters.has(id) ? layout.controls.flatMap((c, i) => (arrangements.some((a) => homeOf(layout, a, c) === id) ? [i] : [])) : [places.get(id)!];
  const moved = variables.map(({ parts }) => [...new Set(parts.flatMap(({ slot }) => movedBy(slot.id)))]);
  const colours: { members: number[]; taken: Set<number> }[] = [];
  moved.forEach((controls, v) => {
    let colour = colours.find(({ taken }) => !controls.some((c) => taken.has(c)));
    if (!colour) colours.push((colour = { members: [], taken: new Set() }));
    colour.members.push(v);
    for (const c of controls) colour.taken.add(c);
  });
  return { layout, scenarios, variables, places, moved, colours: colours.map(({ members }) => members) };
}

/** The same motion by some of its variables alone. */
export function motionBy(motion: LayoutMotion, isOne: (variable: Variable) => boolean): LayoutMotion {
  return motionOf(motion.layout, motion.scenarios, motion.variables.filter(isOne)); // prettier-ignore
}

/** The layout at some values, in every scenario. */
export function numbersAt({ layout, scenarios, variables, places }: LayoutMotion, values: ArrayLike<number>): Numbers {
  const at = withValues(layout, variables, values, false);
  return scenarios.map((scenario) => numbersOn(at, scenario, places));
}

/** The step of a difference quotient, mm: much more than a millionth of a unit, the resolution of a file. */
const STEP_MM = 0.25;

/** A side this near to its least side, mm, is at a kink: beyond it the picture or the growth decides its side. */
const KINK_MM = 4 * STEP_MM;

/** The controls, by their places, of which a side of the hit area is about as small as its least side lets it be. */
function controlsAtKink({ layout }: LayoutMotion, numbers: Numbers): ReadonlySet<number> {
  const found = new Set<number>();
  layout.controls.forEach(({ id, hit }, c) => {
    const least = [hit.minMm, ...layout.arrangements.flatMap(({ overrides }) => ownEntry(overrides, id)?.hit?.minMm ?? [])].filter((mm) => mm > 0);
    const isNear = (side: number) => least.some((mm) => Math.abs(side - mm) < KINK_MM);
    const at = c * NUMBERS + HIT;
    if (least.length > 0 && numbers.some((line) => isNear(line[at + 2]) || isNear(line[at + 3]))) found.add(c);
  });
  return found;
}

/** The derivative at some values, where the layout is at `numbers`. */
export function derivativeAt(motion: LayoutMotion, values: Float64Array, numbers: Numbers): Derivative {
  const { scenarios, places, moved, colours, variables } = motion;
  const of: number[][] = Array.from({ length: places.size }, () => []);
  moved.forEach((controls, v) => controls.forEach((c) => of[c].push(v)));
  const by = scenarios.map(() => of.map((list) => new Float64Array(NUMBERS * list.length)));
  /** The slopes of the numbers of a control by a variable in a scenario, by steps of some variables one way. */
  type Put = (at: { readonly scenario: number; readonly control: number; readonly variable: number }, slopes: Float64Array) => void;
  const quotients = (members: readonly number[], way: 1 | -1, put: Put) => {
    const stepped = values.slice();
    for (const v of members) stepped[v] += way * stepOf(variables[v], values[v]);
    const next = numbersAt(motion, stepped);
    for (const v of members) {
      const step = stepped[v] - values[v];
      for (const c of moved[v])
        scenarios.forEach((_, f) => {
          for (let k = 0; k < NUMBERS; k += 1) {
            const change = next[f][c * NUMBERS + k] - numbers[f][c * NUMBERS + k];
            slopes[k] = Number.isFinite(change) && Math.abs(change) > 1e-9 ? change / step : 0;
          }
          put({ scenario: f, control: c, variable: v }, slopes);
        });
    }
  };
  const slopes = new Float64Array(NUMBERS);
  /** Where the slopes of a control by a variable stand: its block, the first place, and the distance between two. */
  const placeOf: (at: Parameters<Put>[0]) => readonly [Float64Array, number, number] = ({ scenario, control, variable }) => [
    by[scenario][control],
    of[control].indexOf(variable),
    of[control].length,
  ];
  const atKink = controlsAtKink(motion, numbers);
  for (const colour of colours) {
    quotients(colour, 1, (at, found) => {
      const [block, first, apart] = placeOf(at);
      for (let k = 0; k < NUMBERS; k += 1) block[first + k * apart] = found[k];
    });
    // At a kink each way has its own slopes. What is certain either way is the one by which the hit area changes less.
    const kinked = colour.filter((v) => moved[v].some((c) => atKink.has(c)));
    if (kinked.length > 0)
      quotients(kinked, -1, (at, found) => {
        const [block, first, apart] = placeOf(at);
        const ahead = Math.abs(block[first + (HIT + 2) * apart]) + Math.abs(block[first + (HIT + 3) * apart]);
        if (Math.abs(found[HIT + 2]) + Math.abs(found[HIT + 3]) >= ahead) return;
        for (let k = 0; k < NUMBERS; k += 1) block[first + k * apart] = found[k];
      });
  }
  return { of, by };
}

/** How a sum of a scenario’s numbers (places of numbers with their weights) changes with the variables. */
export function variableTerms(
  { of, by }: Derivative,
  scenario: number,
  terms: readonly (readonly [number, number])[],
): { readonly indexes: readonly number[]; readonly weights: readonly number[] } {
  const sums = new Map<number, number>();
  for (const [number, weight] of terms) {
    const c = Math.floor(number / NUMBERS);
    const list = of[c];
    const block = by[scenario][c];
    const k = (number - c * NUMBERS) * list.length;
    for (let i = 0; i < list.length; i += 1) if (block[k + i] !== 0) sums.set(list[i], (sums.get(list[i]) ?? 0) + weight * block[k + i]);
  }
  const indexes = [...sums.keys()].filter((i) => Math.abs(sums.get(i)!) > NOTHING).sort((a, b) => a - b);
  return { indexes, weights: indexes.map((i) => sums.get(i)!) };
}

/** A weight below this is none: placing is right to six decimals of a unit. */
const NOTHING = 1e-9;

/** A step that stays within the range. */
const stepOf = ({ high }: Variable, value: number) => (value + STEP_MM <= high ? STEP_MM : -STEP_MM);

/** The numbers after a step, by the derivative alone. */
export function predicted({ scenarios, places }: LayoutMotion, { of, by }: Derivative, numbers: Numbers, step: Float64Array): Numbers {
  return scenarios.map((_, f) => {
    const next = numbers[f].slice();
    for (let c = 0; c < places.size; c += 1) {
      const list = of[c];
      const block = by[f][c];
      for (let k = 0; k < NUMBERS; k += 1) {
        let sum = 0;
        for (let i = 0; i < list.length; i += 1) sum += block[k * list.length + i] * step[list[i]];
        next[c * NUMBERS + k] += sum;
      }
    }
    return next;
  });
}

/** The largest error of a valid prediction, mm. */
const AS_PREDICTED_MM = 2e-3;

/** Whether a prediction is valid, so that the derivative can be used further. */
export function isAsPredicted(said: Numbers, is: Numbers): boolean {
  return said.every((line, f) => line.every((n, i) => !(Math.abs(n - is[f][i]) > AS_PREDICTED_MM)));
}
