/**
 * The test yard: every action of a layout drives a body of its own, under its own word. A vector pushes a puck in its
 * ring, a motion turns a view, an axis leans a needle, a press lights a lamp. The yard reads values by name and nothing else.
 */
import type { ActionValues } from "../../core/engine/input/events";
import { clampTo } from "../../core/engine/geometry/point";
import type { Action, ActionKind } from "../../core/format/types";
import { axisOf, pairOf, pressOf, type Game } from "../game";

/** What stands in the yard for one action. Puck: place −1…1 and speed; view: turned by degrees; needle: −1…1; lamp: on, and how often it has been lit. */
export type Body =
  | { readonly kind: "puck"; readonly x: number; readonly y: number; readonly vx: number; readonly vy: number }
  | { readonly kind: "view"; readonly x: number; readonly y: number }
  | { readonly kind: "needle"; readonly lean: number }
  | { readonly kind: "lamp"; readonly on: boolean; readonly count: number };

const PUCK_PUSH = 6;
const PUCK_DRAG = 2.4;

export function newBody(kind: ActionKind): Body {
  switch (kind) {
    case "vector":
      return { kind: "puck", x: 0, y: 0, vx: 0, vy: 0 };
    case "motion":
      return { kind: "view", x: 0, y: 0 };
    case "axis":
      return { kind: "needle", lean: 0 };
    case "press":
      return { kind: "lamp", on: false, count: 0 };
  }
}

/** One tick of a body. */
export function moveBody(body: Body, name: string, values: ActionValues, ms: number): Body {
  const s = ms / 1000;
  switch (body.kind) {
    case "puck": {
      const [px, py] = pairOf(values, name);
      const vx = body.vx + (px * PUCK_PUSH - body.vx * PUCK_DRAG) * s;
      const vy = body.vy + (py * PUCK_PUSH - body.vy * PUCK_DRAG) * s;
      const x = body.x + vx * s;
      const y = body.y + vy * s;
      const far = Math.hypot(x, y);
      return far <= 1 ? { kind: "puck", x, y, vx, vy } : { kind: "puck", x: x / far, y: y / far, vx: 0, vy: 0 };
    }
    case "view": {
      const [dx, dy] = pairOf(values, name);
      return { kind: "view", x: (((body.x + dx) % 360) + 360) % 360, y: clampTo(body.y + dy, -80, 80) };
    }
    case "needle":
      return { kind: "needle", lean: axisOf(values, name) };
    case "lamp": {
      const on = pressOf(values, name);
      return { kind: "lamp", on, count: body.count + (on && !body.on ? 1 : 0) };
    }
  }
}

export function createYard(actions: readonly Action[]): Game & { readonly bodies: () => ReadonlyMap<string, Body> } {
  let bodies = new Map(actions.map((a) => [a.name, newBody(a.kind)]));
  return {
    tick(values, ms) {
      bodies = new Map([...bodies].map(([name, body]) => [name, moveBody(body, name, values, ms)]));
    },
    draw: (ctx, w, h) => drawYard(ctx, bodies, w, h),
    moment: () => null,
    bodies: () => bodies,
  };
}

function drawYard(ctx: CanvasRenderingContext2D, bodies: ReadonlyMap<string, Body>, w: number, h: number): void {
  ctx.fillStyle = "#16232d";
  ctx.fillRect(0, 0, w, h);
  const count = Math.max(1, bodies.size);
  const cols = Math.min(count, Math.max(1, Math.ceil(Math.sqrt((count * w) / Math.max(1, h)))));
  const rows = Math.ceil(count / cols);
  const size = Math.min(w / (cols + 0.5), (h * 0.62) / rows);
  const left = (w - size * cols) / 2;
  const top = h * 0.05;
  [...bodies].forEach(([name, body], i) => {
    const cx = left + size * ((i % cols) + 0.5);
    const cy = top + size * (Math.floor(i / cols) + 0.45);
    drawBody(ctx, body, { cx, cy, r: size * 0.3 });
    ctx.fillStyle = "#c8cfd3";
    ctx.font = `500 ${size * 0.11}px "Archivo Variable", system-ui, sans-serif`;
    ctx.textAlign = "center";
    ctx.textBaseline = "middle";
    ctx.fillText(name, cx, cy + size * 0.42);
  });
}

/** A disc that a body lives in, px. */
interface Disc {
  readonly cx: number;
  readonly cy: number;
  readonly r: number;
}

function drawBody(ctx: CanvasRenderingContext2D, body: Body, { cx, cy, r }: Disc): void {
  ctx.lineWidth = Math.max(1, r * 0.03);
  ctx.strokeStyle = "#5f7380";
  ctx.beginPath();
  ctx.arc(cx, cy, r, 0, Math.PI * 2);
  ctx.stroke();
  ctx.fillStyle = "#8ea2ff";
  ctx.beginPath();
  switch (body.kind) {
    case "puck":
      ctx.arc(cx + body.x * r * 0.8, cy - body.y * r * 0.8, r * 0.2, 0, Math.PI * 2);
      ctx.fill();
      return;
    case "view": {
      const angle = (body.x * Math.PI) / 180;
      ctx.moveTo(cx, cy);
      ctx.arc(cx, cy, r * (0.85 - Math.abs(body.y) / 200), angle - Math.PI / 2 - 0.35, angle - Math.PI / 2 + 0.35);
      ctx.closePath();
      ctx.fill();
      return;
    }
    case "needle": {
      const angle = body.lean * 1.1;
      ctx.lineWidth = r * 0.1;
      ctx.strokeStyle = "#8ea2ff";
      ctx.moveTo(cx, cy + r * 0.5);
      ctx.lineTo(cx + Math.sin(angle) * r * 1.2, cy + r * 0.5 - Math.cos(angle) * r * 1.2);
      ctx.stroke();
      return;
    }
    case "lamp":
      ctx.arc(cx, cy, r * 0.55, 0, Math.PI * 2);
      if (body.on) ctx.fill();
      else {
        ctx.strokeStyle = "#8ea2ff";
        ctx.stroke();
      }
      ctx.fillStyle = body.on ? "#16232d" : "#c8cfd3";
      ctx.font = `600 ${r * 0.4}px "JetBrains Mono Variable", monospace`;
      ctx.textAlign = "center";
      ctx.textBaseline = "middle";
      ctx.fillText(String(body.count), cx, cy);
  }
}
