/** Reading the game's code behind a message channel. */
import { expose } from "comlink";
import { familyOf } from "../core/scan/lex";
import { scanSource } from "../core/scan/reads";
import type { FileRead, FileStandard } from "../core/scan/words";

const api = {
  /** What some files read. */
  scan(files: readonly { readonly name: string; readonly text: string }[]): { reads: FileRead[]; standards: FileStandard[] } {
    const reads: FileRead[] = [];
    const standards: FileStandard[] = [];
    for (const { name, text } of files) {
      const found = scanSource(text, familyOf(name));
      for (const read of found.reads) reads.push({ ...read, file: name });
      for (const standard of found.standards) standards.push({ ...standard, file: name });
    }
    return { reads, standards };
  },
};
export type ScanApi = typeof api;
expose(api);
