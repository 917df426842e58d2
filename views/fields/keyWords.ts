/** Keys, mouse and pad inputs in words, and what they give in signs. */
import { sourceOfEnd } from "../../core/wiring/hardwareWires";

type Value = number | [number, number];

/** The letters that the user's own keyboard has by code (Keyboard Map of UI Events); empty where the browser does not tell. */
export type KeyLetters = ReadonlyMap<string, string>;
const NO_LETTERS: KeyLetters = new Map();

const ARROWS: ReadonlyMap<string, string> = new Map(Object.entries({ ArrowUp: "↑", ArrowDown: "↓", ArrowLeft: "←", ArrowRight: "→" }));

/** A KeyboardEvent.code as it is spoken of: by the letter of the user's own keyboard, else KeyW → W, ArrowUp → ↑. */
export function keyWord(code: string, letters: KeyLetters = NO_LETTERS): string {
  const letter = letters.get(code);
  if (letter !== undefined && letter.trim() !== "") return letter.toUpperCase();
  return ARROWS.get(code) ?? code.replace(/^(Key|Digit)/, "");
}

/** PointerEvent.button in words. */
const MOUSE = ["left", "middle", "right", "back", "forward"] as const;
export const mouseWord = (button: number): string => MOUSE[button] ?? `button ${button}`;

/** Where the buttons of a pad of the standard mapping lie (W3C Gamepad). */
const PAD_PLACES = [
  "bottom of the right cluster",
  "right of the right cluster",
  "left of the right cluster",
  "top of the right cluster",
  "front, top left",
  "front, top right",
  "front, bottom left",
  "front, bottom right",
  "centre, left",
  "centre, right",
  "left stick, pressed",
  "right stick, pressed",
  "top of the left cluster",
  "bottom of the left cluster",
  "left of the left cluster",
  "right of the left cluster",
  "centre",
] as const;
const padPlace = (button: number): string => PAD_PLACES[button] ?? `button ${button}`;
const AXIS_WORDS = ["left stick, x", "left stick, y", "right stick, x", "right stick, y"];

/** A desk end in a short word. */
export function endWord(end: string, letters: KeyLetters = NO_LETTERS): string {
  const made = sourceOfEnd(end);
  if (!made) return end;
  const { list, source } = made;
  if ("code" in source) return keyWord(source.code, letters);
  if ("move" in source) return source.move === true ? "mouse movement" : `mouse movement ${source.move}`;
  if ("axis" in source) return `pad axis ${source.axis}`;
  if ("stick" in source) return `pad, ${source.stick} stick`;
  return list === "mouse" ? `mouse ${mouseWord(source.button)}` : `pad ${source.button}`;
}

/** A desk end in full: the code of a key, the place of a pad's button. */
export function endTitle(end: string, letters: KeyLetters = NO_LETTERS): string {
  const made = sourceOfEnd(end);
  if (!made) return end;
  const { list, source } = made;
  if ("code" in source) return letters.has(source.code) ? `key ${source.code}, ${keyWord(source.code, letters)} on this keyboard` : `key ${source.code}`;
  if ("axis" in source) return `pad axis ${source.axis}: ${AXIS_WORDS[source.axis] ?? "other axis"}`;
  if ("button" in source) return list === "mouse" ? `${mouseWord(source.button)} mouse button` : `pad button ${source.button}: ${padPlace(source.button)}`;
  return endWord(end, letters);
}

/** What a key can give: directions of a vector, ends of an axis. */
const DIRECTIONS: Readonly<Record<"vector" | "axis", readonly (readonly [string, Value])[]>> = {
  vector: [
    ["▲", [0, 1]],
    ["▼", [0, -1]],
    ["◀", [-1, 0]],
    ["▶", [1, 0]],
  ],
  axis: [
    ["−1", -1],
    ["+1", 1],
  ],
};

/** A value in a sign: an arrow, an end of an axis, else its figures. */
export function directionWord(value: Value | undefined): string {
  if (Array.isArray(value)) return DIRECTIONS.vector.find(([, v]) => Array.isArray(v) && v[0] === value[0] && v[1] === value[1])?.[0] ?? value.join(", ");
  return value === undefined || value === 1 ? "+1" : value === -1 ? "−1" : String(value);
}
