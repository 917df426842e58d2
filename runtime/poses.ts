/** What a playing control shows, read from the engine's state. */
import { deflection } from "../core/input/stick";
import type { InputSetup } from "../core/input/setup";
import type { InputState } from "../core/input/state";
import { isShown } from "../core/input/touches";
import { readControl } from "../core/input/kinds";
import type { ReadyStick } from "../core/input/ready";
import type { Layout } from "../core/layout/types";
import type { Resolved } from "../core/placement/resolve";
import { POSE_AT_REST, type Drawn, type Pose } from "./art";

/** Remembers when each control was last held, by the engine's own time, ms. */
export interface Away {
  lastHeld(id: string, held: boolean, timeMs: number): number;
}

/** A memory of touches, empty: a control counts as untouched from when it is first seen. */
export function createAway(): Away {
  const times = new Map<string, number>();
  return {
    lastHeld(id, held, timeMs) {
      const known = times.get(id);
      // The engine's time begins anew when a rehearsal does.
      if (held || known === undefined || known > timeMs) times.set(id, timeMs);
      return times.get(id)!;
    },
  };
}

/** Every shown control with its pose, in drawing order. With a memory of touches, what has long been untouched has its look for that. */
export function drawnControls(layout: Layout, resolved: Resolved, setup: InputSetup, state: InputState, away?: Away): Drawn[] {
  const byId = new Map(layout.controls.map((c) => [c.id, c]));
  return resolved.controls.flatMap((at, i) => {
    const control = byId.get(at.id);
    if (!control || !isShown(state, setup.controls[i])) return [];
    const pose = poseOf(setup, state, i);
    const gone = away && control.look.away && state.time - away.lastHeld(at.id, pose.held, state.time) >= control.look.away.afterMs;
    return [{ control, box: at.visual, travel: at.travel ?? 0, pose: gone && !pose.held ? { ...pose, away: true } : pose }];
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
