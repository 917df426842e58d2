/** Whether controls are seen just now, and how strongly: coming and going with what is used. */
import { fadeToward, seenAfter, seenAtFirst, type Used } from "./appear";
import type { Appear } from "./handle";

export interface Seen {
  appear: Appear;
  readonly isSeen: () => boolean;
  used(what: Used): void;
  /** How strongly they are seen, as last asked, 0…1. */
  readonly strength: () => number;
  /** How strongly they are seen at a time, 0…1; it must be asked at every picture. */
  strengthAt(nowMs: number): number;
}

export function createSeen(appear: Appear): Seen {
  let isSeen = seenAtFirst(appear);
  let strength = isSeen ? 1 : 0;
  let askedAt: number | null = null;
  const reduced = matchMedia("(prefers-reduced-motion: reduce)");
  return {
    get appear() {
      return appear;
    },
    set appear(next) {
      appear = next;
      if (seenAtFirst(appear)) isSeen = true;
    },
    isSeen: () => isSeen,
    strength: () => strength,
    used: (what) => (isSeen = seenAfter(appear, isSeen, what)),
    strengthAt(nowMs) {
      strength = fadeToward(strength, isSeen, nowMs - (askedAt ?? nowMs), reduced.matches);
      askedAt = nowMs;
      return strength;
    },
  };
}
