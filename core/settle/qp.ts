/**
 * Quadratic programming: minimises ½·xᵀHx + cᵀx so that each row a·x ≥ b holds.
 *
 * Dual active-set method of Goldfarb and Idnani (“A numerically stable dual method for solving strictly convex quadratic programs”,
 * Mathematical Programming 27, 1983). It starts at the unconstrained minimum and adds one violated row after another:
 *
 *     minimum without rows ─► most violated row ─► step towards it ─┬─► reached: the row becomes active ─┐
 *              ▲                                      ▲             └─► an active row's multiplier is 0: ─┤
 *              └── none violated: solved              └────────────────── that row becomes inactive ◄─────┘
 *
 * With H = LLᵀ and the active rows N, the method keeps J = L⁻ᵀQ and R, where L⁻¹N = Q·[R; 0]. The first q columns of J belong to the active
 * rows. The other columns span the directions in which no active row changes.
 */

/** One linear constraint: the sum of weights[k] · x[indexes[k]] is at least `bound`. */
export interface LinearConstraint {
  readonly indexes: readonly number[];
  readonly weights: readonly number[];
  readonly bound: number;
}

/** `multipliers`: by how much the minimum rises per unit of each row's bound; 0 for inactive rows. */
export interface Solution {
  readonly values: Float64Array;
  readonly multipliers: Float64Array;
  /** Whether all rows hold within `FEASIBLE`; false if the step limit was reached first. */
  readonly isExact: boolean;
}

/** A row may be violated by this fraction of its size (its bound and the size of its terms). */
const FEASIBLE = 1e-9;
/** A row depends on the active rows if at most this fraction of it is left without them. */
const DEPENDENT = 1e-10;
/** Step limit: this number plus `each` per row and variable. Usually each active row takes about one step. */
const STEPS = { base: 200, each: 12 };

/** Solves a program. `hessian`: H by rows, symmetric and positive definite. Null if no values satisfy all rows, or if H is not positive definite. */
export function solveQuadratic(hessian: readonly Float64Array[], linear: Float64Array, rows: readonly LinearConstraint[]): Solution | null {
  const factor = factorOf(hessian);
  if (!factor) return null;
  const state = startAt(factor, linear);
  const { values, active } = state;
  const limit = STEPS.base + STEPS.each * (linear.length + rows.length);
  const isActive = new Uint8Array(rows.length);
  let isExact = false;
  for (let step = 0; step < limit; step += 1) {
    if (state.entering < 0) {
      state.entering = mostViolated(rows, values, isActive);
      state.multiplier = 0;
      if (state.entering < 0) {
        isExact = true;
        break;
      }
    }
    const row = rows[state.entering];
    const { direction, fall, along } = directionOf(state, row);
    const { length: dualLength, place } = dualStep(state, fall);
    const primalLength = along > 0 ? (row.bound - termsOf(row, values)) / along : Infinity;
    const length = Math.min(dualLength, primalLength);
    if (length === Infinity) return null;
    if (along > 0) for (let i = 0; i < values.length; i += 1) values[i] += length * direction[i];
    for (let k = 0; k < active.length; k += 1) active[k].multiplier -= length * fall[k];
    state.multiplier += length;
    if (primalLength <= dualLength) {
      isActive[state.entering] = 1;
      activate(state);
    } else {
      isActive[active[place].row] = 0;
      deactivate(state, place);
    }
  }
  const multipliers = new Float64Array(rows.length);
  for (const { row, multiplier } of active) multipliers[row] = Math.max(0, multiplier);
  return values.every(Number.isFinite) ? { values, multipliers, isExact } : null;
}

/** The solver between two steps. */
interface State {
  readonly values: Float64Array;
  /** J by columns. */
  readonly basis: readonly Float64Array[];
  /** R by columns; column k has k + 1 numbers in use. */
  readonly triangle: Float64Array[];
  readonly active: { row: number; multiplier: number }[];
  /** The violated row that the steps lead to (−1: none), its multiplier so far, and Jᵀa of it. */
  entering: number;
  multiplier: number;
  readonly inBasis: Float64Array;
}

/** Cholesky factor of a symmetric matrix: its lower triangle L by rows; null if the matrix is not positive definite. */
function factorOf(matrix: readonly Float64Array[]): Float64Array[] | null {
  const lower = matrix.map((_, i) => new Float64Array(i + 1));
  for (let i = 0; i < matrix.length; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i][j];
      for (let k = 0; k < j; k += 1) sum -= lower[i][k] * lower[j][k];
      if (i > j) lower[i][j] = sum / lower[j][j];
      else if (sum > 0) lower[i][i] = Math.sqrt(sum);
      else return null;
    }
  return lower;
}

/** The unconstrained minimum −H⁻¹c, with J = L⁻ᵀ. */
function startAt(lower: readonly Float64Array[], linear: Float64Array): State {
  const n = linear.length;
  const basis = Array.from({ length: n }, (_, column) => {
    const solved = new Float64Array(n);
    for (let i = column; i >= 0; i -= 1) {
      let sum = i === column ? 1 : 0;
      for (let k = i + 1; k <= column; k += 1) sum -= lower[k][i] * solved[k];
      solved[i] = sum / lower[i][i];
    }
    return solved;
  });
  const values = new Float64Array(n);
  for (const column of basis) {
    let sum = 0;
    for (let i = 0; i < n; i += 1) sum += column[i] * linear[i];
    for (let i = 0; i < n; i += 1) values[i] -= sum * column[i];
  }
  return { values, basis, triangle: [], active: [], entering: -1, multiplier: 0, inBasis: new Float64Array(n) };
}

