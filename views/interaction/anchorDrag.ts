/** Tethers under the hand: their ends, the points they may be tied to, and what a drag of one would tie it to. */
import type { Box, Point } from "../../core/engine/geometry/point";
import type { Frame, Pin } from "../../core/format/types";
import type { EditContext } from "../../core/editing/placing";
import { frameBox } from "../../core/engine/placement/resolve";
import { framesOf } from "../../core/engine/placement/screen";
import { placeableBox, placeableOf } from "../../core/editing/placeables";
import { seenPin, ANCHOR_POINTS } from "../../core/editing/anchors";

/** A tether's end takes a corner, edge or centre within this, CSS px. */
const ANCHOR_SNAP_PX = 28;

/** Points nearer to each other than this are one to the hand, CSS px. */
const SAME_POINT_PX = 0.5;

/** A tether's end under way: where it is, and the point it would be tied to. */
export interface AnchorDrag {
  readonly point: Point;
  readonly frame: Frame;
  readonly anchor: readonly [number, number];
}

/** The ends of a placeable's tether, px: at the placeable and at the frame, as the player sees them. Null for a span. */
export function tetherEnds(context: EditContext, key: string): { from: Point; to: Point; pin: Pin; frame: Box } | null {
  const pin = seenPin(context, key);
  const placeable = placeableOf(context.layout, key);
  const box = placeable && placeableBox(context.resolved, placeable);
  const frame = pin && frameBox(pin.frame, context.resolved, framesOf(context.screen, context.layout.picture));
  if (!pin || !box || !frame) return null;
  return {
    pin,
    frame,
    from: { x: box.x + pin.pivot[0] * box.w, y: box.y + pin.pivot[1] * box.h },
    to: { x: frame.x + pin.anchor[0] * frame.w, y: frame.y + pin.anchor[1] * frame.h },
  };
}

/** The points to which a pin may be tied at a snap: its own those frame, then of the screen's others. */
export function anchorPoints(context: EditContext, pin: Pin): { frame: Frame; anchor: readonly [number, number]; x: number; y: number }[] {
  const frames = framesOf(context.screen, context.layout.picture);
  const plain = (["safe", "screen", "picture"] as const).filter((f) => f !== pin.frame && (f !== "picture" || context.layout.picture !== undefined));
  return [pin.frame, ...plain].flatMap((frame) => {
    const box = frameBox(frame, context.resolved, frames);
    return box ? ANCHOR_POINTS.map((anchor) => ({ frame, anchor, x: box.x + anchor[0] * box.w, y: box.y + anchor[1] * box.h })) : [];
  });
}

/** Where a tether's end would be tied: to a corner, edge's middle or centre when near one, else (or `free`) anywhere in its own frame, to a thousandth. */
export function anchorAt(context: EditContext, key: string, { point, free }: { point: Point; free: boolean }, scale: number): AnchorDrag | null {
  const ends = tetherEnds(context, key);
  if (!ends) return null;
  if (!free) {
    // The nearest of them; where frames share a point, its own that frame, which comes first.
    const far = (p: Point) => Math.hypot(p.x - point.x, p.y - point.y) * scale;
    const near = anchorPoints(context, ends.pin).reduce((best, p) => (far(p) < far(best) - SAME_POINT_PX ? p : best));
    if (far(near) <= ANCHOR_SNAP_PX) return { point, frame: near.frame, anchor: near.anchor };
  }
  const clamped = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;
  const at = (v: number, low: number, side: number) => (side > 0 ? clamped((v - low) / side) : 0);
  const { frame } = ends;
  return { point, frame: ends.pin.frame, anchor: [at(point.x, frame.x, frame.w), at(point.y, frame.y, frame.h)] };
}
