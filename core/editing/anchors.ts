/**
 * Tethers: what a pin or a span's edge is tied to. Tying elsewhere never moves anything on the screen in view: the offset
 * takes up the difference. Carrying is the gesture after it.
 */
import { isEqual } from "../engine/equal";
import { clampTo, type Box } from "../engine/geometry/point";
import type { Frame, Layout, Pin, Placement, Span } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { footingOf, nearestAnchor, pinAt, pinNear, placeAt, spanAt, type EditContext } from "./placing";
import { fromOtherSide, mirrorBox, mirrorPlacement } from "./mirrored";
import { placementIn, placeableBox, placeableOf, withPlacement, type Placeable } from "./placeables";

/** Where a control can be tied: the corners, edges' middles and centre of a frame, as fractions. */
export const ANCHOR_POINTS: readonly (readonly [number, number])[] = [
  [0, 0],
  [0.5, 0],
  [1, 0],
  [0, 0.5],
  [0.5, 0.5],
  [1, 0.5],
  [0, 1],
  [0.5, 1],
  [1, 1],
];

/**
 * Ties a pin to another point of a frame without moving it on the screen in view: the offset takes up the difference.
 * The pivot goes to the same fractions of the control, so that offsets read as distances from edge to edge. `anchor`: as this player sees it.
 */
export function anchorTo(context: EditContext, key: string, frame: Frame, anchor: readonly [number, number]): Result<Layout> {
  const found = pinIn(context, key);
  if (!found.ok) return found;
  const { pin, box, placeable } = found.value;
  const footing = footingOf(context, frame, placeable.kind);
  if (!footing) return refused(key, "the cluster is hidden on this screen");
  const ax = clampTo(anchor[0], 0, 1);
  const fractions: [number, number] = [footing.mirrored ? fromOtherSide(ax) : ax, clampTo(anchor[1], 0, 1)];
  const sameFrame = isEqual(frame, pin.frame);
  return withPlacement(
    context.layout,
    context.resolved.arrangement,
    key,
    pinAt({ ...pin, frame, anchor: fractions, pivot: fractions }, box, footing, !sameFrame),
  );
}

/**
 * After a move: a pin that stood tied to the nearest corner, edge's middle or centre of its frame before it (`before`) is tied to the
 * nearest one where it is now; what had been tied elsewhere by hand stays so, and so does what is in a cluster. Nothing moves.
 */
export function anchorAnew(before: EditContext, now: EditContext, keys: readonly string[]): Result<Layout> {
  let layout = now.layout;
  for (const key of keys) {
    const pin = seenPin(now, key);
    const was = nearestOf(before, key);
    const nearest = nearestOf(now, key);
    if (!pin || !was || !nearest || typeof pin.frame !== "string") continue;
    const anchoredTo = (point: readonly [number, number]) => [pin.anchor, pin.pivot].every((at) => at[0] === point[0] && at[1] === point[1]);
    if (!anchoredTo(was) || anchoredTo(nearest)) continue;
    const anchored = anchorTo({ ...now, layout }, key, pin.frame, nearest);
    if (!anchored.ok) return anchored;
    layout = anchored.value;
  }
  return ok(layout);
}

/** The corner, edge's middle or its own centre frame that a pin is nearest to, as the player sees it. */
function nearestOf(context: EditContext, key: string): [number, number] | null {
  const found = pinIn(context, key);
  if (!found.ok) return null;
  const { pin, box, placeable } = found.value;
  const footing = footingOf(context, pin.frame, placeable.kind);
  return footing && nearestAnchor(footing.frame, box);
}

/** Gives a pin another pivot, fractions of its box as this player sees it; it does not jump. */
export function pivotAt(context: EditContext, key: string, pivot: readonly [number, number]): Result<Layout> {
  const found = pinIn(context, key);
  if (!found.ok) return found;
  const { pin, box, placeable } = found.value;
  const footing = footingOf(context, pin.frame, placeable.kind)!;
  const px = clampTo(pivot[0], 0, 1);
  const fractions: [number, number] = [footing.mirrored ? fromOtherSide(px) : px, clampTo(pivot[1], 0, 1)];
  return withPlacement(context.layout, context.resolved.arrangement, key, pinAt({ ...pin, pivot: fractions }, box, footing, false));
}

