/**
 * The typed client of the checks worker. While one request is under way only the latest waits; those between are never asked.
 * Answers come in the order of the requests, so an older one never follows a newer. During a drag an answer may be of the
 * layout a moment ago; whether it is still wanted (another layout may be open by now) is for `done` to say.
 */
import { wrap, type Remote } from "comlink";
import type { Finding } from "../core/checks/finding";
import type { Layout, Screen } from "../core/layout/types";
import type { ChecksApi } from "./checks.worker";

export interface Checker {
  /** Asks for the findings of a layout on screens; `done` hears the answer unless a later request has taken this one's place in the queue. */
  request(layout: Layout, screens: readonly Screen[], done: (findings: Record<string, Finding[]>) => void): void;
  dispose(): void;
}

/** Between two answers the page gets this long to itself, ms: findings may follow a drag by a tenth of a second, the drag itself may not wait. */
const BREATH_MS = 90;

interface Request {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly done: (findings: Record<string, Finding[]>) => void;
}

/** Starts the worker. */
export function createChecker(): Checker {
  const worker = new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" });
  const remote: Remote<ChecksApi> = wrap<ChecksApi>(worker);
  let waiting: Request | null = null;
  let busy = false;
  let disposed = false;

  const run = async (): Promise<void> => {
    busy = true;
    while (waiting !== null && !disposed) {
      const { layout, screens, done }: Request = waiting;
      waiting = null;
      try {
        const found = await remote.check(layout, screens);
        if (!disposed) done(Object.fromEntries(screens.map((screen, i) => [screen.name, found[i]])));
      } catch (error) {
        console.error("The checks worker failed.", error);
      }
      await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
    }
    busy = false;
  };

  return {
    request(layout, screens, done) {
      waiting = { layout, screens, done };
      if (!busy) void run();
    },
    dispose() {
      disposed = true;
      worker.terminate();
    },
  };
}
