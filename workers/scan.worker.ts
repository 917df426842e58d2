/** Reading the game's code behind a message channel. */
import { expose } from "comlink";
import { familyOf } from "../core/scan/lex";
import { scanSource } from "../core/scan/reads";
import type { FileRead } from "../core/scan/words";

const api = {
  /** What some files read. */
  scan(files: readonly { readonly name: string; readonly text: string }[]): FileRead[] {
    return files.flatMap(({ name, text }) => scanSource(text, familyOf(name)).reads.map((read) => ({ ...read, file: name })));
  },
};
export type ScanApi = typeof api;
expose(api);
