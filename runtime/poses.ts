/** What a playing control shows, read from the engine's state. */
import { deflection } from "../core/engine/input/stick";
import type { InputSetup } from "../core/engine/input/setup";
import type { InputState } from "../core/engine/input/state";
import { isShown } from "../core/engine/input/touches";
import { readControl } from "../core/engine/input/kinds";
import type { ReadyStick } from "../core/engine/input/ready";
import type { PlayedLayout } from "../core/engine/types";
import type { Resolved } from "../core/engine/placement/resolve";
import { POSE_AT_REST, type Drawn, type Pose } from "./art";
import type { Motion } from "./motion";

/** What is played: a layout, where it stands, and the engine's state of it. */
export interface Played {
  readonly layout: Pick<PlayedLayout, "controls">;
  readonly resolved: Resolved;
  readonly setup: InputSetup;
  readonly state: InputState;
}

/** Every shown control with its pose, in drawing order; with a memory of touches also what goes on moving after them. */
export function drawnControls({ layout, resolved, setup, state }: Played, motion?: Motion): Drawn[] {
  const byId = new Map(layout.controls.map((c) => [c.id, c]));
  return resolved.controls.flatMap((at, i) => {
    const control = byId.get(at.id);
    if (!control) return [];
    if (!isShown(state, setup.controls[i])) {
      motion?.hide(at.id);
      return [];
    }
    const pose = poseOf(setup, state, i);
    const drawn = motion ? motion.pose(control, pose, setup.controls[i].centre, state.time) : pose;
    return [{ control, box: at.visual, travel: at.travel ?? 0, pose: drawn }];
  });
}

function poseOf(setup: InputSetup, state: InputState, index: number): Pose {
  const ready = setup.controls[index];
  const control = state.controls[index];
  switch (control.kind) {
    case "stick": {
      if (!control.held) return POSE_AT_REST;
      const [x, y] = deflection(control.held, ready as ReadyStick);
      return { held: true, x, y, origin: { x: control.held.originX, y: control.held.originY } };
    }
    case "button":
      return control.press !== null || control.latched ? { held: true, x: 0, y: 0 } : POSE_AT_REST;
    case "dpad":
    case "swipe":
    case "touchpad": {
      const reading = readControl(control, ready, state.time);
      return control.held ? { held: true, x: reading.vx, y: reading.vy } : POSE_AT_REST;
    }
  }
}
