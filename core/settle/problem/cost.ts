/**
 * The cost of a change: the sum over the controls of w·(the mean, over the scenarios a control is in, of the squared movement of its centre, the
 * squared change of its visual sides and a quarter of the squared change of its hit sides), mm². The other variables (shift of hit areas,
 * landing areas, travel) have small prices, so that of equal results the one with the smallest change is chosen.
 */
import type { Layout } from "../../format/types";
import { HIT, NUMBERS, VISUAL } from "./scenarios";
import type { Derivative, LayoutMotion, Numbers } from "../linearize";
import type { VariableKind } from "./variables";

/** Quantities of a control that have a price: weighted sums of its numbers. */
const TERMS: readonly { readonly price: number; readonly numbers: readonly (readonly [number, number])[] }[] = [
  { price: 1, numbers: [[VISUAL, 1], [VISUAL + 2, 0.5]] }, // prettier-ignore
  { price: 1, numbers: [[VISUAL + 1, 1], [VISUAL + 3, 0.5]] }, // prettier-ignore
  { price: 1, numbers: [[VISUAL + 2, 1]] },
  { price: 1, numbers: [[VISUAL + 3, 1]] },
  { price: 0.25, numbers: [[HIT + 2, 1]] },
  { price: 0.25, numbers: [[HIT + 3, 1]] },
];
/** The additional price per squared mm of a variable: it decides between equal results, and is less than a movement of 0.1 mm. */
const SMALL_PRICE: Readonly<Record<VariableKind, number>> = { cluster: 1e-6, place: 1e-6, size: 1e-6, hit: 1e-6, shift: 0.1, landing: 0.01, travel: 0.01 };

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

/** The cost of being at `numbers`, mm². */
export function costOf({ origin, weights, scenarios }: Prices, numbers: Numbers): number {
  let cost = 0;
  numbers.forEach((line, f) =>
    weights.forEach((weight, c) => {
      const base = c * NUMBERS;
      if (Number.isNaN(line[base])) return;
      for (const { price, numbers: parts } of TERMS) {
        let change = 0;
        for (const [k, part] of parts) change += part * (line[base + k] - origin[f][base + k]);
        cost += (weight * price * change * change) / scenarios[c];
      }
    }),
  );
  return cost;
}

/** The sum of the small prices. */
export function smallCost({ variables }: LayoutMotion, values: ArrayLike<number>): number {
  return variables.reduce((sum, { kind }, i) => sum + SMALL_PRICE[kind] * values[i] ** 2, 0);
}

/** The cost of a step from some values, as half a square and a line: ½·sᵀHs + cᵀs and a constant. */
export function quadraticCost(
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
