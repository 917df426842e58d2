/**
 * Where everything stands on one screen: the placement rules of model.md section 1.
 *
 * Lengths come in two families. Percent lengths are hundredths of a frame (or, in hit and travel, of the control's own
 * visual box); u, mm and px are absolute and grow with K, the control's own factor: the player's size, a cluster's K,
 * and the clamp in millimetres.
 */
import type { Box } from "../geometry/point";
import type { Shape } from "../geometry/shape";
import type { Layout, Screen } from "../layout/types";
import { arrangementFor } from "./arrangement";
import { prepareLayout, type PreparedLayout, type ReadyControl, type ReadyLength, type ReadyPin, type ReadyPlacement, type ReadySpan } from "./prepare";
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

/** What a length needs to become px: the box percent lengths are of, px a unit and a millimetre, the factor of absolute and of percent lengths. */
interface Measure {
  readonly box: Box;
  readonly unit: number;
  readonly mm: number;
  readonly absolute: number;
  readonly percent: number;
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
const inMeasure = (length: ReadyLength, m: Measure) => lengthPx(length, m.box, m.unit, m.mm, m.absolute, m.percent);

interface Placed {
  readonly box: Box;
  readonly k: number;
}

/** A pin in frame F. `outer` is the K of the cluster it stands in, or null outside one; `k` the factor outside. */
function placePin(pin: ReadyPin, frame: Box, unit: number, mm: number, k: number, outer: number | null, mirror: boolean): Placed {
  const own = outer ?? k;
  const sizes: Measure = { box: frame, unit, mm, absolute: own, percent: outer === null ? k : 1 };
  let w = inMeasure(pin.w, sizes);
  let h = inMeasure(pin.h, sizes);
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

/** Places a prepared layout on a screen. */
export function resolve(prepared: PreparedLayout, screen: Screen, view: View = PLAIN_VIEW): Resolved {
  const { layout } = prepared;
  const variant = prepared.variants[arrangementFor(layout.arrangements, screen) + 1];
  const frames = framesOf(screen, layout.picture);
  const unit = unitPx(layout.scale, layout.reference, screen);
  const mm = pxPerMm(screen);
  const mirror = view.handed === "left";
  const plain = (placement: ReadyPlacement, k: number, mirrored: boolean): Placed =>
    placement.kind === "span"
      ? placeSpan(placement, frames[placement.frame], unit, mm, mirrored)
      : placePin(placement, frames[placement.frame ?? "screen"], unit, mm, k, null, mirrored);

  const clusters: Record<string, Box & { k: number }> = {};
  for (const cluster of variant.clusters) {
    const { box, k } = plain(cluster.placement, view.playerSize, mirror);
    clusters[cluster.id] = { ...box, k };
  }
  const controls: ResolvedControl[] = [];
  for (const ready of variant.controls) {
    if (view.moment !== null && !ready.control.moments.includes(view.moment)) continue;
    const placement = ready.placement;
    const home = placement.kind === "pin" && placement.cluster !== null ? clusters[placement.cluster] : null;
    const placed = home && placement.kind === "pin" ? placePin(placement, home, unit, mm, 1, home.k, mirror) : plain(placement, view.playerSize, mirror);
    controls.push(finish(ready, placed, unit, mm, mirror, plain));
  }
  const keepClear: ResolvedZone[] = [];
  for (const zone of variant.zones) {
    if (view.moment !== null && !zone.moments.includes(view.moment)) continue;
    keepClear.push({ id: zone.id, ...plain(zone.placement, 1, false).box });
  }
  return { screen, arrangement: variant.arrangement, scale: unit, clusters, controls, keepClear };
}

function finish(
  ready: ReadyControl,
  placed: Placed,
  unit: number,
  mm: number,
  mirror: boolean,
  plain: (p: ReadyPlacement, k: number, mirrored: boolean) => Placed,
): ResolvedControl {
  const { box: visual, k } = placed;
  const { hit } = ready;
  const own: Measure = { box: visual, unit, mm, absolute: k, percent: 1 };
  const least = hit.minMm * mm;
  const grow = inMeasure(hit.grow, own);
  const w = Math.max(0, (hit.size ? inMeasure(hit.size[0], own) : visual.w) + 2 * grow, least);
  const h = Math.max(0, (hit.size ? inMeasure(hit.size[1], own) : visual.h) + 2 * grow, least);
  const shiftX = inMeasure(hit.shiftX, own) * (mirror ? -1 : 1);
  const area: Shape = {
    shape: hit.shape,
    x: visual.x + visual.w / 2 + shiftX - w / 2,
    y: visual.y + visual.h / 2 + inMeasure(hit.shiftY, own) - h / 2,
    w,
    h,
  };
  const resolved = { id: ready.control.id, visual, k, hit: area, sharing: hit.sharing };
  if (!ready.travel) return resolved;
  const travel = inMeasure(ready.travel, own);
  return ready.landing ? { ...resolved, travel, landing: plain(ready.landing, 1, mirror).box } : { ...resolved, travel };
}

/** Places a layout on one screen. For many screens prepare it once and use `resolve`. */
export function resolveLayout(layout: Layout, screen: Screen, view: View = PLAIN_VIEW): Resolved {
  return resolve(prepareLayout(layout), screen, view);
}

/** The frame a placement stands in, px: one of the screen's, or the cluster's box. Null where the cluster is hidden. */
export function frameBox(frame: "screen" | "safe" | "picture" | { cluster: string }, resolved: Pick<Resolved, "clusters">, frames: Frames): Box | null {
  return typeof frame === "string" ? frames[frame] : (resolved.clusters[frame.cluster] ?? null);
}
