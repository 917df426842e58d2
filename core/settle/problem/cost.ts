/**
 * What a change costs, in mm²: the sum over the controls of w times the mean, over the scenarios a control is in, of weighted squared changes.
 * The *cost* weighs the movement of the centre and the change of the sides of the picture by 1, of the sides of the hit area by ¼. The *price*, which
 * is minimized, weighs the sides of the picture by 3 and a movement of the hit area away from its picture by 1: people see both at once. Landing
 * areas and travel have small prices, so that of equal results the one with the smallest change is chosen.
 */
import type { Layout } from "../../format/types";
import { HIT, NUMBERS, VISUAL } from "./scenarios";
import type { Derivative, LayoutMotion, Numbers } from "../linearize";
import type { VariableKind } from "./variables";

/** Quantities of a control (weighted sums of its numbers), and how much their squared changes weigh. */
const TERMS: readonly { readonly cost: number; readonly price: number; readonly numbers: readonly (readonly [number, number])[] }[] = [
  { cost: 1, price: 1, numbers: [[VISUAL, 1], [VISUAL + 2, 0.5]] }, // prettier-ignore
  { cost: 1, price: 1, numbers: [[VISUAL + 1, 1], [VISUAL + 3, 0.5]] }, // prettier-ignore
  { cost: 1, price: 3, numbers: [[VISUAL + 2, 1]] },
  { cost: 1, price: 3, numbers: [[VISUAL + 3, 1]] },
  { cost: 0.25, price: 0.25, numbers: [[HIT + 2, 1]] },
  { cost: 0.25, price: 0.25, numbers: [[HIT + 3, 1]] },
  { cost: 0, price: 1, numbers: [[HIT, 1], [HIT + 2, 0.5], [VISUAL, -1], [VISUAL + 2, -0.5]] }, // prettier-ignore
  { cost: 0, price: 1, numbers: [[HIT + 1, 1], [HIT + 3, 0.5], [VISUAL + 1, -1], [VISUAL + 3, -0.5]] }, // prettier-ignore
];
/** The additional price per squared mm of a variable: it decides between equal results. */
const SMALL_PRICE: Readonly<Record<VariableKind, number>> = { cluster: 1e-6, place: 1e-6, size: 1e-6, hit: 1e-6, shift: 1e-6, landing: 0.01, travel: 0.01 };

/** What a change is measured by: the cost that is reported, or the price that is minimized. */
export type Measure = "cost" | "price";

/** The numbers that changes are measured from, and the weight of each control. */
export interface Prices {
  readonly origin: Numbers;
  readonly weights: readonly number[];
  /** In how many scenarios a control is. */
  readonly scenarios: readonly number[];
}

/** The prices of changes of a layout that is at `origin`. */
export function pricesOf(layout: Layout, origin: Numbers, weights: Readonly<Record<string, number>>): Prices {
  return {
    origin,
    weights: layout.controls.map(({ id }) => (Object.hasOwn(weights, id) ? weights[id] : 1)),
    scenarios: layout.controls.map((_, c) => origin.filter((line) => !Number.isNaN(line[c * NUMBERS])).length),
  };
}

/** The cost, or the price, of being at `numbers`, mm². */
export function costOf({ origin, weights, scenarios }: Prices, numbers: Numbers, measure: Measure): number {
  let sum = 0;
  numbers.forEach((line, f) =>
    weights.forEach((weight, c) => {
      const base = c * NUMBERS;
      if (Number.isNaN(line[base])) return;
      for (const { [measure]: square, numbers: parts } of TERMS) {
        let change = 0;
        for (const [k, part] of parts) change += part * (line[base + k] - origin[f][base + k]);
        sum += (weight * square * change * change) / scenarios[c];
      }
    }),
  );
  return sum;
}

/** The sum of the small prices. */
export function smallCost({ variables }: LayoutMotion, values: ArrayLike<number>): number {
  return variables.reduce((sum, { kind }, i) => sum + SMALL_PRICE[kind] * values[i] ** 2, 0);
}

/** The price of a step from some values, as half a square and a line: ½·sᵀHs + cᵀs and a constant. */
export function quadraticPrice(
  motion: LayoutMotion,
  prices: Prices,
  derivative: Derivative,
  at: { readonly values: Float64Array; readonly numbers: Numbers },
): { readonly hessian: Float64Array[]; readonly linear: Float64Array } {
  const n = motion.variables.length;
  const hessian = Array.from({ length: n }, () => new Float64Array(n));
  const linear = new Float64Array(n);
  motion.variables.forEach(({ kind }, i) => {
    hessian[i][i] += 2 * SMALL_PRICE[kind];
    linear[i] += 2 * SMALL_PRICE[kind] * at.values[i];
  });
  const { of, by } = derivative;
  at.numbers.forEach((line, f) =>
    prices.weights.forEach((weight, c) => {
      const base = c * NUMBERS;
      if (Number.isNaN(line[base])) return;
      const list = of[c];
      const width = list.length;
      const block = by[f][c];
      const along = new Float64Array(width);
      for (const { price, numbers: parts } of TERMS) {
        let change = 0;
        along.fill(0);
        for (const [k, part] of parts) {
          change += part * (line[base + k] - prices.origin[f][base + k]);
          for (let i = 0; i < width; i += 1) along[i] += part * block[k * width + i];
        }
        const twice = (2 * weight * price) / prices.scenarios[c];
        for (let i = 0; i < width; i += 1) {
          if (along[i] === 0) continue;
          linear[list[i]] += twice * along[i] * change;
          const row = hessian[list[i]];
          for (let j = 0; j < width; j += 1) row[list[j]] += twice * along[i] * along[j];
        }
      }
    }),
  );
  return { hessian, linear };
}
