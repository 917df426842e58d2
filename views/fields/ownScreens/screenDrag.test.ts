import fc from "fast-check";
import { screenSchema } from "../../../core/format/schema/file";
import { readThrough } from "../../../core/format/readThrough";
import { plainScreen } from "../../../core/engine/placement/screen";
import { dragScreen, withCutout, withoutCutout, type ScreenHandle } from "./screenDrag";

const screen = { ...plainScreen("Mine", 2000, 1000, 400), cutouts: [{ x: 20, y: 400, w: 80, h: 80 }] };
const side = fc.constantFrom("left" as const, "top" as const, "right" as const, "bottom" as const);
const handle: fc.Arbitrary<ScreenHandle> = fc.oneof(
  fc.record({ kind: fc.constantFrom("inset" as const, "edge" as const), side }),
  fc.constant<ScreenHandle>({ kind: "corner" }),
  fc.record({ kind: fc.constantFrom("cutout" as const, "cutout size" as const), index: fc.constantFrom(0, 3) }),
);
const px = fc.double({ min: -5000, max: 5000, noNaN: true });

test("whatever is dragged wherever, the screen is one that the file takes, in whole px, with cut-outs on the glass", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(handle, px, px), { maxLength: 10 }), (drags) => {
      const now = drags.reduce((s, [what, dx, dy]) => dragScreen(s, what, dx, dy), screen);
      expect(readThrough(screenSchema, now)).toEqual({ ok: true, value: now });
      for (const c of now.cutouts) expect(c.x >= 0 && c.y >= 0 && c.x + c.w <= 2000 && c.y + c.h <= 1000).toBe(true);
      for (const figure of [now.cornerPx, ...Object.values(now.insets), ...Object.values(now.edges)]) expect(Number.isInteger(figure)).toBe(true);
    }),
  );
});

test("an inset follows the hand from its own side, a corner to the right", () => {
  expect(dragScreen(screen, { kind: "inset", side: "right" }, -40.4, 7).insets).toEqual({ left: 0, top: 0, right: 40, bottom: 0 });
  expect(dragScreen(screen, { kind: "edge", side: "top" }, 3, 25).edges.top).toBe(25);
  expect(dragScreen(screen, { kind: "corner" }, 60, 0).cornerPx).toBe(60);
});

test("a cut-out is drawn whichever way the hand goes, none where it hardly goes, and taken away again", () => {
  const drawn = withCutout(screen, { x: 500, y: 90 }, { x: 400, y: 10 });
  expect(drawn.cutouts[1]).toEqual({ x: 400, y: 10, w: 100, h: 80 });
  expect(withCutout(screen, { x: 500, y: 90 }, { x: 503, y: 91 })).toBe(screen);
  expect(withoutCutout(drawn, 0).cutouts).toEqual([drawn.cutouts[1]]);
});
