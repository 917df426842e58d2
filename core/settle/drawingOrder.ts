/** Changes the drawing order: controls under ground that takes their touches move above it. This has no cost and covers no other control. */
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import type { Layout } from "../format/types";
import { isShownWith } from "./problem/scenarioData";

/** Returns the layout with these controls above all ground they overlap, in their previous order. Locked controls (`held`) keep their place; the ground moves below them. */
export function raisedAboveGround(layout: Layout, ids: ReadonlySet<string>, held: ReadonlySet<string>): Layout {
  let { controls } = layout;
  const meets = (a: string, b: string) => isShownWith({ layout, moment: null }, byId(layout.controls).get(a)!, byId(layout.controls).get(b)!);
  for (const { id } of layout.controls) {
    if (!ids.has(id)) continue;
    const at = controls.findIndex((c) => c.id === id);
    const top = controls.reduce((last, c, i) => (isUnderlay(c) && i > at && meets(id, c.id) ? i : last), -1);
    if (top < 0) continue;
    if (!held.has(id)) controls = movedTo(controls, at, top);
    else {
      // A locked control must not move, so the ground above it moves below it.
      for (let i = top; i > controls.findIndex((c) => c.id === id); i -= 1) {
        const place = controls.findIndex((c) => c.id === id);
        if (isUnderlay(controls[i]) && !held.has(controls[i].id) && meets(id, controls[i].id)) {
          controls = movedTo(controls, i, place);
          i += 1;
        }
      }
    }
  }
  return controls === layout.controls ? layout : { ...layout, controls };
}

function movedTo<T>(list: readonly T[], from: number, to: number): T[] {
  const rest = list.filter((_, i) => i !== from);
  return [...rest.slice(0, to), list[from], ...rest.slice(to)];
}
