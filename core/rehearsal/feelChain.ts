/**
 * The chain of one control while it is played: what the thumb does, what the feel leaves of it, what the actions get, and what an eased
 * action is still on its way to. Everything is read from the state after a tick.
 */
import { advance } from "../engine/input/advance";
import type { ActionValue, ActionValues } from "../engine/input/events";
import type { Point } from "../engine/geometry/point";
import { behaviourOf, isIdle, readControl, type ControlState } from "../engine/input/behaviours";
import type { Ready, ReadyAny } from "../engine/input/ready";
import type { InputSetup } from "../engine/input/setup";
import type { InputState } from "../engine/input/inputState";
import { dialTurn } from "../engine/input/dial";
import { deflection } from "../engine/input/stick";
import { ownEntry } from "../engine/playerChanges";
import type { ControlKind } from "../engine/types";
import type { PlayedState } from "./traceLog";

/** What the thumb does on a control of each kind, and what becomes of it; null where nobody touches it. Directions in degrees, counter-clockwise from right. */
export type ChainStep =
  /** `raw`: the deflection in travels, y up, its length 0…1; `argument`: how far between the two dead zones, 0…1; `gives`: the length of its vector, 0…1. */
  | {
      readonly kind: "stick";
      readonly raw: { readonly x: number; readonly y: number; readonly length: number };
      readonly argument: number;
      readonly gives: number;
    }
  /** `raw`: where the thumb is about the middle, in halves of the shorter side, y up; null direction: neutral. */
  | { readonly kind: "dpad"; readonly raw: { readonly x: number; readonly y: number }; readonly directionDeg: number | null }
  /** `heldMs`: how long the press has lasted; `isSecond`: it is the second of a double. */
  | { readonly kind: "button"; readonly heldMs: number; readonly isSecond: boolean }
  | { readonly kind: "touchpad" }
  /** `wayMm`: how far the thumb has gone from where it is measured, mm, y up; `firedDeg`: where its last fire went. */
  | { readonly kind: "swipe"; readonly wayMm: { readonly x: number; readonly y: number }; readonly firedDeg: number | null }
  /** `turnDeg`: how far it is turned, clockwise positive; `part`: of half its range, −1…1; `gives`: its value, −1…1. */
  | { readonly kind: "dial"; readonly turnDeg: number; readonly part: number; readonly gives: number };

/** What an action gets: `value` it has; `toward`: what it is on its way to, where it eases and is not there yet. */
export interface ActionState {
  readonly name: string;
  readonly value: ActionValue | undefined;
  readonly toward: ActionValue | null;
}
export interface FeelState {
  readonly step: ChainStep | null;
  /** It gives something although nobody touches it: a latch that is on, a lever or dial that was left so. */
  readonly isLatched: boolean;
  /** The actions that it serves, each once, in the order of the file. */
  readonly actions: readonly ActionState[];
}

/** Where a length of deflection lies between the two dead zones, 0…1. Dead zones that meet leave nothing between: all or nothing. */
export function afterDeadZone(length: number, inner: number, outer: number): number {
  if (length <= inner) return 0;
  return length >= outer || outer <= inner ? 1 : (length - inner) / (outer - inner);
}

const RAD = 180 / Math.PI;
const degrees = (x: number, y: number) => (Math.atan2(y, x) * RAD + 360) % 360;

/** What a step is read from: `touchOf` gives where a touch is. */
interface StepSource<R> {
  readonly ready: R;
  readonly time: number;
  readonly touchOf: (id: number) => Point | undefined;
}
type StateOf<K extends ControlKind> = Extract<ControlState, { kind: K }>;
// A method, so that the step of a stick is the step of a control: a state and its control are of one kind.
type StepOf<S, R> = { step(state: S, source: StepSource<R>): ChainStep | null }["step"];

/** The step of each kind, by its state. */
const STEPS: { readonly [K in ControlKind]: StepOf<StateOf<K>, Ready<K>> } = {
  stick({ held }, { ready }) {
    if (!held) return null;
    const [x, y] = deflection(held, ready);
    const length = Math.hypot(x, y);
    const { inner, outer } = ready.feel;
    return { kind: "stick", raw: { x, y, length }, argument: afterDeadZone(length, inner, outer), gives: Math.hypot(held.vx, held.vy) };
  },
  dpad({ held }, { ready, touchOf }) {
    const touch = held && touchOf(held.touch);
    if (!held || !touch) return null;
    const half = Math.max(1e-9, Math.min(ready.visual.w, ready.visual.h) / 2);
    const raw = { x: (touch.x - ready.centre.x) / half, y: (ready.centre.y - touch.y) / half };
    return { kind: "dpad", raw, directionDeg: held.direction === null ? null : held.direction * 45 };
  },
  button({ press }, { ready, time }) {
    return press && { kind: "button", heldMs: time - press.start, isSecond: press.double && ready.feel.press === "double" };
  },
  touchpad: ({ held }) => held && { kind: "touchpad" },
  swipe({ held }, { ready, touchOf }) {
    const touch = held && touchOf(held.touch);
    if (!held || !touch) return null;
    const wayMm = { x: (touch.x - held.start.x) / ready.mmPx, y: (held.start.y - touch.y) / ready.mmPx };
    return { kind: "swipe", wayMm, firedDeg: held.fire && degrees(held.fire.x, held.fire.y) };
  },
  dial(state, { ready, time }) {
    const turnDeg = dialTurn(state);
    return { kind: "dial", turnDeg, part: turnDeg / (ready.feel.rangeDeg / 2), gives: readControl(state, ready, time).x };
  },
};

function stepOf(state: InputState, index: number, ready: ReadyAny): ChainStep | null {
  const control = state.controls[index];
  const step: StepOf<ControlState, ReadyAny> = STEPS[control.kind];
  return step(control, { ready, time: state.time, touchOf: (id) => state.touches.find((t) => t.id === id) });
}

const asText = (value: ActionValue | undefined) => JSON.stringify(value);

/** What every action would have by now without easing. It is asked of the engine itself, at the time of the last tick and with no event. */
function withoutEasing(setup: InputSetup, state: InputState): ActionValues {
  const actions = setup.actions.map((a) => (a.smooth ? { ...a, smooth: false } : a));
  return advance({ ...setup, actions }, state, [], state.time).values;
}

/** Reads the chain of a control after a tick; null where what is played has no such control. `values`: what the tick gave. */
export function readFeel({ setup, state }: PlayedState, id: string, values: ActionValues): FeelState | null {
  const index = setup.controls.findIndex((c) => c.id === id);
  if (index < 0) return null;
  const served = setup.actions.filter((a) => a.touch.some((source) => source.control === index));
  const eased = served.some((a) => a.smooth) ? withoutEasing(setup, state) : null;
  const control = state.controls[index];
  const actions = served.map(({ action: { name }, smooth }): ActionState => {
    const value = ownEntry(values, name);
    const goal = smooth && eased ? ownEntry(eased, name) : undefined;
    return { name, value, toward: goal !== undefined && asText(goal) !== asText(value) ? goal : null };
  });
  return { step: isIdle(control) ? null : stepOf(state, index, setup.controls[index]), isLatched: behaviourOf(control.kind).givesAtRest(control), actions };
}
