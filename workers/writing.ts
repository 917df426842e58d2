/**
 * Layouts into the form in which they are stored, off the main thread: after an edit only what changed goes over. Where no worker can be
 * had, or one fails, the same is done on the spot: nothing may keep an edit from being written.
 */
import { storedForm, type StoredForm } from "../core/derived/storedForm";
import type { Layout } from "../core/format/types";
import type { Connection } from "./connect";
import { createMirrorSender } from "./layoutMirror";
import { supervised } from "./supervised";
import type { WritingService } from "./writingService";

/** Gives the stored form of a layout. */
export type Compose = (layout: Layout) => Promise<StoredForm>;

/** Composes on the spot. */
export const composeHere: Compose = (layout) => Promise.resolve(storedForm(layout));

/** A worker that has not answered by then is given up, ms: an edit waits to be written. */
const PATIENCE_MS = 8000;
/** After this many failures one after the other no worker is tried any more. */
const MOST_FAILURES = 3;

/** Composes in a worker that is started for the first layout. `connect` starts it, and may throw where there are no workers. One that fails is replaced; the layout it failed over is composed on the spot. */
export function createComposer(connect: () => Connection<WritingService>, patienceMs = PATIENCE_MS): Compose {
  const mirror = createMirrorSender();
  const worker = supervised({ connect, patienceMs, started: () => mirror.reset() });
  let failures = 0;
  return async (layout) => {
    if (failures >= MOST_FAILURES) return composeHere(layout);
    try {
      const form = await worker.ask((remote) => remote.compose(mirror.update(layout)));
      failures = 0;
      return form;
    } catch (error) {
      console.error("The writing worker failed; the layout is written without it.", error);
      failures += 1;
      worker.stop();
      return composeHere(layout);
    }
  };
}
