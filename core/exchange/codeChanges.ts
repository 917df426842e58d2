/**
 * What to change in a game's code so that it reads its actions from a handle of named values: for each line that asks by a word or a
 * key, what is there and what to write instead. The handle gives `value(name)`, and `justPressed(name)` and `justReleased(name)` for what began
 * or ended since the last tick; the names are those of the constants file.
 */
import { hardwareEnds, hardwareWires } from "../wiring/hardwareWires";
import { endOfAsking, type CalleeUse } from "../scan/asking";
import { familyOf, type Family, type Token } from "../scan/lex";
import { findIn, type FoundRead } from "../scan/reads";
import { standardEnd } from "../scan/foundWords";
import type { Action } from "../format/types";
import { constantFile, identifiersOf, type ConstantLanguage } from "./constants";
import { writeRows } from "./rows";

/** One line of source to be changed. */
export interface CodeChange {
  readonly file: string;
  readonly line: number;
  /** The words and keys that are read there, as the source spells them or as the web calls the key. */
  readonly reads: readonly string[];
  /** The actions that are meant. */
  readonly actions: readonly string[];
  /** The line as it is, without the spaces about it. */
  readonly stands: string;
  /** The line as it should be; where it cannot be reported in place, what to read instead. */
  readonly write: string;
  /** `line`: write it instead. `arm`: it takes the place of an arm of a switch. `table`: it is read where the table is asked. */
  readonly how: "line" | "arm" | "table";
}

/** Which reads are wanted: by their callees, and the actions that their words and keys mean. */
export interface ChangeOptions {
  readonly callees: readonly string[];
  readonly actions: readonly Action[];
  /** The language to write in; null: that of each file. */
  readonly language: ConstantLanguage | null;
}

/** The language of constants that files of a family are written in. */
export const OF_FAMILY: Readonly<Record<Family, ConstantLanguage>> = {
  script: "typescript",
  csharp: "csharp",
  cpp: "cpp",
  java: "java",
  kotlin: "kotlin",
  swift: "swift",
  dart: "dart",
  lua: "lua",
  rust: "rust",
  python: "python",
  go: "typescript",
  c: "c",
};

/** How a language calls a method of the handle, names a constant of the constants file, and writes a condition. */
interface Writing {
  readonly call: (method: string, constant: string) => string;
  readonly constant: (identifier: string) => string;
  readonly not: (condition: string) => string;
  readonly or: string;
  readonly when: (condition: string) => string;
}
const large = (text: string) => text[0].toUpperCase() + text.slice(1);
const plainCall = (method: string, constant: string) => `controls.${method}(${constant})`;
/** `justPressed` → `just_pressed`, for languages whose methods are written so. */
const snake = (text: string) => text.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const snakeCall = (method: string, constant: string) => plainCall(snake(method), constant);
const bang = (condition: string) => `!${condition}`;
const bracketed = (condition: string) => `if (${condition}) { … }`;
const unbracketed = (condition: string) => `if ${condition} { … }`;
const member = (identifier: string) => `Actions.${identifier}`;

const WRITING: Readonly<Record<ConstantLanguage, Writing>> = {
  typescript: { call: plainCall, constant: (id) => `ACTIONS.${id}`, not: bang, or: "||", when: bracketed },
  csharp: { call: (method, constant) => `controls.${large(method)}(${constant})`, constant: member, not: bang, or: "||", when: bracketed },
  c: { call: (method, constant) => `controls_${snake(method)}(controls, ${constant})`, constant: (id) => `ACTION_${id}`, not: bang, or: "||", when: bracketed },
  cpp: { call: snakeCall, constant: (id) => `actions::${id}`, not: bang, or: "||", when: bracketed },
  java: { call: plainCall, constant: member, not: bang, or: "||", when: bracketed },
  kotlin: { call: plainCall, constant: member, not: bang, or: "||", when: bracketed },
  swift: { call: plainCall, constant: member, not: bang, or: "||", when: unbracketed },
  dart: { call: plainCall, constant: member, not: bang, or: "||", when: bracketed },
  lua: {
    call: (method, constant) => `controls:${snake(method)}(${constant})`,
    constant: member,
    not: (condition) => `not ${condition}`,
    or: "or",
    when: (condition) => `if ${condition} then … end`,
  },
  rust: { call: snakeCall, constant: (id) => `actions::${id}`, not: bang, or: "||", when: unbracketed },
  python: { call: snakeCall, constant: (id) => `actions.${id}`, not: (condition) => `not ${condition}`, or: "or", when: (condition) => `if ${condition}: …` },
};

/** A source file, with its text. */
export interface SourceFile {
  readonly name: string;
  readonly text: string;
}

/** What a read means: the action, and how much of its value: a direction of a vector, an end of an axis. */
interface Meant {
  readonly action: Action;
  readonly part: string;
}

