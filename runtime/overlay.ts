/**
 * `nodulum-runtime/overlay`: a development overlay: touches and the engine's base and knob positions, areas, values, unknown
 * names. Shown with `nodulum-overlay` in the URL, or with `always`.
 */
import { createLaid } from "./attach/lay";
import { elementOf, putAbove, shownElement } from "./canvasAbove";
import type { Handle } from "./handle";

const WORDS = "12px ui-monospace, monospace";

/** Shows the overlay over an element (default: the handle's); returns a function that removes it. */
export function overlay(handle: Handle, over: Element | string | null = handle.over, { always = false } = {}): () => void {
  if (!always && !new URLSearchParams(location.search).has("nodulum-overlay")) return () => undefined;
  const game = elementOf(over, "overlay: over");
  const canvas = document.createElement("canvas");
  canvas.setAttribute("aria-hidden", "true");
  const laid = createLaid(canvas, {});
  const above = putAbove(canvas, game);
  const fingers = new Map<number, { x: number; y: number }>();
  let values: Readonly<Record<string, unknown>> = {};
  const stop = handle.onTick((given, _t, events) => {
    values = given;
    for (const event of events) {
      if (event.type === "down" || event.type === "move") fingers.set(event.id, { x: event.x, y: event.y });
      else if (event.type === "up" || event.type === "cancel") fingers.delete(event.id);
      else if (event.type === "blur") fingers.clear();
    }
  });
  let animation = 0;
  let shown = "";
  const paint = () => {
    animation = requestAnimationFrame(paint);
    laid.follow(shownElement(game) ?? game);
    canvas.style.setProperty("z-index", "2147483646", "important");
    const { width, height } = game.getBoundingClientRect();
    const density = window.devicePixelRatio || 1;
    const shows = JSON.stringify([handle.controls(), values, [...fingers], handle.unknownNames, width, height, density]);
    if (shows === shown) return;
    shown = shows;
    [canvas.width, canvas.height] = [Math.round(width * density), Math.round(height * density)];
    const ctx = canvas.getContext("2d");
    if (!ctx) return;
    ctx.scale(density, density);
    ctx.font = WORDS;
    paintControls(ctx, handle);
    paintFingers(ctx, fingers.values(), width / handle.screen.widthPx);
    paintWords(ctx, handle, values);
  };
  paint();
  return () => {
    stop();
    cancelAnimationFrame(animation);
    above.close();
  };
}

/** Draws areas with ids, and for held controls the line from base to knob. */
function paintControls(ctx: CanvasRenderingContext2D, handle: Handle): void {
  ctx.lineWidth = 1;
  for (const { id, hit, base, knob, held } of handle.controls()) {
    ctx.strokeStyle = held ? "#F4F1EA" : "#C08BE0";
    ctx.strokeRect(hit.x, hit.y, hit.w, hit.h);
    ctx.fillStyle = "#C08BE0";
    ctx.fillText(id, hit.x + 3, hit.y + 13);
    if (!held) continue;
    ctx.strokeStyle = "#8EA2FF";
    ctx.beginPath();
    ctx.moveTo(base.x, base.y);
    ctx.lineTo(knob.x, knob.y);
    ctx.arc(knob.x, knob.y, 4, 0, Math.PI * 2);
    ctx.stroke();
  }
}

/** Draws a cross at each touch. */
function paintFingers(ctx: CanvasRenderingContext2D, fingers: Iterable<{ readonly x: number; readonly y: number }>, css: number): void {
  ctx.strokeStyle = "#E0B050";
  for (const { x, y } of fingers) {
    ctx.beginPath();
    ctx.moveTo(x * css - 14, y * css);
    ctx.lineTo(x * css + 14, y * css);
    ctx.moveTo(x * css, y * css - 14);
    ctx.lineTo(x * css, y * css + 14);
    ctx.stroke();
  }
}

/** Draws the values and the unknown names. */
function paintWords(ctx: CanvasRenderingContext2D, handle: Handle, values: Readonly<Record<string, unknown>>): void {
  const told = Object.entries(values).map(
    ([name, value]) => `${name} ${Array.isArray(value) ? value.map((n: number) => n.toFixed(2)).join(" ") : String(value)}`,
  );
  const missed = Object.entries(handle.unknownNames).map(
    ([word, { times, nearest }]) => `${word}: asked for ${times} ×, not there${nearest ? `; nearly ${nearest}` : ""}`,
  );
  [...told, ...missed].forEach((line, i) => {
    ctx.fillStyle = "#0F171DCC";
    ctx.fillRect(4, 4 + i * 16, ctx.measureText(line).width + 8, 16);
    ctx.fillStyle = i < told.length ? "#E8E4DA" : "#FF8A7A";
    ctx.fillText(line, 8, 16 + i * 16);
  });
}
