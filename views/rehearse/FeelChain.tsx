"use client";
/** The chain of a control, live: from the thumb to what each action gets, easing included; drawn with every frame and past React. */
import { useEffect, useRef } from "react";
import type { ActionValue } from "../../core/engine/input/events";
import type { Control } from "../../core/format/types";
import type { ActionState, FeelState } from "../../core/rehearsal/feelChain";
import { drawChain, GAP, pictureWords, stepWords, SIDE, type Tones } from "./chainPictures";
import { valueText } from "../fields/valueText";

const WIDTH = SIDE * 4 + GAP * 3;
/** A row of an action under the pictures, px; what is given is drawn from `BAR_LEFT` on. */
const ROW = 14;
const BAR_LEFT = 84;
/** So many actions are drawn; the words below tell of all. */
const MOST_ROWS = 6;

/** Tells of every frame: who listens hears how the control feels just now. */
export type OnFeel = (listener: (now: FeelState) => void) => () => void;

function tonesOf(element: Element): Tones {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return { ink: of("--ink"), rule: of("--rule"), muted: of("--muted"), accent: of("--accent") };
}

export function FeelChain({ control, onFeel, dark }: { control: Control; onFeel: OnFeel; dark: boolean }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const bars = useRef<HTMLCanvasElement>(null);
  const told = useRef<HTMLParagraphElement>(null);
  const words = pictureWords(control);
  const rows = Math.min(MOST_ROWS, new Set(control.serves.map((s) => s.action)).size);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    // Read when it is drawn: the theme of the page changes after the effects of what is in it.
    let tones: Tones | null = null;
    let shown = "";
    return onFeel((now) => {
      const key = JSON.stringify(now);
      if (key === shown) return;
      shown = key;
      const drawn = (tones ??= tonesOf(element));
      drawChain(cleared(element, SIDE), control, now, drawn);
      const below = bars.current && cleared(bars.current, rows * ROW);
      if (below) now.actions.slice(0, MOST_ROWS).forEach((action, i) => drawAction(below, i * ROW, action, drawn));
      if (told.current) told.current.textContent = wordsOf(now);
    });
  }, [control, onFeel, dark, rows]);
  return (
    <div className="grid gap-1">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`How ${control.name} feels now: ${words.join(", ")}, and what each action gets`}
        style={{ width: WIDTH, height: SIDE }}
        className="block max-w-full"
      />
      <p aria-hidden className="flex text-[0.6875rem] text-muted" style={{ width: WIDTH, gap: GAP }}>
        {words.map((word) => (
          <span key={word} className="text-center" style={{ width: SIDE }}>
            {word}
          </span>
        ))}
      </p>
      {rows > 0 && <canvas ref={bars} aria-hidden style={{ width: WIDTH, height: rows * ROW }} className="block max-w-full" />}
      <p ref={told} className="figure min-h-[1.125rem] text-[0.6875rem]" data-testid="feel-now" />
    </div>
  );
}

/** The chain in figures: what the thumb does, what each action gets, and what an eased one is on its way to. */
function wordsOf(now: FeelState): string {
  const actions = now.actions.map(({ name, value, toward }) => `${name} ${valueText(value)}${toward === null ? "" : ` toward ${valueText(toward)}`}`);
  return [stepWords(now), ...actions].filter((w) => w !== "").join(" · ");
}

/** An empty canvas of a height, its unit a CSS px. */
function cleared(canvas: HTMLCanvasElement, height: number): CanvasRenderingContext2D {
  const density = window.devicePixelRatio || 1;
  canvas.width = WIDTH * density;
  canvas.height = height * density;
  const ctx = canvas.getContext("2d")!;
  ctx.setTransform(density, 0, 0, density, 0, 0);
  ctx.lineWidth = 1;
  return ctx;
}

/** How far a value goes, 0…1, and to which side: a press and a length to the right, an axis to both. */
function lengthOf(value: ActionValue | undefined): number {
  if (value === undefined) return 0;
  if (typeof value === "boolean") return value ? 1 : 0;
  return typeof value === "number" ? Math.max(-1, Math.min(1, value)) : Math.min(1, Math.hypot(value[0], value[1]));
}

/** A row: the action's word, how much of it is given as a bar, and a hollow mark at what it eases toward. */
function drawAction(ctx: CanvasRenderingContext2D, top: number, { name, value, toward }: ActionState, tones: Tones): void {
  ctx.font = '11px "JetBrains Mono Variable", monospace';
  ctx.textBaseline = "middle";
  ctx.fillStyle = tones.muted;
  ctx.fillText(name.length > 11 ? `${name.slice(0, 10)}…` : name, 0, top + ROW / 2);
  const [width, height] = [WIDTH - BAR_LEFT - 2, 6];
  const isAxis = typeof value === "number";
  const zero = BAR_LEFT + (isAxis ? width / 2 : 0);
  const unit = isAxis ? width / 2 : width;
  const y = top + (ROW - height) / 2;
  ctx.strokeStyle = tones.rule;
  ctx.strokeRect(BAR_LEFT + 0.5, y + 0.5, width - 1, height - 1);
  const end = zero + lengthOf(value) * unit;
  ctx.fillStyle = tones.accent;
  ctx.fillRect(Math.min(zero, end), y, Math.abs(end - zero), height);
  if (toward === null) return;
  ctx.strokeStyle = tones.ink;
  ctx.strokeRect(zero + lengthOf(toward) * unit - 2, y - 2.5, 4, height + 5);
}
