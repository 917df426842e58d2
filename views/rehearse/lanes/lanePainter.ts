/**
 * Draws traces as they run, and draws a column once: two canvases lie side by side like the pages of a strip, are moved along, and only what
 * is new is drawn on them. Where another part is looked at, what is seen of it is drawn anew.
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

/** A motion of so many mm a tick fills its lane. */
export const MOTION_REACH_MM = 6;
/** The most touches that a lane tells apart. */
const MOST_TOUCHES = 10;

export interface LanePainter {
  /** Brings the canvases up to date. Cheap where nothing is new. */
  paint(view: LaneView): void;
}

export function createLanePainter(canvases: readonly [HTMLCanvasElement, HTMLCanvasElement], picture: LanePicture): LanePainter {
  const { log, lanes, width, laneHeight, density } = picture;
  const w = Math.max(1, Math.round(width * density));
  const h = Math.max(1, Math.round(lanes.length * laneHeight * density));
  const contexts = canvases.map((canvas) => {
    canvas.width = w;
    canvas.height = h;
    return canvas.getContext("2d")!;
  });
  /** Which page of the strip each canvas is just now; and the ticks that are drawn. */
  let pages: (number | null)[] = [null, null];
  let from = 0;
  let to = 0;
  let zoom: number | null = null;

  const draw = (perTick: number, a: number, b: number) => {
    const left = Math.floor(a * perTick);
    const right = Math.ceil(b * perTick);
    for (let page = Math.floor(left / w); page * w < right; page += 1) {
      const ctx = contexts[page & 1];
      if (pages[page & 1] !== page) {
        ctx.clearRect(0, 0, w, h);
        pages[page & 1] = page;
      }
      const x0 = Math.max(0, left - page * w);
      const x1 = Math.min(w, right - page * w);
      if (x1 <= x0) continue;
      ctx.save();
      ctx.beginPath();
      ctx.rect(x0, 0, x1 - x0, h);
      ctx.clip();
      ctx.clearRect(x0, 0, x1 - x0, h);
      // Lines come from beyond the edge of what is drawn, so that nothing shows where one drawing joins the next.
      const range = { first: Math.max(log.first(), Math.floor((page * w + x0) / perTick) - 2), end: Math.min(b, Math.ceil((page * w + x1) / perTick) + 2) };
      drawLanes(ctx, picture, { offset: page * w, perTick, x0, x1, ...range });
      ctx.restore();
    }
  };
  return {
    paint(view) {
      const perTick = w / (view.seconds * log.hz);
      const scroll = Math.round(endOf(view, { first: log.first(), end: log.end(), hz: log.hz }) * perTick) - w;
      const needFrom = Math.max(log.first(), Math.floor(scroll / perTick));
      const needTo = Math.min(log.end(), Math.ceil((scroll + w) / perTick) + 1);
      const isFresh = zoom !== perTick || needFrom < from || needFrom > to;
      if (isFresh) {
        pages = [null, null];
        zoom = perTick;
        from = to = needFrom;
      }
      if (needTo > to) {
        // The last column may have been drawn half: it is drawn again, with the tick before it to come from.
        draw(perTick, isFresh ? needFrom : Math.max(from, to - 1 - Math.ceil(1 / perTick)), needTo);
        to = needTo;
        const oldest = Math.min(...pages.filter((p): p is number => p !== null));
        from = Math.max(from, Math.ceil((oldest * w) / perTick));
      }
      pages.forEach((page, i) => {
        canvases[i].style.transform = page === null ? "translateX(-200%)" : `translateX(${(page * w - scroll) / density}px)`;
      });
    },
  };
}

interface Part {
  /** The strip's px at which the canvas begins. */
  readonly offset: number;
  readonly perTick: number;
  /** The ticks to draw, and the columns of the canvas they come to, px. */
  readonly first: number;
  readonly end: number;
  readonly x0: number;
  readonly x1: number;
}

