/** What the controls cover of the game, and the strips of glass that answer to nothing. */
import { commonArea } from "../engine/geometry/commonArea";
import { type Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { coveredArea } from "../engine/geometry/coveredArea";
import type { Check, MomentContext } from "./context";
import { partText, type Found } from "./finding";

const MIN_COVERED = 0.01;
const MAX_GAP = 0.02;

function* inMoment({ layout, shown, zones, frames, screenName }: MomentContext): Iterable<Found> {
  const solid = shown.filter(({ control }) => control.kind !== "touchpad" && control.kind !== "swipe");
  const boxOf = (box: { x: number; y: number; w: number; h: number }): Shape => ({ shape: "box", x: box.x, y: box.y, w: box.w, h: box.h });
  for (const { control, at } of solid)
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
  const screen = boxOf(frames.screen);
  const cover =
    coveredArea(
      screen,
      solid.map(({ at }) => boxOf(at.visual)),
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

export const coverage: Check = { inMoment };
