/** The sources that `play` accepts. Everything from outside goes through the reader of played files. */
import { readPlayed as readFile, type PlayedFile } from "../core/engine/read/played";
import type { Result } from "../core/engine/result";
import type { PlayedLayout } from "../core/engine/types";

/** The JSON of a played file, parsed: by `response.json()`, or by an import of the file. */
export interface PlayedJson {
  readonly format: string;
}

/** A played file as text, as bytes or as parsed JSON; or a layout that `readPlayed` returned. */
export type PlayedSource = string | Uint8Array | ArrayBuffer | PlayedJson | PlayedLayout;

/** Results of `readPlayed`, by file and by layout. */
const wasRead = new WeakMap<object, PlayedFile>();

/** Reads a played file: its text, its bytes or its parsed JSON. Never throws; a problem names the place in the file and what is wrong there. */
export function readPlayed(file: string | Uint8Array | ArrayBuffer | PlayedJson): Result<PlayedFile> {
  const read = readFile(file instanceof ArrayBuffer ? new Uint8Array(file) : typeof file === "string" || file instanceof Uint8Array ? file : textOf(file));
  if (read.ok) for (const key of [read.value, read.value.layout]) wasRead.set(key, read.value);
  return read;
}

/** Returns JSON as text. A value that cannot be serialized becomes an empty text, which the reader rejects. */
function textOf(json: object): string {
  try {
    return JSON.stringify(json);
  } catch {
    return "";
  }
}

/** Describes a value for an error message. */
function nameOf(value: unknown): string {
  if (value === null || value === undefined) return String(value);
  if (typeof value !== "object") return `a ${typeof value}`;
  if (Array.isArray(value)) return "an array";
  const name = (value as { constructor?: { name?: string } }).constructor?.name;
  return name && name !== "Object" ? `a ${name}` : 'an object without a "format"';
}

/** Suggests the fix for a value that was not awaited. */
const INSTEAD: Readonly<Record<string, string>> = { "a Promise": " Await it first.", "a Response": " Write: await response.text()." };

const ACCEPTED = "the text, the bytes or the parsed JSON of a played file, or a layout that readPlayed() returned";

/** Reads the source passed to `play`. Throws an Error that names the position and problem, or the wrong type. */
export function readSource(source: unknown): PlayedFile {
  const known = typeof source === "object" && source !== null ? wasRead.get(source) : undefined;
  if (known) return known;
  const isFile =
    typeof source === "string" ||
    source instanceof Uint8Array ||
    source instanceof ArrayBuffer ||
    (typeof source === "object" && source !== null && "format" in source);
  if (!isFile) {
    const name = nameOf(source);
    throw new Error(`play: the layout is ${name}.${INSTEAD[name] ?? ""} It must be ${ACCEPTED}.`);
  }
  const read = readPlayed(source as string | Uint8Array | ArrayBuffer | PlayedJson);
  if (read.ok) return read.value;
  const [{ path, message }] = read.problems;
  const fix = path === "format" ? ". Compile a layout file first: npx nodulum compile FILE" : "";
  throw new Error(`played file, ${path ? `${path}: ` : ""}${message}${fix}`);
}
