/** Plays a layout as a mouse: motions and deltas as movement, presses as buttons, for games that read only the mouse. */
import type { ActionValue, ActionValues } from "../../core/engine/input/events";
import type { PlayedAction } from "../../core/engine/types";
import { OWN_EVENT } from "../attach/deskInput";
import type { Handle } from "../handle";
import { focusGame, targetFor, type StandInTarget } from "./target";

/**
 * How far a mouse moves, CSS px, for an action to give a value: the inverse of its mouse scale. A delta moves it the way that the delta is bound to; one
 * that is bound to no movement does not. @internal exported for its test
 */
export function movementOf({ kind, mouse }: PlayedAction, value: ActionValue): readonly [number, number] {
  const moves = mouse.flatMap((one) => ("move" in one ? [one] : []));
  const pxAUnit = (scale: number | readonly [number, number], side: 0 | 1) => 1 / ((typeof scale === "number" ? scale : scale[side]) || 1);
  if (kind === "motion") {
    const [x, y] = value as readonly [number, number];
    const scale = moves.find(({ move }) => move === true)?.scale ?? 1;
    return [x * pxAUnit(scale, 0), -y * pxAUnit(scale, 1)];
  }
  const bound = kind === "delta" ? moves.find(({ move }) => move !== true) : undefined;
  if (!bound) return [0, 0];
  const far = value as number;
  return bound.move === "x" ? [far * pxAUnit(bound.scale, 0), 0] : [0, -far * pxAUnit(bound.scale, 1)];
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
      const [dx, dy] = movementOf(action, values[action.name]);
      rest = [rest[0] + dx, rest[1] + dy];
    }
    const [dx, dy] = [Math.trunc(rest[0]), Math.trunc(rest[1])];
    if (dx !== 0 || dy !== 0) {
      rest = [rest[0] - dx, rest[1] - dy];
      [x, y] = [x + dx, y + dy];
      send("move", -1, dx, dy);
    }
    for (const action of handle.layout.actions) {
      const button = action.kind === "press" ? buttonOf(action) : null;
      const isOn = values[action.name] === true;
      if (button === null || down.has(button) === isOn) continue;
      if (isOn) down.add(button);
      else down.delete(button);
      send(isOn ? "down" : "up", button);
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
