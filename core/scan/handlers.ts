/**
 * Whether a place in source lies where keys, touches or pads are handled: in a function, a branch or a loop whose head names
 * them. Blocks are told by braces, by indents (Python) or by `end` (Lua); the head is what stands before the block opens.
 */
import type { Family, Token } from "./lex";

const HANDLES = /key|touch|gamepad|joypad|button|input|press|pointer|joy|mouse|swipe|gesture|controls?$|^controls?|^pads?$|thumb/i;
/** Heads that open no function: what is named there is a kind of thing, not something that happens. */
const DECLARES = /^(?:class|struct|interface|namespace|enum|trait|impl|module|object|package|protocol|extension)$/;

/** Follows the tokens of a source in order. */
export interface Handlers {
  /** Goes on by one token. */
  step(token: Token): void;
  /** Whether the place reached so far lies in such a block, or in a head that names one. */
  readonly isHandled: () => boolean;
}

/** Names seen before, with what was found of them: source says the same few thousand names over and over. */
function remembered(test: (name: string) => boolean): (name: string) => boolean {
  const known = new Map<string, boolean>();
  return (name) => {
    let found = known.get(name);
    if (found === undefined) known.set(name, (found = test(name)));
    return found;
  };
}
const names = remembered((name) => HANDLES.test(name));

/** A fresh follower for a source of a family. `source`: the text itself, for its indents. */
export function followHandlers(source: string, family: Family): Handlers {
  if (family === "python") return byIndent(source);
  return family === "lua" ? byEnd() : byBraces();
}

/** What the head of a block says so far. */
interface Head {
  handles: boolean;
  declares: boolean;
}
const freshHead = (): Head => ({ handles: false, declares: false });
function readHead(head: Head, token: Token): void {
  if (token.kind === "name" && DECLARES.test(token.text)) head.declares = true;
  else if ((token.kind === "name" || (token.kind === "text" && token.text.length < 40)) && names(token.text)) head.handles = true;
}
const opens = (head: Head, outer: boolean) => !head.declares && (head.handles || outer);

function byBraces(): Handlers {
  const blocks: boolean[] = [];
  let head = freshHead();
  const inside = () => blocks[blocks.length - 1] ?? false;
  return {
    step(token) {
      if (token.kind !== "sign") return readHead(head, token);
      if (token.text === "{") blocks.push(opens(head, inside()));
      else if (token.text === "}") blocks.pop();
      else if (token.text !== ";") return;
      head = freshHead();
    },
    isHandled: inside,
  };
}

function byEnd(): Handlers {
  const blocks: boolean[] = [];
  let line = 0;
  let head = freshHead();
  let isNaming = false;
  const inside = () => blocks[blocks.length - 1] ?? false;
  const push = () => void blocks.push(opens(head, inside()));
  return {
    step(token) {
      if (token.line !== line) {
        line = token.line;
        head = freshHead();
      }
      // The name of a function and what it is given come behind the word that opens it.
      if (isNaming && names(token.text)) blocks[blocks.length - 1] = true;
      if (isNaming && token.text === ")") isNaming = false;
      if (token.kind !== "name") return readHead(head, token);
      if (token.text === "function") {
        push();
        isNaming = true;
      } else if (token.text === "then" || token.text === "do" || token.text === "repeat") push();
      else if (token.text === "end" || token.text === "elseif" || token.text === "until") blocks.pop();
      else readHead(head, token);
    },
    isHandled: inside,
  };
}

function byIndent(source: string): Handlers {
  const blocks: { indent: number; handled: boolean }[] = [];
  let line = 0;
  let depth = 0;
  let indent = 0;
  let head = freshHead();
  let last = "";
  const inside = () => blocks[blocks.length - 1]?.handled ?? false;
  return {
    step(token) {
      if (token.line !== line && depth === 0) {
        if (last === ":") blocks.push({ indent, handled: opens(head, inside()) });
        indent = token.at - (source.lastIndexOf("\n", token.at - 1) + 1);
        while (blocks.length > 0 && blocks[blocks.length - 1].indent >= indent) blocks.pop();
        head = freshHead();
      }
      line = token.line;
      last = token.kind === "sign" ? token.text : "";
      if (token.kind !== "sign") return readHead(head, token);
      if ("([{".includes(token.text)) depth += 1;
      else if (")]}".includes(token.text)) depth = Math.max(0, depth - 1);
    },
    isHandled: inside,
  };
}