function drawLanes(ctx: CanvasRenderingContext2D, picture: LanePicture, part: Part): void {
  const { log, lanes, tones, laneHeight, density } = picture;
  const high = laneHeight * density;
  const hair = Math.max(1, Math.round(density));
  ctx.fillStyle = tones.rule;
  drawSeconds(ctx, picture, part);
  lanes.forEach((_, i) => ctx.fillRect(part.x0, Math.round(high * (i + 1)) - hair, part.x1 - part.x0, hair));
  const full = new Path2D();
  const thin = new Path2D();
  lanes.forEach((lane, i) => {
    const middle = high * (i + 0.5);
    if (lane.kind !== "action") {
      ctx.fillStyle = tones.land;
      const value = lane.kind === "held" ? (tick: number) => (log.isHeld(lane.index, tick) ? 0.5 : 0) : (tick: number) => log.touches(tick) / MOST_TOUCHES;
      return fillBlocks(ctx, part, { bottom: high * (i + 1) - 3 * hair, height: high - 6 * hair, value });
    }
    const { kind } = log.actions[lane.index];
    if (kind === "press") {
      ctx.fillStyle = tones.accent;
      return fillBlocks(ctx, part, { bottom: high * (i + 1) - 3 * hair, height: high - 6 * hair, value: (tick) => log.x(lane.index, tick) });
    }
    const reach = kind === "motion" ? MOTION_REACH_MM : 1;
    const at = (value: number) => middle - (0.42 * high * Math.max(-reach, Math.min(reach, value))) / reach;
    addLine(full, part, (tick) => at(log.x(lane.index, tick)));
    if (kind !== "axis") addLine(thin, part, (tick) => at(log.y(lane.index, tick)));
  });
  ctx.lineJoin = "round";
  ctx.strokeStyle = tones.ink;
  ctx.lineWidth = density;
  ctx.stroke(thin);
  ctx.strokeStyle = tones.accent;
  ctx.lineWidth = 1.75 * density;
  ctx.stroke(full);
}

/** A line at every so many seconds, some hundred px apart. */
function drawSeconds(ctx: CanvasRenderingContext2D, { log, lanes, laneHeight, density }: LanePicture, part: Part): void {
  const every = secondsBetweenLines(part.perTick * log.hz, density) * log.hz;
  ctx.globalAlpha = 0.6;
  for (let tick = Math.ceil(part.first / every) * every; tick < part.end; tick += every)
    ctx.fillRect(Math.round(tick * part.perTick - part.offset), 0, Math.max(1, Math.round(density)), lanes.length * laneHeight * density);
  ctx.globalAlpha = 1;
}

/** How far apart the lines of time stand, s, where a second is so many device px long. */
export function secondsBetweenLines(pxPerSecond: number, density: number): number {
  return [0.5, 1, 2, 5, 10, 30, 60].find((s) => s * pxPerSecond >= 70 * density) ?? 60;
}

interface Blocks {
  readonly bottom: number;
  readonly height: number;
  /** How high the block of a tick is, 0…1. */
  readonly value: (tick: number) => number;
}

/** Blocks as high as a value, those of equal height joined. */
function fillBlocks(ctx: CanvasRenderingContext2D, { first, end, offset, perTick }: Part, { bottom, height, value }: Blocks): void {
  for (let tick = first; tick < end;) {
    const now = value(tick);
    const begun = tick;
    while (tick < end && value(tick) === now) tick += 1;
    if (now <= 0) continue;
    const part = Math.min(1, now) * height;
    ctx.fillRect(begun * perTick - offset, bottom - part, Math.max(1, (tick - begun) * perTick), part);
  }
}

/** A line through the ticks; where several come to one column, from the least to the most of them. */
function addLine(path: Path2D, { first, end, offset, perTick }: Part, at: (tick: number) => number): void {
  if (perTick >= 0.5) {
    for (let tick = first; tick < end; tick += 1) path[tick === first ? "moveTo" : "lineTo"]((tick + 0.5) * perTick - offset, at(tick));
    return;
  }
  let begun = true;
  for (let tick = first; tick < end;) {
    const column = Math.floor(tick * perTick);
    let least = Infinity;
    let most = -Infinity;
    for (; tick < end && Math.floor(tick * perTick) === column; tick += 1) {
      const y = at(tick);
      least = Math.min(least, y);
      most = Math.max(most, y);
    }
    const x = column + 0.5 - offset;
    path[begun ? "moveTo" : "lineTo"](x, least);
    path.lineTo(x, most + 0.01);
    begun = false;
  }
}
