/**
 * When controls are visible, by the last used input (table in docs/RUNTIME.md). It does not affect values: a touch on a hidden control counts
 * and shows the controls.
 */
import type { Appear } from "./handle";

/** The kind of input. */
export type Used = "touch" | "key" | "pad";

/** Whether controls are visible at the start. */
export const seenAtFirst = (appear: Appear): boolean => appear !== "touch";

/** Whether controls are visible after an input. */
export function seenAfter(appear: Appear, isSeen: boolean, used: Used): boolean {
  if (appear === "always" || used === "touch") return true;
  // A pad occupies both thumbs; a key hides controls that wait for a touch.
  return used === "pad" ? false : appear === "no-pad" && isSeen;
}

/** Fade time, ms. */
export const FADE_MS = 180;

/** Returns the next opacity, 0…1, `passedMs` after the last call; immediate with reduced motion. */
export function fadeToward(strength: number, isSeen: boolean, passedMs: number, isReduced: boolean): number {
  const step = isReduced ? 1 : passedMs / FADE_MS;
  return isSeen ? Math.min(1, strength + step) : Math.max(0, strength - step);
}
