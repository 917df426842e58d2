"use client";
/** The last seconds of every action, a lane each, drawn with every frame. */
import type { RefObject } from "react";
import type { Action } from "../../core/format/types";
import { drawTraces, type Traces } from "./traces";

const TONES = {
  light: { ink: "#18242E", rule: "#D8D2C4", accent: "#2B44C7" },
  dark: { ink: "#E8E4DA", rule: "#2A3944", accent: "#8EA2FF" },
} as const;

export function TraceLanes({ actions, canvas }: { actions: readonly Action[]; canvas: RefObject<HTMLCanvasElement | null> }) {
  return (
    <section
      aria-label="Traces"
      className="grid grid-cols-[5.75rem_1fr] grid-rows-[minmax(0,1fr)] overflow-hidden border-t border-rule"
      style={{ height: Math.min(220, Math.max(60, actions.length * 18)) }}
    >
      <ul className="grid" style={{ gridTemplateRows: `repeat(${Math.max(1, actions.length)}, 1fr)` }}>
        {actions.map((a) => (
          <li key={a.name} className="figure flex items-center truncate pl-4 text-[0.6875rem] text-muted">
            {a.name}
          </li>
        ))}
      </ul>
      <div className="relative">
        <canvas ref={canvas} role="img" aria-label="The last six seconds of every action" className="absolute inset-0 h-full w-full" />
      </div>
    </section>
  );
}

interface Painted {
  readonly traces: Traces;
  readonly theme: keyof typeof TONES;
}

/** Draws the traces on their canvas, in the colours of the window. */
export function paintTraces(element: HTMLCanvasElement, actions: readonly Action[], { traces, theme }: Painted): void {
  const ctx = element.getContext("2d");
  if (!ctx) return;
  const density = window.devicePixelRatio || 1;
  const [w, h] = [element.clientWidth, element.clientHeight];
  if (element.width !== Math.round(w * density)) element.width = Math.round(w * density);
  if (element.height !== Math.round(h * density)) element.height = Math.round(h * density);
  ctx.setTransform(density, 0, 0, density, 0, 0);
  drawTraces(ctx, actions, traces, { w, h, colours: TONES[theme] });
}
