/** Plays a layout as a mouse: motions as movement, presses as buttons, for games that read only the mouse. */
import type { ActionValues } from "../../core/engine/input/events";
import type { PlayedAction } from "../../core/engine/types";
import { OWN_EVENT } from "../attach/deskInput";
import type { Handle } from "../handle";
import { focusGame, targetFor, type StandInTarget } from "./target";

/** CSS px per unit of a motion, horizontally and vertically: the inverse of the mouse scale. */
function pxAUnit({ mouse }: PlayedAction): readonly [number, number] {
  const move = mouse.find((one) => "move" in one);
  const scale = move && "move" in move ? move.scale : 1;
  const [x, y] = typeof scale === "number" ? [scale, scale] : scale;
  return [x ? 1 / x : 1, y ? 1 / y : 1];
}

/** Returns the mouse button of a press; null: none. */
function buttonOf({ mouse }: PlayedAction): number | null {
  const part = mouse.find((one) => "button" in one);
  return part && "button" in part ? part.button : null;
}

/** Bit of `buttons` of a `button`: the second and third are swapped (Pointer Events). */
const BIT = [1, 4, 2, 8, 16];

export interface MouseOptions {
  /** Target of the events: an element, `window`, `document` or a selector. Default: the game's element. */
  readonly target?: StandInTarget;
}

const SECOND = 2;

/**
 * Plays a handle as the mouse over an element: movement, buttons, and the derived events `click`, `auxclick` and `contextmenu`. Returns a
 * function that stops it and releases the buttons. Throws if `target` is not found or is a text field.
 */
export function asMouse(handle: Pick<Handle, "layout" | "onTick" | "over">, options: MouseOptions | Element = {}): () => void {
  const given = options instanceof Element ? options : options.target;
  const targetNow = given === undefined ? () => handle.over : targetFor(handle, given, "asMouse");
  const down = new Set<number>();
  let [x, y] = [0, 0];
  /** A mouse moves by whole px; the rest is carried over. */
  let rest: readonly [number, number] = [0, 0];
  const dispatch = (event: Event) => targetNow().dispatchEvent(Object.defineProperty(event, OWN_EVENT, { value: true }));
  const send = (type: "move" | "down" | "up", button: number, dx = 0, dy = 0) => {
    const box = handle.over.getBoundingClientRect();
    const at = { clientX: box.left + box.width / 2 + x, clientY: box.top + box.height / 2 + y };
    const buttons = [...down].reduce((all, one) => all | (BIT[one] ?? 0), 0);
    const common = { ...at, button, buttons, bubbles: true, cancelable: true, composed: true, view: window };
    const pointer = { ...common, pointerType: "mouse", pointerId: 1, isPrimary: true };
    const counted = { ...pointer, detail: 1 };
    dispatch(new PointerEvent(`pointer${type}`, { ...pointer, movementX: dx, movementY: dy }));
    dispatch(new MouseEvent(`mouse${type}`, { ...common, movementX: dx, movementY: dy, detail: type === "move" ? 0 : 1 }));
    if (type !== "up") return;
    dispatch(new PointerEvent(button === 0 ? "click" : "auxclick", counted));
    if (button === SECOND) dispatch(new PointerEvent("contextmenu", counted));
  };
  const stop = handle.onTick((values: ActionValues, _timeMs, events) => {
    if (events.some(({ type }) => type === "down")) focusGame(targetNow());
    for (const action of handle.layout.actions) {
      const value = values[action.name];
      if (action.kind === "motion") {
        const [given, scale] = [value as readonly [number, number], pxAUnit(action)];
        rest = [rest[0] + given[0] * scale[0], rest[1] - given[1] * scale[1]];
        const [dx, dy] = [Math.trunc(rest[0]), Math.trunc(rest[1])];
        if (dx === 0 && dy === 0) continue;
        rest = [rest[0] - dx, rest[1] - dy];
        [x, y] = [x + dx, y + dy];
        send("move", -1, dx, dy);
      } else if (action.kind === "press") {
        const button = buttonOf(action);
        if (button === null || down.has(button) === (value === true)) continue;
        if (value === true) down.add(button);
        else down.delete(button);
        send(value === true ? "down" : "up", button);
      }
    }
  });
  return () => {
    stop();
    for (const button of [...down]) {
      down.delete(button);
      send("up", button);
    }
  };
}
