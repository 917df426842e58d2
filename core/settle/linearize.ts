/**
 * How the controls move with the variables. Placement is linear in nearly every length of the file (a clamp in mm has a kink, a
 * percentage of a changing side is a product), so one derivative, computed by placing the layout with a changed variable, is valid far.
 */
import { byId } from "../derived/byId";
import type { Layout } from "../format/types";
import { homeOf } from "../editing/placeables";
import { NUMBERS, numbersOn, type Scenario } from "./problem/scenarios";
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

/** The derivative at some values, where the layout is at `numbers`. */
export function derivativeAt(motion: LayoutMotion, values: Float64Array, numbers: Numbers): Derivative {
  const { scenarios, places, moved, colours, variables } = motion;
  const of: number[][] = Array.from({ length: places.size }, () => []);
  moved.forEach((controls, v) => controls.forEach((c) => of[c].push(v)));
  const by = scenarios.map(() => of.map((list) => new Float64Array(NUMBERS * list.length)));
  for (const colour of colours) {
    const stepped = values.slice();
    for (const v of colour) stepped[v] += stepOf(variables[v], values[v]);
    const next = numbersAt(motion, stepped);
    for (const v of colour) {
      const step = stepped[v] - values[v];
      for (const c of moved[v]) {
        const column = of[c].indexOf(v);
        const width = of[c].length;
        scenarios.forEach((_, f) => {
          const block = by[f][c];
          for (let k = 0; k < NUMBERS; k += 1) {
            const change = next[f][c * NUMBERS + k] - numbers[f][c * NUMBERS + k];
            block[k * width + column] = Number.isFinite(change) && Math.abs(change) > 1e-9 ? change / step : 0;
          }
        });
      }
    }
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
