/**
 * Where source reads the main mouse button, the number of touches, or whether there is any touch. On glass every touch gives these: a game that
 * reads them acts on touches that are meant for controls, too.
 */
import type { CalleeUse } from "./asking";
import { chainBefore, chainEnd, isSign, memoized } from "./chains";
import { partsOfName } from "./keyNames";
import type { Family, Token } from "./lex";

/** A read of a mouse button, or of any touch. */
export interface PointerRead {
  /** The number of the button as PointerEvent.button has it; 0, the main button, for any touch. */
  readonly button: number;
  /** The tokens of the question. */
  readonly asking: CalleeUse;
}

const PADS = /pad|joy|controller|stick/i;
const POINTS = /mouse|pointer|click|cursor/i;
/** Tokens before a place that tell whether a mouse or a pad is meant. */
const CONTEXT = 40;
/** Languages whose libraries count mouse buttons from 1. */
const FROM_ONE: ReadonlySet<Family> = new Set<Family>(["lua", "python"]);
const BUTTON_OF_WORD: Readonly<Record<string, number>> = { left: 0, main: 0, primary: 0, lmb: 0, middle: 1, right: 2, secondary: 2, rmb: 2 };

/** Whether a mouse, and no pad, is named by what asks or shortly before it. */
function isOfMouse(tokens: readonly Token[], { callee, first }: CalleeUse): boolean {
  if (PADS.test(callee)) return false;
  if (POINTS.test(callee)) return true;
  for (let i = first - 1; i >= 0 && i > first - CONTEXT; i -= 1) {
    if (tokens[i].kind === "sign") continue;
    if (PADS.test(tokens[i].text)) return false;
    if (POINTS.test(tokens[i].text)) return true;
  }
  return false;
}

const lastName = (chain: string) => chain.slice(chain.lastIndexOf(".") + 1);

/** The main button, asked for by its number: `getMouseButton(0)`, `event.button === 0`, `mouse.pressed()[0]`. */
export function mainButtonByNumber(tokens: readonly Token[], i: number, asked: CalleeUse | null, family: Family): PointerRead | null {
  if (!asked) return null;
  const { callee, shape } = asked;
  const isMask = shape === "compare" && (isSign(tokens[i - 1], "&") || isSign(tokens[i + 1], "&"));
  const named = lastName(callee);
  if (shape === "call" ? asked.bracket !== i - 1 : shape === "compare" ? !/^buttons?$/i.test(named) : shape !== "index") return null;
  if (shape !== "compare" && !(POINTS.test(callee) && /button|pressed|down|click|released|held/i.test(callee))) return null;
  const main = isMask || /^buttons$/i.test(named) ? 1 : shape === "index" ? Number(family === "lua") : Number(FROM_ONE.has(family));
  const isMain = tokens[i].text === String(shape === "index" && family !== "lua" ? 0 : main);
  return isMain && isOfMouse(tokens, asked) ? { button: 0, asking: asked } : null;
}

/** A mouse button that a constant names: `MOUSE_BUTTON_LEFT`, `MouseButton.Left`, `event.button == Buttons.LEFT`. Null for every other constant. */
export function buttonOfConstant(
  tokens: readonly Token[],
  asked: CalleeUse,
  { owner, word }: { readonly owner: string; readonly word: string },
): PointerRead | null {
  if (PADS.test(owner) || PADS.test(word) || PADS.test(asked.callee) || asked.shape === "table") return null;
  const words = partsOfName(`${owner} ${word}`).map((w) => w.toLowerCase());
  const at = words.findIndex((w) => Object.hasOwn(BUTTON_OF_WORD, w));
  if (at < 0) return null;
  const saysMouse = words.some((w) => /^(?:mouse|mousebuttons?|pointerbuttons?|lmb|rmb)$/.test(w));
  const saysButton = words.some((w) => /^(?:buttons?|btn)$/.test(w));
  // A maker's prefix, as of `LIB_BUTTON_LEFT`.
  const isPrefix = (w: string, k: number) => k === 0 && owner === "" && w.length <= 4 && words.length > 2;
  const isOnlyThat = words.every((w, k) => k === at || isPrefix(w, k) || /^(?:mouse|pointer|buttons?|mousebuttons?|pointerbuttons?|btn|code|input)$/.test(w));
  if (!isOnlyThat || !(saysMouse || (saysButton && (/button/i.test(lastName(asked.callee)) || isOfMouse(tokens, asked))))) return null;
  return { button: BUTTON_OF_WORD[words[at]], asking: asked };
}

