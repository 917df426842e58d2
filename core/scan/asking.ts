/**
 * What in source asks by a text or a constant: a call it is given to, a list it is a place in, a comparison with it, an arm of a
 * switch, or a table in which it is next to another.
 */
import { chainBefore, chainEnd, closing, isSign, matching } from "./chains";
import type { Piece } from "./sourceConstants";
import type { Token } from "./lex";

export type ReadShape = "call" | "index" | "compare" | "table" | "members";
/** What asks, and the tokens of the question (of a call without the rest of its arguments). In a table: which side the piece is on. */
export interface CalleeUse extends Piece {
  readonly callee: string;
  readonly shape: ReadShape;
  readonly side?: "left" | "right" | "list";
  /** It is in the head of an arm of a switch, and cannot be written otherwise where it is. */
  readonly isArm?: true;
  /** The bracket that opens the arguments of a call, or what something is one of. */
  readonly bracket?: number;
}

/** A source as far as it has been read: its text, its tokens, and the brackets that are open at the piece, outermost first. */
export interface SourcePlace {
  readonly source: string;
  readonly tokens: readonly Token[];
  readonly open: readonly number[];
}

const COMPARE = ["==", "===", "!=", "!==", "~="] as const;
const isName = (token: Token | undefined, ...texts: readonly string[]) => token?.kind === "name" && texts.includes(token.text);

/** What asks by a piece; null where nothing does. */
export function asking(place: SourcePlace, piece: Piece): CalleeUse | null {
  return placeInList(place, piece) ?? comparison(place, piece) ?? among(place, piece) ?? arm(place, piece) ?? argument(place, piece) ?? entry(place, piece);
}

/** `keys[JUMP]`. */
function placeInList({ tokens }: SourcePlace, { first, last }: Piece): CalleeUse | null {
  if (!isSign(tokens[first - 1], "[") || !isSign(tokens[last + 1], "]")) return null;
  const chain = chainBefore(tokens, first - 2);
  return chain && { callee: chain.text, shape: "index", first: chain.from, last: last + 1 };
}

/** `name == JUMP`, either way round; `held & JUMP`, a bit of a mask; `name is JUMP`. */
function comparison({ tokens }: SourcePlace, { first, last }: Piece): CalleeUse | null {
  const before = tokens[first - 1];
  const after = tokens[last + 1];
  const isMask = (at: number) => isSign(tokens[at], "&") && !isSign(tokens[at - 1], "&") && !isSign(tokens[at + 1], "&");
  if (isSign(before, ...COMPARE) || isMask(first - 1) || (isName(before, "is") && tokens[first - 2]?.kind === "name")) {
    const chain = chainBefore(tokens, first - 2);
    return chain && { callee: chain.text, shape: "compare", first: chain.from, last };
  }
  if (!isSign(after, ...COMPARE) && !isMask(last + 1)) return null;
  if (tokens[last + 2]?.kind !== "name") return null;
  const end = chainEnd(tokens, last + 2);
  const chain = chainBefore(tokens, end);
  return chain && { callee: chain.text, shape: "compare", first, last: end };
}

/** `name in (JUMP, LEAP)`: one of several it is compared with. */
function among({ tokens, open }: SourcePlace, piece: Piece): CalleeUse | null {
  const bracket = open[open.length - 1] as number | undefined;
  if (bracket === undefined || !isName(tokens[bracket - 1], "in")) return null;
  const chain = chainBefore(tokens, bracket - 2);
  return chain && { callee: chain.text, shape: "compare", first: chain.from, last: piece.last, bracket };
}

/** `case JUMP:`, `case JUMP, LEAP ->`, and the arms of a match: what is compared is at the head of all of them. */
function arm(place: SourcePlace, piece: Piece): CalleeUse | null {
  const { tokens } = place;
  let before = piece.first - 1;
  while (isSign(tokens[before], ",", "|") || isName(tokens[before], "or")) {
    const previous = tokens[before - 1] as Token | undefined;
    if (previous?.kind !== "name" && previous?.kind !== "text" && previous?.kind !== "number") break;
    before -= 1;
    while (isSign(tokens[before - 1], ".", "::") && tokens[before - 2]?.kind === "name" && tokens[before - 2].text !== "case") before -= 2;
    if (isSign(tokens[before - 1], ".")) before -= 1;
    before -= 1;
  }
  if (!isName(tokens[before], "case") && !isArmOfMatch(place, piece, before)) return null;
  const head = headOf(place, piece.first);
  return head === null ? null : { callee: head, shape: "compare", isArm: true, first: piece.first, last: piece.last };
}

