/**
 * How controls look: drawn on a canvas from where they are and what they give, the same on the bench, in the rail,
 * on the shelf and in the game. Nothing here decides where anything is or who gets a touch.
 *
 * The drawing hand is a chart-maker's: a stick is a compass rose with a sighting ring for a knob, a d-pad four quoins
 * about a hollow, a touchpad a field with corner marks, a swipe a field with a wind arrow.
 */
import type { Box } from "../core/engine/geometry/point";
import type { Control } from "../core/engine/types";

/** What a control shows: at rest, or held, with the knob's deflection (−1…1, y up) and where its base is when it has moved. */
export interface Pose {
  readonly held: boolean;
  /** Long untouched: how far it has faded to the look it then has, 0…1. */
  readonly away?: number;
  readonly x: number;
  readonly y: number;
  readonly origin?: { readonly x: number; readonly y: number };
}
export const POSE_AT_REST: Pose = { held: false, x: 0, y: 0 };

/** A control smaller than this many hairlines across shows no word: it could not be read. */
const LEAST_LABELLED = 14;
/** Icons and words are drawn a little stronger than the control's own opacity, for they must be read. */
export const INK_STRENGTH = 1.4;
/** A rose smaller than this many hairlines across has no ticks. */
const LEAST_ROSE = 28;

/** A part of a control that can be drawn by itself: its base with all its arms, a stick's knob, its icon and word, one arm of a d-pad. */
export type LookPart = "base" | "knob" | "mark" | Arm;
/** An arm of a d-pad, by where it points. */
export type Arm = "right" | "up" | "left" | "down";

/** One control to draw: its visual box and travel in px of the canvas' present coordinates. */
export interface DrawnControl {
  readonly control: Control;
  readonly box: Box;
  readonly travel: number;
  readonly pose: Pose;
  /** The only part that is drawn; absent: all of it. */
  readonly part?: LookPart;
}

/** As much of a canvas as drawing controls takes: whatever offers this can be drawn on. */
export type DrawingContext = Pick<
  CanvasRenderingContext2D,
  | "save"
  | "restore"
  | "translate"
  | "rotate"
  | "scale"
  | "beginPath"
  | "closePath"
  | "moveTo"
  | "lineTo"
  | "quadraticCurveTo"
  | "ellipse"
  | "roundRect"
  | "fill"
  | "stroke"
  | "drawImage"
  | "fillText"
  | "measureText"
  | "globalAlpha"
  | "lineWidth"
  | "lineCap"
  | "lineJoin"
  | "fillStyle"
  | "strokeStyle"
  | "font"
  | "textAlign"
  | "textBaseline"
  | "direction"
>;
type Ctx = DrawingContext;
type Face = Control["look"]["rest"];

/** The image behind a picture's id, once it has come in; null before that, or where it is broken. */
export type PictureOf = (id: string) => CanvasImageSource | null;
/** The icons at hand, by name: SVG path data in a 24 × 24 box. A game carries those its layout uses, the app all of them. */
export type Icons = Readonly<Record<string, string>>;

/** What looks are made of beyond lines and words. */
export interface Supplies {
  readonly pictureOf: PictureOf;
  readonly icons: Icons;
  /** How wide a word is, as a part of its letters' em; absent: as the canvas measures it. */
  readonly wordEm?: (word: string) => number;
  /** An icon as this canvas strokes it; absent: as every canvas does. */
  readonly pathOf?: (data: string) => Path2D;
}
const NO_SUPPLIES: Supplies = { pictureOf: () => null, icons: {} };

/** Draws controls in order. `hairline`: how wide a thin line is in the present coordinates. */
export function drawControls(ctx: Ctx, drawn: readonly DrawnControl[], hairline: number, supplies: Supplies = NO_SUPPLIES): void {
  for (const item of drawn) drawControl(ctx, item, hairline, supplies);
}

