"use client";
/** A layout on a screen as a small picture: the device with its cut-outs, the game's backdrop, the controls as they look at rest. */
import { memo, useEffect, useRef, useSyncExternalStore } from "react";
import type { Layout, Screen } from "../../core/layout/types";
import type { Resolved } from "../../core/placement/resolve";
import { drawControls, forgetWordWidths, POSE_AT_REST, type Drawn } from "../../runtime/art";
import { backdropAt } from "./backdrop";
import { picturesOf, useImageArrivals } from "./images";

interface Props {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
  /** CSS px a device pixel. */
  readonly scale: number;
  readonly label: string;
  /** Look at the controls as held rather than at rest. */
  readonly held?: boolean;
}

const POSE_HELD = { held: true, x: 0, y: 0 } as const;

/** The controls of a layout on a screen, at rest or held, in drawing order. */
export function posed(layout: Layout, resolved: Resolved, held: boolean): Drawn[] {
  const byId = new Map(layout.controls.map((c) => [c.id, c]));
  return resolved.controls.flatMap((at) => {
    const control = byId.get(at.id);
    return control ? [{ control, box: at.visual, travel: at.travel ?? 0, pose: held ? POSE_HELD : POSE_AT_REST }] : [];
  });
}

/** A canvas is never larger than this along a side, px: zoomed in far, it is drawn a little softer instead. */
const MOST_CANVAS_PX = 4096;

/** Sizes a canvas for the display and gives its context in the px of the drawing; null where the browser has none. */
export function contextFor(canvas: HTMLCanvasElement, width: number, height: number, scale: number): CanvasRenderingContext2D | null {
  const density = Math.min(window.devicePixelRatio || 1, MOST_CANVAS_PX / Math.max(width * scale, height * scale));
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

/** Draws device glass, backdrop, cut-outs and controls. */
export function drawGlass(canvas: HTMLCanvasElement, layout: Layout, screen: Screen, drawn: readonly Drawn[], scale: number): void {
  const ctx = contextFor(canvas, screen.widthPx, screen.heightPx, scale);
  if (!ctx) return;
  ctx.save();
  ctx.beginPath();
  ctx.roundRect(0, 0, screen.widthPx, screen.heightPx, screen.cornerPx);
  ctx.clip();
  ctx.drawImage(backdropAt(layout.workbench, canvas.width, canvas.height), 0, 0, screen.widthPx, screen.heightPx);
  drawControls(ctx, drawn, 1 / scale, picturesOf(layout));
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

export const LayoutPicture = memo(function LayoutPicture({ layout, screen, resolved, scale, label, held = false }: Props) {
  const ref = useRef<HTMLCanvasElement>(null);
  const fonts = useFonts();
  const arrivals = useImageArrivals();
  useEffect(() => {
    if (ref.current) drawGlass(ref.current, layout, screen, posed(layout, resolved, held), scale);
  }, [layout, screen, resolved, scale, fonts, held, arrivals]);
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
