/**
 * Where source asks for something by a word: a text (`input.pressed("horn")`) or a constant (`input.pressed(Action.HORN)`),
 * given to a call, looked up, compared, or standing in a table. No program is known; what asks is named (the *callee*), which reports
 * one sort of asking from another, and the user says once which of them mean "read an input". The web's own standards need no
 * saying (KeyboardEvent.code values, gamepad buttons and axes), nor do constants that plainly mean a key.
 */
import type { ActionKind } from "../format/types";
import { buttonOfConstant, buttonOfText, listenerAt, mainButtonByNumber, mayBeTouch, touchesAt, type PointerRead } from "./anyTouch";
import { asking, type CalleeUse, type SourcePlace, type ReadShape } from "./asking";
import { chainBefore, isSign, memoized } from "./chains";
import { constantAt, type Piece } from "./sourceConstants";
import { enumerationOf } from "./enumeration";
import { joinFourWords } from "./fourWords";
import { followHandlers } from "./inputHandlers";
import { isKeyList, keyCalled, keyOfKeyCode } from "./keyNames";
import { lex, type Family, type Token } from "./lex";
import { otherSideOf, purposeOf } from "./purpose";

export type { ReadShape };

/** One place where source asks by a word. */
export interface ActionRead {
  readonly word: string;
  /** What the word is a member of, where it is a constant: of `Action.JUMP` it is `Action`; empty for others. */
  readonly owner: string;
  /** What asks: `Input.pressed(…)`, `axes[…]`, `name == …`, `BINDINGS, left side`; the same for every place that asks alike. */
  readonly callee: string;
  readonly shape: ReadShape;
  readonly line: number;
  /** What kind of action the asking looks like, or null where nothing reports. */
  readonly kind: ActionKind | null;
  /** It lies where keys, touches or pads are handled. */
  readonly isHandled: boolean;
  /** The four words (up, down, left, right) that are read as one vector; `word` is then what they share. */
  readonly directions?: readonly string[];
}
/** What a standard of the web says of itself, or a constant that plainly means a key. */
export interface Standard {
  readonly sort: "key" | "mouse-button" | "mouse-move" | "pad-button" | "pad-axis";
  /**
   * A KeyboardEvent.code value, a PointerEvent.button value (0 for any touch, which is the main button), the way of a mouse movement (`x`, `y`:
   * MouseEvent.movementX and movementY), or the index of a button or axis of the standard gamepad mapping.
   */
  readonly value: string;
  readonly line: number;
  /** What it seems to be read for: the word that a table puts next to it, or what is called where it is pressed. Empty where nothing reports. */
  readonly purpose: string;
  /** What it is read for is said of several inputs that do different things, such as the function that handles all of them. */
  readonly isShared: boolean;
}
/** Where a read or a standard is: the tokens of what asks, and how it is asked. */
export interface FoundRead {
  readonly asking: CalleeUse;
  readonly piece: Piece;
  readonly read: ActionRead | null;
  readonly standard: Standard | null;
}
export interface ScanResult {
  readonly reads: readonly ActionRead[];
  readonly standards: readonly Standard[];
}

/** A word longer than this is a sentence, a path or data, and no name of an action. */
const MOST_WORD = 64;
/** Values of KeyboardEvent.code (UI Events KeyboardEvent code Values, W3C). */
const KEY_CODE =
  /^(?:Key[A-Z]|Digit\d|F(?:[1-9]|1\d|2[0-4])|Arrow(?:Up|Down|Left|Right)|Numpad(?:\d|Add|Subtract|Multiply|Divide|Decimal|Enter|Equal|Comma)|(?:Shift|Control|Alt|Meta)(?:Left|Right)|Space|Enter|Tab|Escape|Backspace|Delete|Insert|Home|End|PageUp|PageDown|CapsLock|Backquote|Minus|Equal|BracketLeft|BracketRight|Backslash|IntlBackslash|Semicolon|Quote|Comma|Period|Slash|ContextMenu|Pause|ScrollLock|NumLock|PrintScreen)$/;
/** Names that reading an input usually has. */
const LIKELY = /input|action|axis|axes|button|key|press|control|pad|stick|touch|bind|trigger|held|command|mapping|intent/i;
/** Whether a name is one that reading an input usually has. */
export const isLikelyInput: (name: string) => boolean = memoized((name) => LIKELY.test(name));

/** What the name of a callee says of the kind of what it reads. */
function likelyKind(callee: string, shape: ReadShape): ActionKind | null {
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
  return shape === "call" || shape === "index" ? null : "press";
}

