/** Starting the workers: each is reached as an object whose answers are promised. */
import { wrap, type Remote } from "comlink";
import type { ChecksService } from "./checksService";

/** A running worker: what it can be asked, and its end. */
export interface Connection<T> {
  readonly remote: Remote<T>;
  readonly stop: () => void;
}

/** Starts the checks worker. */
export function connectChecks(): Connection<ChecksService> {
  const worker = new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" });
  return { remote: wrap<ChecksService>(worker), stop: () => worker.terminate() };
}
