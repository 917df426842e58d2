/** What a key in source seems to be read for: the word a table puts beside it, or what is done where it is found pressed. */
import type { Asking, SourcePlace } from "./asking";
import { chainBefore, chainEnd, isSign } from "./chains";
import { constantAt, type Piece } from "./constants";
import { keyCalled } from "./keyNames";
import type { Token } from "./lex";

/** The other side of a table's entry. */
export interface OtherSide {
  readonly word: string;
  readonly isKey: boolean;
}

/** So many tokens behind a question belong to what is done for it. */
const NEAR = 28;
/** Names that say nothing of what is done. */
const SAYS_NOTHING =
  /^(?:if|else|elif|and|or|not|return|break|continue|self|this|true|false|none|null|nil|print|println|log|append|push|add|get|set|put|play|call|emit|exit|quit|then|end|do|is|in|case|default|switch|var|let|const|val|int|float|bool|double|string|new|await|super|player|game|event|e|evt|key|keys|keycode|code|preventdefault|stoppropagation)$/i;

/** What stands on the other side of the entry in which a piece stands; null where it is no entry of a table. */
export function otherSideOf({ tokens }: SourcePlace, asked: Asking, piece: Piece): OtherSide | null {
  // A pair of arguments: `bindings.put(KEY_X, FIRE)`.
  if (asked.shape === "call" || asked.side === "list") return pairIn(tokens, piece);
  if (asked.shape !== "table") return null;
  const left = asked.side === "left";
  let at = left ? piece.last + 1 : piece.first - 1;
  const step = left ? 1 : -1;
  // Over the bracket of a computed key and the sign that parts the two.
  while (isSign(tokens[at], "[", "]", ":", "=>", "=", "->", ",") || (tokens[at]?.kind === "name" && tokens[at].text === "to")) at += step;
  if (isSign(tokens[at], ".")) at += step;
  return besideAt(tokens, left ? chainEnd(tokens, at) : at);
}

/** What stands on one side, by its last token. */
function besideAt(tokens: readonly Token[], end: number): OtherSide | null {
  const token = tokens[end] as Token | undefined;
  if (token?.kind === "text") return { word: token.text, isKey: /^(?:Key[A-Z]|Arrow\w+|Digit\d)$/.test(token.text) };
  if (token?.kind !== "name") return null;
  const constant = constantAt(tokens, end, "script");
  if (constant) return { word: constant.word, isKey: constant.key !== null };
  return { word: token.text, isKey: token.text.length > 3 && keyCalled(token.text) !== null };
}

/** The argument or item beside a piece that makes a pair with it: a key and a word. The one behind it counts first, as keys come first. */
function pairIn(tokens: readonly Token[], { first, last }: Piece): OtherSide | null {
  const behind = isSign(tokens[last + 1], ",") ? besideAt(tokens, chainEnd(tokens, last + 2)) : null;
  if (behind && !behind.isKey) return behind;
  const before = isSign(tokens[first - 1], ",") ? besideAt(tokens, first - 2) : null;
  return before?.isKey ? before : null;
}

/** What is done behind a question: the first that is called, else the first that is set. Empty where nothing tells. */
export function purposeAfter(tokens: readonly Token[], from: number): string {
  let set = "";
  for (let i = from + 1; i < tokens.length && i < from + NEAR; i += 1) {
    const token = tokens[i];
    if (token.kind === "name" && /^(?:case|if|while|for|elif|elseif|else|end|def|func|fun|fn|function|switch|match|when)$/.test(token.text)) break;
    if (isSign(token, "}")) break;
    // Another question of the same sort: what follows belongs to that one too, and comes all the same.
    if (token.kind !== "name" || SAYS_NOTHING.test(token.text) || token.text.length < 3) continue;
    if (isSign(tokens[i + 1], "(") && !isCondition(tokens, i)) return token.text;
    if (set === "" && isSign(tokens[i + 1], "=")) set = chainBefore(tokens, i)?.text.split(".").at(-1) ?? "";
  }
  return set;
}

/** Whether a call only goes on with what is asked: it stands before the condition ends, as in `if (down(K_A) || down(K_B))`. */
function isCondition(tokens: readonly Token[], i: number): boolean {
  for (let k = i - 1; k > i - 6 && k >= 0; k -= 1) {
    if (isSign(tokens[k], "|", "&", "==", "!=", "===")) return true;
    if (tokens[k].kind === "name" && /^(?:or|and|not)$/.test(tokens[k].text)) return true;
    if (isSign(tokens[k], "{", ":", ";", ")")) return false;
  }
  return false;
}
