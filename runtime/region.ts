/**
 * The part of a canvas that has to be redrawn: the boxes of the controls that are drawn otherwise than before, where they were and where they
 * are. Everything that reaches into these boxes is drawn again, clipped to them, so the picture is the same as if all of it had been.
 */
import { KINDS } from "../core/engine/kinds";
import type { Box } from "../core/engine/geometry/point";
import { drawControls } from "./art";
import { DRAWN_KINDS } from "./draw/bodies";
import type { DrawnControl, Supplies } from "./draw/drawn";

/** Lines stand half their width outside their box, hairlines; rounding a pixel. */
const LINES = 3;
const ROUND_PX = 2;
/** Where more boxes have changed than this, all is drawn. */
const MOST_BOXES = 24;

/** What was found of what is drawn, for what is the same is the very same object. */
interface Found {
  readonly hairline: number;
  readonly box: Box;
}
const found = new WeakMap<DrawnControl, Found>();

/** Where a control draws, whole px: its base where it lies, its knob, everything turned. */
export function drawnBox(drawn: DrawnControl, hairline: number): Box {
  const known = found.get(drawn);
  if (known?.hairline === hairline) return known.box;
  const box = boxOf(drawn, hairline);
  found.set(drawn, { hairline, box });
  return box;
}

function boxOf({ control, box, travel, pose }: DrawnControl, hairline: number): Box {
  const { look } = control;
  const { hasKnob } = KINDS[control.kind];
  const middle = hasKnob && pose.origin ? pose.origin : { x: box.x + box.w / 2, y: box.y + box.h / 2 };
  // Turned about its middle it stays within the circle about it.
  const reach = look.rotateDeg === 0 && control.kind !== "dial" ? 0 : Math.hypot(box.w, box.h) / 2;
  const [halfW, halfH] = [Math.max(box.w / 2, reach), Math.max(box.h / 2, reach)];
  const knob = hasKnob ? Math.max(look.knobSize / 2, 0) : 0;
  const knobReach = look.rotateDeg === 0 ? 0 : Math.hypot(box.w, box.h) * knob;
  const [knobW, knobH] = [Math.max(box.w * knob, knobReach), Math.max(box.h * knob, knobReach)];
  const [knobX, knobY] = [pose.x * travel, -pose.y * travel];
  const edge = LINES * hairline + ROUND_PX;
  const left = Math.floor(middle.x + Math.min(-halfW, hasKnob ? knobX - knobW : 0) - edge);
  const top = Math.floor(middle.y + Math.min(-halfH, hasKnob ? knobY - knobH : 0) - edge);
  const right = Math.ceil(middle.x + Math.max(halfW, hasKnob ? knobX + knobW : 0) + edge);
  const bottom = Math.ceil(middle.y + Math.max(halfH, hasKnob ? knobY + knobH : 0) + edge);
  return { x: left, y: top, w: right - left, h: bottom - top };
}

/** Whether two states of a control are drawn alike: of most kinds not every figure of a pose is drawn. */
function isDrawnAlike(a: DrawnControl, b: DrawnControl): boolean {
  if (a === b) return true;
  const [p, q] = [a.pose, b.pose];
  if (a.control !== b.control || a.box !== b.box || a.travel !== b.travel || a.given !== b.given || p.held !== q.held || (p.away ?? 0) !== (q.away ?? 0))
    return false;
  return DRAWN_KINDS[a.control.kind].isAlike(p, q);
}

/** The boxes to draw again, px of the canvas; none: the picture stays as it is; null: all of it, for other controls are drawn than before. */
export function changedRegion(
  before: readonly DrawnControl[],
  after: readonly DrawnControl[],
  { hairline, w, h }: { readonly hairline: number; readonly w: number; readonly h: number },
): readonly Box[] | null {
  if (before.length !== after.length) return null;
  const boxes: Box[] = [];
  for (let i = 0; i < after.length; i += 1) {
    if (before[i].control.id !== after[i].control.id) return null;
    if (isDrawnAlike(before[i], after[i])) continue;
    if (boxes.length >= MOST_BOXES) return null;
    // A box far outside is no box of this canvas.
    for (const one of [drawnBox(before[i], hairline), drawnBox(after[i], hairline)])
      if (one.x < w && one.y < h && one.x + one.w > 0 && one.y + one.h > 0) boxes.push(one);
  }
  return boxes;
}

const meet = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** Draws controls in order within a region; null: on the whole canvas, which is cleared. */
export function drawRegion(
  ctx: CanvasRenderingContext2D,
  drawn: readonly DrawnControl[],
  { region, hairline, supplies }: { readonly region: readonly Box[] | null; readonly hairline: number; readonly supplies: Supplies },
): void {
  if (region === null) {
    ctx.clearRect(0, 0, ctx.canvas.width, ctx.canvas.height);
    drawControls(ctx, drawn, hairline, supplies);
    return;
  }
  if (region.length === 0) return;
  ctx.save();
  ctx.beginPath();
  for (const { x, y, w, h } of region) ctx.rect(x, y, w, h);
  ctx.clip();
  for (const { x, y, w, h } of region) ctx.clearRect(x, y, w, h);
  const reached: DrawnControl[] = [];
  for (let i = 0; i < drawn.length; i += 1) {
    const box = drawnBox(drawn[i], hairline);
    for (let k = 0; k < region.length; k += 1)
      if (meet(region[k], box)) {
        reached.push(drawn[i]);
        break;
      }
  }
  drawControls(ctx, reached, hairline, supplies);
  ctx.restore();
}
