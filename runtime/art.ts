/**
 * How controls look: drawn on a canvas from where they are and what they give, the same on the bench, in the rail,
 * on the shelf and in the game. Nothing here decides where anything is or who gets a touch.
 *
 * The drawing hand is a chart-maker's. What is drawn of each kind is in `draw/bodies`; over it go the knob, a sighting ring, and the word.
 */
import { KINDS } from "../core/engine/kinds";
import type { Box } from "../core/engine/geometry/point";
import { INK_STRENGTH } from "../core/engine/lettering";
import type { Control } from "../core/engine/types";
import { DRAWN_KINDS, isSlot } from "./draw/bodies";
import type { DrawingContext, DrawnControl, PictureOf, Pose, Supplies } from "./draw/drawn";
import { dimmedBy, drawGiven, drawWait, PLAIN_STYLE } from "./draw/given";
import { drawLabel, wordEm } from "./draw/label";

/** A control smaller than this many hairlines across shows no word: it could not be read. */
const LEAST_LABELLED = 14;
type Ctx = DrawingContext;
type Face = Control["look"]["rest"];

const NO_SUPPLIES: Supplies = { pictureOf: () => null, icons: {} };

/** Draws controls in order. `hairline`: how wide a thin line is in the present coordinates. */
export function drawControls(ctx: Ctx, drawn: readonly DrawnControl[], hairline: number, supplies: Supplies = NO_SUPPLIES): void {
  for (const item of drawn) drawControl(ctx, item, hairline, supplies);
}

function drawControl(ctx: Ctx, drawn: DrawnControl, hairline: number, supplies: Supplies): void {
  const { pictureOf, givenStyle = PLAIN_STYLE } = supplies;
  const { control, box, pose, part, given } = drawn;
  const { look } = control;
  if (!pose.held && look.hideAtRest === "all") return;
  const face = pose.held ? look.held : look.rest;
  ctx.save();
  ctx.globalAlpha = opacityOf(control, pose, face.opacity) * dimmedBy(given, givenStyle.isStrong);
  ctx.lineWidth = hairline * 1.5;
  const artId = pose.held ? (look.art?.held ?? look.art?.rest) : look.art?.rest;
  const art = artId === undefined ? null : pictureOf(artId);
  const base = KINDS[control.kind].hasKnob && pose.origin ? { ...box, x: pose.origin.x - box.w / 2, y: pose.origin.y - box.h / 2 } : box;
  if (part !== "knob" && part !== "mark") {
    if (art) drawPicture(ctx, art, base, look.rotateDeg + turnOf(drawn));
    else DRAWN_KINDS[control.kind].body(ctx, { ...drawn, box: base }, face, hairline);
  }
  if ((part ?? "knob") === "knob") drawMoving(ctx, { ...drawn, box: base }, hairline, pictureOf);
  if (part === undefined) drawWait(ctx, { box: base, given, face }, givenStyle);
  if ((part ?? "mark") === "mark" && Math.min(base.w, base.h) >= LEAST_LABELLED * hairline) drawMark(ctx, base, { look, face }, supplies);
  if (part === undefined) drawGiven(ctx, { box: base, given, face }, givenStyle);
  ctx.restore();
}

/** What moves upon the base: a stick's knob, and the picture of a dial's mark. */
function drawMoving(ctx: Ctx, drawn: DrawnControl, hairline: number, pictureOf: PictureOf): void {
  const { control, pose, box } = drawn;
  const { hideAtRest, art, rotateDeg } = control.look;
  if (KINDS[control.kind].hasKnob && (pose.held || hideAtRest !== "knob")) return drawKnob(ctx, drawn, hairline, pictureOf);
  const mark = control.kind === "dial" && art?.knob !== undefined ? pictureOf(art.knob) : null;
  if (mark) drawPicture(ctx, mark, box, rotateDeg + turnOf(drawn));
}

/** How far a drawing is turned by what its control gives, degrees: a dial turns as a whole. */
const turnOf = ({ control, pose }: DrawnControl): number => (control.kind === "dial" ? pose.x : 0);

/** How strongly a look of this opacity is seen: long untouched it fades to the look for that. */
function opacityOf(control: Control, pose: Pose, opacity: number): number {
  const { away } = control.look;
  return !pose.held && pose.away && away ? opacity + (away.opacity - opacity) * pose.away : opacity;
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

/** The look of a stick's knob: its own, or as the base's gives it, turned inside out. */
function knobFace({ look }: Control, held: boolean): Face {
  const own = held ? look.knob?.held : look.knob?.rest;
  if (own) return own;
  const { fill, ink, opacity } = held ? look.held : look.rest;
  return { fill: ink, line: fill, ink: fill, opacity };
}

/** How strongly the knob of a called-off aim is drawn, of its usual strength. */
const CALLED_OFF = 0.35;

/** Whether a held stick that fires when it is let go would fire now; null for others, and at rest. */
function aimOf(control: Control, pose: Pose): "on" | "off" | null {
  if (control.kind !== "stick" || !pose.held || !control.serves.some(({ port }) => port === "released" || port === "aim")) return null;
  const { inner, deadZone } = control.feel;
  const far = deadZone === "radial" ? Math.hypot(pose.x, pose.y) : Math.max(Math.abs(pose.x), Math.abs(pose.y));
  return far > inner ? "on" : "off";
}

/** A stick's knob: its own picture, or a sighting ring. */
function drawKnob(ctx: Ctx, { control, box, travel, pose }: DrawnControl, hairline: number, pictureOf: PictureOf): void {
  const { knobSize, art, rotateDeg } = control.look;
  const cx = box.x + box.w / 2 + pose.x * travel;
  const cy = box.y + box.h / 2 - pose.y * travel;
  // In a slot the knob is round, whatever the sides of the slot.
  const least = Math.min(box.w, box.h);
  const w = ((isSlot(control) ? least : box.w) * knobSize) / 2;
  const h = ((isSlot(control) ? least : box.h) * knobSize) / 2;
  if (w <= 0 || h <= 0) return;
  const picture = art?.knob === undefined ? null : pictureOf(art.knob);
  if (picture) return drawPicture(ctx, picture, { x: cx - w, y: cy - h, w: 2 * w, h: 2 * h }, rotateDeg);
  const face = knobFace(control, pose.held);
  const alpha = ctx.globalAlpha;
  const aim = aimOf(control, pose);
  // Aiming, a line leads from the middle to the knob; where letting go does nothing, the knob is faint.
  ctx.globalAlpha = opacityOf(control, pose, face.opacity) * (aim === "off" ? CALLED_OFF : 1);
  if (aim === "on") {
    ctx.beginPath();
    ctx.moveTo(box.x + box.w / 2, box.y + box.h / 2);
    ctx.lineTo(cx, cy);
    ctx.strokeStyle = face.fill;
    ctx.lineWidth = w * 0.4;
    ctx.stroke();
  }
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
