/** What the reading worker does, apart from its message channel: texts of files into what they hold. */
import { readActionList, type ListedAction } from "../core/exchange/actionList";
import { readScreenList } from "../core/exchange/screens";
import { readTake, readTakeOf, type ReadTake } from "../core/exchange/takeFile";
import { ok, type Result } from "../core/engine/result";
import { readLayout } from "../core/format/parse";
import type { Layout, Screen } from "../core/format/types";

/** The worker's side of reading. */
export interface ReadingService {
  /** A take without its frames, as it is kept. */
  take(text: string): Result<ReadTake>;
  layout(text: string): Result<Layout>;
  actions(text: string): Result<ListedAction[]>;
  screens(text: string): Result<Screen[]>;
}

/** A service that has read nothing yet. */
export function createReadingService(): ReadingService {
  return { layout: readLayout, actions: readActionList, screens: readScreenList, take };
}

function take(text: string): Result<ReadTake> {
  const read = readTake(text);
  return read.ok ? ok(readTakeOf(read.value)) : read;
}
