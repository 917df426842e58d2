/** A touchpad gives the movement of the thumb in millimetres, so the same sweep turns as far on every screen. */
import type { Behaviour } from "./behaviour";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyTouchpad } from "./ready";
import { isTap, tapBegun, tapMoved, type TapTrace } from "./tap";

/** A touchpad between two ticks; `held` its touch and where that last was, screen px. */
export interface TouchpadState {
  kind: "touchpad";
  held: { touch: number; x: number; y: number; seen: boolean; trace: TapTrace } | null;
  /** A touch came and went since the last tick. */
  tap: boolean;
  tapped: boolean;
  /** Movement since the last tick, mm × gain, y up. */
  dx: number;
  dy: number;
}

/** A touchpad at rest. */
const rest = (): TouchpadState => ({ kind: "touchpad", held: null, tap: false, tapped: false, dx: 0, dy: 0 });

/** Starts a touch, screen px. */
function begin(state: TouchpadState, _: ReadyTouchpad, contact: Contact): void {
  const { touch, x, y } = contact;
  state.held = { touch, x, y, seen: false, trace: tapBegun(contact) };
}

/** Moves its touch, screen px; the way adds up until the tick. Without a touch it has no effect. */
function move(state: TouchpadState, pad: ReadyTouchpad, contact: Contact): boolean {
  const held = state.held;
  if (!held) return false;
  const { x, y } = contact;
  held.trace = tapMoved(held.trace, pad, contact);
  const { axes, gain } = pad.feel;
  if (axes !== "y") state.dx += ((x - held.x) / pad.mmPx) * gain;
  if (axes !== "x") state.dy += ((held.y - y) / pad.mmPx) * gain;
  held.x = x;
  held.y = y;
  return false;
}

/** Its touch is lifted; `held` is owed to the next tick where none has seen it. */
function end(state: TouchpadState, pad: ReadyTouchpad, contact: Contact): void {
  if (state.held && !state.held.seen) state.tap = true;
  if (state.held && isTap(state.held.trace, pad, contact)) state.tapped = true;
  state.held = null;
}

/** Its touch is taken away; the movement before it counts. */
function cancel(state: TouchpadState): void {
  state.held = null;
}

/** Returns the current values: the movement since the last tick, mm × gain, y up, and whether it is or was held. */
function read(state: TouchpadState): PortReading {
  const held = state.held !== null || state.tap;
  const { dx, dy, tapped } = state;
  return held || tapped || dx !== 0 || dy !== 0 ? { ...AT_REST, vx: dx, vy: dy, held, tapped } : AT_REST;
}

/** After a tick: the movement has been given. */
function commit(state: TouchpadState): void {
  state.tap = false;
  state.tapped = false;
  state.dx = 0;
  state.dy = 0;
  if (state.held) state.held.seen = true;
}

const copy = (state: TouchpadState): TouchpadState => ({ ...state, held: state.held && { ...state.held } });

/** The behaviour of touchpads. */
export const touchpad: Behaviour<ReadyTouchpad, TouchpadState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, tap, tapped, dx, dy }) => held === null && !tap && !tapped && dx === 0 && dy === 0,
  givesAtRest: () => false,
  drop: (state) => {
    state.tapped = false;
  },
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry: copy,
};
