/** An arrangement made for some screens: one that holds on each of them before any other does. */
import { addArrangement, moveArrangement } from "../editing/edits/arrangements";
import { arrangementFor } from "../engine/placement/arrangement";
import { ok, type Result } from "../engine/result";
import type { Layout, Screen } from "../format/types";
import { rangeOfScreens } from "./screenFilter";

/** An aspect, and a side in mm, as far apart as an end must be to hold the screen itself: ranges are half-open. */
const BEYOND_ASPECT = 0.001;
const BEYOND_MM = 0.1;
const down = (value: number, step: number) => Number((Math.floor(value / step + 1e-9) * step).toFixed(4));
const up = (value: number, step: number) => Number((Math.floor(value / step + 1e-9) * step + step).toFixed(4));

/** An arrangement that holds on all of these screens before any other does. `others`: how many of the rest of the shelf it holds on too. */
export function arrangementForScreens(
  layout: Layout,
  { screens, shelf, name }: { readonly screens: readonly Screen[]; readonly shelf: readonly Screen[]; readonly name: string },
): Result<{ readonly layout: Layout; readonly id: string; readonly others: number }> {
  const { aspect, shortMm } = rangeOfScreens(screens);
  const made = addArrangement(layout, name, {
    aspect: { min: down(aspect[0], BEYOND_ASPECT), max: up(aspect[1], BEYOND_ASPECT) },
    shortSideMm: { min: down(shortMm[0], BEYOND_MM), max: up(shortMm[1], BEYOND_MM) },
  });
  if (!made.ok) return made;
  let next = made.value.layout;
  // Of several arrangements that hold the first counts.
  for (let i = 0; i < layout.arrangements.length; i += 1) {
    const moved = moveArrangement(next, made.value.id, -1);
    if (!moved.ok) return moved;
    next = moved.value;
  }
  const others = shelf.filter((screen) => !screens.includes(screen) && arrangementFor(next.arrangements, screen) === 0).length;
  return ok({ layout: next, id: made.value.id, others });
}