function drawControl(ctx: Ctx, drawn: DrawnControl, hairline: number, supplies: Supplies): void {
  const { pictureOf } = supplies;
  const { control, box, pose, part } = drawn;
  const { look } = control;
  if (!pose.held && look.hideAtRest === "all") return;
  const face = pose.held ? look.held : look.rest;
  ctx.save();
  ctx.globalAlpha = opacityOf(control, pose, face.opacity);
  ctx.lineWidth = hairline * 1.5;
  const artId = pose.held ? (look.art?.held ?? look.art?.rest) : look.art?.rest;
  const art = artId === undefined ? null : pictureOf(artId);
  const base = control.kind === "stick" && pose.origin ? { ...box, x: pose.origin.x - box.w / 2, y: pose.origin.y - box.h / 2 } : box;
  if (part !== "knob" && part !== "mark") {
    if (art) drawPicture(ctx, art, base, look.rotateDeg);
    else drawBody(ctx, { ...drawn, box: base }, face, hairline);
  }
  const hasKnob = control.kind === "stick" && (pose.held || look.hideAtRest !== "knob");
  if (hasKnob && (part ?? "knob") === "knob") drawKnob(ctx, { ...drawn, box: base }, hairline, pictureOf);
  if ((part ?? "mark") === "mark" && Math.min(base.w, base.h) >= LEAST_LABELLED * hairline) drawMark(ctx, base, { look, face }, supplies);
  ctx.restore();
}

/** How strongly a look of this opacity is seen: long untouched it fades to the look for that. */
function opacityOf(control: Control, pose: Pose, opacity: number): number {
  const { away } = control.look;
  return !pose.held && pose.away && away ? opacity + (away.opacity - opacity) * pose.away : opacity;
}

/** A control without its knob and its word. */
function drawBody(ctx: Ctx, { control, box, pose, part }: DrawnControl, face: Face, hairline: number): void {
  switch (control.kind) {
    case "stick":
      return drawRose(ctx, box, face, hairline);
    case "dpad":
      return drawQuoins(ctx, box, face, { pose, part });
    case "button":
      outline(ctx, box, control.hit.shape);
      return fillAndLine(ctx, face);
    case "touchpad":
      return drawField(ctx, box, face, hairline);
    case "swipe":
      drawField(ctx, box, face, hairline);
      ctx.strokeStyle = face.line;
      ctx.lineWidth = hairline * 2.5;
      return drawWind(ctx, box, pose);
  }
}

/** A picture fills the box, turned about its middle. */
function drawPicture(ctx: Ctx, picture: CanvasImageSource, box: Box, rotateDeg: number): void {
  ctx.save();
  ctx.translate(box.x + box.w / 2, box.y + box.h / 2);
  ctx.rotate((rotateDeg * Math.PI) / 180);
  ctx.drawImage(picture, -box.w / 2, -box.h / 2, box.w, box.h);
  ctx.restore();
}

/** The icon and the word: next to each other's absence in the middle, together the icon above the word. */
function drawMark(ctx: Ctx, box: Box, { look, face }: { readonly look: Control["look"]; readonly face: Face }, supplies: Supplies): void {
  const { icons, pathOf = path2dOf, wordEm: emOf = (text: string) => wordEm(ctx, text) } = supplies;
  const path = look.icon !== undefined && Object.hasOwn(icons, look.icon) ? pathOf(icons[look.icon]) : null;
  const word = look.label !== "";
  ctx.save();
  ctx.globalAlpha = Math.min(1, ctx.globalAlpha * INK_STRENGTH);
  ctx.strokeStyle = ctx.fillStyle = face.ink;
  if (path) {
    ctx.save();
    turnAbout(ctx, box.x + box.w / 2, box.y + box.h * (word ? 0.38 : 0.5), look.rotateDeg);
    drawIcon(ctx, path, Math.min(box.w, box.h) * (word ? 0.36 : 0.5));
    ctx.restore();
  }
  if (word) {
    const room = path ? { ...box, y: box.y + box.h * 0.26, h: box.h * 0.74 } : box;
    turnAbout(ctx, room.x + room.w / 2, room.y + room.h / 2, look.turnLabel === false ? 0 : look.rotateDeg);
    drawLabel(ctx, room, look.label, emOf(look.label));
  }
  ctx.restore();
}

/** Puts the origin at a point and turns about it. */
function turnAbout(ctx: Ctx, x: number, y: number, rotateDeg: number): void {
  ctx.translate(x, y);
  if (rotateDeg !== 0) ctx.rotate((rotateDeg * Math.PI) / 180);
}

/** Icons as the canvas takes them, by their path data. */
const paths = new Map<string, Path2D>();
function path2dOf(data: string): Path2D {
  let path = paths.get(data);
  if (!path) paths.set(data, (path = new Path2D(data)));
  return path;
}

