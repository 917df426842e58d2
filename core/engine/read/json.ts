/**
 * JSON read as bytes, into a tree that remembers where everything is (RFC 8259). Stricter than most readers: keys that stand twice,
 * lone surrogates, NUL, bad UTF-8, a byte order mark and nesting deeper than 16 are refused. A text that breaks off leaves the part that was read: what is wrong
 * before the break is still found.
 */

/** A value and where it is: offsets of its first byte and behind its last, bytes; `end` −1 where the text broke off within it. */
export interface Node {
  readonly at: number;
  end: number;
  readonly value: null | boolean | number | string | Node[] | JsonEntry[];
  /** What the value is; a list and an object are distinguished by it. */
  readonly is: "null" | "boolean" | "number" | "string" | "list" | "object";
}
/** A key of an object, where it is, and its value. */
export interface JsonEntry {
  readonly key: string;
  readonly at: number;
  readonly node: Node;
}
/** A fault of the text: where, and what. `path` where it is known which value is meant. */
export interface Fault {
  readonly at: number;
  readonly message: string;
}

/** Nesting of lists and objects, the outermost among them. */
const DEPTH = 16;
/** The first byte of a character by how many follow it. */
const LEADS = [0, 0xc0, 0xe0, 0xf0];
const WORDS = { true: true, false: false, null: null } as const;
const ESCAPES: Readonly<Record<number, string>> = { 34: '"', 92: "\\", 47: "/", 98: "\b", 102: "\f", 110: "\n", 114: "\r", 116: "\t" };

class Broken extends Error {
  constructor(
    readonly at: number,
    message: string,
  ) {
    super(message);
  }
}

/** The bytes of a text in UTF-8. A lone surrogate becomes bytes that are none, and is refused like them. */
export function bytesOfText(text: string): Uint8Array {
  const bytes = new Uint8Array(text.length * 3);
  let at = 0;
  for (let i = 0; i < text.length; i += 1) {
    const code = text.codePointAt(i)!;
    if (code < 0x80) bytes[at++] = code;
    else {
      const more = code < 0x800 ? 1 : code < 0x10000 ? 2 : 3;
      bytes[at++] = LEADS[more] | (code >> (6 * more));
      for (let k = more - 1; k >= 0; k -= 1) bytes[at++] = 0x80 | ((code >> (6 * k)) & 63);
      if (more === 3) i += 1;
    }
  }
  return bytes.subarray(0, at);
}

/** The bytes and how far they have been read. */
interface Cursor {
  readonly bytes: Uint8Array;
  at: number;
}

function fail(c: Cursor, message: string, where = c.at): never {
  throw new Broken(where, message);
}

function skipSpace(c: Cursor): void {
  for (let byte = c.bytes[c.at]; byte === 32 || byte === 10 || byte === 13 || byte === 9; byte = c.bytes[c.at]) c.at += 1;
}

/** A character of `length` bytes; `least` is the first that needs this many. */
function readCharacter(c: Cursor, length: number, least: number): string {
  let value = c.bytes[c.at] & (0x7f >> length);
  for (let k = 1; k < length; k += 1) {
    const next = c.bytes[c.at + k];
    if ((next & 0xc0) !== 0x80) fail(c, "bad UTF-8");
    value = (value << 6) | (next & 63);
  }
  if (value < least || value > 0x10ffff || (value >= 0xd800 && value <= 0xdfff)) fail(c, "bad UTF-8");
  c.at += length;
  return String.fromCodePoint(value);
}

function readHex(c: Cursor): number {
  let value = 0;
  for (let k = 0; k < 4; k += 1) {
    const digit = parseInt(String.fromCharCode(c.bytes[c.at + k] ?? 0), 16);
    if (Number.isNaN(digit)) fail(c, "a \\u escape has four hex digits");
    value = value * 16 + digit;
  }
  c.at += 4;
  return value;
}

/** What follows a backslash. */
function readEscape(c: Cursor): string {
  const start = c.at - 1;
  const letter = c.bytes[c.at++];
  if (letter !== 117) return ESCAPES[letter] ?? fail(c, "unknown escape", start);
  const high = readHex(c);
  if (high === 0) fail(c, "NUL is not allowed", start);
  if (high < 0xd800 || high > 0xdfff) return String.fromCharCode(high);
  if (high > 0xdbff || c.bytes[c.at] !== 92 || c.bytes[c.at + 1] !== 117) fail(c, "a lone surrogate", start);
  c.at += 2;
  const low = readHex(c);
  if (low < 0xdc00 || low > 0xdfff) fail(c, "a lone surrogate", start);
  return String.fromCharCode(high, low);
}

