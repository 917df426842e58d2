/**
 * What a player changes for himself: controls moved, sized and faded, actions more or less sensitive or turned round. Moves and sizes are laid
 * over where the layout puts things; they keep to the safe frame and clear of other controls, or are refused.
 */
import { commonArea } from "../core/engine/geometry/commonArea";
import { clampTo, type Box } from "../core/engine/geometry/point";
import type { ActionValue, ActionValues } from "../core/engine/input/events";
import type { Resolved, ResolvedControl } from "../core/engine/placement/resolve";
import { framesOf, pxPerMm } from "../core/engine/placement/screen";
import type { Control, PlayedLayout } from "../core/engine/types";
import type { Drawn } from "./art";

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

/** Reads what a game had kept: whatever it is, what cannot be read is as laid out. */
export function readOwn(kept: unknown): OwnChanges {
  const each = <T>(key: string, read: (one: unknown) => T) =>
    Object.fromEntries(
      Object.keys(part(kept, key))
        .filter((id) => id !== "__proto__")
        .map((id) => [id, read(part(kept, key)[id])]),
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

/** Where everything stands with a player's changes laid over it. */
export function withOwn(resolved: Resolved, { controls }: OwnChanges): Resolved {
  const mm = pxPerMm(resolved.screen);
  return {
    ...resolved,
    controls: resolved.controls.map((at): ResolvedControl => {
      const own = Object.hasOwn(controls, at.id) ? controls[at.id] : null;
      if (!own) return at;
      const [dx, dy] = [own.right * mm, own.down * mm];
      const middle = { x: at.visual.x + at.visual.w / 2, y: at.visual.y + at.visual.h / 2 };
      // A hit area that stands aside of its picture goes on doing so, as far as the size says.
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

/** Whether a control, as it stands, keeps to the safe frame and lies on no other that it did not lie on before. Ground may lie under all. */
export function keepsClear(layout: PlayedLayout, before: Resolved, after: Resolved, id: string): boolean {
  const { safe } = framesOf(after.screen, layout.picture);
  const [was, at] = [before, after].map(({ controls }) => controls.find((c) => c.id === id));
  if (!was || !at) return false;
  const { x, y, w, h } = at.visual;
  if (x < safe.x - 0.5 || y < safe.y - 0.5 || x + w > safe.x + safe.w + 0.5 || y + h > safe.y + safe.h + 0.5) return false;
  const control = (key: string) => layout.controls.find((c) => c.id === key)!;
  const isGround = ({ id: key, landing }: ResolvedControl) => landing !== undefined || control(key).kind === "touchpad" || control(key).kind === "swipe";
  return after.controls.every((other) => {
    if (other.id === id || isGround(other) !== isGround(at)) return true;
    if (!control(other.id).moments.some((m) => control(id).moments.includes(m)) && layout.moments.length > 0) return true;
    return commonArea(at.hit, other.hit) <= commonArea(was.hit, before.controls.find((c) => c.id === other.id)!.hit) + 1;
  });
}

/** What an action gives with a player's changes. A vector stays within length 1, an axis within −1…1. */
export function ownValue(value: ActionValue, own: OwnAction | undefined, isMotion: boolean): ActionValue {
  if (!own || typeof value === "boolean") return value;
  const [sx, sy] = [own.across ? -own.factor : own.factor, own.upDown ? -own.factor : own.factor];
  if (typeof value === "number") return clampTo(value * sx, -1, 1);
  const [x, y] = [value[0] * sx, value[1] * sy];
  const length = isMotion ? 1 : Math.max(1, Math.hypot(x, y));
  return [x / length, y / length];
}

/** Looks as faint as the player wants them. */
export function fadedByOwn(drawn: readonly Drawn[], { controls }: OwnChanges): readonly Drawn[] {
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
  for (const { name, kind } of known) if (Object.hasOwn(actions, name)) next[name] = ownValue(values[name], actions[name], kind === "motion");
  return next;
}
