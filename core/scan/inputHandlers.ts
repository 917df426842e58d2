/**
 * Whether a place in source lies where keys, touches or pads are handled: in a function, a branch or a loop whose head names
 * them. Blocks are reported by braces, by indents (Python) or by `end` (Lua); the head is what is before the block opens.
 */
import type { Family, Token } from "./lex";

const HANDLES = /key|touch|gamepad|joypad|button|input|press|pointer|joy|mouse|swipe|gesture|controls?$|^controls?|^pads?$|thumb/i;
/** Heads that open no function: what is named there is a kind of thing, not something that happens. */
const DECLARES = /^(?:class|struct|interface|namespace|enum|trait|impl|module|object|package|protocol|extension)$/;

/** Follows the tokens of a source in order. */
export interface Handlers {
  /** Goes on by the token at a place. */
  step(i: number): void;
  /** Whether the place reached so far lies in such a block. */
  readonly isHandled: () => boolean;
}

/** A text longer than this is no name of an event. */
const MOST_TEXT = 16;
/** A head longer than this, in tokens, is none. */
const LONGEST_HEAD = 60;

/** A fresh follower for a source of a family. `source`: the text itself, for its indents. */
export function followHandlers(source: string, tokens: readonly Token[], family: Family): Handlers {
  if (family === "python") return byIndent(source, tokens);
  return family === "lua" ? byEnd(tokens) : byBraces(tokens);
}

/** Whether a head, from one token up to another, names keys, touches or pads, and declares nothing. */
function handles(tokens: readonly Token[], from: number, to: number): boolean {
  let found = false;
  for (let i = Math.max(from, to - LONGEST_HEAD); i < to; i += 1) {
    const { kind, text } = tokens[i];
    if (kind === "name" && DECLARES.test(text)) return false;
    found ||= (kind === "name" || (kind === "text" && text.length <= MOST_TEXT)) && HANDLES.test(text);
  }
  return found;
}
const declares = (tokens: readonly Token[], from: number, to: number) =>
  tokens.slice(Math.max(from, to - LONGEST_HEAD), to).some(({ kind, text }) => kind === "name" && DECLARES.test(text));

function byBraces(tokens: readonly Token[]): Handlers {
  const blocks: boolean[] = [];
  let head = 0;
  const inside = () => blocks[blocks.length - 1] ?? false;
  return {
    step(i) {
      const token = tokens[i];
      if (token.kind !== "sign") return;
      const { text } = token;
      if (text === "{") blocks.push(inside() ? !declares(tokens, head, i) : handles(tokens, head, i));
      else if (text === "}") blocks.pop();
      else if (text !== ";") return;
      head = i + 1;
    },
    isHandled: inside,
  };
}

function byEnd(tokens: readonly Token[]): Handlers {
  const blocks: boolean[] = [];
  let head = 0;
  const inside = () => blocks[blocks.length - 1] ?? false;
  return {
    step(i) {
      const { kind, text, line } = tokens[i];
      if (i === 0 || line !== tokens[i - 1].line) head = i;
      if (kind !== "name") return;
      if (text === "function") {
        // The name of a function and what it is given come behind the word that opens it.
        let end = i + 1;
        while (end < tokens.length && end < i + LONGEST_HEAD && tokens[end].text !== ")") end += 1;
        blocks.push(inside() || handles(tokens, i + 1, end));
      } else if (text === "then" || text === "do" || text === "repeat") blocks.push(inside() || handles(tokens, head, i));
      else if (text === "end" || text === "elseif" || text === "until") blocks.pop();
    },
    isHandled: inside,
  };
}

function byIndent(source: string, tokens: readonly Token[]): Handlers {
  const blocks: { indent: number; handled: boolean }[] = [];
  let depth = 0;
  let indent = 0;
  let head = 0;
  const inside = () => blocks[blocks.length - 1]?.handled ?? false;
  return {
    step(i) {
      const { kind, text, at, line } = tokens[i];
      const before = tokens[i - 1] as Token | undefined;
      if (depth === 0 && line !== before?.line) {
        if (before?.kind === "sign" && before.text === ":") {
          blocks.push({ indent, handled: inside() ? !declares(tokens, head, i) : handles(tokens, head, i) });
        }
        indent = at - (source.lastIndexOf("\n", at - 1) + 1);
        while (blocks.length > 0 && blocks[blocks.length - 1].indent >= indent) blocks.pop();
        head = i;
      }
      if (kind !== "sign") return;
      if (text === "(" || text === "[" || text === "{") depth += 1;
      else if (text === ")" || text === "]" || text === "}") depth = Math.max(0, depth - 1);
    },
    isHandled: inside,
  };
}
