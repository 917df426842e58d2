/** What a key in source seems to be read for: the word a table puts next to it, or what is done where it is found pressed. */
import { endOfAsking, type CalleeUse, type SourcePlace } from "./asking";
import { chainBefore, chainEnd, isSign, matching } from "./chains";
import { constantAt, type Piece } from "./sourceConstants";
import { keyCalled, partsOfName } from "./keyNames";
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
  /^(?:if|else|elif|and|or|not|return|break|continue|self|this|true|false|none|null|nil|print|println|log|append|push|add|get|set|put|play|call|emit|exit|quit|then|end|do|is|in|case|default|switch|var|let|const|val|int|float|bool|double|string|new|await|super|player|game|event|e|evt|key|keys|keycode|code|preventdefault|stoppropagation|stopimmediatepropagation|contains|containskey|includes|has|have|find|indexof|any|some|every|test|match|matches|exists|pressed|down|held|released|justpressed|ispressed|isdown|(?:is|was|get)_?(?:key|button|input)\w*|key_?is_?\w+|abs|min|max|clamp|floor|ceil|round|sqrt|sin|cos|len|str|int|range|math|mathf|console|vec2|vector2?|self|void|timer|time|now|get_tree|get_node)$/i;

/** What is on the other side of the entry in which a piece is; null where it is no entry of a table. */
export function otherSideOf({ tokens }: SourcePlace, asked: CalleeUse, piece: Piece): OtherSide | null {
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

/** What is on one side, by its last token. */
function besideAt(tokens: readonly Token[], end: number): OtherSide | null {
  const token = tokens[end] as Token | undefined;
  if (token?.kind === "text") return { word: token.text, isKey: /^(?:Key[A-Z]|Arrow\w+|Digit\d)$/.test(token.text) };
  if (token?.kind !== "name") return null;
  const constant = constantAt(tokens, end, "script");
  if (constant) return { word: constant.word, isKey: constant.key !== null };
  return { word: token.text, isKey: token.text.length > 3 && keyCalled(token.text) !== null };
}

/** The argument or item next to a piece that makes a pair with it: a key and a word. The one behind it counts first, as keys come first. */
function pairIn(tokens: readonly Token[], { first, last }: Piece): OtherSide | null {
  const behind = isSign(tokens[last + 1], ",") ? besideAt(tokens, chainEnd(tokens, last + 2)) : null;
  if (behind && !behind.isKey) return behind;
  const before = isSign(tokens[first - 1], ",") ? besideAt(tokens, first - 2) : null;
  return before?.isKey ? before : null;
}

/** What an input is read for, as far as the source reports. */
export interface Purpose {
  /** The name of what is called or set, or of the function around it; empty where nothing reports. */
  readonly purpose: string;
  /** It may be said of several inputs that do different things: they give it other figures, or are in one function. */
  readonly isShared: boolean;
}

const NOTHING: Purpose = { purpose: "", isShared: false };

/** What is done where an input is found pressed: what the call's own handler does, else what follows the question, else what the function around it is called. */
export function purposeOf(place: SourcePlace, asked: CalleeUse, piece: Piece): Purpose {
  const { tokens } = place;
  const end = endOfAsking(tokens, asked);
  const handler = asked.bracket === undefined ? null : handlerIn(tokens, piece.last + 1, end);
  const inside = handler === null ? NOTHING : effectAfter(tokens, handler, end);
  if (inside.purpose !== "") return inside;
  const after = effectAfter(tokens, end, tokens.length);
  return after.purpose !== "" ? after : { purpose: functionAround(place, piece.first), isShared: true };
}

/** Where the body of a function begins that is given to a call; null where none is. */
function handlerIn(tokens: readonly Token[], from: number, end: number): number | null {
  for (let i = from; i < end; i += 1)
    if (isSign(tokens[i], "=>", "{", "->") || (tokens[i].kind === "name" && /^(?:function|lambda|fn|func)$/.test(tokens[i].text))) return i;
  return null;
}

/** What is done behind a place: the first that is called, else the first that is switched on. */
function effectAfter(tokens: readonly Token[], from: number, end: number): Purpose {
  let set = NOTHING;
  for (let i = from + 1; i < end && i < from + NEAR; i += 1) {
    const token = tokens[i];
    if (token.kind === "name" && /^(?:case|if|while|for|elif|elseif|else|end|def|func|fun|fn|switch|match|when)$/.test(token.text)) break;
    if (isSign(token, "}")) break;
    // Another question of the same sort: what follows belongs to that one too, and comes all the same.
    if (token.kind !== "name" || SAYS_NOTHING.test(token.text) || token.text.length < 3) continue;
    if (isSign(tokens[i + 1], "(") && !isCondition(tokens, i)) return calledWith(tokens, i);
    if (set === NOTHING && isSign(tokens[i + 1], "=")) set = setTo(tokens, i);
  }
  return set;
}

/** A call as a purpose. What it is given may tell more: a word does (`turn("left")`), a figure makes it one of several (`turn(-1)`). */
function calledWith(tokens: readonly Token[], i: number): Purpose {
  const { text } = tokens[i];
  const given = tokens[i + 2] as Token | undefined;
  const isAlone = isSign(tokens[i + 3], ")");
  if (given?.kind === "text" && isAlone && /^[A-Za-z][\w-]*$/.test(given.text)) return { purpose: `${text}_${given.text}`, isShared: false };
  return { purpose: text, isShared: given !== undefined && !isSign(given, ")") };
}

/** A value that is set as a purpose: what is made true is meant; a constant that is put there is; any other value reports its own nothing. */
function setTo(tokens: readonly Token[], i: number): Purpose {
  const value = tokens[i + 2] as Token | undefined;
  const name = chainBefore(tokens, i)?.text.split(".").at(-1) ?? "";
  if (name.length < 3) return NOTHING;
  if (value?.kind === "text") return { purpose: name, isShared: true };
  if (value?.kind !== "name") return NOTHING;
  const constant = /^(?:true|yes)$/i.test(value.text) ? null : constantAt(tokens, chainEnd(tokens, i + 2), "script");
  return constant && constant.word.length > 2 ? { purpose: constant.word, isShared: false } : { purpose: name, isShared: false };
}

/** Words in the name of a function that handles inputs, which say nothing of what for. */
const HANDLES_ONLY =
  /^(?:on|handle|handler|handles|handling|do|did|is|the|and|key|keys|keyboard|press|pressed|down|up|hold|held|release|released|input|inputs|event|events|update|updates|process|loop|tick|poll|check|read|get|button|buttons|mouse|touch|touches|pointer|listener|callback|physics|fixed|late|main|run|frame|draw|render|setup|set|init|initialize|start|ready|awake|load|step|game|scene|player|create|new|add|bind|bindings|controls|control|type|typed|click|clicked|code|unhandled|to|for|of|all|every|handlers|listeners|async|begin|began|ended)$/i;

/** What the innermost function with a telling name is for: `handleJumpKey` → `jump`. Empty where there is none. */
function functionAround({ tokens, open, source }: SourcePlace, at: number): string {
  const heads = open.filter((bracket) => isSign(tokens[bracket], "{")).reverse();
  for (const brace of heads) {
    const purpose = barePurpose(nameOfFunction(tokens, brace));
    if (purpose !== "") return purpose;
  }
  if (heads.length > 0) return "";
  // Blocks by indents, or by `end`: the nearest function that begins farther left.
  const columnOf = (token: Token) => token.at - source.lastIndexOf("\n", token.at - 1);
  for (let i = at; i >= 0 && i > at - FAR; i -= 1)
    if (/^(?:def|func|function)$/.test(tokens[i].text) && tokens[i].kind === "name" && columnOf(tokens[i]) < columnOf(firstOfLine(tokens, at)))
      return barePurpose(tokens[chainEnd(tokens, i + 1)].text);
  return "";
}
/** So many tokens back a function is looked for. */
const FAR = 200;

function firstOfLine(tokens: readonly Token[], at: number): Token {
  let i = at;
  while (i > 0 && tokens[i - 1].line === tokens[at].line) i -= 1;
  return tokens[i];
}

/** The name of the function whose body a brace opens; empty where it opens another block. */
function nameOfFunction(tokens: readonly Token[], brace: number): string {
  for (let i = brace - 1; i > brace - 24 && i >= 0; i -= 1) {
    if (isSign(tokens[i], "{", "}", ";")) return "";
    if (!isSign(tokens[i], ")")) continue;
    const opened = matching(tokens, i);
    const named = opened === null ? undefined : tokens[opened - 1];
    return named?.kind === "name" && !/^(?:if|while|for|switch|match|when|catch|function)$/.test(named.text) ? named.text : "";
  }
  return "";
}

/** A function's name without the words that only say that it handles something. */
function barePurpose(name: string): string {
  const words = partsOfName(name).filter((word) => !HANDLES_ONLY.test(word));
  if (words.join("").length < 3) return "";
  if (name.includes("_")) return words.join("_");
  return words.map((word, k) => (k === 0 ? word[0].toLowerCase() + word.slice(1) : word[0].toUpperCase() + word.slice(1))).join("");
}

/** Whether a call only goes on with what is asked: it is before the condition ends, as in `if (down(K_A) || down(K_B))`. */
function isCondition(tokens: readonly Token[], i: number): boolean {
  for (let k = i - 1; k > i - 6 && k >= 0; k -= 1) {
    if (isSign(tokens[k], "|", "&", "==", "!=", "===")) return true;
    if (tokens[k].kind === "name" && /^(?:or|and|not)$/.test(tokens[k].text)) return true;
    if (isSign(tokens[k], "{", ":", ";", ")")) return false;
  }
  return false;
}
