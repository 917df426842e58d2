/** The problem: what of a layout may change, in which scenarios, at which price, and which constraints have to hold. */
import type { BareFinding, FindingCode } from "../../checks/finding";
import type { Constraint, ConstraintContext, ConstraintFamily } from "../constraints/constraint";
import { coverageConstraints } from "../constraints/coverage";
import { controlConstraints, pairConstraints } from "../constraints/families";
import { motionOf, numbersAt, type LayoutMotion } from "../linearize";
import type { SettleRequest } from "../request";
import { requestedFindings } from "../verify";
import { pricesOf, type Prices } from "./cost";
import { scenarioDataOf, type ScenarioData } from "./scenarioData";
import type { Scenario } from "./scenarios";
import { byKey } from "./targets";
import { variablesOf } from "./variables";

export interface Problem {
  readonly request: SettleRequest;
  readonly scenarios: readonly Scenario[];
  /** The findings before, scenario by scenario. */
  readonly before: readonly (readonly BareFinding[])[];
  readonly motion: LayoutMotion;
  /** The variables with a shift for every hit area of some controls: what a proof has to consider. */
  readonly motionWithShifts: (ids: ReadonlySet<string>) => LayoutMotion;
  readonly prices: Prices;
  readonly data: readonly ScenarioData[];
  /** The constraints of a scenario. `coverage`: codes of coverage constraints that are included. */
  readonly constraints: (coverage: ReadonlySet<FindingCode>) => ConstraintFamily;
}

/** What a problem is made of, in addition to the request. */
export interface ProblemParts {
  readonly scenarios: readonly Scenario[];
  readonly before: readonly (readonly BareFinding[])[];
  readonly held: ReadonlySet<string>;
  /** Whether controls in clusters move separately. */
  readonly children: boolean;
  /** Whether rows, columns and equal gaps are kept. */
  readonly isArranged: boolean;
  /** No variable changes by more than this, mm; default: the range of the variable. */
  readonly withinMm?: number;
}

/** Formulates the problem of a request. */
export function problemOf(request: SettleRequest, { scenarios, before, held, children, isArranged, withinMm = Infinity }: ProblemParts): Problem {
  const { layout, changeable } = request;
  const growing = new Set(requestedFindings(request, before).flatMap(({ finding }) => (finding.code === "touch/small" ? finding.subjects : [])));
  const motionBy = (shifting: ReadonlySet<string>) => {
    const variables = variablesOf({ layout, scenarios, held, changeable, children, growing: shifting }).map((variable) => ({
      ...variable,
      low: Math.max(variable.low, -withinMm),
      high: Math.min(variable.high, withinMm),
    }));
    return motionOf(layout, scenarios, variables);
  };
  const motion = motionBy(growing);
  const { variables } = motion;
  const origin = numbersAt(motion, new Float64Array(variables.length));
  const data = scenarioDataOf(request, layout, { scenarios, found: before.map(byKey), isArranged });
  const tolerances = tolerancesOf(request, data);
  return {
    request,
    scenarios,
    before,
    motion,
    motionWithShifts: (ids) => motionBy(new Set([...growing, ...ids])),
    prices: pricesOf(layout, origin, request.weights),
    data,
    constraints: (coverage) => (context) => withTolerances(allConstraints(context, coverage), tolerances),
  };
}

function* allConstraints(context: ConstraintContext, coverage: ReadonlySet<FindingCode>): Iterable<Constraint> {
  yield* controlConstraints(context);
  yield* pairConstraints(context);
  yield* coverageConstraints(context, coverage);
}

const toleranceKey = ({ code, subjects, scenario }: Constraint): string => `${scenario} ${code} ${subjects.join(" ")}`;

/** By how much constraints that only have to keep holding are violated before any change, mm: the checks find nothing there, so it may stay so. */
function tolerancesOf(request: SettleRequest, data: readonly ScenarioData[]): ReadonlyMap<string, number> {
  const tolerances = new Map<string, number>();
  for (const one of data) {
    const context: ConstraintContext = { request, data: one, numbers: one.origin, relaxed: new Map(), separations: new Map(), brief: true };
    for (const constraint of allConstraints(context, new Set())) {
      if (constraint.requested || constraint.value >= 0) continue;
      const key = toleranceKey(constraint);
      tolerances.set(key, Math.max(-constraint.value, tolerances.get(key) ?? 0));
    }
  }
  return tolerances;
}

function* withTolerances(constraints: Iterable<Constraint>, tolerances: ReadonlyMap<string, number>): Iterable<Constraint> {
  for (const constraint of constraints) {
    const tolerance = constraint.requested || tolerances.size === 0 ? 0 : (tolerances.get(toleranceKey(constraint)) ?? 0);
    yield tolerance > 0 ? { ...constraint, kept: true, value: constraint.value + tolerance } : constraint;
  }
}
