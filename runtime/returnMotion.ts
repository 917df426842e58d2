/**
 * What goes on moving after a thumb has let go: the knob glides to the middle of its base, the base of a floating or trailing stick goes
 * home, stays, or goes home later, and what has long been untouched fades (model.md section 1, `look`). Only the drawing: nothing here
 * changes what is given or taken. Times are the engine's own, ms; the memory is reported what is drawn, frame by frame.
 */
import type { Point } from "../core/engine/geometry/point";
import { clampTo } from "../core/engine/geometry/point";
import type { Control } from "../core/engine/types";
import type { Pose } from "./art";

/** What is remembered of a control: when it was last held (or first seen), and how it then lay. */
interface Remembered {
  lastHeld: number;
  /** The pose it was let go in; the base as it lay from home, px. Null where it was not held since it was shown. */
  letGo: { x: number; y: number; fromHomeX: number; fromHomeY: number } | null;
}

export interface ReturnMotion {
  /** The pose in which a control is to be drawn at a time, from the one that the engine's state gives. `home`: the middle of its visual box, px. */
  pose(control: Control, pose: Pose, home: Point, timeMs: number): Pose;
  /** Forgets where a control was left: it has gone out of sight. */
  hide(id: string): void;
  /** The time from which on nothing would move any more without a touch, ms. */
  restsAt(): number;
}

/** How far a glide has come at a part of its time, 0…1: it starts fast and comes to rest. */
export function glide(part: number): number {
  return 1 - (1 - clampTo(part, 0, 1)) ** 3;
}

/** The part of a span of time that has passed; a span of no length is over. */
const passed = (sinceMs: number, lengthMs: number) => (lengthMs > 0 ? clampTo(sinceMs / lengthMs, 0, 1) : sinceMs >= 0 ? 1 : 0);

/** A memory of what was held, empty: a control counts as untouched from when it is first seen. */
export function createMotion(): ReturnMotion {
  const known = new Map<string, Remembered>();
  let rests = 0;
  const recall = (id: string, timeMs: number): Remembered => {
    let memory = known.get(id);
    // The engine's time begins again when a rehearsal does.
    if (memory === undefined || memory.lastHeld > timeMs) known.set(id, (memory = { lastHeld: timeMs, letGo: null }));
    return memory;
  };
  return {
    pose(control, pose, home, timeMs) {
      const memory = recall(control.id, timeMs);
      if (pose.held) {
        memory.lastHeld = timeMs;
        const base = control.kind === "stick" ? (pose.origin ?? home) : home;
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
      if (control.kind !== "stick" || memory.letGo === null) return faded;
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
