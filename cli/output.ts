/** What the commands print: results on standard output, messages on standard error. Nothing from a file acts upon the terminal. */
import { jsonForTerminal, lineForTerminal } from "../core/exchange/terminal";

/** Prints a value as JSON, indented by two. */
export function printJson(value: unknown): void {
  process.stdout.write(`${jsonForTerminal(JSON.stringify(value, null, 2))}\n`);
}

/** Prints a text that is made for the terminal already. */
export function printText(text: string): void {
  process.stdout.write(text.endsWith("\n") ? text : `${text}\n`);
}

/** Prints a message on standard error, each of its lines made harmless. */
export function printMessage(text: string): void {
  process.stderr.write(`${text.trimEnd().split("\n").map(lineForTerminal).join("\n")}\n`);
}

/** So much is gathered before it is written, letters. */
const BATCH = 1 << 16;

/** Prints values as they come, one JSON line each, and waits for whoever reads them: however many there are, few are held. */
export async function printStream(values: Iterable<unknown>): Promise<void> {
  let batch = "";
  const flush = async () => {
    const written = process.stdout.write(batch);
    batch = "";
    if (!written) await new Promise<void>((resolve) => process.stdout.once("drain", resolve));
  };
  for (const value of values) {
    batch += `${jsonForTerminal(JSON.stringify(value))}\n`;
    if (batch.length >= BATCH) await flush();
  }
  if (batch !== "") await flush();
}
