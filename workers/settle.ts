/** The typed client of the settle worker: it hears how far it is, and stops at once when it is reported to. */
import type { Remote } from "comlink";
import type { SettleRequest } from "../core/settle/request";
import type { Layout } from "../core/format/types";
import type { SettleProgress } from "../core/settle/result";
import type { Connection } from "./connect";
import type { SettledFound, SettleService, SettleStep } from "./settleService";
import { supervised } from "./supervised";

/** Settles in a worker. */
export interface Settler {
  /** Settles; `onProgress` hears of each step; `from`: what the result is held against, else the layout itself. Null where it was stopped, or a newer question has been asked. */
  settle(request: SettleRequest, onProgress: (progress: SettleProgress) => void, from?: Layout): Promise<SettledFound | null>;
  /** Stops what is under way; a later question starts another worker. */
  stop(): void;
}

/** A step takes less, ms: the largest layout on all screens. */
const PATIENCE_MS = 120_000;

/** A client over a worker that `connect` starts. */
export function createSettler(connect: () => Connection<SettleService>, patienceMs = PATIENCE_MS): Settler {
  const worker = supervised({ connect, patienceMs });
  /** Ends the settling under way; null where there is none. */
  let end: (() => void) | null = null;
  const stop = () => {
    // An answer of it would come in the middle of another's: the worker goes with it.
    if (end) worker.stop();
    end?.();
    end = null;
  };
  return {
    stop,
    async settle(request, onProgress, from = request.layout) {
      stop();
      let mine: () => void = () => undefined;
      const stopped = new Promise<null>((resolve) => (mine = () => resolve(null)));
      end = mine;
      // What is shown of a layout settles nothing: pictures stay where they are.
      const { pictures, workbench } = request.layout;
      const bare = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });
      const ask = <T>(question: (remote: Remote<SettleService>) => Promise<T>) => Promise.race([worker.ask(question), stopped]);
      try {
        await ask((remote) => remote.begin({ ...request, layout: bare(request.layout) }, bare(from)));
        while (end === mine) {
          const step = await ask<SettleStep>((remote) => remote.step() as Promise<SettleStep>);
          if (step === null) break;
          if (step.kind === "done") {
            const { settled } = step.found;
            return { ...step.found, settled: { ...settled, layout: { ...settled.layout, pictures, workbench } } };
          }
          onProgress(step.progress);
        }
        return null;
      } finally {
        if (end === mine) end = null;
      }
    },
  };
}
