/**
 * Source text of any language taken apart just far enough to see where a text constant is: names, texts, signs and the
 * lines they are on. Comments are omitted. What differs between languages (how comments and texts begin and end) is in a
 * table of families; a language that is not known is read like the family of C.
 */
import { ownEntry } from "../engine/playerChanges";

/** Where a piece of source is: `line` counts from 1; `at` and `end` are the places of its first character and behind its last one. */
interface Standing {
  readonly text: string;
  readonly line: number;
  readonly at: number;
  readonly end: number;
}
/** A piece of source. A `char` is one character in quotation its own marks. A text that holds something computed (`${…}`) is `whole: false`. */
export type Token = (Standing & { readonly kind: "name" | "number" | "sign" | "char" }) | (Standing & { readonly kind: "text"; readonly whole: boolean });

export type Family = "script" | "csharp" | "cpp" | "java" | "kotlin" | "swift" | "dart" | "lua" | "rust" | "python" | "go" | "c";

const FAMILIES: Readonly<Record<string, Family>> = {
  js: "script",
  jsx: "script",
  mjs: "script",
  cjs: "script",
  ts: "script",
  tsx: "script",
  mts: "script",
  cts: "script",
  vue: "script",
  svelte: "script",
  cs: "csharp",
  cpp: "cpp",
  cc: "cpp",
  cxx: "cpp",
  hpp: "cpp",
  hh: "cpp",
  hxx: "cpp",
  h: "cpp",
  inl: "cpp",
  java: "java",
  kt: "kotlin",
  kts: "kotlin",
  swift: "swift",
  dart: "dart",
  lua: "lua",
  luau: "lua",
  rs: "rust",
  go: "go",
  py: "python",
  pyw: "python",
  gd: "python",
};

/** The family of a file, by what its name ends with. */
export function familyOf(fileName: string): Family {
  return ownEntry(FAMILIES, /\.([a-z0-9]+)$/i.exec(fileName)?.[1].toLowerCase() ?? "") ?? "c";
}

/** Families whose block comments may lie in each other. */
const NESTED: ReadonlySet<Family> = new Set<Family>(["swift", "rust", "kotlin", "dart"]);
/** Families in which `'…'` holds a text; in the others it is one character. */
const SINGLE_QUOTED: ReadonlySet<Family> = new Set<Family>(["script", "dart", "lua", "python"]);
/** Families that know `"""…"""`. */
const TRIPLE: ReadonlySet<Family> = new Set<Family>(["csharp", "java", "kotlin", "swift", "dart", "python"]);

/** What a text may begin with next to a quotation mark: prefixes, and the marks of raw texts. */
const TEXT_STARTS: Partial<Record<Family, string>> = { csharp: "$@", cpp: "uULR", rust: "br", python: "rbufRBUF&", dart: "r", swift: "#" };

const NAME_START = /[\p{L}_$@]/u;
const NAME = /[\p{L}\p{N}_$]*/uy;
const NUMBER = /0[xob][\da-f_]+|\d[\d_]*(?:\.\d[\d_]*)?(?:e[+-]?\d+)?/iy;
/** Signs of more than one character that matter for comparisons and chains. */
const SIGNS = /===|!==|==|!=|~=|=>|->|\?\.|::|\.\.=|\.\./y;

const OTHER = 0;
const LETTER = 1;
const DIGIT = 2;
/** A sign that may be the first of several. */
const PAIRED = 3;
/** What a character of ASCII begins; most of all source is of these, and a table is many times faster than a pattern. */
const ASCII: readonly number[] = Array.from({ length: 128 }, (_, code) => {
  const c = String.fromCharCode(code);
  return /[A-Za-z_$@]/.test(c) ? LETTER : /\d/.test(c) ? DIGIT : "=!~-?:.".includes(c) ? PAIRED : OTHER;
});

/** The place behind the last character of a name. */
function endOfName(source: string, from: number): number {
  let i = from;
  for (; i < source.length; i += 1) {
    const code = source.charCodeAt(i);
    if (code >= 128) {
      NAME.lastIndex = i;
      return NAME.test(source) ? NAME.lastIndex : i;
    }
    // A dollar counts in a name, an at sign only at its start.
    const sort = ASCII[code];
    if (code === 64 || (sort !== LETTER && sort !== DIGIT)) return i;
  }
  return i;
}

