/** Names in a row, as `game.input.pressed`, and the brackets about them: what every reading of source is on. */
import type { Token } from "./lex";

/** Whether a token is one of these signs. */
export const isSign = (token: Token | undefined, ...texts: readonly string[]): boolean => token?.kind === "sign" && texts.includes(token.text);
/** What joins the names of a chain. */
const isJoint = (text: string) => text === "." || text === "::" || text === "?." || text === "->" || text === ":";
/** Words before a bracket that call nothing. */
const NO_CALLEE =
  /^(?:if|while|for|switch|return|match|when|catch|in|and|or|not|else|new|throw|await|yield|elif|until|do|fn|func|fun|def|function|case|is|guard|let|var|const|val)$/;

/** The index of the bracket that opens what a bracket closes; null where there is none near. */
export function matching(tokens: readonly Token[], close: number): number | null {
  let depth = 0;
  for (let i = close; i >= 0 && i > close - 400; i -= 1) {
    if (isSign(tokens[i], ")", "]", "}")) depth += 1;
    else if (isSign(tokens[i], "(", "[", "{")) depth -= 1;
    if (depth === 0) return i;
  }
  return null;
}

/** The index of the bracket that closes what a bracket opens; null where there is none near. */
export function closing(tokens: readonly Token[], open: number): number | null {
  let depth = 0;
  for (let i = open; i < tokens.length && i < open + 400; i += 1) {
    if (isSign(tokens[i], "(", "[", "{")) depth += 1;
    else if (isSign(tokens[i], ")", "]", "}")) depth -= 1;
    if (depth === 0) return i;
  }
  return null;
}

/** Names in a row: as text, at most the last three (what is farther left is where, not what), and the first token of all of them. */
export interface NameChain {
  readonly text: string;
  readonly from: number;
}

/** Whether a token joins two names. A colon or an arrow does only where nothing is between (`input:pressed`); else it parts. */
export function joins(tokens: readonly Token[], i: number): boolean {
  const token = tokens[i] as Token | undefined;
  if (token?.kind !== "sign" || !isJoint(token.text)) return false;
  return (token.text !== ":" && token.text !== "->") || (tokens[i - 1]?.end === token.at && tokens[i + 1]?.at === token.end);
}

/** The names that end at a place; what is called or looked up there, where it ends with a bracket. */
export function chainBefore(tokens: readonly Token[], end: number): NameChain | null {
  const parts: string[] = [];
  let i = end;
  if (isSign(tokens[end], ")", "]")) {
    const open = matching(tokens, end);
    if (open === null) return null;
    i = open - 1;
  }
  let from = end + 1;
  for (;;) {
    const token = tokens[i];
    if (isSign(token, ")", "]")) {
      // Something computed: what is asked for after it is named, it is not.
      const open = matching(tokens, i);
      if (open === null || parts.length === 0) return null;
      const before = chainBefore(tokens, open - 1);
      return { text: parts.slice(-3).join("."), from: before?.from ?? open };
    }
    if (token?.kind !== "name" || NO_CALLEE.test(token.text)) break;
    parts.unshift(token.text);
    from = i;
    if (!joins(tokens, i - 1)) break;
    i -= 2;
  }
  return parts.length > 0 ? { text: parts.slice(-3).join("."), from } : null;
}

/** The last token of the names that begin at a place, calls without arguments included. */
export function chainEnd(tokens: readonly Token[], from: number): number {
  let end = from;
  for (;;) {
    if (joins(tokens, end + 1) && tokens[end + 2]?.kind === "name") end += 2;
    else if (isSign(tokens[end + 1], "(") && isSign(tokens[end + 2], ")")) end += 2;
    else return end;
  }
}

/** A question about names, its answers remembered: source says the same few thousand names over and over. */
export function memoized<T>(answer: (name: string) => T): (name: string) => T {
  const known = new Map<string, T>();
  return (name) => {
    let found = known.get(name);
    if (found === undefined) {
      if (known.size > MOST_REMEMBERED) known.clear();
      known.set(name, (found = answer(name)));
    }
    return found;
  };
}
/** So many names are remembered; a source made by a machine has no end of them. */
const MOST_REMEMBERED = 50_000;
