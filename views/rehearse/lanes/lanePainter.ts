/**
 * Draws traces as they run, and draws a column once: two canvases lie side by side like the pages of a strip, are moved along, and only what
 * is new is drawn on them. Where another part is looked at, what is seen of it is redrawn.
 */
import type { TraceLog } from "../../../core/rehearsal/traceLog";
import { endOf, type LaneView } from "./laneView";

/** A lane: an action, a control that is held, or the number of touches. `index`: among the log's actions or controls. */
export type Lane = { readonly kind: "action" | "held"; readonly index: number } | { readonly kind: "touches" };

export interface LaneTones {
  readonly ink: string;
  readonly rule: string;
  readonly accent: string;
  readonly land: string;
}
/** What is drawn, and at what size: CSS px, `density` device px a CSS px. */
export interface LanePicture {
  readonly log: TraceLog;
  readonly lanes: readonly Lane[];
  readonly tones: LaneTones;
  readonly width: number;
  readonly laneHeight: number;
  readonly density: number;
}

/** A motion of this many mm a tick fills its lane. */
export const MOTION_REACH_MM = 6;
/** The most touches that a lane reports apart. */
const MOST_TOUCHES = 10;

export interface LanePainter {
  /** Brings the canvases up to date. Cheap where nothing is new. */
  paint(view: LaneView): void;
}

/** Line widths, CSS px: of a first number, and of a second one next to it. */
const FULL_PX = 1.75;
const THIN_PX = 1;

export function createLanePainter(canvases: readonly [HTMLCanvasElement, HTMLCanvasElement], picture: LanePicture): LanePainter {
  const { log, lanes, width, laneHeight, density } = picture;
  const w = Math.max(1, Math.round(width * density));
  const h = Math.max(1, Math.round(lanes.length * laneHeight * density));
  /** How far, in columns, a tick shows next to its own column: half a line, and the column that its line comes from. */
  const reach = Math.ceil((FULL_PX * density) / 2) + 1;
  const contexts = canvases.map((canvas) => {
    canvas.width = w;
    canvas.height = h;
    return canvas.getContext("2d")!;
  });
  /** Which page of the strip each canvas shows, and what is drawn: the columns of the strip, up to which tick, at which px a tick. */
  let pages: (number | null)[] = [null, null];
  let drawn = { from: 0, to: 0, tick: 0, perTick: 0 };

  const draw = (perTick: number, left: number, right: number) => {
    for (let page = Math.floor(left / w); page * w < right; page += 1) {
      const ctx = contexts[page & 1];
      if (pages[page & 1] !== page) {
        ctx.clearRect(0, 0, w, h);
        pages[page & 1] = page;
      }
      const x0 = Math.max(0, left - page * w);
      const x1 = Math.min(w, right - page * w);
      ctx.save();
      ctx.beginPath();
      ctx.rect(x0, 0, x1 - x0, h);
      ctx.clip();
      ctx.clearRect(x0, 0, x1 - x0, h);
      drawLanes(ctx, picture, { offset: page * w, perTick, x0, x1, reach });
      ctx.restore();
    }
  };
  return {
    paint(view) {
      const perTick = w / (view.seconds * log.hz);
      const right = Math.round(endOf(view, { first: log.first(), end: log.end(), hz: log.hz }) * perTick);
      const left = Math.max(right - w, Math.floor(log.first() * perTick));
      const tick = Math.min(log.end(), firstTick(right + reach, perTick));
      const isFresh = drawn.perTick !== perTick || left < drawn.from || left > drawn.to;
      if (isFresh) {
        pages = [null, null];
        drawn = { from: left, to: left, tick: 0, perTick };
      }
      if (right > drawn.to || tick > drawn.tick) {
        // The last columns may lack ticks that came since: they are drawn again.
        const again = isFresh ? left : Math.min(drawn.to, Math.floor((drawn.tick - 1) * perTick) - reach);
        draw(perTick, Math.max(left, again), right);
        const oldest = Math.min(...pages.filter((p): p is number => p !== null));
        drawn = { from: Math.max(drawn.from, oldest * w), to: Math.max(drawn.to, right), tick: Math.max(drawn.tick, tick), perTick };
      }
      pages.forEach((page, i) => {
        canvases[i].style.transform = page === null ? "translateX(-200%)" : `translateX(${(page * w - right + w) / density}px)`;
      });
    },
  };
}

/** The columns of a canvas to draw. What is drawn there depends on the ticks of these columns and of those within reach, and on nothing else. */
interface Part {
  /** The strip's column at which the canvas begins. */
  readonly offset: number;
  readonly perTick: number;
  readonly x0: number;
  readonly x1: number;
  /** How far a tick shows next to its own column. */
  readonly reach: number;
}

/** The first tick that begins in a column of the strip or after it. */
const firstTick = (column: number, perTick: number): number => Math.ceil(column / perTick);