/** Everything in a source text that asks by a word, and what it says in standards. */
export function scanSource(source: string, family: Family): ScanResult {
  const reads: ActionRead[] = [];
  const standards: Standard[] = [];
  findIn(source, family, ({ read, standard }) => {
    if (read) reads.push(read);
    if (standard) standards.push(standard);
  });
  return { reads, standards };
}

/** Goes through a source text and reports each place that asks, in order; gives the tokens. */
export function findIn(source: string, family: Family, tell: (found: FoundRead) => void): readonly Token[] {
  const tokens = lex(source, family);
  const handlers = followHandlers(source, tokens, family);
  const open: number[] = [];
  const place: SourcePlace = { source, tokens, open };
  const joined = joinFourWords(tell);
  const told: Told = { family, isHandled: handlers.isHandled };
  for (let i = 0; i < tokens.length; i += 1) {
    const token = tokens[i];
    if (token.kind === "sign") {
      const { text } = token;
      if (text === "(" || text === "[" || text === "{") open.push(i);
      else if (text === ")" || text === "]" || text === "}") open.pop();
    } else if (token.kind === "number") {
      const found = numberAt(place, i, family);
      if (found) joined.tell(found);
    } else {
      const found =
        token.kind !== "name" ? textAt(place, i, told) : (touchAt(place, i) ?? movementAt(place, i) ?? (mayCount(tokens, i) ? nameAt(place, i, told) : null));
      if (found) joined.tell(found);
    }
    handlers.step(i);
  }
  joined.end();
  return tokens;
}

/** The main mouse button, or any touch. */
function pointerRead(place: SourcePlace, piece: Piece, { asking: asked, button }: PointerRead): FoundRead {
  return { asking: asked, piece, read: null, standard: standardOf(place, asked, piece, { sort: "mouse-button", value: String(button) }) };
}

/** How many touches there are, or whether there is any. */
function touchAt(place: SourcePlace, i: number): FoundRead | null {
  const touches = mayBeTouch(place.tokens[i].text) ? touchesAt(place.tokens, i) : null;
  return touches && pointerRead(place, { first: i, last: i }, touches);
}

/** How far the mouse went along one way (Pointer Lock, W3C: `movementX`, `movementY` of a MouseEvent). */
function movementAt(place: SourcePlace, i: number): FoundRead | null {
  const { tokens } = place;
  const way = /^movement([XY])$/.exec(tokens[i].text)?.[1].toLowerCase();
  const isDeclared = isSign(tokens[i + 1], ":", "=");
  const chain = isSign(tokens[i - 1], ".", "?.") ? chainBefore(tokens, i) : null;
  if (way === undefined || !chain || isDeclared) return null;
  const asked: CalleeUse = { callee: chain.text, shape: "index", first: chain.from, last: i };
  const piece = { first: i, last: i };
  return { asking: asked, piece, read: null, standard: standardOf(place, asked, piece, { sort: "mouse-move", value: way }) };
}

/** A number that a standard of the web asks by: a button or an axis of a pad, the main mouse button, or a legacy keyCode. */
function numberAt(place: SourcePlace, i: number, family: Family): FoundRead | null {
  const { tokens } = place;
  const before = tokens[i - 1] as Token | undefined;
  if (before?.kind === "text" || before?.kind === "number") return null;
  const piece = { first: i, last: i };
  const isPlace = isSign(before, "[") && isSign(tokens[i + 1], "]");
  const mayBeMain = /^[01]$/.test(tokens[i].text);
  const isCompared = isSign(before, "==", "===", "!=", "!==") || before?.text === "case" || isSign(tokens[i + 1], "==", "===");
  if (!isPlace && !isCompared && !mayBeMain) return null;
  const asked = asking(place, piece);
  if (!asked) return null;
  const main = mayBeMain ? mainButtonByNumber(tokens, i, asked, family) : null;
  if (main) return pointerRead(place, piece, main);
  const last = asked.callee.split(".").at(-1);
  if (isPlace && (last === "buttons" || last === "axes")) {
    const sort = last === "axes" ? "pad-axis" : "pad-button";
    return { asking: asked, piece, read: null, standard: { sort, value: tokens[i].text, line: tokens[i].line, purpose: "", isShared: false } };
  }
  const key = isPlace || isCompared ? keyOfKeyCode(Number(tokens[i].text)) : null;
  if (key === null || !(asked.shape === "index" ? asksOfKeys(asked.callee) : /(?:^|\.)(?:keyCode|which)$/.test(asked.callee))) return null;
  return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, key) };
}

