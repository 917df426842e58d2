/**
 * Edits by hand: where a control is to stand on the screen in view, told in px, written back in the units it already has.
 * Which numbers change follows from the placement rules read backwards; on other screens the control goes where those numbers lead.
 */
import type { Box } from "../engine/geometry/point";
import { LENGTH_SLACK } from "../engine/geometry/shape";
import { formatLength, lengthOf, type LengthUnit } from "../engine/placement/length";
import { checked } from "./edits/check";
import type { Frame, Layout, Pin, Placement, Screen, Span } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { mirrorBox } from "./mirror";
import { prepareLayout } from "../engine/placement/prepare";
import { frameBox, lengthPx, PLAIN_VIEW, resolve, type Resolved, type View } from "../engine/placement/resolve";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import { clusterOf, placementIn, putPlacement, spotBox, spotOf, withPlacement, type Spot } from "./spots";

/** A layout on the screen in view: what an edit by hand starts from. */
export interface Sight {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
  /** As which player, and in which moment, it is looked at. What is placed by hand is written so that it stands there for this player. */
  readonly view: View;
}

/** The sight of a layout on a screen (right hand, size 1, every moment unless told otherwise). */
export function sightOf(layout: Layout, screen: Screen, view: View = PLAIN_VIEW): Sight {
  return { layout, screen, view, resolved: resolve(prepareLayout(layout), screen, view) };
}

export interface Ground {
  readonly frame: Box;
  readonly unit: number;
  readonly mm: number;
  /** The factor of absolute lengths in an offset: the K of the cluster it stands in, outside one 1. */
  readonly outer: number;
  /** The factor of absolute lengths in a size: the cluster's K, outside one the player's size. */
  readonly own: number;
  /** The factor of percent in a size: 1 in a cluster, outside one the player's size. */
  readonly share: number;
  /** Whether this player sees the spot mirrored in its frame. */
  readonly mirrored: boolean;
}

/** What lengths of a spot in a frame come to. Landing areas and zones keep their size for every player; zones are never mirrored. */
export function groundOf(sight: Sight, frame: Frame, kind: Spot["kind"]): Ground | null {
  const box = frameBox(frame, sight.resolved, framesOf(sight.screen, sight.layout.picture));
  if (!box) return null;
  const base = { frame: box, unit: sight.resolved.scale, mm: pxPerMm(sight.screen), mirrored: sight.view.handed === "left" && kind !== "zone" };
  if (typeof frame !== "string") {
    const { k } = sight.resolved.clusters[frame.cluster];
    return { ...base, outer: k, own: k, share: 1 };
  }
  const size = kind === "landing" || kind === "zone" ? 1 : sight.view.playerSize;
  return { ...base, outer: 1, own: size, share: size };
}

/** A length of `px` in a unit, the inverse of `lengthPx`. A unit that comes to nothing here (percent of an empty frame) gives u instead. */
export function lengthFor(px: number, unit: LengthUnit, ground: { frame: Box; unit: number; mm: number; outer: number }): string {
  const one = lengthPx({ amount: 1, unit }, ground.frame, ground.unit, ground.mm, ground.outer);
  if (!(Math.abs(one) > 0)) return formatLength(px / (ground.unit * ground.outer), "u");
  return formatLength(px / one, unit);
}

const unitOf = (text: string) => lengthOf(text).unit;

/** A pin that fills `box` as the player sees it, its units, anchor, pivot and clamp kept. */
export function pinAt(pin: Pin, seen: Box, ground: Ground, sizes: boolean): Pin {
  const { frame } = ground;
  const box = ground.mirrored ? mirrorBox(seen, frame) : seen;
  const dx = box.x + pin.pivot[0] * box.w - frame.x - pin.anchor[0] * frame.w;
  const dy = box.y + pin.pivot[1] * box.h - frame.y - pin.anchor[1] * frame.h;
  const size = (px: number, was: string) => {
    const unit = unitOf(was);
    return lengthFor(unit.startsWith("%") ? px / ground.share : px, unit, { ...ground, outer: ground.own });
  };
  return {
    ...pin,
    offset: [lengthFor(dx, unitOf(pin.offset[0]), ground), lengthFor(dy, unitOf(pin.offset[1]), ground)],
    size: sizes ? [size(box.w, pin.size[0]), size(box.h, pin.size[1])] : pin.size,
  };
}

/** A span that fills `box` as the player sees it: its insets change, its edges stay tied where they are. */
export function spanAt(span: Span, seen: Box, ground: Ground): Span {
  const { frame } = ground;
  const box = ground.mirrored ? mirrorBox(seen, frame) : seen;
  const { inset } = span;
  const at = (px: number, was: string) => lengthFor(px, unitOf(was), ground);
  return {
    ...span,
    inset: {
      left: at(box.x - frame.x - span.from[0] * frame.w, inset.left),
      top: at(box.y - frame.y - span.from[1] * frame.h, inset.top),
      right: at(frame.x + span.to[0] * frame.w - box.x - box.w, inset.right),
      bottom: at(frame.y + span.to[1] * frame.h - box.y - box.h, inset.bottom),
    },
  };
}

