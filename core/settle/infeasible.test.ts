import { spoiledLayout } from "../../test/spoiled";
import { byKey } from "./problem/targets";
import { scenariosOf } from "./problem/scenarios";
import { provedInfeasible } from "./infeasible";
import { motionBy, motionOf } from "./linearize";
import { allFindings, requestedFindings } from "./verify";
import { USUALLY_CHANGEABLE, type SettleRequest } from "./request";
import { settle } from "./settle";
import { variablesOf } from "./problem/variables";
import type { ConstraintContext } from "./constraints/constraint";
import { scenarioDataOf, type ScenarioData } from "./problem/scenarioData";
import { repeated } from "../../test/repeated";

/** A claim per finding: that no change of its own controls removes it. */
function claimsOf(request: SettleRequest) {
  const { layout } = request;
  const scenarios = scenariosOf(layout, request.screens, request.faces);
  const before = allFindings(layout, scenarios, request.moment);
  const data = scenarioDataOf(request, layout, scenarios, before.map(byKey));
  const motion = motionOf(
    layout,
    scenarios,
    variablesOf({ layout, scenarios, held: new Set(request.held), children: true, growing: new Set(), changeable: USUALLY_CHANGEABLE }),
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

test("nothing is proved infeasible that has a solution", () => {
  let claims = 0;
  for (let seed = 300; seed < 300 + repeated(7); seed += 1) {
    const one = spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 });
    if (!one || settle(one.request).kind !== "settled") continue;
    for (const claim of claimsOf(one.request).slice(0, 3)) {
      claims += 1;
      expect(provedInfeasible(claim)).toBeNull();
    }
  }
  expect(claims).toBeGreaterThan(4);
});

test("what nothing can move is proved, and falls short by what it would have to move", () => {
  let proofs = 0;
  for (let seed = 300; seed < 340 && proofs < 5; seed += 1) {
    const one = spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 });
    if (!one) continue;
    const held = { ...one.request, held: one.request.layout.controls.map(({ id }) => id) };
    for (const claim of claimsOf(held).filter(({ ids }) => ids.size === 2)) {
      const proof = provedInfeasible(claim)!;
      expect(proof.constraints.map(({ key }) => key)).toContain(`touch/overlap ${[...claim.ids].join(" ")}`);
      expect(proof.shortMm).toBeGreaterThan(0);
      proofs += 1;
    }
  }
  expect(proofs).toBeGreaterThan(2);
});
