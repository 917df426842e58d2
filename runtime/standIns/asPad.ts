/** Plays a layout as an additional pad (W3C Gamepad, standard mapping), for games that read only pads. */
import type { ActionValue, ActionValues } from "../../core/engine/input/events";
import type { PlayedAction } from "../../core/engine/types";
import { OWN_PAD } from "../attach/deskInput";
import type { Handle } from "../handle";
import { DOWN_AT } from "./switches";

const BUTTONS = 17;
const AXES = 4;

/** Minimum time between two changes, ms. */
const LEAST_RISE_MS = 0.001;

interface Amounts {
  readonly buttons: number[];
  readonly axes: number[];
}

const strongest = (list: number[], at: number, value: number) => {
  if (at < list.length && Math.abs(value) > Math.abs(list[at])) list[at] = value;
};
const sideOf = (value: number | readonly [number, number] | undefined, side: 0 | 1) =>
  value === undefined ? 1 : typeof value === "number" ? value : value[side];

/** Writes an action's value to the first pad input bound to it. Pad axes are positive downwards. @internal exported for its test */
export function putOnPad({ kind, pad }: PlayedAction, value: ActionValue, { buttons, axes }: Amounts): void {
  switch (kind) {
    case "press": {
      const part = pad.find((one) => "button" in one);
      if (part && "button" in part && value === true) strongest(buttons, part.button, 1);
      return;
    }
    case "axis": {
      const part = pad.find((one) => "axis" in one);
      if (part && "axis" in part) return strongest(axes, part.axis, (value as number) * (Math.sign(sideOf(part.scale, 0)) || 1));
      for (const one of pad) if ("button" in one) strongest(buttons, one.button, Math.max(0, (value as number) * Math.sign(sideOf(one.value, 0))));
      return;
    }
    case "vector": {
      const [x, y] = value as readonly [number, number];
      const stick = pad.find((one) => "stick" in one);
      if (stick && "stick" in stick) {
        const first = stick.stick === "left" ? 0 : 2;
        strongest(axes, first, x * (Math.sign(sideOf(stick.scale, 0)) || 1));
        strongest(axes, first + 1, -y * (Math.sign(sideOf(stick.scale, 1)) || 1));
        return;
      }
      for (const one of pad) if ("button" in one) strongest(buttons, one.button, Math.max(0, x * sideOf(one.value, 0) + y * sideOf(one.value, 1)));
      return;
    }
    case "motion":
    case "delta":
      return;
  }
}

/** Plays a handle as a pad. Returns a function that disconnects it. */
export function asPad(handle: Pick<Handle, "layout" | "onTick">): () => void {
  const browsers = navigator.getGamepads?.bind(navigator) ?? (() => []);
  const free = [...browsers()].findIndex((pad) => pad === null);
  const index = free >= 0 ? free : [...browsers()].length;
  const state = { buttons: Array.from({ length: BUTTONS }, () => 0), axes: Array.from({ length: AXES }, () => 0), timestamp: performance.now() };
  const snapshot = (connected: boolean) => ({
    id: OWN_PAD,
    index,
    connected,
    mapping: "standard",
    timestamp: state.timestamp,
    axes: [...state.axes],
    buttons: state.buttons.map((value) => ({ pressed: value >= DOWN_AT, touched: value > 0, value })),
    vibrationActuator: null,
  });
  const tell = (type: "gamepadconnected" | "gamepaddisconnected") =>
    dispatchEvent(Object.defineProperty(new Event(type), "gamepad", { value: snapshot(type === "gamepadconnected") }));
  // The game may keep a reference to the function, so it replaces the browser's.
  const withOurs = () => {
    const all: (object | null)[] = [...browsers()];
    while (all.length < index) all.push(null);
    all[index] = snapshot(true);
    return all as (Gamepad | null)[];
  };
  Object.defineProperty(navigator, "getGamepads", { value: withOurs, configurable: true, writable: true });
  const isSame = (a: readonly number[], b: readonly number[]) => a.every((value, i) => value === b[i]);
  const stop = handle.onTick((values: ActionValues) => {
    const amounts = { buttons: state.buttons.map(() => 0), axes: state.axes.map(() => 0) };
    for (const action of handle.layout.actions) putOnPad(action, values[action.name], amounts);
    if (isSame(amounts.buttons, state.buttons) && isSame(amounts.axes, state.axes)) return;
    // The time of the last change (W3C Gamepad, `timestamp`): libraries ignore a pad whose time has not increased.
    Object.assign(state, amounts, { timestamp: Math.max(performance.now(), state.timestamp + LEAST_RISE_MS) });
  });
  tell("gamepadconnected");
  return () => {
    stop();
    delete (navigator as { getGamepads?: unknown }).getGamepads;
    tell("gamepaddisconnected");
  };
}
