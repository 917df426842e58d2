import fc from "fast-check";
import { solveQuadratic, type LinearConstraint } from "./quadratic";
import { repeated } from "../../test/repeated";

const number = fc.integer({ min: -40, max: 40 }).map((n) => n / 8);
const rowsOf = (n: number) =>
  fc.array(fc.record({ weights: fc.array(number, { minLength: n, maxLength: n }), bound: fc.integer({ min: -24, max: 8 }).map((b) => b / 8) }), {
    maxLength: 6,
  });
const problem = fc
  .integer({ min: 1, max: 4 })
  .chain((n) =>
    fc.record({ roots: fc.array(number, { minLength: n, maxLength: n }), linear: fc.array(number, { minLength: n, maxLength: n }), rows: rowsOf(n) }),
  );

const dot = (a: ArrayLike<number>, b: ArrayLike<number>) => Array.from(a).reduce((sum, x, i) => sum + x * b[i], 0);

/** A matrix that is positive definite, whatever its numbers: the identity and a square. */
function made({ roots, linear, rows }: { roots: number[]; linear: number[]; rows: { weights: number[]; bound: number }[] }) {
  const hessian = roots.map((a, i) => Float64Array.from(roots, (b, j) => a * b + (i === j ? 1 : 0)));
  return {
    hessian,
    linear: Float64Array.from(linear),
    rows: rows.map(({ weights, bound }): LinearConstraint => ({ indexes: weights.map((_, i) => i), weights, bound })),
  };
}

test("what is found holds every row, and its gradient is a sum of the rows that press, none with a negative part", () => {
  fc.assert(
    fc.property(problem, (given) => {
      const { hessian, linear, rows } = made(given);
      const solution = solveQuadratic(hessian, linear, rows);
      fc.pre(solution !== null);
      const { values, multipliers } = solution;
      const scale = 1 + Math.max(0, ...multipliers);
      rows.forEach(({ weights, bound }, r) => {
        const room = dot(weights, values) - bound;
        expect(room).toBeGreaterThan(-1e-6);
        expect(multipliers[r]).toBeGreaterThanOrEqual(-1e-9);
        expect(multipliers[r] > 1e-6 * scale && Math.abs(room) >= 1e-6).toBe(false);
      });
      values.forEach((_, i) => {
        const gradient = dot(hessian[i], values) + linear[i];
        const pressed = rows.reduce((sum, { weights }, r) => sum + multipliers[r] * weights[i], 0);
        expect(Math.abs(gradient - pressed)).toBeLessThan(1e-6 * scale);
      });
    }),
    { numRuns: repeated(400) },
  );
});

test("rows that contradict each other have no solution; what has no rows has its least", () => {
  const one = [Float64Array.of(2)];
  expect(solveQuadratic(one, Float64Array.of(-6), [])!.values[0]).toBeCloseTo(3, 9);
  const between: LinearConstraint[] = [
    { indexes: [0], weights: [1], bound: 1 },
    { indexes: [0], weights: [-1], bound: 0 },
  ];
  expect(solveQuadratic(one, Float64Array.of(0), between)).toBeNull();
});
