/** A hit area contains its picture, at each side by as much as it did; and it does not leave the screen at a side where it did not. */
import { HIT, NUMBERS, VISUAL } from "../problem/scenarios";
import { AS_IT_WAS, ofControl, type Constraint, type ConstraintContext, type Terms } from "./constraint";

/** By how much the hit area extends beyond the picture at each side: numbers of the control and their weights. */
const MARGINS: readonly Terms[] = [
  [[VISUAL, 1], [HIT, -1]], // prettier-ignore
  [[VISUAL + 1, 1], [HIT + 1, -1]], // prettier-ignore
  [[HIT, 1], [HIT + 2, 1], [VISUAL, -1], [VISUAL + 2, -1]], // prettier-ignore
  [[HIT + 1, 1], [HIT + 3, 1], [VISUAL + 1, -1], [VISUAL + 3, -1]], // prettier-ignore
];

const sumOf = (terms: Terms, numbers: Float64Array) => terms.reduce((sum, [k, weight]) => sum + weight * numbers[k], 0);

export function* pictureConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { numbers, data } = context;
  const { screen } = data.scenario.frames;
  for (const placed of data.controls) {
    const base = placed.index * NUMBERS;
    for (const margin of MARGINS) {
      const terms = margin.map(([k, weight]) => [base + k, weight] as const);
      const value = sumOf(terms, numbers) - Math.min(0, sumOf(terms, data.origin));
      yield ofControl(context, placed, "held/picture", { target: AS_IT_WAS, value, terms });
    }
    for (const [axis, far] of [
      [0, screen.w],
      [1, screen.h],
    ] as const) {
      // prettier-ignore
      const at = base + HIT + axis;
      // How far the area lies within the near edge of the screen, and within the far one.
      const within: readonly { readonly constant: number; readonly terms: Terms }[] = [
        { constant: 0, terms: [[at, 1]] }, // prettier-ignore
        { constant: far, terms: [[at, -1], [at + 2, -1]] }, // prettier-ignore
      ];
      for (const { constant, terms } of within) {
        const value = constant + sumOf(terms, numbers) - Math.min(0, constant + sumOf(terms, data.origin));
        yield ofControl(context, placed, "held/screen", { target: AS_IT_WAS, value, terms });
      }
    }
  }
}
