/** Traces read from a file as they are wanted: however long one is, a piece of it is held. */
import { closeSync, fstatSync, openSync, readSync } from "node:fs";
import { createTraceReader } from "../core/exchange/trace";
import type { InputEvent } from "../core/engine/input/events";
import { TRACES } from "../core/format/limits";
import type { Layout } from "../core/format/types";
import { CallError, orFail, unreadable } from "./inputs";

const PIECE_BYTES = 1 << 16;

/** The events of a trace, in order. A fault ends it, with the file and the line. */
export function* eventsOf(file: string, layout: Layout): Generator<InputEvent> {
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
    handle = openSync(file, "r");
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
    closeSync(handle);
  }
}

function* piecesOf(file: string, handle: number): Generator<string> {
  const decoder = new TextDecoder("utf-8", { fatal: true });
  const bytes = new Uint8Array(PIECE_BYTES);
  try {
    for (let read = readSync(handle, bytes); read > 0; read = readSync(handle, bytes)) yield decoder.decode(bytes.subarray(0, read), { stream: true });
    yield decoder.decode();
  } catch (error) {
    throw error instanceof TypeError ? new CallError(`${file}: this is not a text in UTF-8`) : unreadable(file, error);
  }
}
