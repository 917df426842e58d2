/**
 * Touch events without our fingers. A browser reports the same finger twice, as a pointer and as a touch, under two numbers that have nothing to
 * do with each other. A pointer comes down just before its touch does, at the same place: so a touch that starts belongs to the nearest pointer
 * that waits for one.
 *
 * A touch event lists fingers of ours next to those of the game. The game gets the same event with our fingers omitted, or none.
 */
import type { Point } from "../../core/engine/geometry/point";

/** A pointer that has come down and whose touch has not started yet. */
interface Waiting extends Point {
  readonly pointerId: number;
  readonly isOurs: boolean;
}

/** As much of a touch and of an event as it takes. */
export interface OneTouch {
  readonly identifier: number;
  readonly clientX: number;
  readonly clientY: number;
}
export interface TouchLists<T extends OneTouch = OneTouch> {
  readonly type: string;
  readonly touches: ArrayLike<T>;
  readonly targetTouches: ArrayLike<T>;
  readonly changedTouches: ArrayLike<T>;
}

/** What becomes of a touch event: the game gets it as it is, not at all, or with these lists. */
export type Sifted<T extends OneTouch> = "all" | "none" | Pick<TouchLists<T>, "touches" | "targetTouches" | "changedTouches">;

export interface TouchSieve {
  /** A pointer of a finger has come down: ours, or the game's. */
  down(pointerId: number, at: Point, isOurs: boolean): void;
  /** A pointer has gone. */
  gone(pointerId: number): void;
  /** Whether fingers of ours are known to be down. */
  holds(): boolean;
  /** What becomes of a touch event. Every touch event must be given, in order. */
  sift<T extends OneTouch>(event: TouchLists<T>): Sifted<T>;
}

export function createTouchSieve(): TouchSieve {
  let waiting: Waiting[] = [];
  const ours = new Set<number>();
  const start = ({ identifier, clientX, clientY }: OneTouch) => {
    ours.delete(identifier);
    let nearest: Waiting | null = null;
    const distance = ({ x, y }: Point) => Math.hypot(x - clientX, y - clientY);
    for (const one of waiting) if (nearest === null || distance(one) < distance(nearest)) nearest = one;
    if (nearest === null) return;
    waiting = waiting.filter((one) => one !== nearest);
    if (nearest.isOurs) ours.add(identifier);
  };
  const isAllOurs = (list: ArrayLike<OneTouch>): boolean => {
    for (let i = 0; i < list.length; i += 1) if (!ours.has(list[i].identifier)) return false;
    return true;
  };
  return {
    down(pointerId, { x, y }, isOurs) {
      waiting.push({ pointerId, x, y, isOurs });
    },
    gone(pointerId) {
      waiting = waiting.filter((one) => one.pointerId !== pointerId);
    },
    holds: () => ours.size > 0,
    sift<T extends OneTouch>(event: TouchLists<T>): Sifted<T> {
      const { type, changedTouches } = event;
      if (type === "touchstart") for (let i = 0; i < changedTouches.length; i += 1) start(changedTouches[i]);
      if (ours.size === 0) return "all";
      // The commonest of all: our fingers alone move.
      if (type === "touchmove" && isAllOurs(changedTouches)) return "none";
      const changed = Array.from(changedTouches);
      const theirs = (list: ArrayLike<T>) => Array.from(list).filter(({ identifier }) => !ours.has(identifier));
      const left = { touches: theirs(event.touches), targetTouches: theirs(event.targetTouches), changedTouches: theirs(event.changedTouches) };
      const isUntouched = left.touches.length === event.touches.length && left.changedTouches.length === changed.length;
      if (type === "touchend" || type === "touchcancel") for (const { identifier } of changed) ours.delete(identifier);
      return isUntouched ? "all" : left.changedTouches.length === 0 ? "none" : left;
    },
  };
}
