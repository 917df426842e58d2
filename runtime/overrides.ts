/**
 * What a player changes for himself: controls moved, sized and faded, actions more or less sensitive or turned round. Moves and sizes are laid
 * over where the layout puts things; they keep to the safe frame and clear of other controls, or are refused.
 */
import { KINDS } from "../core/engine/kinds";
import { commonArea } from "../core/engine/geometry/commonArea";
import { clampTo, type Box } from "../core/engine/geometry/point";
import type { ActionValue, ActionValues } from "../core/engine/input/events";
import type { Resolved, ResolvedControl } from "../core/engine/placement/resolve";
import { framesOf, pxPerMm } from "../core/engine/placement/screen";
import type { Control, PlayedLayout } from "../core/engine/types";
import type { DrawnControl } from "./draw/drawn";

/** One control: mm to the right and down, a factor of its size, a part of its opacity. */
export interface OwnControl {
  readonly right: number;
  readonly down: number;
  readonly size: number;
  readonly fade: number;
}
/** One action: a factor, and which ways are turned round. */
export interface OwnAction {
  readonly factor: number;
  readonly across: boolean;
  readonly upDown: boolean;
}
/** All of it, as plain data. */
export interface OwnChanges {
  readonly controls: Readonly<Record<string, OwnControl>>;
  readonly actions: Readonly<Record<string, OwnAction>>;
}
export const NO_CHANGES: OwnChanges = { controls: {}, actions: {} };
export const AS_LAID_OUT: OwnControl = { right: 0, down: 0, size: 1, fade: 1 };
export const AS_GIVEN: OwnAction = { factor: 1, across: false, upDown: false };

const number = (value: unknown, low: number, high: number, usual: number) => (typeof value === "number" && value >= low && value <= high ? value : usual);
const part = (value: unknown, key: string): Record<string, unknown> => {
  const found = typeof value === "object" && value !== null ? (value as Record<string, unknown>)[key] : null;
  return typeof found === "object" && found !== null ? (found as Record<string, unknown>) : {};
};

/** What a game had kept is no longer than this as JSON, letters: the changes of the largest layout are shorter. */
const MOST_LETTERS = 64 * 1024;

/** What a game had kept as a plain value, text or not; null where it is none, or too long. */
function plainOf(kept: unknown): unknown {
  try {
    const text = typeof kept === "string" ? kept : JSON.stringify(kept);
    return text.length > MOST_LETTERS ? null : JSON.parse(text);
  } catch {
    return null;
  }
}

/** Reads what a game had kept, as `json()` gave it or as its text: whatever it is, what cannot be read is as laid out, and so is all that is longer than 64 Ki letters. */
export function readOwn(kept: unknown): OwnChanges {
  const plain = plainOf(kept);
  const each = <T>(key: string, read: (one: unknown) => T) =>
    Object.fromEntries(
      Object.entries(part(plain, key))
        .filter(([id]) => id !== "__proto__")
        .map(([id, one]) => [id, read(one)]),
    );
  return {
    controls: each("controls", (one) => {
      const c = one as Partial<OwnControl> | null;
      return {
        right: number(c?.right, -1e4, 1e4, 0),
        down: number(c?.down, -1e4, 1e4, 0),
        size: number(c?.size, 0.25, 4, 1),
        fade: number(c?.fade, 0.1, 1, 1),
      };
    }),
    actions: each("actions", (one) => {
      const a = one as Partial<OwnAction> | null;
      return { factor: number(a?.factor, 0.1, 5, 1), across: a?.across === true, upDown: a?.upDown === true };
    }),
  };
}

const about = <B extends Box>(box: B, factor: number, dx: number, dy: number): B => ({
  ...box,
  x: box.x + dx + (box.w - box.w * factor) / 2,
  y: box.y + dy + (box.h - box.h * factor) / 2,
  w: box.w * factor,
  h: box.h * factor,
});

/** Where everything is with a player's changes laid over it. */
export function withOwn(resolved: Resolved, { controls }: OwnChanges): Resolved {
  const mm = pxPerMm(resolved.screen);
  return {
    ...resolved,
    controls: resolved.controls.map((at): ResolvedControl => {
      const own = Object.hasOwn(controls, at.id) ? controls[at.id] : null;
      if (!own) return at;
      const [dx, dy] = [own.right * mm, own.down * mm];
      const middle = { x: at.visual.x + at.visual.w / 2, y: at.visual.y + at.visual.h / 2 };
      // A hit area that is aside of its picture goes on doing so, as far as the size says.
      const aside = { x: (at.hit.x + at.hit.w / 2 - middle.x) * (own.size - 1), y: (at.hit.y + at.hit.h / 2 - middle.y) * (own.size - 1) };
      const hit = about(at.hit, own.size, dx + aside.x, dy + aside.y);
      return {
        ...at,
        k: at.k * own.size,
        visual: about(at.visual, own.size, dx, dy),
        hit,
        ...(at.travel === undefined ? {} : { travel: at.travel * own.size }),
      };
    }),
  };
}

