/** Plays a layout as a keyboard: presses the first key of each action and direction, for games that read only keys. */
import type { ActionValue, ActionValues, InputEvent } from "../../core/engine/input/events";
import type { PlayedAction } from "../../core/engine/types";
import { OWN_EVENT } from "../attach/deskInput";
import type { Handle } from "../handle";
import { keyFigures } from "./keyFigures";
import { isDownNow } from "./switches";
import { focusGame, targetFor, type StandInTarget } from "./target";

/** A key, and the action value that presses it. */
interface KeyOf {
  readonly code: string;
  readonly amount: (value: ActionValue) => number;
}

/** Delay and interval of key repeat, ms: usual keyboard defaults. */
const REPEAT_AFTER_MS = 500;
const REPEAT_EVERY_MS = 33;

const pairOf = (value: number | readonly [number, number] | undefined): readonly [number, number] =>
  value === undefined ? [1, 1] : typeof value === "number" ? [value, value] : value;

/** Returns the first key of an action per direction; a motion or delta has none. @internal exported for its test */
export function keysOf({ kind, keys }: PlayedAction): readonly KeyOf[] {
  switch (kind) {
    case "press":
      return keys.slice(0, 1).map(({ code }) => ({ code, amount: (value) => (value === true ? 1 : 0) }));
    case "axis":
      return [1, -1].flatMap((sign) => {
        const key = keys.find(({ value }) => Math.sign(pairOf(value)[0]) === sign);
        return key ? [{ code: key.code, amount: (value) => (value as number) * sign }] : [];
      });
    case "vector":
      return [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ].flatMap(([x, y]) => {
        const key = keys.find(({ value }) => Math.sign(pairOf(value)[0]) === x && Math.sign(pairOf(value)[1]) === y);
        return key ? [{ code: key.code, amount: (value) => (value as readonly [number, number])[0] * x + (value as readonly [number, number])[1] * y }] : [];
      });
    case "motion":
    case "delta":
      return [];
  }
}

/** The flags of a keyboard event by the keys that set them (UI Events, "modifier keys"). */
const MODIFIERS = { shiftKey: "Shift", ctrlKey: "Control", altKey: "Alt", metaKey: "Meta" } as const;

/** The flags for the keys that are down. */
function modifiersOf(isDown: (code: string) => boolean) {
  const flag = (name: string) => isDown(`${name}Left`) || isDown(`${name}Right`);
  return { shiftKey: flag(MODIFIERS.shiftKey), ctrlKey: flag(MODIFIERS.ctrlKey), altKey: flag(MODIFIERS.altKey), metaKey: flag(MODIFIERS.metaKey) };
}

/** Location of a key that exists twice (`KeyboardEvent.location`). */
function locationOf(code: string): number {
  if (code.startsWith("Numpad")) return KeyboardEvent.DOM_KEY_LOCATION_NUMPAD;
  const [, side] = /^(?:Shift|Control|Alt|Meta)(Left|Right)$/.exec(code) ?? [];
  return side === "Left"
    ? KeyboardEvent.DOM_KEY_LOCATION_LEFT
    : side === "Right"
      ? KeyboardEvent.DOM_KEY_LOCATION_RIGHT
      : KeyboardEvent.DOM_KEY_LOCATION_STANDARD;
}

export interface KeysOptions {
  /** Target of the events: an element, `window`, `document` or a selector. Default: the game's element, or the focused element in it. */
  readonly target?: StandInTarget;
  /** Whether held keys repeat. Default: true. */
  readonly repeats?: boolean;
}

/** Plays a handle as keys. Returns a function that stops it and releases all keys. Throws if `target` is not found or is a text field. */
export function asKeys(handle: Pick<Handle, "layout" | "onTick" | "over">, { target, repeats = true }: KeysOptions = {}): () => void {
  const targetNow = targetFor(handle, target, "asKeys");
  const down = new Map<string, number>();
  /** Keys held on a real keyboard; the game already got their events. */
  const real = new Set<string>();
  let last: string | null = null;
  const heard = (event: KeyboardEvent) => {
    if (OWN_EVENT in event) return;
    if (event.type === "keydown") real.add(event.code);
    else real.delete(event.code);
  };
  addEventListener("keydown", heard, true);
  addEventListener("keyup", heard, true);
  const send = (type: "keydown" | "keyup", code: string, repeat: boolean) => {
    const modifiers = modifiersOf((one) => down.has(one) || real.has(one));
    const [plainKey, keyCode] = keyFigures(code);
    const key = modifiers.shiftKey && plainKey.length === 1 ? plainKey.toUpperCase() : plainKey;
    const event = new KeyboardEvent(type, { ...modifiers, code, key, location: locationOf(code), repeat, bubbles: true, cancelable: true, composed: true });
    // The constructor does not accept the legacy key codes.
    for (const name of ["keyCode", "which"]) Object.defineProperty(event, name, { value: keyCode });
    Object.defineProperty(event, OWN_EVENT, { value: true });
    targetNow().dispatchEvent(event);
  };
  const release = (code: string) => {
    down.delete(code);
    if (last === code) last = null;
    send("keyup", code, false);
  };
  const tick = (values: ActionValues, timeMs: number, events: readonly InputEvent[]) => {
    if (events.some(({ type }) => type === "down")) focusGame(targetNow());
    const amounts = new Map<string, number>();
    for (const action of handle.layout.actions)
      for (const { code, amount } of keysOf(action)) amounts.set(code, Math.max(amounts.get(code) ?? 0, amount(values[action.name])));
    for (const code of [...down.keys()]) if (!isDownNow(true, amounts.get(code) ?? 0)) release(code);
    for (const [code, amount] of amounts) {
      if (down.has(code) || real.has(code) || !isDownNow(false, amount)) continue;
      down.set(code, timeMs + REPEAT_AFTER_MS);
      last = code;
      send("keydown", code, false);
    }
    // As on a keyboard, only the last pressed key repeats.
    const due = last === null ? undefined : down.get(last);
    if (repeats && last !== null && due !== undefined && timeMs >= due) {
      down.set(last, due + REPEAT_EVERY_MS);
      send("keydown", last, true);
    }
  };
  const stop = handle.onTick(tick);
  return () => {
    stop();
    removeEventListener("keydown", heard, true);
    removeEventListener("keyup", heard, true);
    for (const code of [...down.keys()]) release(code);
  };
}
