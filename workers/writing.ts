/**
 * Layouts into the form in which they are stored, off the main thread: after an edit only what changed goes over. Where no worker can be
 * had, or one fails, the same is done on the spot: nothing may keep an edit from being written.
 */
import { storedForm, type StoredForm } from "../core/derived/stored";
import type { Layout } from "../core/format/types";
import type { Connection } from "./connect";
import { createMirrorSender } from "./mirror";
import type { WritingService } from "./writingService";

/** Gives the stored form of a layout. */
export type Compose = (layout: Layout) => Promise<StoredForm>;

/** Composes on the spot. */
export const composeHere: Compose = (layout) => Promise.resolve(storedForm(layout));

/** A worker that has not answered by then is given up, ms: an edit waits to be written. */
const PATIENCE_MS = 8000;

/** An answer, refused when it has not come in time. */
async function within<T>(ms: number, answer: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`the worker did not answer within ${ms} ms`)), ms);
  });
  try {
    return await Promise.race([answer, tooLong]);
  } finally {
    clearTimeout(timer);
  }
}

/** Composes in a worker that is started for the first layout. `connect` starts it, and may throw where there are no workers. */
export function createComposer(connect: () => Connection<WritingService>, patienceMs = PATIENCE_MS): Compose {
  let connection: Connection<WritingService> | null = null;
  let failed = false;
  let mirror = createMirrorSender();
  return async (layout) => {
    if (failed) return composeHere(layout);
    try {
      if (!connection) {
        connection = connect();
        mirror = createMirrorSender();
      }
      return await within(patienceMs, Promise.race([connection.remote.compose(mirror.update(layout)), connection.broken]));
    } catch (error) {
      console.error("The writing worker failed; layouts are written without it.", error);
      failed = true;
      connection?.stop();
      return composeHere(layout);
    }
  };
}
