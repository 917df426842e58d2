/**
 * Tethers: what a pin or a span's edge is tied to. Tying elsewhere never moves anything on the screen in view: the offset
 * takes up the difference. Carrying is the gesture after it.
 */
import { clampTo, type Box } from "../engine/geometry/point";
import type { Frame, Layout, Pin, Placement, Span } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { footingOf, nearestTie, pinAt, pinNear, placeAt, spanAt, type Sight } from "./placing";
import { fromOtherSide, mirrorBox, mirrorPlacement } from "./mirror";
import { placementIn, spotBox, spotOf, withPlacement, type Spot } from "./spots";

/** Where a control can be tied: the corners, edges' middles and centre of a frame, as fractions. */
export const TIE_POINTS: readonly (readonly [number, number])[] = [
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
export function tieTo(sight: Sight, key: string, frame: Frame, anchor: readonly [number, number]): Result<Layout> {
  const found = pinIn(sight, key);
  if (!found.ok) return found;
  const { pin, box, spot } = found.value;
  const footing = footingOf(sight, frame, spot.kind);
  if (!footing) return refused(key, "the cluster is hidden on this screen");
  const ax = clampTo(anchor[0], 0, 1);
  const fractions: [number, number] = [footing.mirrored ? fromOtherSide(ax) : ax, clampTo(anchor[1], 0, 1)];
  const sameFrame = JSON.stringify(frame) === JSON.stringify(pin.frame);
  return withPlacement(sight.layout, sight.resolved.arrangement, key, pinAt({ ...pin, frame, anchor: fractions, pivot: fractions }, box, footing, !sameFrame));
}

/**
 * After a move: a pin that stood tied to the nearest corner, edge's middle or centre of its frame before it (`before`) is tied to the
 * nearest one where it stands now; what had been tied elsewhere by hand stays so, and so does what stands in a cluster. Nothing moves.
 */
export function tieAnew(before: Sight, now: Sight, keys: readonly string[]): Result<Layout> {
  let layout = now.layout;
  for (const key of keys) {
    const pin = seenPin(now, key);
    const was = nearestOf(before, key);
    const near = nearestOf(now, key);
    if (!pin || !was || !near || typeof pin.frame !== "string") continue;
    const tiedTo = (point: readonly [number, number]) => [pin.anchor, pin.pivot].every((at) => at[0] === point[0] && at[1] === point[1]);
    if (!tiedTo(was) || tiedTo(near)) continue;
    const tied = tieTo({ ...now, layout }, key, pin.frame, near);
    if (!tied.ok) return tied;
    layout = tied.value;
  }
  return ok(layout);
}

/** The corner, edge's middle or centre of its own frame that a pin stands nearest to, as the player sees it. */
function nearestOf(sight: Sight, key: string): [number, number] | null {
  const found = pinIn(sight, key);
  if (!found.ok) return null;
  const { pin, box, spot } = found.value;
  const footing = footingOf(sight, pin.frame, spot.kind);
  return footing && nearestTie(footing.frame, box);
}

/** Gives a pin another pivot, fractions of its box as this player sees it; it does not jump. */
export function pivotAt(sight: Sight, key: string, pivot: readonly [number, number]): Result<Layout> {
  const found = pinIn(sight, key);
  if (!found.ok) return found;
  const { pin, box, spot } = found.value;
  const footing = footingOf(sight, pin.frame, spot.kind)!;
  const px = clampTo(pivot[0], 0, 1);
  const fractions: [number, number] = [footing.mirrored ? fromOtherSide(px) : px, clampTo(pivot[1], 0, 1)];
  return withPlacement(sight.layout, sight.resolved.arrangement, key, pinAt({ ...pin, pivot: fractions }, box, footing, false));
}

function pinIn(sight: Sight, key: string): Result<{ pin: Pin; box: Box; spot: Spot }> {
  const spot = spotOf(sight.layout, key);
  const pin = placementIn(sight.layout, sight.resolved.arrangement, key);
  const box = spot && spotBox(sight.resolved, spot);
  if (!spot || !pin || !box) return refused(key, "it is not shown on this screen");
  if (pin.kind !== "pin") return refused(key, "a span is tied by its edges; only a pin has a tether");
  return ok({ pin, box, spot });
}

/** A pin as the player sees it: mirrored for the left hand. */
export function seenPin(sight: Sight, key: string): Pin | null {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, key);
  if (placement?.kind !== "pin") return null;
  return sight.view.handed === "left" && spotOf(sight.layout, key)?.kind !== "zone" ? mirrorPlacement(placement) : placement;
}

