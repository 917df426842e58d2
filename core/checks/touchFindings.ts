/** Whether a thumb gets what it aims at: areas too small, on each other, under others, in the system's strips, on the game's own taps. */
import { KINDS } from "../engine/kinds";
import { clearance, isWithin } from "../engine/geometry/distance";
import { commonArea } from "../engine/geometry/commonArea";
import type { Box } from "../engine/geometry/point";
import { areaOf, type Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { coveredArea } from "../engine/geometry/coveredArea";
import type { Check, CheckContext, MomentContext, PlacedControl } from "./context";
import { mmText, partText, type CheckResult } from "./finding";
import { growBy, outOfStrips, setApart } from "./fixes";
import { fixText } from "./fix";

const MIN_OVERLAP = 0.02;
const BLOCKING_OVERLAP = 0.15;
const MIN_BURIED = 0.15;
const BLOCKING_BURIED = 0.5;
const MIN_EDGE = 0.02;
const MIN_STOLEN = 0.01;
/** Below this part of the smallest wanted target a control is a blocker. */
const BLOCKING_SMALL = 0.75;

const boxOf = ({ x, y, w, h }: Box): Shape => ({ shape: "box", x, y, w, h });
const atLeast = (value: number, threshold: number) => value >= threshold - LENGTH_SLACK;

function* once(context: CheckContext): Iterable<CheckResult> {
  const { layout, placed, mm, screenName, resolved } = context;
  const least = layout.limits.minTargetMm;
  const { widthPx: w, heightPx: h, edges } = resolved.screen;
  const strips: Shape[] = [
    { shape: "box", x: 0, y: 0, w: edges.left, h },
    { shape: "box", x: w - edges.right, y: 0, w: edges.right, h },
    { shape: "box", x: 0, y: 0, w, h: edges.top },
    { shape: "box", x: 0, y: h - edges.bottom, w, h: edges.bottom },
  ];
  for (const item of placed) {
    const { control, at, area } = item;
    const value = Math.min(at.hit.w, at.hit.h) / mm;
    if (value < least - LENGTH_SLACK)
      yield {
        code: "touch/small",
        severity: value < BLOCKING_SMALL * least - LENGTH_SLACK ? "blocker" : "warning",
        subjects: [control.id],
        measure: { value, unit: "mm" },
        fix: () => growBy(context, item, (least - value) / 2),
        text: (say, fix) =>
          `the hit area of ${say(control.id)} is ${mmText(value)} on ${screenName}, ${mmText(least)} are wanted; ${fix ? fixText(fix, say) : "make it larger where there is room"}`,
      };
    if (!KINDS[control.kind].isDragged) continue;
    const whole = areaOf(area);
    const part = whole > 0 ? coveredArea(area, strips) / whole : 0;
    if (atLeast(part, MIN_EDGE))
      yield {
        code: "touch/edge",
        severity: "warning",
        subjects: [control.id],
        measure: { value: part, unit: "share" },
        fix: () => outOfStrips(context, item),
        text: (say, fix) =>
          `${partText(part)} of ${say(control.id)} lies in the strips where ${screenName} takes swipes for itself; ${fix ? fixText(fix, say) : "move it inwards"}`,
      };
  }
}

/** Pairs whose areas are nearer than `px` and both ground or neither, in drawing order: most pairs are far apart and are passed over at once. */
function pairs({ about }: MomentContext, placed: readonly PlacedControl[], px: number): [PlacedControl, PlacedControl][] {
  const found: [PlacedControl, PlacedControl][] = [];
  for (let i = 0; i < placed.length; i += 1) {
    const a = placed[i];
    const isAsked = !about || about.has(a.control.id);
    for (let j = i + 1; j < placed.length; j += 1) {
      const b = placed[j];
      if (!isAsked && !about.has(b.control.id)) continue;
      if (a.underlay === b.underlay && isWithin(a.area, b.area, px)) found.push([a, b]);
    }
  }
  return found;
}

/** What becomes of controls by others that are there. */
function* amongOthers(context: MomentContext): Iterable<CheckResult> {
  // An area without width or height is in no pair and covers nothing.
  const own = context.shown.filter((s) => s.at.sharing === "own" && s.area.w > 0 && s.area.h > 0);
  yield* overlapsAndGaps(context, own);
  yield* buried(context, own);
}

function* overlapsAndGaps(context: MomentContext, own: readonly PlacedControl[]): Iterable<CheckResult> {
  const { layout, mm, screenName } = context;
  const gap = layout.limits.minGapMm * mm;
  for (const [a, b] of pairs(context, own, gap)) {
    const smaller = Math.min(areaOf(a.area), areaOf(b.area));
    const shared = commonArea(a.area, b.area);
    const part = shared / smaller;
    if (atLeast(part, MIN_OVERLAP)) {
      yield {
        code: "touch/overlap",
        severity: atLeast(part, BLOCKING_OVERLAP) ? "blocker" : "warning",
        subjects: [a.control.id, b.control.id],
        measure: { value: part, unit: "share" },
        fix: () => setApart(context, a, b),
        text: (say, fix) =>
          `${say(a.control.id)} and ${say(b.control.id)} overlap by ${partText(part)} on ${screenName}; ${fix ? fixText(fix, say) : "make one smaller, or show them at different moments"}`,
      };
    } else if (!a.underlay && shared <= LENGTH_SLACK) {
      // Areas may meet between pictures that are apart.
      const between = Math.max(0, clearance(a.area, b.area).px, clearance(boxOf(a.at.visual), boxOf(b.at.visual)).px);
      if (between < gap - LENGTH_SLACK)
        yield {
          code: "touch/close",
          severity: "note",
          subjects: [a.control.id, b.control.id],
          measure: { value: between / mm, unit: "mm" },
          fix: () => setApart(context, a, b),
          text: (say, fix) =>
            `${say(a.control.id)} and ${say(b.control.id)} are ${mmText(between / mm)} apart on ${screenName}, ${mmText(layout.limits.minGapMm)} are wanted; ${fix ? fixText(fix, say) : "make one smaller"}`,
        };
    }
  }
}

/** What lies under ground drawn above it, which takes its touches. */
function* buried({ screenName, about }: MomentContext, own: readonly PlacedControl[]): Iterable<CheckResult> {
  const underlay = own.filter((s) => s.underlay);
  const isGroundAsked = underlay.some((s) => about?.has(s.control.id));
  for (const under of own) {
    if (under.underlay || (about && !about.has(under.control.id) && !isGroundAsked)) continue;
    const above = underlay.filter((s) => s.index > under.index && isWithin(s.area, under.area, 0));
    if (above.length === 0) continue;
    const covered = coveredArea(
      under.area,
      above.map((s) => s.area),
    );
    const part = covered / areaOf(under.area);
    if (atLeast(part, MIN_BURIED))
      yield {
        code: "touch/buried",
        severity: atLeast(part, BLOCKING_BURIED) ? "blocker" : "warning",
        subjects: [under.control.id],
        measure: { value: part, unit: "share" },
        fix: () => ({ kind: "raise", id: under.control.id }),
        text: (say) =>
          `${partText(part)} of ${say(under.control.id)} lies under ${above.map((s) => say(s.control.id)).join(", ")} on ${screenName}, which takes its touches; bring ${say(under.control.id)} above`,
      };
  }
}

/** Zones in which the game itself takes taps, under the area of a control. */
function* stolenTaps({ shown, zones, screenName }: MomentContext): Iterable<CheckResult> {
  for (const { zone, at } of zones) {
    if (!zone.taps) continue;
    const box: Shape = { shape: "box", ...at };
    for (const { control, area } of shown) {
      const part = at.w * at.h > 0 ? commonArea(area, box) / (at.w * at.h) : 0;
      if (atLeast(part, MIN_STOLEN))
        yield {
          code: "touch/steals",
          severity: "warning",
          subjects: [control.id, zone.id],
          measure: { value: part, unit: "share" },
          text: (say) => `${say(control.id)} takes the touches of ${partText(part)} of ${say(zone.id)} on ${screenName}; keep it clear`,
        };
    }
  }
}

/** What is to be said of each control by itself. */
export const touchesAlone: Check = { once, inMoment: stolenTaps };
/** What is to be said of controls by others that are there. */
export const touchesTogether: Check = { inMoment: amongOthers };
export const touches: Check = {
  once,
  *inMoment(context) {
    yield* amongOthers(context);
    yield* stolenTaps(context);
  },
};
