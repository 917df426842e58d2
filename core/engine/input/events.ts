/**
 * What happens to a game's input, with its time in ms. Points are screen px; a pad event is a snapshot of the whole pad (W3C standard
 * mapping; what is missing is 0). `moment` null: none, every control shown. `control`: the game hides one control or shows it again,
 * whatever `off` and `on` say of all of them.
 */

/** What a touch does. `cancel`: it is taken away, which fires nothing. */
export type TouchEventType = "down" | "move" | "up" | "cancel";
/** A touch: time in ms, the id that reports it from others while it is down, its point in screen px. A down of an id that is down cancels it first; the rest of an unknown id is ignored. */
export interface TouchInput {
  readonly t: number;
  readonly id: number;
  readonly type: TouchEventType;
  readonly x: number;
  readonly y: number;
}
/** Whatever may happen, in order of time `t`, ms. `code`: KeyboardEvent.code; `button`: PointerEvent.button; `dx`, `dy`: CSS px, y down; pad buttons 0…1, axes −1…1 (clamped). */
export type InputEvent =
  | TouchInput
  | { readonly t: number; readonly type: "key"; readonly code: string; readonly down: boolean }
  | { readonly t: number; readonly type: "mouse"; readonly button: number; readonly down: boolean }
  | { readonly t: number; readonly type: "mouse"; readonly dx: number; readonly dy: number }
  | { readonly t: number; readonly type: "pad"; readonly buttons: readonly number[]; readonly axes: readonly number[] }
  | { readonly t: number; readonly type: "moment"; readonly moment: string | null }
  | { readonly t: number; readonly type: "control"; readonly id: string; readonly shown: boolean }
  | { readonly t: number; readonly type: "off" | "on" | "blur" };

/** What an action gives at a tick: press true/false, axis −1…1, vector and motion x (right) and y (up), delta a number without bounds. */
export type ActionValue = boolean | number | readonly [number, number];
/** The value of every action of the layout, by its name. */
export type ActionValues = Readonly<Record<string, ActionValue>>;

/** A touch as a control sees it: which, where (px), when (ms). */
export interface Contact {
  readonly touch: number;
  readonly x: number;
  readonly y: number;
  readonly t: number;
}
