"use client";
/** The chain of a control, live: point, dead zone, curve and value, drawn with every frame and past React. */
import { useEffect, useRef } from "react";
import { curveAt } from "../../core/engine/input/curve";
import type { Control, StickControl } from "../../core/format/types";
import type { FeelNow } from "./feelChain";
import { valueText } from "./traces";

const SIDE = 58;
const GAP = 12;
const WIDTH = SIDE * 4 + GAP * 3;

/** Tells of every frame: who listens hears how the control feels just now. */
export type OnFeel = (listener: (now: FeelNow) => void) => () => void;

interface Tones {
  readonly ink: string;
  readonly rule: string;
  readonly muted: string;
  readonly accent: string;
}
function tonesOf(element: Element): Tones {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return { ink: of("--ink"), rule: of("--rule"), muted: of("--muted"), accent: of("--accent") };
}

export function FeelChain({ control, onFeel, dark }: { control: Control; onFeel: OnFeel; dark: boolean }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const told = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const tones = tonesOf(element);
    let shown = "";
    return onFeel((now) => {
      const key = JSON.stringify(now);
      if (key === shown) return;
      shown = key;
      if (control.kind === "stick") drawChain(element, control, now, tones);
      if (told.current) told.current.textContent = wordsOf(now);
    });
  }, [control, onFeel, dark]);
  return (
    <div className="grid gap-1">
      {control.kind === "stick" && (
        <>
          <canvas
            ref={canvas}
            role="img"
            aria-label={`How ${control.name} feels now: the point in travel and dead zone, the curve, what it gives`}
            style={{ width: WIDTH, height: SIDE }}
            className="max-w-full"
          />
          <p aria-hidden className="flex justify-between text-[0.6875rem] text-muted" style={{ width: WIDTH }}>
            {["point", "dead zone", "curve", "gives"].map((word) => (
              <span key={word} className="text-center" style={{ width: SIDE }}>
                {word}
              </span>
            ))}
          </p>
        </>
      )}
      {control.kind !== "stick" && <canvas ref={canvas} className="hidden" />}
      <p ref={told} className="figure min-h-[1.125rem] text-[0.6875rem]" data-testid="feel-now" />
    </div>
  );
}

/** The chain in figures: how far, what is left of it, what each action gets. */
export function wordsOf({ raw, argument, gives, values }: FeelNow): string {
  const percent = (part: number) => `${Math.round(part * 100)} %`;
  const chain = raw ? `${percent(raw.length)} → ${percent(argument)} → ${percent(gives)} · ` : "";
  return chain + values.map(([word, value]) => `${word} ${valueText(value)}`).join(" · ");
}

function drawChain(canvas: HTMLCanvasElement, { feel }: StickControl, now: FeelNow, tones: Tones): void {
  const density = window.devicePixelRatio || 1;
  if (canvas.width !== WIDTH * density) {
    canvas.width = WIDTH * density;
    canvas.height = SIDE * density;
  }
  const ctx = canvas.getContext("2d")!;
  ctx.setTransform(density, 0, 0, density, 0, 0);
  ctx.clearRect(0, 0, WIDTH, SIDE);
  ctx.lineWidth = 1;
  drawPoint(ctx, feel, now, tones);
  drawZone(ctx, SIDE + GAP, { feel, now, tones });
  drawCurve(ctx, 2 * (SIDE + GAP), { feel, now, tones });
  bar(ctx, 3 * (SIDE + GAP), now.gives, tones);
}

const R = SIDE / 2 - 2;

function drawPoint(ctx: CanvasRenderingContext2D, feel: StickControl["feel"], { raw }: FeelNow, tones: Tones): void {
  const circle = (r: number, stroke: string | null, fill: string | null) => {
    ctx.beginPath();
    ctx.arc(SIDE / 2, SIDE / 2, r, 0, Math.PI * 2);
    if (fill) {
      ctx.fillStyle = fill;
      ctx.fill();
    }
    if (stroke) {
      ctx.strokeStyle = stroke;
      ctx.stroke();
    }
  };
  circle(R, tones.ink, null);
  circle(R * feel.outer, tones.rule, null);
  circle(R * feel.inner, null, tones.rule);
  if (!raw) return;
  ctx.strokeStyle = ctx.fillStyle = tones.accent;
  const [x, y] = [SIDE / 2 + raw.x * R, SIDE / 2 - raw.y * R];
  ctx.beginPath();
  ctx.moveTo(SIDE / 2, SIDE / 2);
  ctx.lineTo(x, y);
  ctx.stroke();
  ctx.beginPath();
  ctx.arc(x, y, 3.5, 0, Math.PI * 2);
  ctx.fill();
}

interface Drawn {
  readonly feel: StickControl["feel"];
  readonly now: FeelNow;
  readonly tones: Tones;
}

/** The length of the deflection on a line, with the two dead zones filled. */
function drawZone(ctx: CanvasRenderingContext2D, left: number, { feel, now, tones }: Drawn): void {
  const [top, height] = [SIDE / 2 - 8, 16];
  ctx.fillStyle = tones.rule;
  ctx.fillRect(left, top, SIDE * feel.inner, height);
  ctx.fillRect(left + SIDE * feel.outer, top, SIDE * (1 - feel.outer), height);
  ctx.strokeStyle = tones.ink;
  ctx.strokeRect(left + 0.5, top + 0.5, SIDE - 1, height - 1);
  if (!now.raw) return;
  ctx.fillStyle = tones.accent;
  ctx.fillRect(left + SIDE * Math.min(1, now.raw.length) - 1.5, top - 4, 3, height + 8);
}

function drawCurve(ctx: CanvasRenderingContext2D, left: number, { feel, now, tones }: Drawn): void {
  const at = (u: number): [number, number] => [left + u * (SIDE - 4) + 2, SIDE - 2 - curveAt(feel.curve, u) * (SIDE - 4)];
  ctx.strokeStyle = tones.rule;
  ctx.strokeRect(left + 0.5, 0.5, SIDE - 1, SIDE - 1);
  ctx.strokeStyle = tones.ink;
  ctx.beginPath();
  for (let i = 0; i <= 24; i += 1) ctx.lineTo(...at(i / 24));
  ctx.stroke();
  if (!now.raw) return;
  ctx.fillStyle = tones.accent;
  ctx.beginPath();
  ctx.arc(...at(now.argument), 3.5, 0, Math.PI * 2);
  ctx.fill();
}

function bar(ctx: CanvasRenderingContext2D, left: number, part: number, tones: Tones): void {
  ctx.fillStyle = tones.accent;
  ctx.fillRect(left + SIDE / 2 - 8, SIDE - 2 - part * (SIDE - 4), 16, part * (SIDE - 4));
  ctx.strokeStyle = tones.ink;
  ctx.strokeRect(left + SIDE / 2 - 7.5, 1.5, 15, SIDE - 3);
}
