/**
 * Plays a layout: events come in with their times, ticks fall due, values go out. The shell owns the clock and says
 * what time it is; nothing here reads one.
 */
import { advance, tickTime, type TickInput } from "../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { prepareInput, type InputSetup } from "../core/engine/input/setup";
import { carryOver } from "../core/engine/input/carryOver";
import { initialState, type InputState } from "../core/engine/input/state";
import { letGoOfHidden } from "../core/engine/input/touches";
import type { PlayedLayout, Screen } from "../core/engine/types";
import { prepareLayout } from "../core/engine/placement/prepare";
import { PLAIN_PLAYER_VIEW, resolve, type Resolved, type PlayerView } from "../core/engine/placement/resolve";
import { fitOwn, withOwn, type OwnChanges } from "./own";

/** Who plays: hand, size and moment, and what that player has changed for himself. */
export interface PlayedFor extends PlayerView {
  readonly own?: OwnChanges;
}

/** A player of one layout on one screen. */
export interface Player {
  /** Queues an event; events must come in time order. */
  feed(event: InputEvent): void;
  /** Plays every tick due by `nowMs`; `onTick` is called for each: what it gave, its time, and what came in it. */
  playTo(nowMs: number, onTick: (values: ActionValues, t: number, came: TickInput) => void): void;
  /** Takes another layout while playing: what is the same control, action or repeat goes on, whatever its place; what is gone lets go as by cancel. */
  retune(layout: PlayedLayout, screen: Screen, playedFor?: PlayedFor): void;
  readonly resolved: () => Resolved;
  readonly setup: () => InputSetup;
  readonly state: () => InputState;
}

/** After a pause longer than this the clock is taken up anew instead of being caught up with, ms. */
const LONGEST_CATCH_UP_MS = 250;

const placesOf = (layout: PlayedLayout, screen: Screen, playedFor: PlayedFor): Resolved => {
  const laidOut = resolve(prepareLayout(layout), screen, { ...playedFor, moment: null });
  return playedFor.own ? withOwn(laidOut, fitOwn(layout, laidOut, playedFor.own)) : laidOut;
};

export function createPlayer(layout: PlayedLayout, screen: Screen, hz: number, playerView: PlayedFor = PLAIN_PLAYER_VIEW): Player {
  let resolved = placesOf(layout, screen, playerView);
  let setup = prepareInput(layout, resolved, hz);
  let state = initialState(setup, playerView.moment);
  let queue: InputEvent[] = [];
  let tick = 0;
  /** The time of the event fed last: what is told late counts as told now. */
  let fed = -Infinity;
  /** What the clock showed at tick 0. */
  let zero: number | null = null;

  return {
    feed(event) {
      fed = Math.max(fed, event.t);
      queue.push({ ...event, t: fed });
    },
    playTo(nowMs, onTick) {
      zero ??= nowMs;
      if (nowMs - zero - tickTime(tick, hz) > LONGEST_CATCH_UP_MS) zero = nowMs - tickTime(tick + 1, hz);
      while (tickTime(tick + 1, hz) <= nowMs - zero) {
        tick += 1;
        const t = tickTime(tick, hz);
        const due: InputEvent[] = [];
        const later: InputEvent[] = [];
        for (const event of queue) {
          const at = { ...event, t: event.t - zero };
          if (at.t <= t) due.push({ ...at, t: Math.max(state.time, at.t) });
          else later.push(event);
        }
        queue = later;
        const before = state;
        const step = advance(setup, state, due, t);
        state = step.state;
        onTick(step.values, t, { events: due, before });
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
      // Each thumb that is down is judged anew where it lies, so that a change of feel is felt without a movement.
      if (zero !== null) for (const touch of kept.touches) queue.push({ t: zero + kept.time, id: touch.id, type: "move", x: touch.x, y: touch.y });
    },
    resolved: () => resolved,
    setup: () => setup,
    state: () => state,
  };
}
