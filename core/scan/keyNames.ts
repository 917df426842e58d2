/**
 * Which key a constant of source plainly means. Every program spells its constants of keys in its own way (`K_LEFT`,
 * `KEY_SPACE`, `Keys.W`); what they share is that a part of the name says *key* and the rest is what is printed on the key, or
 * what it is called on every keyboard. The position is reported as the web reports it (UI Events KeyboardEvent code Values, W3C).
 */

import { memoized } from "./chains";

/** What keys are called, without gaps and case, by their position. */
const CALLED: Readonly<Record<string, string>> = {
  ArrowLeft: "left arrowleft leftarrow",
  ArrowRight: "right arrowright rightarrow",
  ArrowUp: "up arrowup uparrow",
  ArrowDown: "down arrowdown downarrow",
  Space: "space spacebar",
  Enter: "enter return",
  Escape: "escape esc",
  Tab: "tab",
  Backspace: "backspace",
  Delete: "delete del",
  Insert: "insert ins",
  Home: "home",
  End: "end",
  PageUp: "pageup pgup",
  PageDown: "pagedown pgdn pgdown",
  ShiftLeft: "shift shiftleft leftshift lshift",
  ShiftRight: "shiftright rightshift rshift",
  ControlLeft: "control ctrl controlleft leftcontrol lcontrol ctrlleft leftctrl lctrl",
  ControlRight: "controlright rightcontrol rcontrol ctrlright rightctrl rctrl",
  AltLeft: "alt altleft leftalt lalt",
  AltRight: "altright rightalt ralt altgr",
  MetaLeft: "meta metaleft leftmeta lmeta",
  MetaRight: "metaright rightmeta rmeta",
  Comma: "comma",
  Period: "period dot",
  Slash: "slash",
  Semicolon: "semicolon",
  Quote: "quote apostrophe",
  Minus: "minus hyphen",
  Equal: "equal equals",
  Backslash: "backslash",
  BracketLeft: "bracketleft leftbracket lbracket",
  BracketRight: "bracketright rightbracket rbracket",
  Backquote: "backquote grave",
  CapsLock: "capslock",
  Pause: "pause",
  NumpadAdd: "numpadadd kpplus kpadd",
  NumpadSubtract: "numpadsubtract kpminus kpsubtract",
  NumpadMultiply: "numpadmultiply kpmultiply",
  NumpadDivide: "numpaddivide kpdivide",
  NumpadEnter: "numpadenter kpenter",
};
const CODES: ReadonlyMap<string, string> = new Map(Object.entries(CALLED).flatMap(([code, names]) => names.split(" ").map((name) => [name, code] as const)));

/** No key is called by more letters, gaps included. */
const LONGEST = 20;

/** The key that a name printed or spoken means, gaps and case set aside; null where it is no key's. */
export const keyCalled: (name: string) => string | null = memoized((name) => {
  if (name.length > LONGEST) return null;
  const bare = name.toLowerCase().replace(/[\s_-]+/g, "");
  if (/^[a-z]$/.test(bare)) return `Key${bare.toUpperCase()}`;
  const digit = /^(?:digit|alpha|num|n|d)?(\d)$/.exec(bare);
  if (digit) return `Digit${digit[1]}`;
  const pad = /^(?:numpad|kp|keypad)(\d)$/.exec(bare);
  if (pad) return `Numpad${pad[1]}`;
  if (/^key[a-z]$/.test(bare)) return `Key${bare[3].toUpperCase()}`;
  if (/^f(?:[1-9]|1\d|2[0-4])$/.test(bare)) return bare.toUpperCase();
  return CODES.get(bare) ?? null;
});

/** The key of a legacy keyCode (UI Events, appendix on legacy key attributes), of those that are the same on every keyboard; null for others. */
export function keyOfKeyCode(code: number): string | null {
  const letter = String.fromCharCode(code);
  if (/^[A-Z]$/.test(letter)) return `Key${letter}`;
  if (/^[0-9]$/.test(letter)) return `Digit${letter}`;
  return KEY_CODES.get(code) ?? null;
}
const KEY_CODES: ReadonlyMap<number, string> = new Map([
  [8, "Backspace"],
  [9, "Tab"],
  [13, "Enter"],
  [16, "ShiftLeft"],
  [17, "ControlLeft"],
  [18, "AltLeft"],
  [27, "Escape"],
  [32, "Space"],
  [37, "ArrowLeft"],
  [38, "ArrowUp"],
  [39, "ArrowRight"],
  [40, "ArrowDown"],
]);

/** The words of a name, parted at what is no letter or digit and where a small letter meets a large one: `K_LEFT`, `keyLeft`, `KeyLeft`. */
export function partsOfName(name: string): string[] {
  return name
    .replace(/([a-z\d])([A-Z])/g, "$1 $2")
    .split(/[^A-Za-z\d]+/)
    .filter((word) => word !== "");
}

/** A word that says *key*: itself, a code of one, or a K that represents it, alone or behind consonants that represent a maker. */
const SAYS_KEY = /^(?:(?:virtual)?keys?(?:code|codes|board|event|map)?|scancodes?|[bcdfghj-np-tv-z]{0,4}k)$/i;

/** Whether the name of a list of constants says that they are keys: `Keys`, `KeyCode`, `keyboard`. */
export const isKeyList = (owner: string): boolean => partsOfName(owner).some((word) => SAYS_KEY.test(word) && word.length > 1);

/**
 * The key that a constant plainly means: one with a word for key before its name (`K_LEFT`, `KEY_SPACE`, `GAME_KEY_W`), or one of a list whose
 * name says so (`Keys.W`). `owner`: the name before the member, or empty. Null for every other constant.
 */
export function keyOfConstant(owner: string, member: string): string | null {
  const words = partsOfName(member);
  let from = 0;
  for (let i = 0; i < Math.min(3, words.length - 1); i += 1) if (SAYS_KEY.test(words[i])) from = i + 1;
  if (from > 0) return keyCalled(words.slice(from).join(""));
  return owner !== "" && isKeyList(owner) ? keyCalled(words.join("")) : null;
}
