/** What Settle is asked, chosen in words: on which screens, for whom, what has to go, what may change for it. */
import { FINDING_CODES, SEVERITIES, type FindingCode, type Severity } from "../../core/checks/finding";
import { facesOf, type Face } from "../../core/checks/grid";
import type { Layout, Screen } from "../../core/format/types";
import { CHANGEABLES, SETTLED_CODES, type Changeable, type SettleRequest } from "../../core/settle/request";

/** What has to go, by what a developer would say of it. */
export const AIMS = ["place", "touch", "feel", "reach", "view"] as const;
export type Aim = (typeof AIMS)[number];
export const AIM_WORDS: Readonly<Record<Aim, string>> = {
  place: "on the screen, in the safe frame",
  touch: "large enough, clear of each other",
  feel: "room for the travel",
  reach: "within the thumb’s reach",
  view: "keep-clear zones seen",
};
const isOf = (aim: Aim) => (code: FindingCode) => code.startsWith(`${aim}/`);

export const CHANGEABLE_WORDS: Readonly<Record<Changeable, string>> = {
  place: "where things stand",
  size: "how large they are",
  hit: "hit areas",
  landing: "landing areas",
  travel: "travel of sticks",
  order: "drawing order",
  word: "misspelt actions",
};

/** these: the screens that were in view when it was asked · all: the whole shelf. */
export type Which = "these" | "all";
export const HANDS = ["both", "right", "left"] as const;
export type Hands = (typeof HANDS)[number];
export const HAND_WORDS: Readonly<Record<Hands, string>> = { both: "both hands", right: "the right hand", left: "the left hand" };
/** usual: size 1 · all: the smallest and the largest that a player may choose as well. */
export type Sizes = "usual" | "all";
export const GRAVITY_WORDS: Readonly<Record<Severity, string>> = { blocker: "blockers alone", warning: "blockers, warnings", note: "notes too" };

/** The answers to all that Settle asks. */
export interface SettleChoice {
  readonly which: Which;
  readonly hands: Hands;
  readonly sizes: Sizes;
  /** Findings of this severity and graver have to go. */
  readonly severity: Severity;
  readonly aims: readonly Aim[];
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
  aims: AIMS,
  changeable: CHANGEABLES,
  notesMayGrow: false,
  missMm: 0,
};

/** The hands and sizes of a choice. */
export function facesFor({ hands, sizes }: Pick<SettleChoice, "hands" | "sizes">, layout: Pick<Layout, "playerSizes">): readonly Face[] {
  const of = hands === "both" ? (["right", "left"] as const) : [hands];
  const ends = facesOf(layout).map(({ playerSize }) => playerSize);
  const all = sizes === "usual" ? [1] : [...new Set([1, ...ends])].sort((a, b) => a - b);
  return of.flatMap((handed) => all.map((playerSize) => ({ handed, playerSize })));
}

/** The codes whose findings have to go, in the order of all codes. */
export const codesFor = ({ aims }: Pick<SettleChoice, "aims">): readonly FindingCode[] =>
  FINDING_CODES.filter((code) => SETTLED_CODES.includes(code) && aims.some((aim) => isOf(aim)(code)));

/** Where it is asked, and of what nothing may change. */
export interface Asked {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly held: readonly string[];
}

/** The question as the core takes it; or why it cannot be asked, in words. */
export function questionOf(choice: SettleChoice, { layout, screens, held }: Asked): SettleRequest | string {
  if (screens.length === 0) return "No screen is chosen: take the filter away, or choose the whole shelf.";
  if (choice.aims.length === 0) return "Nothing is to be reached: choose at least one thing.";
  if (choice.changeable.length === 0) return "Nothing may change: choose at least one thing.";
  return {
    layout,
    screens,
    faces: facesFor(choice, layout),
    moment: null,
    codes: codesFor(choice),
    severities: SEVERITIES.slice(0, SEVERITIES.indexOf(choice.severity) + 1),
    changeable: choice.changeable,
    held,
    notesMayGrow: choice.notesMayGrow,
    missMm: choice.missMm,
    weights: {},
  };
}
