/**
 * Small moves that fix a finding. A move is proposed only where it keeps to the glass: the control stays in the safe frame
 * if it stood there, comes no nearer to another area than is wanted, and covers no keep-clear zone it did not cover.
 */
import { clearance, isWithin } from "../engine/geometry/distance";
import { byId } from "../derived/byId";
import type { Box } from "../engine/geometry/point";
import { type Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK, FILED_SLACK, SPARE_MM } from "../engine/geometry/tolerances";
import { commonArea } from "../engine/geometry/commonArea";
import { changeHit, reorderControls } from "../editing/edits/controls";
import { formatLength } from "../engine/placement/length";
import type { Layout } from "../format/types";
import { convertLength, moveBy, ownMeasure, placeAt, type EditContext } from "../editing/placing";
import { pxPerMm } from "../engine/placement/screen";
import { clusterOf, landingKey, overrideIn, placeableBox, placeableOf, placementIn } from "../editing/placeables";
import type { Result } from "../engine/result";
import type { CheckContext, PlacedControl } from "./context";
import type { Fix, FixSide } from "./fix";
import { outside } from "./outside";

const WAYS: readonly (readonly [FixSide, number, number])[] = [
  ["up", 0, -1],
  ["down", 0, 1],
  ["left", -1, 0],
  ["right", 1, 0],
];
/** The ways a fix moves a control. */
export const SIDES: readonly FixSide[] = WAYS.map(([side]) => side);
const wayOf = (side: FixSide) => WAYS.find(([name]) => name === side)!;

/** A length in mm rounded up to what texts show, so that what is proposed is enough. */
function enoughMm(mm: number): number {
  return Math.ceil(mm * 10 - FILED_SLACK) / 10;
}

/** Makes a fix on the layout, as an edit on the screen in view. */
export function applyFix(context: EditContext, fix: Fix): Result<Layout> {
  const mm = pxPerMm(context.screen);
  switch (fix.kind) {
    case "move": {
      const [, dx, dy] = wayOf(fix.side);
      return moveBy(context, [fix.id], dx * fix.mm * mm, dy * fix.mm * mm);
    }
    case "grow": {
      const at = byId(context.resolved.controls).get(fix.id);
      const control = byId(context.layout.controls).get(fix.id);
      if (!at || !control) return { ok: false, problems: [{ path: fix.id, message: "it is not visible on this screen" }] };
      const { arrangement } = context.resolved;
      const { grow } = overrideIn(context.layout, arrangement, fix.id)?.hit ?? control.hit;
      const now = Number.parseFloat(convertLength(grow, "mm", ownMeasure(context, at)));
      return changeHit(context.layout, fix.id, { grow: formatLength(now + fix.mm / at.k, "mm") }, arrangement);
    }
    case "raise":
      return reorderControls(context.layout, [fix.id], "top");
    case "trim": {
      const key = fix.part === "landing" ? landingKey(fix.id) : fix.id;
      const placeable = placeableOf(context.layout, key);
      const box = placeable && placeableBox(context.resolved, placeable);
      if (!box) return { ok: false, problems: [{ path: fix.id, message: "it is not visible on this screen" }] };
      return placeAt(context, key, trimmed(box, fix.mm, mm), true);
    }
  }
}

/** The context as it would be after a fix: the same layout and screen, one control elsewhere, larger or on top. */
export function contextWithFix(context: CheckContext, fix: Fix): CheckContext {
  const placed = context.placed.map((s): PlacedControl => {
    if (s.control.id !== fix.id) return s;
    switch (fix.kind) {
      case "move": {
        const px = fix.mm * context.mm;
        const area = shifted(s.area, fix.side, px);
        // A landing area is placed by itself: it stays where it is.
        const stays = s.at.landing !== undefined;
        return { ...s, area: stays ? s.area : area, at: { ...s.at, visual: shifted(s.at.visual, fix.side, px), hit: shifted(s.at.hit, fix.side, px) } };
      }
      case "grow": {
        const hit = grownBy(s.at.hit, fix.mm * context.mm);
        return { ...s, area: s.at.landing ? s.area : hit, at: { ...s.at, hit } };
      }
      case "raise":
        return { ...s, index: context.placed.length };
      case "trim": {
        const area = trimmed(s.area, fix.mm, context.mm);
        const { x, y, w, h } = area;
        if (fix.part === "landing") return { ...s, area, at: { ...s.at, landing: { x, y, w, h } } };
        return { ...s, area, at: { ...s.at, visual: trimmed(s.at.visual, fix.mm, context.mm), hit: trimmed(s.at.hit, fix.mm, context.mm) } };
      }
    }
  });
  return { ...context, placed };
}

