/**
 * JSON read as bytes, into a tree that remembers where everything stands (RFC 8259). Stricter than most readers: keys that stand twice,
 * lone surrogates, NUL, bad UTF-8, a byte order mark and nesting deeper than 16 are refused. A text that breaks off leaves the part that was read: what is wrong
 * before the break is still found.
 */

/** A value and where it stands: offsets of its first byte and behind its last, bytes; `end` −1 where the text broke off within it. */
export interface Node {
  readonly at: number;
  end: number;
  readonly value: null | boolean | number | string | Node[] | Entry[];
  /** What the value is; a list and an object are told apart by it. */
  readonly is: "null" | "boolean" | "number" | "string" | "list" | "object";
}
/** A key of an object, where it stands, and its value. */
export interface Entry {
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

/** Reads a text; `root` is null where nothing of it could be read, `fault` what broke it off. */
export function readJson(bytes: Uint8Array): { readonly root: Node | null; readonly fault: Fault | null } {
  let at = 0;
  let root: Node | null = null;
  const fail = (message: string, where = at): never => {
    throw new Broken(where, message);
  };
  const space = () => {
    while (bytes[at] === 32 || bytes[at] === 10 || bytes[at] === 13 || bytes[at] === 9) at += 1;
  };
  const code = (length: number, least: number): number => {
    let value = bytes[at] & (0x7f >> length);
    for (let k = 1; k < length; k += 1) {
      const next = bytes[at + k];
      if ((next & 0xc0) !== 0x80) fail("bad UTF-8");
      value = (value << 6) | (next & 63);
    }
    if (value < least || value > 0x10ffff || (value >= 0xd800 && value <= 0xdfff)) fail("bad UTF-8");
    at += length;
    return value;
  };
  const hex = (): number => {
    let value = 0;
    for (let k = 0; k < 4; k += 1) {
      const digit = parseInt(String.fromCharCode(bytes[at + k] ?? 0), 16);
      if (Number.isNaN(digit)) fail("a \\u escape has four hex digits");
      value = value * 16 + digit;
    }
    at += 4;
    return value;
  };
  const escape = (): string => {
    const start = at - 1;
    const letter = bytes[at++];
    if (letter !== 117) return ESCAPES[letter] ?? fail("unknown escape", start);
    const high = hex();
    if (high === 0) fail("NUL is not allowed", start);
    if (high < 0xd800 || high > 0xdfff) return String.fromCharCode(high);
    if (high > 0xdbff || bytes[at] !== 92 || bytes[at + 1] !== 117) fail("a lone surrogate", start);
    at += 2;
    const low = hex();
    if (low < 0xdc00 || low > 0xdfff) fail("a lone surrogate", start);
    return String.fromCharCode(high, low);
  };
  const string = (): string => {
    const start = at++;
    let text = "";
    for (;;) {
      const byte = bytes[at];
      if (byte === undefined) fail("a string is not closed", start);
      if (byte === 34) break;
      if (byte < 32) fail("a control character in a string");
      if (byte === 92) {
        at += 1;
        text += escape();
      } else if (byte < 0x80) {
        const from = at;
        while (bytes[at] >= 32 && bytes[at] < 0x80 && bytes[at] !== 34 && bytes[at] !== 92 && at - from < 4096) at += 1;
        text += String.fromCharCode(...bytes.subarray(from, at));
      } else if (byte >> 5 === 6) text += String.fromCodePoint(code(2, 0x80));
      else if (byte >> 4 === 14) text += String.fromCodePoint(code(3, 0x800));
      else if (byte >> 3 === 30) text += String.fromCodePoint(code(4, 0x10000));
      else fail("bad UTF-8");
    }
    at += 1;
    return text;
  };
  const number = (): number => {
    const from = at;
    let text = "";
    for (let letter: string; "+-.0123456789eE".includes((letter = String.fromCharCode(bytes[at] ?? 0))); at += 1) text += letter;
    if (!/^-?(0|[1-9]\d*)(\.\d+)?([eE][+-]?\d+)?$/.test(text)) fail("this is not a value", from);
    return Number(text);
  };
  /** Reads a value; `put` takes the node before it is whole, so that a text that breaks off leaves what was read. */
  const value = (depth: number, put: (node: Node) => void): void => {
    space();
    const start = at;
    const byte = bytes[at];
    const whole = (is: Node["is"], read: Node["value"]) => put({ at: start, end: at, value: read, is });
    if (byte === 34) return whole("string", string());
    if (byte === 123 || byte === 91) {
      if (depth > DEPTH) fail(`nested deeper than ${DEPTH}`);
      const node: Node = { at: start, end: -1, value: [], is: byte === 123 ? "object" : "list" };
      put(node);
      at += 1;
      if (byte === 123) entries(node, depth);
      else items(node, depth);
      node.end = at;
      return;
    }
    for (const [word, meant] of Object.entries(WORDS))
      if (word.split("").every((letter, i) => bytes[at + i] === letter.charCodeAt(0))) {
        at += word.length;
        return whole(meant === null ? "null" : "boolean", meant);
      }
    whole("number", number());
  };
  /** After an item: true where another follows, false at the closing sign. */
  const more = (close: number): boolean => {
    space();
    if (bytes[at] === close) {
      at += 1;
      return false;
    }
    if (bytes[at] !== 44) fail("a comma or the closing sign is missing");
    at += 1;
    return true;
  };
  const items = (node: Node, depth: number): void => {
    space();
    if (bytes[at] === 93) return void (at += 1);
    do value(depth + 1, (item) => (node.value as Node[]).push(item));
    while (more(93));
  };
  const entries = (node: Node, depth: number): void => {
    space();
    if (bytes[at] === 125) return void (at += 1);
    do {
      space();
      const keyAt = at;
      if (bytes[at] !== 34) fail("a key in quotes is missing");
      const key = string();
      space();
      if (bytes[at] !== 58) fail("a colon is missing");
      at += 1;
      value(depth + 1, (child) => (node.value as Entry[]).push({ key, at: keyAt, node: child }));
    } while (more(125));
  };
  try {
    value(1, (node) => (root = node));
    space();
    if (at < bytes.length) fail("there is more after the end");
    return { root, fault: null };
  } catch (error) {
    if (error instanceof Broken) return { root, fault: { at: error.at, message: error.message } };
    throw error;
  }
}
