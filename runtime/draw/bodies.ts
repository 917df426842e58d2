/**
 * How each kind of control is drawn, in one table: a stick is a compass rose, a d-pad four quoins about a hollow, a touchpad a field with corner
 * marks, a swipe a field with a wind arrow, a dial a wheel with a mark at its top; a lever of one axis is a slot. Knobs and words are drawn over it: see `art`.
 */
import type { Box } from "../../core/engine/geometry/point";
import type { Control, ControlKind } from "../../core/engine/types";
import type { Arm, DrawingContext, DrawnControl, Pose } from "./drawn";

type Ctx = DrawingContext;
type Face = Control["look"]["rest"];

/** How a kind is drawn. */
export interface DrawnKind {
  /** Draws a control without its knob and its word. `hairline`: how wide a thin line is in the present coordinates. */
  body(ctx: Ctx, drawn: DrawnControl, face: Face, hairline: number): void;
  /** Whether two poses, both held or both not, are drawn alike: of most kinds not every figure of a pose is drawn. */
  isAlike(a: Pose, b: Pose): boolean;
}

export const DRAWN_KINDS: Readonly<Record<ControlKind, DrawnKind>> = {
  stick: {
    body: (ctx, { box, control }, face, hairline) => (isSlot(control) ? drawSlot(ctx, box, control, face) : drawRose(ctx, box, face, hairline)),
    isAlike: (a, b) => isSamePoint(a, b) && a.origin?.x === b.origin?.x && a.origin?.y === b.origin?.y,
  },
  dpad: {
    body: (ctx, { box, pose, part }, face) => drawQuoins(ctx, box, face, { pose, part }),
    isAlike: (a, b) => Math.sign(a.x) === Math.sign(b.x) && Math.sign(a.y) === Math.sign(b.y),
  },
  button: {
    body(ctx, { box, control }, face) {
      outline(ctx, box, control.hit.shape);
      fillAndLine(ctx, face);
    },
    isAlike: () => true,
  },
  touchpad: { body: (ctx, { box }, face, hairline) => drawField(ctx, box, face, hairline), isAlike: () => true },
  swipe: {
    body(ctx, { box, pose }, face, hairline) {
      drawField(ctx, box, face, hairline);
      ctx.strokeStyle = face.line;
      ctx.lineWidth = hairline * 2.5;
      drawWind(ctx, box, pose);
    },
    isAlike: isSamePoint,
  },
  dial: {
    body(ctx, { box, control, pose }, face, hairline) {
      outline(ctx, box, "ellipse");
      fillAndLine(ctx, face);
      ctx.save();
      ctx.translate(box.x + box.w / 2, box.y + box.h / 2);
      ctx.rotate(((pose.x + control.look.rotateDeg) * Math.PI) / 180);
      drawWheel(ctx, Math.min(box.w, box.h) / 2, face, hairline);
      ctx.restore();
    },
    isAlike: isSamePoint,
  },
};

/** A lever that moves along one axis. */
export const isSlot = (control: Control): boolean => control.kind === "stick" && control.feel.rest === "stays" && control.feel.axes !== "both";

/** A slot along the axis of a lever, as wide as its knob. */
function drawSlot(ctx: Ctx, box: Box, control: Control, face: Face): void {
  const wide = Math.min(box.w, box.h) * Math.max(0.2, control.look.knobSize);
  const isUpright = control.kind === "stick" && control.feel.axes === "y";
  const slot = isUpright ? { ...box, x: box.x + (box.w - wide) / 2, w: wide } : { ...box, y: box.y + (box.h - wide) / 2, h: wide };
  outline(ctx, slot, "capsule");
  fillAndLine(ctx, face);
}

/** The spokes of a wheel: to both sides and down, so that its top is the mark alone. In quarter turns, clockwise from the top. */
const SPOKES = [1, 2, 3];

/** Rim, hub, spokes and the mark of a wheel about the origin. */
function drawWheel(ctx: Ctx, r: number, face: Face, hairline: number): void {
  ctx.strokeStyle = face.line;
  ctx.lineWidth = hairline;
  ctx.beginPath();
  ctx.ellipse(0, 0, r * 0.78, r * 0.78, 0, 0, Math.PI * 2);
  ctx.stroke();
  ctx.beginPath();
  ctx.ellipse(0, 0, r * 0.22, r * 0.22, 0, 0, Math.PI * 2);
  for (const quarter of SPOKES) {
    const [x, y] = [Math.sin((quarter * Math.PI) / 2), -Math.cos((quarter * Math.PI) / 2)];
    ctx.moveTo(x * r * 0.22, y * r * 0.22);
    ctx.lineTo(x * r * 0.78, y * r * 0.78);
  }
  ctx.stroke();
  ctx.strokeStyle = face.ink;
  ctx.lineWidth = Math.max(hairline * 2, r * 0.09);
  ctx.beginPath();
  ctx.moveTo(0, -r * 0.97);
  ctx.lineTo(0, -r * 0.8);
  ctx.stroke();
}

function isSamePoint(a: Pose, b: Pose): boolean {
  return a.x === b.x && a.y === b.y;
}

/** A rose smaller than this many hairlines across has no ticks. */
const LEAST_ROSE = 28;

