/** What the scan worker does, apart from its message channel: reading a game's code. */
import { changesIn, type CodeChange, type ChangeOptions } from "../core/exchange/codeChanges";
import { familyOf } from "../core/scan/lex";
import { scanPlayedWords } from "../core/scan/watchedNames";
import { scanSource } from "../core/scan/reads";
import { gatherReads, type FileRead, type FileStandard, type FoundRead } from "../core/scan/foundWords";

/** A file with the name and folders it was dropped with; what is read of it stays here. */
export interface SourceFile {
  readonly name: string;
  readonly file: File;
}
/** What some files read. `passedOver`: how many of them hold no text. */
export interface ScanBatch {
  readonly reads: readonly FoundRead[];
  readonly standards: readonly FileStandard[];
  /** Files in which something was found, each with how many places. */
  readonly told: readonly (readonly [string, number])[];
  readonly passedOver: number;
}

/** Whether a text begins as no text does. */
const isBinary = (text: string): boolean => text.slice(0, 4000).includes("\u0000");

/** The worker's side of the scan. */
export interface ScanService {
  /** What a batch of files reads. */
  scan(files: readonly SourceFile[]): Promise<ScanBatch>;
  /** What is to be changed in some files so that they read a handle of named values. */
  changes(files: readonly SourceFile[], wanted: ChangeOptions): Promise<readonly CodeChange[]>;
}

/** A service that has read nothing yet. */
export function createScanService(): ScanService {
  return {
    async scan(files) {
      // Read here, so that the page has nothing to do but to wait; all in one, for each reading has its price.
      const bytes = new Uint8Array(await new Blob(files.map(({ file }) => file)).arrayBuffer());
      const decoder = new TextDecoder();
      let at = 0;
      const reads: FileRead[] = [];
      const standards: FileStandard[] = [];
      const told: [string, number][] = [];
      let passedOver = 0;
      for (const { name, file } of files) {
        const text = decoder.decode(bytes.subarray(at, at + file.size));
        at += file.size;
        if (isBinary(text)) {
          passedOver += 1;
          continue;
        }
        const found = (name.endsWith(".json") ? scanPlayedWords(text) : null) ?? scanSource(text, familyOf(name));
        const count = found.reads.length + found.standards.length;
        if (count > 0) told.push([name, count]);
        for (const read of found.reads) reads.push({ ...read, file: name });
        for (const standard of found.standards) standards.push({ ...standard, file: name });
      }
      return { reads: gatherReads(reads), standards, told, passedOver };
    },
    async changes(files, wanted) {
      const changes: CodeChange[] = [];
      for (const { name, file } of files) changes.push(...changesIn({ name, text: await file.text() }, wanted));
      return changes;
    },
  };
}
