/** The pictures of the chain, kind by kind: each in a square, from the thumb at the left to what is given at the right. */
import { curveAt } from "../../core/engine/input/curve";
import type { Control, Curve, DialControl, DpadControl, StickControl, SwipeControl } from "../../core/format/types";
import { afterDeadZone, type ChainStep, type FeelState } from "../../core/rehearsal/feelChain";

export const SIDE = 58;
export const GAP = 12;
export interface Tones {
  readonly ink: string;
  readonly rule: string;
  readonly muted: string;
  readonly accent: string;
}
type Step<K extends ChainStep["kind"]> = Extract<ChainStep, { kind: K }> | null;
interface Drawn {
  readonly ctx: CanvasRenderingContext2D;
  readonly tones: Tones;
}

/** What a kind's chain is drawn from. */
interface ChainSource<C, S> {
  readonly drawn: Drawn;
  readonly control: C;
  readonly step: S | null;
  /** Whether an action that it serves is pressed. */
  readonly isOn: boolean;
}
/** The chain of one kind: what its pictures are called from left to right, how they are drawn, and what the thumb does in figures. */
interface ChainKind<C, S> {
  words(control: C): readonly string[];
  draw(source: ChainSource<C, S>): void;
  figures(step: S): string;
}

const isTimed = ({ feel: { press } }: Extract<Control, { kind: "button" }>) => press === "long" || press === "double";
const percent = (part: number) => `${Math.round(part * 100)} %`;

const CHAINS: { readonly [K in Control["kind"]]: ChainKind<Extract<Control, { kind: K }>, NonNullable<Step<K>>> } = {
  stick: {
    words: () => ["point", "dead zone", "curve", "gives"],
    draw: ({ drawn, control, step }) => drawStick(drawn, control.feel, step),
    figures: ({ raw, argument, gives }) => `${percent(raw.length)} → ${percent(argument)} → ${percent(gives)}`,
  },
  dpad: {
    words: () => ["point", "direction"],
    draw: ({ drawn, control, step }) => drawDpad(drawn, control.feel, step),
    figures: ({ raw, directionDeg }) => `${percent(Math.hypot(raw.x, raw.y))} out, ${directionDeg === null ? "neutral" : `${directionDeg}°`}`,
  },
  button: {
    words: (control) => (isTimed(control) ? ["finger", "time", "gives"] : ["finger", "gives"]),
    draw: ({ drawn, control, step, isOn }) => drawButton(drawn, control, { step, isOn }),
    figures: ({ heldMs, isSecond }) => `held ${(heldMs / 1000).toFixed(1)} s${isSecond ? ", the second" : ""}`,
  },
  touchpad: {
    words: () => ["finger"],
    draw: ({ drawn, step }) => disc(drawn, cell(0), { r: 10, isFull: step !== null }),
    figures: () => "held",
  },
  swipe: {
    words: () => ["way", "fired"],
    draw: ({ drawn, control, step }) => drawSwipe(drawn, control.feel, step),
    figures: ({ wayMm, firedDeg }) => `${Math.hypot(wayMm.x, wayMm.y).toFixed(1)} mm${firedDeg === null ? "" : `, fired ${Math.round(firedDeg)}°`}`,
  },
  dial: {
    words: () => ["turn", "curve", "gives"],
    draw: ({ drawn, control, step }) => drawDial(drawn, control.feel, step),
    figures: ({ turnDeg, gives }) => `${turnDeg.toFixed(0)}° → ${percent(gives)}`,
  },
};
const chainOf = (kind: Control["kind"]): ChainKind<Control, ChainStep> => CHAINS[kind];

/** What the pictures of a control are called, from left to right. */
export const pictureWords = (control: Control): readonly string[] => chainOf(control.kind).words(control);

/** Draws the chain of a control as it is now. */
export function drawChain(ctx: CanvasRenderingContext2D, control: Control, { step, actions }: FeelState, tones: Tones): void {
  const own = step?.kind === control.kind ? step : null;
  chainOf(control.kind).draw({ drawn: { ctx, tones }, control, step: own, isOn: actions.some((a) => a.value === true) });
}

/** What the thumb does, in figures. */
export function stepWords({ step, isLatched }: FeelState): string {
  if (step === null) return isLatched ? "stays" : "";
  return chainOf(step.kind).figures(step);
}

/** The left edge of a picture. */
const cell = (n: number) => n * (SIDE + GAP);
const MIDDLE = SIDE / 2;
const R = SIDE / 2 - 2;

