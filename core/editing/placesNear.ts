/** The places near where something was dropped at which it fits: inside the safe frame, clear of other controls' hit areas and of keep-clear zones. */
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import { clearance, isWithin } from "../engine/geometry/distance";
import type { Point } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import type { EditContext } from "./placing";

/** Places are tried so far from each other, mm. */
const STEP_MM = 1;

/**
 * By how much some controls can be moved together so that each of them fits, px: the shortest ways first, to within a millimetre, beginning with
 * (0, 0) where they fit already. What lies under others by intent is no obstacle.
 */
export function* placesNear(context: EditContext, ids: readonly string[]): Generator<Point> {
  const { layout, resolved, screen } = context;
  const mm = pxPerMm(screen);
  const gap = layout.limits.minGapMm * mm;
  const { safe } = framesOf(screen, layout.picture);
  const known = byId(layout.controls);
  const own: Shape[] = resolved.controls.filter((c) => ids.includes(c.id)).map((c) => c.hit);
  const others: Shape[] = [
    ...resolved.controls.filter((c) => !ids.includes(c.id) && !isUnderlay(known.get(c.id)!)).map((c) => c.hit),
    ...resolved.keepClear.map(({ x, y, w, h }): Shape => ({ shape: "box", x, y, w, h })),
  ];
  const fits = (dx: number, dy: number) =>
    own.every((shape) => {
      const there = { ...shape, x: shape.x + dx, y: shape.y + dy };
      const inside =
        there.x >= safe.x - LENGTH_SLACK &&
        there.y >= safe.y - LENGTH_SLACK &&
        there.x + there.w <= safe.x + safe.w + LENGTH_SLACK &&
        there.y + there.h <= safe.y + safe.h + LENGTH_SLACK;
      return inside && others.every((other) => !isWithin(there, other, gap) || clearance(there, other).px >= gap - LENGTH_SLACK);
    });
  if (own.length === 0 || fits(0, 0)) yield { x: 0, y: 0 };
  if (own.length === 0) return;
  const step = STEP_MM * mm;
  const farthest = Math.hypot(screen.widthPx, screen.heightPx);
  for (let r = step; r <= farthest; r += step) {
    const count = Math.max(8, Math.ceil((2 * Math.PI * r) / step));
    for (let i = 0; i < count; i += 1) {
      const [dx, dy] = [Math.cos((i * 2 * Math.PI) / count) * r, Math.sin((i * 2 * Math.PI) / count) * r];
      if (fits(dx, dy)) yield { x: dx, y: dy };
    }
  }
}
