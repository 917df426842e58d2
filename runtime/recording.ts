/** `nodulum-runtime/recording`: records input as a take (docs/TAKES.md) for the editor and the command line. */
import type { InputEvent } from "../core/engine/input/events";
import type { Handle } from "./handle";

export interface TakeRecorder {
  /** Stops recording and returns the take file as text. */
  stop(name?: string): string;
  /** Returns the recorded time, ms. */
  readonly lengthMs: () => number;
}

/** Maximum number of events (docs/TAKES.md). */
const MOST_MS = 1_800_000;
const MOST_EVENTS = 200_000;

/** Starts recording. Touches that are already down are omitted until their next `down`. */
export function record(handle: Pick<Handle, "onTick" | "digest" | "screen" | "handed" | "playerSize" | "hz" | "moment">): TakeRecorder {
  const { digest, screen, handed, playerSize, hz, moment } = handle;
  const events: InputEvent[] = [];
  let from: number | null = null;
  let last = 0;
  const stop = handle.onTick((_values, timeMs, came) => {
    from ??= timeMs - 1000 / hz;
    last = timeMs - from;
    if (last > MOST_MS) return;
    for (const event of came) if (events.length < MOST_EVENTS) events.push({ ...event, t: Math.max(0, event.t - from) });
  });
  return {
    lengthMs: () => last,
    stop(name = "in the game") {
      stop();
      return JSON.stringify({ format: "nodulum-take", version: 1, name, layout: digest, screen, handed, playerSize, hz, moment, events, frames: null });
    },
  };
}
