/**
 * When controls are seen, by what was used last (docs/RUNTIME.md has it as a table). It changes no value: a touch on a control that is not
 * seen yet counts, and is what makes it appear.
 */
import type { Appear } from "./handle";

/** What was used. */
export type Used = "touch" | "key" | "pad";

/** Whether controls are seen before anything was used. */
export const seenAtFirst = (appear: Appear): boolean => appear !== "touch";

/** Whether they are seen after something was used. */
export function seenAfter(appear: Appear, isSeen: boolean, used: Used): boolean {
  if (appear === "always" || used === "touch") return true;
  // A pad in the hand leaves no thumb for the glass; a key does so where controls wait for a touch.
  return used === "pad" ? false : appear === "no-pad" && isSeen;
}

/** How long they take to come and to go, ms. */
export const FADE_MS = 180;

/** How strongly they are seen next, 0…1, `passedMs` after the last time. With reduced motion at once. */
export function fadeToward(strength: number, isSeen: boolean, passedMs: number, isReduced: boolean): number {
  const step = isReduced ? 1 : passedMs / FADE_MS;
  return isSeen ? Math.min(1, strength + step) : Math.max(0, strength - step);
}
