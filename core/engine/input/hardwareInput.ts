/** Keys, mouse and pad: what is down, and what came and went between two ticks. */
import { clampTo, magnitude } from "../geometry/point";
import type { InputEvent } from "./events";

interface Held {
  code: string;
  /** Whether a tick has seen it down. */
  seen: boolean;
}
/** `down`: keys by their code, mouse buttons as `mouse0`… `taps`: came and went since the last tick. */
export interface HardwareState {
  down: Held[];
  taps: string[];
  /** Mouse movement since the last tick, CSS px, y down. */
  dx: number;
  dy: number;
  /** The last snapshot of the pad. */
  pad: { buttons: number[]; axes: number[] } | null;
}

/** Nothing down, no movement, no pad. */
export const restingHardware = (): HardwareState => ({ down: [], taps: [], dx: 0, dy: 0, pad: null });

/** The name of a mouse button among the codes; no KeyboardEvent.code looks like it. */
export function mouseCode(button: number): string {
  return `mouse${button}`;
}

/** Takes a key, mouse or pad event. A key or button down while down is ignored; of a pad the last snapshot counts; mouse movement (CSS px, y down) adds up until the tick. */
export function hardwareEvent(state: HardwareState, event: Extract<InputEvent, { type: "key" | "mouse" | "pad" }>): void {
  switch (event.type) {
    case "key":
      return press(state, event.code, event.down);
    case "mouse":
      if ("button" in event) return press(state, mouseCode(event.button), event.down);
      state.dx += event.dx;
      state.dy += event.dy;
      return;
    case "pad":
      state.pad = { buttons: [...event.buttons], axes: [...event.axes] };
  }
}

/** Lets go of everything as a cancel: what no tick has seen is dropped, what had ended before stays. */
export function hardwareBlur(state: HardwareState): void {
  state.down = [];
  state.pad = null;
}

/** Whether a key or mouse button counts as true at this tick. */
export function isDown(state: HardwareState, code: string): boolean {
  return state.down.some((held) => held.code === code) || state.taps.includes(code);
}

/** After a tick: taps and movement have been given. */
export function commitHardwareTick(state: HardwareState): void {
  if (state.taps.length > 0) state.taps = [];
  state.dx = 0;
  state.dy = 0;
  for (const held of state.down) held.seen = true;
}

function press(state: HardwareState, code: string, down: boolean): void {
  const at = state.down.findIndex((held) => held.code === code);
  if (down) {
    if (at < 0) state.down.push({ code, seen: false });
  } else if (at >= 0) {
    if (!state.down[at].seen && !state.taps.includes(code)) state.taps = [...state.taps, code];
    state.down.splice(at, 1);
  }
}

/** A pad button's amount, 0…1; 0 where there is no such button. */
export function padButton(state: HardwareState, button: number): number {
  return clampTo(state.pad?.buttons[button] ?? 0, 0, 1);
}

/** A pad axis as it is, −1…1; 0 where there is no such axis. */
function axisOf(state: HardwareState, axis: number): number {
  return clampTo(state.pad?.axes[axis] ?? 0, -1, 1);
}

/** A pad axis after its dead zone, −1…1, as the pad gives it. */
export function padAxis(state: HardwareState, axis: number, inner: number, outer: number): number {
  const a = axisOf(state, axis);
  return Math.sign(a) * clampTo((Math.abs(a) - inner) / (outer - inner), 0, 1);
}

/** A pad stick after its radial dead zone, no longer than 1, y up. Standard mapping: left on axes 0 and 1, right on 2 and 3. */
export function padStick(state: HardwareState, stick: "left" | "right", inner: number, outer: number): readonly [number, number] {
  const first = stick === "left" ? 0 : 2;
  const x = axisOf(state, first);
  const y = -axisOf(state, first + 1);
  const m = magnitude(x, y);
  if (m === 0) return [0, 0];
  const smoothed = clampTo((m - inner) / (outer - inner), 0, 1);
  return [(smoothed * x) / m, (smoothed * y) / m];
}
