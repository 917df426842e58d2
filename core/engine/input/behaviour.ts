/** What every kind of control can do. Each kind implements it in its own file; behaviours.ts is the table of them. */
import type { Contact } from "./events";
import type { PortReading } from "./ports";

/**
 * How one kind of control reacts to touches. `C`: the control on a screen. `S`: its state, plain data that is changed in place. Points are
 * screen px, times ms. A touch that ends before any tick has seen it counts at the next tick; one that is cancelled does not.
 */
export interface Behaviour<C, S> {
  /** The state at rest. */
  rest(): S;
  /** A touch starts on the control; `slid`: it came from outside (buttons only). */
  begin(state: S, control: C, contact: Contact, slid: boolean): void;
  /** A touch of the control moves; returns whether the control lets it go. */
  move(state: S, control: C, contact: Contact): boolean;
  /** A touch of the control is lifted. */
  end(state: S, control: C, contact: Contact): void;
  /** A touch of the control is cancelled. */
  cancel(state: S, control: C, touch: number): void;
  /** The values at a tick. */
  read(state: S, control: C, tickTime: number): PortReading;
  /** After a tick has read it: its touches are seen, values for one tick are cleared. */
  commit(state: S, control: C, tickTime: number): void;
  /** Whether nothing would change at a tick without events. A latch may be on. */
  isIdle(state: S): boolean;
  /** Whether it gives something although it is idle: a latch that is on, a lever or a dial that was left away from its middle. */
  givesAtRest(state: S): boolean;
  /** It goes out of sight, or the window loses the keys: taps, releases and fires that ended touches left for the next tick are dropped. */
  drop(state: S): void;
  /** The touch that no other control may take, or null. */
  capturedBy(state: S): number | null;
  /** A copy that shares nothing that is changed in place. */
  copy(state: S): S;
  /** The state for the same control of a changed layout. */
  carry(state: S, control: C): S;
}
