/** `nodulum-runtime/recording`: what a hand does while it plays, as a take (docs/TAKES.md) that the editor and the command line take in. */
import type { InputEvent } from "../core/engine/input/events";
import type { Handle } from "./handle";

export interface TakeRecorder {
  /** Ends it and gives the take's file as text. */
  stop(name?: string): string;
  /** How long it has been going on, ms. */
  readonly lengthMs: () => number;
}

/** A take holds no more than this (docs/TAKES.md). */
const MOST_MS = 1_800_000;
const MOST_EVENTS = 200_000;

/** Begins to record. A take begins with nothing held: what is down already is omitted until its next down. */
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
