/** What a playing control shows, read from the engine's state. */
import { dialTurn } from "../core/engine/input/dial";
import { deflection } from "../core/engine/input/stick";
import type { InputSetup } from "../core/engine/input/setup";
import type { InputState } from "../core/engine/input/inputState";
import { isShown } from "../core/engine/input/touches";
import { readControl, type ControlState } from "../core/engine/input/behaviours";
import type { Ready, ReadyAny } from "../core/engine/input/ready";
import type { Control, ControlKind, PlayedLayout } from "../core/engine/types";
import type { Resolved } from "../core/engine/placement/resolve";
import { POSE_AT_REST, type DrawnControl, type Pose } from "./draw/drawn";
import type { ReturnMotion } from "./returnMotion";

/** What is played: a layout, where it is, and the engine's state of it. */
export interface PlayedState {
  readonly layout: Pick<PlayedLayout, "controls">;
  readonly resolved: Resolved;
  readonly setup: InputSetup;
  readonly state: InputState;
}

/** Every shown control with its pose, in drawing order; with a memory of touches also what goes on moving after them. */
export function drawnControls(played: PlayedState, motion?: ReturnMotion): readonly DrawnControl[] {
  return createDrawnControls(motion)(played);
}

/**
 * The same for picture after picture: what has not changed since the last one is the very same object, and where nothing has the list is the very
 * same list. So whoever draws sees at once what to draw again, and a picture in which nothing moves leaves nothing to be collected.
 */
export function createDrawnControls(motion?: ReturnMotion): (played: PlayedState) => readonly DrawnControl[] {
  let from: readonly Control[] = [];
  let byId: ReadonlyMap<string, Control> = new Map();
  let last: readonly DrawnControl[] = [];
  return ({ layout, resolved, setup, state }) => {
    if (layout.controls !== from) {
      from = layout.controls;
      byId = new Map(from.map((control) => [control.id, control]));
    }
    let next: DrawnControl[] | null = null;
    let count = 0;
    for (let i = 0; i < resolved.controls.length; i += 1) {
      const at = resolved.controls[i];
      const control = byId.get(at.id);
      if (!control) continue;
      if (!isShown(state, setup.controls[i])) {
        motion?.hide(at.id);
        continue;
      }
      const posed = poseOf(setup, state, i);
      const pose = motion ? motion.pose(control, posed, setup.controls[i].centre, state.time) : posed;
      const before = last[count] as DrawnControl | undefined;
      const travel = at.travel ?? 0;
      const isSame = before?.control === control && before.box === at.visual && before.travel === travel && samePose(before.pose, pose);
      if (!isSame && next === null) next = last.slice(0, count);
      next?.push(isSame ? before : { control, box: at.visual, travel, pose });
      count += 1;
    }
    if (next === null && count < last.length) next = last.slice(0, count);
    return (last = next ?? last);
  };
}

/** Whether two poses are drawn alike. */
function samePose(a: Pose, b: Pose): boolean {
  if (a === b) return true;
  const sameOrigin = a.origin?.x === b.origin?.x && a.origin?.y === b.origin?.y;
  return a.held === b.held && a.x === b.x && a.y === b.y && (a.away ?? 0) === (b.away ?? 0) && sameOrigin;
}

const poseOf = (setup: InputSetup, state: InputState, index: number): Pose => {
  const control = state.controls[index];
  const pose: PoseOf<ControlState, ReadyAny> = POSES[control.kind];
  return pose(control, setup.controls[index], state.time);
};

// A method, so that the pose of a stick is the pose of a control: state and control of one index are of one kind.
type PoseOf<S, R> = { pose(state: S, control: R, time: number): Pose }["pose"];
type StateOf<K extends ControlKind> = Extract<ControlState, { kind: K }>;

/** What a held control of directions gives, as its pose. */
function givenPose(state: StateOf<"dpad" | "swipe" | "touchpad">, control: ReadyAny, time: number): Pose {
  if (!state.held) return POSE_AT_REST;
  const { vx, vy } = readControl(state, control, time);
  return { held: true, x: vx, y: vy };
}

/** The pose of each kind, by its state. */
const POSES: { readonly [K in ControlKind]: PoseOf<StateOf<K>, Ready<K>> } = {
  stick({ held, place }, ready) {
    if (!held) return place.deflectionX === 0 && place.deflectionY === 0 ? POSE_AT_REST : { held: false, x: place.deflectionX, y: place.deflectionY };
    const [x, y] = deflection(held, ready);
    // The base of a lever stays where it is, however its knob was taken.
    return ready.feel.rest === "stays" ? { held: true, x, y } : { held: true, x, y, origin: { x: held.originX, y: held.originY } };
  },
  button: ({ press, latched }) => (press !== null || latched ? { held: true, x: 0, y: 0 } : POSE_AT_REST),
  dpad: givenPose,
  swipe: givenPose,
  touchpad: givenPose,
  dial: (state) => ({ held: state.held !== null, x: dialTurn(state), y: 0 }),
};
