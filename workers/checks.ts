/**
 * The typed client of the checks worker. While one request is under way only the latest waits; those between are never asked.
 * Answers come in the order of the requests, so an older one never follows a newer. During a drag an answer may be of the
 * layout a moment ago; whether it is still wanted (another layout may be open by now) is for `done` to say.
 */
import { wrap, type Remote } from "comlink";
import type { fixesOn } from "../core/checks/check";
import type { Still } from "../core/checks/contrast";
import type { Finding } from "../core/checks/finding";
import type { Layout, Screen } from "../core/format/types";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { ChecksApi } from "./checks.worker";

/** A move that fixes a finding, with the finding it belongs to. */
export type FixOffer = ReturnType<typeof fixesOn>[number];

/** A still of the backdrop by which looks are judged: known by its key, read only when the worker does not have it yet. */
export interface StillSource {
  readonly key: string;
  readonly read: () => Still;
}
export interface Asked {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly playerView: PlayerView;
  /** For each screen the still behind its controls. */
  readonly stills: readonly StillSource[];
}

export interface Checker {
  /** Asks for the findings of a layout on screens; `done` hears the answer unless a later request has taken this one's place in the queue. */
  request(asked: Asked, done: (findings: Record<string, Finding[]>) => void): void;
  /** The small moves that fix findings on a screen; an answer that a later question has overtaken is null. */
  fixes(layout: Layout, screen: Screen, playerView: PlayerView): Promise<FixOffer[] | null>;
  dispose(): void;
}

/** Between two answers the page gets this long to itself, ms: findings may follow a drag by a tenth of a second, the drag itself may not wait. */
const BREATH_MS = 90;

interface Request extends Asked {
  readonly done: (findings: Record<string, Finding[]>) => void;
}

/** Checks need no pictures, and pictures are dear to send. */
const withoutPictures = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });

/** Starts the worker. */
export function createChecker(): Checker {
  const worker = new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" });
  const remote: Remote<ChecksApi> = wrap<ChecksApi>(worker);
  let waiting: Request | null = null;
  let busy = false;
  let disposed = false;
  let generation = 0;
  const sent = new Set<string>();

  const run = async (): Promise<void> => {
    busy = true;
    while (waiting !== null && !disposed) {
      const { layout, screens, playerView, stills, done }: Request = waiting;
      waiting = null;
      try {
        for (const still of stills)
          if (!sent.has(still.key)) {
            sent.add(still.key);
            await remote.keepStill(still.key, still.read());
          }
        const found = await remote.check(
          withoutPictures(layout),
          screens,
          playerView,
          stills.map((s) => s.key),
        );
        if (!disposed) done(Object.fromEntries(screens.map((screen, i) => [screen.name, found[i]])));
      } catch (error) {
        console.error("The checks worker failed.", error);
      }
      await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
    }
    busy = false;
  };

  return {
    request(asked, done) {
      waiting = { ...asked, done };
      if (!busy) void run();
    },
    async fixes(layout, screen, playerView) {
      generation += 1;
      const mine = generation;
      try {
        const offers = await remote.fixes(withoutPictures(layout), screen, playerView);
        return mine === generation && !disposed ? offers : null;
      } catch (error) {
        console.error("The checks worker failed.", error);
        return null;
      }
    },
    dispose() {
      disposed = true;
      worker.terminate();
    },
  };
}