/** An icon about the origin, as wide as `size`. */
function drawIcon(ctx: Ctx, path: Path2D, size: number): void {
  ctx.scale(size / 24, size / 24);
  ctx.translate(-12, -12);
  ctx.lineWidth = 2;
  ctx.lineCap = "round";
  ctx.lineJoin = "round";
  ctx.stroke(path);
}

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

/** The look of a stick's knob: its own, or as the base's gives it, turned inside out. */
function knobFace({ look }: Control, held: boolean): Face {
  const own = held ? look.knob?.held : look.knob?.rest;
  if (own) return own;
  const { fill, ink, opacity } = held ? look.held : look.rest;
  return { fill: ink, line: fill, ink: fill, opacity };
}

/** A stick's knob: its own picture, or a sighting ring. */
function drawKnob(ctx: Ctx, { control, box, travel, pose }: DrawnControl, hairline: number, pictureOf: PictureOf): void {
  const { knobSize, art, rotateDeg } = control.look;
  const cx = box.x + box.w / 2 + pose.x * travel;
  const cy = box.y + box.h / 2 - pose.y * travel;
  const w = (box.w * knobSize) / 2;
  const h = (box.h * knobSize) / 2;
  if (w <= 0 || h <= 0) return;
  const picture = art?.knob === undefined ? null : pictureOf(art.knob);
  if (picture) return drawPicture(ctx, picture, { x: cx - w, y: cy - h, w: 2 * w, h: 2 * h }, rotateDeg);
  const face = knobFace(control, pose.held);
  const alpha = ctx.globalAlpha;
  ctx.globalAlpha = opacityOf(control, pose, face.opacity);
  ctx.beginPath();
  ctx.ellipse(cx, cy, w, h, 0, 0, Math.PI * 2);
  ctx.fillStyle = face.fill;
  ctx.fill();
  ctx.lineWidth = hairline;
  ctx.beginPath();
  ctx.ellipse(cx, cy, w * 0.62, h * 0.62, 0, 0, Math.PI * 2);
  ctx.strokeStyle = face.line;
  ctx.stroke();
  ctx.beginPath();
  ctx.moveTo(cx - w * 0.3, cy);
  ctx.lineTo(cx + w * 0.3, cy);
  ctx.moveTo(cx, cy - h * 0.3);
  ctx.lineTo(cx, cy + h * 0.3);
  ctx.strokeStyle = face.ink;
  ctx.stroke();
  ctx.globalAlpha = alpha;
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

const FAMILY = '"Archivo Variable", system-ui, sans-serif';
/** Widths of words at 100 px, by word; measuring is dear, and words are few. Emptied when fonts come in or it grows out of hand. */
const widths = new Map<string, number>();

/** Forgets how wide words are: call it when a font has come in. */
export function forgetWordWidths(): void {
  widths.clear();
}

function widthAt100(ctx: Ctx, label: string): number {
  let width = widths.get(label);
  if (width === undefined) {
    ctx.font = `600 100px ${FAMILY}`;
    width = Math.max(1, ctx.measureText(label).width);
    if (widths.size > 2000) widths.clear();
    widths.set(label, width);
  }
  return width;
}

/** How wide a word is in the letters it is drawn in, as a part of their em. */
export const wordEm = (ctx: Ctx, word: string): number => widthAt100(ctx, word) / 100;

/** Letters are at most this part of each side of their control, a word at most this part of its width. */
export const LETTER_PART = 0.3;
export const WORD_PART = 0.84;
/** Words whose first letter is of a script written from right to left: Hebrew, Arabic, Syriac, Thaana, N'Ko (Unicode blocks). */
const FROM_RIGHT = /^[^\p{L}]*[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;

/** A word about the origin, within a box's sides. */
function drawLabel(ctx: Ctx, { w, h }: Box, label: string, em: number): void {
  const size = Math.min(h * LETTER_PART, w * LETTER_PART, (w * WORD_PART) / em);
  ctx.direction = FROM_RIGHT.test(label) ? "rtl" : "ltr";
  // In halves of a pixel: the browser reads every new font again, and the rail has a dozen sizes of each word.
  ctx.font = `600 ${Math.round(size * 2) / 2}px ${FAMILY}`;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.fillText(label, 0, 0);
}
