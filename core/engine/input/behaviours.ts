/** The table of behaviours: the only place of the engine that lists the kinds of controls. */
import type { ControlKind } from "../types";
import type { Behaviour } from "./behaviour";
import { button, type ButtonState } from "./button";
import { dial, type DialState } from "./dial";
import { dpad, type DpadState } from "./dpad";
import type { PortReading } from "./ports";
import type { ReadyAny } from "./ready";
import { stick, type StickState } from "./stick";
import { swipe, type SwipeState } from "./swipe";
import { touchpad, type TouchpadState } from "./touchpad";

/** The state of one control: plain data. */
export type ControlState = StickState | DpadState | ButtonState | TouchpadState | SwipeState | DialState;

/**
 * The behaviour of a kind. It may be given any state and control of this kind: a state and its control have the same index in one setup. A switch
 * is a table that the compiler checks for completeness, and faster than a lookup by name.
 */
export function behaviourOf(kind: ControlKind): Behaviour<ReadyAny, ControlState> {
  switch (kind) {
    case "stick":
      return stick;
    case "dpad":
      return dpad;
    case "button":
      return button;
    case "touchpad":
      return touchpad;
    case "swipe":
      return swipe;
    case "dial":
      return dial;
  }
}

/** The values of a control at a tick, ms. */
export const readControl = (state: ControlState, control: ReadyAny, tickTime: number): PortReading => behaviourOf(state.kind).read(state, control, tickTime);

/** Whether nothing of a control would change at a tick without events: no touch, nothing pending. A latch may be on. */
export const isIdle = (state: ControlState): boolean => behaviourOf(state.kind).isIdle(state);

/** A copy of a state that shares nothing that is changed in place. */
export const copyControl = (state: ControlState): ControlState => behaviourOf(state.kind).copy(state);
