/** The typed client of the scan worker: reads files in batches, reports how far it is, and stops when it is reported to. Nothing leaves the browser. */
import type { CodeChange, ChangeOptions } from "../core/exchange/codeChanges";
import type { FileStandard, FoundRead } from "../core/scan/foundWords";
import { connectScan } from "./connect";
import type { SourceFile, ScanBatch, ScanService } from "./scanService";
import { supervised, TooLongError, type Supervised } from "./supervised";

export interface ScanProgress {
  readonly read: number;
  readonly passedOver: number;
  readonly files: number;
  /** The names of files that took too long to read, and were left. */
  readonly tooLong: readonly string[];
}
export interface Scanned extends ScanProgress {
  readonly reads: readonly FoundRead[];
  readonly standards: readonly FileStandard[];
  /** Files in which something was found, each with how many places, by name. */
  readonly told: readonly (readonly [string, number])[];
}

/** A file larger than this is data or made by a machine, bytes. */
const MOST_BYTES = 2 * 1024 * 1024;
/** So much goes to the worker at once, bytes: enough to be quick, little enough to tell how far it is. */
const BATCH = 1_500_000;
/** Folders that hold what others wrote, or what was built. */
const NOT_OURS = /(?:^|\/)(?:node_modules|\.git|\.svn|build|dist|out|bin|obj|target|vendor|third_?party|Library|DerivedData|\.gradle|Pods)\//i;
/** Files that hold no code by their names. */
const NO_CODE =
  /\.(?:png|jpe?g|webp|gif|svg|ico|psd|wav|mp3|ogg|flac|mp4|webm|ttf|otf|woff2?|zip|gz|jar|so|dll|exe|pdb|bin|pdf|fbx|glb|gltf|blend|lock|map|csv|md|txt)$/i;

/** A batch is read in well under a second, ms. */
const PATIENCE_MS = 10_000;

/** Scans a batch. Where that takes too long each of its files is read alone, and what is at fault remains. */
async function scanned(
  worker: Supervised<ScanService>,
  batch: readonly SourceFile[],
  tooLong: string[],
): Promise<readonly (ScanBatch & { readonly files: number })[]> {
  try {
    return [{ ...(await worker.ask((remote) => remote.scan(batch))), files: batch.length }];
  } catch (error) {
    if (!(error instanceof TooLongError)) throw error;
    const [only] = batch;
    if (batch.length === 1) {
      tooLong.push(only.name);
      return [];
    }
    const alone: (ScanBatch & { readonly files: number })[] = [];
    for (const file of batch) alone.push(...(await scanned(worker, [file], tooLong)));
    return alone;
  }
}

/** So many files are read once more at a time. */
const FILES_AT_ONCE = 20;

/** The name of a file with the folders it was dropped with. */
const pathOf = (file: File): string => file.webkitRelativePath || file.name;

/** At most this many workers read side by side; beyond that files come no faster. */
const MOST_WORKERS = 2;

/** Files of which each part goes to a worker at once; `passedOver` counts what is not read at all. */
function* batches(files: readonly File[], passOver: () => void): Generator<readonly SourceFile[]> {
  let batch: SourceFile[] = [];
  let size = 0;
  for (const file of files) {
    const name = pathOf(file);
    if (file.size > MOST_BYTES || NO_CODE.test(name) || NOT_OURS.test(name)) {
      passOver();
      continue;
    }
    batch.push({ name, file });
    size += file.size;
    if (size > BATCH) {
      yield batch;
      batch = [];
      size = 0;
    }
  }
  if (batch.length > 0) yield batch;
}

/** Reads files; `onProgress` hears after each batch. Null when `signal` has stopped it. What is found comes in the order of the files. */
export async function scanFiles(files: readonly File[], onProgress: (progress: ScanProgress) => void, signal: AbortSignal): Promise<Scanned | null> {
  let read = 0;
  let passedOver = 0;
  const tooLong: string[] = [];
  const found: (readonly ScanBatch[])[] = [];
  const waiting = batches(files, () => void (passedOver += 1));
  let taken = 0;
  const work = async (worker: Supervised<ScanService>) => {
    for (let next = waiting.next(); !next.done && !signal.aborted; next = waiting.next()) {
      const place = taken;
      taken += 1;
      const results = await scanned(worker, next.value, tooLong);
      found[place] = results;
      for (const one of results) {
        read += one.files - one.passedOver;
        passedOver += one.passedOver;
      }
      onProgress({ read, passedOver, files: files.length, tooLong });
    }
  };
  const workers = Array.from({ length: Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 1) }, () =>
    supervised({ connect: connectScan, patienceMs: PATIENCE_MS }),
  );
  try {
    await Promise.all(workers.map(work));
    if (signal.aborted) return null;
    const all = found.flat();
    const told = all.flatMap((b) => b.told).sort(([a], [b]) => (a < b ? -1 : 1));
    return { read, passedOver, files: files.length, tooLong, reads: all.flatMap((b) => b.reads), standards: all.flatMap((b) => b.standards), told };
  } finally {
    for (const worker of workers) worker.stop();
  }
}

/** What is to be changed in files that have been read, those named in `names`, so that they read a handle of named values. */
export async function changesInFiles(files: readonly File[], names: ReadonlySet<string>, wanted: ChangeOptions): Promise<readonly CodeChange[]> {
  const worker = supervised({ connect: connectScan, patienceMs: PATIENCE_MS });
  try {
    const chosen = files.map((file) => ({ name: pathOf(file), file })).filter(({ name }) => names.has(name));
    const changes: CodeChange[] = [];
    for (let at = 0; at < chosen.length; at += FILES_AT_ONCE) {
      const some = chosen.slice(at, at + FILES_AT_ONCE);
      changes.push(...(await worker.ask((remote) => remote.changes(some, wanted))));
    }
    return changes;
  } finally {
    worker.stop();
  }
}
