/** What a keyboard event says in addition to its code, on a plain keyboard of Latin letters: the key, and the old key code (UI Events, appendix A). */

const NAMED: Readonly<Record<string, readonly [key: string, keyCode: number]>> = {
  Space: [" ", 32],
  Enter: ["Enter", 13],
  NumpadEnter: ["Enter", 13],
  Escape: ["Escape", 27],
  Tab: ["Tab", 9],
  Backspace: ["Backspace", 8],
  Delete: ["Delete", 46],
  Insert: ["Insert", 45],
  Home: ["Home", 36],
  End: ["End", 35],
  PageUp: ["PageUp", 33],
  PageDown: ["PageDown", 34],
  ArrowLeft: ["ArrowLeft", 37],
  ArrowUp: ["ArrowUp", 38],
  ArrowRight: ["ArrowRight", 39],
  ArrowDown: ["ArrowDown", 40],
  ShiftLeft: ["Shift", 16],
  ShiftRight: ["Shift", 16],
  ControlLeft: ["Control", 17],
  ControlRight: ["Control", 17],
  AltLeft: ["Alt", 18],
  AltRight: ["Alt", 18],
  MetaLeft: ["Meta", 91],
  MetaRight: ["Meta", 92],
  ContextMenu: ["ContextMenu", 93],
  CapsLock: ["CapsLock", 20],
  Semicolon: [";", 186],
  Equal: ["=", 187],
  Comma: [",", 188],
  Minus: ["-", 189],
  Period: [".", 190],
  Slash: ["/", 191],
  Backquote: ["`", 192],
  BracketLeft: ["[", 219],
  Backslash: ["\\", 220],
  BracketRight: ["]", 221],
  Quote: ["'", 222],
  NumpadAdd: ["+", 107],
  NumpadSubtract: ["-", 109],
  NumpadMultiply: ["*", 106],
  NumpadDivide: ["/", 111],
  NumpadDecimal: [".", 110],
};

/** The key and the old key code of a KeyboardEvent.code; of one that is not known the code itself, and 0. */
export function keyFigures(code: string): readonly [key: string, keyCode: number] {
  if (Object.hasOwn(NAMED, code)) return NAMED[code];
  const [, group, rest] = /^(Key|Digit|Numpad|F)([A-Z]|\d{1,2})$/.exec(code) ?? [];
  switch (group) {
    case "Key":
      return [rest.toLowerCase(), rest.charCodeAt(0)];
    case "Digit":
      return [rest, 48 + Number(rest)];
    case "Numpad":
      return [rest, 96 + Number(rest)];
    case "F":
      return [code, 111 + Number(rest)];
    default:
      return [code, 0];
  }
}