/** Whether a control, as it is, keeps to the safe frame and lies on no other that it did not lie on before. Ground may lie under all. */
export function keepsClear(layout: PlayedLayout, before: Resolved, after: Resolved, id: string): boolean {
  const { safe } = framesOf(after.screen, layout.picture);
  const [was, at] = [before, after].map(({ controls }) => controls.find((c) => c.id === id));
  if (!was || !at) return false;
  const { x, y, w, h } = at.visual;
  if (x < safe.x - 0.5 || y < safe.y - 0.5 || x + w > safe.x + safe.w + 0.5 || y + h > safe.y + safe.h + 0.5) return false;
  const control = (key: string) => layout.controls.find((c) => c.id === key)!;
  const isGround = ({ id: key, landing }: ResolvedControl) => landing !== undefined || KINDS[control(key).kind].isField;
  return after.controls.every((other) => {
    if (other.id === id || isGround(other) !== isGround(at)) return true;
    if (!control(other.id).moments.some((m) => control(id).moments.includes(m)) && layout.moments.length > 0) return true;
    return commonArea(at.hit, other.hit) <= commonArea(was.hit, before.controls.find((c) => c.id === other.id)!.hit) + 1;
  });
}

/** Of a move that does not fit, the part that does is looked for in this many steps. */
const FIT_STEPS = 4;

/**
 * A player's changes as far as they fit one screen: choices made on a tablet may put a control out of reach on a phone. Where all of them
 * together keep to the limits they stay as they are. Else each is held within the layout's player sizes and the safe frame, and moved less where
 * it would lie on another; one that fits nowhere on its way stays as laid out. What was kept does not change.
 */
export function fitOwn(layout: PlayedLayout, laidOut: Resolved, own: OwnChanges): OwnChanges {
  const ids = laidOut.controls.map((c) => c.id).filter((id) => Object.hasOwn(own.controls, id));
  const fits = (changes: OwnChanges, id: string) => keepsClear(layout, laidOut, withOwn(laidOut, changes), id);
  if (ids.every((id) => fits(own, id))) return own;
  let fitted: OwnChanges = { ...own, controls: {} };
  // Twice: one that could not move may do so once another has made room.
  for (const id of [...ids, ...ids]) {
    const { fade } = own.controls[id];
    const tries = waysOf(layout, laidOut, id, own.controls[id]).map((one): OwnChanges => ({ ...fitted, controls: { ...fitted.controls, [id]: one } }));
    fitted = tries.find((one) => fits(one, id)) ?? { ...fitted, controls: { ...fitted.controls, [id]: { ...AS_LAID_OUT, fade } } };
  }
  return fitted;
}

/** What may be tried of a change, the nearest to it first: within the sizes and the safe frame, then ever less of the move, then without the size. */
function waysOf({ playerSizes, picture }: PlayedLayout, laidOut: Resolved, id: string, wish: OwnControl): readonly OwnControl[] {
  const mm = pxPerMm(laidOut.screen);
  const { safe } = framesOf(laidOut.screen, picture);
  const within = (one: OwnControl): OwnControl => {
    const { visual } = withOwn(laidOut, { controls: { [id]: one }, actions: {} }).controls.find((c) => c.id === id)!;
    const aside = (at: number, size: number, from: number, room: number) => clampTo(at, from, Math.max(from, from + room - size)) - at;
    return {
      ...one,
      right: one.right + aside(visual.x, visual.w, safe.x, safe.w) / mm,
      down: one.down + aside(visual.y, visual.h, safe.y, safe.h) / mm,
    };
  };
  const size = clampTo(wish.size, playerSizes.min, playerSizes.max);
  const parts = Array.from({ length: FIT_STEPS + 1 }, (_, i) => 1 - i / FIT_STEPS);
  return [size, 1].flatMap((one) => {
    const whole = within({ ...wish, size: one });
    return parts.map((part) => within({ ...whole, right: whole.right * part, down: whole.down * part }));
  });
}

/** What an action gives with a player's changes. A vector stays within length 1, an axis within −1…1; `isMovement`: a motion or delta, without bounds. */
export function overriddenValue(value: ActionValue, own: OwnAction | undefined, isMovement: boolean): ActionValue {
  if (!own || typeof value === "boolean") return value;
  const [sx, sy] = [own.across ? -own.factor : own.factor, own.upDown ? -own.factor : own.factor];
  if (typeof value === "number") return isMovement ? value * sx : clampTo(value * sx, -1, 1);
  const [x, y] = [value[0] * sx, value[1] * sy];
  const length = isMovement ? 1 : Math.max(1, Math.hypot(x, y));
  return [x / length, y / length];
}

/** Looks as faint as the player wants them. */
export function fadedByOwn(drawn: readonly DrawnControl[], { controls }: OwnChanges): readonly DrawnControl[] {
  for (const id in controls) if (controls[id].fade !== 1) return faded(drawn, controls);
  return drawn;
}

function faded(drawn: readonly DrawnControl[], controls: OwnChanges["controls"]): readonly DrawnControl[] {
  return drawn.map((one) => {
    const part = Object.hasOwn(controls, one.control.id) ? controls[one.control.id].fade : 1;
    if (part === 1) return one;
    const { look } = one.control;
    const fainter = <F extends { readonly opacity: number }>(face: F): F => ({ ...face, opacity: face.opacity * part });
    return { ...one, control: { ...one.control, look: { ...look, rest: fainter(look.rest), held: fainter(look.held) } } as Control };
  });
}

/** What every action gives with a player's changes. */
export function withOwnValues(values: ActionValues, { actions: known }: PlayedLayout, { actions }: OwnChanges): ActionValues {
  if (Object.keys(actions).length === 0) return values;
  const next: Record<string, ActionValue> = { ...values };
  for (const { name, kind } of known)
    if (Object.hasOwn(actions, name)) next[name] = overriddenValue(values[name], actions[name], kind === "motion" || kind === "delta");
  return next;
}
