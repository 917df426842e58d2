/** A swipe fires when the thumb has gone far enough from where it started (or from where it was a short while ago), in the direction it went. */
import { magnitude } from "../geometry/point";
import { LENGTH_SLACK, TIME_SLACK } from "../geometry/tolerances";
import type { Behaviour } from "./behaviour";
import { angleOf, snapIndex, unitAt, withinPort } from "./directions";
import type { Contact } from "./events";
import { AT_REST, type PortReading } from "./ports";
import type { ReadySwipe } from "./ready";
import { isTap, tapBegun, tapMoved, type TapTrace } from "./tap";

interface PathPoint {
  t: number;
  x: number;
  y: number;
}
/** A swipe between two ticks: points in screen px, times in ms, the direction of a fire as a unit vector, y up. */
export interface SwipeState {
  kind: "swipe";
  held: {
    touch: number;
    start: PathPoint;
    /** Where the touch was, oldest first; kept no longer than `withinMs` needs. */
    path: PathPoint[];
    fire: { x: number; y: number; seen: boolean } | null;
    done: boolean;
    trace: TapTrace;
  } | null;
  /** A fire that no tick has seen, of a touch that is gone. */
  pending: { x: number; y: number } | null;
  tapped: boolean;
}

/** A swipe at rest. */
const rest = (): SwipeState => ({ kind: "swipe", held: null, pending: null, tapped: false });

/** Starts a touch (screen px, ms); the distance is measured from here. */
function begin(state: SwipeState, _: ReadySwipe, contact: Contact): void {
  const { touch, x, y, t } = contact;
  state.held = { touch, start: { t, x, y }, path: [{ t, x, y }], fire: null, done: false, trace: tapBegun(contact) };
}

/** Its touch moves, screen px, ms; where it has gone `distanceMm` it fires. Without a touch it has no effect. */
function move(state: SwipeState, swipe: ReadySwipe, contact: Contact): boolean {
  const held = state.held;
  if (!held) return false;
  const { x, y, t } = contact;
  held.trace = tapMoved(held.trace, swipe, contact);
  if (held.done) return false;
  const { feel } = swipe;
  if (feel.withinMs > 0) {
    // The last point, in order of arrival, that is old enough; the one being judged is not among them yet.
    const since = Math.max(held.start.t, t - feel.withinMs);
    let at = held.path.length - 1;
    while (at > 0 && held.path[at].t > since + TIME_SLACK) at -= 1;
    held.path.splice(0, at);
    held.start = held.path[0];
    held.path.push({ t, x, y });
  }
  const dx = x - held.start.x;
  const dy = held.start.y - y;
  const far = magnitude(dx, dy);
  if (far < feel.distanceMm * swipe.mmPx - LENGTH_SLACK || far === 0) return false;
  held.fire = { ...directionOf(dx / far, dy / far, feel.directions), seen: false };
  if (feel.again === "never") held.done = true;
  else {
    held.start = { t, x, y };
    held.path = [{ t, x, y }];
  }
  return false;
}

/** Its touch is lifted; a fire that no tick has seen is owed to the next. */
function end(state: SwipeState, swipe: ReadySwipe, contact: Contact): void {
  const fire = state.held?.fire;
  if (fire && !fire.seen) state.pending = { x: fire.x, y: fire.y };
  if (state.held && isTap(state.held.trace, swipe, contact)) state.tapped = true;
  state.held = null;
}

/** Its touch is taken away, and a fire of it that no tick has seen. */
function cancel(state: SwipeState): void {
  state.held = null;
}

/** Returns the current values: the direction of its last fire, by its `output` for one tick or as long as it holds. */
function read(state: SwipeState, swipe: ReadySwipe): PortReading {
  const fire = state.held?.fire;
  const out = fire && (!fire.seen || swipe.feel.output === "hold") ? fire : state.pending;
  if (!out) return state.tapped ? ONLY_TAPPED : AT_REST;
  const angle = angleOf(out.x, out.y);
  return {
    ...AT_REST,
    vx: out.x,
    vy: out.y,
    right: withinPort(angle, 0),
    up: withinPort(angle, 90),
    left: withinPort(angle, 180),
    down: withinPort(angle, 270),
    tapped: state.tapped,
  };
}
/** A swipe that was tapped and has not fired. */
const ONLY_TAPPED: PortReading = { ...AT_REST, tapped: true };

/** After a tick: what was owed is given, a fire has been seen. */
function commit(state: SwipeState): void {
  state.pending = null;
  state.tapped = false;
  if (state.held?.fire) state.held.fire.seen = true;
}

function directionOf(x: number, y: number, directions: number): { x: number; y: number } {
  if (directions === 0) return { x, y };
  const [ux, uy] = unitAt((snapIndex(angleOf(x, y), directions, null, 0) * 360) / directions);
  return { x: ux, y: uy };
}

function copy({ held, pending, tapped }: SwipeState): SwipeState {
  return { kind: "swipe", held: held && { ...held, path: held.path.slice(), fire: held.fire && { ...held.fire } }, pending, tapped };
}

/** The behaviour of swipes. */
export const swipe: Behaviour<ReadySwipe, SwipeState> = {
  rest,
  begin,
  move,
  end,
  cancel,
  read,
  commit,
  isIdle: ({ held, pending, tapped }) => held === null && pending === null && !tapped,
  givesAtRest: () => false,
  drop: (state) => {
    state.pending = null;
    state.tapped = false;
  },
  capturedBy: ({ held }) => held?.touch ?? null,
  copy,
  carry: copy,
};
