/** What the controls cover of the game, and the strips of glass that answer to nothing. */
import { commonArea } from "../engine/geometry/commonArea";
import { type Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { coveredArea } from "../engine/geometry/coveredArea";
import type { Check, MomentContext } from "./context";
import { partText, type Found } from "./finding";

const MIN_COVERED = 0.01;
const MAX_GAP = 0.02;

const solidOf = ({ shown }: MomentContext) => shown.filter(({ control }) => control.kind !== "touchpad" && control.kind !== "swipe");
const boxOf = (box: { x: number; y: number; w: number; h: number }): Shape => ({ shape: "box", x: box.x, y: box.y, w: box.w, h: box.h });

/** Zones of the game that a picture covers. */
function* zonesCovered(context: MomentContext): Iterable<Found> {
  const { zones, screenName } = context;
  for (const { control, at } of solidOf(context))
    for (const { zone, at: box } of zones) {
      const whole = box.w * box.h;
      const part = whole > 0 ? commonArea(boxOf(at.visual), boxOf(box)) / whole : 0;
      if (part >= MIN_COVERED - LENGTH_SLACK)
        yield {
          code: "view/covered",
          severity: "warning",
          subjects: [control.id, zone.id],
          measure: { value: part, unit: "share" },
          text: (say) => `${say(control.id)} covers ${partText(part)} of ${say(zone.id)} on ${screenName}; keep it clear`,
        };
    }
}

/** How much of the screen all pictures cover. */
function* crowded(context: MomentContext): Iterable<Found> {
  const { layout, frames, screenName } = context;
  const screen = boxOf(frames.screen);
  const cover =
    coveredArea(
      screen,
      solidOf(context).map(({ at }) => boxOf(at.visual)),
    ) /
    (screen.w * screen.h);
  if (cover > layout.limits.maxCover + LENGTH_SLACK)
    yield {
      code: "view/crowded",
      severity: "warning",
      subjects: [],
      measure: { value: cover, unit: "share" },
      text: () => `the controls cover ${partText(cover)} of ${screenName}, ${partText(layout.limits.maxCover)} at most are wanted; make them smaller`,
    };
}

/** How much of the safe frame lies under no area. */
function* gaps({ shown, frames, screenName }: MomentContext): Iterable<Found> {
  const safe = boxOf(frames.safe);
  if (shown.filter((s) => s.underlay).length < 2 || safe.w * safe.h <= 0) return;
  const gap =
    1 -
    coveredArea(
      safe,
      shown.map((s) => s.area),
    ) /
      (safe.w * safe.h);
  if (gap > MAX_GAP + LENGTH_SLACK)
    yield {
      code: "land/gap",
      severity: "note",
      subjects: [],
      measure: { value: gap, unit: "share" },
      text: () => `${partText(gap)} of the safe frame of ${screenName} answers to no control; let landing areas meet`,
    };
}

/** The zones alone: this does not depend on what is far from them. */
export const zonesSeen: Check = { inMoment: zonesCovered };
/** How much of the screen is covered, alone. */
export const cover: Check = { inMoment: crowded };
export const coverage: Check = {
  *inMoment(context) {
    yield* zonesCovered(context);
    yield* crowded(context);
    yield* gaps(context);
  },
};
