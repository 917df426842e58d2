/** Reading files that somebody brings: small ones on the page, large ones in a worker, so that the page never is still for one. */
import { refused, type Result } from "../core/engine/result";
import type { ListedAction } from "../core/exchange/actionList";
import type { Layout, Screen } from "../core/format/types";
import { connectReading, type Connection } from "./connect";
import type { ReadTake } from "../core/exchange/takeFile";
import type { ReadingService } from "./readingService";
import { supervised, TooLongError } from "./supervised";

/** A text of fewer letters is read at once. */
const LARGE = 300_000;
/** The largest file that there may be is read in a second or two; what takes longer is no file of ours, ms. */
const PATIENCE_MS = 20_000;

/** How files are read. `connect` starts a worker, `large`: from how many letters on. */
export interface ReadingOptions {
  readonly connect?: () => Connection<ReadingService>;
  readonly large?: number;
  readonly patienceMs?: number;
}

/** Reads files of every sort. Each call has its own worker, which ends with it. */
export interface FileReader {
  layout(text: string): Promise<Result<Layout>>;
  actions(text: string): Promise<Result<ListedAction[]>>;
  screens(text: string): Promise<Result<Screen[]>>;
  take(text: string): Promise<Result<ReadTake>>;
}

/** A reader; without options the page's own. @internal exported for its test */
export function createReader({ connect = connectReading, large = LARGE, patienceMs = PATIENCE_MS }: ReadingOptions = {}): FileReader {
  // Brought in with the first file: most visits read none.
  const here = () => import("./readingService").then((m) => m.createReadingService());
  const read = async <K extends keyof ReadingService>(kind: K, text: string): Promise<ReturnType<ReadingService[K]>> => {
    type Read = ReturnType<ReadingService[K]>;
    const now = async () => (await here())[kind](text) as Read;
    if (text.length < large) return now();
    const worker = supervised({ connect, patienceMs });
    try {
      return await worker.ask((remote) => (remote[kind] as unknown as (text: string) => Promise<Read>)(text));
    } catch (error) {
      if (error instanceof TooLongError)
        return refused<never>("", "Reading the file took too long, and was stopped. It is no file of Nodulum's, or damaged.") as Read;
      console.error("The reading worker failed; the file is read without it.", error);
      return now();
    } finally {
      worker.stop();
    }
  };
  return {
    layout: (text) => read("layout", text),
    actions: (text) => read("actions", text),
    screens: (text) => read("screens", text),
    take: (text) => read("take", text),
  };
}

/** The page's own reader. */
export const fileReader: FileReader = createReader();
