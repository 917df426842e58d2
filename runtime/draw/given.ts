/**
 * What a game says of a control for its drawing alone: that it cannot be used now, how long until it can, how many are left, another word or icon. No
 * value changes by it.
 */
import { clampTo, type Box } from "../../core/engine/geometry/point";
import type { Control } from "../../core/engine/types";
import type { DrawingContext, DrawnControl, GivenState, GivenStyle } from "./drawn";

/** States by the ids of controls. */
export type GivenStates = ReadonlyMap<string, GivenState>;

/** The longest word that is drawn. */
const MOST_LETTERS = 80;

/** A state with its figures in range and nothing that says nothing; null where nothing is said. */
export function readGiven({ enabled, cooldown, count, word, icon }: GivenState): GivenState | null {
  const given: { -readonly [K in keyof GivenState]: GivenState[K] } = {};
  if (enabled === false) given.enabled = false;
  const left = typeof cooldown === "number" ? clampTo(cooldown, 0, 1) : 0;
  if (left > 0) given.cooldown = left;
  if (typeof count === "number" && Number.isFinite(count)) given.count = Math.round(count);
  if (typeof word === "string") given.word = word.slice(0, MOST_LETTERS);
  if (typeof icon === "string") given.icon = icon;
  return Object.keys(given).length > 0 ? given : null;
}

/** States with that of one control; the very same object where nothing changes. */
export function withState(states: GivenStates, id: string, given: GivenState | null): GivenStates {
  const before = states.get(id);
  if (given === null ? before === undefined : before !== undefined && isSameState(before, given)) return states;
  const next = new Map(states);
  if (given === null) next.delete(id);
  else next.set(id, given);
  return next;
}

const isSameState = (a: GivenState, b: GivenState): boolean =>
  a.enabled === b.enabled && a.cooldown === b.cooldown && a.count === b.count && a.word === b.word && a.icon === b.icon;

/** Controls with what the game says of them. What has not changed since the last call is the very same object. */
export function createGiven(): (drawn: readonly DrawnControl[], states: GivenStates) => readonly DrawnControl[] {
  let last: { readonly of: readonly DrawnControl[]; readonly by: GivenStates; readonly drawn: readonly DrawnControl[] } | null = null;
  /** The last of each control, by its id. */
  const made = new Map<string, { readonly of: DrawnControl; readonly given: GivenState; readonly drawn: DrawnControl }>();
  return (drawn, states) => {
    if (states.size === 0) return drawn;
    if (last?.of === drawn && last.by === states) return last.drawn;
    const next = drawn.map((one) => {
      const given = states.get(one.control.id);
      if (!given) return one;
      const before = made.get(one.control.id);
      if (before?.of === one && before.given === given) return before.drawn;
      const control = before?.of.control === one.control && before.given === given ? before.drawn.control : spoken(one.control, given);
      const item = { of: one, given, drawn: { ...one, control, given } };
      made.set(one.control.id, item);
      return item.drawn;
    });
    last = { of: drawn, by: states, drawn: next };
    return next;
  };
}

/** A control with its game's word and icon. */
function spoken(control: Control, { word, icon }: GivenState): Control {
  if (word === undefined && icon === undefined) return control;
  return { ...control, look: { ...control.look, label: word ?? control.look.label, icon: icon ?? control.look.icon } } as Control;
}

/** The number as it is written: nothing longer than four digits. @internal exported for its test */
export const countText = (count: number): string => (count > 9999 ? "9999+" : count < -999 ? "−999" : String(count).replace("-", "−"));

/** How strongly the face of a control is drawn that cannot be used; where the player wants more contrast. */
const DIMMED = 0.45;
const DIMMED_STRONG = 0.7;
/** How strong a face is under a state. */
export const dimmedBy = (given: GivenState | undefined, isStrong: boolean): number => (given?.enabled === false ? (isStrong ? DIMMED_STRONG : DIMMED) : 1);

export const PLAIN_STYLE: GivenStyle = { scale: 1, isStrong: false };
/** Where the player wishes for more contrast, or has the system's own few colours. */
export const STRONG = "(prefers-contrast: more), (forced-colors: active)";
/** Text as large as the player has it in the browser, and more contrast where the player wishes for it (CSS `prefers-contrast`, `forced-colors`). */
export function playersStyle(): GivenStyle {
  const size = parseFloat(getComputedStyle(document.documentElement).fontSize) / 16;
  return { scale: Math.min(3, Math.max(1, size || 1)), isStrong: window.matchMedia(STRONG).matches };
}

