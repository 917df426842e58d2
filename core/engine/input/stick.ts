/**
 * Stick deflection: where a touch is relative to a stick, and the resulting value.
 *
 * A stick has two circles. The travel circle limits the knob. The dead zone reads the distance from the origin: below `inner` the value
 * is 0, above `outer` it is 1, in between the response curve applies. Distances are fractions of the travel radius, so the result does
 * not depend on the screen, except for a floating stick near the edge.
 */
import { clampTo, magnitude } from "../geometry/point";
import { LENGTH_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import { curveAt } from "./curve";
import { angleOf, snapIndex, unitAt, withinPort } from "./directions";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyStick } from "./ready";

/** What the stick gives, y up, and the state of its direction ports. */
interface StickOut {
  vx: number;
  vy: number;
  up: boolean;
  down: boolean;
  left: boolean;
  right: boolean;
}
/** A held stick: its touch, where its origin and its thumb are (screen px), and what it gives there. */
export interface StickHeld extends StickOut {
  touch: number;
  originX: number;
  originY: number;
  x: number;
  y: number;
  /** The direction in force, of `directions`; null while v = 0. */
  direction: number | null;
  /** Whether a tick has seen this touch. */
  seen: boolean;
}
/** A stick between two ticks. */
export interface StickState {
  kind: "stick";
  held: StickHeld | null;
  /** A touch that came and went since the last tick: what it gave at its last point. */
  tap: StickOut | null;
}

/** A copy of a held stick, field by field: it is made at every tick. */
function copyHeld(h: StickHeld): StickHeld {
  return {
    touch: h.touch,
    originX: h.originX,
    originY: h.originY,
    x: h.x,
    y: h.y,
    direction: h.direction,
    seen: h.seen,
    vx: h.vx,
    vy: h.vy,
    up: h.up,
    down: h.down,
    left: h.left,
    right: h.right,
  };
}

/** A stick at rest. */
const rest = (): StickState => ({ kind: "stick", held: null, tap: null });

/** Starts a touch, screen px: sets the origin by the feel. */
function begin(state: StickState, stick: ReadyStick, { touch, x, y }: Contact): void {
  const origin = originFor(stick, x, y);
  state.held = {
    touch,
    originX: origin[0],
    originY: origin[1],
    x,
    y,
    direction: null,
    seen: false,
    vx: 0,
    vy: 0,
    up: false,
    down: false,
    left: false,
    right: false,
  };
  follow(state.held, stick);
  evaluate(state.held, stick);
}

/** Moves its touch, screen px; a trailing origin follows. Without a touch it has no effect. */
function move(state: StickState, stick: ReadyStick, { x, y }: Contact): boolean {
  const held = state.held;
  if (!held) return false;
  held.x = x;
  held.y = y;
  follow(held, stick);
  evaluate(held, stick);
  return false;
}

/** The origin of a trailing stick follows the thumb beyond the travel. */
function follow(held: StickHeld, stick: ReadyStick): void {
  if (stick.feel.origin !== "trailing") return;
  const [ex, ey] = fromOrigin(held, stick);
  const far = magnitude(ex, ey);
  if (far <= stick.travelPx) return;
  const beyond = (far - stick.travelPx) / far;
  held.originX += ex * beyond;
  held.originY -= ey * beyond;
}

/** Ends a touch; one that no tick has seen counts at the next tick. */
function end(state: StickState): void {
  const held = state.held;
  if (!held) return;
  if (!held.seen) state.tap = { vx: held.vx, vy: held.vy, up: held.up, down: held.down, left: held.left, right: held.right };
  state.held = null;
}

/** Cancels a touch; what no tick has seen is discarded. */
function cancel(state: StickState): void {
  state.held = null;
}

/** Returns the current vector (length 0…1, y up), x and y, and the direction ports. */
function read(state: StickState): PortReading {
  const out = state.held ?? state.tap;
  if (!out) return AT_REST;
  const { vx, vy, up, down, left, right } = out;
  return { vx, vy, x: vx, y: vy, press: false, held: true, active: magnitude(vx, vy) > 0, up, down, left, right };
}

