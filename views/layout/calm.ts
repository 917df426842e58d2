/**
 * A value that keeps calm while something is dragged: it follows at most every so often, so that what is not about the drag does not
 * draw again with every frame of it; otherwise it follows at once.
 */

/** What is followed. */
export interface CalmSource<T> {
  readonly now: () => T;
  /** Whether to keep calm just now. */
  readonly dragging: () => boolean;
  /** Calls back at every change of either; gives the way to stop. */
  readonly subscribe: (onChange: () => void) => () => void;
}

/** A store for `useSyncExternalStore`. */
export interface Calm<T> {
  readonly get: () => T;
  readonly subscribe: (onChange: () => void) => () => void;
}

/** The clock and the timer of the page, in ms; handed in by tests. */
export interface CalmClock {
  readonly now: () => number;
  readonly later: (act: () => void, ms: number) => unknown;
  readonly forget: (timer: never) => void;
}
const PAGE: CalmClock = { now: () => performance.now(), later: (act, ms) => setTimeout(act, ms), forget: (timer) => clearTimeout(timer) };

/** Follows a source, at most every `everyMs` while it is dragged. */
export function createCalm<T>(source: CalmSource<T>, everyMs: number, clock: CalmClock = PAGE): Calm<T> {
  let shown = source.now();
  let lookedAt = -Infinity;
  return {
    get: () => shown,
    subscribe(onChange) {
      let timer: unknown = null;
      const look = () => {
        if (timer !== null) clock.forget(timer as never);
        timer = null;
        lookedAt = clock.now();
        const next = source.now();
        if (Object.is(next, shown)) return;
        shown = next;
        onChange();
      };
      const onSource = () => {
        const wait = source.dragging() ? lookedAt + everyMs - clock.now() : 0;
        if (wait <= 0) look();
        else timer ??= clock.later(look, wait);
      };
      const stop = source.subscribe(onSource);
      // Something may have changed between the first look and now.
      onSource();
      return () => {
        if (timer !== null) clock.forget(timer as never);
        stop();
      };
    },
  };
}
