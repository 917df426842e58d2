/**
 * Where everything is on one screen: the placement rules of model.md section 1.
 *
 * Lengths come in two families. Percent lengths are hundredths of a frame (or, in hit and travel, of the control's own
 * visual box); u, mm and px are absolute and grow with K, the control's own factor: the player's size, a cluster's K,
 * and the clamp in millimetres.
 */
import { clampTo, type Box } from "../geometry/point";
import type { Shape } from "../geometry/shape";
import { FARTHEST_PX } from "../geometry/tolerances";
import type { PlacedLayout, Screen } from "../types";
import { arrangementFor } from "./arrangement";
import { prepareLayout, type PreparedLayout, type ReadyControl, type ReadyHit, type ReadyPin, type ReadyPlacement, type ReadySpan } from "./prepare";
import { framesOf, pxPerMm, type ScreenFrames } from "./screen";
import { lengthPx, rulerOf, type Metrics, type Room, type Ruler } from "./ruler";
import { unitPx } from "./scale";

/** What a player has chosen, and the moment of the game. `moment` null: everything is shown. */
export interface PlayerView {
  readonly handed: "right" | "left";
  /** 1 is as laid out. */
  readonly playerSize: number;
  readonly moment: string | null;
}
/** The right hand, as laid out, no moment. */
export const PLAIN_PLAYER_VIEW: PlayerView = { handed: "right", playerSize: 1, moment: null };

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
/** What must stay free, on the screen, px. */
export interface ResolvedZone extends Box {
  readonly id: string;
}
/** A layout on one screen: file order, what an arrangement hides or the moment does not show omitted. */
export interface Resolved {
  readonly screen: Screen;
  readonly arrangement: string | null;
  /** px a layout unit. */
  readonly scale: number;
  readonly clusters: Readonly<Record<string, Box & { readonly k: number }>>;
  readonly controls: readonly ResolvedControl[];
  readonly keepClear: readonly ResolvedZone[];
}

interface Placed {
  readonly box: Box;
  readonly k: number;
}

/** A number kept within the farthest; what is no number, where an overflow met its opposite or 0, is 0. */
function bounded(n: number): number {
  return n !== n ? 0 : clampTo(n, -FARTHEST_PX, FARTHEST_PX);
}

/** A box and its K. Absurd lengths in a file may overflow: what they come to is kept within the farthest, so that nothing after this meets a NaN. */
function placed(box: Box, k: number): Placed {
  const { x, y, w, h } = box;
  // NaN fails this too.
  if (Math.abs(x) + Math.abs(y) + w + h + k < FARTHEST_PX) return { box, k };
  return { box: { x: bounded(x), y: bounded(y), w: bounded(w), h: bounded(h) }, k: bounded(k) };
}

/** A pin in a room. `size`: the its own factor sides (the player's size; in a cluster 1, for the room's ruler has K already). */
function placePin(pin: ReadyPin, { box: frame, ruler, k }: Room, { pxPerMm, mirrored }: Metering, size: number): Placed {
  let w = lengthPx(pin.w, ruler) * size;
  let h = lengthPx(pin.h, ruler) * size;
  let c = 1;
  const { clamp } = pin;
  if (clamp) {
    const d = Math.min(w, h) / pxPerMm;
    if (clamp.minMm !== undefined && d < clamp.minMm) c = clamp.minMm / d;
    else if (clamp.maxMm !== undefined && d > clamp.maxMm) c = clamp.maxMm / d;
    w *= c;
    h *= c;
  }
  const dx = lengthPx(pin.dx, ruler);
  const dy = lengthPx(pin.dy, ruler);
  const x = mirrored ? frame.x + (1 - pin.ax) * frame.w - dx - (1 - pin.px) * w : frame.x + pin.ax * frame.w + dx - pin.px * w;
  return placed({ x, y: frame.y + pin.ay * frame.h + dy - pin.py * h, w, h }, k * size * c);
}

/** A span in a room; edges that cross become their mean. */
function placeSpan(span: ReadySpan, { box: frame, ruler }: Room, mirrored: boolean): Placed {
  const [fx, tx] = mirrored ? [1 - span.tx, 1 - span.fx] : [span.fx, span.tx];
  let left = frame.x + fx * frame.w + lengthPx(mirrored ? span.right : span.left, ruler);
  let right = frame.x + tx * frame.w - lengthPx(mirrored ? span.left : span.right, ruler);
  let top = frame.y + span.fy * frame.h + lengthPx(span.top, ruler);
  let bottom = frame.y + span.ty * frame.h - lengthPx(span.bottom, ruler);
  if (right < left) left = right = (left + right) / 2;
  if (bottom < top) top = bottom = (top + bottom) / 2;
  return placed({ x: left, y: top, w: right - left, h: bottom - top }, 1);
}

/** What placing on a screen goes by: what lengths come to, whether it is mirrored, and the screen's own frames as rooms. */
interface Metering extends Metrics {
  readonly mirrored: boolean;
  readonly rooms: Readonly<Record<keyof ScreenFrames, Room>>;
}

/** A placement in one of the screen's own frames. */
function placePlain(placement: ReadyPlacement, metering: Metering, size: number): Placed {
  const room = metering.rooms[placement.frame ?? "screen"];
  return placement.kind === "span" ? placeSpan(placement, room, metering.mirrored) : placePin(placement, room, metering, size);
}

/**
 * Places that have been computed for one screen, one player, one scale, reference and picture frame, kept by whoever resolves again
 * and again: a control that has not changed keeps the very object that says where it is.
 */
