/**
 * A button counts contacts. A press starts when they go from none to one and ends when the last one goes; what each
 * way of pressing makes of that is decided when a tick reads it. What has ended before a tick could see it waits in `due`.
 */
import { contains } from "../geometry/shape";
import { TIME_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadyButton } from "./ready";

interface Press {
  /** When it started, ms. */
  start: number;
  double: boolean;
  /** Whether a tick has seen it, and whether one has seen it as long. */
  seen: boolean;
  longSeen: boolean;
}
/** A button between two ticks: the touches on it (`slid`: it came by sliding), the press under way, whether a latch is on. Times are ms. */
export interface ButtonState {
  kind: "button";
  contacts: { touch: number; slid: boolean }[];
  press: Press | null;
  latched: boolean;
  /** The start that the next press may be the second of, and what it was before the present press. */
  previous: number | null;
  beforePrevious: number | null;
  /** What ended presses still owe the next tick. */
  pending: { tap: boolean; release: boolean; long: boolean; double: boolean };
}

const nothingPending = () => ({ tap: false, release: false, long: false, double: false });
/** A button at rest. */
const rest = (): ButtonState => ({
  kind: "button",
  contacts: [],
  press: null,
  latched: false,
  previous: null,
  beforePrevious: null,
  pending: nothingPending(),
});

/** A touch comes onto the button at its time; the first one starts a press. `slid`: it slid in and does not stay when it leaves. */
function begin(state: ButtonState, button: ReadyButton, { touch, t }: Contact, slid: boolean): void {
  state.contacts.push({ touch, slid });
  if (state.contacts.length > 1) return;
  const double = state.previous !== null && t - state.previous <= button.feel.withinMs + TIME_SLACK;
  state.beforePrevious = state.previous;
  state.previous = double ? null : t;
  state.press = { start: t, double, seen: false, longSeen: false };
  if (button.feel.press === "latch") state.latched = !state.latched;
}

/** Brings the contact of a touch up to date; true where the thumb has left it and the button lets go. */
function move(state: ButtonState, button: ReadyButton, { touch, x, y, t }: Contact): boolean {
  const contact = state.contacts.find((c) => c.touch === touch);
  if (!contact || contains(button.hit, x, y) || (button.feel.slideOut === "keep" && !contact.slid)) return false;
  drop(state, touch);
  if (state.contacts.length === 0) endPress(state, button, t, false);
  return true;
}

/** A touch is lifted, ms; the last one ends the press, and only inside the hit area does `release` fire. A touch that is not on it changes nothing. */
function end(state: ButtonState, button: ReadyButton, { touch, x, y, t }: Contact): void {
  drop(state, touch);
  if (state.contacts.length === 0) endPress(state, button, t, contains(button.hit, x, y));
}

/** A touch is taken away: what no tick has seen of its press never was, and a latch it turned turns back. */
function cancel(state: ButtonState, button: ReadyButton, touch: number): void {
  drop(state, touch);
  if (state.contacts.length > 0 || !state.press) return;
  state.previous = state.beforePrevious;
  if (!state.press.seen && button.feel.press === "latch") state.latched = !state.latched;
  state.press = null;
}

/** What the button gives at the tick at this time, ms. */
function read(state: ButtonState, button: ReadyButton, tickTime: number): PortReading {
  return pressed(state, button.feel, tickTime) ? PRESSED : AT_REST;
}
/** A button that is pressed: the same at every tick. */
const PRESSED: PortReading = { ...AT_REST, press: true };

/** After a tick at this time, ms: what it gave is seen, what was owed is given. */
function commit(state: ButtonState, button: ReadyButton, tickTime: number): void {
  const { tap, release, long, double } = state.pending;
  if (tap || release || long || double) state.pending = nothingPending();
  if (!state.press) return;
  state.press.seen = true;
  if (isLong(state.press, button.feel.longMs, tickTime)) state.press.longSeen = true;
}

function pressed(state: ButtonState, feel: ReadyButton["feel"], tickTime: number): boolean {
  const { press, pending } = state;
  switch (feel.press) {
    case "hold":
      return press !== null || pending.tap;
    case "latch":
      return state.latched;
    case "pulse":
      return (press !== null && !press.seen) || pending.tap;
    case "release":
      return pending.release;
    case "long":
      return (press !== null && isLong(press, feel.longMs, tickTime)) || pending.long;
    case "double":
      return press?.double === true || pending.double;
  }
}

function isLong(press: Press, longMs: number, at: number): boolean {
  return at - press.start >= longMs - TIME_SLACK;
}

function drop(state: ButtonState, touch: number): void {
  state.contacts = state.contacts.filter((c) => c.touch !== touch);
}

function endPress(state: ButtonState, button: ReadyButton, t: number, upInside: boolean): void {
  const { press, pending } = state;
  if (!press) return;
  if (!press.seen) pending.tap = true;
  if (!press.seen && press.double) pending.double = true;
  if (upInside) pending.release = true;
  if (!press.longSeen && isLong(press, button.feel.longMs, t)) pending.long = true;
  state.press = null;
}

function copy({ contacts, press, latched, previous, beforePrevious, pending }: ButtonState): ButtonState {
  return {
    kind: "button",
    contacts: contacts.slice(),
    press: press && { start: press.start, double: press.double, seen: press.seen, longSeen: press.longSeen },
    latched,
    previous,
    beforePrevious,
    pending: { tap: pending.tap, release: pending.release, long: pending.long, double: pending.double },
  };
}

/** A latch goes on only if the button still latches. */
function carry(state: ButtonState, { feel }: ReadyButton): ButtonState {
  const carried = copy(state);
  if (feel.press !== "latch") carried.latched = false;
  return carried;
}

/** The behaviour of buttons. */
export const button: Behaviour<ReadyButton, ButtonState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ press, contacts, pending }) => press === null && contacts.length === 0 && !pending.tap && !pending.release && !pending.long && !pending.double,
  givesAtRest: ({ latched }) => latched,
  drop: () => undefined,
  // Any number of touches may be on a button, and each may be on others too.
  capturedBy: () => null,
  copy,
  carry,
};