/** Whether a piece is at the start of an arm without its own word: `JUMP => …`, on its own line or behind another arm. */
function isArmOfMatch({ tokens }: SourcePlace, { first, last }: Piece, before: number): boolean {
  let end = last + 1;
  while (isSign(tokens[end], ",", "|") && end < last + 24) {
    end += 1;
    if (isSign(tokens[end], ".")) end += 1;
    end = chainEnd(tokens, end) + 1;
  }
  if (!isSign(tokens[end], "=>", "->")) return false;
  const token = tokens[before] as Token | undefined;
  return isSign(token, "{", "}", ",", "|", ";") || (token !== undefined && token.line < tokens[first].line);
}

/** What a switch, match or when about a place compares. */
function headOf({ tokens, open }: SourcePlace, i: number): string | null {
  const brace = open[open.length - 1] as number | undefined;
  // Up to the bracket that is open here; without one (Python) back over what is before.
  const from = brace ?? i - 1;
  const limit = brace === undefined ? 3000 : 40;
  for (let k = from; k >= 0 && k > from - limit; k -= 1) {
    const token = tokens[k];
    if (token.kind !== "name" || !/^(?:switch|match|when)$/.test(token.text) || isSign(tokens[k - 1], ".")) continue;
    // What is compared is behind the word, or before it (C#).
    if (isSign(tokens[k + 1], "{")) return chainBefore(tokens, k - 1)?.text ?? null;
    let end = k + 1;
    while (isSign(tokens[end], "(")) end += 1;
    return chainBefore(tokens, chainEnd(tokens, end))?.text ?? null;
  }
  return null;
}

/** The argument of a call, or a text behind a name without brackets (Lua). */
function argument({ tokens, open }: SourcePlace, { first, last }: Piece): CalleeUse | null {
  const bracket = open[open.length - 1] as number | undefined;
  if (bracket === undefined || !isSign(tokens[bracket], "(") || !isSign(tokens[first - 1], "(", ",")) return null;
  // A part of a sum is no word; a text that something is joined to is none either, but its call still asks by it.
  if (tokens[last].kind === "name" && !isSign(tokens[last + 1], ",", ")")) return null;
  const chain = chainBefore(tokens, bracket - 1);
  if (!chain || isSign(tokens[bracket - 1], ")", "]")) return null;
  if (MAKES.test(chain.text.split(".").at(-1)!) && assignedBefore(tokens, chain.from) !== null) return null;
  return { callee: chain.text, shape: "call", first: chain.from, last, bracket };
}

/** The last token of a question: its closing bracket, where it has one. */
export function endOfAsking(tokens: readonly Token[], { last, bracket }: CalleeUse): number {
  return bracket === undefined ? last : (closing(tokens, bracket) ?? last);
}

/** What parts the two sides of an entry. */
const PARTS = [":", "=>", "=", "->"] as const;
/** Calls that only make a table. */
const MAKES =
  /^(?:of|ofentries|entry|mapof|hashmapof|mutablemapof|sortedmapof|enummap|listof|setof|arrayof|arraylist|dict|dictionary|map|hashmap|set|list|new|freeze|object|pair|make_pair|tuple|vec|from|array)$/i;

/** Which side of a table's entry a piece is on. */
function sideOf({ tokens }: SourcePlace, { first, last }: Piece): "left" | "right" | "list" {
  let [before, after] = [first - 1, last + 1];
  if (isSign(tokens[before], "[") && isSign(tokens[after], "]")) [before, after] = [before - 1, after + 1];
  if (isSign(tokens[after], ...PARTS) || isName(tokens[after], "to")) return "left";
  if (isSign(tokens[before], ...PARTS) || isName(tokens[before], "to")) return "right";
  // A pair in its own brackets within a list.
  if (isSign(tokens[before], "(", "{", "[") && isSign(tokens[after], ",") && isSign(tokens[before - 1], "(", "{", "[", ",")) return "left";
  if (isSign(tokens[before], ",") && isSign(tokens[after], ")", "}", "]") && isSign(tokens[after + 1], ",", ")", "}", "]")) return "right";
  return "list";
}

/** What an entry, or one side of it, is between. */
const ENTRY_BEFORE: ReadonlySet<string> = new Set(["{", "[", "(", ",", ":", "=>", "=", "->", "to"]);
const ENTRY_AFTER: ReadonlySet<string> = new Set(["}", "]", ")", ",", ":", "=>", "=", "->", "to", ";"]);

