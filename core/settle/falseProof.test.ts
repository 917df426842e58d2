import { bareFindings } from "../checks/check";
import { resolvedOn } from "../derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { plainScreen } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";
import { claimsOf } from "../../test/claims";
import { randomFrom } from "../../test/random";
import { repeated } from "../../test/repeated";
import { layoutOf, pinned, RIGHT } from "../../test/settleCases";
import { requestFor } from "../../test/spoiled";
import { findingKey } from "./problem/targets";
import type { SettleRequest } from "./request";
import { provedInfeasible, type Infeasible } from "./infeasible";

type Random = () => number;
const oneOf = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)];

/** One to three controls with sides, least sides, targets and clamps that are near each other, on a screen with little room. */
function tightRequest(random: Random): SettleRequest {
  const target = oneOf(random, [7, 8, 9, 10]);
  const count = 1 + Math.floor(3 * random());
  const [wMm, hMm] = [target * (0.9 + 0.75 * (count - 1) + 0.3 * random()), target * (0.9 + 0.3 * random())];
  const screen = plainScreen("Small", Math.round(wMm * 10), Math.round(hMm * 10), 254);
  const controls = Array.from({ length: count }, (_, i) => {
    const side = () => Number((target + oneOf(random, [-2, -0.4, -0.05, 0, 0.3, 2])).toFixed(2));
    const isRound = random() < 0.5;
    const w = side();
    const at = [Number((random() * wMm).toFixed(2)), Number((random() * hMm).toFixed(2))] as const;
    const one = pinned(`c${i}`, "button", at, isRound ? w : [w, side()]);
    const clamp = random() < 0.25 ? { clamp: oneOf(random, [{ minMm: 6 }, { maxMm: target - 0.2 }, { minMm: 5, maxMm: 12 }]) } : {};
    const hit = {
      shape: isRound ? "ellipse" : "box",
      minMm: oneOf(random, [0, 0, target - 1, target, target + 1]),
      grow: oneOf(random, ["0u", "0u", "0.3mm", "-0.4mm"]),
    };
    return { ...one, placement: { ...one.placement, ...clamp }, hit };
  });
  return requestFor(layoutOf(controls, { limits: { minTargetMm: target } }), [screen], RIGHT);
}

/** Whether a hit area holds its picture and stays on the screen, where it did before: what a proof takes for granted. */
function isHeld(before: Layout, after: Layout, screen: Screen): boolean {
  const sidesOf = (layout: Layout) =>
    resolvedOn(layout, screen, PLAIN_PLAYER_VIEW).controls.map(({ visual: v, hit: a }) => [
      ...[v.x - a.x, v.y - a.y, a.x + a.w - v.x - v.w, a.y + a.h - v.y - v.h],
      ...[a.x, a.y, screen.widthPx - a.x - a.w, screen.heightPx - a.y - a.h],
    ]);
  const was = sidesOf(before);
  return sidesOf(after).every((sides, i) => sides.every((side, k) => side >= Math.min(0, was[i][k]) - 0.01));
}

const STEPS_MM = [-6, -3, -1.5, -0.7, 0, 0.7, 1.5, 3, 6];
const SIDES = [0.62, 0.75, 0.9, 1, 1.1, 1.3, 1.7];

/** The layout with some controls moved, sized and grown along a coarse grid. */
function thrown(layout: Layout, random: Random, target: number): Layout {
  const more = (text: string, by: number) => `${Number((Number.parseFloat(text) + by).toFixed(3))}mm`;
  return {
    ...layout,
    controls: layout.controls.map((control) => {
      const { placement, hit } = control;
      if (placement.kind !== "pin") return control;
      const part = oneOf(random, SIDES);
      const size = placement.size.map((text) => `${Number((Number.parseFloat(text) * part).toFixed(3))}mm`) as [string, string];
      const offset = placement.offset.map((text) => more(text, oneOf(random, STEPS_MM) + random() - 0.5)) as [string, string];
      const minMm = hit.minMm > 0 ? oneOf(random, [hit.minMm, target + 0.02]) : 0;
      const grow = more(hit.grow, oneOf(random, [0, 0, 0.3, 0.6, 1.1, 2]));
      return { ...control, placement: { ...placement, offset, size }, hit: { ...hit, minMm, grow } };
    }),
  };
}

/** Whether a version shows that a proof is wrong: none of what cannot all be met is found in it. */
function refutes(version: Layout, { layout, screens: [screen] }: SettleRequest, { constraints }: Infeasible): boolean {
  if (!isHeld(layout, version, screen)) return false;
  const found = bareFindings(version, screen, { ...RIGHT[0], moment: null });
  return !constraints.some(({ key }) => found.some(({ code, subjects }) => key === findingKey(code, subjects)));
}

test("what is proved to have no way has none on a coarse grid", () => {
  const random = randomFrom(43);
  let proofs = 0;
  for (let i = 0; i < repeated(400); i += 1) {
    const request = tightRequest(random);
    const proved = claimsOf(request).flatMap((claim) => provedInfeasible(claim) ?? []);
    proofs += proved.length;
    const versions = Array.from({ length: proved.length === 0 ? 0 : 200 }, () => thrown(request.layout, random, request.layout.limits.minTargetMm));
    for (const proof of proved) {
      const counterexample = versions.find((version) => refutes(version, request, proof));
      expect(counterexample && [proof, request.layout.controls, counterexample.controls]).toBeUndefined();
    }
  }
  expect(proofs).toBeGreaterThan(repeated(20));
});
