/**
 * From a key that is pressed to what it commands: a look into the table, by who has the keys and in which view. Letters are those that
 * the keyboard writes, or where it writes none of a–z those of the same place; signs are known by what they write.
 */
import { KEY_TABLE, type KeyPlace, type KeyRow } from "./keyTable";
import type { KeyOwner } from "./typing";

/** A key that is pressed, as a KeyboardEvent reports it. */
export interface KeyStroke {
  readonly key: string;
  readonly code: string;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
}

/** Signs that are distinguished with Shift and without: they are known by where they lie, for with Shift something else is written. */
const PLACED: Readonly<Record<string, string>> = { "[": "BracketLeft", "]": "BracketRight" };

/**
 * Whether a stroke is a key of the table: modifiers (`mod+`: Ctrl or Cmd, `shift+`) and then a letter, a digit, a sign, or the name of a
 * key in small letters (`escape`, `arrowup`). With Alt held no key of the table is meant.
 * @internal exported for its test
 */
export function strokeFits(stroke: KeyStroke, written: string): boolean {
  const mod = written.startsWith("mod+");
  const rest = mod ? written.slice(4) : written;
  const shift = rest.startsWith("shift+");
  const key = shift ? rest.slice(6) : rest;
  if (stroke.altKey || mod !== (stroke.ctrlKey || stroke.metaKey)) return false;
  if (/^[a-z]$/.test(key)) return shift === stroke.shiftKey && letterOf(stroke) === key;
  // Where digits are written with Shift, their places without it count as well.
  if (/^[0-9]$/.test(key)) return stroke.key === key || (!stroke.shiftKey && (stroke.code === `Digit${key}` || stroke.code === `Numpad${key}`));
  if (key.length > 1) return shift === stroke.shiftKey && stroke.key.toLowerCase() === key;
  if (PLACED[key] !== undefined && stroke.code === PLACED[key]) return shift === stroke.shiftKey;
  // Any other sign is what is written, however many keys that takes.
  return !shift && stroke.key === key;
}

function letterOf({ key, code }: KeyStroke): string {
  const written = key.toLowerCase();
  if (/^[a-z]$/.test(written)) return written;
  return /^Key[A-Z]$/.test(code) ? code.slice(3).toLowerCase() : "";
}

/** Whether a row of the table holds for whoever has the keys. */
function worksFor(row: KeyRow, owner: KeyOwner): boolean {
  switch (owner) {
    case "dialogue":
      return false;
    case "typing":
      return row.on === "fields";
    case "slider":
      return row.on === "sliders" || row.on === "fields";
    case "button":
      return row.on !== "not-buttons";
    case "bench":
      return true;
  }
}

/** The commands of a stroke in a place, in the order of the table; the first that has something to do is meant. @internal exported for its test */
export function commandsFor(stroke: KeyStroke, place: KeyPlace, owner: KeyOwner): readonly string[] {
  return KEY_TABLE.filter((row) => row.place === place && worksFor(row, owner)).flatMap((row) =>
    row.keys.filter(([key]) => strokeFits(stroke, key)).map(([, command]) => command),
  );
}

/** What is done at a command. False: there is nothing to do now, and the key remains to whoever else wants it. */
export type KeyHandlers = Readonly<Record<string, (event: KeyboardEvent) => boolean | void>>;

/** Works a key off: the first of its commands that has something to do is done, and then the browser does its own nothing. */
export function workKey(event: KeyboardEvent, place: KeyPlace, owner: KeyOwner, handlers: KeyHandlers): void {
  for (const command of commandsFor(event, place, owner)) {
    const handler = handlers[command];
    if (!handler || handler(event) === false) continue;
    event.preventDefault();
    return;
  }
}
