/** Drawing a layout onto a canvas: device glass, backdrop, cut-outs, controls. Of what is there already only the part that changes is redrawn. */
import { boundsOf } from "../../core/editing/align";
import { byId } from "../../core/derived/byId";
import type { Box } from "../../core/engine/geometry/point";
import type { Resolved } from "../../core/engine/placement/resolve";
import { SCREENS } from "../../core/format/limits";
import type { Layout, Screen } from "../../core/format/types";
import { drawControls } from "../../runtime/art";
import { POSE_AT_REST, type DrawnControl } from "../../runtime/draw/drawn";
import { backdropAt, backdropIn, backdropKey } from "./backdropPicture";
import { inShownLanguage } from "../document/language";
import { suppliesOf } from "./images";

const POSE_HELD = { held: true, x: 0, y: 0 } as const;

/** How controls are shown: held or at rest; `language`: see `document/language`. */
interface Pose {
  readonly held: boolean;
  readonly language?: string | null;
}

/** The controls of a layout on a screen, at rest or held, in drawing order. */
export function posed(layout: Layout, resolved: Resolved, { held, language = null }: Pose): DrawnControl[] {
  const known = byId(layout.controls);
  return resolved.controls.flatMap((at) => {
    const control = known.get(at.id);
    return control ? [{ control: inShownLanguage(control, language), box: at.visual, travel: at.travel ?? 0, pose: held ? POSE_HELD : POSE_AT_REST }] : [];
  });
}

/** How a drawing is on its canvas. `mostPx`: the canvas has no more pixels, however large what it shows; zoomed in far, it is drawn a little softer instead. */
export interface OnCanvas {
  /** CSS px a px of the drawing. */
  readonly scale: number;
  readonly mostPx?: number;
  /** Whether what was on it is wiped off. */
  readonly clear?: boolean;
}

/** Sizes a canvas for the display and gives its context in the px of the drawing; null where the browser has none. */
export function contextFor(
  canvas: HTMLCanvasElement,
  { widthPx: width, heightPx: height }: Pick<Screen, "widthPx" | "heightPx">,
  { scale, mostPx = SCREENS.canvasPx.most, clear = true }: OnCanvas,
): CanvasRenderingContext2D | null {
  const longest = Math.sqrt(SCREENS.canvasPx.most) / (Math.max(width, height) * scale);
  const density = Math.min(window.devicePixelRatio || 1, longest, Math.sqrt(mostPx / (width * height)) / scale);
  const w = Math.max(1, Math.round(width * scale * density));
  const h = Math.max(1, Math.round(height * scale * density));
  if (canvas.width !== w) canvas.width = w;
  if (canvas.height !== h) canvas.height = h;
  const ctx = canvas.getContext("2d");
  if (!ctx) return null;
  ctx.setTransform(w / width, 0, 0, h / height, 0, 0);
  if (clear) ctx.clearRect(0, 0, width, height);
  return ctx;
}

/** What a canvas shows: enough to know which parts of it a new drawing changes. */
interface Shown {
  readonly drawn: readonly DrawnControl[];
  /** Everything but the controls. */
  readonly surroundings: string;
}
const shownOn = new WeakMap<HTMLCanvasElement, Shown>();

/** A line and its softness reach beyond a control's box by this many hairlines. */
const EDGE_HAIRLINES = 3;

/** How far beyond its box a control may colour the screen, px: its line, and a picture that is turned. */
function edgeOf({ box, control }: DrawnControl, hairline: number): number {
  return EDGE_HAIRLINES * hairline + (control.look.rotateDeg !== 0 ? Math.max(box.w, box.h) * 0.5 : 0);
}

/** The part of the screen a control may colour, px. */
function colouredBy(drawn: DrawnControl, hairline: number): Box {
  const { box } = drawn;
  const edge = edgeOf(drawn, hairline);
  return { x: box.x - edge, y: box.y - edge, w: box.w + 2 * edge, h: box.h + 2 * edge };
}

