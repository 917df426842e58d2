/**
 * Where everything stands on one screen: the placement rules of model.md section 1.
 *
 * Lengths come in two families. Percent lengths are hundredths of a frame (or, in hit and travel, of the control's own
 * visual box); u, mm and px are absolute and grow with K, the control's own factor: the player's size, a cluster's K,
 * and the clamp in millimetres.
 */
import type { Box } from "../geometry/point";
import type { Shape } from "../geometry/shape";
import type { PlacedLayout, Screen } from "../types";
import { arrangementFor } from "./arrangement";
import {
  prepareLayout,
  type PreparedLayout,
  type ReadyControl,
  type ReadyHit,
  type ReadyLength,
  type ReadyPin,
  type ReadyPlacement,
  type ReadySpan,
} from "./prepare";
import { framesOf, pxPerMm, type Frames } from "./screen";
import { unitPx } from "./scale";

/** What a player has chosen, and the moment of the game. `moment` null: everything is shown. */
export interface View {
  readonly handed: "right" | "left";
  /** 1 is as laid out. */
  readonly playerSize: number;
  readonly moment: string | null;
}
export const PLAIN_VIEW: View = { handed: "right", playerSize: 1, moment: null };

/** One control on the screen, px. `travel`: of every stick. `landing`: of a floating or trailing stick that has one. */
export interface ResolvedControl {
  readonly id: string;
  readonly visual: Box;
  readonly k: number;
  readonly hit: Shape;
  /** Whether the area keeps what lies under it from the touch; an arrangement's override may change it. */
  readonly sharing: "own" | "shared";
  readonly travel?: number;
  readonly landing?: Box;
}
export interface ResolvedZone extends Box {
  readonly id: string;
}
/** A layout on one screen: file order, what an arrangement hides or the moment does not show left out. */
export interface Resolved {
  readonly screen: Screen;
  readonly arrangement: string | null;
  /** px a layout unit. */
  readonly scale: number;
  readonly clusters: Readonly<Record<string, Box & { readonly k: number }>>;
  readonly controls: readonly ResolvedControl[];
  readonly keepClear: readonly ResolvedZone[];
}

/** The px of a length within a frame. */
export function lengthPx(length: ReadyLength, box: Box, unit: number, mm: number, absolute = 1, percent = 1): number {
  const { amount } = length;
  switch (length.unit) {
    case "u":
      return amount * unit * absolute;
    case "mm":
      return amount * mm * absolute;
    case "px":
      return amount * absolute;
    case "%w":
      return (amount * box.w * percent) / 100;
    case "%h":
      return (amount * box.h * percent) / 100;
    case "%min":
      return (amount * Math.min(box.w, box.h) * percent) / 100;
    case "%max":
      return (amount * Math.max(box.w, box.h) * percent) / 100;
  }
}

interface Placed {
  readonly box: Box;
  readonly k: number;
}

/** A pin in frame F. `outer` is the K of the cluster it stands in, or null outside one; `k` the factor outside. */
function placePin(pin: ReadyPin, frame: Box, unit: number, mm: number, k: number, outer: number | null, mirror: boolean): Placed {
  const own = outer ?? k;
  const percent = outer === null ? k : 1;
  let w = lengthPx(pin.w, frame, unit, mm, own, percent);
  let h = lengthPx(pin.h, frame, unit, mm, own, percent);
  let c = 1;
  const clamp = pin.clamp;
  if (clamp) {
    const d = Math.min(w, h) / mm;
    if (clamp.minMm !== undefined && d < clamp.minMm) c = clamp.minMm / d;
    else if (clamp.maxMm !== undefined && d > clamp.maxMm) c = clamp.maxMm / d;
    w *= c;
    h *= c;
  }
  const dx = lengthPx(pin.dx, frame, unit, mm, outer ?? 1);
  const dy = lengthPx(pin.dy, frame, unit, mm, outer ?? 1);
  const x = mirror ? frame.x + (1 - pin.ax) * frame.w - dx - (1 - pin.px) * w : frame.x + pin.ax * frame.w + dx - pin.px * w;
  return { box: { x, y: frame.y + pin.ay * frame.h + dy - pin.py * h, w, h }, k: own * c };
}

/** A span in frame F; edges that cross become their mean. */
function placeSpan(span: ReadySpan, frame: Box, unit: number, mm: number, mirror: boolean): Placed {
  const px = (length: ReadyLength) => lengthPx(length, frame, unit, mm);
  const [fx, tx, insetLeft, insetRight] = mirror ? [1 - span.tx, 1 - span.fx, span.right, span.left] : [span.fx, span.tx, span.left, span.right];
  let left = frame.x + fx * frame.w + px(insetLeft);
  let right = frame.x + tx * frame.w - px(insetRight);
  let top = frame.y + span.fy * frame.h + px(span.top);
  let bottom = frame.y + span.ty * frame.h - px(span.bottom);
  if (right < left) left = right = (left + right) / 2;
  if (bottom < top) top = bottom = (top + bottom) / 2;
  return { box: { x: left, y: top, w: right - left, h: bottom - top }, k: 1 };
}

