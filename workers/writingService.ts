/** What the writing worker does, apart from its message channel: layouts into the form in which they are stored. */
import { storedForm, type StoredForm } from "../core/derived/storedForm";
import { createMirrorReceiver, type LayoutUpdate } from "./layoutMirror";

/** The worker's side of writing. */
export interface WritingService {
  /** The stored form of the layout as it is after an update. */
  compose(update: LayoutUpdate): StoredForm;
}

/** A service that knows no layout yet. */
export function createWritingService(): WritingService {
  const mirror = createMirrorReceiver();
  return { compose: (update) => storedForm(mirror.receive(update)) };
}
