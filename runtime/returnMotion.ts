/**
 * Animates controls after release: the knob returns to the middle of its base, the base of a floating or trailing stick returns, stays or
 * returns later, and unused controls fade. It affects only the drawing, not values or touches. Times are engine times, ms. Pass every
 * drawn frame, in order.
 */
import { KINDS } from "../core/engine/kinds";
import type { Point } from "../core/engine/geometry/point";
import { clampTo } from "../core/engine/geometry/point";
import type { Control } from "../core/engine/types";
import type { Pose } from "./draw/drawn";

/** The state of a control: when it was last held (or first seen), and its pose then. */
interface Remembered {
  lastHeld: number;
  /** The pose at release, with the base relative to its home, px. Null if it was not held since it became visible. */
  letGo: { x: number; y: number; fromHomeX: number; fromHomeY: number } | null;
}

export interface ReturnMotion {
  /** Returns the pose to draw at a time, from the engine's pose. `home`: the middle of the visual box, px. */
  pose(control: Control, pose: Pose, home: Point, timeMs: number): Pose;
  /** Forgets the release pose of a control that became hidden. */
  hide(id: string): void;
  /** The time from which nothing moves without a touch, ms. */
  restsAt(): number;
}

/** Returns the progress of the return animation, 0…1, with ease-out. */
export function glide(part: number): number {
  return 1 - (1 - clampTo(part, 0, 1)) ** 3;
}

/** Returns the elapsed fraction of a duration; 1 for a duration of 0. */
const passed = (sinceMs: number, lengthMs: number) => (lengthMs > 0 ? clampTo(sinceMs / lengthMs, 0, 1) : sinceMs >= 0 ? 1 : 0);

/** Creates an empty state: a control counts as unused from the time it is first drawn. */
export function createMotion(): ReturnMotion {
  const known = new Map<string, Remembered>();
  let rests = 0;
  const recall = (id: string, timeMs: number): Remembered => {
    let memory = known.get(id);
    // Engine time restarts with each rehearsal.
    if (memory === undefined || memory.lastHeld > timeMs) known.set(id, (memory = { lastHeld: timeMs, letGo: null }));
    return memory;
  };
  return {
    pose(control, pose, home, timeMs) {
      const memory = recall(control.id, timeMs);
      if (pose.held) {
        memory.lastHeld = timeMs;
        const base = KINDS[control.kind].hasKnob ? (pose.origin ?? home) : home;
        const letGo = (memory.letGo ??= { x: 0, y: 0, fromHomeX: 0, fromHomeY: 0 });
        letGo.x = pose.x;
        letGo.y = pose.y;
        letGo.fromHomeX = base.x - home.x;
        letGo.fromHomeY = base.y - home.y;
        return pose;
      }
      const since = timeMs - memory.lastHeld;
      const { look } = control;
      rests = Math.max(rests, memory.lastHeld + (look.away ? look.away.afterMs + look.away.fadeMs : 0));
      const away = look.away ? passed(since - look.away.afterMs, look.away.fadeMs) : 0;
      const faded = away > 0 ? { ...pose, away } : pose;
      const staysPut = control.kind === "stick" && control.feel.rest === "stays";
      if (!KINDS[control.kind].hasKnob || staysPut || memory.letGo === null) return faded;
      const { x, y, fromHomeX, fromHomeY } = memory.letGo;
      const waits = look.home === "later" ? look.homeAfterMs : 0;
      rests = Math.max(rests, memory.lastHeld + waits + look.returnMs);
      const knob = 1 - glide(passed(since, look.returnMs));
      const off = look.home === "stay" ? 1 : 1 - glide(passed(since - waits, look.returnMs));
      if (knob === 0 && off === 0) return faded;
      return { ...faded, x: x * knob, y: y * knob, origin: { x: home.x + fromHomeX * off, y: home.y + fromHomeY * off } };
    },
    hide(id) {
      const memory = known.get(id);
      if (memory) memory.letGo = null;
    },
    restsAt: () => rests,
  };
}