const grownBy = (area: Shape, px: number): Shape => ({ ...area, x: area.x - px, y: area.y - px, w: area.w + 2 * px, h: area.h + 2 * px });

/** A box with edges brought in; `scale`: px a mm. */
function trimmed<B extends Box>(box: B, mm: Extract<Fix, { kind: "trim" }>["mm"], scale: number): B {
  const by = (side: FixSide) => (mm[side] ?? 0) * scale;
  return {
    ...box,
    x: box.x + by("left"),
    y: box.y + by("up"),
    w: Math.max(0, box.w - by("left") - by("right")),
    h: Math.max(0, box.h - by("up") - by("down")),
  };
}

/** Brings an area out of the system's edge strips: a span's edges are brought in, a pin is moved along one axis where that does no harm. */
export function outOfStrips(context: CheckContext, placed: PlacedControl): Fix | null {
  const { widthPx, heightPx, edges } = context.resolved.screen;
  const { area, at, control } = placed;
  const depths: readonly (readonly [FixSide, number])[] = [
    ["left", edges.left - area.x],
    ["right", area.x + area.w - (widthPx - edges.right)],
    ["up", edges.top - area.y],
    ["down", area.y + area.h - (heightPx - edges.bottom)],
  ];
  const inside = depths.flatMap(([side, px]) => (px > 0 ? [[side, enoughMm(px / context.mm + SPARE_MM)] as const] : []));
  const { arrangement } = context.resolved;
  const part = at.landing === undefined ? "whole" : "landing";
  if (placementIn(context.layout, arrangement, part === "landing" ? landingKey(control.id) : control.id)?.kind === "span")
    return { kind: "trim", id: control.id, part, mm: Object.fromEntries(inside) };
  const inwards = { left: "right", right: "left", up: "down", down: "up" } as const;
  if (inside.length !== 1 || !isMovable(placed)) return null;
  const [[edge, mm]] = inside;
  const side = inwards[edge];
  return isHarmless(context, placed, side, mm * context.mm)
    ? { kind: "move", id: control.id, side, mm, leaves: leavesCluster(context, placed, side, mm) }
    : null;
}

/** Only a pin with an extent is moved: a span is tied by its edges, and its place follows from them. */
function isMovable(s: PlacedControl): boolean {
  return s.control.placement.kind === "pin" && s.at.visual.w > 0 && s.at.visual.h > 0 && s.at.landing === undefined;
}

/** Brings a control back into a frame, if one move along one axis does so without harm. */
export function backInto(context: CheckContext, placed: PlacedControl, frame: Box): Fix | null {
  if (!isMovable(placed)) return null;
  const { px, side } = outside(placed.at.visual, frame);
  const back = { left: "right", right: "left", top: "down", bottom: "up" } as const;
  const mm = enoughMm(px / context.mm + SPARE_MM);
  if (outside(shifted(placed.at.visual, back[side], mm * context.mm), frame).px > LENGTH_SLACK) return null;
  return isHarmless(context, placed, back[side], mm * context.mm)
    ? { kind: "move", id: placed.control.id, side: back[side], mm, leaves: leavesCluster(context, placed, back[side], mm) }
    : null;
}

/** Grows a hit area by at least this many mm on every side, if that leaves its neighbours alone. */
export function growBy(context: CheckContext, placed: PlacedControl, least: number): Fix | null {
  const mm = enoughMm(least + SPARE_MM / 2);
  const px = mm * context.mm;
  const { area } = placed;
  const grown = grownBy(area, px);
  return harmsNeighbours(context, placed, grown, placed.at.visual) ? null : { kind: "grow", id: placed.control.id, mm };
}

