/**
 * The test yard: every action of a layout drives its own body, under its own word. A vector pushes a puck in its
 * ring, a motion turns a view, a delta turns a roller, an axis leans a needle, a press lights a lamp. The yard reads values by name and nothing else;
 * where its bodies stand it is reported.
 */
import type { PlayedAction } from "../../core/engine/types";
import type { Game } from "../game";
import { bodyWords, moveBody, newBody, TRAIL_MS, type YardBody } from "./bodies";
import { placesFor, type Disc, type Placing } from "./places";

/** How strongly bodies behind landing areas are drawn. */
const FAINT = 0.4;

export interface Yard extends Game {
  readonly bodies: () => ReadonlyMap<string, YardBody>;
  /** Says where the bodies stand, in px of the screen, in the order of the actions, and whether they are drawn faintly. */
  place(placing: Placing): void;
}

export function createYard(actions: readonly Pick<PlayedAction, "name" | "kind">[]): Yard {
  let bodies = new Map(actions.map((a) => [a.name, newBody(a.kind)]));
  let placed: Placing | null = null;
  let t = 0;
  let revision = 0;
  return {
    tick(values, ms) {
      t += ms;
      const moved = [...bodies].map(([name, body]) => [name, moveBody(body, name, values, { ms, t })] as const);
      if (moved.every(([name, body]) => body === bodies.get(name))) return;
      bodies = new Map(moved);
      revision += 1;
    },
    revision: () => revision,
    draw(ctx, w, h) {
      ctx.fillStyle = "#16232d";
      ctx.fillRect(0, 0, w, h);
      const places = placed?.discs ?? placesFor(bodies.size, [], { x: 0, y: 0, w, h });
      const strength = placed?.isFaint ? FAINT : 1;
      ctx.globalAlpha = strength;
      [...bodies].forEach(([name, body], i) => {
        const disc = places[i] as Disc | undefined;
        if (!disc) return;
        drawBody(ctx, body, disc, { t, strength });
        words(ctx, name, { x: disc.cx, y: disc.cy + disc.r * 1.26 }, `500 ${disc.r * 0.36}px "Archivo Variable", system-ui, sans-serif`);
        words(ctx, bodyWords(body), { x: disc.cx, y: disc.cy + disc.r * 1.66 }, `500 ${disc.r * 0.28}px "JetBrains Mono Variable", monospace`);
      });
      ctx.globalAlpha = 1;
    },
    moment: () => null,
    bodies: () => bodies,
    place(given) {
      placed = given;
      revision += 1;
    },
  };
}

function words(ctx: CanvasRenderingContext2D, text: string, { x, y }: { x: number; y: number }, font: string): void {
  ctx.fillStyle = "#c8cfd3";
  ctx.font = font;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.fillText(text, x, y);
}

interface Drawing {
  readonly t: number;
  /** How strongly it is drawn, 0…1. */
  readonly strength: number;
}

function drawBody(ctx: CanvasRenderingContext2D, body: YardBody, { cx, cy, r }: Disc, drawing: Drawing): void {
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
      drawTrail(ctx, body.trail, { cx, cy, r }, drawing);
      return;
    case "view": {
      const angle = (body.x * Math.PI) / 180;
      ctx.moveTo(cx, cy);
      ctx.arc(cx, cy, r * (0.85 - Math.abs(body.y) / 200), angle - Math.PI / 2 - 0.35, angle - Math.PI / 2 + 0.35);
      ctx.closePath();
      ctx.fill();
      return;
    }
    case "roller":
      return drawRoller(ctx, body.turned, { cx, cy, r });
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
  }
}

/** A drum seen from its side, whose slats go by as it turns. */
function drawRoller(ctx: CanvasRenderingContext2D, turned: number, { cx, cy, r }: Disc): void {
  const [half, high] = [r * 0.7, r * 0.5];
  ctx.strokeStyle = "#8ea2ff";
  ctx.lineWidth = Math.max(1, r * 0.06);
  ctx.strokeRect(cx - half, cy - high, 2 * half, 2 * high);
  for (let i = 0; i < 12; i += 1) {
    const angle = ((turned + i * 30) * Math.PI) / 180;
    // Only the slats on the near side are seen.
    if (Math.cos(angle) <= 0) continue;
    const x = cx + Math.sin(angle) * half;
    ctx.moveTo(x, cy - high);
    ctx.lineTo(x, cy + high);
  }
  ctx.stroke();
}

/** The way of a vector's value over the last two seconds, fading. */
function drawTrail(ctx: CanvasRenderingContext2D, trail: readonly { x: number; y: number; t: number }[], { cx, cy, r }: Disc, { t, strength }: Drawing): void {
  ctx.strokeStyle = "#e8e4da";
  for (let i = 1; i < trail.length; i += 1) {
    const [a, b] = [trail[i - 1], trail[i]];
    if (a.x === b.x && a.y === b.y) continue;
    ctx.globalAlpha = strength * Math.max(0, 1 - (t - b.t) / TRAIL_MS);
    ctx.beginPath();
    ctx.moveTo(cx + a.x * r, cy - a.y * r);
    ctx.lineTo(cx + b.x * r, cy - b.y * r);
    ctx.stroke();
  }
  ctx.globalAlpha = strength;
}
