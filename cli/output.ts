/** What the commands print: results on standard output, messages on standard error. Nothing from a file acts on the terminal. */
import { jsonForTerminal, lineForTerminal } from "../core/exchange/terminal";

/** Where the command line prints: the streams of a process, or what a test gathers. */
export interface OutputStreams {
  /** Whether somebody reads standard output at a terminal. */
  readonly isTerminal: boolean;
  /** Writes to standard output. False: await `drained` before writing more. */
  write(text: string): boolean;
  drained(): Promise<void>;
  /** Writes to standard error. */
  writeError(text: string): void;
}

/** What a command has: where it prints, and how it says that the layout falls short (exit code 1). */
export interface Streams extends OutputStreams {
  fallShort(): void;
}

/** Prints a value as JSON, indented by two. */
export function printJson(streams: Streams, value: unknown): void {
  streams.write(`${jsonForTerminal(JSON.stringify(value, null, 2))}\n`);
}

/** Prints a text that is made for the terminal already. */
export function printText(streams: Streams, text: string): void {
  streams.write(text.endsWith("\n") ? text : `${text}\n`);
}

/** Prints a message on standard error, each of its lines made harmless. */
export function printMessage(streams: OutputStreams, text: string): void {
  streams.writeError(`${text.trimEnd().split("\n").map(lineForTerminal).join("\n")}\n`);
}

/** So much is gathered before it is written, letters. */
const BATCH = 1 << 16;

/** Prints values as they come, one JSON line each, and waits for whoever reads them: however many there are, few are held. */
export async function printStream(streams: Streams, values: Iterable<unknown>): Promise<void> {
  let batch = "";
  const flush = async () => {
    const written = streams.write(batch);
    batch = "";
    if (!written) await streams.drained();
  };
  for (const value of values) {
    batch += `${jsonForTerminal(JSON.stringify(value))}\n`;
    if (batch.length >= BATCH) await flush();
  }
  if (batch !== "") await flush();
}
