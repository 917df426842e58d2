/** What is in the yard for each action, and what it remembers: how long and how often, which way and how fast. Pure: a body and its value in, a body out. */
import type { ActionValues } from "../../core/engine/input/events";
import { clampTo } from "../../core/engine/geometry/point";
import type { ActionKind } from "../../core/format/types";
import { axisOf, pairOf, pressOf } from "../game";

/** A value of a vector, and when it was had, ms. */
export interface TrailPoint {
  readonly x: number;
  readonly y: number;
  readonly t: number;
}

/**
 * Puck: place and speed, its value's way of the last two seconds, which parts of the unit disc were reached. View: turned by degrees, all of
 * them, and how fast (°/s). Roller: where it has turned to and how far it went, degrees, and how fast (°/s). Needle: −1…1, and its rate (1/s). Lamp: on, how often it was lit, and how long this time or last (ms).
 */
export type YardBody =
  | {
      readonly kind: "puck";
      readonly x: number;
      readonly y: number;
      readonly vx: number;
      readonly vy: number;
      readonly trail: readonly TrailPoint[];
      readonly reached: ReadonlySet<number>;
    }
  | { readonly kind: "view"; readonly x: number; readonly y: number; readonly turned: number; readonly speed: number }
  | { readonly kind: "roller"; readonly turned: number; readonly way: number; readonly speed: number }
  | { readonly kind: "needle"; readonly lean: number; readonly rate: number }
  | { readonly kind: "lamp"; readonly on: boolean; readonly count: number; readonly ms: number };

const PUCK_PUSH = 6;
const PUCK_DRAG = 2.4;
/** The way of a vector is remembered so long, ms. */
export const TRAIL_MS = 2000;
/** The unit disc is reported in cells, this many a side of the square about it. */
const CELLS = 16;
/** How many of the cells have their middle within the disc. */
const CELLS_IN_DISC = Array.from({ length: CELLS * CELLS }, (_, i) => i).filter((i) => {
  const [x, y] = [((i % CELLS) + 0.5) / (CELLS / 2) - 1, (Math.floor(i / CELLS) + 0.5) / (CELLS / 2) - 1];
  return x * x + y * y <= 1;
}).length;
/** A speed follows within so long, ms: figures that flicker are not read. */
const CALM_MS = 150;

export function newBody(kind: ActionKind): YardBody {
  switch (kind) {
    case "vector":
      return { kind: "puck", x: 0, y: 0, vx: 0, vy: 0, trail: [], reached: new Set() };
    case "motion":
      return { kind: "view", x: 0, y: 0, turned: 0, speed: 0 };
    case "delta":
      return { kind: "roller", turned: 0, way: 0, speed: 0 };
    case "axis":
      return { kind: "needle", lean: 0, rate: 0 };
    case "press":
      return { kind: "lamp", on: false, count: 0, ms: 0 };
  }
}

/** The cell of the unit disc that a value falls in. */
function cellOf(x: number, y: number): number {
  const index = (v: number) => Math.min(CELLS - 1, Math.floor((v + 1) * (CELLS / 2)));
  return index(x) + index(y) * CELLS;
}

/** How much of the unit disc was reached, 0…1. */
const reachedPart = (reached: ReadonlySet<number>): number => Math.min(1, reached.size / CELLS_IN_DISC);

/** Below these a body rests: a puck's speed and a needle's rate per second, a view's speed in °/s; what is slower cannot be seen. */
const PUCK_RESTS = 1e-3;
const NEEDLE_RESTS = 0.01;
const VIEW_RESTS = 0.1;

