/** Draws the tug's world on a canvas. The camera follows the tug along the quay. */
import type { Box, Point } from "../../core/engine/geometry/point";
import { clampTo } from "../../core/engine/geometry/point";
import { drawTug } from "../scenes";
import { TASKS, type TaskPlace } from "./taskPlace";
import { BERTH, FIRE, WORLD, type TugState } from "./world";

/** The boxes of the instruments at the top of a screen, px. */
export function instruments(w: number, h: number): readonly Box[] {
  const u = Math.min(w, h) / 720;
  return [
    { x: w / 2 - 210 * u, y: 0, w: 420 * u, h: 46 * u },
    { x: w - 141 * u, y: 24 * u, w: 84 * u, h: 84 * u },
  ];
}

type Ctx = CanvasRenderingContext2D;

/** `task`: where the task line is; null: nowhere. */
export function drawWorld(ctx: Ctx, tug: TugState, { w, h }: { readonly w: number; readonly h: number }, task: TaskPlace | null): void {
  const zoom = Math.max(h / WORLD.h, w / WORLD.w);
  const viewW = w / zoom;
  const viewH = h / zoom;
  const camX = clampTo(tug.x - viewW / 2, 0, Math.max(0, WORLD.w - viewW));
  const camY = clampTo(tug.y - viewH / 2, 0, Math.max(0, WORLD.h - viewH));
  ctx.save();
  ctx.scale(zoom, zoom);
  ctx.translate(-camX, -camY);
  drawWater(ctx, tug, camX, viewW);
  drawQuay(ctx, tug);
  if (tug.barge.towed) line(ctx, { x: tug.x - Math.cos(tug.heading) * 46, y: tug.y - Math.sin(tug.heading) * 46 }, tug.barge, { colour: "#d9cfb6", width: 2 });
  drawBerth(ctx, tug.berthed);
  drawBarge(ctx, tug.barge);
  ctx.save();
  ctx.translate(tug.x, tug.y);
  ctx.rotate(tug.heading + tug.lamp);
  cone(ctx, 330, 0.2, "rgba(243,227,160,0.22)");
  if (tug.pumping) cone(ctx, 290, 0.07, "rgba(150,200,230,0.65)");
  ctx.restore();
  ctx.save();
  ctx.translate(tug.x, tug.y);
  ctx.rotate(tug.heading);
  drawTug(ctx, 4.2);
  ctx.restore();
  if (tug.horn) rings(ctx, tug);
  ctx.restore();
  if (task) drawTask(ctx, tug, task);
  drawCompass(ctx, tug, w, h);
  drawClock(ctx, tug, w, h);
  if (tug.paused) banner(ctx, "paused", w, h);
  if (tug.logOpen) drawLog(ctx, tug, w, h);
}

function drawWater(ctx: Ctx, tug: TugState, camX: number, viewW: number): void {
  ctx.fillStyle = "#10212c";
  ctx.fillRect(0, 0, WORLD.w, WORLD.h);
  ctx.strokeStyle = "#1a3442";
  ctx.lineWidth = 3;
  ctx.beginPath();
  for (let y = WORLD.quay + 40; y < WORLD.h; y += 52)
    for (let x = Math.floor(camX / 150) * 150 - 150; x < camX + viewW + 150; x += 150) {
      const sway = Math.sin(tug.time * 0.8 + y * 0.03 + x * 0.01) * 9 + ((y * 7) % 80);
      ctx.moveTo(x + sway, y);
      ctx.quadraticCurveTo(x + sway + 22, y - 8, x + sway + 44, y);
    }
  ctx.stroke();
}

