/**
 * What is seen of play, frame by frame, and who hears of it: what every action gives, how the followed control feels, which controls are
 * touched. It hears of the hands that play, or of the take that is open. It knows nothing of React: see `usePlay`.
 */
import type { ActionValues } from "../../core/engine/input/events";
import { readFeel, type FeelState } from "../../core/rehearsal/feelChain";
import type { PlayedState } from "../../core/rehearsal/traceLog";
import type { Player } from "../../runtime/player";
import { createTouchedControls, type OnTouched } from "./touched";

/** Adds a listener; returns what removes it. */
export type Listen<T> = (listener: (told: T) => void) => () => void;

interface Listeners<T> {
  readonly add: Listen<T>;
  tell(told: T): void;
  areAny(): boolean;
}

export function createListeners<T>(): Listeners<T> {
  const all = new Set<(told: T) => void>();
  return {
    add(listener) {
      all.add(listener);
      return () => void all.delete(listener);
    },
    tell: (told) => all.forEach((listener) => listener(told)),
    areAny: () => all.size > 0,
  };
}

/** What is watched now. */
export interface Watched {
  /** The control whose feel is shown, by its id. */
  readonly followed: string | undefined;
  readonly isTakeOpen: boolean;
  readonly isLooped: (touch: number) => boolean;
}

export interface PlayWatch {
  /** What every action gives now. */
  readonly values: { readonly current: ActionValues };
  readonly onFeel: Listen<FeelState>;
  readonly onFrame: Listen<void>;
  /** Hears which controls are touched. */
  readonly onTouched: OnTouched;
  update(watched: Watched): void;
  /** A frame has been drawn with these values. */
  drawn(given: ActionValues): void;
  /** A frame has been played. */
  played(player: Player): void;
  /** A take has been shown at a tick. */
  takeShown(at: PlayedState, given: ActionValues): void;
}

/** `onTouched`: called with the control that a hand touched last. */
export function createPlayWatch(onTouched: (id: string) => void): PlayWatch {
  let watched: Watched = { followed: undefined, isTakeOpen: false, isLooped: () => false };
  const values: { current: ActionValues } = { current: {} };
  const feels = createListeners<FeelState>();
  const frames = createListeners<void>();
  const touched = createTouchedControls();
  const look = (player: Pick<Player, "setup" | "state">, isLooped: Watched["isLooped"]) => {
    const last = touched.look(player, isLooped);
    if (last !== null) onTouched(last);
  };
  const tellFeel = (at: PlayedState, given: ActionValues) => {
    const felt = watched.followed !== undefined && feels.areAny() ? readFeel(at, watched.followed, given) : null;
    if (felt) feels.tell(felt);
  };
  return {
    values,
    onFeel: feels.add,
    onFrame: frames.add,
    onTouched: touched.onTouched,
    update(next) {
      watched = next;
    },
    drawn(given) {
      values.current = given;
    },
    played(player) {
      if (!watched.isTakeOpen) {
        look(player, watched.isLooped);
        tellFeel({ setup: player.setup(), state: player.state() }, values.current);
      }
      frames.tell();
    },
    takeShown(at, given) {
      look({ setup: () => at.setup, state: () => at.state }, () => false);
      tellFeel(at, given);
    },
  };
}
