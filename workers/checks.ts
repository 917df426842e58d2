/**
 * The typed client of the checks worker. While one request is under way only the latest waits; those between are never asked.
 * Answers come in the order of the requests, so an older one never follows a newer. During a drag an answer may be of the
 * layout a moment ago; whether it is still wanted (another layout may be open by now) is for `done` to say.
 */
import type { FixOffer } from "../core/checks/check";
import type { Still } from "../core/checks/contrast";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { Layout, Screen } from "../core/format/types";
import type { ChecksService, ScreenFindings } from "./checksService";
import type { Connection } from "./connect";
import { createMirrorSender, type MirrorSender } from "./mirror";

export type { FixOffer, ScreenFindings };

/** A still of the backdrop by which looks are judged: known by its key, read only when the worker does not have it yet. */
export interface StillSource {
  readonly key: string;
  readonly read: () => Still;
}
/** What is asked: the findings of a layout on screens, for a player. */
export interface Asked {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly playerView: PlayerView;
  /** For each screen the still behind its controls. */
  readonly stills: readonly StillSource[];
  /** The names of the screens whose findings are read; of all others only the counts are wanted. */
  readonly read: readonly string[];
}

/** The checks, asked from the page. */
export interface Checker {
  /** Asks for the findings of a layout on screens; `done` hears the answer, by the screens' names, unless a later request has taken this one's place in the queue. */
  request(asked: Asked, done: (findings: Record<string, ScreenFindings>) => void): void;
  /** The small moves that fix findings on a screen; an answer that a later question has overtaken is null. */
  fixes(layout: Layout, screen: Screen, playerView: PlayerView): Promise<FixOffer[] | null>;
  dispose(): void;
}

/** Between two answers the page gets this long to itself, ms: findings may follow a drag by a tenth of a second, the drag itself may not wait. */
const BREATH_MS = 90;

interface Request extends Asked {
  readonly done: (findings: Record<string, ScreenFindings>) => void;
}

/** Checks need no pictures, and pictures are dear to send. */
const withoutPictures = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });
const isSameList = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((item, i) => item === b[i]);

/** What has been told to the worker so far. */
interface Told {
  readonly mirror: MirrorSender;
  screens: readonly Screen[];
  readonly stills: Set<string>;
}

/** Asks the worker one question; what it knows already is not sent again. */
async function ask({ remote, broken }: Connection<ChecksService>, told: Told, asked: Asked): Promise<Record<string, ScreenFindings>> {
  const { layout, screens, playerView, stills, read } = asked;
  for (const still of stills)
    if (!told.stills.has(still.key)) {
      told.stills.add(still.key);
      await remote.keepStill(still.key, still.read());
    }
  const same = isSameList(told.screens, screens);
  told.screens = screens;
  const update = told.mirror.update(withoutPictures(layout));
  const question = { update, screens: same ? null : screens, playerView, stills: stills.map((s) => s.key), read };
  const found = await Promise.race([remote.check(question), broken]);
  return Object.fromEntries(screens.map((screen, i) => [screen.name, found[i]]));
}

/** A client over a connection; `breathMs`: the pause between two answers. */
export function createChecker(connection: Connection<ChecksService>, breathMs = BREATH_MS): Checker {
  const told: Told = { mirror: createMirrorSender(), screens: [], stills: new Set() };
  const failed = (error: unknown) => {
    console.error("The checks worker failed.", error);
    // Whether the question was heard is not known.
    told.mirror.reset();
    told.screens = [];
  };
  let waiting: Request | null = null;
  let busy = false;
  let disposed = false;
  let generation = 0;

  const run = async (): Promise<void> => {
    busy = true;
    while (waiting !== null && !disposed) {
      const request: Request = waiting;
      waiting = null;
      try {
        const found = await ask(connection, told, request);
        if (!disposed) request.done(found);
      } catch (error) {
        failed(error);
      }
      await new Promise((resolve) => setTimeout(resolve, breathMs));
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
        const offers = await Promise.race([connection.remote.fixes(told.mirror.update(withoutPictures(layout)), screen, playerView), connection.broken]);
        return mine === generation && !disposed ? offers : null;
      } catch (error) {
        failed(error);
        return null;
      }
    },
    dispose() {
      disposed = true;
      connection.stop();
    },
  };
}
