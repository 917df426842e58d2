/**
 * A quadratic programme: the least of ½·xᵀHx + cᵀx where every row holds, row·x ≥ bound. Solved by the dual method of Goldfarb and Idnani (1983),
 * as the package quadprog has it: it begins at least of all and takes in one broken row after another, so few rows that matter are quick.
 *
 * Left to itself the package may go round for ever over a row that is broken by the last digit of a double. So its loop is entered below the
 * package's own door, where its steps can be counted, and ended when they are far more than rows could ask for.
 */
import qpgen2 from "quadprog/lib/qpgen2";

/** One wish of a programme: the sum of weight · x[index] is at least `bound`. */
export interface LinearConstraint {
  readonly indexes: readonly number[];
  readonly weights: readonly number[];
  readonly bound: number;
}

/** `multipliers`: what a unit more of each row's bound would cost; 0 where the row does not press. */
export interface Solution {
  readonly values: Float64Array;
  readonly multipliers: Float64Array;
  /** Whether every row holds but for the last digits; false where the steps were ended before. */
  readonly isExact: boolean;
}

/** Steps that are granted: this many, and this many more for each row and variable. A programme takes about one for each row that presses. */
const STEPS = { usual: 200, each: 12 };
/** A row that is broken by no more than this part of its size holds. */
const HOLDS = 1e-7;

class TooManySteps extends Error {}

/** Solves a programme; H symmetric, positive definite, as rows. Null where no values hold every row. */
export function solveQuadratic(hessian: readonly Float64Array[], linear: Float64Array, rows: readonly LinearConstraint[]): Solution | null {
  const n = linear.length;
  const q = rows.length;
  // Nothing can change: the rows hold, or they do not.
  if (n === 0) return rows.every(({ bound }) => bound <= 0) ? { values: new Float64Array(0), multipliers: new Float64Array(q), isExact: true } : null;
  // The package counts from 1, as the Fortran it comes from did, and takes rows as columns.
  const square = [new Float64Array(0), ...hessian.map((line) => Float64Array.of(0, ...line))];
  const along = Float64Array.of(0, ...linear.map((c) => -c));
  const columns = Array.from({ length: n + 1 }, () => new Float64Array(q + 1));
  rows.forEach(({ indexes, weights }, r) => indexes.forEach((index, k) => (columns[index + 1][r + 1] += weights[k])));
  const bounds = Float64Array.of(0, ...rows.map(({ bound }) => bound));
  const most = Math.min(n, q);
  const room = {
    values: new Float64Array(n + 1),
    multipliers: new Float64Array(q + 1),
    active: new Int32Array(q + 2),
    work: new Float64Array(2 * n + (most * (most + 5)) / 2 + 2 * q + 3),
    fault: [0, 0],
  };
  const { values, multipliers, active, work, fault } = room;
  let isEnded = false;
  try {
    qpgen2(square, along, n, n, values, multipliers, [0, 0], columns, bounds, n, q, 0, active, 0, counted(STEPS.usual + STEPS.each * (n + q)), work, fault);
  } catch (error) {
    if (!(error instanceof TooManySteps)) throw error;
    isEnded = true;
    // What the active rows cost is in the working room.
    for (let i = 1; i <= most && active[i] > 0; i += 1) multipliers[active[i]] = work[2 * n + most + i];
  }
  if (fault[1] !== 0 || !values.every(Number.isFinite)) return null;
  const found = values.slice(1);
  const isExact =
    !isEnded ||
    rows.every(({ indexes, weights, bound }) => indexes.reduce((sum, index, k) => sum + weights[k] * found[index], 0) >= bound - HOLDS * (1 + Math.abs(bound)));
  return { values: found, multipliers: multipliers.slice(1), isExact };
}

/** Where the package counts its steps; it hears when they are too many. */
function counted(most: number): number[] {
  const steps = [0, 0, 0];
  let count = 0;
  Object.defineProperty(steps, 1, {
    get: () => count,
    set: (next: number) => {
      count = next;
      if (count > most) throw new TooManySteps();
    },
  });
  return steps;
}
