import { claimsOf } from "../../test/claims";
import { spoiledLayout } from "../../test/spoiled";
import { provedInfeasible } from "./infeasible";
import { settle } from "./settle";
import { repeated } from "../../test/repeated";

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
