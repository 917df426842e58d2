/**
 * Edits by hand: where a control is to stand on the screen in view, told in px, written back in the units it already has.
 * Which numbers change follows from the placement rules read backwards; on other screens the control goes where those numbers lead.
 */
import { clampTo, type Box } from "../geometry/point";
import { formatLength, lengthOf, type LengthUnit } from "../layout/length";
import { checked } from "../layout/edits/check";
import type { Frame, Layout, Pin, Placement, Screen, Span } from "../layout/types";
import { ok, refused, type Result } from "../result";
import { prepareLayout } from "./prepare";
import { frameBox, lengthPx, PLAIN_VIEW, resolve, type Resolved, type View } from "./resolve";
import { framesOf, pxPerMm } from "./screen";

/** A layout on the screen in view: what an edit by hand starts from. */
export interface Sight {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
}

/** The sight of a layout on a screen as laid out (right hand, size 1, every moment). */
export function sightOf(layout: Layout, screen: Screen, view: View = PLAIN_VIEW): Sight {
  return { layout, screen, resolved: resolve(prepareLayout(layout), screen, view) };
}

/** The placement that holds for a control on this screen: an arrangement's, or the base's. */
export function placementIn(layout: Layout, arrangement: string | null, id: string): Placement | null {
  const override = layout.arrangements.find((a) => a.id === arrangement)?.overrides[id]?.placement;
  return override ?? layout.controls.find((c) => c.id === id)?.placement ?? null;
}

/** Writes a placement back to where it came from: the override where the arrangement has one, else the base. Not checked yet. */
function putPlacement(layout: Layout, arrangement: string | null, id: string, placement: Placement): Layout {
  const overridden = layout.arrangements.find((a) => a.id === arrangement)?.overrides[id]?.placement !== undefined;
  if (overridden)
    return {
      ...layout,
      arrangements: layout.arrangements.map((a) =>
        a.id === arrangement ? { ...a, overrides: { ...a.overrides, [id]: { ...a.overrides[id], placement } } } : a,
      ),
    };
  return { ...layout, controls: layout.controls.map((c) => (c.id === id ? ({ ...c, placement } as typeof c) : c)) };
}

/** The layout with another placement for a control, where it stands now: in the arrangement's override, or in the base. */
export function withPlacement(layout: Layout, arrangement: string | null, id: string, placement: Placement): Result<Layout> {
  return checked(layout, putPlacement(layout, arrangement, id, placement));
}

interface Ground {
  readonly frame: Box;
  readonly unit: number;
  readonly mm: number;
  /** The factor of absolute lengths in offset and in size (see resolve: a cluster's K, or 1 and the player's size). */
  readonly outer: number;
}

function groundOf(sight: Sight, frame: Frame): Ground | null {
  const box = frameBox(frame, sight.resolved, framesOf(sight.screen, sight.layout.picture));
  if (!box) return null;
  const outer = typeof frame === "string" ? 1 : sight.resolved.clusters[frame.cluster].k;
  return { frame: box, unit: sight.resolved.scale, mm: pxPerMm(sight.screen), outer };
}

/** A length of `px` in a unit, the inverse of `lengthPx`. A unit that comes to nothing here (percent of an empty frame) gives u instead. */
export function lengthFor(px: number, unit: LengthUnit, ground: { frame: Box; unit: number; mm: number; outer: number }): string {
  const one = lengthPx({ amount: 1, unit }, ground.frame, ground.unit, ground.mm, ground.outer);
  if (!(Math.abs(one) > 0)) return formatLength(px / (ground.unit * ground.outer), "u");
  return formatLength(px / one, unit);
}

const unitOf = (text: string) => lengthOf(text).unit;

/** A pin that fills `box`, its units, anchor, pivot and clamp kept. */
function pinAt(pin: Pin, box: Box, ground: Ground, sizes: boolean): Pin {
  const { frame } = ground;
  const dx = box.x + pin.pivot[0] * box.w - frame.x - pin.anchor[0] * frame.w;
  const dy = box.y + pin.pivot[1] * box.h - frame.y - pin.anchor[1] * frame.h;
  return {
    ...pin,
    offset: [lengthFor(dx, unitOf(pin.offset[0]), ground), lengthFor(dy, unitOf(pin.offset[1]), ground)],
    size: sizes ? [lengthFor(box.w, unitOf(pin.size[0]), ground), lengthFor(box.h, unitOf(pin.size[1]), ground)] : pin.size,
  };
}

