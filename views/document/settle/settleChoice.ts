/** What Settle can be asked, in words: on which screens, for whom, what must be fixed, what may change for it. */
import type { Severity } from "../../../core/checks/finding";
import { CHANGEABLES, type Changeable } from "../../../core/settle/request";

/** What must be fixed, by what a developer would say of it. */
export const SETTLE_GOALS = ["place", "touch", "feel", "reach", "view"] as const;
export type SettleGoal = (typeof SETTLE_GOALS)[number];
export const AIM_WORDS: Readonly<Record<SettleGoal, string>> = {
  place: "on the screen, in the safe frame",
  touch: "large enough, clear of each other",
  feel: "room for the travel",
  reach: "within the thumb’s reach",
  view: "keep-clear zones visible",
};

export const CHANGEABLE_WORDS: Readonly<Record<Changeable, string>> = {
  place: "positions",
  size: "sizes",
  hit: "hit areas",
  landing: "landing areas",
  travel: "travel of sticks",
  order: "drawing order",
  word: "misspelled actions",
};

/** these: the screens that were in view when it was asked · all: the whole shelf. */
export type Which = "these" | "all";
export const HANDS = ["both", "right", "left"] as const;
export type Hands = (typeof HANDS)[number];
export const HAND_WORDS: Readonly<Record<Hands, string>> = { both: "both hands", right: "the right hand", left: "the left hand" };
/** usual: size 1 · all: the smallest and the largest that a player may choose as well. */
export type Sizes = "usual" | "all";
export const GRAVITY_WORDS: Readonly<Record<Severity, string>> = { blocker: "blockers only", warning: "blockers, warnings", note: "notes too" };

/** The answers to all that Settle asks. */
export interface SettleChoice {
  readonly which: Which;
  readonly hands: Hands;
  readonly sizes: Sizes;
  /** Findings of this severity and worse must be fixed. */
  readonly severity: Severity;
  readonly aims: readonly SettleGoal[];
  readonly changeable: readonly Changeable[];
  /** Whether notes may come and grow. */
  readonly notesMayGrow: boolean;
  /** So far things may go, mm, to be missed less once nothing is found any more; 0: not asked. */
  readonly missMm: number;
}

/** What holds unless something else is chosen. */
export const USUAL_CHOICE: SettleChoice = {
  which: "these",
  hands: "both",
  sizes: "usual",
  severity: "warning",
  aims: SETTLE_GOALS,
  changeable: CHANGEABLES,
  notesMayGrow: false,
  missMm: 0,
};
