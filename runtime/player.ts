/**
 * Plays a layout: takes timed events, runs due ticks, returns values. The caller provides the time; nothing here reads a clock.
 */
import { advanceInPlace, tickRoom, tickTime, type TickInput } from "../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { prepareInput, type InputSetup } from "../core/engine/input/setup";
import { carryOver } from "../core/engine/input/carryOver";
import { initialState, workingCopy, type InputState } from "../core/engine/input/inputState";
import { letGoOfHidden } from "../core/engine/input/touches";
import type { PlayedLayout, Screen } from "../core/engine/types";
import { prepareLayout } from "../core/engine/placement/prepare";
import { PLAIN_PLAYER_VIEW, resolve, type Resolved, type PlayerView } from "../core/engine/placement/resolve";
import { fitOwn, withOwn, type OwnChanges } from "./overrides";

/** The player: hand, size, moment, and overrides. */
export interface PlayedFor extends PlayerView {
  readonly own?: OwnChanges;
  /** Whether the state is changed in place, to avoid allocations in games; ticks then have no previous state. Default: copied. */
  readonly inPlace?: boolean;
}

/** A player of one layout on one screen. */
export interface Player {
  /** Queues an event and takes ownership: its time is set to the engine's time. Events must be in time order. */
  feed(event: InputEvent): void;
  /** Whether events wait for a tick. */
  hasEvents(): boolean;
  /**
   * Runs every tick due by `nowMs`. The last one handles all queued events, also later ones; with events but no due tick, the next tick runs
   * early. Calls `onTick` for each tick with its values, its time, and its events. Event times are set after the previous tick and not after
   * this one, so that a replay assigns each event to the same tick.
   */
  playTo(nowMs: number, onTick: (values: ActionValues, t: number, came: TickInput) => void): void;
  /** Replaces the layout while playing: the same controls, actions and repeats continue; removed ones are cancelled. */
  retune(layout: PlayedLayout, screen: Screen, playedFor?: PlayedFor): void;
  readonly resolved: () => Resolved;
  readonly setup: () => InputSetup;
  readonly state: () => InputState;
}

/** After a longer pause, the clock resumes instead of catching up, ms. */
const LONGEST_CATCH_UP_MS = 250;

/**
 * How early a tick may run when events wait, in ticks. At 120 frames and 60 ticks per second, every second frame has no due tick, but a press
 * must count there. Movements arrive every frame; they may use only half a tick, so that a press during a movement still fits.
 */
const URGENT_LEAD_TICKS = 1.5;
const MOVEMENT_LEAD_TICKS = 0.5;
/** Minimum time of an event after the previous tick, as a fraction of a tick: well above TIME_SLACK, so that a replay does not move it. */
const FIRST_PART_OF_TICK = 1e-3;

/** An event whose time the player may set. */
interface Timed {
  t: number;
}

/** Movements arrive every frame, other events once. */
const isMovement = (event: InputEvent): boolean => event.type === "move" || event.type === "pad" || (event.type === "mouse" && "dx" in event);

const placesOf = (layout: PlayedLayout, screen: Screen, playedFor: PlayedFor): Resolved => {
  const laidOut = resolve(prepareLayout(layout), screen, { ...playedFor, moment: null });
  return playedFor.own ? withOwn(laidOut, fitOwn(layout, laidOut, playedFor.own)) : laidOut;
};

/** When events are due, ms since tick 0: none counts before `earliest`, and the last due tick takes all. `zero`: the clock time of tick 0. */
interface DueSpan {
  readonly zero: number;
  readonly earliest: number;
  readonly latest: number;
  readonly isLast: boolean;
}

/** Takes the events of a tick out of the queue, their times within the tick and in order. */
function takeDue(queue: InputEvent[], { zero, earliest: from, latest, isLast }: DueSpan): InputEvent[] {
  const due: InputEvent[] = [];
  let earliest = from;
  let kept = 0;
  for (let i = 0; i < queue.length; i += 1) {
    const event = queue[i];
    const at = event.t - zero;
    if (at > latest && !isLast) queue[kept++] = event;
    else {
      (event as Timed).t = earliest = Math.min(latest, Math.max(earliest, at));
      due.push(event);
    }
  }
  queue.length = kept;
  return due;
}

export function createPlayer(layout: PlayedLayout, screen: Screen, hz: number, playerView: PlayedFor = PLAIN_PLAYER_VIEW): Player {
  let resolved = placesOf(layout, screen, playerView);
  let setup = prepareInput(layout, resolved, hz);
  let state = initialState(setup, playerView.moment);
  const { inPlace = false } = playerView;
  const room = tickRoom();
  const queue: InputEvent[] = [];
  let due: InputEvent[] = [];
  /** Whether the queue has other events than movements. */
  let isUrgent = false;
  let tick = 0;
  /** The time of the last event; a late event counts as current. */
  let fed = -Infinity;
  /** The clock time of tick 0. */
  let zero: number | null = null;

  return {
    feed(event) {
      fed = Math.max(fed, event.t);
      (event as Timed).t = fed;
      queue.push(event);
      isUrgent ||= !isMovement(event);
    },
    hasEvents: () => queue.length > 0,
    playTo(nowMs, onTick) {
      zero ??= nowMs;
      if (nowMs - zero - tickTime(tick, hz) > LONGEST_CATCH_UP_MS) zero = nowMs - tickTime(tick + 1, hz);
      const passed = nowMs - zero;
      const tickMs = 1000 / hz;
      for (;;) {
        const t = tickTime(tick + 1, hz);
        const lead = queue.length === 0 ? 0 : (isUrgent ? URGENT_LEAD_TICKS : MOVEMENT_LEAD_TICKS) * tickMs;
        if (t > passed + lead) return;
        tick += 1;
        const isLast = tickTime(tick + 1, hz) > passed;
        due = takeDue(queue, { zero, earliest: state.time + tickMs * FIRST_PART_OF_TICK, latest: t, isLast });
        if (isLast) isUrgent = false;
        const before = state;
        if (!inPlace) state = workingCopy(state);
        onTick(advanceInPlace(setup, state, { events: due, tickTime: t, room }), t, { events: due, before });
      }
    },
    retune(next, nextScreen, nextView = PLAIN_PLAYER_VIEW) {
      const before = setup;
      resolved = placesOf(next, nextScreen, nextView);
      setup = prepareInput(next, resolved, hz);
      const kept = carryOver(before, state, setup);
      kept.moment = nextView.moment;
      letGoOfHidden(setup, kept);
      state = kept;
      // Evaluate each held touch again, so that a changed feel applies without a movement.
      if (zero !== null) for (const touch of kept.touches) queue.push({ t: zero + kept.time, id: touch.id, type: "move", x: touch.x, y: touch.y });
    },
    resolved: () => resolved,
    setup: () => setup,
    state: () => state,
  };
}