/** Everything in a file that is to be changed, in the order of its lines. Words that no action has, and keys that give to none, remain. */
export function changesIn({ name, text }: SourceFile, wanted: ChangeOptions): CodeChange[] {
  const family = familyOf(name);
  const language = wanted.language ?? OF_FAMILY[family];
  const read = wanted.actions.filter((a) => a.read);
  const ids = identifiersOf(
    read.map((a) => a.name),
    language,
  );
  const constantOf = new Map(read.map((a, i) => [a.name, WRITING[language].constant(ids[i])]));
  const callees = new Set(wanted.callees);
  const found: Meaning[] = [];
  const tokens = findIn(text, family, (one) => {
    const fromDirections = one.read?.directions && callees.has(one.read.callee) ? meantByDirections(read, one.read.directions) : [];
    if (fromDirections.length > 0) {
      for (const meant of fromDirections) found.push({ found: one, meant, read: meant.action.name });
      return;
    }
    const meant = one.read && callees.has(one.read.callee) ? byWord(read, one.read.word) : one.standard ? byEnd(read, standardEnd(one.standard)) : null;
    if (meant) found.push({ found: one, meant, read: one.read?.word ?? one.standard!.value });
  });
  const byLine = new Map<number, { readonly meanings: Meaning[]; readonly edits: Edit[] }>();
  for (const meaning of found) {
    const { asking, piece } = meaning.found;
    const value = valueOf(WRITING[language], asking, meaning.meant, constantOf.get(meaning.meant.action.name)!);
    const { line } = tokens[piece.first];
    const at = byLine.get(line) ?? { meanings: [], edits: [] };
    byLine.set(line, at);
    at.meanings.push(meaning);
    const edit = editOf(tokens, asking, value, WRITING[language]);
    // Four presses make no vector by a sign alone: what to read instead is listed.
    at.edits.push(meaning.found.read?.directions && meaning.read !== meaning.found.read.word ? { ...edit, how: "arm" } : edit);
  }
  return [...byLine]
    .sort(([a], [b]) => a - b)
    .map(([line, { meanings, edits }]) => ({ file: name, line, ...changeOf(text, meanings, edits, WRITING[language]) }));
}

/** A read that means an action, as the source spells it. */
interface Meaning {
  readonly found: FoundRead;
  readonly meant: Meant;
  readonly read: string;
}

/** All that is to be changed in one line: written again where everything can be reported in place, else what to read instead. */
function changeOf(text: string, meanings: readonly Meaning[], edits: readonly Edit[], writing: Writing): Omit<CodeChange, "file" | "line"> {
  const start = text.lastIndexOf("\n", edits[0].at - 1) + 1;
  const stop = text.indexOf("\n", edits[0].at);
  const line = { start, stop: stop < 0 ? text.length : stop };
  const inPlace = edits.every((e) => e.how === "line" && e.at >= line.start && e.end <= line.stop);
  const how = edits.find((e) => e.how !== "line")?.how ?? (inPlace ? "line" : "arm");
  return {
    reads: [...new Set(meanings.map((m) => m.read))],
    actions: [...new Set(meanings.map((m) => m.meant.action.name))],
    stands: clipped(text.slice(line.start, line.stop).trim()),
    write: inPlace ? clipped(rewritten(text, line, joined(edits, writing))) : [...new Set(edits.map((e) => e.write))].join("; "),
    how,
  };
}

const byWord = (actions: readonly Action[], word: string): Meant | null => {
  const action = actions.find((a) => a.name === word);
  return action ? { action, part: "" } : null;
};

/** The actions of four directions that are read as one vector; none unless each is its own action. */
function meantByDirections(actions: readonly Action[], directions: readonly string[]): Meant[] {
  const found = directions.map((word) => byWord(actions, word));
  return found.every((meant) => meant !== null) ? found : [];
}

/** The action that a key or pad input gives to, and the direction it gives. */
function byEnd(actions: readonly Action[], end: string): Meant | null {
  const action = actions.find((a) => hardwareEnds(a).includes(end));
  if (!action) return null;
  const source = hardwareWires(action).find((w) => w.end === end)!.source;
  const value = "value" in source ? source.value : undefined;
  if (action.kind === "vector" && Array.isArray(value)) {
    const along = value[1] !== 0;
    return { action, part: `.${along ? "y" : "x"} ${value[along ? 1 : 0] < 0 ? "< -0.5" : "> 0.5"}` };
  }
  return { action, part: action.kind === "axis" && typeof value === "number" ? (value < 0 ? " < -0.5" : " > 0.5") : "" };
}

/** What is written for a read: the value, or whether it was just pressed or released if the code asks for an event. */
function valueOf(writing: Writing, { callee, shape }: CalleeUse, { action, part }: Meant, constant: string): string {
  if (action.kind !== "press") return writing.call("value", constant) + part;
  if (/(?:just|was)[_a-z]*releas|(?:key|button)_?up$|released$/i.test(callee)) return writing.call("justReleased", constant);
  // What is asked of one event happens once.
  const isEvent =
    shape === "compare" ||
    /^(?:e|ev|evt|event|input_?event)\./i.test(callee) ||
    /just|(?:key|button|get\w*)_?down$|trigger|pressed_?this|was_?pressed/i.test(callee);
  return writing.call(isEvent ? "justPressed" : "value", constant);
}

