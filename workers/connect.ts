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

/** Connects to a service: how its worker is started (bundlers need the address literally), and how it is loaded where there are no workers. */
const connector =
  <T extends object>(start: () => Worker, load: () => Promise<T>) =>
  (): Connection<T> =>
    connected(start, load);

export const connectChecks = connector<ChecksService>(
  () => new Worker(new URL("./checks.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./checksService")).createChecksService(),
);
export const connectWriting = connector<WritingService>(
  () => new Worker(new URL("./writing.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./writingService")).createWritingService(),
);
export const connectReading = connector<ReadingService>(
  () => new Worker(new URL("./reading.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./readingService")).createReadingService(),
);
export const connectScan = connector<ScanService>(
  () => new Worker(new URL("./scan.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./scanService")).createScanService(),
);
export const connectTakes = connector<TakesService>(
  () => new Worker(new URL("./takes.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./takesService")).createTakesService(),
);
export const connectFaces = connector<FacesService>(
  () => new Worker(new URL("./faces.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./facesService")).createFacesService(),
);
export const connectSettle = connector<SettleService>(
  () => new Worker(new URL("./settle.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./settleService")).createSettleService(),
);
export const connectArchive = connector<ArchiveService>(
  () => new Worker(new URL("./archive.worker.ts", import.meta.url), { type: "module" }),
  async () => (await import("./archiveService")).createArchiveService(),
);