function termsOf({ indexes, weights }: LinearConstraint, values: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < indexes.length; k += 1) sum += weights[k] * values[indexes[k]];
  return sum;
}

/** The inactive row that is violated most, relative to its weights; −1 if all hold. */
function mostViolated(rows: readonly LinearConstraint[], values: Float64Array, isActive: Uint8Array): number {
  let worst = -1;
  let most = 0;
  for (let r = 0; r < rows.length; r += 1) {
    if (isActive[r] === 1) continue;
    const { indexes, weights, bound } = rows[r];
    let sum = 0;
    let size = Math.abs(bound) + 1;
    let square = 0;
    for (let k = 0; k < indexes.length; k += 1) {
      const term = weights[k] * values[indexes[k]];
      sum += term;
      size += Math.abs(term);
      square += weights[k] * weights[k];
    }
    if (sum >= bound - FEASIBLE * size) continue;
    const violation = (bound - sum) / (Math.sqrt(square) || 1);
    if (violation > most) {
      most = violation;
      worst = r;
    }
  }
  return worst;
}

/**
 * The direction in which the entering row grows while the active rows keep their values (`along`: its growth per unit; 0 if it depends on
 * them), and by how much the multiplier of each active row falls.
 */
function directionOf(state: State, row: LinearConstraint): { readonly direction: Float64Array; readonly fall: Float64Array; readonly along: number } {
  const { basis, triangle, active, inBasis, values } = state;
  const q = active.length;
  let whole = 0;
  let free = 0;
  for (let j = 0; j < basis.length; j += 1) {
    const d = termsOf(row, basis[j]);
    inBasis[j] = d;
    whole += d * d;
    if (j >= q) free += d * d;
  }
  const fall = inBasis.slice(0, q);
  for (let i = q - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < q; k += 1) fall[i] -= triangle[k][i] * fall[k];
    fall[i] /= triangle[i][i];
  }
  const direction = new Float64Array(values.length);
  if (free <= DEPENDENT * DEPENDENT * whole || free === 0) return { direction, fall, along: 0 };
  for (let j = q; j < basis.length; j += 1) for (let i = 0; i < direction.length; i += 1) direction[i] += inBasis[j] * basis[j][i];
  return { direction, fall, along: free };
}

/** The longest step that leaves no active row a negative multiplier, and the place of the row whose multiplier becomes 0. */
function dualStep({ active }: State, fall: Float64Array): { readonly length: number; readonly place: number } {
  let length = Infinity;
  let place = -1;
  let most = 0;
  for (let k = 0; k < active.length; k += 1) most = Math.max(most, Math.abs(fall[k]));
  for (let k = 0; k < active.length; k += 1) {
    if (!(fall[k] > DEPENDENT * most)) continue;
    const ratio = Math.max(0, active[k].multiplier) / fall[k];
    if (ratio < length) {
      length = ratio;
      place = k;
    }
  }
  return { length, place };
}

/** A rotation that brings (a, b) to (r, 0): its cosine, its sine and r. */
function rotationOf(a: number, b: number): readonly [number, number, number] {
  const r = Math.hypot(a, b);
  return r === 0 ? [1, 0, 0] : [a / r, b / r, r];
}

function rotate(a: Float64Array, b: Float64Array, [cos, sin]: readonly [number, number, number]): void {
  for (let i = 0; i < a.length; i += 1) {
    const x = a[i];
    a[i] = cos * x + sin * b[i];
    b[i] = cos * b[i] - sin * x;
  }
}

/** Makes the entering row active: its part in the free columns of J is rotated into the first of them. */
function activate(state: State): void {
  const { basis, triangle, active, inBasis } = state;
  const q = active.length;
  for (let j = basis.length - 1; j > q; j -= 1) {
    if (inBasis[j] === 0) continue;
    const rotation = rotationOf(inBasis[j - 1], inBasis[j]);
    inBasis[j - 1] = rotation[2];
    inBasis[j] = 0;
    rotate(basis[j - 1], basis[j], rotation);
  }
  triangle.push(inBasis.slice(0, q + 1));
  active.push({ row: state.entering, multiplier: state.multiplier });
  state.entering = -1;
}

/** Makes the active row at a place inactive; R becomes triangular again by rotations. */
function deactivate({ basis, triangle, active }: State, place: number): void {
  active.splice(place, 1);
  triangle.splice(place, 1);
  for (let k = place; k < triangle.length; k += 1) {
    const rotation = rotationOf(triangle[k][k], triangle[k][k + 1]);
    for (let j = k; j < triangle.length; j += 1) {
      const [above, below] = [triangle[j][k], triangle[j][k + 1]];
      triangle[j][k] = rotation[0] * above + rotation[1] * below;
      triangle[j][k + 1] = rotation[0] * below - rotation[1] * above;
    }
    triangle[k] = triangle[k].slice(0, k + 1);
    rotate(basis[k], basis[k + 1], rotation);
  }
}
