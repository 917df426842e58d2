import fc from "fast-check";
import { frozen, layoutArbitrary, screenArbitrary } from "../conformance/arbitrary";
import { LENGTH_UNITS } from "../layout/length";
import { newLayout } from "../layout/edits/whole";
import { addAction } from "../layout/edits/actions";
import { carryTo, convertLength, moveBy, placeAt, sightOf, TIE_POINTS, tieTo, type Sight } from "./edits";
import { fittingKind, growControl } from "./make";
import { plainScreen } from "./screen";
import type { Result } from "../result";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const near = (a: { x: number; y: number; w: number; h: number }, b: { x: number; y: number; w: number; h: number }, slack = 1e-2) => {
  for (const side of ["x", "y", "w", "h"] as const) expect(Math.abs(a[side] - b[side])).toBeLessThanOrEqual(slack);
};
/** A sight with at least one control, and one of its pins that no clamp holds. */
const pinned = fc
  .tuple(layoutArbitrary, screenArbitrary)
  .map(([layout, screen]) => sightOf(frozen(layout), screen))
  .map((sight) => ({
    sight,
    at: sight.resolved.controls.find((c) => {
      const p = sight.layout.controls.find((k) => k.id === c.id)!.placement;
      return p.kind === "pin" && !p.clamp;
    }),
  }))
  .filter((s): s is { sight: Sight; at: NonNullable<typeof s.at> } => s.at !== undefined);
const boxIn = (sight: Sight, id: string) => sight.resolved.controls.find((c) => c.id === id)!.visual;

test("tied anywhere, a control does not jump", () => {
  fc.assert(
    fc.property(
      pinned,
      fc.constantFrom(...TIE_POINTS),
      fc.constantFrom("screen" as const, "safe" as const, "picture" as const),
      ({ sight, at }, anchor, frame) => {
        const tied = get(tieTo(sight, at.id, frame, anchor));
        // Percent sizes are of the frame, so only the place is compared where the frame changes.
        const now = boxIn(sightOf(tied, sight.screen), at.id);
        const placement = tied.controls.find((c) => c.id === at.id)!.placement;
        expect(placement).toMatchObject({ frame, anchor: [...anchor], pivot: [...anchor] });
        const was = sight.layout.controls.find((c) => c.id === at.id)!.placement;
        if (was.kind === "pin" && (was.frame === frame || !was.size.some((s) => s.includes("%")))) if (typeof was.frame === "string") near(now, at.visual);
      },
    ),
    { numRuns: 150 },
  );
});

test("placed in a box, a control stands in that box", () => {
  fc.assert(
    fc.property(
      pinned,
      fc.integer({ min: -100, max: 2000 }),
      fc.integer({ min: -100, max: 1000 }),
      fc.integer({ min: 5, max: 600 }),
      fc.integer({ min: 5, max: 600 }),
      ({ sight, at }, x, y, w, h) => {
        const box = { x, y, w, h };
        near(boxIn(sightOf(get(placeAt(sight, at.id, box, true)), sight.screen), at.id), box);
      },
    ),
    { numRuns: 150 },
  );
});

test("moved and moved back, everything stands where it stood", () => {
  fc.assert(
    fc.property(
      fc.tuple(layoutArbitrary, screenArbitrary),
      fc.integer({ min: -300, max: 300 }),
      fc.integer({ min: -300, max: 300 }),
      ([layout, screen], dx, dy) => {
        const sight = sightOf(layout, screen);
        const ids = sight.resolved.controls.filter((c) => c.visual.w > 0 && c.visual.h > 0).map((c) => c.id);
        const there = sightOf(get(moveBy(sight, ids, dx, dy)), screen);
        const back = sightOf(get(moveBy(there, ids, -dx, -dy)), screen);
        for (const id of ids) {
          near(boxIn(there, id), { ...boxIn(sight, id), x: boxIn(sight, id).x + dx, y: boxIn(sight, id).y + dy });
          near(boxIn(back, id), boxIn(sight, id));
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("a length keeps its px in every unit", () => {
  const box = { x: 0, y: 0, w: 2000, h: 900 };
  fc.assert(
    fc.property(fc.constantFrom(...LENGTH_UNITS), fc.constantFrom(...LENGTH_UNITS), fc.integer({ min: -500, max: 500 }), (from, to, n) => {
      const there = convertLength(`${n}${from}`, to, box, 1.5, 16, 1.2);
      const back = convertLength(there, from, box, 1.5, 16, 1.2);
      expect(there.endsWith(to)).toBe(true);
      expect(parseFloat(back)).toBeCloseTo(n, 2);
    }),
  );
});

const screen = plainScreen("Phone", 2400, 1080, 411);
const fresh = () => get(addAction(get(addAction(get(newLayout("Fresh", { width: 1600, height: 720 })), "helm", "vector")), "lamp", "motion"));

test("a control grown for an action fits it, is bound, and is tied to the nearest corner", () => {
  const sight = sightOf(fresh(), screen);
  const grown = get(growControl(sight, sight.layout.actions[0], fittingKind("vector"), 2000, 900));
  const control = grown.layout.controls[0];
  expect(control).toMatchObject({ id: "helm", kind: "stick", placement: { frame: "safe", anchor: [1, 1] }, serves: [{ port: "vector", action: "helm" }] });
  const at = boxIn(sightOf(grown.layout, screen), "helm");
  expect(at.x + at.w / 2).toBeCloseTo(2000, -1);
  expect(at.y + at.h).toBeLessThanOrEqual(1080);
  const second = get(growControl(sightOf(grown.layout, screen), grown.layout.actions[1], "touchpad", 300, 300));
  expect(second.layout.controls.map((c) => c.id)).toEqual(["lamp", "helm"]);
});

test("a control carried stands a margin from the point it is tied to", () => {
  const sight = sightOf(fresh(), screen);
  const grown = get(growControl(sight, sight.layout.actions[0], "stick", 1200, 500));
  const tied = get(tieTo(sightOf(grown.layout, screen), "helm", "safe", [1, 1]));
  const carried = boxIn(sightOf(get(carryTo(sightOf(tied, screen), "helm", 50)), screen), "helm");
  expect(carried.x + carried.w).toBeCloseTo(2350, 3);
  expect(carried.y + carried.h).toBeCloseTo(1030, 3);
});

test("what cannot stand is refused", () => {
  const sight = sightOf(fresh(), screen);
  const { layout } = get(growControl(sight, sight.layout.actions[0], "stick", 300, 800));
  const now = sightOf(layout, screen);
  for (const box of [
    { x: NaN, y: 0, w: 10, h: 10 },
    { x: 0, y: 0, w: 0, h: 10 },
  ])
    expect(placeAt(now, "helm", box, true).ok).toBe(false);
  expect(moveBy(now, ["nobody"], 1, 1).ok).toBe(false);
});
