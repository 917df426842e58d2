/** Whether a stick's travel has room and is long enough for a thumb. */
import { centreOf } from "../engine/geometry/point";
import { LENGTH_SLACK, SCREEN_SLACK_PX } from "../engine/geometry/tolerances";
import type { Check, CheckContext } from "./context";
import { mmText, type CheckResult } from "./finding";
import { outside } from "./outside";

/** The least way between dead zone and full deflection that a thumb can tell apart, mm (model.md section 3). */
const LEAST_WAY_MM = 2;

function* once({ placed, frames, mm, screenName }: CheckContext): Iterable<CheckResult> {
  for (const { control, at } of placed) {
    if (control.kind !== "stick" || at.travel === undefined) continue;
    if (control.feel.origin === "fixed") {
      const { x, y } = centreOf(at.visual);
      const cut = outside({ x: x - at.travel, y: y - at.travel, w: 2 * at.travel, h: 2 * at.travel }, frames.screen);
      if (cut.px > SCREEN_SLACK_PX)
        yield {
          code: "feel/travel-cut",
          severity: "warning",
          subjects: [control.id],
          measure: { value: cut.px / mm, unit: "mm" },
          text: (say) =>
            `the travel of ${say(control.id)} goes ${mmText(cut.px / mm)} beyond the ${cut.side} edge of ${screenName}; shorten it or move the stick inwards`,
        };
    }
    const way = ((control.feel.outer - control.feel.inner) * at.travel) / mm;
    if (way < LEAST_WAY_MM - LENGTH_SLACK)
      yield {
        code: "feel/fine",
        severity: "warning",
        subjects: [control.id],
        measure: { value: way, unit: "mm" },
        text: (say) => `${say(control.id)} has only ${mmText(way)} from zero to full on ${screenName}, too little for a thumb; lengthen the travel`,
      };
  }
}

export const feels: Check = { once };
