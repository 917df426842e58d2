/** What the commands read: files and options, each error naming its place and the way out. */
import { existsSync, readFileSync, realpathSync, statSync, writeFileSync } from "node:fs";
import { fileTooLarge, textOfBytes } from "../core/exchange/fileBytes";
import { MOST_FILE_BYTES } from "../core/format/limits";
import { readLayout } from "../core/format/parse";
import type { Layout, Screen } from "../core/format/types";
import type { PlayerView } from "../core/engine/placement/resolve";
import { readScreenText } from "../core/exchange/screens";
import { problemText, type Result } from "../core/engine/result";
import { ignoredParts } from "../core/wiring/ignored";
import { printMessage, type Streams } from "./output";

/** The call or a file is at fault: exit code 2, message on standard error. */
export class CallError extends Error {}

/** The value of a result, or its problems as a fault of the call. */
export function orFail<T>(result: Result<T>, where: string): T {
  if (result.ok) return result.value;
  throw new CallError(`${where}: ${problemText(result.problems)}`);
}

/** What is said of a file that the system does not give. */
export function unreadable(file: string, error: unknown): CallError {
  const { code } = error as NodeJS.ErrnoException;
  return new CallError(`${file}: ${code === "ENOENT" ? "file not found" : code === "EISDIR" ? "is a folder; give a file" : "cannot be read"}`);
}

/** The text of a file: what the browser takes, and nothing else. `most`: bytes, as of a layout where nothing is said; `tooLarge`: what is said of more. */
export function readText(file: string, most = MOST_FILE_BYTES, tooLarge?: string): string {
  let bytes: Uint8Array;
  try {
    const { size } = statSync(file);
    if (size > most) throw new CallError(`${file}: ${tooLarge ?? fileTooLarge(size)}`);
    bytes = readFileSync(file);
  } catch (error) {
    throw error instanceof CallError ? error : unreadable(file, error);
  }
  return orFail(textOfBytes(bytes), file);
}

/** Whether two paths lead to the same file that is there, by whatever links. */
export function isSameFile(a: string, b: string): boolean {
  return existsSync(a) && existsSync(b) && realpathSync(a) === realpathSync(b);
}

/** Writes a text into a file. */
export function writeText(file: string, text: string): void {
  try {
    writeFileSync(file, text);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why =
      code === "ENOENT"
        ? "folder not found"
        : code === "EISDIR"
          ? "is a folder; give a file"
          : code === "EACCES"
            ? "no permission to write"
            : "cannot be written";
    throw new CallError(`${file}: ${why}`);
  }
}

/** The layout of a file. What of its wires is ignored is reported on standard error. */
export function layoutFrom(streams: Streams, file: string): Layout {
  const layout = orFail(readLayout(readText(file)), file);
  for (const { control, index, part, word } of ignoredParts(layout)) {
    const at = layout.controls.findIndex(({ id }) => id === control);
    printMessage(streams, `${file}: notice: controls[${at}].serves[${index}].${part} (${control}): ${word}`);
  }
  return layout;
}

export function screenFrom(text: string): Screen {
  return orFail(readScreenText(text), "--screen");
}

/** The options that every command on a screen takes. */
export interface ViewOptions {
  moment?: string;
  handed?: string;
  playerSize?: string;
}

export function viewFrom(options: ViewOptions, layout: Layout): PlayerView {
  const handed = options.handed ?? "right";
  if (handed !== "left" && handed !== "right") throw new CallError(`--handed: "${handed}" is not a hand; write left or right`);
  const playerSize = options.playerSize === undefined ? 1 : Number(options.playerSize);
  // What players and the editor clamp to the layout's own sizes is refused here beyond what any hand has (model of the file, "Placement").
  if (!(playerSize >= 0.25 && playerSize <= 4)) throw new CallError(`--player-size: "${options.playerSize}" is not a number from 0.25 to 4`);
  const moment = options.moment ?? null;
  if (moment !== null && !layout.moments.some((m) => m.id === moment))
    throw new CallError(
      `--moment: there is no moment "${moment}"${layout.moments.length > 0 ? `; known: ${layout.moments.map((m) => m.id).join(", ")}` : "; the layout has none"}`,
    );
  return { handed, playerSize, moment };
}