interface GivenFace {
  readonly fill: string;
  readonly ink: string;
}
/** The letters of the number, a part of the shorter side. */
const COUNT_PART = 0.26;
const MOST_COUNT_PART = 0.6;

interface Drawn extends Pick<DrawnControl, "box" | "given"> {
  readonly face: GivenFace;
}
const inkOf = (face: GivenFace, isStrong: boolean) => (isStrong ? "#FFFFFF" : face.ink);
const plateOf = (face: GivenFace, isStrong: boolean) => (isStrong ? "#000000" : face.fill);

/** Draws the sweep of a wait over a face; the word goes over it. */
export function drawWait(ctx: DrawingContext, { box, given, face }: Drawn, { isStrong }: GivenStyle): void {
  const least = Math.min(box.w, box.h);
  if (given?.cooldown === undefined || least <= 0) return;
  ctx.save();
  ctx.globalAlpha = 1;
  ctx.lineWidth = least * (isStrong ? 0.06 : 0.035);
  ctx.strokeStyle = inkOf(face, isStrong);
  drawSweep(ctx, box, given.cooldown, plateOf(face, isStrong));
  ctx.restore();
}

/** Draws the line of a control that cannot be used, and the number, over a face and its word. */
export function drawGiven(ctx: DrawingContext, { box, given, face }: Drawn, { scale, isStrong }: GivenStyle): void {
  if (!given) return;
  const [x, y, least] = [box.x + box.w / 2, box.y + box.h / 2, Math.min(box.w, box.h)];
  if (least <= 0) return;
  const ink = inkOf(face, isStrong);
  const plate = plateOf(face, isStrong);
  ctx.save();
  ctx.globalAlpha = 1;
  ctx.lineWidth = least * (isStrong ? 0.06 : 0.035);
  ctx.strokeStyle = ink;
  if (given.enabled === false) {
    const reach = 0.33;
    ctx.beginPath();
    ctx.moveTo(x - box.w * reach, y + box.h * reach);
    ctx.lineTo(x + box.w * reach, y - box.h * reach);
    ctx.stroke();
  }
  if (given.count !== undefined) {
    const text = countText(given.count);
    const wide = Math.max(1.2, 0.35 + text.length * 0.62);
    const size = Math.min(least * MOST_COUNT_PART, least * COUNT_PART * scale, box.w / wide);
    const half = (size * wide) / 2;
    const [cx, cy] = [box.x + box.w - half, box.y + size * 0.7];
    ctx.beginPath();
    ctx.roundRect(cx - half, cy - size * 0.65, 2 * half, size * 1.3, size * 0.3);
    ctx.fillStyle = plate;
    ctx.fill();
    ctx.lineWidth = size * 0.08;
    ctx.stroke();
    ctx.fillStyle = ink;
    ctx.font = `700 ${size}px system-ui, sans-serif`;
    ctx.textAlign = "center";
    ctx.textBaseline = "middle";
    ctx.direction = "ltr";
    ctx.fillText(text, cx, cy + size * 0.05);
  }
  ctx.restore();
}

/** How strongly the face is covered where the wait is not over. */
const COVER = 0.55;

/** The part of the face that still waits, from its top on clockwise, and the hand at its end. */
function drawSweep(ctx: DrawingContext, box: Box, left: number, plate: string): void {
  const [x, y] = [box.x + box.w / 2, box.y + box.h / 2];
  const [from, to] = [-Math.PI / 2 + (1 - left) * Math.PI * 2, (Math.PI * 3) / 2];
  ctx.beginPath();
  ctx.moveTo(x, y);
  ctx.ellipse(x, y, box.w / 2, box.h / 2, 0, from, to);
  ctx.closePath();
  ctx.save();
  ctx.globalAlpha = COVER;
  ctx.fillStyle = plate;
  ctx.fill();
  ctx.restore();
  ctx.beginPath();
  ctx.moveTo(x, y);
  ctx.lineTo(x + (Math.cos(from) * box.w) / 2, y + (Math.sin(from) * box.h) / 2);
  ctx.stroke();
}