function readString(c: Cursor): string {
  const { bytes } = c;
  const start = c.at++;
  let text = "";
  for (;;) {
    const byte = bytes[c.at];
    if (byte === undefined) fail(c, "a string is not closed", start);
    if (byte === 34) break;
    if (byte < 32) fail(c, "a control character in a string");
    if (byte === 92) {
      c.at += 1;
      text += readEscape(c);
    } else if (byte < 0x80) {
      const from = c.at;
      while (bytes[c.at] >= 32 && bytes[c.at] < 0x80 && bytes[c.at] !== 34 && bytes[c.at] !== 92 && c.at - from < 4096) c.at += 1;
      text += String.fromCharCode(...bytes.subarray(from, c.at));
    } else if (byte >> 5 === 6) text += readCharacter(c, 2, 0x80);
    else if (byte >> 4 === 14) text += readCharacter(c, 3, 0x800);
    else if (byte >> 3 === 30) text += readCharacter(c, 4, 0x10000);
    else fail(c, "bad UTF-8");
  }
  c.at += 1;
  return text;
}

function readNumber(c: Cursor): number {
  const from = c.at;
  let text = "";
  for (let letter: string; "+-.0123456789eE".includes((letter = String.fromCharCode(c.bytes[c.at] ?? 0))); c.at += 1) text += letter;
  if (!/^-?(0|[1-9]\d*)(\.\d+)?([eE][+-]?\d+)?$/.test(text)) fail(c, "this is not a value", from);
  return Number(text);
}

/** Reads a value; `put` takes the node of a list or an object before it is whole, so that a text that breaks off leaves what was read. */
function readValue(c: Cursor, depth: number, put: (node: Node) => void): void {
  skipSpace(c);
  const start = c.at;
  const byte = c.bytes[start];
  const whole = (is: Node["is"], value: Node["value"]) => put({ at: start, end: c.at, value, is });
  if (byte === 34) return whole("string", readString(c));
  if (byte === 123 || byte === 91) {
    if (depth > DEPTH) fail(c, `nested deeper than ${DEPTH}`);
    const node: Node = { at: start, end: -1, value: [], is: byte === 123 ? "object" : "list" };
    put(node);
    c.at += 1;
    if (byte === 123) readEntries(c, depth, node.value as JsonEntry[]);
    else readItems(c, depth, node.value as Node[]);
    node.end = c.at;
    return;
  }
  for (const [word, meant] of Object.entries(WORDS))
    if (word.split("").every((letter, i) => c.bytes[start + i] === letter.charCodeAt(0))) {
      c.at += word.length;
      return whole(meant === null ? "null" : "boolean", meant);
    }
  whole("number", readNumber(c));
}

/** After an item: true where another follows, false at the closing sign. */
function readComma(c: Cursor, close: number): boolean {
  skipSpace(c);
  const byte = c.bytes[c.at];
  if (byte !== close && byte !== 44) fail(c, "a comma or the closing sign is missing");
  c.at += 1;
  return byte !== close;
}

function readItems(c: Cursor, depth: number, items: Node[]): void {
  skipSpace(c);
  if (c.bytes[c.at] === 93) return void (c.at += 1);
  do readValue(c, depth + 1, (item) => items.push(item));
  while (readComma(c, 93));
}

function readEntries(c: Cursor, depth: number, entries: JsonEntry[]): void {
  skipSpace(c);
  if (c.bytes[c.at] === 125) return void (c.at += 1);
  do {
    skipSpace(c);
    const { at } = c;
    if (c.bytes[at] !== 34) fail(c, "a key in quotes is missing");
    const key = readString(c);
    skipSpace(c);
    if (c.bytes[c.at] !== 58) fail(c, "a colon is missing");
    c.at += 1;
    readValue(c, depth + 1, (node) => entries.push({ key, at, node }));
  } while (readComma(c, 125));
}

/** Reads a text; `root` is null where nothing of it could be read, `fault` what broke it off. */
export function readJsonNodes(bytes: Uint8Array): { readonly root: Node | null; readonly fault: Fault | null } {
  const c: Cursor = { bytes, at: 0 };
  let root: Node | null = null;
  try {
    readValue(c, 1, (node) => (root = node));
    skipSpace(c);
    if (c.at < bytes.length) fail(c, "there is more after the end");
    return { root, fault: null };
  } catch (error) {
    if (error instanceof Broken) return { root, fault: { at: error.at, message: error.message } };
    throw error;
  }
}