/** The tokens of a source text. Never throws: what does not end, ends with the text. */
export function lex(source: string, family: Family): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  let line = 1;
  const starts = (text: string) => source.startsWith(text, at);
  /** Goes on to a place, counting lines. */
  const goTo = (end: number) => {
    for (let i = source.indexOf("\n", at); i >= 0 && i < end; i = source.indexOf("\n", i + 1)) line += 1;
    at = end;
  };
  const endOf = (text: string, from: number) => {
    const found = source.indexOf(text, from);
    return found < 0 ? source.length : found;
  };
  const push = (token: Token) => void tokens.push(token);
  const texts = `"'\`${TEXT_STARTS[family] ?? ""}`;

  const blockComment = (open: string, close: string, nested: boolean) => {
    let depth = 1;
    let i = at + open.length;
    while (depth > 0 && i < source.length) {
      if (source.startsWith(close, i)) {
        depth -= 1;
        i += close.length;
      } else if (nested && source.startsWith(open, i)) {
        depth += 1;
        i += open.length;
      } else i += 1;
    }
    goTo(i);
  };
  /** A text without escapes, up to a mark; the mark doubled represents itself where `doubled`. */
  const rawText = (open: number, close: string, doubled = false) => {
    const begun = line;
    let i = at + open;
    let text = "";
    for (;;) {
      const end = endOf(close, i);
      text += source.slice(i, end);
      i = Math.min(source.length, end + close.length);
      if (!doubled || !source.startsWith(close, i)) break;
      text += close;
      i += close.length;
    }
    push({ kind: "text", text, whole: true, line: begun, at, end: i });
    goTo(i);
  };
  /** A text with escapes, up to a mark. `hole`: what begins something computed in it, to be skipped with its brackets. */
  const escapedText = (open: number, close: string, hole: string | null, lines: boolean) => {
    const begun = line;
    let i = at + open;
    let text = "";
    let whole = true;
    while (i < source.length && !source.startsWith(close, i)) {
      const c = source[i];
      if (!lines && c === "\n") break;
      // A hole that begins with a backslash (Swift) comes before the escapes.
      if (hole !== null && source.startsWith(hole, i)) {
        whole = false;
        i = skipHole(source, i + hole.length, hole.endsWith("(") ? ")" : "}");
      } else if (c === "\\") {
        const [value, next] = escape(source, i);
        text += value;
        i = next;
      } else {
        text += c;
        i += 1;
      }
    }
    const end = Math.min(source.length, source.startsWith(close, i) ? i + close.length : i);
    push({ kind: "text", text, whole, line: begun, at, end });
    goTo(end);
  };

  while (at < source.length) {
    const c = source[at];
    if (c === " " || c === "\t" || c === "\r" || c === "\n") {
      if (c === "\n") line += 1;
      at += 1;
      continue;
    }
    if (family === "lua") {
      const long = /^(--)?\[(=*)\[/.exec(source.slice(at, at + 40));
      if (long) {
        const close = `]${long[2]}]`;
        if (long[1]) goTo(Math.min(source.length, endOf(close, at) + close.length));
        else rawText(long[0].length, close);
        continue;
      }
      if (starts("--")) {
        goTo(endOf("\n", at));
        continue;
      }
    } else if (family === "python") {
      if (c === "#") {
        goTo(endOf("\n", at));
        continue;
      }
    } else {
      if (starts("//")) {
        goTo(endOf("\n", at));
        continue;
      }
      if (starts("/*")) {
        blockComment("/*", "*/", NESTED.has(family));
        continue;
      }
    }
    if (texts.includes(c) && textAt()) continue;
    if (c === "/" && family === "script" && patternMayStart()) {
      const pattern = /^\/(?:\\.|\[(?:\\.|[^\]\\\n])*\]|[^/\\\n[])+\/[a-z]*/.exec(source.slice(at, at + 2000));
      if (pattern) {
        goTo(at + pattern[0].length);
        continue;
      }
    }
    const sort = ASCII[source.charCodeAt(at)] ?? (NAME_START.test(c) ? LETTER : OTHER);
    if (sort === LETTER) {
      const end = endOfName(source, at + 1);
      push({ kind: "name", text: source.slice(at, end), line, at, end });
      at = end;
    } else if (sort === DIGIT) {
      NUMBER.lastIndex = at;
      const end = NUMBER.test(source) ? NUMBER.lastIndex : at + 1;
      push({ kind: "number", text: source.slice(at, end), line, at, end });
      at = end;
    } else {
      let text = c;
      if (sort === PAIRED) {
        SIGNS.lastIndex = at;
        if (SIGNS.test(source)) text = source.slice(at, SIGNS.lastIndex);
      }
      push({ kind: "sign", text, line, at, end: at + text.length });
      at += text.length;
    }
  }
  return tokens;

  /** Whether a slash here begins a pattern of JavaScript and does not divide: after a sign that ends no value, or at the start. */
  function patternMayStart(): boolean {
    const last = tokens[tokens.length - 1] as Token | undefined;
    if (!last) return true;
    return last.kind === "sign" ? !/^[)\]}]$/.test(last.text) : last.kind === "name" && /^(?:return|case|typeof|in|of)$/.test(last.text);
  }

  /** Takes a text that begins here; false where none does. */
  function textAt(): boolean {
    const rest = source.slice(at, at + 24);
    if (family === "csharp") {
      const raw = /^\$*("{3,})/.exec(rest);
      if (raw) return (rawText(raw[0].length, raw[1]), true);
      if (/^(?:\$@|@\$)"/.test(rest)) return (escapedText(3, '"', "{", true), true);
      if (rest.startsWith('@"')) return (rawText(2, '"', true), true);
      if (rest.startsWith('$"')) return (escapedText(2, '"', "{", false), true);
    }
    if (family === "cpp") {
      const raw = /^(?:u8|[uUL])?R"([^()\\\s]{0,16})\(/.exec(rest);
      if (raw) return (rawText(raw[0].length, `)${raw[1]}"`), true);
      const prefix = /^(?:u8|[uUL])"/.exec(rest);
      if (prefix) return (escapedText(prefix[0].length, '"', null, false), true);
    }
    if (family === "rust") {
      const raw = /^b?r(#*)"/.exec(rest);
      if (raw) return (rawText(raw[0].length, `"${raw[1]}`), true);
      if (rest.startsWith('b"')) return (escapedText(2, '"', null, true), true);
      // A lifetime ('a) is no character.
      if (/^'[a-z_]\w*(?!')/i.test(rest) && !/^'.'/.test(rest)) return (goTo(at + 1), true);
    }
    if (family === "python") {
      const prefix = /^([rbuf]{1,2}|&)("""|'''|"|')/i.exec(rest);
      if (prefix) {
        const raw = /r/i.test(prefix[1]);
        const hole = /f/i.test(prefix[1]) ? "{" : null;
        if (raw && hole === null) rawText(prefix[0].length, prefix[2]);
        else escapedText(prefix[0].length, prefix[2], hole, prefix[2].length === 3);
        return true;
      }
    }
    if (family === "dart" && /^r("|')/.test(rest)) return (rawText(2, rest[1]), true);
    if (family === "swift") {
      const raw = /^(#+)("""|")/.exec(rest);
      if (raw) return (rawText(raw[0].length, raw[2] + raw[1]), true);
    }
    if (TRIPLE.has(family)) {
      const mark = rest.startsWith('"""') ? '"""' : rest.startsWith("'''") && SINGLE_QUOTED.has(family) ? "'''" : null;
      if (mark) return (escapedText(3, mark, holeOf(family), true), true);
    }
    const c = source[at];
    if (c === '"') return (escapedText(1, '"', holeOf(family), family === "rust"), true);
    if (c === "'" && SINGLE_QUOTED.has(family)) return (escapedText(1, "'", holeOf(family), false), true);
    if (c === "'") {
      const char = /^'(?:\\(?:[^\n]{1,9}?)|[^\\\n])'/u.exec(rest);
      const end = at + (char ? char[0].length : 1);
      if (char && char[0][1] !== "\\") push({ kind: "char", text: char[0].slice(1, -1), line, at, end });
      goTo(end);
      return true;
    }
    if (c === "`" && family === "go") return (rawText(1, "`"), true);
    if (c === "`" && family === "script") return (escapedText(1, "`", "${", true), true);
    return false;
  }
}

/** What begins something computed in a text of a family. */
function holeOf(family: Family): string | null {
  return family === "kotlin" || family === "dart" ? "${" : family === "swift" ? "\\(" : null;
}

/** The place behind the bracket that closes a hole. Brackets in it are counted, texts in it passed over. */
function skipHole(source: string, from: number, close: string): number {
  const open = close === ")" ? "(" : "{";
  let depth = 1;
  for (let i = from; i < source.length; i += 1) {
    const c = source[i];
    if (c === open) depth += 1;
    else if (c === close) depth -= 1;
    else if (c === '"' || c === "'" || c === "`") {
      const end = source.indexOf(c, i + 1);
      if (end < 0) return source.length;
      i = end;
    }
    if (depth === 0) return i + 1;
  }
  return source.length;
}

const PLAIN: Readonly<Record<string, string>> = { n: "\n", t: "\t", r: "\r", "0": "\0", b: "\b", f: "\f", v: "\v" };

/** What an escape represents, and the place behind it. */
function escape(source: string, at: number): [string, number] {
  const code = /^\\(?:u\{([\da-fA-F]{1,6})\}|u([\da-fA-F]{4})|U([\da-fA-F]{8})|x([\da-fA-F]{2}))/.exec(source.slice(at, at + 12));
  if (code) {
    const point = Number.parseInt(code[1] ?? code[2] ?? code[3] ?? code[4], 16);
    return [point <= 0x10ffff ? String.fromCodePoint(point) : "", at + code[0].length];
  }
  const next = source[at + 1];
  if (next === undefined) return ["", at + 1];
  if (next === "\n") return ["", at + 2];
  return [PLAIN[next] ?? next, at + 2];
}
