import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { placed, STAGE, staged } from "../../test/stage";
import { sampleLayouts } from "../../test/samples";
import { touchArea } from "../engine/input/ready";
import { resolveLayout } from "../engine/placement/resolve";
import { plainScreen, pxPerMm } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";
import { meantTouches, missesOn, normalShare, takerAt } from "./misses";
import { repeated } from "../../test/repeated";

const [brackwater] = sampleLayouts();
const right = { handed: "right", playerSize: 1, moment: null } as const;
const on = (layout: Layout, screen: Screen, view: typeof right | { handed: "left"; playerSize: number; moment: null } = right) =>
  missesOn(layout, resolveLayout(layout, screen, view), view);

test("whatever the layout and the screen, the shares of each control are parts of 1 and come to 1 but for what is too small to tell", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, screen) => {
      for (const { hit, taken, nothing } of on(layout, screen)) {
        const all = [hit, nothing, ...Object.values(taken)];
        for (const share of all) {
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1 + 1e-6);
        }
        expect(Math.abs(all.reduce((a, b) => a + b, 0) - 1)).toBeLessThan(0.0005 * 6 + 1e-6);
      }
    }),
    { numRuns: repeated(15) },
  );
});

test("whatever the layout, single touches laid out as they scatter give the same shares", () => {
  const COUNT = 8_000;
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, screen) => {
      const resolved = resolveLayout(layout, screen, right);
      for (const { id, hit, nothing } of missesOn(layout, resolved, right)) {
        const takers = meantTouches(layout, resolved, right, { id, count: COUNT }).map((touch) => touch.taker);
        expect(Math.abs(takers.filter((taker) => taker === id).length / COUNT - hit)).toBeLessThan(0.008);
        expect(Math.abs(takers.filter((taker) => taker === null).length / COUNT - nothing)).toBeLessThan(0.008);
      }
    }),
    { numRuns: repeated(6) },
  );
});

test("a sum over a fine grid of single touches gives the same, as near as the grid is", () => {
  const screen = plainScreen("Wide phone", 2400, 1080, 420);
  const moment = "under-way";
  const resolved = resolveLayout(brackwater, screen, right);
  const shown = resolved.controls.filter((at) => brackwater.controls.find((c) => c.id === at.id)!.moments.includes(moment));
  const areas = shown.map((at) => ({ id: at.id, shape: touchArea(at), own: at.sharing === "own" })).reverse();
  const mm = pxPerMm(screen);
  const { biasMm, baseMm2, perSize } = brackwater.limits.scatter;
  const STEPS = 160;
  for (const { id, hit, taken, nothing } of missesOn(brackwater, resolved, { handed: "right", moment })) {
    const { x, y, w, h } = shown.find((at) => at.id === id)!.visual;
    const [sx, sy] = [w, h].map((side, i) => Math.sqrt(baseMm2[i] + perSize[i] * (side / mm) ** 2) * mm);
    const sums = new Map<string | null, number>();
    for (let i = 0; i < STEPS; i += 1)
      for (let j = 0; j < STEPS; j += 1) {
        const [zx, zy] = [i, j].map((n) => -5 + (10 * (n + 0.5)) / STEPS);
        const point = { x: x + w / 2 + biasMm[0] * mm + zx * sx, y: y + h / 2 + biasMm[1] * mm + zy * sy };
        const taker = takerAt(id, point, { areas, w: screen.widthPx, h: screen.heightPx });
        sums.set(taker, (sums.get(taker) ?? 0) + (Math.exp(-(zx * zx + zy * zy) / 2) / (2 * Math.PI)) * (10 / STEPS) ** 2);
      }
    const close = (share: number, sum: number | undefined) => expect(Math.abs(share - (sum ?? 0))).toBeLessThan(0.004);
    close(hit, sums.get(id));
    close(nothing, sums.get(null));
    for (const [other, share] of Object.entries(taken)) close(share, sums.get(other));
  }
});

const button = (id: string, x: number, w: number, more: object = {}) => ({
  id,
  name: id,
  kind: "button",
  placement: placed(x, 250, w),
  hit: { shape: "box" },
  serves: [],
  ...more,
});

test("a button far from all others gets what a normal curve leaves it, in closed form", () => {
  const [found] = on(staged([button("a", 500, 60)], []), STAGE);
  // Ten px a mm, 6 mm wide: P(|X| ≤ 3 mm) · P(|Y| ≤ 3 mm).
  const part = (axis: 0 | 1) => 2 * normalShare(3 / Math.sqrt([1.68, 1.33][axis] + [0.0075, 0.0108][axis] * 36)) - 1;
  expect(found.hit).toBeCloseTo(part(0) * part(1), 5);
  expect(found.nothing).toBeCloseTo(1 - part(0) * part(1), 5);
});

test("of two neighbours each loses as much to the other as lies beyond the border; one that is shared loses nothing to what it lies upon", () => {
  const [a, b] = on(staged([button("a", 480, 40), button("b", 520, 40)], []), STAGE);
  expect(a.taken.b).toBeCloseTo(b.taken.a, 5);
  expect(a.taken.b).toBeGreaterThan(0.05);
  const shared = on(staged([button("under", 500, 80), button("over", 500, 80, { hit: { shape: "box", sharing: "shared" } })], []), STAGE);
  expect(shared[0].hit).toBeCloseTo(shared[1].hit, 6);
  const own = on(staged([button("under", 500, 80), button("over", 500, 80)], []), STAGE);
  expect(own[0]).toMatchObject({ hit: 0, taken: { over: expect.closeTo(own[1].hit, 6) as number } });
});

test("beyond the screen nothing is taken, also where an area reaches over the edge", () => {
  const [edge] = on(staged([button("a", 0, 100)], []), STAGE);
  expect(edge.hit).toBeLessThan(0.51);
  expect(edge.nothing).toBeGreaterThan(0.49);
});

test("a bias is turned over for the left hand: a layout that is mirrored for it loses the same", () => {
  const layout = staged([button("a", 480, 40), button("b", 530, 40)], []);
  const biased = (mm: number): Layout => ({ ...layout, limits: { ...layout.limits, scatter: { ...layout.limits.scatter, biasMm: [mm, 0] } } });
  const [asRight] = on(biased(2), STAGE);
  const [asLeft] = on(biased(2), STAGE, { handed: "left", playerSize: 1, moment: null });
  expect(asLeft.taken.b).toBeCloseTo(asRight.taken.b, 9);
  expect(asRight.taken.b).toBeGreaterThan((on(biased(-2), STAGE)[0].taken.b ?? 0) + 0.1);
});

test("a floating stick with a landing area is meant for nowhere, one that stays is a target like a button", () => {
  const stick = (id: string, x: number, feel: object) => ({ id, name: id, kind: "stick", placement: placed(x, 250, 120), feel, serves: [] });
  const landing = { kind: "span", frame: "screen", from: [0, 0], to: [0.3, 1], inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" } };
  const found = on(
    staged([stick("stays", 700, {}), stick("comes", 200, { origin: "floating", landing }), stick("free", 450, { origin: "trailing" })], []),
    STAGE,
  );
  expect(found.map((m) => m.id)).toEqual(["stays", "free"]);
});

test("the normal curve is right where it is known", () => {
  expect(normalShare(0)).toBeCloseTo(0.5, 7);
  expect(normalShare(1.959964)).toBeCloseTo(0.975, 6);
  expect(normalShare(-1)).toBeCloseTo(0.1586553, 6);
});