/** A mouse button that a text names, asked of a mouse: `mouse.isDown("left")`. */
export function buttonOfText(tokens: readonly Token[], word: string, asked: CalleeUse): PointerRead | null {
  const button = Object.hasOwn(BUTTON_OF_WORD, word.toLowerCase()) ? BUTTON_OF_WORD[word.toLowerCase()] : null;
  return button !== null && POINTS.test(asked.callee) && isOfMouse(tokens, asked) ? { button, asking: asked } : null;
}

const COUNT = /^(?:get_?)?(?:touch_?count|(?:num|number)_?(?:of_?)?touches|touches_?count|active_?touches|active_?touch_?count)$/i;
const LISTED = /^(?:touches|all_?touches|target_?touches)$/i;
const HOW_MANY = /^(?:length|size|count|len|is_?empty|any)$/i;
const ANY = /^(?:(?:is|was|just|any|has)_?touch(?:ed|es|ing|_?down)?|(?:is|was|any)_?(?:any_?)?touch(?:ed|ing)?)$/i;
const DECLARES = /^(?:var|let|const|int|uint|auto|val|local|func|function|def|fn|fun|void|bool|boolean|float|size_t|class)$/;

/** Whether a name may say how many touches there are, or whether there is any. Most names are distinguished by this. */
export const mayBeTouch: (name: string) => boolean = memoized((name) => COUNT.test(name) || HOW_MANY.test(name) || ANY.test(name));

/** The number of touches, or whether there is any: `touchCount > 0`, `event.touches.length`, `input.isTouched()`. */
export function touchesAt(tokens: readonly Token[], i: number): PointerRead | null {
  const { text } = tokens[i];
  const before = tokens[i - 1] as Token | undefined;
  if (before?.kind === "name" && DECLARES.test(before.text)) return null;
  const after = tokens[i + 1] as Token | undefined;
  if (isSign(after, "=", "+=", "-=", ":", "{")) return null;
  const calls = isSign(after, "(");
  // With arguments it asks about something: `isTouching(wall)`.
  if (calls && !isSign(tokens[i + 2], ")")) return null;
  const isCount = COUNT.test(text) || (HOW_MANY.test(text) && isSign(before, ".", "?.", "->", ":") && LISTED.test(tokens[i - 2]?.text ?? ""));
  const isAny = ANY.test(text) && (calls || isSign(before, ".", "->", ":"));
  if (!isCount && !isAny) return null;
  const last = calls ? i + 2 : i;
  // A body follows: it is declared here.
  if (calls && isSign(tokens[last + 1], "{")) return null;
  const chain = chainBefore(tokens, i);
  return { button: 0, asking: { callee: chain?.text ?? text, shape: "call", first: chain?.from ?? i, last } };
}

const STARTS = /^(?:touchstart|pointerdown|mousedown)$/i;
/** What covers the whole glass. */
const WHOLE = /^(?:window|document|body|globalThis|input|stage|scene|view|root|game|\w*canvas)$/i;

/** A listener for every touch that looks at none of them: `canvas.addEventListener("touchstart", jump)`, `input.on("pointerdown", () => jump())`. */
export function listenerAt(tokens: readonly Token[], i: number, asked: CalleeUse | null): PointerRead | null {
  if (asked?.shape !== "call" || asked.bracket !== i - 1 || !STARTS.test(tokens[i].text) || !isSign(tokens[i + 1], ",")) return null;
  const names = asked.callee.split(".");
  if (!/^(?:addEventListener|on|once)$/.test(names[names.length - 1]) || (names.length > 1 && !WHOLE.test(names[names.length - 2]))) return null;
  const handler = tokens[i + 2] as Token | undefined;
  const isNamed = handler?.kind === "name" && handler.text !== "function" && isSign(tokens[chainEnd(tokens, i + 2) + 1], ")", ",");
  const looksAtNone = isSign(handler, "(") && isSign(tokens[i + 3], ")") && isSign(tokens[i + 4], "=>");
  return isNamed || looksAtNone ? { button: 0, asking: asked } : null;
}