function drawLanes(ctx: CanvasRenderingContext2D, picture: LanePicture, part: Part): void {
  const { log, lanes, tones, laneHeight, density } = picture;
  const high = laneHeight * density;
  const hair = Math.max(1, Math.round(density));
  ctx.fillStyle = tones.rule;
  drawSeconds(ctx, picture, part);
  const ticks = { first: log.first(), end: log.end() };
  lanes.forEach((_, i) => ctx.fillRect(part.x0, Math.round(high * (i + 1)) - hair, part.x1 - part.x0, hair));
  const full = new Path2D();
  const thin = new Path2D();
  lanes.forEach((lane, i) => {
    const middle = high * (i + 0.5);
    if (lane.kind !== "action") {
      ctx.fillStyle = tones.land;
      const value = lane.kind === "held" ? (tick: number) => (log.isHeld(lane.index, tick) ? 0.5 : 0) : (tick: number) => log.touches(tick) / MOST_TOUCHES;
      return fillBlocks(ctx, part, ticks, { bottom: high * (i + 1) - 3 * hair, height: high - 6 * hair, value });
    }
    const { kind } = log.actions[lane.index];
    if (kind === "press") {
      ctx.fillStyle = tones.accent;
      return fillBlocks(ctx, part, ticks, { bottom: high * (i + 1) - 3 * hair, height: high - 6 * hair, value: (tick) => log.x(lane.index, tick) });
    }
    const reach = kind === "motion" || kind === "delta" ? MOTION_REACH_MM : 1;
    const at = (value: number) => middle - (0.42 * high * Math.max(-reach, Math.min(reach, value))) / reach;
    addLine(full, part, ticks, (tick) => at(log.x(lane.index, tick)));
    if (kind !== "axis" && kind !== "delta") addLine(thin, part, ticks, (tick) => at(log.y(lane.index, tick)));
  });
  ctx.lineJoin = "round";
  ctx.strokeStyle = tones.ink;
  ctx.lineWidth = THIN_PX * density;
  ctx.stroke(thin);
  ctx.strokeStyle = tones.accent;
  ctx.lineWidth = FULL_PX * density;
  ctx.stroke(full);
}

/** A line at every this many seconds, some hundred px apart. */
function drawSeconds(ctx: CanvasRenderingContext2D, { log, lanes, laneHeight, density }: LanePicture, part: Part): void {
  const every = secondsBetweenLines(part.perTick * log.hz, density) * log.hz;
  const hair = Math.max(1, Math.round(density));
  ctx.globalAlpha = 0.6;
  const first = Math.max(log.first(), firstTick(part.offset + part.x0 - hair, part.perTick) - 1);
  for (let tick = Math.ceil(first / every) * every; tick < log.end(); tick += every) {
    const x = Math.round(tick * part.perTick) - part.offset;
    if (x >= part.x1) break;
    ctx.fillRect(x, 0, hair, lanes.length * laneHeight * density);
  }
  ctx.globalAlpha = 1;
}

/** How far apart the lines of time stand, s, where a second is this many device px long. */
export function secondsBetweenLines(pxPerSecond: number, density: number): number {
  return [0.5, 1, 2, 5, 10, 30, 60].find((s) => s * pxPerSecond >= 70 * density) ?? 60;
}

interface Blocks {
  readonly bottom: number;
  readonly height: number;
  /** How high the block of a tick is, 0…1. */
  readonly value: (tick: number) => number;
}

/** The ticks that the log has. */
interface Ticks {
  readonly first: number;
  readonly end: number;
}

/** Blocks of whole columns, each as high as the greatest value of its ticks: a short press is never narrower than a column. */
function fillBlocks(ctx: CanvasRenderingContext2D, { offset, perTick, x0, x1 }: Part, { first, end }: Ticks, { bottom, height, value }: Blocks): void {
  /** The greatest value in a column; where ticks are wider than a column, the value of its tick. */
  const inColumn = (x: number) => {
    const after = firstTick(offset + x + 1, perTick);
    const least = Math.max(first, Math.min(firstTick(offset + x, perTick), after - 1));
    let most = 0;
    for (let tick = least; tick < Math.min(end, after); tick += 1) most = Math.max(most, value(tick));
    return most;
  };
  let begun = x0;
  let high = inColumn(x0);
  for (let x = x0 + 1; x <= x1; x += 1) {
    const next = x < x1 ? inColumn(x) : -1;
    if (next === high) continue;
    const part = Math.min(1, high) * height;
    if (high > 0) ctx.fillRect(begun, bottom - part, x - begun, part);
    begun = x;
    high = next;
  }
}

/** A line through the ticks; where several come to one column, from the least to the most of them. */
function addLine(path: Path2D, { offset, perTick, x0, x1, reach }: Part, { first, end }: Ticks, at: (tick: number) => number): void {
  const from = offset + x0 - reach;
  const to = offset + x1 + reach;
  if (perTick >= 0.5) {
    // From a tick before, so that the line enters as it goes on.
    const begun = Math.max(first, firstTick(from, perTick) - 2);
    const last = Math.min(end, firstTick(to, perTick) + 1);
    for (let tick = begun; tick < last; tick += 1) path[tick === begun ? "moveTo" : "lineTo"]((tick + 0.5) * perTick - offset, at(tick));
    return;
  }
  let isBegun = false;
  for (let column = from; column < to; column += 1) {
    let least = Infinity;
    let most = -Infinity;
    for (let tick = Math.max(first, firstTick(column, perTick)); tick < Math.min(end, firstTick(column + 1, perTick)); tick += 1) {
      const y = at(tick);
      least = Math.min(least, y);
      most = Math.max(most, y);
    }
    if (least > most) continue;
    const x = column + 0.5 - offset;
    path[isBegun ? "lineTo" : "moveTo"](x, least);
    path.lineTo(x, most + 0.01);
    isBegun = true;
  }
}
