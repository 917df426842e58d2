/** A layout as a keyboard: each action's first key a direction goes down and up, for games that know only keys. */
import type { ActionValue, ActionValues } from "../../core/engine/input/events";
import type { PlayedAction } from "../../core/engine/types";
import { OWN_EVENT } from "../attach/desk";
import type { Handle } from "../handle";
import { keyFigures } from "./keyFigures";
import { isDownNow } from "./switches";

/** A key, and how much of an action presses it. */
interface KeyOf {
  readonly code: string;
  readonly amount: (value: ActionValue) => number;
}

/** A held key comes again after so long, then so often, ms: as keyboards are set when nobody has set them. */
const REPEAT_AFTER_MS = 500;
const REPEAT_EVERY_MS = 33;

const pairOf = (value: number | readonly [number, number] | undefined): readonly [number, number] =>
  value === undefined ? [1, 1] : typeof value === "number" ? [value, value] : value;

/** The first key of an action each way; a motion has none. */
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
      return [];
  }
}

/** Sends an event of a key to where a keyboard would. */
function send(type: "keydown" | "keyup", code: string, repeat: boolean): void {
  const [key, keyCode] = keyFigures(code);
  const event = new KeyboardEvent(type, { code, key, repeat, bubbles: true, cancelable: true, composed: true });
  // The old figures cannot be given to the constructor.
  for (const name of ["keyCode", "which"]) Object.defineProperty(event, name, { value: keyCode });
  Object.defineProperty(event, OWN_EVENT, { value: true });
  (document.activeElement ?? document.body).dispatchEvent(event);
}

/** Plays a handle as keys. Gives what ends it; whatever is down then comes up. */
export function asKeys(handle: Pick<Handle, "layout" | "onTick">): () => void {
  const down = new Map<string, number>();
  /** What a hand holds on a real keyboard: the game has heard of that already. */
  const real = new Set<string>();
  let last: string | null = null;
  const heard = (event: KeyboardEvent) => {
    if (OWN_EVENT in event) return;
    if (event.type === "keydown") real.add(event.code);
    else real.delete(event.code);
  };
  addEventListener("keydown", heard, true);
  addEventListener("keyup", heard, true);
  const release = (code: string) => {
    down.delete(code);
    if (last === code) last = null;
    send("keyup", code, false);
  };
  const tick = (values: ActionValues, timeMs: number) => {
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
    // As on a keyboard only the key that went down last comes again.
    const due = last === null ? undefined : down.get(last);
    if (last !== null && due !== undefined && timeMs >= due) {
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