/** Carries a pin to the point it is tied to: the second gesture after a tether has been tied elsewhere. It stands `marginPx` from the edges it is tied to. */
export function carryTo(sight: Sight, key: string, marginPx: number): Result<Layout> {
  const found = pinIn(sight, key);
  if (!found.ok) return refused(key, "it has no tether on this screen");
  const { box, spot } = found.value;
  const pin = seenPin(sight, key)!;
  const footing = footingOf(sight, pin.frame, spot.kind);
  if (!footing) return refused(key, "the cluster is hidden on this screen");
  const { frame } = footing;
  const [ax, ay] = pin.anchor;
  const inward = (a: number) => (a < 0.5 ? marginPx : a > 0.5 ? -marginPx : 0);
  const there = { ...box, x: frame.x + ax * (frame.w - box.w) + inward(ax), y: frame.y + ay * (frame.h - box.h) + inward(ay) };
  return placeAt(sight, key, there, false);
}

export type Edge = "left" | "top" | "right" | "bottom";

/** Ties an edge of a span to another fraction of its frame (as the file has it); the edge does not jump, its inset takes up the difference. */
export function tieEdge(sight: Sight, key: string, edge: Edge, fraction: number): Result<Layout> {
  const spot = spotOf(sight.layout, key);
  const span = placementIn(sight.layout, sight.resolved.arrangement, key);
  const box = spot && spotBox(sight.resolved, spot);
  if (!spot || !box || span?.kind !== "span") return refused(key, "only a span is tied by its edges");
  const at = clampTo(fraction, 0, 1);
  const from: [number, number] = [edge === "left" ? at : span.from[0], edge === "top" ? at : span.from[1]];
  const to: [number, number] = [edge === "right" ? at : span.to[0], edge === "bottom" ? at : span.to[1]];
  return withPlacement(sight.layout, sight.resolved.arrangement, key, spanAt({ ...span, from, to }, box, footingOf(sight, span.frame, spot.kind)!));
}

/** Ties a span in another frame; it stays where it is. */
export function spanIn(sight: Sight, key: string, frame: Span["frame"]): Result<Layout> {
  const spot = spotOf(sight.layout, key);
  const span = placementIn(sight.layout, sight.resolved.arrangement, key);
  const box = spot && spotBox(sight.resolved, spot);
  if (!spot || !box || span?.kind !== "span") return refused(key, "only a span is tied by its edges");
  return withPlacement(sight.layout, sight.resolved.arrangement, key, spanAt({ ...span, frame }, box, footingOf(sight, frame, spot.kind)!));
}

/** Makes a pin a span, or a span a pin, where it stands. A span's edges are tied to the nearest edges of the frame, a pin to the nearest corner, edge's middle or centre. */
export function asKind(sight: Sight, key: string, kind: Placement["kind"]): Result<Layout> {
  const spot = spotOf(sight.layout, key);
  const placement = placementIn(sight.layout, sight.resolved.arrangement, key);
  const box = spot && spotBox(sight.resolved, spot);
  if (!spot || !placement || !box) return refused(key, "it is not shown on this screen");
  if (placement.kind === kind) return ok(sight.layout);
  if (spot.kind === "cluster") return refused(key, "a cluster is a pin");
  const frame = typeof placement.frame === "string" ? placement.frame : "safe";
  const footing = footingOf(sight, frame, spot.kind)!;
  const next: Placement =
    kind === "span"
      ? spanAt({ kind: "span", frame, from: [0, 0], to: [1, 1], inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" } }, box, footing)
      : pinAt(pinNear(footing.frame, footing.mirrored ? mirrorBox(box, footing.frame) : box, frame), box, footing, true);
  return withPlacement(sight.layout, sight.resolved.arrangement, key, next);
}
