/**
 * Pointers read as touches and mouse buttons. A finger, a pen and the main button of a mouse touch the glass; the other buttons of a
 * mouse, and its movement while the main one is up, are the mouse's own.
 *
 * Of a mouse only the first button down and the last one up come as such; what changes between them comes as a move (Pointer Events
 * Level 3, "chorded button interactions"). So the buttons that are down are read from every event and held against those before.
 */
import type { InputEvent } from "../../core/engine/input/events";

/** What one pointer event says: its point in px of the screen, its time in ms, and of a mouse its buttons (`PointerEvent.buttons`) and movement in CSS px. */
export interface PointerSample {
  readonly type: "down" | "move" | "up" | "cancel";
  readonly id: number;
  readonly mouse: boolean;
  readonly buttons: number;
  readonly x: number;
  readonly y: number;
  readonly t: number;
  readonly dx: number;
  readonly dy: number;
}

/** The mouse's buttons that were down after the last event, as `PointerEvent.buttons` has them. */
export type MouseButtons = number;

/** Bit of `buttons` → number of `button`: the bits of the second and third stand the other way round (Pointer Events, "the buttons property"). */
const BUTTON_OF_BIT = [0, 2, 1, 3, 4];
const MAIN = 1;

/** The input events of a pointer event, and the buttons that are down after it. */
export function pointerEvents(before: MouseButtons, sample: PointerSample): { readonly buttons: MouseButtons; readonly events: InputEvent[] } {
  const { t, id, x, y } = sample;
  if (!sample.mouse) return { buttons: before, events: [{ t, id, type: sample.type, x, y }] };
  const ends = sample.type === "cancel";
  const buttons = ends ? 0 : sample.buttons;
  const events: InputEvent[] = [];
  const changed = before ^ buttons;
  if (changed & MAIN) events.push({ t, id, type: buttons & MAIN ? "down" : ends ? "cancel" : "up", x, y });
  else if (buttons & MAIN) events.push({ t, id, type: "move", x, y });
  else if (sample.type === "move" && (sample.dx !== 0 || sample.dy !== 0)) events.push({ t, type: "mouse", dx: sample.dx, dy: sample.dy });
  BUTTON_OF_BIT.forEach((button, bit) => {
    if (bit > 0 && changed & (1 << bit)) events.push({ t, type: "mouse", button, down: (buttons & (1 << bit)) !== 0 });
  });
  return { buttons, events };
}
