/**
 * The step function: events since the last tick in, the value of every action out (model.md section 2).
 * Pure: no clock, no random number, no global; the state is plain data.
 */
import { TIME_SLACK } from "../geometry/tolerances";
import type { Resolved } from "../placement/resolve";
import type { PlayedLayout } from "../types";
import { actionValue, emptyGroups, type Groups, type RepeatState } from "./combine";
import { hardwareBlur, hardwareEvent, commitHardwareTick, restingHardware, type HardwareState } from "./hardwareInput";
import type { ActionValue, ActionValues, InputEvent } from "./events";
import { behaviourOf } from "./behaviours";
import { AT_REST, type PortReading } from "./ports";
import { prepareInput, type InputSetup, type TouchSource } from "./setup";
import { initialState, workingCopy, type InputState } from "./inputState";
import { cancelAll, dropPending, isShown, letGoOfHidden, touchEvent } from "./touches";

/** The result of a step: the next state, and all action values in file order. */
export interface Step {
  readonly state: InputState;
  readonly values: ActionValues;
}

/** Reusable buffers of a tick, so that frames allocate nothing. */
export interface TickRoom {
  readonly inputs: { readings: PortReading[]; hardware: HardwareState; repeats: RepeatState[]; readonly groups: Groups };
  readonly tick: { time: number; ms: number };
}

/** Creates the buffers for one state. */
export function tickRoom(): TickRoom {
  return { inputs: { readings: [], hardware: restingHardware(), repeats: [], groups: emptyGroups() }, tick: { time: 0, ms: 0 } };
}

/** One tick at `tickTime` ms. Handles the events in order; all must be due (t ≤ tickTime). Does not change the given state. */
export function advance(setup: InputSetup, state: InputState, events: readonly InputEvent[], tickTime: number): Step {
  const next = workingCopy(state);
  return { values: advanceInPlace(setup, next, { events, tickTime, room: tickRoom() }), state: next };
}

/** The same in place, for a state from `workingCopy`; returns all action values. */
export function advanceInPlace(
  setup: InputSetup,
  state: InputState,
  { events, tickTime, room }: { readonly events: readonly InputEvent[]; readonly tickTime: number; readonly room: TickRoom },
): ActionValues {
  for (let i = 0; i < events.length; i += 1) applyEvent(setup, state, events[i]);
  const { inputs, tick } = room;
  [tick.time, tick.ms] = [tickTime, tickTime - state.time];
  readAll(setup, state, { tickTime, into: inputs.readings });
  inputs.hardware = state.hardware;
  inputs.repeats = state.repeats;
  // If everything is at rest, the shared values at rest are returned.
  let values: Record<string, ActionValue> | null = null;
  for (let i = 0; i < setup.actions.length; i += 1) {
    const sources = setup.actions[i];
    if (sources.plain && allAtRest(sources.touch, inputs.readings)) continue;
    if (sources.smooth) state.smoothed[i] = { x: state.smoothed[i].x, y: state.smoothed[i].y };
    const value = actionValue(sources, inputs, state.smoothed[i], tick);
    const { name } = sources.action;
    if (values === null && isAtRest(value)) continue;
    values ??= { ...setup.atRest };
    values[name] = value;
  }
  commitHardwareTick(state.hardware);
  state.time = tickTime;
  return values ?? setup.atRest;
}

const isAtRest = (value: ActionValue): boolean => (typeof value === "object" ? value[0] === 0 && value[1] === 0 : !value);

function allAtRest(touch: readonly TouchSource[], readings: readonly PortReading[]): boolean {
  for (let i = 0; i < touch.length; i += 1) if (readings[touch[i].control] !== AT_REST) return false;
  return true;
}

/** Reads every control at a tick and consumes one-tick values. An idle control gives nothing, except what stays. */
function readAll(setup: InputSetup, state: InputState, { tickTime, into }: { readonly tickTime: number; readonly into: PortReading[] }): void {
  into.length = setup.controls.length;
  for (let i = 0; i < setup.controls.length; i += 1) {
    const control = setup.controls[i];
    const own = state.controls[i];
    const behaviour = behaviourOf(own.kind);
    const idle = behaviour.isIdle(own);
    const gives = !idle || behaviour.givesAtRest(own);
    into[i] = gives && isShown(state, control) ? behaviour.read(own, control, tickTime) : AT_REST;
    if (!idle) behaviour.commit(own, control, tickTime);
  }
}

/** Applies one event in place to a state from `workingCopy`, without a tick. */
export function applyEvent(setup: InputSetup, state: InputState, event: InputEvent): void {
  switch (event.type) {
    case "down":
    case "move":
    case "up":
    case "cancel":
      return touchEvent(setup, state, event);
    case "key":
    case "mouse":
    case "pad":
      return hardwareEvent(state.hardware, event);
    case "moment":
      state.moment = event.moment;
      return letGoOfHidden(setup, state);
    case "off":
    case "on":
      state.on = event.type === "on";
      return letGoOfHidden(setup, state);
    case "control":
      state.hidden = state.hidden.filter((id) => id !== event.id);
      if (!event.shown) state.hidden = [...state.hidden, event.id];
      return letGoOfHidden(setup, state);
    case "blur":
      cancelAll(setup, state);
      for (let i = 0; i < state.controls.length; i += 1) dropPending(state, i);
      return hardwareBlur(state.hardware);
  }
}

/** The time of tick n, n = 1, 2, …, in ms. */
export function tickTime(n: number, hz: number): number {
  return (n * 1000) / hz;
}

/** A frame of a replay. */
export interface TickOutput {
  readonly t: number;
  readonly values: ActionValues;
}

/** Options of a replay: ticks per second, and the first moment (null: all controls). */
export interface Replay {
  readonly hz: number;
  readonly moment?: string | null;
}

/** The input of a tick: events with times from tick 0 (ms), and the state before. */
export interface TickInput {
  readonly events: readonly InputEvent[];
  readonly before: InputState;
}
/** A tick of a replay: input, state after it, and values. */
export interface TickStep extends TickOutput, TickInput {
  readonly state: InputState;
}

/**
 * Plays a trace (events in time order) tick by tick, consuming events lazily: up to the first tick at or after the last event, plus
 * one; two ticks without events.
 */
export function* replaySteps(setup: InputSetup, events: Iterable<InputEvent>, moment: string | null = null): Generator<TickStep> {
  const source = events[Symbol.iterator]();
  let state = initialState(setup, moment);
  let next = source.next();
  let end = 0;
  let closing = false;
  for (let n = 1; ; n += 1) {
    const t = tickTime(n, setup.hz);
    const due: InputEvent[] = [];
    for (; !next.done && next.value.t <= t + TIME_SLACK; next = source.next()) {
      due.push(next.value);
      end = next.value.t;
    }
    const before = state;
    const step = advance(setup, state, due, t);
    state = step.state;
    yield { t, values: step.values, events: due, before, state };
    if (closing) return;
    closing = next.done === true && t >= end - TIME_SLACK;
  }
}

/** Yields the frames of a trace, one per tick. */
export function* replayTicks(layout: PlayedLayout, resolved: Resolved, events: Iterable<InputEvent>, { hz, moment = null }: Replay): Generator<TickOutput> {
  for (const { t, values } of replaySteps(prepareInput(layout, resolved, hz), events, moment)) yield { t, values };
}

/** All frames of a trace at once. @internal exported for its test */
export function replay(layout: PlayedLayout, resolved: Resolved, events: readonly InputEvent[], how: Replay): TickOutput[] {
  return [...replayTicks(layout, resolved, events, how)];
}
