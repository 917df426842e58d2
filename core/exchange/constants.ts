/**
 * The names of actions as constants of the game's own language, so that a misspelling becomes a compile error. The text of
 * each constant is the name to the letter; its identifier is made from the name, escaped where the language reserves it and
 * numbered where two names would have the same.
 */
import type { Action } from "../format/types";

export const CONSTANT_LANGUAGES = ["typescript", "csharp", "c", "cpp", "java", "kotlin", "swift", "dart", "lua", "rust", "python"] as const;
export type ConstantLanguage = (typeof CONSTANT_LANGUAGES)[number];

interface Language {
  readonly word: string;
  readonly file: string;
  readonly style: "camel" | "pascal" | "upper";
  readonly reserved: readonly string[];
  /** How a text is written; every letter that is not plain is escaped as `escape` says. */
  readonly escape: (code: number) => string;
  readonly comment: string;
  readonly head: readonly string[];
  readonly line: (identifier: string, text: string, note: string) => string;
  readonly foot: readonly string[];
  /** What follows the names: the kinds, where types can tell a wrong one; the indices, where the engine takes them. */
  readonly more?: (named: readonly NamedAction[], digest: string | null) => readonly string[];
}

/** An action in a file of constants: its identifier, its name as a literal, and its place among all actions of the layout. */
interface NamedAction {
  readonly id: string;
  readonly text: string;
  readonly kind: Action["kind"];
  readonly index: number;
}

/** The indices of actions for the header of C and C++, and the layout that they hold for. */
function indices(named: readonly NamedAction[], digest: string | null): readonly string[] {
  if (digest === null) return [];
  return [
    "",
    "/* The layout that these indices hold for: ask ACTIONS_FIT(layout) once it is read. */",
    "#include <string.h>",
    `#define ACTIONS_DIGEST "${digest}"`,
    "#define ACTIONS_FIT(layout) (strcmp(nodulum_digest(layout), ACTIONS_DIGEST) == 0)",
    ...(named.length > 0 ? ["enum {", ...named.map(({ id, index }) => `  AT_${id} = ${index},`), "};"] : []),
  ];
}

const hex = (code: number, width: number) => code.toString(16).toUpperCase().padStart(width, "0");
/** UTF-16 units as `\uXXXX`: what C#, Java and their kin take. */
const units = (code: number) =>
  String.fromCodePoint(code)
    .split("")
    .map((unit) => `\\u${hex(unit.charCodeAt(0), 4)}`)
    .join("");
const braced = (code: number) => `\\u{${hex(code, 1)}}`;
/** Beyond four digits eight: what C++ and Python take. */
const wide = (code: number) => (code > 0xffff ? `\\U${hex(code, 8)}` : `\\u${hex(code, 4)}`);
const words = (text: string) => text.split(" ");

const LANGUAGES: Readonly<Record<ConstantLanguage, Language>> = {
  typescript: {
    word: "TypeScript",
    file: "actions.ts",
    style: "camel",
    reserved: [],
    escape: braced,
    comment: "//",
    head: ["export const ACTIONS = {"],
    line: (id, text, note) => `  ${id}: ${text},${note}`,
    foot: ["} as const;", "export type ActionName = (typeof ACTIONS)[keyof typeof ACTIONS];"],
    more: (named) => [
      "",
      "/** The kind of each action: with play<typeof actions>(…) a misspelled name or a wrong kind does not compile. */",
      "export const actions = {",
      ...named.map(({ text, kind }) => `  ${text}: "${kind}",`),
      "} as const;",
    ],
  },
  csharp: {
    word: "C#",
    file: "Actions.cs",
    style: "pascal",
    reserved: [],
    escape: units,
    comment: "//",
    head: ["public static class Actions", "{"],
    line: (id, text, note) => `    public const string ${id} = ${text};${note}`,
    foot: ["}"],
  },
  c: {
    word: "C",
    file: "actions.h",
    style: "upper",
    reserved: [],
    escape: wide,
    comment: "//",
    head: ["#pragma once", ""],
    line: (id, text, note) => `#define ACTION_${id} ${text}${note}`,
    foot: [],
    more: indices,
  },
  cpp: {
    word: "C++",
    file: "actions.h",
    style: "pascal",
    reserved: [],
    escape: wide,
    comment: "//",
    head: ["#pragma once", "", "namespace actions {"],
    line: (id, text, note) => `inline constexpr const char* ${id} = ${text};${note}`,
    foot: ["}"],
  },
  java: {
    word: "Java",
    file: "Actions.java",
    style: "upper",
    reserved: [],
    escape: units,
    comment: "//",
    head: ["public final class Actions {"],
    line: (id, text, note) => `    public static final String ${id} = ${text};${note}`,
    foot: ["    private Actions() {}", "}"],
  },
  kotlin: {
    word: "Kotlin",
    file: "Actions.kt",
    style: "upper",
    reserved: [],
    escape: units,
    comment: "//",
    head: ["object Actions {"],
    line: (id, text, note) => `    const val ${id} = ${text}${note}`,
    foot: ["}"],
  },
  swift: {
    word: "Swift",
    file: "Actions.swift",
    style: "camel",
    reserved: words(
      "as break case catch class continue default defer deinit do else enum extension fallthrough false fileprivate for func guard if import in init inout internal is let nil open operator private protocol public repeat rethrows return self static struct subscript super switch throw throws true try typealias var where while",
    ),
    escape: braced,
    comment: "//",
    head: ["public enum Actions {"],
    line: (id, text, note) => `    public static let ${id} = ${text}${note}`,
    foot: ["}"],
  },
  dart: {
    word: "Dart",
    file: "actions.dart",
    style: "camel",
    reserved: words(
      "assert await break case catch class const continue default do else enum extends false final finally for if in is new null rethrow return super switch this throw true try var void while with yield",
    ),
    escape: braced,
    comment: "//",
    head: ["abstract final class Actions {"],
    line: (id, text, note) => `  static const ${id} = ${text};${note}`,
    foot: ["}"],
  },
  lua: {
    word: "Lua",
    file: "actions.lua",
    style: "upper",
    reserved: [],
    escape: braced,
    comment: "--",
    head: ["local Actions = {"],
    line: (id, text, note) => `  ${id} = ${text},${note}`,
    foot: [
      "}",
      "",
      "return setmetatable({}, {",
      "  __index = function(_, key)",
      '    return Actions[key] or error("no action " .. tostring(key), 2)',
      "  end,",
      "})",
    ],
  },
  rust: {
    word: "Rust",
    file: "actions.rs",
    style: "upper",
    reserved: [],
    escape: braced,
    comment: "//",
    head: [],
    line: (id, text, note) => `pub const ${id}: &str = ${text};${note}`,
    foot: [],
  },
  python: {
    word: "Python",
    file: "actions.py",
    style: "upper",
    reserved: [],
    escape: wide,
    comment: "#",
    head: ["from typing import Final", ""],
    line: (id, text, note) => `${id}: Final = ${text}${note}`,
    foot: [],
  },
};

