/** The cost of a change, added up again from where everything is before and after. */
import { GLASS, layoutOf, pinned, RIGHT } from "../../../test/settleCases";
import { requestFor, spoiledLayout } from "../../../test/spoiled";
import { resolveLayout, type ResolvedControl } from "../../engine/placement/resolve";
import { pxPerMm } from "../../engine/placement/screen";
import type { Layout } from "../../format/types";
import type { SettleRequest } from "../request";
import { settle } from "../settle";

/** The definition of docs/SETTLE.md, mm²: of each control its mean, over screens and faces, of centre, sides of the picture, a quarter of the hit area's. */
function costByDefinition({ layout, screens, faces, weights }: SettleRequest, after: Layout): number {
  const scenarios = screens.flatMap((screen) => faces.map((face) => ({ screen, view: { ...face, moment: null }, mm: pxPerMm(screen) })));
  return layout.controls.reduce((sum, { id }) => {
    const squares = scenarios.flatMap(({ screen, view, mm }) => {
      const [was, is] = [layout, after].map((one) => resolveLayout(one, screen, view).controls.find((at) => at.id === id));
      if (!was || !is) return [];
      const by = (of: (at: ResolvedControl) => number) => ((of(is) - of(was)) / mm) ** 2;
      const centre = by(({ visual: v }) => v.x + v.w / 2) + by(({ visual: v }) => v.y + v.h / 2);
      const picture = by(({ visual }) => visual.w) + by(({ visual }) => visual.h);
      return [centre + picture + (by(({ hit }) => hit.w) + by(({ hit }) => hit.h)) / 4];
    });
    return sum + ((weights[id] ?? 1) * squares.reduce((a, b) => a + b, 0)) / Math.max(1, squares.length);
  }, 0);
}

test("what settling costs is what the definition says", () => {
  const near = layoutOf([pinned("a", "button", [15, 50], 12), pinned("b", "button", [22, 50], 12), pinned("c", "button", [60, 30], 7)]);
  const requests = [
    { ...requestFor(near, [GLASS], RIGHT), weights: { a: 3 } },
    ...[3, 11, 14].map((seed) => spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 })!.request),
  ];
  let hits = 0;
  for (const request of requests) {
    const settled = settle(request);
    expect(settled.cost).toBeCloseTo(costByDefinition(request, settled.layout), 3);
    if (settled.layout.controls.some(({ hit }, i) => hit.grow !== request.layout.controls[i].hit.grow)) hits += 1;
  }
  // Hit areas have grown in some of them, or their price is not tried.
  expect(hits).toBeGreaterThan(0);
});