/** A placement in one of the screen's own frames. */
function placePlain(placement: ReadyPlacement, frames: Frames, unit: number, mm: number, k: number, mirror: boolean): Placed {
  return placement.kind === "span"
    ? placeSpan(placement, frames[placement.frame], unit, mm, mirror)
    : placePin(placement, frames[placement.frame ?? "screen"], unit, mm, k, null, mirror);
}

/** Places a prepared layout on a screen. */
export function resolve(prepared: PreparedLayout, screen: Screen, view: View = PLAIN_VIEW): Resolved {
  const { layout } = prepared;
  const variant = prepared.variants[arrangementFor(layout.arrangements, screen) + 1];
  const frames = framesOf(screen, layout.picture);
  const unit = unitPx(layout.scale, layout.reference, screen);
  const mm = pxPerMm(screen);
  const mirror = view.handed === "left";
  const clusters: Record<string, Box & { k: number }> = {};
  for (const cluster of variant.clusters) {
    const { box, k } = placePlain(cluster.placement, frames, unit, mm, view.playerSize, mirror);
    clusters[cluster.id] = { ...box, k };
  }
  const controls: ResolvedControl[] = [];
  for (const ready of variant.controls) {
    if (view.moment !== null && !ready.control.moments.includes(view.moment)) continue;
    const placement = ready.placement;
    const home = placement.kind === "pin" && placement.cluster !== null ? clusters[placement.cluster] : null;
    const placed =
      home && placement.kind === "pin"
        ? placePin(placement, home, unit, mm, 1, home.k, mirror)
        : placePlain(placement, frames, unit, mm, view.playerSize, mirror);
    controls.push(finish(ready, placed, unit, mm, mirror, frames));
  }
  const keepClear: ResolvedZone[] = [];
  for (const zone of variant.zones) {
    if (view.moment !== null && !zone.moments.includes(view.moment)) continue;
    keepClear.push({ id: zone.id, ...placePlain(zone.placement, frames, unit, mm, 1, false).box });
  }
  return { screen, arrangement: variant.arrangement, scale: unit, clusters, controls, keepClear };
}

function finish(ready: ReadyControl, placed: Placed, unit: number, mm: number, mirror: boolean, frames: Frames): ResolvedControl {
  const { box: visual, k } = placed;
  const { hit, travel, landing } = ready;
  const area = hit.plain ? { shape: hit.shape, x: visual.x, y: visual.y, w: visual.w, h: visual.h } : hitArea(hit, visual, unit, mm, k, mirror);
  const id = ready.control.id;
  if (!travel) return { id, visual, k, hit: area, sharing: hit.sharing };
  const travelPx = lengthPx(travel, visual, unit, mm, k);
  if (!landing) return { id, visual, k, hit: area, sharing: hit.sharing, travel: travelPx };
  return { id, visual, k, hit: area, sharing: hit.sharing, travel: travelPx, landing: placePlain(landing, frames, unit, mm, 1, mirror).box };
}

function hitArea(hit: ReadyHit, visual: Box, unit: number, mm: number, k: number, mirror: boolean): Shape {
  const px = (length: ReadyLength) => lengthPx(length, visual, unit, mm, k);
  const least = hit.minMm * mm;
  const grow = px(hit.grow);
  const w = Math.max(0, (hit.size ? px(hit.size[0]) : visual.w) + 2 * grow, least);
  const h = Math.max(0, (hit.size ? px(hit.size[1]) : visual.h) + 2 * grow, least);
  const shiftX = px(hit.shiftX) * (mirror ? -1 : 1);
  return { shape: hit.shape, x: visual.x + visual.w / 2 + shiftX - w / 2, y: visual.y + visual.h / 2 + px(hit.shiftY) - h / 2, w, h };
}

/** Places a layout on one screen. For many screens prepare it once and use `resolve`. */
export function resolveLayout(layout: PlacedLayout, screen: Screen, view: View = PLAIN_VIEW): Resolved {
  return resolve(prepareLayout(layout), screen, view);
}

/** The frame a placement stands in, px: one of the screen's, or the cluster's box. Null where the cluster is hidden. */
export function frameBox(frame: "screen" | "safe" | "picture" | { cluster: string }, resolved: Pick<Resolved, "clusters">, frames: Frames): Box | null {
  return typeof frame === "string" ? frames[frame] : (resolved.clusters[frame.cluster] ?? null);
}
