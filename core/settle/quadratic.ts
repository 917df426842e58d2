/**
 * A quadratic programme: the least of ½·xᵀHx + cᵀx where every row holds, row·x ≥ bound. Solved by the dual method of Goldfarb and Idnani (1983),
 * as the package quadprog has it: it begins at the least of all and takes in one broken row after another, so few rows that matter are quick.
 */
import { solveQP } from "quadprog";

/** One wish of a programme: the sum of weight · x[index] is at least `bound`. */
export interface Row {
  readonly indexes: readonly number[];
  readonly weights: readonly number[];
  readonly bound: number;
}

/** `multipliers`: what a unit more of each row's bound would cost; 0 where the row does not press. */
export interface Solution {
  readonly values: Float64Array;
  readonly multipliers: Float64Array;
}

/** Solves a programme; H symmetric, positive definite, as rows. Null where no values hold every row. */
export function solveQuadratic(hessian: readonly Float64Array[], linear: Float64Array, rows: readonly Row[]): Solution | null {
  const n = linear.length;
  // Nothing can change: the rows hold, or they do not.
  if (n === 0) return rows.every(({ bound }) => bound <= 0) ? { values: new Float64Array(0), multipliers: new Float64Array(rows.length) } : null;
  // The package counts from 1, as the Fortran it comes from did, and takes rows as columns.
  const square = [[] as number[], ...hessian.map((line) => [0, ...line])];
  const along = [0, ...Array.from(linear, (c) => -c)];
  const columns = Array.from({ length: n + 1 }, () => new Array<number>(rows.length + 1).fill(0));
  rows.forEach(({ indexes, weights }, r) => indexes.forEach((index, k) => (columns[index + 1][r + 1] += weights[k])));
  const bounds = [0, ...rows.map(({ bound }) => bound)];
  const result = solveQP(square, along, columns, bounds);
  if (result.message !== "") return null;
  const values = Float64Array.from({ length: n }, (_, i) => result.solution[i + 1]);
  if (!values.every(Number.isFinite)) return null;
  return { values, multipliers: Float64Array.from(rows, (_, r) => result.Lagrangian[r + 1]) };
}
