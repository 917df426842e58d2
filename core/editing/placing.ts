/**
 * Edits by hand: where a control is to be on the screen in view, told in px, written back in the units it already has.
 * Which numbers change follows from the placement rules read backwards; on other screens the control goes where those numbers lead.
 */
import type { Box } from "../engine/geometry/point";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { formatLength, LENGTH_UNITS, lengthOf, type LengthUnit } from "../engine/placement/length";
import { lengthPx, readyLength, rulerOf, type Metrics } from "../engine/placement/ruler";
import { checked } from "./edits/checked";
import type { Frame, Layout, Pin, Placement, Screen, Span } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { locksOf, withLocksKept } from "./locks";
import { mirrorBox } from "./mirrored";
import { keptOnScreen } from "../derived/cached";
import { resolvedOn } from "../derived/resolved";
import { frameBox, PLAIN_PLAYER_VIEW, type Resolved, type PlayerView } from "../engine/placement/resolve";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import { clusterOf, placementIn, putPlacement, placeableBox, placeableOf, withPlacement, type Placeable } from "./placeables";

/** A layout on the screen in view: what an edit by hand starts from. */
export interface EditContext {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
  /** As which player, and in which moment, it is looked at. What is placed by hand is written so that it is there for this player. */
  readonly playerView: PlayerView;
}

/** The edit context of a layout on a screen (right hand, size 1, every moment by default). The same three give the same object. */
export function editContextOf(layout: Layout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW): EditContext {
  return contexts(layout, screen, playerView);
}
const contexts = keptOnScreen((layout: Layout, screen: Screen, playerView: PlayerView): EditContext => ({
  layout,
  screen,
  playerView,
  resolved: resolvedOn(layout, screen, playerView),
}));

/**
 * Turns an edit by hand into an edit of whatever version of the layout it meets, on the same screen and for the same player: an edit that
 * is on a captured context would take back what has changed since.
 */
export const seenAs =
  ({ screen, playerView }: Pick<EditContext, "screen" | "playerView">, edit: (context: EditContext) => Result<Layout>) =>
  (now: Layout): Result<Layout> =>
    edit(editContextOf(now, screen, playerView));

/** What lengths within a box come to: what percent is of, what a unit and a mm come to, and the factors of absolute lengths and of percent. */
export interface LengthMetrics extends Metrics {
  readonly box: Box;
  readonly absolute: number;
  readonly percent: number;
}

/** A frame under a placeable, and how the placeable's lengths are measured in it: those of its offset and those of its size. */
export interface Footing {
  readonly frame: Box;
  readonly offset: LengthMetrics;
  readonly size: LengthMetrics;
  /** Whether this player sees the placeable mirrored in its frame. */
  readonly mirrored: boolean;
}

/** What lengths of a placeable in a frame come to; null where the frame is hidden. Landing areas and zones keep their size for every player; zones are never mirrored. */
export function footingOf(context: EditContext, frame: Frame, kind: Placeable["kind"]): Footing | null {
  const box = frameBox(frame, context.resolved, framesOf(context.screen, context.layout.picture));
  if (!box) return null;
  const metrics = { box, unitPx: context.resolved.scale, pxPerMm: pxPerMm(context.screen) };
  const mirrored = context.playerView.handed === "left" && kind !== "zone";
  if (typeof frame !== "string") {
    const { k } = context.resolved.clusters[frame.cluster];
    const within = { ...metrics, absolute: k, percent: 1 };
    return { frame: box, offset: within, size: within, mirrored };
  }
  const factor = kind === "landing" || kind === "zone" ? 1 : context.playerView.playerSize;
  return { frame: box, offset: { ...metrics, absolute: 1, percent: 1 }, size: { ...metrics, absolute: factor, percent: factor }, mirrored };
}

/** How a control's own lengths are measured: travel, and all of its hit area. */
export function ownMeasure(context: EditContext, at: { readonly visual: Box; readonly k: number }): LengthMetrics {
  return { box: at.visual, unitPx: context.resolved.scale, pxPerMm: pxPerMm(context.screen), absolute: at.k, percent: 1 };
}

/** A length of `px` in a unit. A unit that comes to nothing here (percent of an empty frame) gives u instead. */
function lengthFor(px: number, unit: LengthUnit, measure: LengthMetrics): string {
  const one = lengthPx({ amount: 1, unit: LENGTH_UNITS.indexOf(unit) }, rulerOf(measure.box, measure, measure.absolute, measure.percent));
  if (!(Math.abs(one) > 0)) return formatLength(px / (measure.unitPx * measure.absolute), "u");
  return formatLength(px / one, unit);
}

/** What a length comes to, px. */
export function pxOf(text: string, measure: LengthMetrics): number {
  return lengthPx(readyLength(text), rulerOf(measure.box, measure, measure.absolute, measure.percent));
}

const unitOf = (text: string) => lengthOf(text).unit;

/** A pin that fills `box` as the player sees it, its units, anchor, pivot and clamp kept. */
export function pinAt(pin: Pin, seen: Box, footing: Footing, sizes: boolean): Pin {
  const { frame } = footing;
  const box = footing.mirrored ? mirrorBox(seen, frame) : seen;
  const dx = box.x + pin.pivot[0] * box.w - frame.x - pin.anchor[0] * frame.w;
  const dy = box.y + pin.pivot[1] * box.h - frame.y - pin.anchor[1] * frame.h;
  const size = (px: number, was: string) => lengthFor(px, unitOf(was), footing.size);
  return {
    ...pin,
    offset: [lengthFor(dx, unitOf(pin.offset[0]), footing.offset), lengthFor(dy, unitOf(pin.offset[1]), footing.offset)],
    size: sizes ? [size(box.w, pin.size[0]), size(box.h, pin.size[1])] : pin.size,
  };
}