/** An entry of a table or list that has a name. */
function entry(place: SourcePlace, piece: Piece): CalleeUse | null {
  const { tokens, open } = place;
  const after = tokens[piece.last + 1] as Token | undefined;
  const before = tokens[piece.first - 1] as Token | undefined;
  if (!after || !before || !(ENTRY_AFTER.has(after.text) || after.line > tokens[piece.last].line) || !ENTRY_BEFORE.has(before.text)) return null;
  let level = open.length - 1;
  // `[K_LEFT]: "left"` is in its own brackets.
  if (isSign(tokens[piece.first - 1], "[") && isSign(tokens[piece.last + 1], "]")) level -= 1;
  const side = sideOf(place, piece);
  for (; level >= 0 && level >= open.length - 5; level -= 1) {
    const label = labelOf(tokens, open[level]);
    if (label !== null) return { callee: label, shape: "table", side, first: piece.first, last: piece.last };
    // An entry of an entry, or what only makes a table, lies in something that may have a name; a block of code does not.
    const isMade = isSign(tokens[open[level]], "(") && tokens[open[level] - 1]?.kind === "name";
    if (!isMade && !isSign(tokens[open[level] - 1], "(", "[", "{", ",", ":")) return null;
  }
  return null;
}

/** The name of the table that a bracket opens: what it is assigned to, or the call it is given to. Null where it has its own none. */
function labelOf(tokens: readonly Token[], bracket: number): string | null {
  const before = tokens[bracket - 1] as Token | undefined;
  if (isSign(before, "=", ":")) return assigned(tokens, bracket - 2);
  if (before?.kind !== "name") return isSign(before, ")", "]", ">") ? assignedBefore(tokens, bracket) : null;
  const chain = chainBefore(tokens, bracket - 1);
  if (!chain) return null;
  const name = chain.text.split(".").at(-1)!;
  if (MAKES.test(name) || isName(tokens[chain.from - 1], "new")) return assignedBefore(tokens, chain.from);
  if (!isSign(tokens[bracket], "{")) return chain.text;
  // A type before its values (`= Map{`) makes a table; a word before a block of code does not.
  return isName(tokens[bracket - 1], "else", "try", "do", "finally", "loop") ? null : assignedBefore(tokens, chain.from);
}

/** What is to the left of an assignment, its type set aside: `const A: Map<B, C> =`, `C a[] =`, `a.b =`. */
function assigned(tokens: readonly Token[], end: number): string | null {
  let i = end;
  for (let steps = 0; steps < 24 && i >= 0; steps += 1) {
    if (isSign(tokens[i], "]", ")")) {
      i = (matching(tokens, i) ?? i) - 1;
      continue;
    }
    const token = tokens[i] as Token | undefined;
    if (token?.kind === "name") {
      const chain = chainBefore(tokens, i);
      // Behind a colon is a type: the name is before it.
      if (chain && isSign(tokens[chain.from - 1], ":") && tokens[chain.from - 2]?.kind === "name") return tokens[chain.from - 2].text;
      return chain?.text ?? null;
    }
    if (isSign(token, ":")) {
      i -= 1;
      continue;
    }
    if (!isSign(token, ">")) return token?.kind === "text" ? token.text : null;
    const opened = angleBefore(tokens, i);
    if (opened === null) return null;
    i = opened;
    i -= 1;
  }
  return null;
}

/** Where a type in angles begins that ends at a place; null where it does not. */
function angleBefore(tokens: readonly Token[], end: number): number | null {
  let depth = 0;
  for (let i = end; i >= 0 && i > end - 40; i -= 1) {
    if (isSign(tokens[i], ">")) depth += 1;
    else if (isSign(tokens[i], "<")) depth -= 1;
    else if (isSign(tokens[i], ";", "{", "}")) return null;
    if (depth === 0) return i;
  }
  return null;
}

/** What a value that begins here is assigned to, a few names and brackets back. */
function assignedBefore(tokens: readonly Token[], from: number): string | null {
  for (let i = from - 1; i >= 0 && i > from - 40; i -= 1) {
    if (isSign(tokens[i], ">")) i = (angleBefore(tokens, i) ?? i) - 1;
    if (isSign(tokens[i], ")", "]")) i = (matching(tokens, i) ?? i) - 1;
    if (isSign(tokens[i], "=")) return assigned(tokens, i - 1);
    if (isSign(tokens[i], ";", "{", "}", "(", ",")) return null;
  }
  return null;
}
