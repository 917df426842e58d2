/**
 * The typed client of the checks worker. While one request is under way only the latest waits; those between are never asked.
 * Answers come in the order of the requests, so an older one never follows a newer. During a drag an answer may be of the
 * layout a moment ago; whether it is still wanted (another layout may be open by now) is for `done` to say.
 */
import type { FixOffer } from "../core/checks/check";
import type { PlayerCase } from "../core/checks/grid";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { Layout, Screen } from "../core/format/types";
import type { ChecksService, ScreenFindings } from "./checksService";
import type { Connection } from "./connect";
import { createMirrorSender, type MirrorSender } from "./layoutMirror";
import { createStillSender, type StillSender, type StillSource } from "./stills";
import { supervised, TooLongError, type Supervised } from "./supervised";

export type { FixOffer, ScreenFindings };

/** What is asked: the findings of a layout on screens. */
export interface ChecksRequest {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  /** The player whose findings are read. */
  readonly reader: PlayerCase;
  /** The players that are counted for. */
  readonly players: readonly PlayerCase[];
  /** For each screen the still behind its controls. */
  readonly stills: readonly StillSource[];
  /** The names of the screens whose findings are read; of all others only the counts are wanted. */
  readonly read: readonly string[];
}

/** The checks, asked from the page. */
export interface Checker {
  /** Asks for the findings of a layout on screens; `done` hears the answer, by the screens' names, unless a later request has taken this one's place in the queue. */
  request(asked: ChecksRequest, done: (findings: Record<string, ScreenFindings>) => void): void;
  /** The small moves that fix findings on a screen; an answer that a later question has overtaken is null. */
  fixes(layout: Layout, screen: Screen, playerView: PlayerView): Promise<FixOffer[] | null>;
  dispose(): void;
}

/** Between two answers the page gets this long to itself, ms: findings may follow a drag by a tenth of a second, the drag itself may not wait. */
const BREATH_MS = 90;

/** The largest layout there may be is checked on every screen within a few seconds; what takes longer is stopped, ms. */
const PATIENCE_MS = 20_000;

interface Request extends ChecksRequest {
  readonly done: (findings: Record<string, ScreenFindings>) => void;
}

/** Checks need no pictures, and pictures are dear to send. */
const withoutPictures = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });
const isSameList = (a: readonly unknown[], b: readonly unknown[]) => a.length === b.length && a.every((item, i) => item === b[i]);

/** What has been reported to the worker so far. */
interface ChecksEvents {
  readonly mirror: MirrorSender;
  screens: readonly Screen[];
  readonly stills: StillSender;
}

/** Asks the worker one question; what it knows already is not sent again. */
async function ask(worker: Supervised<ChecksService>, told: ChecksEvents, asked: ChecksRequest): Promise<Record<string, ScreenFindings>> {
  const { layout, screens, reader, players, stills, read } = asked;
  const found = await worker.ask(async (remote) => {
    const sent: Promise<void>[] = [];
    const keys = told.stills.send(stills, (key, still) => sent.push(remote.keepStill(key, still)));
    await Promise.all(sent);
    const same = isSameList(told.screens, screens);
    told.screens = screens;
    const update = told.mirror.update(withoutPictures(layout));
    return remote.check({ update, screens: same ? null : screens, reader, players, stills: keys, read });
  });
  return Object.fromEntries(screens.map((screen, i) => [screen.name, found[i]]));
}

/** How the checks are had. */
export interface CheckerOptions {
  /** The pause between two answers, ms. */
  readonly breathMs?: number;
  readonly patienceMs?: number;
  /** Hears which layout the checks had to be stopped over. It is not asked about again before it changes; all others are. */
  readonly stoppedOver?: (layout: Layout) => void;
}

/** Works on one request after the other, with a pause between them; of those that came meanwhile only the newest. */
function newestFirst<T>(breathMs: number, work: (request: T) => Promise<void>): (request: T) => void {
  let waiting: T | null = null;
  let isBusy = false;
  const run = async (): Promise<void> => {
    isBusy = true;
    while (waiting !== null) {
      const request: T = waiting;
      waiting = null;
      await work(request);
      await new Promise((resolve) => setTimeout(resolve, breathMs));
    }
    isBusy = false;
  };
  return (request) => {
    waiting = request;
    if (!isBusy) void run();
  };
}

/** A client over workers, of which `connect` starts one. */
export function createChecker(connect: () => Connection<ChecksService>, options: CheckerOptions = {}): Checker {
  const { breathMs = BREATH_MS, patienceMs = PATIENCE_MS, stoppedOver } = options;
  const told: ChecksEvents = { mirror: createMirrorSender(), screens: [], stills: createStillSender() };
  const forget = () => {
    told.mirror.reset();
    told.screens = [];
  };
  const started = () => {
    forget();
    told.stills.reset();
  };
  const worker = supervised({ connect, patienceMs, started });
  let atFault: Layout | null = null;
  const failed = (error: unknown, layout: Layout) => {
    console.error("The checks failed.", error);
    // Whether the question was heard is not known.
    forget();
    if (!(error instanceof TooLongError) || disposed) return;
    atFault = layout;
    stoppedOver?.(layout);
  };
  let disposed = false;
  let generation = 0;
  const putIn = newestFirst<Request>(breathMs, async (request) => {
    if (disposed) return;
    try {
      const found = await ask(worker, told, request);
      if (!disposed) request.done(found);
    } catch (error) {
      failed(error, request.layout);
    }
  });
  return {
    request(asked, done) {
      if (asked.layout !== atFault) putIn({ ...asked, done });
    },
    async fixes(layout, screen, playerView) {
      generation += 1;
      const mine = generation;
      if (layout === atFault || disposed) return null;
      try {
        const offers = await worker.ask((remote) => remote.fixes(told.mirror.update(withoutPictures(layout)), screen, playerView));
        return mine === generation && !disposed ? offers : null;
      } catch (error) {
        failed(error, layout);
        return null;
      }
    },
    dispose() {
      disposed = true;
      worker.stop();
    },
  };
}