/** A span that fills `box` as the player sees it: its insets change, its edges stay tied where they are. */
export function spanAt(span: Span, seen: Box, footing: Footing): Span {
  const { frame } = footing;
  const box = footing.mirrored ? mirrorBox(seen, frame) : seen;
  const { inset } = span;
  const at = (px: number, was: string) => lengthFor(px, unitOf(was), footing.offset);
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

/** Places a placeable so that its box is `box` (px) on the screen in view. `sizes` false: only its place changes. */
export function placeAt(context: EditContext, key: string, box: Box, sizes: boolean): Result<Layout> {
  const placement = placementFor(context, key, box, sizes);
  return placement.ok ? withPlacement(context.layout, context.resolved.arrangement, key, placement.value) : placement;
}

function placementFor(context: EditContext, key: string, box: Box, sizes: boolean): Result<Placement> {
  const placeable = placeableOf(context.layout, key);
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  if (!placeable || !placement) return refused("controls", `there is no control "${key}"`);
  const footing = footingOf(context, placement.frame, placeable.kind);
  if (!footing) return refused(key, "its cluster is hidden on this screen");
  if (![box.x, box.y, box.w, box.h].every(Number.isFinite)) return refused(key, "a position must be numbers");
  if (sizes && (box.w <= 0 || box.h <= 0)) return refused(key, "a control needs a width and a height above 0");
  const now = placeableBox(context.resolved, placeable);
  const free = now ? withLocksKept(context.layout, key, now, box) : box;
  return ok(placement.kind === "pin" ? pinAt(placement, free, footing, sizes) : spanAt(placement, free, footing));
}

/** Places several placeables at once, all or none. */
export function placeAll(context: EditContext, boxes: readonly (readonly [key: string, box: Box])[], sizes: boolean): Result<Layout> {
  let layout = context.layout;
  for (const [key, box] of boxes) {
    const placed = placementFor(context, key, box, sizes);
    if (!placed.ok) return placed;
    layout = putPlacement(layout, context.resolved.arrangement, placeableOf(context.layout, key)!, placed.value);
  }
  return checked(context.layout, layout);
}

/** Moves placeables by px on the screen in view, all or none; what is locked stays. What is in a cluster that moves too goes with it, once. */
export function moveBy(context: EditContext, keys: readonly string[], dxPx: number, dyPx: number): Result<Layout> {
  const { layout, resolved } = context;
  const boxes: [string, Box][] = [];
  for (const key of keys) {
    const placeable = placeableOf(layout, key);
    const box = placeable && placeableBox(resolved, placeable);
    if (!box) return refused(key, "it is not visible on this screen");
    const cluster = clusterOf(placementIn(layout, resolved.arrangement, key));
    if (cluster === null || !keys.includes(cluster)) boxes.push([key, { ...box, x: box.x + dxPx, y: box.y + dyPx }]);
  }
  const isHeld = ([key]: readonly [string, Box]) => {
    const locks = locksOf(layout, key);
    return (dxPx === 0 || locks.includes("x")) && (dyPx === 0 || locks.includes("y")) && locks.length > 0;
  };
  if (boxes.length > 0 && boxes.every(isHeld)) return refused(boxes[0][0], "its position is locked; unlock it on its card");
  return placeAll(context, boxes, false);
}

/** A pin in layout units tied to the nearest corner, edge's middle or centre of a frame (frame and box as the file has them); offset and size are still to be computed. */
export function pinNear(frame: Box, box: Box, name: Frame): Pin {
  const anchor = nearestAnchor(frame, box);
  return { kind: "pin", frame: name, anchor: anchor, pivot: anchor, offset: ["0u", "0u"], size: ["1u", "1u"] };
}

/** A pin in layout units that is in a box (px, as the player sees it), tied to the nearest corner, edge's middle or centre of a frame. Null where the frame is hidden. */
export function pinFor(context: EditContext, kind: Placeable["kind"], frame: Frame, box: Box): Pin | null {
  const footing = footingOf(context, frame, kind);
  return footing && pinAt(pinNear(footing.frame, footing.mirrored ? mirrorBox(box, footing.frame) : box, frame), box, footing, true);
}

/** A pin of a control written for another frame, standing in a box (px); its anchor, pivot and units are kept. Null where that frame is hidden. */
export function rewritten(context: EditContext, pin: Pin, frame: Frame, box: Box): Pin | null {
  const footing = footingOf(context, frame, "control");
  return footing && pinAt({ ...pin, frame }, box, footing, true);
}

/** How the lengths of a placeable are measured on the screen in view, for reading them in another unit. */
export function measureOf(context: EditContext, key: string): Footing | null {
  const placeable = placeableOf(context.layout, key);
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  return placeable && placement && footingOf(context, placement.frame, placeable.kind);
}

/**
 * The corner, edge's middle or centre of a frame nearest to a box, as fractions. How near is the length of the tether: from the point of
 * the frame to the same point of the box, so that what is close to an edge is tied to that edge however large it is.
 */
export function nearestAnchor(frame: Box, box: Box): [number, number] {
  const along = (low: number, room: number, at: number, side: number) => {
    const tether = (fraction: number) => Math.abs(at + fraction * side - low - fraction * room);
    return [0, 1, 0.5].reduce((best, fraction) => (tether(fraction) < tether(best) - LENGTH_SLACK ? fraction : best));
  };
  return [along(frame.x, frame.w, box.x, box.w), along(frame.y, frame.h, box.y, box.h)];
}

/** A length written in another unit without changing what it comes to. */
export function convertLength(text: string, unit: LengthUnit, measure: LengthMetrics): string {
  return lengthFor(pxOf(text, measure), unit, measure);
}