/** Whether a control may colour something of a region. */
function colours(drawn: DrawnControl, region: Box, hairline: number): boolean {
  const { x, y, w, h } = drawn.box;
  const edge = edgeOf(drawn, hairline);
  return x - edge < region.x + region.w && region.x < x + w + edge && y - edge < region.y + region.h && region.y < y + h + edge;
}

const isSame = (a: DrawnControl, b: DrawnControl) =>
  a.control === b.control && a.travel === b.travel && a.pose === b.pose && (a.box === b.box || isSameBox(a.box, b.box));
const isSameBox = (a: Box, b: Box) => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

/** The box that holds all that differs between two drawings; null where they are the same, undefined where they cannot be compared. */
function changedPart(before: Shown | undefined, after: Shown, hairline: number): Box | null | undefined {
  if (!before || before.surroundings !== after.surroundings || before.drawn.length !== after.drawn.length) return undefined;
  const parts: Box[] = [];
  for (let i = 0; i < after.drawn.length; i += 1) {
    if (isSame(before.drawn[i], after.drawn[i])) continue;
    if (before.drawn[i].control.id !== after.drawn[i].control.id) return undefined;
    parts.push(colouredBy(before.drawn[i], hairline), colouredBy(after.drawn[i], hairline));
  }
  return boundsOf(parts);
}

/** The glass that is drawn: its screen, CSS px a px of it, and a count that rises when fonts or pictures have come in. */
interface OnGlass {
  readonly screen: Screen;
  readonly scale: number;
  readonly epoch: number;
  readonly mostPx?: number;
  /** The moment that is looked at: it may have its own backdrop. */
  readonly moment?: string | null;
}

/** Gives back the memory of a canvas that nobody sees. */
export function emptyGlass(canvas: HTMLCanvasElement): void {
  shownOn.delete(canvas);
  canvas.width = canvas.height = 1;
}

/** Draws device glass, backdrop, cut-outs and controls. Of a canvas that shows almost the same already only the part that changes is redrawn. */
export function drawGlass(
  canvas: HTMLCanvasElement,
  layout: Layout,
  drawn: readonly DrawnControl[],
  { screen, scale, epoch, mostPx, moment = null }: OnGlass,
): void {
  const hairline = 1 / scale;
  const bench = backdropIn(layout.workbench, moment);
  const surroundings = `${backdropKey(bench)} ${screen.widthPx} ${screen.heightPx} ${screen.cornerPx} ${screen.cutouts.length} ${scale} ${window.devicePixelRatio} ${epoch}`;
  const after: Shown = { drawn, surroundings };
  const part = changedPart(shownOn.get(canvas), after, hairline);
  shownOn.set(canvas, after);
  if (part === null) return;
  const ctx = contextFor(canvas, screen, { scale, mostPx, clear: part === undefined });
  if (!ctx) return;
  ctx.save();
  let shown = drawn;
  if (part) {
    // Whole device px, so that the edge of the part leaves no seam.
    const px = canvas.width / screen.widthPx;
    const [x0, y0] = [Math.floor(part.x * px) / px, Math.floor(part.y * px) / px];
    const region = { x: x0, y: y0, w: Math.ceil((part.x + part.w) * px) / px - x0, h: Math.ceil((part.y + part.h) * px) / px - y0 };
    ctx.beginPath();
    ctx.rect(region.x, region.y, region.w, region.h);
    ctx.clip();
    ctx.clearRect(region.x, region.y, region.w, region.h);
    shown = drawn.filter((d) => colours(d, region, hairline));
  }
  ctx.beginPath();
  ctx.roundRect(0, 0, screen.widthPx, screen.heightPx, screen.cornerPx);
  ctx.clip();
  ctx.drawImage(backdropAt(bench, canvas.width, canvas.height), 0, 0, screen.widthPx, screen.heightPx);
  drawControls(ctx, shown, hairline, suppliesOf(layout));
  ctx.fillStyle = "#05080b";
  for (const c of screen.cutouts) {
    ctx.beginPath();
    ctx.roundRect(c.x, c.y, c.w, c.h, Math.min(c.w, c.h) / 2);
    ctx.fill();
  }
  ctx.restore();
}