function fillAndLine(ctx: Ctx, face: Face): void {
  ctx.fillStyle = face.fill;
  ctx.fill();
  ctx.strokeStyle = face.line;
  ctx.stroke();
}

function outline(ctx: Ctx, box: Box, shape: "ellipse" | "box" | "capsule"): void {
  ctx.beginPath();
  if (shape === "ellipse") ctx.ellipse(box.x + box.w / 2, box.y + box.h / 2, box.w / 2, box.h / 2, 0, 0, Math.PI * 2);
  else ctx.roundRect(box.x, box.y, box.w, box.h, shape === "capsule" ? Math.min(box.w, box.h) / 2 : Math.min(box.w, box.h) * 0.08);
}

function drawRose(ctx: Ctx, box: Box, face: Face, hairline: number): void {
  const cx = box.x + box.w / 2;
  const cy = box.y + box.h / 2;
  outline(ctx, box, "ellipse");
  fillAndLine(ctx, face);
  if (Math.min(box.w, box.h) < LEAST_ROSE * hairline) return;
  ctx.beginPath();
  for (let i = 0; i < 32; i += 1) {
    const angle = (i * Math.PI) / 16;
    const inner = i % 8 === 0 ? 0.84 : i % 4 === 0 ? 0.9 : 0.94;
    ctx.moveTo(cx + (Math.cos(angle) * inner * box.w) / 2, cy + (Math.sin(angle) * inner * box.h) / 2);
    ctx.lineTo(cx + (Math.cos(angle) * 0.985 * box.w) / 2, cy + (Math.sin(angle) * 0.985 * box.h) / 2);
  }
  ctx.lineWidth = hairline;
  ctx.stroke();
}

/** The arms by their ways on the canvas, whose y runs down. */
const ARMS: readonly { readonly arm: Arm; readonly dx: number; readonly dy: number }[] = [
  { arm: "right", dx: 1, dy: 0 },
  { arm: "up", dx: 0, dy: -1 },
  { arm: "left", dx: -1, dy: 0 },
  { arm: "down", dx: 0, dy: 1 },
];

function drawQuoins(ctx: Ctx, box: Box, face: Face, { pose, part }: Pick<DrawnControl, "pose" | "part">): void {
  const cx = box.x + box.w / 2;
  const cy = box.y + box.h / 2;
  const r = Math.min(box.w, box.h) / 2;
  for (let i = 0; i < ARMS.length; i += 1) {
    const { arm, dx, dy } = ARMS[i];
    if (part !== undefined && part !== "base" && part !== arm) continue;
    const on = pose.held && ((dx !== 0 && Math.sign(pose.x) === dx) || (dy !== 0 && Math.sign(pose.y) === -dy));
    ctx.beginPath();
    // A point so far along the arm and across it.
    const x = (along: number, across: number) => cx + (dx * along + dy * across) * r;
    const y = (along: number, across: number) => cy + (dy * along + dx * across) * r;
    ctx.moveTo(x(0.26, 0), y(0.26, 0));
    ctx.lineTo(x(0.52, -0.3), y(0.52, -0.3));
    ctx.lineTo(x(0.9, -0.34), y(0.9, -0.34));
    ctx.quadraticCurveTo(x(1.06, 0), y(1.06, 0), x(0.9, 0.34), y(0.9, 0.34));
    ctx.lineTo(x(0.52, 0.3), y(0.52, 0.3));
    ctx.closePath();
    ctx.fillStyle = on ? face.ink : face.fill;
    ctx.fill();
    ctx.strokeStyle = face.line;
    ctx.stroke();
  }
}

function drawField(ctx: Ctx, box: Box, face: Face, hairline: number): void {
  outline(ctx, box, "box");
  ctx.fillStyle = face.fill;
  const alpha = ctx.globalAlpha;
  ctx.globalAlpha = alpha * 0.5;
  ctx.fill();
  ctx.globalAlpha = alpha;
  const mark = Math.min(box.w, box.h) * 0.09;
  ctx.beginPath();
  for (const [x, y, sx, sy] of [
    [box.x, box.y, 1, 1],
    [box.x + box.w, box.y, -1, 1],
    [box.x, box.y + box.h, 1, -1],
    [box.x + box.w, box.y + box.h, -1, -1],
  ] as const) {
    ctx.moveTo(x + sx * mark, y);
    ctx.lineTo(x, y);
    ctx.lineTo(x, y + sy * mark);
  }
  ctx.strokeStyle = face.line;
  ctx.lineWidth = hairline * 2;
  ctx.stroke();
}

function drawWind(ctx: Ctx, box: Box, pose: Pose): void {
  const cx = box.x + box.w / 2;
  const cy = box.y + box.h / 2;
  const r = Math.min(box.w, box.h) * 0.16;
  const angle = pose.x !== 0 || pose.y !== 0 ? Math.atan2(-pose.y, pose.x) : -Math.PI / 2;
  ctx.save();
  ctx.translate(cx, cy);
  ctx.rotate(angle);
  ctx.beginPath();
  ctx.moveTo(-r, 0);
  ctx.lineTo(r, 0);
  ctx.moveTo(r * 0.45, -r * 0.45);
  ctx.lineTo(r, 0);
  ctx.lineTo(r * 0.45, r * 0.45);
  ctx.stroke();
  ctx.restore();
}