/** Places a spot so that its box is `box` (px) on the screen in view. `sizes` false: only its place changes. */
export function placeAt(sight: Sight, key: string, box: Box, sizes: boolean): Result<Layout> {
  const placement = placementFor(sight, key, box, sizes);
  return placement.ok ? withPlacement(sight.layout, sight.resolved.arrangement, key, placement.value) : placement;
}

function placementFor(sight: Sight, key: string, box: Box, sizes: boolean): Result<Placement> {
  const spot = spotOf(sight.layout, key);
  const placement = placementIn(sight.layout, sight.resolved.arrangement, key);
  if (!spot || !placement) return refused("controls", `there is no control "${key}"`);
  const ground = groundOf(sight, placement.frame, spot.kind);
  if (!ground) return refused(key, "its cluster is hidden on this screen");
  if (![box.x, box.y, box.w, box.h].every(Number.isFinite)) return refused(key, "a place must be made of numbers");
  if (sizes && (box.w <= 0 || box.h <= 0)) return refused(key, "a control needs a width and a height above 0");
  return ok(placement.kind === "pin" ? pinAt(placement, box, ground, sizes) : spanAt(placement, box, ground));
}

/** Places several spots at once, all or none. */
export function placeAll(sight: Sight, boxes: readonly (readonly [key: string, box: Box])[], sizes: boolean): Result<Layout> {
  let layout = sight.layout;
  for (const [key, box] of boxes) {
    const placed = placementFor(sight, key, box, sizes);
    if (!placed.ok) return placed;
    layout = putPlacement(layout, sight.resolved.arrangement, spotOf(sight.layout, key)!, placed.value);
  }
  return checked(sight.layout, layout);
}

/** Moves spots by px on the screen in view, all or none. What stands in a cluster that moves too goes with it, once. */
export function moveBy(sight: Sight, keys: readonly string[], dxPx: number, dyPx: number): Result<Layout> {
  const { layout, resolved } = sight;
  const boxes: [string, Box][] = [];
  for (const key of keys) {
    const spot = spotOf(layout, key);
    const box = spot && spotBox(resolved, spot);
    if (!box) return refused(key, "it is not shown on this screen");
    const cluster = clusterOf(placementIn(layout, resolved.arrangement, key));
    if (cluster === null || !keys.includes(cluster)) boxes.push([key, { ...box, x: box.x + dxPx, y: box.y + dyPx }]);
  }
  return placeAll(sight, boxes, false);
}

/** A pin in layout units tied to the nearest corner, edge's middle or centre of a frame (frame and box as the file has them); offset and size are still to be worked out. */
export function pinNear(frame: Box, box: Box, name: Frame): Pin {
  const tie = nearestTie(frame, box);
  return { kind: "pin", frame: name, anchor: tie, pivot: tie, offset: ["0u", "0u"], size: ["1u", "1u"] };
}

/** A pin in layout units that stands in a box (px, as the player sees it), tied to the nearest corner, edge's middle or centre of a frame. Null where the frame is hidden. */
export function pinFor(sight: Sight, kind: Spot["kind"], frame: Frame, box: Box): Pin | null {
  const ground = groundOf(sight, frame, kind);
  return ground && pinAt(pinNear(ground.frame, ground.mirrored ? mirrorBox(box, ground.frame) : box, frame), box, ground, true);
}

/** The placement of a spot written for another frame, standing in the box it has now (px); its anchor, pivot and units are kept. Null where that frame is hidden. */
export function rewritten(sight: Sight, pin: Pin, kind: Spot["kind"], frame: Frame, box: Box): Pin | null {
  const ground = groundOf(sight, frame, kind);
  return ground && pinAt({ ...pin, frame }, box, ground, true);
}

/** What a length of a spot is measured by on the screen in view, for reading it in another unit: what percent is of, px a unit and a mm, and the factors of offset and size. */
export function measureOf(sight: Sight, key: string): { frame: Box; unit: number; mm: number; outer: number; own: number; share: number } | null {
  const spot = spotOf(sight.layout, key);
  const placement = placementIn(sight.layout, sight.resolved.arrangement, key);
  return spot && placement && groundOf(sight, placement.frame, spot.kind);
}

/**
 * The corner, edge's middle or centre of a frame nearest to a box, as fractions. How near is the length of the tether: from the point of
 * the frame to the same point of the box, so that what stands close to an edge is tied to that edge however large it is.
 */
export function nearestTie(frame: Box, box: Box): [number, number] {
  const along = (low: number, room: number, at: number, side: number) => {
    const tether = (fraction: number) => Math.abs(at + fraction * side - low - fraction * room);
    return [0, 1, 0.5].reduce((best, fraction) => (tether(fraction) < tether(best) - LENGTH_SLACK ? fraction : best));
  };
  return [along(frame.x, frame.w, box.x, box.w), along(frame.y, frame.h, box.y, box.h)];
}

/** A length written in another unit without changing what it comes to on the screen in view. `box`: what percent is of; `factor` is that of absolute lengths, `share` that of percent. */
export function convertLength(text: string, unit: LengthUnit, box: Box, unitPx: number, mm: number, factor: number, share = 1): string {
  const px = lengthPx(lengthOf(text), box, unitPx, mm, factor, share);
  return lengthFor(unit.startsWith("%") ? px / share : px, unit, { frame: box, unit: unitPx, mm, outer: factor });
}
