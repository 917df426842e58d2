/**
 * Stick deflection: where a touch is relative to a stick, and the resulting value.
 *
 * A stick has two circles. The travel circle limits the knob. The dead zone reads the distance from the origin: below `inner` the value
 * is 0, above `outer` it is 1, in between the response curve applies. Distances are fractions of the travel radius, so the result does
 * not depend on the screen, except for a floating stick near the edge.
 *
 * A lever (`rest: "stays"`) keeps its deflection, the direction in force and its ports when it is let go; the next touch takes the knob where it
 * stands.
 */
import { clampTo, magnitude } from "../geometry/point";
import { LENGTH_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import { curveAt } from "./curve";
import { angleOf, snapIndex, unitAt, withinPort } from "./directions";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyStick } from "./ready";
import { isTap, tapBegun, tapMoved, type TapTrace } from "./tap";

/** What the stick gives, y up, and the state of its direction ports. */
interface StickOut {
  vx: number;
  vy: number;
  up: boolean;
  down: boolean;
  left: boolean;
  right: boolean;
}
/** Where a lever stands: its deflection, a part of the travel, y up; the direction in force; and what it gives. Replaced, never changed. */
interface LeverPlace extends Readonly<StickOut> {
  readonly deflectionX: number;
  readonly deflectionY: number;
  readonly direction: number | null;
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
  trace: TapTrace;
  /** Where the lever was at the last tick, or when this touch began, whichever is later: a cancel brings it back there. */
  mark: LeverPlace;
}
/** A stick between two ticks. */
export interface StickState {
  kind: "stick";
  held: StickHeld | null;
  /** A touch that came and went since the last tick: what it gave at its last point. */
  tap: StickOut | null;
  /** Where a lever was left. */
  place: LeverPlace;
  tapped: boolean;
  /** What the last touch gave that was let go away from the middle since the last tick. */
  released: { readonly vx: number; readonly vy: number } | null;
}

const NEUTRAL: LeverPlace = { deflectionX: 0, deflectionY: 0, direction: null, vx: 0, vy: 0, up: false, down: false, left: false, right: false };

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
    trace: h.trace,
    mark: h.mark,
    vx: h.vx,
    vy: h.vy,
    up: h.up,
    down: h.down,
    left: h.left,
    right: h.right,
  };
}

/** A stick at rest. */
const rest = (): StickState => ({ kind: "stick", held: null, tap: null, place: NEUTRAL, tapped: false, released: null });

const isLever = ({ feel }: ReadyStick) => feel.rest === "stays";

/** Starts a touch, screen px: sets the origin by the feel. */
function begin(state: StickState, stick: ReadyStick, contact: Contact): void {
  const { touch, x, y } = contact;
  const { place } = state;
  const { direction, vx, vy, up, down, left, right } = place;
  const origin = isLever(stick) ? [x - place.deflectionX * stick.travelPx, y + place.deflectionY * stick.travelPx] : originFor(stick, x, y);
  const trace = tapBegun(contact);
  state.held = { touch, originX: origin[0], originY: origin[1], x, y, direction, seen: false, trace, mark: place, vx, vy, up, down, left, right };
  follow(state.held, stick);
  evaluate(state.held, stick);
}

/** Moves its touch, screen px; a trailing origin follows. Without a touch it has no effect. */
function move(state: StickState, stick: ReadyStick, contact: Contact): boolean {
  const held = state.held;
  if (!held) return false;
  held.x = contact.x;
  held.y = contact.y;
  held.trace = tapMoved(held.trace, stick, contact);
  follow(held, stick);
  evaluate(held, stick);
  return false;
}

/** Where a held lever stands. */
function placeOf(held: StickHeld, stick: ReadyStick): LeverPlace {
  const [deflectionX, deflectionY] = stick.travelPx > 0 ? deflection(held, stick) : [held.mark.deflectionX, held.mark.deflectionY];
  return { deflectionX, deflectionY, direction: held.direction, ...outOf(held) };
}

const outOf = ({ vx, vy, up, down, left, right }: Readonly<StickOut>): StickOut => ({ vx, vy, up, down, left, right });

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
function end(state: StickState, stick: ReadyStick, contact: Contact): void {
  const held = state.held;
  if (!held) return;
  if (!held.seen) state.tap = outOf(held);
  if (isTap(held.trace, stick, contact)) state.tapped = true;
  if (magnitude(held.vx, held.vy) > 0) state.released = { vx: held.vx, vy: held.vy };
  if (isLever(stick)) state.place = placeOf(held, stick);
  state.held = null;
}

/** Cancels a touch; what no tick has seen is discarded. */
function cancel(state: StickState): void {
  if (state.held) state.place = state.held.mark;
  state.held = null;
}

/** Returns the current vector (length 0…1, y up), x and y, the direction ports, taps, releases and aim. */
function read(state: StickState): PortReading {
  const { held, tap, place, tapped, released } = state;
  const isHeld = held !== null || tap !== null;
  const { vx, vy, up, down, left, right } = held ?? (place === NEUTRAL && tap ? tap : place);
  const active = magnitude(vx, vy) > 0;
  if (!isHeld && !active && !tapped && !released) return AT_REST;
  const aim = held ?? released;
  return {
    vx,
    vy,
    x: vx,
    y: vy,
    aimX: aim?.vx ?? 0,
    aimY: aim?.vy ?? 0,
    turn: 0,
    press: false,
    held: isHeld,
    active,
    up,
    down,
    left,
    right,
    tapped,
    released: released !== null,
  };
}

/** After a tick: marks the touch as seen and clears what was given for one tick. */
function commit(state: StickState, stick: ReadyStick): void {
  state.tap = null;
  state.tapped = false;
  state.released = null;
  if (!state.held) return;
  state.held.seen = true;
  if (isLever(stick)) state.held.mark = placeOf(state.held, stick);
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

const copy = ({ held, tap, place, tapped, released }: StickState): StickState => ({
  kind: "stick",
  held: held && copyHeld(held),
  tap,
  place,
  tapped,
  released,
});

/** A lever goes on if it still is one: its deflection, and what its feel makes of it now. */
function carry(state: StickState, stick: ReadyStick): StickState {
  const carried = copy(state);
  if (!isLever(stick)) {
    carried.place = NEUTRAL;
    if (carried.held) carried.held.mark = NEUTRAL;
  } else if (carried.place !== NEUTRAL) carried.place = placedAnew(carried.place, stick);
  return carried;
}

/** What a lever gives where it stands, by another feel. */
function placedAnew(place: LeverPlace, stick: ReadyStick): LeverPlace {
  const trace = tapBegun({ touch: 0, x: 0, y: 0, t: 0 });
  const origin = { originX: -place.deflectionX * stick.travelPx, originY: place.deflectionY * stick.travelPx };
  const held: StickHeld = { ...outOf(place), direction: place.direction, ...origin, touch: 0, x: 0, y: 0, seen: true, trace, mark: place };
  evaluate(held, stick);
  return placeOf(held, stick);
}

/** The behaviour of sticks. */
export const stick: Behaviour<ReadyStick, StickState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, tap, tapped, released }) => held === null && tap === null && !tapped && released === null,
  givesAtRest: ({ place }) => place !== NEUTRAL,
  drop: (state) => {
    state.tapped = false;
    state.released = null;
  },
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry,
};