/** A span that fills `box`: its insets change, its edges stay tied where they are. */
function spanAt(span: Span, box: Box, ground: Ground): Span {
  const { frame } = ground;
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

/** Places a control so that its visual box is `box` (px) on the screen in view. `sizes` false: only its place changes. */
export function placeAt(sight: Sight, id: string, box: Box, sizes: boolean): Result<Layout> {
  const placement = placementFor(sight, id, box, sizes);
  return placement.ok ? withPlacement(sight.layout, sight.resolved.arrangement, id, placement.value) : placement;
}

function placementFor(sight: Sight, id: string, box: Box, sizes: boolean): Result<Placement> {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, id);
  if (!placement) return refused("controls", `there is no control "${id}"`);
  const ground = groundOf(sight, placement.frame);
  if (!ground) return refused(id, "its cluster is hidden on this screen");
  if (![box.x, box.y, box.w, box.h].every(Number.isFinite)) return refused(id, "a place must be made of numbers");
  if (sizes && (box.w <= 0 || box.h <= 0)) return refused(id, "a control needs a width and a height above 0");
  return ok(placement.kind === "pin" ? pinAt(placement, box, ground, sizes) : spanAt(placement, box, ground));
}

/** Moves controls by px on the screen in view, all or none. */
export function moveBy(sight: Sight, ids: readonly string[], dxPx: number, dyPx: number): Result<Layout> {
  let layout = sight.layout;
  for (const id of ids) {
    const at = sight.resolved.controls.find((c) => c.id === id);
    if (!at) return refused(id, "it is not shown on this screen");
    const moved = placementFor(sight, id, { ...at.visual, x: at.visual.x + dxPx, y: at.visual.y + dyPx }, false);
    if (!moved.ok) return moved;
    layout = putPlacement(layout, sight.resolved.arrangement, id, moved.value);
  }
  return checked(sight.layout, layout);
}

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
 * The pivot goes to the same fractions of the control, so that offsets read as distances from edge to edge.
 */
export function tieTo(sight: Sight, id: string, frame: Frame, anchor: readonly [number, number]): Result<Layout> {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, id);
  const at = sight.resolved.controls.find((c) => c.id === id);
  if (!placement || !at) return refused(id, "it is not shown on this screen");
  if (placement.kind !== "pin") return refused(id, "a span is tied by its edges; only a pin has a tether");
  const ground = groundOf(sight, frame);
  if (!ground) return refused(id, "the cluster is hidden on this screen");
  const fractions: [number, number] = [clampTo(anchor[0], 0, 1), clampTo(anchor[1], 0, 1)];
  return withPlacement(
    sight.layout,
    sight.resolved.arrangement,
    id,
    pinAt({ ...placement, frame, anchor: fractions, pivot: fractions }, at.visual, ground, false),
  );
}

/** Carries a control to the point it is tied to: the second gesture after a tether has been tied elsewhere. It keeps its distance from the edges as the mirror of the old place would have it. */
export function carryTo(sight: Sight, id: string, marginPx: number): Result<Layout> {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, id);
  const at = sight.resolved.controls.find((c) => c.id === id);
  if (!placement || placement.kind !== "pin" || !at) return refused(id, "it has no tether on this screen");
  const ground = groundOf(sight, placement.frame);
  if (!ground) return refused(id, "the cluster is hidden on this screen");
  const { frame } = ground;
  const [ax, ay] = placement.anchor;
  const inward = (a: number) => (a < 0.5 ? marginPx : a > 0.5 ? -marginPx : 0);
  const box = { ...at.visual, x: frame.x + ax * (frame.w - at.visual.w) + inward(ax), y: frame.y + ay * (frame.h - at.visual.h) + inward(ay) };
  return placeAt(sight, id, box, false);
}

/** The corner of a frame nearest to a point, as fractions. */
export function nearestCorner(frame: Box, x: number, y: number): [number, number] {
  return [x < frame.x + frame.w / 2 ? 0 : 1, y < frame.y + frame.h / 2 ? 0 : 1];
}

/** A length written in another unit without changing what it comes to on the screen in view. `box`: what percent is of. */
export function convertLength(text: string, unit: LengthUnit, box: Box, unitPx: number, mm: number, factor: number): string {
  const px = lengthPx(lengthOf(text), box, unitPx, mm, factor);
  return lengthFor(px, unit, { frame: box, unit: unitPx, mm, outer: factor });
}
