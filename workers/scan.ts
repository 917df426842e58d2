/** The typed client of the scan worker: reads files in batches, tells how far it is, and stops when it is told to. Nothing leaves the browser. */
import type { FileRead, FileStandard } from "../core/scan/words";
import { connectScan } from "./connect";
import type { NamedFile } from "./scanService";

export interface ScanProgress {
  readonly read: number;
  readonly passedOver: number;
  readonly files: number;
}
export interface Scanned extends ScanProgress {
  readonly reads: readonly FileRead[];
  readonly standards: readonly FileStandard[];
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

/** The name of a file with the folders it was dropped with. */
const pathOf = (file: File): string => file.webkitRelativePath || file.name;

/** Reads files; `onProgress` hears after each batch. Null when `signal` has stopped it. */
export async function scanFiles(files: readonly File[], onProgress: (progress: ScanProgress) => void, signal: AbortSignal): Promise<Scanned | null> {
  const { remote, broken, stop } = connectScan();
  const reads: FileRead[] = [];
  const standards: FileStandard[] = [];
  let read = 0;
  let passedOver = 0;
  let batch: NamedFile[] = [];
  let size = 0;
  const send = async () => {
    if (batch.length === 0) return;
    const sent = batch;
    batch = [];
    size = 0;
    const found = await Promise.race([remote.scan(sent), broken]);
    for (const one of found.reads) reads.push(one);
    for (const one of found.standards) standards.push(one);
    read += sent.length - found.passedOver;
    passedOver += found.passedOver;
    onProgress({ read, passedOver, files: files.length });
  };
  try {
    for (const file of files) {
      if (signal.aborted) return null;
      const name = pathOf(file);
      if (file.size > MOST_BYTES || NO_CODE.test(name) || NOT_OURS.test(name)) {
        passedOver += 1;
        continue;
      }
      batch.push({ name, file });
      size += file.size;
      if (size > BATCH) await send();
    }
    await send();
    return signal.aborted ? null : { read, passedOver, files: files.length, reads, standards };
  } finally {
    stop();
  }
}
