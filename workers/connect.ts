/** Starting the workers: each is reached as an object whose answers are promised. Where a browser has no workers, the page does their work itself. */
import { wrap, type Remote } from "comlink";
import type { ArchiveService } from "./archiveService";
import type { ChecksService } from "./checksService";
import type { FacesService } from "./facesService";
import type { ReadingService } from "./readingService";
import type { ScanService } from "./scanService";
import type { SettleService } from "./settleService";
import type { TakesService } from "./takesService";
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

/** A service on this very page, fetched when it is first asked: slower for whoever uses the page, but it answers. */
function connectionHere<T extends object>(load: () => Promise<T>): Connection<T> {
  let service: Promise<T> | null = null;
  const ask =
    (name: string) =>
    async (...args: unknown[]): Promise<unknown> => {
      const here = await (service ??= load());
      return (here[name as keyof T] as (...args: unknown[]) => unknown)(...args);
    };
  const remote = new Proxy({}, { get: (_, name) => (typeof name === "string" && name !== "then" ? ask(name) : undefined) }) as Remote<T>;
  return { remote, stop: () => undefined, broken: new Promise<never>(() => undefined) };
}

/** In a worker where there are any, else here. */
function connected<T extends object>(start: () => Worker, load: () => Promise<T>): Connection<T> {
  let worker: Worker;
  try {
    worker = start();
  } catch (error) {
    console.error("There are no workers here; the page does their work itself.", error);
    return connectionHere(load);
  }
  return connectionTo<T>(worker);
}

/** Starts the checks. */
export function connectChecks(): Connection<ChecksService> {
  return connected(
    () => new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" }),
    () => import("./checksService").then((m) => m.createChecksService()),
  );
}

/** Starts the writing. */
export function connectWriting(): Connection<WritingService> {
  return connected(
    () => new Worker(new URL("./writing.worker.ts", import.meta.url), { type: "module" }),
    () => import("./writingService").then((m) => m.createWritingService()),
  );
}

/** Starts the reading of a file. */
export function connectReading(): Connection<ReadingService> {
  return connected(
    () => new Worker(new URL("./reading.worker.ts", import.meta.url), { type: "module" }),
    () => import("./readingService").then((m) => m.createReadingService()),
  );
}

/** Starts the scan. */
export function connectScan(): Connection<ScanService> {
  return connected(
    () => new Worker(new URL("./scan.worker.ts", import.meta.url), { type: "module" }),
    () => import("./scanService").then((m) => m.createScanService()),
  );
}

/** Starts the comparing of takes. */
export function connectTakes(): Connection<TakesService> {
  return connected(
    () => new Worker(new URL("./takes.worker.ts", import.meta.url), { type: "module" }),
    () => import("./takesService").then((m) => m.createTakesService()),
  );
}

/** Starts the judging of faces. */
export function connectFaces(): Connection<FacesService> {
  return connected(
    () => new Worker(new URL("./faces.worker.ts", import.meta.url), { type: "module" }),
    () => import("./facesService").then((m) => m.createFacesService()),
  );
}

/** Starts the settling. */
export function connectSettle(): Connection<SettleService> {
  return connected(
    () => new Worker(new URL("./settle.worker.ts", import.meta.url), { type: "module" }),
    () => import("./settleService").then((m) => m.createSettleService()),
  );
}

/** Starts the work on files and backups. */
export function connectArchive(): Connection<ArchiveService> {
  return connected(
    () => new Worker(new URL("./archive.worker.ts", import.meta.url), { type: "module" }),
    () => import("./archiveService").then((m) => m.createArchiveService()),
  );
}
