/**
 * Where source asks for something by a word: a call with a text constant (`input.pressed("horn")`), a place in a list by a
 * text (`axes["helm"]`), a comparison with one (`name == "horn"`, `case "horn":`). No engine is known; what the call or the
 * thing compared is named (the *callee*) tells one sort of asking from another, and the user says once which of them mean
 * "read an input". The web's own standards need no saying: KeyboardEvent.code values, gamepad buttons and axes.
 */
import type { ActionKind } from "../format/types";
import { lex, type Family, type Token } from "./lex";

export type ReadShape = "call" | "index" | "compare";
/** One place where source asks by a word. */
export interface Read {
  readonly word: string;
  /** What asks: `Input.pressed(…)`, `axes[…]`, `name == …`; the same for every place that asks alike. */
  readonly callee: string;
  readonly shape: ReadShape;
  readonly line: number;
  /** What kind of action the asking looks like, or null where nothing tells. */
  readonly kind: ActionKind | null;
}
/** What a standard of the web says of itself. */
export interface Standard {
  readonly sort: "key" | "pad-button" | "pad-axis";
  /** A KeyboardEvent.code value, or the index of a button or axis of the standard gamepad mapping. */
  readonly value: string;
  readonly line: number;
}
export interface ScanResult {
  readonly reads: readonly Read[];
  readonly standards: readonly Standard[];
}

/** A word longer than this is a sentence, a path or data, and no name of an action. */
const MOST_WORD = 64;
/** Values of KeyboardEvent.code (UI Events KeyboardEvent code Values, W3C). */
const KEY_CODE =
  /^(?:Key[A-Z]|Digit\d|F(?:[1-9]|1\d|2[0-4])|Arrow(?:Up|Down|Left|Right)|Numpad(?:\d|Add|Subtract|Multiply|Divide|Decimal|Enter|Equal|Comma)|(?:Shift|Control|Alt|Meta)(?:Left|Right)|Space|Enter|Tab|Escape|Backspace|Delete|Insert|Home|End|PageUp|PageDown|CapsLock|Backquote|Minus|Equal|BracketLeft|BracketRight|Backslash|IntlBackslash|Semicolon|Quote|Comma|Period|Slash|ContextMenu|Pause|ScrollLock|NumLock|PrintScreen)$/;

const isSign = (token: Token | undefined, ...texts: readonly string[]) => token?.kind === "sign" && texts.includes(token.text);
const CHAIN = [".", "?.", "::", "->", ":"] as const;
const COMPARE = ["==", "===", "!=", "!==", "~="] as const;
/** Words before a bracket that call nothing. */
const NO_CALLEE = /^(?:if|while|for|switch|return|match|when|catch|in|and|or|not|else|new|throw|await|yield|elif|until|do|fn|func|def|function)$/;

/** The names that lead up to a place, as `a.b.c`, and where they begin. At most the last three: what stands farther left is where, not what. */
function chainBefore(tokens: readonly Token[], end: number): { text: string; from: number } | null {
  const parts: string[] = [];
  let i = end;
  for (;;) {
    const token = tokens[i];
    if (isSign(token, ")", "]")) {
      // Something worked out: what is asked for after it is named, it is not.
      const open = matching(tokens, i);
      if (open === null || parts.length === 0) return null;
      break;
    }
    if (token?.kind !== "name" || NO_CALLEE.test(token.text)) break;
    parts.unshift(token.text);
    i -= 1;
    if (!isSign(tokens[i], ...CHAIN)) break;
    i -= 1;
  }
  return parts.length > 0 ? { text: parts.slice(-3).join("."), from: i + 1 } : null;
}

/** The index of the bracket that opens what a bracket closes; null where there is none near. */
function matching(tokens: readonly Token[], close: number): number | null {
  let depth = 0;
  for (let i = close; i >= 0 && i > close - 400; i -= 1) {
    if (isSign(tokens[i], ")", "]", "}")) depth += 1;
    else if (isSign(tokens[i], "(", "[", "{")) depth -= 1;
    if (depth === 0) return i;
  }
  return null;
}

/** What the name of a callee says of the kind of what it reads. */
export function likelyKind(callee: string, shape: ReadShape): ActionKind | null {
  const words = callee
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .toLowerCase()
    .split(/[^a-z\d]+/);
  const has = (...any: readonly string[]) => words.some((w) => any.includes(w));
  if (has("vector", "vector2", "vec2", "direction", "dir2", "stick", "joystick")) return "vector";
  if (has("delta", "motion", "look", "mouse")) return "motion";
  if (has("axis", "axes", "strength", "analog", "value", "amount")) return "axis";
  if (has("pressed", "press", "down", "up", "held", "hold", "button", "buttons", "key", "keys", "released", "trigger", "triggered", "just", "is", "action"))
    return "press";
  return shape === "compare" ? "press" : null;
}