/** A puck is pushed by a vector, dragged by the water, and stops at the edge. */
function movePuck(body: Extract<YardBody, { kind: "puck" }>, [px, py]: readonly [number, number], { ms, t }: { ms: number; t: number }): YardBody {
  const s = ms / 1000;
  const vx = body.vx + (px * PUCK_PUSH - body.vx * PUCK_DRAG) * s;
  const vy = body.vy + (py * PUCK_PUSH - body.vy * PUCK_DRAG) * s;
  const [x, y] = [body.x + vx * s, body.y + vy * s];
  const far = Math.hypot(x, y);
  const cell = cellOf(px, py);
  const rest = px === 0 && py === 0;
  // The way that fades is seen for as long as it is remembered.
  const isFaded = body.trail.every((p) => p.x === 0 && p.y === 0);
  if (rest && isFaded && Math.hypot(vx, vy) < PUCK_RESTS) return body.vx === 0 && body.vy === 0 ? body : { ...body, vx: 0, vy: 0, trail: [] };
  const reached = rest || body.reached.has(cell) ? body.reached : new Set([...body.reached, cell]);
  const trail = [...body.trail.filter((p) => t - p.t < TRAIL_MS), { x: px, y: py, t }];
  return far <= 1 ? { kind: "puck", x, y, vx, vy, trail, reached } : { kind: "puck", x: x / far, y: y / far, vx: 0, vy: 0, trail, reached };
}

/** One tick of a body; the very same body where it rests. `t`: the time in the yard after it, ms. */
export function moveBody(body: YardBody, name: string, values: ActionValues, { ms, t }: { ms: number; t: number }): YardBody {
  const s = ms / 1000;
  switch (body.kind) {
    case "puck":
      return movePuck(body, pairOf(values, name), { ms, t });
    case "view": {
      const [dx, dy] = pairOf(values, name);
      const way = Math.hypot(dx, dy);
      const speed = body.speed + ((s > 0 ? way / s : 0) - body.speed) * Math.min(1, ms / CALM_MS);
      if (way === 0 && speed < VIEW_RESTS) return body.speed === 0 ? body : { ...body, speed: 0 };
      return { kind: "view", x: (((body.x + dx) % 360) + 360) % 360, y: clampTo(body.y + dy, -80, 80), turned: body.turned + way, speed };
    }
    case "roller": {
      const way = axisOf(values, name);
      const speed = body.speed + ((s > 0 ? Math.abs(way) / s : 0) - body.speed) * Math.min(1, ms / CALM_MS);
      if (way === 0 && speed < VIEW_RESTS) return body.speed === 0 ? body : { ...body, speed: 0 };
      return { kind: "roller", turned: (((body.turned + way) % 360) + 360) % 360, way: body.way + way, speed };
    }
    case "needle": {
      const lean = axisOf(values, name);
      const rate = body.rate + ((s > 0 ? (lean - body.lean) / s : 0) - body.rate) * Math.min(1, ms / CALM_MS);
      if (lean === body.lean && Math.abs(rate) < NEEDLE_RESTS) return body.rate === 0 ? body : { ...body, rate: 0 };
      return { kind: "needle", lean, rate };
    }
    case "lamp": {
      const on = pressOf(values, name);
      const rose = on && !body.on;
      if (!on && !body.on) return body;
      return { kind: "lamp", on, count: body.count + (rose ? 1 : 0), ms: rose ? ms : body.ms + (on ? ms : 0) };
    }
  }
}

/** What a body reports in figures. */
export function bodyWords(body: YardBody): string {
  switch (body.kind) {
    case "puck": {
      const now = body.trail.at(-1);
      const strength = now ? Math.hypot(now.x, now.y) : 0;
      const angle = now && strength > 0 ? `${Math.round(((Math.atan2(now.y, now.x) * 180) / Math.PI + 360) % 360)}° ` : "";
      return `${angle}${strength.toFixed(2)} · ${Math.round(reachedPart(body.reached) * 100)} %`;
    }
    case "view":
      return `${body.turned.toFixed(0)}° · ${body.speed.toFixed(0)} °/s`;
    case "roller":
      return `${body.way.toFixed(0)}° · ${body.speed.toFixed(0)} °/s`;
    case "needle":
      return `${body.lean.toFixed(2)} · ${body.rate.toFixed(1)}/s`;
    case "lamp":
      return `${body.count} × · ${(body.ms / 1000).toFixed(2)} s`;
  }
}
