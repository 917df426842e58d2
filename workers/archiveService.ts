/** What the archive worker does, apart from its message channel: files sorted and backups made and taken in, step by step, so that each step can say how far it is. */
import { sortFiles, type FileProgress, type SortedFiles } from "../core/exchange/sortFiles";
import { inspectKept, type Damage } from "../storage/inspect";
import { makeBackup, takeBackup, type TakenBack } from "../storage/backupZip";
import type { LayoutStore } from "../storage/store";
import type { Result } from "../core/engine/result";

/** What it is asked to do. Times are ms since 1970; `idPrefix`: the beginning of new ids, which nothing else has. */
export type ArchiveJob =
  | { readonly kind: "sort"; readonly files: readonly File[]; readonly isArt: boolean }
  | { readonly kind: "restore"; readonly bytes: Uint8Array; readonly now: number; readonly idPrefix: string }
  | { readonly kind: "backup"; readonly now: number }
  | { readonly kind: "inspect" };

/** What comes of a job. */
export interface ArchiveResults {
  readonly sort: SortedFiles;
  readonly restore: Result<TakenBack>;
  readonly backup: Uint8Array;
  readonly inspect: readonly Damage[];
}
export type ArchiveResult = ArchiveResults[keyof ArchiveResults];

/** What a step has come to: somewhere on the way, or the end. */
export type ArchiveStep = { readonly kind: "progress"; readonly progress: FileProgress } | { readonly kind: "done"; readonly result: ArchiveResult };

/** The worker's side. `kept`: what the browser keeps, asked on the page. */
export interface ArchiveService {
  /** Begins a job; the one before is forgotten. */
  begin(job: ArchiveJob, kept: LayoutStore): void;
  /** Goes on to the next step. */
  step(): Promise<ArchiveStep>;
}

function stepsOf(job: ArchiveJob, kept: LayoutStore): AsyncGenerator<FileProgress, ArchiveResult> {
  switch (job.kind) {
    case "sort":
      return sortFiles(
        job.files.map((file) => ({ name: file.name, size: file.size, bytes: async () => new Uint8Array(await file.arrayBuffer()) })),
        job.isArt,
      );
    case "restore": {
      let count = 0;
      return takeBackup({ kept, now: () => job.now, newId: () => `${job.idPrefix}.${(count += 1)}` }, job.bytes);
    }
    case "backup":
      return makeBackup(kept, job.now);
    case "inspect":
      return inspectKept(kept);
  }
}

/** A service that has begun nothing yet. */
export function createArchiveService(): ArchiveService {
  let steps: AsyncGenerator<FileProgress, ArchiveResult> | null = null;
  return {
    begin(job, kept) {
      steps = stepsOf(job, kept);
    },
    async step() {
      if (!steps) throw new Error("it was asked to go on before it began");
      const next = await steps.next();
      return next.done ? { kind: "done", result: next.value } : { kind: "progress", progress: next.value };
    },
  };
}