function circle({ ctx, tones }: Drawn, left: number, r: number, look: { readonly stroke?: keyof Tones; readonly fill?: keyof Tones }): void {
  ctx.beginPath();
  ctx.arc(left + MIDDLE, MIDDLE, r, 0, Math.PI * 2);
  if (look.fill) {
    ctx.fillStyle = tones[look.fill];
    ctx.fill();
  }
  if (look.stroke) {
    ctx.strokeStyle = tones[look.stroke];
    ctx.stroke();
  }
}

const disc = (drawn: Drawn, left: number, { r, isFull }: { readonly r: number; readonly isFull: boolean }) =>
  circle(drawn, left, r, isFull ? { stroke: "ink", fill: "accent" } : { stroke: "ink" });

/** A thumb that is so far from the middle, in radii of the picture, and the line to it. */
function thumb({ ctx, tones }: Drawn, left: number, { x, y }: { readonly x: number; readonly y: number }): void {
  const far = Math.max(1, Math.hypot(x, y));
  const [px, py] = [left + MIDDLE + (x / far) * R, MIDDLE - (y / far) * R];
  ctx.strokeStyle = ctx.fillStyle = tones.accent;
  ctx.beginPath();
  ctx.moveTo(left + MIDDLE, MIDDLE);
  ctx.lineTo(px, py);
  ctx.stroke();
  ctx.beginPath();
  ctx.arc(px, py, 3.5, 0, Math.PI * 2);
  ctx.fill();
}

function arrow({ ctx, tones }: Drawn, left: number, deg: number): void {
  const [x, y] = [Math.cos((deg * Math.PI) / 180), -Math.sin((deg * Math.PI) / 180)];
  ctx.strokeStyle = tones.accent;
  ctx.lineWidth = 3;
  ctx.beginPath();
  ctx.moveTo(left + MIDDLE - x * 12, MIDDLE - y * 12);
  ctx.lineTo(left + MIDDLE + x * 18, MIDDLE + y * 18);
  for (const side of [-1, 1]) {
    ctx.moveTo(left + MIDDLE + x * 18, MIDDLE + y * 18);
    ctx.lineTo(left + MIDDLE + x * 8 - side * y * 8, MIDDLE + y * 8 + side * x * 8);
  }
  ctx.stroke();
  ctx.lineWidth = 1;
}

function bar({ ctx, tones }: Drawn, left: number, part: number): void {
  ctx.fillStyle = tones.accent;
  ctx.fillRect(left + MIDDLE - 8, SIDE - 2 - part * (SIDE - 4), 16, part * (SIDE - 4));
  ctx.strokeStyle = tones.ink;
  ctx.strokeRect(left + MIDDLE - 7.5, 1.5, 15, SIDE - 3);
}

function drawStick(drawn: Drawn, feel: StickControl["feel"], step: Step<"stick">): void {
  const { ctx, tones } = drawn;
  circle(drawn, 0, R, { stroke: "ink" });
  circle(drawn, 0, R * feel.outer, { stroke: "rule" });
  circle(drawn, 0, R * feel.inner, { fill: "rule" });
  if (step) thumb(drawn, 0, step.raw);
  // The length of the deflection on a line, with the two dead zones filled.
  const [left, top, height] = [cell(1), MIDDLE - 8, 16];
  ctx.fillStyle = tones.rule;
  ctx.fillRect(left, top, SIDE * feel.inner, height);
  ctx.fillRect(left + SIDE * feel.outer, top, SIDE * (1 - feel.outer), height);
  ctx.strokeStyle = tones.ink;
  ctx.strokeRect(left + 0.5, top + 0.5, SIDE - 1, height - 1);
  if (step) {
    ctx.fillStyle = tones.accent;
    ctx.fillRect(left + SIDE * Math.min(1, step.raw.length) - 1.5, top - 4, 3, height + 8);
  }
  drawCurve(drawn, cell(2), feel.curve, step);
  bar(drawn, cell(3), step?.gives ?? 0);
}