/** Everything in a source text that asks by a word, and what it says in the web's own standards. */
export function scanSource(source: string, family: Family): ScanResult {
  const tokens = lex(source, family);
  const reads: Read[] = [];
  const standards: Standard[] = [];
  tokens.forEach((token, i) => {
    if (token.kind === "name") {
      // Members of an enumeration of keys: KeyCode.Space is not the web's; `code: "Space"` is, and comes as a text.
      return;
    }
    if (token.kind === "number") {
      const chain = isSign(tokens[i - 1], "[") && isSign(tokens[i + 1], "]") ? chainBefore(tokens, i - 2) : null;
      const last = chain?.text.split(".").at(-1);
      if (last === "buttons" || last === "axes") standards.push({ sort: last === "axes" ? "pad-axis" : "pad-button", value: token.text, line: token.line });
      return;
    }
    if (token.kind !== "text" || !token.whole) return;
    const word = token.text;
    if (word === "" || word.length > MOST_WORD || /[\u0000-\u001f\u007f-\u009f]/.test(word)) return;
    const place = asking(tokens, i);
    if (!place) return;
    if (KEY_CODE.test(word) && /(?:^|\.)(?:code|keys?|pressed|down|held|codes?)$/i.test(place.callee)) {
      standards.push({ sort: "key", value: word, line: token.line });
      return;
    }
    const written = place.shape === "call" ? `${place.callee}(…)` : place.shape === "index" ? `${place.callee}[…]` : `${place.callee} == …`;
    reads.push({ word, callee: written, shape: place.shape, line: token.line, kind: likelyKind(place.callee, place.shape) });
  });
  return { reads, standards };
}

/** What asks by the text at a place; null where nothing does. */
function asking(tokens: readonly Token[], i: number): { callee: string; shape: ReadShape } | null {
  const before = tokens[i - 1];
  const after = tokens[i + 1];
  if (isSign(before, "[") && isSign(after, "]")) {
    const chain = chainBefore(tokens, i - 2);
    return chain && { callee: chain.text, shape: "index" };
  }
  // A comparison, either way round.
  if (isSign(before, ...COMPARE)) {
    const chain = chainBefore(tokens, i - 2);
    return chain && { callee: chain.text, shape: "compare" };
  }
  if (isSign(after, ...COMPARE)) {
    let end = i + 2;
    if (tokens[end]?.kind !== "name") return null;
    while (isSign(tokens[end + 1], ...CHAIN) && tokens[end + 2]?.kind === "name") end += 2;
    const chain = chainBefore(tokens, end);
    return chain && { callee: chain.text, shape: "compare" };
  }
  // `case "horn":` and the arms of a match: what is compared stands at the head of it.
  const arm = (before?.kind === "name" && before.text === "case") || (isSign(after, "=>", "->") && isSign(before, "{", "}", ",", "|", ";"));
  if (arm) {
    const head = headOf(tokens, i);
    return head === null ? null : { callee: head, shape: "compare" };
  }
  // The first of a call's arguments that is a text, or a call without brackets (Lua).
  const open = openingCall(tokens, i);
  if (open !== null) {
    const chain = chainBefore(tokens, open - 1);
    return chain && { callee: chain.text, shape: "call" };
  }
  return null;
}

/** The bracket of the call whose argument begins at `i`; null where it is not the start of an argument. */
function openingCall(tokens: readonly Token[], i: number): number | null {
  if (isSign(tokens[i - 1], "(")) return i - 1;
  if (!isSign(tokens[i - 1], ",")) return null;
  // A later argument: back over what stands before it, to the bracket it stands in.
  let depth = 0;
  for (let k = i - 2; k >= 0 && k > i - 60; k -= 1) {
    if (isSign(tokens[k], ")", "]", "}")) depth += 1;
    else if (isSign(tokens[k], "(", "[", "{")) {
      if (depth === 0) return isSign(tokens[k], "(") ? k : null;
      depth -= 1;
    } else if (isSign(tokens[k], ";") && depth === 0) return null;
  }
  return null;
}

/** What a switch, match or when about a place compares. */
function headOf(tokens: readonly Token[], i: number): string | null {
  let depth = 0;
  for (let k = i - 1; k >= 0 && k > i - 3000; k -= 1) {
    const token = tokens[k];
    if (isSign(token, "}", ")", "]")) depth += 1;
    else if (isSign(token, "{", "(", "[")) depth -= 1;
    if (depth > 0 || token.kind !== "name" || !/^(?:switch|match|when)$/.test(token.text)) continue;
    let end = k + 1;
    while (isSign(tokens[end], "(")) end += 1;
    while (isSign(tokens[end + 1], ...CHAIN) && tokens[end + 2]?.kind === "name") end += 2;
    return chainBefore(tokens, end)?.text ?? null;
  }
  return null;
}
