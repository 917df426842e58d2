/** Whether what is on the glass lies on it: on the screen, in the safe frame, with an extent at all. */
import { KINDS } from "../engine/kinds";
import { SCREEN_SLACK_PX } from "../engine/geometry/tolerances";
import { placementIn } from "../editing/placeables";
import type { Check, CheckContext } from "./context";
import { mmText, type CheckResult } from "./finding";
import { backInto } from "./fixes";
import { fixText } from "./fix";
import { outside } from "./outside";

function* once(context: CheckContext): Iterable<CheckResult> {
  const { placed, frames, mm, screenName } = context;
  for (const item of placed) {
    const { control, at } = item;
    const empty = at.visual.w <= 0 || at.visual.h <= 0;
    if (empty && placementIn(context.layout, context.resolved.arrangement, control.id)?.kind === "span")
      yield {
        code: "place/collapsed",
        severity: "blocker",
        subjects: [control.id],
        measure: null,
        text: (say) => `${say(control.id)} has no ${at.visual.w <= 0 ? "width" : "height"} left on ${screenName}: its edges meet; lessen its insets`,
      };
    const off = outside(at.visual, frames.screen);
    if (off.px > SCREEN_SLACK_PX) {
      const value = off.px / mm;
      yield {
        code: "place/off-screen",
        severity: "blocker",
        subjects: [control.id],
        measure: { value, unit: "mm" },
        fix: () => backInto(context, item, frames.safe) ?? backInto(context, item, frames.screen),
        text: (say, fix) =>
          `${say(control.id)} leaves the ${off.side} edge of ${screenName} by ${mmText(value)}; ${fix ? fixText(fix, say) : "anchor it to the nearer edge or make it smaller"}`,
      };
      continue;
    }
    if (KINDS[control.kind].isField) continue;
    const unsafe = outside(at.visual, frames.safe);
    if (unsafe.px > SCREEN_SLACK_PX) {
      const value = unsafe.px / mm;
      yield {
        code: "place/unsafe",
        severity: "warning",
        subjects: [control.id],
        measure: { value, unit: "mm" },
        fix: () => backInto(context, item, frames.safe),
        text: (say, fix) =>
          `${say(control.id)} leaves the safe frame of ${screenName} at the ${unsafe.side} by ${mmText(value)}; ${fix ? fixText(fix, say) : "anchor it to the safe frame"}`,
      };
    }
  }
}

export const bounds: Check = { once };
