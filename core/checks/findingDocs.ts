/** What each finding means, for the reports and the page of findings. */
import type { FindingCode } from "./finding";

export interface FindingDoc {
  /** What holds, in a line. */
  readonly means: string;
  /** What is measured, or "–". */
  readonly measure: string;
  /** Which severity it has when. */
  readonly severity: string;
  /** How it is fixed. */
  readonly fix: string;
}

export const FINDING_DOCS: Readonly<Record<FindingCode, FindingDoc>> = {
  "bind/unknown-action": {
    means: "A control serves an action that the layout does not know.",
    measure: "–",
    severity: "blocker",
    fix: "Take the word the game reads; the text names the nearest one.",
  },
  "bind/kind-mismatch": {
    means: "A port and the kind of the action it serves do not go together, or the pair lacks a value or scale it needs.",
    measure: "–",
    severity: "blocker",
    fix: "Serve by another port, give the missing value, or change the action's kind.",
  },
  "bind/unserved": {
    means: "An action that is read and wanted on touch has, in a moment of its own, no shown control that serves it.",
    measure: "–",
    severity: "blocker",
    fix: "Let a control serve it in that moment, or mark it as for desks alone.",
  },
  "place/collapsed": {
    means: "A span has no width or no height left.",
    measure: "–",
    severity: "blocker",
    fix: "Lessen its insets, or set its edges farther apart.",
  },
  "place/off-screen": {
    means: "The visual box leaves the screen by more than half a pixel.",
    measure: "mm outside, at the side where it is most",
    severity: "blocker",
    fix: "Move it in, tie it to the nearer edge, or let it keep less.",
  },
  "touch/overlap": {
    means: "Two areas overlap by at least 2 % of the smaller, both of them ground or neither.",
    measure: "share of the smaller area",
    severity: "blocker from 15 %, else warning",
    fix: "Move them apart, make one smaller, or let them share touches.",
  },
  "touch/buried": {
    means: "At least 15 % of a control's area lies under ground that is drawn above it.",
    measure: "share of the control's area",
    severity: "blocker from 50 %, else warning",
    fix: "Draw the control above the ground.",
  },
  "touch/small": {
    means: "The shorter side of the hit area is less than the least target.",
    measure: "mm",
    severity: "blocker below three quarters of the least target, else warning",
    fix: "Grow the hit area, or give it a least size in mm.",
  },
  "place/unsafe": {
    means: "The visual box leaves the safe frame but not the screen (touchpads and swipes may).",
    measure: "mm outside",
    severity: "warning",
    fix: "Tie it to the safe frame, or move it in.",
  },
  "touch/edge": {
    means: "At least 2 % of a stick's, touchpad's or swipe's area lies where the system takes swipes for itself.",
    measure: "share of its area",
    severity: "warning",
    fix: "Keep its area off the edge, by an inset in mm: the finding offers it.",
  },
  "touch/steals": {
    means: "A control's area, ground too, covers at least 1 % of a zone in which the game itself takes taps: one of the two loses the tap.",
    measure: "share of the zone",
    severity: "warning",
    fix: "Move the control off the zone.",
  },
  "feel/travel-cut": {
    means: "The travel of a fixed stick runs off the screen by more than half a pixel.",
    measure: "mm outside",
    severity: "warning",
    fix: "Shorten the travel, or move the stick in.",
  },
  "feel/fine": {
    means: "From nothing to full a stick has less than 2 mm: less than a thumb can tell apart.",
    measure: "mm",
    severity: "warning",
    fix: "Lengthen the travel, or narrow the dead zone.",
  },
  "reach/far": {
    means: "A control lies farther from the nearest thumb than is comfortable (ground: the nearest point of its area).",
    measure: "mm from the thumb",
    severity: "warning beyond the stretch, else note",
    fix: "Tie it to the thumb's corner, or move it nearer.",
  },
  "reach/one-thumb": {
    means: "Actions wanted together cannot be given at once by the thumbs of the grip.",
    measure: "–",
    severity: "warning",
    fix: "Move one to the other side, or set two buttons within 3 mm and let one be slid into.",
  },
  "view/covered": {
    means: "A visual box covers at least 1 % of a keep-clear zone (touchpads and swipes may).",
    measure: "share of the zone",
    severity: "warning",
    fix: "Move the control off the zone.",
  },
  "view/crowded": {
    means: "Sticks, d-pads and buttons together cover more of the screen than the layout allows.",
    measure: "share of the screen",
    severity: "warning",
    fix: "Make them smaller on such screens, or let them keep more of their share.",
  },
  "bind/silent": { means: "A control serves nothing.", measure: "–", severity: "warning", fix: "Let it serve an action, or remove it." },
  "bind/any-touch": {
    means: "An action is bound to the main mouse button: on touch screens every touch would give it.",
    measure: "–",
    severity: "warning",
    fix: "Bind another mouse button.",
  },
  "touch/close": {
    means:
      "Two areas, neither of them ground, are nearer than the least gap without overlapping, and so are their visual boxes. Areas may meet between pictures that stand apart.",
    measure: "mm: the larger of the two distances",
    severity: "note",
    fix: "Move them apart.",
  },
  "land/gap": {
    means:
      "In a moment with two pieces of ground or more, over 2 % of the open frame is in no control's area. The open frame is the safe frame less the system's edge strips.",
    measure: "share of the open frame",
    severity: "note",
    fix: "Let landing areas meet, or accept the gap with its reason.",
  },
  "bind/twice": {
    means: "Two controls of a kind shown together serve exactly the same.",
    measure: "–",
    severity: "note",
    fix: "Remove one, or let it serve something else.",
  },
  "bind/unread": {
    means: "All that a control serves is not read by the game today.",
    measure: "–",
    severity: "note",
    fix: "Remove it, or mark the action as read.",
  },
  "look/faint": {
    means:
      "A control that its backdrop swallows: at rest, the contrast (WCAG 2.2) of its line or fill, whichever stands out more, against the mean of the backdrop under it, or of its icon or word against its own fill, is below 3:1. Without a backdrop it is not judged; outside the browser only a plain colour is.",
    measure: "ratio of contrast",
    severity: "warning",
    fix: "Change its line, fill, ink or opacity.",
  },
  "look/overflow": {
    means:
      "A word that does not fit its control, in some language: to fit, its letters would have to be smaller than 2 mm, or than 0.3 of the control’s shorter side where that is less.",
    measure: "height of the letters (em), mm",
    severity: "warning",
    fix: "Shorten the word, make the control wider, or let an icon stand for it.",
  },
};
