import fc from "fast-check";
import { frozen, layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { LENGTH_UNITS } from "../engine/placement/length";
import { newLayout } from "./edits/layout";
import { addAction } from "./edits/actions";
import { convertLength, moveBy, nearestAnchor, placeAt, editContextOf, type EditContext } from "./placing";
import { mirrorControl, mirrorPlacement } from "./mirrored";
import { fittingKind, growControl } from "./make";
import { framesOf, plainScreen } from "../engine/placement/screen";
import { handBack, ownFields, placementIn } from "./placeables";
import { asKind, carryTo, pivotAt, seenPin, spanIn, anchorAnew, anchorEdge, ANCHOR_POINTS, anchorTo } from "./anchors";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";
import { repeated } from "../../test/repeated";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const near = (a: { x: number; y: number; w: number; h: number }, b: { x: number; y: number; w: number; h: number }, slack = 1e-2) => {
  for (const side of ["x", "y", "w", "h"] as const) expect(Math.abs(a[side] - b[side])).toBeLessThanOrEqual(slack);
};
const views = fc.record({ handed: fc.constantFrom("right" as const, "left" as const), playerSize: fc.constantFrom(1, 0.8, 1.3), moment: fc.constant(null) });
/** An edit context, as any player has it, with one of its pins that no clamp holds. */
const pinned = fc
  .tuple(layoutArbitrary, screenArbitrary, views)
  .map(([layout, screen, playerView]) => editContextOf(frozen(layout), screen, playerView))
  .map((context) => ({
    context,
    at: context.resolved.controls.find((c) => {
      const p = placementIn(context.layout, context.resolved.arrangement, c.id)!;
      return p.kind === "pin" && !p.clamp;
    }),
  }))
  .filter((s): s is { context: EditContext; at: NonNullable<typeof s.at> } => s.at !== undefined);
const boxIn = (context: EditContext, id: string) => context.resolved.controls.find((c) => c.id === id)!.visual;
const again = (context: EditContext, layout: Layout) => editContextOf(layout, context.screen, context.playerView);

test("the nearest corner, edge's middle or centre: the one with the shortest tether, whatever the size", () => {
  const frame = { x: 0, y: 0, w: 1000, h: 500 };
  const anchor = (x: number, y: number, w = 100, h = w) => nearestAnchor(frame, { x, y, w, h });
  expect(anchor(20, 380)).toEqual([0, 1]);
  expect(anchor(440, 390)).toEqual([0.5, 1]);
  expect(anchor(460, 190)).toEqual([0.5, 0.5]);
  expect(anchor(880, 190)).toEqual([1, 0.5]);
  // A large stick near the bottom is the bottom's, though its middle lies nearer to the middle of the frame.
  expect(anchor(10, 180, 300)).toEqual([0, 1]);
  fc.assert(
    fc.property(fc.integer({ min: -200, max: 1200 }), fc.integer({ min: -200, max: 700 }), fc.integer({ min: 1, max: 600 }), (x, y, w) => {
      const tether = ([ax, ay]: readonly [number, number]) => Math.hypot(x + ax * w - ax * frame.w, y + ay * w - ay * frame.h);
      const best = Math.min(...ANCHOR_POINTS.map(tether));
      expect(tether(anchor(x, y, w))).toBeCloseTo(best, 9);
    }),
  );
});

test("carried elsewhere, what was tied to the nearest point is tied to the nearest one there; what was tied by hand stays so", () => {
  fc.assert(
    fc.property(pinned, fc.integer({ min: -900, max: 900 }), fc.integer({ min: -500, max: 500 }), ({ context, at }, dx, dy) => {
      const moved = moveBy(context, [at.id], dx, dy);
      fc.pre(moved.ok);
      const now = again(context, moved.value);
      const reanchored = again(context, get(anchorAnew(context, now, [at.id])));
      near(boxIn(reanchored, at.id), boxIn(now, at.id));
      const [was, is] = [seenPin(context, at.id)!, seenPin(reanchored, at.id)!];
      // In a cluster it keeps its anchor; elsewhere the nearest one, if it had the nearest one before.
      const frame = typeof was.frame === "object" ? null : framesOf(context.screen, context.layout.picture)[was.frame];
      const old = frame && nearestAnchor(frame, boxIn(context, at.id));
      const byNature = old !== null && [was.anchor, was.pivot].every((p) => p[0] === old[0] && p[1] === old[1]);
      expect(is.anchor).toEqual(frame && byNature ? nearestAnchor(frame, boxIn(now, at.id)) : was.anchor);
    }),
    { numRuns: repeated(25) },
  );
  const tall = plainScreen("tall", 720, 1440, 300);
  const layout = get(addAction(get(newLayout("T", { width: 720, height: 1440 })), "leap", "press"));
  const grown = get(growControl(editContextOf(layout, tall), { kind: null, action: layout.actions[0], at: { x: 360, y: 1300 } })).layout;
  expect(grown.controls[0].placement).toMatchObject({ anchor: [0.5, 1], pivot: [0.5, 1] });
  const before = editContextOf(grown, tall);
  const side = editContextOf(get(moveBy(before, ["leap"], 250, -20)), tall);
  expect(get(anchorAnew(before, side, ["leap"])).controls[0].placement).toMatchObject({ anchor: [1, 1], pivot: [1, 1] });
});

test("tied anywhere in any frame, a control does not jump, for any player", () => {
  fc.assert(
    fc.property(
      pinned,
      fc.constantFrom(...ANCHOR_POINTS),
      fc.constantFrom("screen" as const, "safe" as const, "picture" as const),
      ({ context, at }, anchor, frame) => {
        const anchored = again(context, get(anchorTo(context, at.id, frame, anchor)));
        expect(placementIn(anchored.layout, anchored.resolved.arrangement, at.id)).toMatchObject({ frame });
        expect(seenPin(anchored, at.id)).toMatchObject({ anchor: [...anchor], pivot: [...anchor] });
        near(boxIn(anchored, at.id), at.visual);
      },
    ),
    { numRuns: repeated(25) },
  );
});

test("a pivot goes elsewhere, a pin becomes a span and a pin again: nothing jumps", () => {
  fc.assert(
    fc.property(pinned, fc.constantFrom(...ANCHOR_POINTS), ({ context, at }, pivot) => {
      const turned = again(context, get(pivotAt(context, at.id, pivot)));
      near(boxIn(turned, at.id), at.visual);
      expect(seenPin(turned, at.id)!.pivot).toEqual([...pivot]);
      const span = again(context, get(asKind(context, at.id, "span")));
      expect(placementIn(span.layout, span.resolved.arrangement, at.id)!.kind).toBe("span");
      near(boxIn(span, at.id), at.visual);
      for (const edge of ["left", "top", "right", "bottom"] as const) near(boxIn(again(span, get(anchorEdge(span, at.id, edge, 0.4))), at.id), at.visual);
      near(boxIn(again(span, get(spanIn(span, at.id, "safe"))), at.id), at.visual);
      const pin = again(span, get(asKind(span, at.id, "pin")));
      near(boxIn(pin, at.id), at.visual);
    }),
    { numRuns: repeated(20) },
  );
});

test("what is changed on a screen of an arrangement is the arrangement's, and handed back the base holds again", () => {
  fc.assert(
    fc.property(
      pinned.filter(({ context }) => context.resolved.arrangement !== null),
      ({ context, at }) => {
        const { arrangement } = context.resolved;
        const moved = get(moveBy(context, [at.id], 30, -20));
        expect(moved.controls).toEqual(context.layout.controls);
        expect(ownFields(moved, arrangement, at.id)).toContain("placement");
        const back = get(handBack(moved, arrangement!, at.id, "placement"));
        expect(placementIn(back, arrangement, at.id)).toEqual(context.layout.controls.find((c) => c.id === at.id)!.placement);
        expect(ownFields(get(handBack(moved, arrangement!, at.id)), arrangement, at.id)).toEqual([]);
      },
    ),
    { numRuns: repeated(15) },
  );
});

test("a control written down mirrored stands for the right hand where the left hand saw it", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, on) => {
      const bare = { ...layout, arrangements: [], clusters: layout.clusters.map((c) => ({ ...c, placement: mirrorPlacement(c.placement) })) };
      const written = editContextOf({ ...bare, controls: layout.controls.map(mirrorControl) }, on).resolved.controls;
      const seen = editContextOf({ ...layout, arrangements: [] }, on, { handed: "left", playerSize: 1, moment: null }).resolved.controls;
      written.forEach((c, i) => {
        near(c.visual, seen[i].visual, 1e-6);
        near(c.hit, seen[i].hit, 1e-6);
        if (c.landing) near(c.landing, seen[i].landing!, 1e-6);
      });
      expect(layout.controls.map((c) => mirrorControl(mirrorControl(c)))).toEqual(layout.controls);
    }),
    { numRuns: repeated(20) },
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
      ({ context, at }, x, y, w, h) => {
        const box = { x, y, w, h };
        near(boxIn(again(context, get(placeAt(context, at.id, box, true))), at.id), box);
      },
    ),
    { numRuns: repeated(25) },
  );
});

