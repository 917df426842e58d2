/**
 * A d-pad reads where the thumb lies about its centre as one of four or eight directions. A narrow band beyond each
 * border keeps the direction in force, so that a thumb resting on a border does not flicker.
 */
import { magnitude } from "../geometry/point";
import { contains } from "../geometry/shape";
import { ANGLE_SLACK, LENGTH_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import { angleOf, apart } from "./directions";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyDpad } from "./ready";

/** A d-pad between two ticks. `tap`: a touch that came and went since the last one, and what it gave at its last point. */
export interface DpadState {
  kind: "dpad";
  /** `direction`: in eighths of a turn counter-clockwise from right, null in neutral. */
  held: { touch: number; direction: number | null; seen: boolean } | null;
  tap: { direction: number | null } | null;
}

/** A d-pad at rest. */
const rest = (): DpadState => ({ kind: "dpad", held: null, tap: null });

/** Starts a touch, screen px. */
function begin(state: DpadState, pad: ReadyDpad, { touch, x, y }: Contact): void {
  state.held = { touch, direction: directionAt(pad, x, y, null), seen: false };
}

/** Moves its touch, screen px; the direction in force is kept in the band beyond its border. Without a touch it has no effect. */
function move(state: DpadState, pad: ReadyDpad, { x, y }: Contact): boolean {
  if (state.held) state.held.direction = directionAt(pad, x, y, state.held.direction);
  return false;
}

/** Ends a touch; one that no tick has seen counts at the next tick. */
function end(state: DpadState): void {
  if (state.held && !state.held.seen) state.tap = { direction: state.held.direction };
  state.held = null;
}

/** Cancels a touch; what no tick has seen is discarded. */
function cancel(state: DpadState): void {
  state.held = null;
}

/** Returns the current values: x and y −1, 0 or 1, y up, and the unit vector of them. */
function read(state: DpadState): PortReading {
  const out = state.held ?? state.tap;
  if (!out) return AT_REST;
  return out.direction === null ? NEUTRAL : POINTING[out.direction];
}

/** Held in the middle, and pointing each way, counter-clockwise from the right: the same at every tick. */
const NEUTRAL: PortReading = { ...AT_REST, held: true };
const POINTING: readonly PortReading[] = [1, 1, 0, -1, -1, -1, 0, 1].map((x, direction) => {
  const y = [0, 1, 1, 1, 0, -1, -1, -1][direction];
  const length = magnitude(x, y);
  return { ...AT_REST, vx: x / length, vy: y / length, x, y, held: true, active: true, up: y === 1, down: y === -1, left: x === -1, right: x === 1 };
});

/** After a tick: marks the touch as seen and clears a tap. */
function commit(state: DpadState): void {
  state.tap = null;
  if (state.held) state.held.seen = true;
}

function directionAt(pad: ReadyDpad, x: number, y: number, inForce: number | null): number | null {
  const { feel } = pad;
  if (feel.slideOut === "release" && !contains(pad.hit, x, y)) return null;
  const dx = x - pad.centre.x;
  const dy = pad.centre.y - y;
  const radius = Math.min(pad.visual.w, pad.visual.h) / 2;
  if (radius <= 0 || magnitude(dx, dy) / radius < feel.neutral - LENGTH_SLACK) return null;
  const angle = angleOf(dx, dy);
  if (inForce !== null && apart(angle, inForce * 45) <= halfWidth(feel, inForce) + feel.holdDeg + ANGLE_SLACK) return inForce;
  if (feel.ways === 8) for (const diagonal of [1, 3, 5, 7]) if (apart(angle, diagonal * 45) <= feel.diagonal / 2 + ANGLE_SLACK) return diagonal;
  const quarter = Math.floor((angle + 45 + ANGLE_SLACK) / 90);
  return (((quarter % 4) + 4) % 4) * 2;
}

function halfWidth(feel: ReadyDpad["feel"], direction: number): number {
  if (feel.ways === 4) return 45;
  return direction % 2 === 1 ? feel.diagonal / 2 : 45 - feel.diagonal / 2;
}

const copy = ({ held, tap }: DpadState): DpadState => ({
  kind: "dpad",
  held: held && { touch: held.touch, direction: held.direction, seen: held.seen },
  tap,
});

/** The behaviour of d-pads. */
export const dpad: Behaviour<ReadyDpad, DpadState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, tap }) => held === null && tap === null,
  givesAtRest: () => false,
  drop: () => undefined,
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry: copy,
};
