import fc from "fast-check";
import { solveQuadratic, type LinearConstraint } from "./qp";
import { repeated } from "../../test/repeated";

const number = fc.integer({ min: -40, max: 40 }).map((n) => n / 8);
const rowsOf = (n: number, most: number) =>
  fc.array(fc.record({ weights: fc.array(number, { minLength: n, maxLength: n }), bound: fc.integer({ min: -24, max: 8 }).map((b) => b / 8) }), {
    maxLength: most,
  });
const problemOf = (mostVariables: number, mostRows: number) =>
  fc.integer({ min: 1, max: mostVariables }).chain((n) =>
    fc.record({
      roots: fc.array(number, { minLength: n, maxLength: n }),
      linear: fc.array(number, { minLength: n, maxLength: n }),
      rows: rowsOf(n, mostRows),
    }),
  );

const dot = (a: ArrayLike<number>, b: ArrayLike<number>) => Array.from(a).reduce((sum, x, i) => sum + x * b[i], 0);

interface Given {
  readonly roots: readonly number[];
  readonly linear: readonly number[];
  readonly rows: readonly { readonly weights: readonly number[]; readonly bound: number }[];
}

/** A positive definite matrix for any numbers: the identity plus a square. */
function made({ roots, linear, rows }: Given) {
  const hessian = roots.map((a, i) => Float64Array.from(roots, (b, j) => a * b + (i === j ? 1 : 0)));
  return {
    hessian,
    linear: Float64Array.from(linear),
    rows: rows.map(({ weights, bound }): LinearConstraint => ({ indexes: weights.map((_, i) => i), weights, bound })),
  };
}

/** Asserts the optimality conditions: every row holds, multipliers are not negative, only active rows have one, and together they balance the gradient. */
function expectOptimal({ hessian, linear, rows }: ReturnType<typeof made>): void {
  const { values, multipliers, isExact } = solveQuadratic(hessian, linear, rows)!;
  expect(isExact).toBe(true);
  const scale = 1 + Math.max(0, ...multipliers);
  rows.forEach(({ weights, bound }, r) => {
    const room = dot(weights, values) - bound;
    expect(room).toBeGreaterThan(-1e-6);
    expect(multipliers[r]).toBeGreaterThanOrEqual(0);
    expect(multipliers[r] > 1e-6 * scale && Math.abs(room) >= 1e-6).toBe(false);
  });
  values.forEach((_, i) => {
    const gradient = dot(hessian[i], values) + linear[i];
    const balanced = rows.reduce((sum, { weights }, r) => sum + multipliers[r] * weights[i], 0);
    expect(Math.abs(gradient - balanced)).toBeLessThan(1e-6 * scale);
  });
}

test("the solution satisfies the optimality conditions", () => {
  fc.assert(
    fc.property(problemOf(4, 6), (given) => {
      const problem = made(given);
      fc.pre(solveQuadratic(problem.hessian, problem.linear, problem.rows) !== null);
      expectOptimal(problem);
    }),
    { numRuns: repeated(400) },
  );
});

test("rows through a known point always have a solution, however many, repeated or nearly repeated they are", () => {
  const withPoint = problemOf(8, 30).chain((given) => fc.record({ given: fc.constant(given), point: fc.array(number, { minLength: 8, maxLength: 8 }) }));
  fc.assert(
    fc.property(withPoint, ({ given, point }) => {
      // Half the rows are active at the point, each three times.
      const through = given.rows.map(({ weights, bound }, r) => ({ weights, bound: dot(weights, point) - (r % 2 === 0 ? 0 : Math.abs(bound)) }));
      const repeatedRows = through.flatMap((row) => [row, row, { weights: row.weights.map((w) => w * (1 + 1e-12)), bound: row.bound }]);
      expectOptimal(made({ ...given, rows: repeatedRows }));
    }),
    { numRuns: repeated(150) },
  );
});

test("rows that contradict each other have no solution, by however little and however many rows hold besides", () => {
  fc.assert(
    fc.property(problemOf(5, 8), fc.integer({ min: 1, max: 80 }), (given, gap) => {
      const { hessian, linear, rows } = made(given);
      fc.pre(rows.length > 0 && rows[0].weights.some((w) => w !== 0));
      const opposite: LinearConstraint = { ...rows[0], weights: rows[0].weights.map((w) => -w), bound: -rows[0].bound + gap / 100 };
      expect(solveQuadratic(hessian, linear, [...rows, opposite])).toBeNull();
    }),
    { numRuns: repeated(150) },
  );
});

test("without rows it is the unconstrained minimum; without variables the rows decide; a matrix that is not positive definite is refused", () => {
  expect(solveQuadratic([Float64Array.of(2)], Float64Array.of(-6), [])!.values[0]).toBeCloseTo(3, 9);
  const constant = (bound: number): LinearConstraint => ({ indexes: [], weights: [], bound });
  expect(solveQuadratic([], new Float64Array(0), [constant(-1)])).toMatchObject({ isExact: true });
  expect(solveQuadratic([], new Float64Array(0), [constant(1)])).toBeNull();
  expect(solveQuadratic([Float64Array.of(0)], Float64Array.of(1), [])).toBeNull();
});