/** After a tick: marks the touch as seen and clears a tap. */
function commit(state: StickState): void {
  state.tap = null;
  if (state.held) state.held.seen = true;
}

/** Returns the deflection before the dead zone as a fraction of the travel, y up, at most 1; 0 for a travel of 0 px. For drawing the knob. */
export function deflection(held: StickHeld, stick: ReadyStick): readonly [number, number] {
  if (stick.travelPx <= 0) return [0, 0];
  const { axes } = stick.feel;
  // As `fromOrigin`, without a pair: it is asked for at every picture.
  const dx = (axes === "y" ? 0 : held.x - held.originX) / stick.travelPx;
  const dy = (axes === "x" ? 0 : held.originY - held.y) / stick.travelPx;
  const m = magnitude(dx, dy);
  return m > 1 ? [dx / m, dy / m] : [dx, dy];
}

/** From origin to touch, px, y up, an axis the stick does not have set to 0. */
function fromOrigin(held: StickHeld, stick: ReadyStick): [number, number] {
  const { axes } = stick.feel;
  return [axes === "y" ? 0 : held.x - held.originX, axes === "x" ? 0 : held.originY - held.y];
}

function originFor(stick: ReadyStick, x: number, y: number): [number, number] {
  switch (stick.feel.origin) {
    case "fixed":
      return [stick.centre.x, stick.centre.y];
    case "trailing":
      return stick.feel.start === "centre" ? [stick.centre.x, stick.centre.y] : [x, y];
    case "floating": {
      const dx = roomyPlace(x, stick.travelPx, stick.screenW) - x;
      const dy = roomyPlace(y, stick.travelPx, stick.screenH) - y;
      const far = magnitude(dx, dy);
      const most = stick.feel.inner * stick.travelPx;
      const part = far > most && far > 0 ? most / far : 1;
      return [x + dx * part, y + dy * part];
    }
  }
}

/** Returns the nearest origin along one axis at which the travel stays on the screen; the middle if there is no room. */
function roomyPlace(at: number, travel: number, side: number): number {
  return side < 2 * travel ? side / 2 : clampTo(at, travel, side - travel);
}

function evaluate(held: StickHeld, stick: ReadyStick): void {
  const { feel } = stick;
  const [dx, dy] = deflection(held, stick);
  const range = feel.outer - feel.inner;
  const shaped = (m: number) => curveAt(feel.curve, clampTo((m - feel.inner) / range, 0, 1));
  let vx = 0;
  let vy = 0;
  if (feel.deadZone === "radial") {
    const m = magnitude(dx, dy);
    if (m > 0) {
      const smoothed = shaped(m);
      vx = (smoothed * dx) / m;
      vy = (smoothed * dy) / m;
    }
  } else {
    vx = Math.sign(dx) * shaped(Math.abs(dx));
    vy = Math.sign(dy) * shaped(Math.abs(dy));
    const length = magnitude(vx, vy);
    if (length > 1) {
      vx /= length;
      vy /= length;
    }
  }
  let m = magnitude(vx, vy);
  if (m > 0 && feel.directions > 0 && feel.axes === "both") {
    held.direction = snapIndex(angleOf(vx, vy), feel.directions, held.direction, feel.holdDeg);
    const [ux, uy] = unitAt((held.direction * 360) / feel.directions);
    vx = m * ux;
    vy = m * uy;
  } else if (m === 0) held.direction = null;
  held.vx = vx;
  held.vy = vy;
  m = magnitude(vx, vy);
  const angle = m > 0 ? angleOf(vx, vy) : 0;
  const port = (was: boolean, at: number) =>
    m > 0 && (was ? m >= feel.releaseAt - LENGTH_SLACK && withinPort(angle, at, feel.holdDeg) : m >= feel.pressAt - LENGTH_SLACK && withinPort(angle, at));
  held.right = port(held.right, 0);
  held.up = port(held.up, 90);
  held.left = port(held.left, 180);
  held.down = port(held.down, 270);
}

const copy = (state: StickState): StickState => ({ kind: "stick", held: state.held && copyHeld(state.held), tap: state.tap });

/** The behaviour of sticks. */
export const stick: Behaviour<ReadyStick, StickState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, tap }) => held === null && tap === null,
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry: copy,
};
