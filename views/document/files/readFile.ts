/** Files that a user brings, read: refused with the reason where they are not what is wanted; large ones are read in a worker. */
import type { Result } from "../../../core/engine/result";
import type { ListedAction } from "../../../core/exchange/actionList";
import type { Layout, Screen } from "../../../core/format/types";
import { fileReader } from "../../../workers/reading";
import { textOfFile } from "./textOfFile";

async function reading<T>(file: File, read: (text: string) => Promise<Result<T>>): Promise<Result<T>> {
  const text = await textOfFile(file);
  return text.ok ? read(text.value) : text;
}

export const readLayoutFile = (file: File): Promise<Result<Layout>> => reading(file, fileReader.layout);
export const readActionsFile = (file: File): Promise<Result<ListedAction[]>> => reading(file, fileReader.actions);
export const readScreensFile = (file: File): Promise<Result<Screen[]>> => reading(file, fileReader.screens);
