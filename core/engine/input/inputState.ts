/** The state between two ticks: plain data, to be copied, stored and compared. */
import { restingHardware, type HardwareState } from "./hardwareInput";
import { RESTING_REPEAT, type RepeatState } from "./combine";
import { behaviourOf, copyControl, isIdle, type ControlState } from "./behaviours";
import type { InputSetup } from "./setup";

/** A touch on the glass: its last point (px) and the controls it holds, by index. */
export interface TouchState {
  id: number;
  x: number;
  y: number;
  contains: number[];
}

/** All that a tick hands to the next. `controls` and `repeats` are at the indices of the setup's, `given` at those of its actions. */
export interface InputState {
  /** The time of the last tick, ms. */
  time: number;
  moment: string | null;
  /** Whether the touch controls are shown at all. */
  on: boolean;
  /** The ids of the controls that the game has hidden one by one. */
  hidden: readonly string[];
  touches: TouchState[];
  controls: ControlState[];
  hardware: HardwareState;
  repeats: RepeatState[];
  /** The given value of each action, for smoothing. */
  smoothed: { x: number; y: number }[];
}

/** Before the first tick: nothing touched, every control shown (or those of `moment`). */
export function initialState(setup: InputSetup, moment: string | null = null): InputState {
  return {
    time: 0,
    moment,
    on: true,
    hidden: [],
    touches: [],
    controls: setup.controls.map((control) => behaviourOf(control.kind).rest()),
    hardware: restingHardware(),
    repeats: setup.repeats.map(() => RESTING_REPEAT),
    smoothed: setup.actions.map(() => ({ x: 0, y: 0 })),
  };
}

/**
 * A copy to be worked on: what every tick changes in place is copied, and so are the controls that are not idle.
 * The given values of smoothed actions are replaced, not changed.
 * Idle controls are shared; whoever takes a touch for one copies it first (`ownControl`).
 */
export function workingCopy(state: InputState): InputState {
  const { hardware } = state;
  return {
    time: state.time,
    moment: state.moment,
    on: state.on,
    hidden: state.hidden,
    touches: state.touches.map((touch) => ({ id: touch.id, x: touch.x, y: touch.y, contains: touch.contains.slice() })),
    controls: state.controls.map((control) => (isIdle(control) ? control : copyControl(control))),
    hardware: {
      down: hardware.down.map((held) => ({ code: held.code, seen: held.seen })),
      taps: hardware.taps,
      dx: hardware.dx,
      dy: hardware.dy,
      pad: hardware.pad,
    },
    repeats: state.repeats.slice(),
    smoothed: state.smoothed.slice(),
  };
}

/** Makes a control's state your own before it is changed. */
export function ownControl(state: InputState, index: number): ControlState {
  return (state.controls[index] = copyControl(state.controls[index]));
}