function drawQuay(ctx: Ctx, tug: TugState): void {
  ctx.fillStyle = "#2a3237";
  ctx.fillRect(0, 0, WORLD.w, WORLD.quay);
  ctx.fillStyle = "#39434a";
  ctx.fillRect(0, WORLD.quay, WORLD.w, 10);
  ctx.fillStyle = "#596772";
  for (let x = 60; x < WORLD.w; x += 150) ctx.fillRect(x, WORLD.quay - 12, 20, 20);
  ctx.fillStyle = "#4a3f38";
  ctx.fillRect(FIRE.x - 90, 20, 180, 100);
  ctx.strokeStyle = "#6b5a4c";
  ctx.strokeRect(FIRE.x - 90, 20, 180, 100);
  for (let i = 0; i < 7 * tug.fire; i += 1) {
    const flicker = Math.sin(tug.time * 9 + i * 2.1) * 8;
    ctx.fillStyle = i % 2 ? "#e58a3c" : "#f0c24a";
    ctx.beginPath();
    ctx.ellipse(FIRE.x - 70 + i * 23, FIRE.y - 6 + flicker, 13, 24 + flicker, 0, 0, Math.PI * 2);
    ctx.fill();
  }
}

/** The berth, until the barge lies in it. */
function drawBerth(ctx: Ctx, berthed: boolean): void {
  ctx.strokeStyle = berthed ? "#8fbf9a" : "#d9cfb6";
  ctx.lineWidth = 3;
  ctx.setLineDash([14, 10]);
  ctx.strokeRect(BERTH.x, BERTH.y, BERTH.w, BERTH.h);
  ctx.setLineDash([]);
}

/** What remains to do, and for how long it has been done. */
function drawTask(ctx: Ctx, tug: TugState, { x, lines, em }: TaskPlace): void {
  const seconds = tug.doneAt ?? tug.time;
  const clock = `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, "0")}`;
  const left = [...(tug.berthed ? [] : [tug.barge.towed ? TASKS.cast : TASKS.tow]), ...(tug.fire > 0 ? [TASKS.fire] : [])];
  ctx.font = font(em, 600);
  ctx.textAlign = "center";
  ctx.textBaseline = "alphabetic";
  ctx.fillStyle = tug.doneAt === null ? "#e8e4da" : "#8fbf9a";
  const [first, ...more] = tug.doneAt === null ? [clock, ...left] : [`all done in ${clock}`];
  const parts = lines.length === 1 ? [[first, ...more].join(" · ")] : [[first, ...more.slice(0, 1)].join(" · "), more.slice(1).join(" · ")];
  parts.forEach((part, i) => ctx.fillText(part, x, lines[i]));
}

function drawBarge(ctx: Ctx, barge: TugState["barge"]): void {
  ctx.fillStyle = "#4b5a50";
  ctx.fillRect(barge.x - 58, barge.y - 24, 116, 48);
  ctx.strokeStyle = "#9fb0a2";
  ctx.lineWidth = 3;
  ctx.strokeRect(barge.x - 58, barge.y - 24, 116, 48);
  ctx.fillStyle = "#6e5a3c";
  for (let i = 0; i < 4; i += 1) ctx.fillRect(barge.x - 50 + i * 26, barge.y - 15, 20, 30);
}

function cone(ctx: Ctx, length: number, half: number, colour: string): void {
  ctx.fillStyle = colour;
  ctx.beginPath();
  ctx.moveTo(24, 0);
  ctx.lineTo(length, -length * half);
  ctx.lineTo(length, length * half);
  ctx.closePath();
  ctx.fill();
}

function rings(ctx: Ctx, tug: TugState): void {
  ctx.strokeStyle = "rgba(232,228,218,0.6)";
  ctx.lineWidth = 3;
  for (let i = 0; i < 3; i += 1) {
    ctx.beginPath();
    ctx.arc(tug.x, tug.y, 50 + ((tug.time * 160 + i * 40) % 120), 0, Math.PI * 2);
    ctx.stroke();
  }
}

function line(ctx: Ctx, from: Point, to: Point, { colour, width }: { readonly colour: string; readonly width: number }): void {
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.beginPath();
  ctx.moveTo(from.x, from.y);
  ctx.lineTo(to.x, to.y);
  ctx.stroke();
}

