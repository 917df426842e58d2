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
    fix: "Use the name that the game reads; the text suggests the nearest one.",
  },
  "bind/kind-mismatch": {
    means: "A port and the kind of the action it serves do not go together, or the pair lacks a value or scale it needs.",
    measure: "–",
    severity: "blocker",
    fix: "Serve by another port, give the missing value, or change the action's kind.",
  },
  "bind/unserved": {
    means: "An action that the game reads on touch has no visible control in one of its moments.",
    measure: "–",
    severity: "blocker",
    fix: "Let a control serve it in that moment, or mark it as desktop only.",
  },
  "place/collapsed": {
    means: "A span has no width or no height.",
    measure: "–",
    severity: "blocker",
    fix: "Reduce its insets, or move its edges apart.",
  },
  "place/off-screen": {
    means: "The visual box leaves the screen by more than half a pixel.",
    measure: "mm outside, on the worst side",
    severity: "blocker",
    fix: "Move it in, anchor it to the nearer edge, or lower its size on other screens.",
  },
  "touch/overlap": {
    means: "Two areas overlap by at least 2 % of the smaller one. Both are ground, or neither is.",
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
    means: "The shorter side of the hit area is below the minimum target.",
    measure: "mm",
    severity: "blocker below three quarters of the minimum target, else warning",
    fix: "Grow the hit area, or give it a minimum size in mm.",
  },
  "place/unsafe": {
    means: "The visual box leaves the safe frame but not the screen (touchpads and swipes may).",
    measure: "mm outside",
    severity: "warning",
    fix: "Anchor it to the safe frame, or move it in.",
  },
  "touch/edge": {
    means: "At least 2 % of the area of a stick, touchpad or swipe is in a system edge strip.",
    measure: "share of its area",
    severity: "warning",
    fix: "Move its area off the edge, by an inset in mm; the finding offers it.",
  },
  "touch/steals": {
    means: "The area of a control (also ground) covers at least 1 % of a zone in which the game takes taps. One of the two loses the tap.",
    measure: "share of the zone",
    severity: "warning",
    fix: "Move the control off the zone.",
  },
  "feel/travel-cut": {
    means: "The travel of a fixed stick goes beyond the screen by more than half a pixel.",
    measure: "mm outside",
    severity: "warning",
    fix: "Shorten the travel, or move the stick in.",
  },
  "feel/fine": {
    means: "A stick has less than 2 mm from zero to full, too little for a thumb.",
    measure: "mm",
    severity: "warning",
    fix: "Lengthen the travel, or narrow the dead zone.",
  },
  "reach/far": {
    means: "A control lies farther from the nearest thumb than is comfortable (ground: the nearest point of its area).",
    measure: "mm from the thumb",
    severity: "warning beyond the stretch, else note",
    fix: "Anchor it to the thumb's corner, or move it nearer.",
  },
  "reach/one-thumb": {
    means: "The thumbs of the grip cannot press actions of a together set at the same time.",
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
    fix: "Make them smaller on such screens, or let them keep more of their share of the screen.",
  },
  "bind/silent": { means: "A control serves nothing.", measure: "–", severity: "warning", fix: "Let it serve an action, or remove it." },
  "bind/any-touch": {
    means: "An action is bound to the main mouse button, so every touch on a touch screen triggers it.",
    measure: "–",
    severity: "warning",
    fix: "Bind another mouse button.",
  },
  "touch/close": {
    means:
      "Two areas that are not ground, and their pictures, are closer than the minimum gap without overlapping. Areas may meet if their pictures are apart.",
    measure: "mm: the larger of the two distances",
    severity: "note",
    fix: "Move them apart.",
  },
  "land/gap": {
    means:
      "In a moment with at least two pieces of ground, over 2 % of the open frame belongs to no control. The open frame is the safe frame without the system edge strips.",
    measure: "share of the open frame",
    severity: "note",
    fix: "Let landing areas meet, or accept the gap with its reason.",
  },
  "bind/twice": {
    means: "Two visible controls of the same kind serve exactly the same actions.",
    measure: "–",
    severity: "note",
    fix: "Remove one, or let it serve something else.",
  },
  "bind/unread": {
    means: "The game reads none of the actions that a control serves.",
    measure: "–",
    severity: "note",
    fix: "Remove it, or mark the action as read.",
  },
  "look/faint": {
    means:
      "The control hardly stands out at rest: the contrast (WCAG 2.2) of its line or fill, whichever is higher, with the mean of the backdrop under it, or of its icon or word with its own fill, is below 3:1. Not judged without a backdrop; outside the browser only plain colours are judged.",
    measure: "ratio of contrast",
    severity: "warning",
    fix: "Change its line, fill, ink or opacity.",
  },
  "look/overflow": {
    means:
      "A word does not fit its control in some language: to fit, its letters would be smaller than 2 mm, or than 0.3 of the control’s shorter side if that is less.",
    measure: "height of the letters (em), mm",
    severity: "warning",
    fix: "Shorten the word, make the control wider, or use an icon instead.",
  },
};