export interface KeptPlaces {
  /** The room of a cluster, by its prepared placement. */
  readonly rooms: WeakMap<ReadyPin, Room>;
  /** Where a control is, by the control made ready; it holds while its cluster's room is the same. */
  readonly controls: WeakMap<ReadyControl, { readonly home: Room | undefined; readonly at: ResolvedControl }>;
  /** How many controls had to be computed. */
  worked: number;
}

/** Places a prepared layout on a screen. `kept`: what is known from before; what is computed again is added to it. */
export function resolve(prepared: PreparedLayout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW, kept?: KeptPlaces): Resolved {
  const { layout } = prepared;
  const variant = prepared.variants[arrangementFor(layout.arrangements, screen) + 1];
  const metering = meteringOf(layout, screen, playerView.handed === "left");
  const clusters = Object.create(null) as Record<string, Box & { k: number }>;
  const homes = new Map<string, Room>();
  for (const { id, placement } of variant.clusters) {
    const room = kept?.rooms.get(placement) ?? clusterRoom(placement, metering, playerView.playerSize);
    kept?.rooms.set(placement, room);
    const { box, k } = room;
    clusters[id] = { x: box.x, y: box.y, w: box.w, h: box.h, k };
    homes.set(id, room);
  }
  const controls: ResolvedControl[] = [];
  for (const ready of variant.controls) {
    if (playerView.moment !== null && !ready.control.moments.includes(playerView.moment)) continue;
    const { placement } = ready;
    const home = placement.kind === "pin" && placement.cluster !== null ? homes.get(placement.cluster) : undefined;
    const before = kept?.controls.get(ready);
    if (before && before.home === home) {
      controls.push(before.at);
      continue;
    }
    const at = finish(ready, home ? placePin(placement as ReadyPin, home, metering, 1) : placePlain(placement, metering, playerView.playerSize), metering);
    controls.push(at);
    if (!kept) continue;
    kept.controls.set(ready, { home, at });
    kept.worked += 1;
  }
  const still = metering.mirrored ? { ...metering, mirrored: false } : metering;
  const keepClear: ResolvedZone[] = [];
  for (const zone of variant.zones) {
    if (playerView.moment !== null && !zone.moments.includes(playerView.moment)) continue;
    const { x, y, w, h } = placePlain(zone.placement, still, 1).box;
    keepClear.push({ id: zone.id, x, y, w, h });
  }
  return { screen, arrangement: variant.arrangement, scale: metering.unitPx, clusters, controls, keepClear };
}

function clusterRoom(placement: ReadyPin, metering: Metering, size: number): Room {
  const { box, k } = placePlain(placement, metering, size);
  return { box, ruler: rulerOf(box, metering, k), k };
}

function meteringOf(layout: PlacedLayout, screen: Screen, mirrored: boolean): Metering {
  const metrics = { unitPx: bounded(unitPx(layout.scale, layout.reference, screen)), pxPerMm: pxPerMm(screen) };
  const frames = framesOf(screen, layout.picture);
  const roomOf = (box: Box): Room => ({ box, ruler: rulerOf(box, metrics), k: 1 });
  const whole = roomOf(frames.screen);
  const rooms = { screen: whole, safe: roomOf(frames.safe), picture: layout.picture ? roomOf(frames.picture) : whole };
  return { unitPx: metrics.unitPx, pxPerMm: metrics.pxPerMm, mirrored, rooms };
}

function finish({ control, hit, travel, landing }: ReadyControl, { box: visual, k }: Placed, metering: Metering): ResolvedControl {
  const { id } = control;
  const { sharing } = hit;
  const own = hit.plain && !travel ? null : rulerOf(visual, metering, k);
  const area = hit.plain ? { shape: hit.shape, x: visual.x, y: visual.y, w: visual.w, h: visual.h } : hitArea(hit, visual, own!, metering);
  if (!travel) return { id, visual, k, hit: area, sharing };
  const travelPx = bounded(lengthPx(travel, own!));
  if (!landing) return { id, visual, k, hit: area, sharing, travel: travelPx };
  return { id, visual, k, hit: area, sharing, travel: travelPx, landing: placePlain(landing, metering, 1).box };
}

function hitArea(hit: ReadyHit, visual: Box, own: Ruler, { pxPerMm, mirrored }: Metering): Shape {
  const least = hit.minMm * pxPerMm;
  const grow = lengthPx(hit.grow, own);
  const w = Math.max(0, (hit.size ? lengthPx(hit.size[0], own) : visual.w) + 2 * grow, least);
  const h = Math.max(0, (hit.size ? lengthPx(hit.size[1], own) : visual.h) + 2 * grow, least);
  const shiftX = lengthPx(hit.shiftX, own) * (mirrored ? -1 : 1);
  const x = visual.x + visual.w / 2 + shiftX - w / 2;
  const y = visual.y + visual.h / 2 + lengthPx(hit.shiftY, own) - h / 2;
  const { box } = placed({ x, y, w, h }, 1);
  return { shape: hit.shape, x: box.x, y: box.y, w: box.w, h: box.h };
}

/** Places a layout on one screen. For many screens prepare it once and use `resolve`. */
export function resolveLayout(layout: PlacedLayout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW): Resolved {
  return resolve(prepareLayout(layout), screen, playerView);
}

/** The frame a placement is in, px: one of the screen's, or the cluster's box. Null where the cluster is hidden. */
export function frameBox(frame: "screen" | "safe" | "picture" | { cluster: string }, resolved: Pick<Resolved, "clusters">, frames: ScreenFrames): Box | null {
  return typeof frame === "string" ? frames[frame] : (resolved.clusters[frame.cluster] ?? null);
}