/** A text, or a single character, that something asks by. */
function textAt(place: SourcePlace, i: number, { isHandled }: Told): FoundRead | null {
  const token = place.tokens[i];
  const word = token.text;
  if (token.kind === "text" && !token.whole) return null;
  if (word === "" || word.length > MOST_WORD || /[\u0000-\u001f\u007f-\u009f]/.test(word)) return null;
  const piece = { first: i, last: i };
  const asked = asking(place, piece);
  if (!asked) return null;
  const button = listenerAt(place.tokens, i, asked) ?? buttonOfText(place.tokens, word, asked);
  if (button) return pointerRead(place, piece, button);
  const key = keyOfText(word, asked);
  if (key !== null) return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, key) };
  if (word.trim() === "" || token.kind === "char" || !belongs(place, asked, piece)) return null;
  return { asking: asked, piece, read: readOf(asked, { word, owner: "", line: token.line, isHandled: isHandled() }), standard: null };
}

const asksOfKeys = memoized((callee) => callee.split(".").some(isKeyList));

/** What asks for a key by its code: a list of keys, a look into one, or an event's own field. */
const ASKS_BY_CODE = /(?:^|\.)(?:codes?|keys?|pressed|down|held|(?:\w*_)?keys|\w*Keys)(?:\.(?:has|includes|contains|containsKey|get|indexOf))?$/i;

/** The key that a text means where it is asked of keys: its position, or what a keyboard event calls it. */
function keyOfText(word: string, { callee, shape, side }: CalleeUse): string | null {
  if (KEY_CODE.test(word)) {
    if (shape === "table") return side !== "right" && isLikelyInput(callee) ? word : null;
    return ASKS_BY_CODE.test(callee) ? word : null;
  }
  if (shape === "table" || !asksOfKeys(callee)) return null;
  return word === " " ? "Space" : keyCalled(word);
}

/** What is known of a place next to its tokens. */
interface Told {
  readonly family: Family;
  readonly isHandled: () => boolean;
}

const MAY_COUNT_AFTER: ReadonlySet<string> = new Set([".", "{", ",", "::", "?.", "->"]);

/** Whether a name may count at all: it is written large, or is where a member, a case or an entry may. Most names are distinguished by that. */
function mayCount(tokens: readonly Token[], i: number): boolean {
  const first = tokens[i].text.charCodeAt(0);
  if ((first >= 65 && first <= 90) || first === 107) return true;
  const before = tokens[i - 1] as Token | undefined;
  if (before === undefined || before.kind === "number" || before.kind === "text") return false;
  return before.kind === "name" ? before.text === "case" : MAY_COUNT_AFTER.has(before.text);
}

/** A constant, a member, or the first name of an entry that something asks by. */
function nameAt(place: SourcePlace, i: number, told: Told): FoundRead | null {
  const { tokens } = place;
  const { family, isHandled } = told;
  const constant = constantAt(tokens, i, family);
  if (!constant) return bareKeyAt(place, i) ?? memberAt(place, i, told);
  const piece = { first: constant.first, last: constant.last };
  const asked = asking(place, piece);
  if (!asked) return memberAt(place, i, told);
  if (asked.callee === constant.owner) return null;
  const button = constant.key === null ? buttonOfConstant(tokens, asked, constant) : null;
  if (button) return pointerRead(place, piece, button);
  const event = /(?:^|\.)(?:type|kind|what|event)$/i.test(asked.callee);
  // `keyCode == LEFT`: what asks is about keys, and the constant is called as one.
  const calledKey = constant.key === null && constant.owner === "" && asked.shape !== "table" && asksOfKeys(asked.callee) ? keyCalled(constant.word) : null;
  if (calledKey !== null) return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, calledKey) };
  if (constant.key !== null && !event) return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, constant.key) };
  // `[.space: .jump]`: what is on the left of a table of inputs and is called as a key is, is one.
  const spoken = asked.shape === "table" && asked.side === "left" && isLikelyInput(asked.callee) ? keyCalled(constant.word) : null;
  if (spoken !== null) return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, spoken) };
  if (!belongs(place, asked, piece)) return null;
  return {
    asking: asked,
    piece,
    read: readOf(asked, { word: constant.word, owner: constant.owner, line: tokens[i].line, isHandled: isHandled() }),
    standard: null,
  };
}

