/** Starting the workers: each is reached as an object whose answers are promised. */
import { wrap, type Remote } from "comlink";
import type { ChecksService } from "./checksService";
import type { WritingService } from "./writingService";

/** A running worker: what it can be asked, and its end. */
export interface Connection<T> {
  readonly remote: Remote<T>;
  readonly stop: () => void;
  /** Never kept, refused when the worker breaks or could not be started: its answers are then not to be waited for. */
  readonly broken: Promise<never>;
}

function connectionTo<T>(worker: Worker): Connection<T> {
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener("error", (event) => reject(new Error(event.message || "the worker could not be started")));
    worker.addEventListener("messageerror", () => reject(new Error("a message of the worker could not be read")));
  });
  // Whoever waits for an answer hears of it; where nobody waits it is no fault of the page.
  broken.catch(() => undefined);
  return { remote: wrap<T>(worker), stop: () => worker.terminate(), broken };
}

/** Starts the checks worker. */
export function connectChecks(): Connection<ChecksService> {
  return connectionTo(new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" }));
}

/** Starts the writing worker. */
export function connectWriting(): Connection<WritingService> {
  return connectionTo(new Worker(new URL("./writing.worker.ts", import.meta.url), { type: "module" }));
}
