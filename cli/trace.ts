/** Traces read from a file as they are wanted: however long one is, a piece of it is held. */
import { closeSync, fstatSync, openSync, readSync, statSync } from "node:fs";
import { createTraceReader } from "../core/exchange/traceFile";
import type { InputEvent } from "../core/engine/input/events";
import { TRACES } from "../core/format/limits";
import type { Layout } from "../core/format/types";
import { CallError, orFail, unreadable } from "./inputs";

const PIECE_BYTES = 1 << 16;

/** The names of standard input. By any of them it is read as it is, also where it is a socket, which cannot be opened by its name. */
const STANDARD_INPUT: readonly string[] = ["-", "/dev/stdin", "/dev/fd/0"];

/**
 * The events of a trace, in order, as often as they are asked for. A fault ends them, with the file and the line. A file is read again each time; a
 * pipe (`-`, `/dev/stdin`, a fifo) gives what it has once, so that its events are held.
 */
export function eventsOf(file: string, layout: Layout): Iterable<InputEvent> {
  if (!STANDARD_INPUT.includes(file) && (statSync(file, { throwIfNoEntry: false })?.isFile() ?? true))
    return { [Symbol.iterator]: () => readEvents(file, layout) };
  return [...readEvents(file, layout)];
}

function* readEvents(file: string, layout: Layout): Generator<InputEvent> {
  const reader = createTraceReader(layout);
  for (const line of linesOf(file)) {
    const event = orFail(reader.line(line), file);
    if (event !== null) yield event;
  }
}

/** The lines of a file in UTF-8, a byte order mark before the first allowed. */
function* linesOf(file: string): Generator<string> {
  let handle: number;
  try {
    handle = STANDARD_INPUT.includes(file) ? 0 : openSync(file, "r");
  } catch (error) {
    throw unreadable(file, error);
  }
  try {
    if (fstatSync(handle).size > TRACES.bytes.most) throw new CallError(`${file}: ${TRACES.bytes.words}`);
    let rest = "";
    for (const piece of piecesOf(file, handle)) {
      const lines = (rest + piece).split("\n");
      rest = lines.pop()!;
      yield* lines;
      if (rest.length > TRACES.lineLetters.most) break;
    }
    yield rest;
  } finally {
    if (handle !== 0) closeSync(handle);
  }
}

/** A pipe that has nothing yet is waited for, ms. */
const WAIT_MS = 5;

/** Reads a piece; how many bytes, 0 at the end. */
function readPiece(handle: number, bytes: Uint8Array): number {
  for (;;)
    try {
      return readSync(handle, bytes);
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      if (code === "EOF") return 0;
      if (code !== "EAGAIN") throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, WAIT_MS);
    }
}

function* piecesOf(file: string, handle: number): Generator<string> {
  const decoder = new TextDecoder("utf-8", { fatal: true });
  const bytes = new Uint8Array(PIECE_BYTES);
  try {
    let all = 0;
    for (let read = readPiece(handle, bytes); read > 0; read = readPiece(handle, bytes)) {
      // A pipe does not say before how much it has.
      if ((all += read) > TRACES.bytes.most) throw new CallError(`${file}: ${TRACES.bytes.words}`);
      yield decoder.decode(bytes.subarray(0, read), { stream: true });
    }
    yield decoder.decode();
  } catch (error) {
    if (error instanceof CallError) throw error;
    const { code } = error as NodeJS.ErrnoException;
    throw code === "ERR_ENCODING_INVALID_ENCODED_DATA" ? new CallError(`${file}: this is not a text in UTF-8`) : unreadable(file, error);
  }
}
