/** What the reading worker does, apart from its message channel: texts of files into what they hold. */
import { readActionList, type ListedAction } from "../core/exchange/actionList";
import { readScreenList } from "../core/exchange/screens";
import type { Result } from "../core/engine/result";
import { readLayout } from "../core/format/parse";
import type { Layout, Screen } from "../core/format/types";

/** The worker's side of reading. */
export interface ReadingService {
  layout(text: string): Result<Layout>;
  actions(text: string): Result<ListedAction[]>;
  screens(text: string): Result<Screen[]>;
}

/** A service that has read nothing yet. */
export function createReadingService(): ReadingService {
  return { layout: readLayout, actions: readActionList, screens: readScreenList };
}