/** A part of a source and what to write in its place. */
interface Edit {
  readonly at: number;
  readonly end: number;
  readonly write: string;
  readonly how: CodeChange["how"];
}

function editOf(tokens: readonly Token[], asked: CalleeUse, value: string, writing: Writing): Edit {
  const { at } = tokens[asked.first];
  const last = endOfAsking(tokens, asked);
  const { end } = tokens[last];
  if (asked.isArm) return { at, end, write: writing.when(value), how: "arm" };
  if (asked.shape === "table" || asked.shape === "members") return { at, end, write: value, how: "table" };
  const isDenied = asked.shape === "compare" && tokens.slice(asked.first, last).some((t) => t.kind === "sign" && /^(?:!==?|~=)$/.test(t.text));
  return { at, end, write: isDenied ? writing.not(value) : value, how: "line" };
}

/** Edits of one and the same place made one: any of what they read will do. */
function joined(edits: readonly Edit[], { or }: Writing): Edit[] {
  const byPlace = new Map<string, Edit[]>();
  for (const edit of edits) byPlace.set(`${edit.at} ${edit.end}`, [...(byPlace.get(`${edit.at} ${edit.end}`) ?? []), edit]);
  return [...byPlace.values()].map((same) => {
    const writes = [...new Set(same.map((e) => e.write))];
    return { ...same[0], write: writes.length === 1 ? writes[0] : `(${writes.join(` ${or} `)})` };
  });
}

/** A line with its edits made; of edits that overlap the first counts. */
function rewritten(text: string, { start, stop }: { start: number; stop: number }, edits: readonly Edit[]): string {
  let out = "";
  let at = start;
  let before = "";
  for (const edit of [...edits].sort((a, b) => a.at - b.at)) {
    if (edit.at < at) continue;
    // Two keys for one action, either of which will do, come to one value.
    const isSame = edit.write === before && /^\s*(?:\|\||or)\s*$/.test(text.slice(at, edit.at));
    before = edit.write;
    if (isSame) {
      at = edit.end;
      continue;
    }
    out += text.slice(at, edit.at) + edit.write;
    at = edit.end;
  }
  return (out + text.slice(at, stop)).trim();
}

/** A line longer than this is cut: it was written by a machine. */
const MOST_LINE = 240;
const clipped = (text: string) => (text.length > MOST_LINE ? `${text.slice(0, MOST_LINE)}…` : text);

const HOW_WORDS: Readonly<Record<CodeChange["how"], string>> = {
  line: "instead of the line",
  arm: "instead of this arm or condition",
  table: "where the table is read",
};
/** Where what is written belongs, in words. */
export const changePlaceWords = (how: CodeChange["how"]): string => HOW_WORDS[how];

/** Text between back ticks of Markdown: as many as it needs. */
function ticked(text: string): string {
  const most = Math.max(0, ...[...text.matchAll(/`+/g)].map((m) => m[0].length));
  const mark = "`".repeat(most + 1);
  return most > 0 ? `${mark} ${text} ${mark}` : `${mark}${text}${mark}`;
}

/** The changes as a list to tick off, in Markdown, a heading for each file. `done`: whether one is done already. */
export function changesMarkdown(title: string, changes: readonly CodeChange[], done: (change: CodeChange) => boolean): string {
  const lines = [`# What to change in the code of ${title}`, ""];
  let file = "";
  for (const change of changes) {
    if (change.file !== file) lines.push(...(file === "" ? [] : [""]), `## ${change.file}`, "");
    file = change.file;
    lines.push(`- [${done(change) ? "x" : " "}] line ${change.line}, ${change.actions.join(", ")}: ${ticked(change.stands)}`);
    lines.push(`  → ${ticked(change.write)} (${changePlaceWords(change.how)})`);
  }
  return `${lines.join("\n")}\n`;
}

/** The changes as a table: file, line, reads, actions, is, write, how, done. */
export function changesCsv(changes: readonly CodeChange[], done: (change: CodeChange) => boolean): string {
  return writeRows(
    ["file", "line", "reads", "actions", "stands", "write", "how", "done"],
    changes.map((c) => [c.file, String(c.line), c.reads.join("; "), c.actions.join("; "), c.stands, c.write, changePlaceWords(c.how), done(c) ? "yes" : "no"]),
  );
}

/** The files of constants that what is written is on, for the languages of some files. */
export function constantFilesFor(files: readonly string[], language: ConstantLanguage | null): string[] {
  return [...new Set(files.map((name) => constantFile(language ?? OF_FAMILY[familyOf(name)])))];
}