function pinIn(context: EditContext, key: string): Result<{ pin: Pin; box: Box; placeable: Placeable }> {
  const placeable = placeableOf(context.layout, key);
  const pin = placementIn(context.layout, context.resolved.arrangement, key);
  const box = placeable && placeableBox(context.resolved, placeable);
  if (!placeable || !pin || !box) return refused(key, "it is not visible on this screen");
  if (pin.kind !== "pin") return refused(key, "a span is tied by its edges; only a pin has a tether");
  return ok({ pin, box, placeable });
}

/** A pin as the player sees it: mirrored for the left hand. */
export function seenPin(context: EditContext, key: string): Pin | null {
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  if (placement?.kind !== "pin") return null;
  return context.playerView.handed === "left" && placeableOf(context.layout, key)?.kind !== "zone" ? mirrorPlacement(placement) : placement;
}

/** Carries a pin to the point it is tied to: the second gesture after a tether has been tied elsewhere. It is `marginPx` from the edges it is tied to. */
export function carryTo(context: EditContext, key: string, marginPx: number): Result<Layout> {
  const found = pinIn(context, key);
  if (!found.ok) return refused(key, "it has no tether on this screen");
  const { box, placeable } = found.value;
  const pin = seenPin(context, key)!;
  const footing = footingOf(context, pin.frame, placeable.kind);
  if (!footing) return refused(key, "the cluster is hidden on this screen");
  const { frame } = footing;
  const [ax, ay] = pin.anchor;
  const inward = (a: number) => (a < 0.5 ? marginPx : a > 0.5 ? -marginPx : 0);
  const there = { ...box, x: frame.x + ax * (frame.w - box.w) + inward(ax), y: frame.y + ay * (frame.h - box.h) + inward(ay) };
  return placeAt(context, key, there, false);
}

export type Edge = "left" | "top" | "right" | "bottom";

/** Ties an edge of a span to another fraction of its frame (as the file has it); the edge does not jump, its inset takes up the difference. */
export function anchorEdge(context: EditContext, key: string, edge: Edge, fraction: number): Result<Layout> {
  const placeable = placeableOf(context.layout, key);
  const span = placementIn(context.layout, context.resolved.arrangement, key);
  const box = placeable && placeableBox(context.resolved, placeable);
  if (!placeable || !box || span?.kind !== "span") return refused(key, "only a span is tied by its edges");
  const at = clampTo(fraction, 0, 1);
  const from: [number, number] = [edge === "left" ? at : span.from[0], edge === "top" ? at : span.from[1]];
  const to: [number, number] = [edge === "right" ? at : span.to[0], edge === "bottom" ? at : span.to[1]];
  return withPlacement(context.layout, context.resolved.arrangement, key, spanAt({ ...span, from, to }, box, footingOf(context, span.frame, placeable.kind)!));
}

/** Ties a span in another frame; it stays where it is. */
export function spanIn(context: EditContext, key: string, frame: Span["frame"]): Result<Layout> {
  const placeable = placeableOf(context.layout, key);
  const span = placementIn(context.layout, context.resolved.arrangement, key);
  const box = placeable && placeableBox(context.resolved, placeable);
  if (!placeable || !box || span?.kind !== "span") return refused(key, "only a span is tied by its edges");
  return withPlacement(context.layout, context.resolved.arrangement, key, spanAt({ ...span, frame }, box, footingOf(context, frame, placeable.kind)!));
}

/** Makes a pin a span, or a span a pin, where it is. A span's edges are tied to the nearest edges of the frame, a pin to the nearest corner, edge's middle or centre. */
export function asKind(context: EditContext, key: string, kind: Placement["kind"]): Result<Layout> {
  const placeable = placeableOf(context.layout, key);
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  const box = placeable && placeableBox(context.resolved, placeable);
  if (!placeable || !placement || !box) return refused(key, "it is not visible on this screen");
  if (placement.kind === kind) return ok(context.layout);
  if (placeable.kind === "cluster") return refused(key, "a cluster is a pin");
  const frame = typeof placement.frame === "string" ? placement.frame : "safe";
  const footing = footingOf(context, frame, placeable.kind)!;
  const next: Placement =
    kind === "span"
      ? spanAt({ kind: "span", frame, from: [0, 0], to: [1, 1], inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" } }, box, footing)
      : pinAt(pinNear(footing.frame, footing.mirrored ? mirrorBox(box, footing.frame) : box, frame), box, footing, true);
  return withPlacement(context.layout, context.resolved.arrangement, key, next);
}
