/** When touch controls are seen, rehearsed: on which device the game is played, and what was used last. The rule is the runtime's own (runtime/appear.ts). */
import { seenAfter, seenAtFirst, type Used } from "../../runtime/appear";
import type { Appear } from "../../runtime/handle";

export const DEVICES = ["phone", "desktop", "desktop with a pad"] as const;
export type Device = (typeof DEVICES)[number];

/** What is seen on a device, from the first picture on. */
export interface Appearance {
  readonly device: Device;
  /** What was used last; null: nothing yet. */
  readonly last: Used | null;
  readonly isSeen: boolean;
}

/** What is seen before anything is used. A player with a pad has it in hand. */
export function appearanceAtFirst(appear: Appear, device: Device): Appearance {
  const isSeen = seenAtFirst(appear);
  return { device, last: null, isSeen: device === "desktop with a pad" ? seenAfter(appear, isSeen, "pad") : isSeen };
}

/** What is seen after something was used; the same object where nothing changes. */
export function appearanceAfter(appear: Appear, now: Appearance, used: Used): Appearance {
  const isSeen = seenAfter(appear, now.isSeen, used);
  return isSeen === now.isSeen && used === now.last ? now : { ...now, last: used, isSeen };
}

const WHEN: Readonly<Record<Appear, string>> = {
  always: "the layout always shows them",
  touch: "the layout shows them after a touch and hides them when a key or pad is used",
  "no-pad": "the layout hides them when a pad is used",
};

/** What is seen and why, in a sentence. */
export function appearanceWords(appear: Appear, { device, last, isSeen }: Appearance): string {
  const after = last === null ? "at the start" : `after a ${last}`;
  return `On a ${device} ${after}: controls ${isSeen ? "are shown" : "are hidden"}; ${WHEN[appear]}.`;
}
