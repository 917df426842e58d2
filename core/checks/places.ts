/** Whether what stands on the glass lies on it: on the screen, in the safe frame, with an extent at all. */
import type { Box } from "../geometry/point";
import { SCREEN_SLACK_PX } from "../geometry/shape";
import type { Check, CheckContext } from "./context";
import { mmText, type Found } from "./finding";

/** How far a box leaves a frame at the side where it leaves it most, px, and the name of that side; 0 inside. */
export function outside(box: Box, frame: Box): { readonly px: number; readonly side: "left" | "top" | "right" | "bottom" } {
  const sides = [
    ["left", frame.x - box.x],
    ["top", frame.y - box.y],
    ["right", box.x + box.w - frame.x - frame.w],
    ["bottom", box.y + box.h - frame.y - frame.h],
  ] as const;
  const [side, px] = sides.reduce((worst, next) => (next[1] > worst[1] ? next : worst));
  return { px: Math.max(0, px), side };
}

const AWAY_FROM = { left: "right", right: "left", top: "down", bottom: "up" } as const;

function* once({ standing, frames, mm, screenName }: CheckContext): Iterable<Found> {
  for (const { control, at } of standing) {
    const placement = control.placement.kind;
    if (placement === "span" && (at.visual.w <= 0 || at.visual.h <= 0))
      yield {
        code: "place/collapsed",
        severity: "blocker",
        subjects: [control.id],
        measure: null,
        text: () => `\`${control.id}\` has no ${at.visual.w <= 0 ? "width" : "height"} left on ${screenName}: its edges meet; lessen its insets`,
      };
    const off = outside(at.visual, frames.screen);
    if (off.px > SCREEN_SLACK_PX) {
      const value = off.px / mm;
      yield {
        code: "place/off-screen",
        severity: "blocker",
        subjects: [control.id],
        measure: { value, unit: "mm" },
        text: () => `\`${control.id}\` leaves the ${off.side} edge of ${screenName} by ${mmText(value)}; move it ${AWAY_FROM[off.side]}`,
      };
      continue;
    }
    if (control.kind === "touchpad" || control.kind === "swipe") continue;
    const unsafe = outside(at.visual, frames.safe);
    if (unsafe.px > SCREEN_SLACK_PX) {
      const value = unsafe.px / mm;
      yield {
        code: "place/unsafe",
        severity: "warning",
        subjects: [control.id],
        measure: { value, unit: "mm" },
        text: () =>
          `\`${control.id}\` leaves the safe frame of ${screenName} at the ${unsafe.side} by ${mmText(value)}; tie it to the safe frame or move it ${AWAY_FROM[unsafe.side]}`,
      };
    }
  }
}

export const places: Check = { once };
