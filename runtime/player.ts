/**
 * Plays a layout: events come in with their times, ticks fall due, values go out. The shell owns the clock and says
 * what time it is; nothing here reads one.
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

/** Who plays: hand, size and moment, and what that player has changed for himself. */
export interface PlayedFor extends PlayerView {
  readonly own?: OwnChanges;
  /** Whether the state is changed in place, for a game's frames; what came in a tick then reports no state before. Copied by default. */
  readonly inPlace?: boolean;
}

/** A player of one layout on one screen. */
export interface Player {
  /** Queues an event, and takes it over: its time is set to what the engine uses. Events must come in time order. */
  feed(event: InputEvent): void;
  /** Whether events wait for a tick. */
  hasEvents(): boolean;
  /**
   * Plays every tick due by `nowMs`. The last one takes every event that was fed, also later ones; with events but no due tick the next tick is
   * played ahead of its time. Calls `onTick` for each tick: its values, its time, and its events with the times that the engine used, which lie
   * after the tick before and not after this one, so that a replay gives each event to the same tick.
   */
  playTo(nowMs: number, onTick: (values: ActionValues, t: number, came: TickInput) => void): void;
  /** Takes another layout while playing: what is the same control, action or repeat goes on, whatever its place; what is gone lets go as by cancel. */
  retune(layout: PlayedLayout, screen: Screen, playedFor?: PlayedFor): void;
  readonly resolved: () => Resolved;
  readonly setup: () => InputSetup;
  readonly state: () => InputState;
}

/** After a pause longer than this the clock is taken up again instead of being caught up with, ms. */
const LONGEST_CATCH_UP_MS = 250;

/**
 * How far ahead of the clock a tick may be played when events wait, in ticks. At 120 pictures a second and 60 ticks every second picture has no
 * due tick: a press must count there all the same. Movements come with every picture; they may use up only half a tick, so that a press next to
 * a moving finger still finds room.
 */
const URGENT_LEAD_TICKS = 1.5;
const MOVEMENT_LEAD_TICKS = 0.5;
/** An event counts at the earliest this part of a tick after the tick before: well above TIME_SLACK, so that a replay does not give it to that one. */
const FIRST_PART_OF_TICK = 1e-3;

/** An event whose time is the player's to set. */
interface Timed {
  t: number;
}

/** Movements come with every picture, other events once. */
const isMovement = (event: InputEvent): boolean => event.type === "move" || event.type === "pad" || (event.type === "mouse" && "dx" in event);

const placesOf = (layout: PlayedLayout, screen: Screen, playedFor: PlayedFor): Resolved => {
  const laidOut = resolve(prepareLayout(layout), screen, { ...playedFor, moment: null });
  return playedFor.own ? withOwn(laidOut, fitOwn(layout, laidOut, playedFor.own)) : laidOut;
};

export function createPlayer(layout: PlayedLayout, screen: Screen, hz: number, playerView: PlayedFor = PLAIN_PLAYER_VIEW): Player {
  let resolved = placesOf(layout, screen, playerView);
  let setup = prepareInput(layout, resolved, hz);
  let state = initialState(setup, playerView.moment);
  const { inPlace = false } = playerView;
  const room = tickRoom();
  const queue: InputEvent[] = [];
  let due: InputEvent[] = [];
  /** Whether the queue holds more than movements. */
  let isUrgent = false;
  let tick = 0;
  /** The time of the event fed last: what is reported late counts as told now. */
  let fed = -Infinity;
  /** What the clock showed at tick 0. */
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
        let earliest = state.time + tickMs * FIRST_PART_OF_TICK;
        due = [];
        let kept = 0;
        for (let i = 0; i < queue.length; i += 1) {
          const event = queue[i];
          const at = event.t - zero;
          if (at > t && !isLast) queue[kept++] = event;
          else {
            (event as Timed).t = earliest = Math.min(t, Math.max(earliest, at));
            due.push(event);
          }
        }
        queue.length = kept;
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
      // Each thumb that is down is judged again where it lies, so that a change of feel is felt without a movement.
      if (zero !== null) for (const touch of kept.touches) queue.push({ t: zero + kept.time, id: touch.id, type: "move", x: touch.x, y: touch.y });
    },
    resolved: () => resolved,
    setup: () => setup,
    state: () => state,
  };
}
