/**
 * Transfers the input state to a changed layout: each part of the state belongs to a control, an action or a repeat, and follows it by
 * name and kind, never by index.
 */
import { RESTING_REPEAT } from "./combine";
import { behaviourOf, type ControlState } from "./behaviours";
import type { InputSetup } from "./setup";
import { workingCopy, type InputState } from "./inputState";

/**
 * Returns the state of `before` for `after`. A control continues if id and kind are the same, smoothing if action name and kind are the
 * same, a repeat if control, port and action are the same. Everything else starts at rest; touches on removed controls are cancelled.
 * A latch continues only if the button still latches.
 */
export function carryOver(before: InputSetup, state: InputState, after: InputSetup): InputState {
  const next = workingCopy(state);
  const controlsBefore = new Map(before.controls.map((control, i) => [control.id, i]));
  const indexAfter = new Map<number, number>();
  next.controls = after.controls.map((control, i): ControlState => {
    const was = controlsBefore.get(control.id);
    const behaviour = behaviourOf(control.kind);
    if (was === undefined || before.controls[was].kind !== control.kind) return behaviour.rest();
    indexAfter.set(was, i);
    return behaviour.carry(state.controls[was], control);
  });
  for (const touch of next.touches) touch.contains = touch.contains.flatMap((i) => indexAfter.get(i) ?? []);
  const actionsBefore = new Map(before.actions.map((sources, i) => [sources.action.name, i]));
  next.smoothed = after.actions.map((sources) => {
    const was = actionsBefore.get(sources.action.name);
    const same = was !== undefined && sources.smooth && before.actions[was].smooth && before.actions[was].kind === sources.kind;
    return same ? { ...state.smoothed[was] } : { x: 0, y: 0 };
  });
  const repeatsBefore = new Map(before.repeats.map((name, i) => [name, state.repeats[i]]));
  next.repeats = after.repeats.map((name) => repeatsBefore.get(name) ?? RESTING_REPEAT);
  return next;
}
