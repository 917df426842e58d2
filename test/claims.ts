/** Claims that a finding cannot be removed, to be proved or refuted. */
import type { ConstraintContext } from "../core/settle/constraints/constraint";
import type { Claim } from "../core/settle/infeasible";
import { motionBy, motionOf } from "../core/settle/linearize";
import { scenarioDataOf, type ScenarioData } from "../core/settle/problem/scenarioData";
import { scenariosOf } from "../core/settle/problem/scenarios";
import { byKey } from "../core/settle/problem/targets";
import { variablesOf } from "../core/settle/problem/variables";
import { USUALLY_CHANGEABLE, type SettleRequest } from "../core/settle/request";
import { allFindings, requestedFindings } from "../core/settle/verify";

/** A claim per finding: that no change of its own controls removes it. */
export function claimsOf(request: SettleRequest): Claim[] {
  const { layout } = request;
  const scenarios = scenariosOf(layout, request.screens, request.faces);
  const before = allFindings(layout, scenarios, request.moment);
  const data = scenarioDataOf(request, layout, { scenarios, found: before.map(byKey), isArranged: false });
  const motion = motionOf(
    layout,
    scenarios,
    variablesOf({
      layout,
      scenarios,
      held: new Set(request.held),
      children: true,
      growing: new Set(layout.controls.map(({ id }) => id)),
      changeable: USUALLY_CHANGEABLE,
    }),
  );
  const context = (one: ScenarioData, numbers: Float64Array): ConstraintContext => ({
    request,
    data: one,
    numbers,
    relaxed: new Map(),
    separations: new Map(),
    brief: false,
  });
  return requestedFindings(request, before).map(({ scenario, finding }) => {
    const ids = new Set(finding.subjects);
    return { motion: motionBy(motion, ({ parts }) => parts.some(({ slot }) => ids.has(slot.id))), data, context, ids, scenarios: [scenario] };
  });
}