/** A key that is bare on the left of a table of inputs, by its position (`{ KeyW: "up" }`) or as it is called (`{ space = "up" }`). */
function bareKeyAt(place: SourcePlace, i: number): FoundRead | null {
  const { text } = place.tokens[i];
  const before = place.tokens[i - 1] as Token | undefined;
  if (before?.text !== "{" && before?.text !== ",") return null;
  const piece = { first: i, last: i };
  if (!isSign(place.tokens[i + 1], ":", "=")) return null;
  const key = KEY_CODE.test(text) ? text : keyCalled(text);
  const asked = key === null ? null : asking(place, piece);
  if (!asked || asked.shape !== "table" || !(key === text ? isLikelyInput(asked.callee) : /key|bind|map/i.test(asked.callee))) return null;
  return { asking: asked, piece, read: null, standard: keyRead(place, asked, piece, key!) };
}

/** Tables are of everything there is: one counts where its name says so, or a key is next to the word. */
function belongs(place: SourcePlace, asked: CalleeUse, piece: Piece): boolean {
  if (asked.shape !== "table") return true;
  if (isLikelyInput(asked.callee)) return true;
  return otherSideOf(place, asked, piece)?.isKey ?? false;
}

/** A member of an enumeration whose name says that it lists inputs, where it is declared. */
function memberAt(place: SourcePlace, i: number, { family, isHandled }: Told): FoundRead | null {
  const asked = enumerationOf(place, i, family);
  if (!asked || !isLikelyInput(asked.callee)) return null;
  const { text, line } = place.tokens[i];
  return { asking: asked, piece: asked, read: readOf(asked, { word: text, owner: asked.callee, line, isHandled: isHandled() }), standard: null };
}

const keyRead = (place: SourcePlace, asked: CalleeUse, piece: Piece, value: string): Standard => standardOf(place, asked, piece, { sort: "key", value });

function standardOf(place: SourcePlace, asked: CalleeUse, piece: Piece, input: Pick<Standard, "sort" | "value">): Standard {
  const beside = otherSideOf(place, asked, piece);
  const isPair = asked.shape === "table" || (beside !== null && !beside.isKey);
  const { purpose, isShared } = isPair ? { purpose: beside?.word ?? "", isShared: false } : purposeOf(place, asked, piece);
  return { ...input, line: place.tokens[piece.first].line, purpose, isShared };
}

/** How a question is written, so that all that ask alike read alike. */
function calleeText({ callee, shape, side }: CalleeUse): string {
  switch (shape) {
    case "call":
      return `${callee}(…)`;
    case "index":
      return `${callee}[…]`;
    case "compare":
      return `${callee} == …`;
    case "members":
      return `${callee}, its members`;
    case "table":
      return side === "list" ? `${callee}, a list` : `${callee}, ${side} side`;
  }
}

/** What a callee is written as and which kind it looks like, by the shape it asks in. */
const KINDS: Readonly<Record<ReadShape, (callee: string) => ActionKind | null>> = {
  call: memoized((callee) => likelyKind(callee, "call")),
  index: memoized((callee) => likelyKind(callee, "index")),
  compare: memoized((callee) => likelyKind(callee, "compare")),
  table: memoized((callee) => likelyKind(callee, "table")),
  members: memoized((callee) => likelyKind(callee, "members")),
};

/** Words for what moves, and for one of its ways: together they mean a delta, such as `Mouse X` or `look_vertical`. */
const MOVES = /(?:^|_)(?:mouse|look|camera|pointer|delta|motion)(?:_|$)/;
const ONE_WAY = /(?:^|_)(?:d?[xy]|horizontal|vertical)$/;

/** Whether a word, asked for as a number or a movement, is one way of a movement. */
function isDelta(word: string, kind: ActionKind | null): boolean {
  if (kind !== null && kind !== "axis" && kind !== "motion") return false;
  const parts = word
    .replace(/([a-z\d])([A-Z])/g, "$1_$2")
    .toLowerCase()
    .replace(/[^a-z\d]+/g, "_");
  return ONE_WAY.test(parts) && MOVES.test(parts);
}

function readOf(asked: CalleeUse, { word, owner, line, isHandled }: Pick<ActionRead, "word" | "owner" | "line" | "isHandled">): ActionRead {
  const kind = KINDS[asked.shape](asked.callee);
  return { word, owner, callee: calleeText(asked), shape: asked.shape, line, kind: isDelta(word, kind) ? "delta" : kind, isHandled };
}
