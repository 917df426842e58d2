/**
 * What happens to a game's input, with its time in ms. Points are screen px; a pad event is a snapshot of the whole pad (W3C standard
 * mapping; what is missing is 0). `moment` null: none, every control shown. `control`: the game hides one control or shows it again,
 * whatever `off` and `on` say of all of them.
 */
export type TouchEventType = "down" | "move" | "up" | "cancel";
export interface TouchInput {
  readonly t: number;
  readonly id: number;
  readonly type: TouchEventType;
  readonly x: number;
  readonly y: number;
}
export type InputEvent =
  | TouchInput
  | { readonly t: number; readonly type: "key"; readonly code: string; readonly down: boolean }
  | { readonly t: number; readonly type: "mouse"; readonly button: number; readonly down: boolean }
  | { readonly t: number; readonly type: "mouse"; readonly dx: number; readonly dy: number }
  | { readonly t: number; readonly type: "pad"; readonly buttons: readonly number[]; readonly axes: readonly number[] }
  | { readonly t: number; readonly type: "moment"; readonly moment: string | null }
  | { readonly t: number; readonly type: "control"; readonly id: string; readonly shown: boolean }
  | { readonly t: number; readonly type: "off" | "on" | "blur" };

/** What an action gives at a tick: press true/false, axis −1…1, vector and motion x (right) and y (up). */
export type ActionValue = boolean | number | readonly [number, number];
export type ActionValues = Readonly<Record<string, ActionValue>>;

/** A touch as a control sees it: which, where (px), when (ms). */
export interface Contact {
  readonly touch: number;
  readonly x: number;
  readonly y: number;
  readonly t: number;
}
