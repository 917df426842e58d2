import { spoiledLayout } from "../../test/spoiled";
import { byWord } from "./aims";
import { facedScreens } from "./scenarios";
import { provedImpossible } from "./impossible";
import { motionBy, motionOf } from "./layoutMotion";
import { allFindings, askedFor } from "./outcome";
import { USUALLY_CHANGEABLE, type SettleRequest } from "./request";
import { settle } from "./settle";
import { variablesOf } from "./variables";
import { factsOf, type FaceFacts, type ConstraintContext } from "./constraints";
import { repeated } from "../../test/repeated";

/** A claim about a finding: that it cannot be taken away where it is found, by what its own controls may do. */
function claimsOf(request: SettleRequest) {
  const { layout } = request;
  const faces = facedScreens(layout, request.screens, request.faces);
  const before = allFindings(layout, faces, request.moment);
  const facts = factsOf(request, layout, faces, before.map(byWord));
  const motion = motionOf(
    layout,
    faces,
    variablesOf({ layout, faces, held: new Set(request.held), children: true, growing: new Set(), changeable: USUALLY_CHANGEABLE }),
  );
  const wishing = (one: FaceFacts, numbers: Float64Array): ConstraintContext => ({
    request,
    facts: one,
    numbers,
    waived: new Map(),
    ways: new Map(),
    brief: false,
  });
  return askedFor(request, before).map(({ face, finding }) => {
    const ids = new Set(finding.subjects);
    return { motion: motionBy(motion, ({ parts }) => parts.some(({ slot }) => ids.has(slot.id))), facts, wishing, ids, faces: [face] };
  });
}

test("nothing is proved impossible for which there is a way", () => {
  let claims = 0;
  for (let seed = 300; seed < 300 + repeated(7); seed += 1) {
    const one = spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 });
    if (!one || settle(one.request).kind !== "settled") continue;
    for (const claim of claimsOf(one.request).slice(0, 3)) {
      claims += 1;
      expect(provedImpossible(claim)).toBeNull();
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
      const proof = provedImpossible(claim)!;
      expect(proof.wishes.map(({ word }) => word)).toContain(`touch/overlap ${[...claim.ids].join(" ")}`);
      expect(proof.shortMm).toBeGreaterThan(0);
      proofs += 1;
    }
  }
  expect(proofs).toBeGreaterThan(2);
});
