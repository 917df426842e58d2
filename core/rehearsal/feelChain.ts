/**
 * The chain of one control while it is played: what the thumb does, what the feel leaves of it, what the actions get, and what an eased
 * action is still on its way to. Everything is read from the state after a tick.
 */
import { advance } from "../engine/input/advance";
import type { ActionValue, ActionValues } from "../engine/input/events";
import { isIdle } from "../engine/input/behaviours";
import type { ReadyAny } from "../engine/input/ready";
import type { InputSetup } from "../engine/input/setup";
import type { InputState } from "../engine/input/inputState";
import { deflection } from "../engine/input/stick";
import { ownEntry } from "../engine/playerChanges";
import type { PlayedState } from "./traceLog";

/** What the thumb does on a control of each kind, and what becomes of it; null where nobody touches it. Directions in degrees, counter-clockwise from right. */
export type ChainStep =
  /** `raw`: the deflection in travels, y up, its length 0…1; `argument`: how far between the two dead zones, 0…1; `gives`: the length of its vector, 0…1. */
  | {
      readonly kind: "stick";
      readonly raw: { readonly x: number; readonly y: number; readonly length: number };
      readonly argument: number;
      readonly gives: number;
    }
  /** `raw`: where the thumb is about the middle, in halves of the shorter side, y up; null direction: neutral. */
  | { readonly kind: "dpad"; readonly raw: { readonly x: number; readonly y: number }; readonly directionDeg: number | null }
  /** `heldMs`: how long the press has lasted; `isSecond`: it is the second of a double. */
  | { readonly kind: "button"; readonly heldMs: number; readonly isSecond: boolean }
  | { readonly kind: "touchpad" }
  /** `wayMm`: how far the thumb has gone from where it is measured, mm, y up; `firedDeg`: where its last fire went. */
  | { readonly kind: "swipe"; readonly wayMm: { readonly x: number; readonly y: number }; readonly firedDeg: number | null };

/** What an action gets: `value` it has; `toward`: what it is on its way to, where it eases and is not there yet. */
export interface ActionState {
  readonly name: string;
  readonly value: ActionValue | undefined;
  readonly toward: ActionValue | null;
}
export interface FeelState {
  readonly step: ChainStep | null;
  /** A latch of it is on. */
  readonly isLatched: boolean;
  /** The actions that it serves, each once, in the order of the file. */
  readonly actions: readonly ActionState[];
}

/** Where a length of deflection lies between the two dead zones, 0…1. Dead zones that meet leave nothing between: all or nothing. @internal exported for its test */
export function afterDeadZone(length: number, inner: number, outer: number): number {
  if (length <= inner) return 0;
  return length >= outer || outer <= inner ? 1 : (length - inner) / (outer - inner);
}

const RAD = 180 / Math.PI;
const degrees = (x: number, y: number) => (Math.atan2(y, x) * RAD + 360) % 360;

function stepOf(state: InputState, index: number, ready: ReadyAny): ChainStep | null {
  const control = state.controls[index];
  const at = (touch: number) => state.touches.find((t) => t.id === touch);
  switch (control.kind) {
    case "stick": {
      if (!control.held || ready.kind !== "stick") return null;
      const [x, y] = deflection(control.held, ready);
      const length = Math.hypot(x, y);
      const { inner, outer } = ready.feel;
      return { kind: "stick", raw: { x, y, length }, argument: afterDeadZone(length, inner, outer), gives: Math.hypot(control.held.vx, control.held.vy) };
    }
    case "dpad": {
      const touch = control.held && at(control.held.touch);
      if (!control.held || !touch) return null;
      const half = Math.max(1e-9, Math.min(ready.visual.w, ready.visual.h) / 2);
      const { direction } = control.held;
      const raw = { x: (touch.x - ready.centre.x) / half, y: (ready.centre.y - touch.y) / half };
      return { kind: "dpad", raw, directionDeg: direction === null ? null : direction * 45 };
    }
    case "button":
      return (
        control.press && {
          kind: "button",
          heldMs: state.time - control.press.start,
          isSecond: control.press.double && ready.kind === "button" && ready.feel.press === "double",
        }
      );
    case "touchpad":
      return control.held && { kind: "touchpad" };
    case "swipe": {
      const { held } = control;
      const touch = held && at(held.touch);
      if (!held || !touch) return null;
      const wayMm = { x: (touch.x - held.start.x) / ready.mmPx, y: (held.start.y - touch.y) / ready.mmPx };
      return { kind: "swipe", wayMm, firedDeg: held.fire && degrees(held.fire.x, held.fire.y) };
    }
  }
}

const asText = (value: ActionValue | undefined) => JSON.stringify(value);

/** What every action would have by now without easing. It is asked of the engine itself, at the time of the last tick and with no event. */
function withoutEasing(setup: InputSetup, state: InputState): ActionValues {
  const actions = setup.actions.map((a) => (a.smooth ? { ...a, smooth: false } : a));
  return advance({ ...setup, actions }, state, [], state.time).values;
}

/** Reads the chain of a control after a tick; null where what is played has no such control. `values`: what the tick gave. */
export function readFeel({ setup, state }: PlayedState, id: string, values: ActionValues): FeelState | null {
  const index = setup.controls.findIndex((c) => c.id === id);
  if (index < 0) return null;
  const served = setup.actions.filter((a) => a.touch.some((source) => source.control === index));
  const eased = served.some((a) => a.smooth) ? withoutEasing(setup, state) : null;
  const control = state.controls[index];
  const actions = served.map(({ action: { name }, smooth }): ActionState => {
    const value = ownEntry(values, name);
    const goal = smooth && eased ? ownEntry(eased, name) : undefined;
    return { name, value, toward: goal !== undefined && asText(goal) !== asText(value) ? goal : null };
  });
  return { step: isIdle(control) ? null : stepOf(state, index, setup.controls[index]), isLatched: control.kind === "button" && control.latched, actions };
}