const font = (size: number, weight = 500) => `${weight} ${size}px "Archivo Variable", system-ui, sans-serif`;

/** The compass strip at top centre. */
function drawCompass(ctx: Ctx, tug: TugState, w: number, h: number): void {
  const u = Math.min(w, h) / 720;
  const width = 420 * u;
  const height = 46 * u;
  const left = (w - width) / 2;
  ctx.save();
  ctx.fillStyle = "rgba(15,23,29,0.75)";
  ctx.fillRect(left, 0, width, height);
  ctx.beginPath();
  ctx.rect(left, 0, width, height);
  ctx.clip();
  const degrees = ((((tug.heading * 180) / Math.PI + 90) % 360) + 360) % 360;
  ctx.fillStyle = "#e8e4da";
  ctx.strokeStyle = "#e8e4da";
  ctx.lineWidth = Math.max(1, 1.5 * u);
  ctx.font = font(16 * u);
  ctx.textAlign = "center";
  ctx.beginPath();
  for (let mark = -90; mark <= 450; mark += 15) {
    const x = w / 2 + (mark - degrees) * 3 * u;
    ctx.moveTo(x, height);
    ctx.lineTo(x, height - (mark % 45 === 0 ? 14 : 8) * u);
    if (mark % 45 === 0) ctx.fillText(["N", "NE", "E", "SE", "S", "SW", "W", "NW"][(((mark / 45) % 8) + 8) % 8], x, height - 20 * u);
  }
  ctx.stroke();
  ctx.restore();
  line(ctx, { x: w / 2, y: 0 }, { x: w / 2, y: height }, { colour: "#8ea2ff", width: Math.max(1, 2 * u) });
}

/** The tide clock at top right. */
function drawClock(ctx: Ctx, tug: TugState, w: number, h: number): void {
  const u = Math.min(w, h) / 720;
  const x = w - 99 * u;
  const y = 66 * u;
  ctx.strokeStyle = "#e8e4da";
  ctx.fillStyle = "rgba(15,23,29,0.75)";
  ctx.lineWidth = Math.max(1, 2 * u);
  ctx.beginPath();
  ctx.arc(x, y, 40 * u, 0, Math.PI * 2);
  ctx.fill();
  ctx.stroke();
  const angle = tug.time / 12;
  line(ctx, { x, y }, { x: x + Math.sin(angle) * 32 * u, y: y - Math.cos(angle) * 32 * u }, { colour: "#e8e4da", width: Math.max(1, 2 * u) });
}

function banner(ctx: Ctx, text: string, w: number, h: number): void {
  ctx.fillStyle = "rgba(15,23,29,0.6)";
  ctx.fillRect(0, 0, w, h);
  ctx.fillStyle = "#e8e4da";
  ctx.font = font(h * 0.09, 600);
  ctx.textAlign = "center";
  ctx.fillText(text, w / 2, h / 2);
}

function drawLog(ctx: Ctx, tug: TugState, w: number, h: number): void {
  const u = Math.min(w, h) / 720;
  ctx.fillStyle = "#ece3cd";
  ctx.fillRect(w / 2 - 300 * u, h / 2 - 190 * u, 600 * u, 380 * u);
  ctx.fillStyle = "#2a2116";
  ctx.textAlign = "left";
  ctx.font = font(30 * u, 650);
  ctx.fillText("Log of the tug", w / 2 - 260 * u, h / 2 - 130 * u);
  ctx.font = font(22 * u);
  const rows = [
    `Under way for ${tug.time.toFixed(0)} s.`,
    tug.barge.towed ? "The barge is in tow." : "The barge waits.",
    tug.fire <= 0 ? "The shed's fire is out." : `The shed burns: ${(tug.fire * 100).toFixed(0)} %.`,
    tug.alongside ? "Alongside the quay." : "In open water.",
  ];
  rows.forEach((row, i) => ctx.fillText(row, w / 2 - 260 * u, h / 2 - 70 * u + i * 42 * u));
}
