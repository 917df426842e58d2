/**
 * A dial is turned about its middle: by how the angle of the thumb changes, not by where the thumb is. Its turn is in degrees, clockwise positive,
 * within half its range to either side. Near the middle an angle says nothing and is not read.
 */
import { clampTo, magnitude } from "../geometry/point";
import { ANGLE_SLACK, LENGTH_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import { curveAt } from "./curve";
import { angleOf } from "./directions";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyDial } from "./ready";
import { isTap, tapBegun, tapMoved, type TapTrace } from "./tap";

/** Where a dial stands: its turn, degrees, and its direction ports. Replaced, never changed. */
interface DialPlace {
  readonly deg: number;
  readonly left: boolean;
  readonly right: boolean;
}
/** A held dial: its touch, where it stands, and the angle of the last point that was read, degrees (null: none yet). */
interface DialHeld {
  touch: number;
  place: DialPlace;
  angle: number | null;
  /** Whether a tick has seen this touch. */
  seen: boolean;
  trace: TapTrace;
  /** Where it was at the last tick, or when this touch began, whichever is later: a cancel brings it back there. */
  mark: DialPlace;
}
/** A dial between two ticks. */
export interface DialState {
  kind: "dial";
  held: DialHeld | null;
  /** A touch that came and went since the last tick: where it left the dial. */
  tap: DialPlace | null;
  /** Where it stands with no touch. */
  place: DialPlace;
  /** How far touches have turned it since the last tick, degrees. */
  turned: number;
  tapped: boolean;
}

const NEUTRAL: DialPlace = { deg: 0, left: false, right: false };

/** A dial at rest. */
const rest = (): DialState => ({ kind: "dial", held: null, tap: null, place: NEUTRAL, turned: 0, tapped: false });

/** Starts a touch, screen px: the dial stays as it is. */
function begin(state: DialState, dial: ReadyDial, contact: Contact): void {
  const { place } = state;
  state.held = { touch: contact.touch, place, angle: angleAt(dial, contact), seen: false, trace: tapBegun(contact), mark: place };
}

/** Moves its touch, screen px: the dial turns with its angle. Without a touch it has no effect. */
function move(state: DialState, dial: ReadyDial, contact: Contact): boolean {
  const { held } = state;
  if (!held) return false;
  held.trace = tapMoved(held.trace, dial, contact);
  const angle = angleAt(dial, contact);
  if (angle === null) return false;
  if (held.angle !== null) {
    const half = dial.feel.rangeDeg / 2;
    const deg = clampTo(held.place.deg + clockwise(held.angle, angle), -half, half);
    state.turned += deg - held.place.deg;
    held.place = placeAt(deg, held.place, dial);
  }
  held.angle = angle;
  return false;
}

/** The angle of a point about the middle, degrees, counter-clockwise, y up; null where it is not read. */
function angleAt({ visual, centre, feel }: ReadyDial, { x, y }: Contact): number | null {
  const far = magnitude(x - centre.x, y - centre.y);
  if (far < (feel.neutral * Math.min(visual.w, visual.h)) / 2 - LENGTH_SLACK || far <= LENGTH_SLACK) return null;
  return angleOf(x - centre.x, centre.y - y);
}

/** The turn from one angle to another, degrees, −180 (exclusive) to 180: clockwise positive; a half turn is clockwise. */
function clockwise(from: number, to: number): number {
  const turn = from - to;
  if (turn <= -180 + ANGLE_SLACK) return turn + 360;
  return turn > 180 + ANGLE_SLACK ? turn - 360 : turn;
}

/** The value at a turn, −1…1. */
function valueAt(deg: number, { feel }: ReadyDial): number {
  const part = clampTo((Math.abs(deg) / (feel.rangeDeg / 2) - feel.inner) / (1 - feel.inner), 0, 1);
  return Math.sign(deg) * curveAt(feel.curve, part);
}

/** Where it stands at a turn, its ports by those before. */
function placeAt(deg: number, was: DialPlace, dial: ReadyDial): DialPlace {
  const { pressAt, releaseAt } = dial.feel;
  const value = valueAt(deg, dial);
  const isOn = (amount: number, before: boolean) => amount >= (before ? releaseAt : pressAt) - LENGTH_SLACK;
  return { deg, right: isOn(value, was.right), left: isOn(-value, was.left) };
}

/** Ends a touch; one that no tick has seen counts at the next tick. */
function end(state: DialState, dial: ReadyDial, contact: Contact): void {
  const { held } = state;
  if (!held) return;
  if (!held.seen) state.tap = held.place;
  if (isTap(held.trace, dial, contact)) state.tapped = true;
  if (dial.feel.rest === "stays") state.place = held.place;
  state.held = null;
}

/** Cancels a touch: the dial goes back; how far it was turned before counts. */
function cancel(state: DialState): void {
  if (state.held) state.place = state.held.mark;
  state.held = null;
}

/** Returns the current value, the direction ports, the turn since the last tick, and taps. */
function read(state: DialState, dial: ReadyDial): PortReading {
  const { held, tap, place, turned, tapped } = state;
  const { deg, left, right } = held?.place ?? tap ?? place;
  const x = valueAt(deg, dial);
  const active = Math.abs(x) > 0;
  const isHeld = held !== null || tap !== null;
  if (!isHeld && !active && !tapped && turned === 0) return AT_REST;
  return { ...AT_REST, x, turn: turned, held: isHeld, active, left, right, tapped };
}

/** After a tick: marks the touch as seen and clears what was given for one tick. */
function commit(state: DialState, dial: ReadyDial): void {
  state.tap = null;
  state.turned = 0;
  state.tapped = false;
  if (!state.held) return;
  state.held.seen = true;
  if (dial.feel.rest === "stays") state.held.mark = state.held.place;
}

const copy = ({ held, tap, place, turned, tapped }: DialState): DialState => ({ kind: "dial", held: held && { ...held }, tap, place, turned, tapped });

/** A dial goes on where it was left, if it still stays and its range reaches there. */
function carry(state: DialState, dial: ReadyDial): DialState {
  const carried = copy(state);
  const half = dial.feel.rangeDeg / 2;
  const placed = (place: DialPlace) => placeAt(clampTo(place.deg, -half, half), place, dial);
  carried.place = dial.feel.rest === "stays" && state.place !== NEUTRAL ? placed(state.place) : NEUTRAL;
  if (carried.held) {
    carried.held.place = placed(carried.held.place);
    carried.held.mark = dial.feel.rest === "stays" ? placed(carried.held.mark) : NEUTRAL;
  }
  return carried;
}

/** The turn to be drawn, degrees, clockwise positive. */
export const dialTurn = ({ held, place }: DialState): number => (held?.place ?? place).deg;

/** The behaviour of dials. */
export const dial: Behaviour<ReadyDial, DialState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, tap, turned, tapped }) => held === null && tap === null && turned === 0 && !tapped,
  givesAtRest: ({ place }) => place !== NEUTRAL,
  drop: (state) => {
    state.tapped = false;
  },
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry,
};