/** The shortest move along an axis that sets two areas apart by the least gap and does no harm elsewhere, one within the cluster before one out of it; null where there is none. */
export function setApart(context: CheckContext, a: PlacedControl, b: PlacedControl): Fix | null {
  const gap = context.layout.limits.minGapMm * context.mm;
  let best: Extract<Fix, { kind: "move" }> | null = null;
  for (const [mover, other] of [
    [b, a],
    [a, b],
  ] as const)
    for (const [side] of isMovable(mover) ? WAYS : []) {
      const mm = enoughMm(shiftToClear(mover.area, other.area, side, gap + SPARE_MM * context.mm) / context.mm);
      const leaves = leavesCluster(context, mover, side, mm);
      const better = best === null || (leaves === best.leaves ? mm < best.mm - LENGTH_SLACK : best.leaves);
      if (better && isHarmless(context, mover, side, mm * context.mm)) best = { kind: "move", id: mover.control.id, side, mm, leaves };
    }
  return best;
}

/** Whether a move would take a control farther out of the frame of the cluster it is in. */
function leavesCluster(context: CheckContext, { control, at }: PlacedControl, side: FixSide, mm: number): boolean {
  const home = clusterOf(placementIn(context.layout, context.resolved.arrangement, control.id));
  const frame = home === null ? undefined : context.resolved.clusters[home];
  if (!frame) return false;
  return outside(shifted(at.visual, side, mm * context.mm), frame).px > Math.max(LENGTH_SLACK, outside(at.visual, frame).px);
}

function shifted<B extends Box>(box: B, side: FixSide, px: number): B {
  const [, dx, dy] = wayOf(side);
  return { ...box, x: box.x + dx * px, y: box.y + dy * px };
}

/** How far `mover` must go one way until it is `gap` px clear of `other`: from a shift that surely clears, halved down. */
function shiftToClear(mover: Shape, other: Shape, side: FixSide, gap: number): number {
  const [, dx, dy] = wayOf(side);
  let high =
    gap + (dx > 0 ? other.x + other.w - mover.x : dx < 0 ? mover.x + mover.w - other.x : dy > 0 ? other.y + other.h - mover.y : mover.y + mover.h - other.y);
  let low = 0;
  for (let i = 0; i < 24 && high - low > 0.01; i += 1) {
    const middle = (low + high) / 2;
    if (clearance(shifted(mover, side, middle), other).px >= gap) high = middle;
    else low = middle;
  }
  return high;
}

function isHarmless(context: CheckContext, mover: PlacedControl, side: FixSide, px: number): boolean {
  const { frames, resolved } = context;
  const visual = shifted(mover.at.visual, side, px);
  const area = shifted(mover.area, side, px);
  if (outside(visual, frames.safe).px > Math.max(LENGTH_SLACK, outside(mover.at.visual, frames.safe).px)) return false;
  if (harmsNeighbours(context, mover, area, visual)) return false;
  return resolved.keepClear.every((zone) => {
    const box: Shape = { shape: "box", x: zone.x, y: zone.y, w: zone.w, h: zone.h };
    return commonArea({ ...visual, shape: "box" }, box) <= commonArea({ ...mover.at.visual, shape: "box" }, box) + LENGTH_SLACK;
  });
}

/** Whether an area, changed, would come nearer to its neighbours than is wanted, or deeper under ground. */
function harmsNeighbours(context: CheckContext, mover: PlacedControl, area: Shape, visual: Box): boolean {
  const gap = context.layout.limits.minGapMm * context.mm;
  const together = (s: PlacedControl) => context.layout.moments.length === 0 || s.control.moments.some((m) => mover.control.moments.includes(m));
  for (const s of context.placed) {
    if (s === mover || s.at.sharing !== "own" || !together(s)) continue;
    // Neighbours of the same sort must keep their gap; under ground drawn above it a control may not go deeper.
    const wanted = s.underlay === mover.underlay ? gap : s.underlay && s.index > mover.index ? 0 : -Infinity;
    if (wanted === -Infinity || !isWithin(area, s.area, gap)) continue;
    const after = gapBetween(area, visual, s);
    if (after < wanted - FILED_SLACK && after < gapBetween(mover.area, mover.at.visual, s) - FILED_SLACK) return true;
  }
  return false;
}

/** How far an area with its picture is from a control's: areas may meet between pictures that are apart. Below 0 where areas overlap. */
function gapBetween(area: Shape, visual: Box, { area: other, at, underlay }: PlacedControl): number {
  const between = clearance(area, other).px;
  if (between < -LENGTH_SLACK || underlay) return between;
  return Math.max(between, clearance({ ...visual, shape: "box" }, { ...at.visual, shape: "box" }).px);
}