/** What a language is called. */
export const languageWord = (language: ConstantLanguage): string => LANGUAGES[language].word;
/** What its file is usually called. */
export const constantFile = (language: ConstantLanguage): string => LANGUAGES[language].file;

/** The parts of a name: split at what is no letter or digit, and where a small letter meets a large one. Letters beyond ASCII lose their marks, or are omitted. */
function partsOf(name: string): string[] {
  return name
    .replace(/ß/g, "ss")
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "")
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .split(/[^A-Za-z\d]+/)
    .filter((part) => part !== "");
}

/** The identifier of a name in a style, not yet escaped or numbered. A name without any letter or digit becomes "action". */
function identifierOf(name: string, style: Language["style"]): string {
  const parts = partsOf(name);
  if (parts.length === 0) parts.push("action");
  const large = (part: string) => part[0].toUpperCase() + part.slice(1).toLowerCase();
  const bare =
    style === "upper" ? parts.join("_").toUpperCase() : parts.map((part, i) => (style === "camel" && i === 0 ? part.toLowerCase() : large(part))).join("");
  return /^\d/.test(bare) ? (style === "upper" ? `_${bare}` : style === "pascal" ? `A${bare}` : `a${bare}`) : bare;
}

/** The identifiers of names, in order: free of the language's own words, no two alike (a second one ends in 2, and so on). */
export function identifiersOf(names: readonly string[], language: ConstantLanguage): string[] {
  const { style, reserved } = LANGUAGES[language];
  const used = new Set<string>(reserved);
  // What is the same in another case would be a file or a name too many in some tools; so it counts as taken.
  const alike = new Set<string>();
  return names.map((name) => {
    const base = identifierOf(name, style);
    let id = reserved.includes(base) ? `${base}Action` : base;
    for (let n = 2; used.has(id) || alike.has(id.toLowerCase()); n += 1) id = style === "upper" ? `${base}_${n}` : `${base}${n}`;
    used.add(id);
    alike.add(id.toLowerCase());
    return id;
  });
}

/** A text constant of the name: quotes, backslashes, a dollar sign (Kotlin and Dart take it for their own) and everything that is not plain ASCII escaped. */
export function textLiteral(name: string, language: ConstantLanguage): string {
  const { escape } = LANGUAGES[language];
  const dollars = language === "kotlin" || language === "dart";
  const inner = [...name]
    .map((c) => {
      const code = c.codePointAt(0)!;
      if (c === '"' || c === "\\" || (c === "$" && dollars)) return `\\${c}`;
      return code >= 0x20 && code < 0x7f ? c : escape(code);
    })
    .join("");
  // Two question marks and a sign are a trigraph of old C.
  return `"${language === "cpp" || language === "c" ? inner.replace(/\?\?/g, "?\\?") : inner}"`;
}

/** What constants are made of: a layout's name, its actions in the order of the file, and its digest, where indices are wanted too. */
export interface ConstantsSource {
  readonly name: string;
  readonly actions: readonly Pick<Action, "name" | "kind" | "read">[];
  readonly digest?: string;
}

/** The file of constants for the actions that the game reads, ending with a line feed. Each line says the action's kind, so that a reader of the code knows what comes. */
export function constantsFile({ name, actions, digest }: ConstantsSource, language: ConstantLanguage): string {
  const l = LANGUAGES[language];
  const read = actions.filter((a) => a.read);
  const ids = identifiersOf(
    read.map((a) => a.name),
    language,
  );
  const title = `${l.comment} The actions of ${name.replace(/[^\x20-\x7e]/g, "?").replace(/\\/g, "/")}, exactly as the layout names them. Generated by Nodulum; generate again when they change.`;
  const lines = read.map((a, i) => l.line(ids[i], textLiteral(a.name, language), ` ${l.comment} ${a.kind}`));
  const named = read.map((a, i) => ({ id: ids[i], text: textLiteral(a.name, language), kind: a.kind, index: actions.indexOf(a) }));
  const more = l.more?.(named, digest ?? null) ?? [];
  return `${[title, ...l.head, ...lines, ...l.foot, ...more].join("\n")}\n`;
}
