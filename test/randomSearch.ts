/**
 * The least change that a long random search finds: what Settle is measured against. It knows nothing of constraints and programs: it throws
 * values, lets the checks say whether they will do, and creeps down from those that do.
 */
import { costOf, pricesOf } from "../core/settle/problem/cost";
import { scenariosOf, NUMBERS } from "../core/settle/problem/scenarios";
import { motionOf, numbersAt } from "../core/settle/linearize";
import { allFindings, requestedFindings, verify } from "../core/settle/verify";
import { USUALLY_CHANGEABLE, type SettleRequest } from "../core/settle/request";
import { variablesOf, withValues } from "../core/settle/problem/variables";
import { randomFrom } from "./random";

/** How long to search: throws, and steps down from each that will do. */
export interface Patience {
  readonly seed: number;
  readonly throws: number;
  readonly steps: number;
}

/** The least cost that is found, mm²; Infinity where nothing will do. */
export function leastByRandomSearch(request: SettleRequest, { seed, throws, steps }: Patience): number {
  const random = randomFrom(seed);
  const { layout } = request;
  const scenarios = scenariosOf(layout, request.screens, request.faces);
  const before = allFindings(layout, scenarios, request.moment);
  const asked = requestedFindings(request, before).flatMap(({ finding }) => finding.subjects);
  const variables = variablesOf({ layout, scenarios, held: new Set(request.held), children: true, growing: new Set(), changeable: USUALLY_CHANGEABLE });
  const motion = motionOf(layout, scenarios, variables);
  const prices = pricesOf(layout, numbersAt(motion, new Float64Array(variables.length)), request.weights);
  const origin = numbersAt(motion, new Float64Array(variables.length));
  // A hit area goes on holding its picture, as Settle keeps it.
  const holds = (values: Float64Array) =>
    numbersAt(motion, values).every((line, f) =>
      layout.controls.every((_, c) => {
        const over = (numbers: Float64Array) => {
          const [x, y, w, h, hx, hy, hw, hh] = numbers.subarray(c * NUMBERS, c * NUMBERS + 8);
          return [x - hx, y - hy, hx + hw - x - w, hy + hh - y - h];
        };
        const was = over(origin[f]);
        return over(line).every((side, i) => side >= Math.min(0, was[i]) - 1e-6);
      }),
    );
  const cost = (values: Float64Array) => costOf(prices, numbersAt(motion, values), "price");
  const willDo = (values: Float64Array) => {
    if (!holds(values)) return false;
    const { remaining: left, worse } = verify(request, scenarios, before, withValues(layout, variables, values, true));
    return left.length === 0 && worse.length === 0;
  };
  const concerned = variables.flatMap((v, i) => (v.parts.some(({ slot }) => asked.includes(slot.id)) ? [i] : []));
  const clamped = (value: number, i: number) => Math.min(variables[i].high, Math.max(variables[i].low, value));
  let least = Infinity;
  for (let t = 0; t < throws; t += 1) {
    const reach = 1 + 9 * random();
    let values = new Float64Array(variables.length);
    for (const i of concerned) if (random() < 0.6) values[i] = clamped((random() * 2 - 1) * reach * (variables[i].kind === "place" ? 1 : 0.4), i);
    if (!willDo(values)) continue;
    let now = cost(values);
    let stride = 0.5;
    for (let s = 0; s < steps; s += 1) {
      const shrink = random() < 0.5 ? 1 - stride * 0.3 * random() : 1;
      const next = values.map((v, i) => {
        const isMoved = v !== 0 || (concerned.includes(i) && random() < 0.1);
        return isMoved ? clamped(v * shrink + (random() < 0.4 ? (random() * 2 - 1) * stride : 0), i) : v;
      });
      const price = cost(next);
      if (price < now && willDo(next)) {
        values = next;
        now = price;
        stride = Math.min(1, stride * 1.3);
      } else stride = Math.max(0.01, stride * 0.97);
    }
    least = Math.min(least, now);
  }
  return least;
}
