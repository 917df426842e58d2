"use client";
/** A layout on a screen as a small picture: the device with its cut-outs, the game's backdrop, the controls as they look at rest. */
import { memo, useEffect, useRef, useSyncExternalStore } from "react";
import type { Layout, Screen } from "../../core/layout/types";
import type { Resolved } from "../../core/placement/resolve";
import { drawControls, forgetWordWidths, POSE_AT_REST, type Drawn } from "../../runtime/art";
import { drawBackdrop, type Backdrop } from "../../samples/scenes";

interface Props {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
  /** CSS px a device pixel. */
  readonly scale: number;
  readonly label: string;
}

/** The controls of a layout on a screen, at rest, in drawing order. */
export function atRest(layout: Layout, resolved: Resolved): Drawn[] {
  const byId = new Map(layout.controls.map((c) => [c.id, c]));
  return resolved.controls.flatMap((at) => {
    const control = byId.get(at.id);
    return control ? [{ control, box: at.visual, travel: at.travel ?? 0, pose: POSE_AT_REST }] : [];
  });
}

/** Sizes a canvas for the display and gives its context in the px of the drawing; null where the browser has none. */
export function contextFor(canvas: HTMLCanvasElement, width: number, height: number, scale: number): CanvasRenderingContext2D | null {
  const density = window.devicePixelRatio || 1;
  const w = Math.max(1, Math.round(width * scale * density));
  const h = Math.max(1, Math.round(height * scale * density));
  if (canvas.width !== w) canvas.width = w;
  if (canvas.height !== h) canvas.height = h;
  const ctx = canvas.getContext("2d");
  if (!ctx) return null;
  ctx.setTransform(w / width, 0, 0, h / height, 0, 0);
  ctx.clearRect(0, 0, width, height);
  return ctx;
}

const backdrops = new Map<string, HTMLCanvasElement>();
/** How many stills are kept; a rail, a bench and a shelf in two zooms. */
const MOST_BACKDROPS = 96;

/** The still behind the controls at a size in device px, drawn once. */
function backdropOf(backdrop: Backdrop, w: number, h: number): HTMLCanvasElement {
  const key = `${backdrop} ${w} ${h}`;
  let still = backdrops.get(key);
  if (!still) {
    still = document.createElement("canvas");
    still.width = w;
    still.height = h;
    const ctx = still.getContext("2d");
    if (ctx) drawBackdrop(ctx, backdrop, w, h);
    if (backdrops.size >= MOST_BACKDROPS) backdrops.clear();
    backdrops.set(key, still);
  }
  return still;
}

/** Draws device glass, backdrop, cut-outs and controls. */
export function drawGlass(canvas: HTMLCanvasElement, layout: Layout, screen: Screen, drawn: readonly Drawn[], scale: number): void {
  const ctx = contextFor(canvas, screen.widthPx, screen.heightPx, scale);
  if (!ctx) return;
  ctx.save();
  ctx.beginPath();
  ctx.roundRect(0, 0, screen.widthPx, screen.heightPx, screen.cornerPx);
  ctx.clip();
  ctx.drawImage(backdropOf(layout.workbench.backdrop, canvas.width, canvas.height), 0, 0, screen.widthPx, screen.heightPx);
  drawControls(ctx, drawn, 1 / scale);
  ctx.fillStyle = "#05080b";
  for (const c of screen.cutouts) {
    ctx.beginPath();
    ctx.roundRect(c.x, c.y, c.w, c.h, Math.min(c.w, c.h) / 2);
    ctx.fill();
  }
  ctx.restore();
}

/** Counts the fonts that have come in, so that words are drawn anew in their own type. */
function useFonts(): number {
  return useSyncExternalStore(
    (changed) => {
      const onLoad = () => {
        forgetWordWidths();
        changed();
      };
      document.fonts.addEventListener("loadingdone", onLoad);
      return () => document.fonts.removeEventListener("loadingdone", onLoad);
    },
    () => document.fonts.size + (document.fonts.status === "loaded" ? 1 : 0),
    () => 0,
  );
}

export const LayoutPicture = memo(function LayoutPicture({ layout, screen, resolved, scale, label }: Props) {
  const ref = useRef<HTMLCanvasElement>(null);
  const fonts = useFonts();
  useEffect(() => {
    if (ref.current) drawGlass(ref.current, layout, screen, atRest(layout, resolved), scale);
  }, [layout, screen, resolved, scale, fonts]);
  return (
    <canvas
      ref={ref}
      role="img"
      aria-label={label}
      className="block border border-ink bg-[#0c141b]"
      style={{ width: screen.widthPx * scale, height: screen.heightPx * scale, borderRadius: Math.max(2, screen.cornerPx * scale) }}
    />
  );
});