test("moved and moved back, everything stands where it stood", () => {
  fc.assert(
    fc.property(
      fc.tuple(layoutArbitrary, screenArbitrary),
      fc.integer({ min: -300, max: 300 }),
      fc.integer({ min: -300, max: 300 }),
      ([layout, screen], dx, dy) => {
        const context = editContextOf(layout, screen);
        const ids = context.resolved.controls.filter((c) => c.visual.w > 0 && c.visual.h > 0).map((c) => c.id);
        const there = editContextOf(get(moveBy(context, ids, dx, dy)), screen);
        const back = editContextOf(get(moveBy(there, ids, -dx, -dy)), screen);
        for (const id of ids) {
          near(boxIn(there, id), { ...boxIn(context, id), x: boxIn(context, id).x + dx, y: boxIn(context, id).y + dy });
          near(boxIn(back, id), boxIn(context, id));
        }
      },
    ),
    { numRuns: repeated(15) },
  );
});

test("a length keeps its px in every unit", () => {
  const measure = { box: { x: 0, y: 0, w: 2000, h: 900 }, unitPx: 1.5, pxPerMm: 16, absolute: 1.2, percent: 1 };
  fc.assert(
    fc.property(fc.constantFrom(...LENGTH_UNITS), fc.constantFrom(...LENGTH_UNITS), fc.integer({ min: -500, max: 500 }), (from, to, n) => {
      const there = convertLength(`${n}${from}`, to, measure);
      const back = convertLength(there, from, measure);
      expect(there.endsWith(to)).toBe(true);
      expect(parseFloat(back)).toBeCloseTo(n, 2);
    }),
  );
});

