/** A small stage for tests of input: a screen on which a px is a layout unit and ten px are a millimetre, and a way to play on it. */
import { replay } from "../core/engine/input/advance";
import type { ActionValues, InputEvent } from "../core/engine/input/events";
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import { resolveLayout } from "../core/engine/placement/resolve";
import { plainScreen } from "../core/engine/placement/screen";

export const STAGE = plainScreen("stage", 1000, 500, 254);
/** Ticks of 10 ms, so that times are easy to count. */
export const HZ = 100;

/** A pin with its centre at (x, y) px. */
export const placed = (x: number, y: number, w: number, h = w) => ({
  kind: "pin",
  frame: "screen",
  anchor: [0, 0],
  pivot: [0.5, 0.5],
  offset: [`${x}px`, `${y}px`],
  size: [`${w}px`, `${h}px`],
});

/** A button that serves the press its own action name, with its centre at (x, 300) px. */
export const pressButton = (id: string, x: number, feel: object = {}) => ({
  ...{ id, name: id, kind: "button", feel, placement: placed(x, 300, 100) },
  serves: [{ port: "press", action: id }],
});

export function staged(controls: object[], actions: object[], more: object = {}): Layout {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "Stage",
    reference: { width: 1000, height: 500 },
    scale: { mmPerUnit: 0.1 },
    actions,
    controls,
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** The values at each tick, t = 10, 20, … ms; `until` keeps playing to that time. */
export function playOn(layout: Layout, events: InputEvent[], until = 0): ActionValues[] {
  const last = events.at(-1)?.t ?? 0;
  const all: InputEvent[] = until > last ? [...events, { t: until, type: "key", code: "None", down: true }] : events;
  return replay(layout, resolveLayout(layout, STAGE), all, { hz: HZ }).map((f) => f.values);
}

/** The times of the ticks at which a press is true, ms. */
export function trueAt(values: ActionValues[], name: string): number[] {
  return values.flatMap((v, i) => (v[name] === true ? [(i + 1) * 10] : []));
}

export const touch = (t: number, type: "down" | "move" | "up" | "cancel", x: number, y: number, id = 1): InputEvent => ({ t, type, id, x, y });
export const key = (t: number, code: string, down: boolean): InputEvent => ({ t, type: "key", code, down });
