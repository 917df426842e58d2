/** What the controls cover of the game, and the strips of glass that answer to nothing. */
import { KINDS } from "../engine/kinds";
import { commonArea } from "../engine/geometry/commonArea";
import type { Box } from "../engine/geometry/point";
import { type Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { coveredArea } from "../engine/geometry/coveredArea";
import type { Check, MomentContext } from "./context";
import { partText, type CheckResult } from "./finding";

const MIN_COVERED = 0.01;
const MAX_GAP = 0.02;

const solidOf = ({ shown }: MomentContext) => shown.filter(({ control }) => !KINDS[control.kind].isField);
const boxOf = (box: Box): Shape => ({ shape: "box", x: box.x, y: box.y, w: box.w, h: box.h });

/** Zones of the game that a picture covers. */
function* zonesCovered(context: MomentContext): Iterable<CheckResult> {
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
function* crowded(context: MomentContext): Iterable<CheckResult> {
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
      text: () => `the controls cover ${partText(cover)} of ${screenName}, more than ${partText(layout.limits.maxCover)}; make them smaller`,
    };
}

/** The safe frame less the system's edge strips, which take swipes for themselves. All in one unit; without area where nothing remains. */
export function openFrame(safe: Box, screen: Pick<Box, "w" | "h">, edges: Readonly<Record<"left" | "top" | "right" | "bottom", number>>): Shape {
  const x = Math.max(safe.x, edges.left);
  const y = Math.max(safe.y, edges.top);
  const w = Math.min(safe.x + safe.w, screen.w - edges.right) - x;
  const h = Math.min(safe.y + safe.h, screen.h - edges.bottom) - y;
  return { shape: "box", x, y, w: Math.max(0, w), h: Math.max(0, h) };
}

/** How much of the open frame lies under no area. */
function* gaps(context: MomentContext): Iterable<CheckResult> {
  const { shown, frames, resolved, screenName } = context;
  const open = openFrame(frames.safe, frames.screen, resolved.screen.edges);
  const whole = open.w * open.h;
  if (shown.filter((s) => s.underlay).length < 2 || whole <= 0) return;
  const areas = shown.map((s) => s.area);
  const gap = 1 - coveredArea(open, areas) / whole;
  if (gap > MAX_GAP + LENGTH_SLACK)
    yield {
      code: "land/gap",
      severity: "note",
      subjects: [],
      measure: { value: gap, unit: "share" },
      text: () => `${partText(gap)} of the open part of ${screenName}, without the system edge strips, belongs to no control; let landing areas meet`,
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
