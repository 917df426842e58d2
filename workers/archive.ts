/** The typed client of the archive worker: it hears how far it is, and stops at once when it is reported to. */
import { proxy, type Remote } from "comlink";
import type { FileProgress } from "../core/exchange/sortFiles";
import type { LayoutStore } from "../storage/store";
import type { ArchiveJob, ArchiveResults, ArchiveService, ArchiveStep } from "./archiveService";
import { connectArchive, type Connection } from "./connect";
import { supervised } from "./supervised";

/** A step takes less, ms: the largest file of all. */
const PATIENCE_MS = 60_000;
/** How often the page hears how far it is, at most, steps. */
const TOLD_EVERY = 25;

/** How a job is watched. */
export interface JobWatch {
  readonly onProgress: (progress: FileProgress) => void;
  /** Ends the job at once. */
  readonly signal: AbortSignal;
}

/** Does a job in its own worker; null where it was stopped. Rejects where the worker breaks or takes too long. */
export async function runArchive<J extends ArchiveJob>(
  job: J,
  kept: LayoutStore,
  { onProgress, signal }: JobWatch,
  connect: () => Connection<ArchiveService> = connectArchive,
): Promise<ArchiveResults[J["kind"]] | null> {
  const worker = supervised({ connect, patienceMs: PATIENCE_MS });
  const stopped = new Promise<null>((resolve) => signal.addEventListener("abort", () => resolve(null)));
  const ask = <T>(question: (remote: Remote<ArchiveService>) => Promise<T>) => Promise.race([worker.ask(question), stopped]);
  try {
    await ask((remote) => remote.begin(job, proxy(kept)));
    for (let steps = 0; !signal.aborted; steps += 1) {
      const step = await ask<ArchiveStep>((remote) => remote.step() as Promise<ArchiveStep>);
      if (step === null) return null;
      if (step.kind === "done") return step.result as ArchiveResults[J["kind"]];
      if (steps % TOLD_EVERY === 0) onProgress(step.progress);
    }
    return null;
  } finally {
    worker.stop();
  }
}