function drawCurve({ ctx, tones }: Drawn, left: number, curve: Curve, step: { readonly argument: number } | null): void {
  const at = (u: number): [number, number] => [left + u * (SIDE - 4) + 2, SIDE - 2 - curveAt(curve, u) * (SIDE - 4)];
  ctx.strokeStyle = tones.rule;
  ctx.strokeRect(left + 0.5, 0.5, SIDE - 1, SIDE - 1);
  ctx.strokeStyle = tones.ink;
  ctx.beginPath();
  for (let i = 0; i <= 24; i += 1) ctx.lineTo(...at(i / 24));
  ctx.stroke();
  if (!step) return;
  ctx.fillStyle = tones.accent;
  ctx.beginPath();
  ctx.arc(...at(step.argument), 3.5, 0, Math.PI * 2);
  ctx.fill();
}

function drawDpad(drawn: Drawn, feel: DpadControl["feel"], step: Step<"dpad">): void {
  const { ctx, tones } = drawn;
  circle(drawn, 0, R, { stroke: "ink" });
  ctx.strokeStyle = tones.rule;
  const borders = feel.ways === 4 ? [45, 135, 225, 315] : [45, 135, 225, 315].flatMap((d) => [d - feel.diagonal / 2, d + feel.diagonal / 2]);
  for (const deg of borders) {
    const [x, y] = [Math.cos((deg * Math.PI) / 180) * R, -Math.sin((deg * Math.PI) / 180) * R];
    ctx.beginPath();
    ctx.moveTo(MIDDLE, MIDDLE);
    ctx.lineTo(MIDDLE + x, MIDDLE + y);
    ctx.stroke();
  }
  circle(drawn, 0, R * feel.neutral, { fill: "rule" });
  if (step) thumb(drawn, 0, step.raw);
  if (step && step.directionDeg !== null) arrow(drawn, cell(1), step.directionDeg);
  else circle(drawn, cell(1), 5, { stroke: "muted" });
}

function drawButton(
  drawn: Drawn,
  control: Extract<Control, { kind: "button" }>,
  { step, isOn }: { readonly step: Step<"button">; readonly isOn: boolean },
): void {
  const { ctx, tones } = drawn;
  disc(drawn, 0, { r: 12, isFull: step !== null });
  const { feel } = control;
  if (isTimed(control)) {
    // How long it has been held on the time that it takes; of a double, whether this is the second.
    const left = cell(1);
    ctx.strokeStyle = tones.ink;
    ctx.strokeRect(left + 0.5, MIDDLE - 8 + 0.5, SIDE - 1, 15);
    const part = !step ? 0 : feel.press === "long" ? Math.min(1, step.heldMs / Math.max(1, feel.longMs)) : step.isSecond ? 1 : 0.5;
    ctx.fillStyle = tones.accent;
    ctx.fillRect(left + 1, MIDDLE - 7, (SIDE - 2) * part, 14);
  }
  bar(drawn, cell(isTimed(control) ? 2 : 1), isOn ? 1 : 0);
}

/** The turn as a hand on the dial with its range about the top, the curve, and what is given to either side. */
function drawDial(drawn: Drawn, feel: DialControl["feel"], step: Step<"dial">): void {
  const { ctx, tones } = drawn;
  const up = -Math.PI / 2;
  const half = (Math.min(360, feel.rangeDeg) * Math.PI) / 360;
  circle(drawn, 0, R, { stroke: "rule" });
  ctx.strokeStyle = tones.ink;
  ctx.beginPath();
  ctx.arc(MIDDLE, MIDDLE, R, up - half, up + half);
  ctx.stroke();
  const angle = up + ((step?.turnDeg ?? 0) * Math.PI) / 180;
  ctx.strokeStyle = tones.accent;
  ctx.lineWidth = 3;
  ctx.beginPath();
  ctx.moveTo(MIDDLE, MIDDLE);
  ctx.lineTo(MIDDLE + Math.cos(angle) * R, MIDDLE + Math.sin(angle) * R);
  ctx.stroke();
  ctx.lineWidth = 1;
  drawCurve(drawn, cell(1), feel.curve, step && { argument: afterDeadZone(Math.abs(step.part), feel.inner, 1) });
  bar(drawn, cell(2), Math.abs(step?.gives ?? 0));
}

function drawSwipe(drawn: Drawn, feel: SwipeControl["feel"], step: Step<"swipe">): void {
  const distance = Math.max(0.1, feel.distanceMm);
  circle(drawn, 0, R, { stroke: "ink" });
  if (step) thumb(drawn, 0, { x: step.wayMm.x / distance, y: step.wayMm.y / distance });
  if (step && step.firedDeg !== null) arrow(drawn, cell(1), step.firedDeg);
  else circle(drawn, cell(1), 5, { stroke: "muted" });
}