const screen = plainScreen("Phone", 2400, 1080, 411);
const fresh = () => get(addAction(get(addAction(get(newLayout("Fresh", { width: 1600, height: 720 })), "helm", "vector")), "lamp", "motion"));

test("a control grown for an action fits it, is bound, and is tied to the nearest point of its frame", () => {
  const context = editContextOf(fresh(), screen);
  const grown = get(growControl(context, { action: context.layout.actions[0], kind: fittingKind("vector"), at: { x: 2000, y: 900 } }));
  const control = grown.layout.controls[0];
  expect(control).toMatchObject({ id: "helm", kind: "stick", placement: { frame: "safe", anchor: [1, 1] }, serves: [{ port: "vector", action: "helm" }] });
  const at = boxIn(editContextOf(grown.layout, screen), "helm");
  expect(at.x + at.w / 2).toBeCloseTo(2000, -1);
  expect(at.y + at.h).toBeLessThanOrEqual(1080);
  const second = get(growControl(editContextOf(grown.layout, screen), { action: grown.layout.actions[1], kind: "touchpad", at: { x: 300, y: 300 } }));
  expect(second.layout.controls.map((c) => c.id)).toEqual(["lamp", "helm"]);
});

test("a control carried stands a margin from the point it is tied to", () => {
  const context = editContextOf(fresh(), screen);
  const grown = get(growControl(context, { action: context.layout.actions[0], kind: "stick", at: { x: 1200, y: 500 } }));
  const anchored = get(anchorTo(editContextOf(grown.layout, screen), "helm", "safe", [1, 1]));
  const carried = boxIn(editContextOf(get(carryTo(editContextOf(anchored, screen), "helm", 50)), screen), "helm");
  expect(carried.x + carried.w).toBeCloseTo(2350, 3);
  expect(carried.y + carried.h).toBeCloseTo(1030, 3);
});

test("what cannot stand is refused", () => {
  const context = editContextOf(fresh(), screen);
  const { layout } = get(growControl(context, { action: context.layout.actions[0], kind: "stick", at: { x: 300, y: 800 } }));
  const now = editContextOf(layout, screen);
  for (const box of [
    { x: NaN, y: 0, w: 10, h: 10 },
    { x: 0, y: 0, w: 0, h: 10 },
  ])
    expect(placeAt(now, "helm", box, true).ok).toBe(false);
  expect(moveBy(now, ["nobody"], 1, 1).ok).toBe(false);
});
