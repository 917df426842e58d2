/** A control grown where nobody pointed: at the place it would have, or the nearest one where it meets no other. */
import { ok, type Result } from "../engine/result";
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import type { Layout } from "../format/types";
import { growControl, type NewControl } from "./make";
import { nearestFit } from "./nearestFit";
import { editContextOf, moveBy, type EditContext } from "./placing";

/** Something that was just made (a control, a cluster with what stands in it: `ids`), moved to the nearest place where it fits; where there is none it stays. */
export function movedFree(context: EditContext, layout: Layout, key: string, ids: readonly string[]): Layout {
  const now = editContextOf(layout, context.screen, { ...context.playerView, moment: null });
  const by = nearestFit(now, ids);
  if (by === null || (by.x === 0 && by.y === 0)) return layout;
  const moved = moveBy(now, [key], by.x, by.y);
  return moved.ok ? moved.value : layout;
}

/** Grows a control at a point, or as near to it as it meets no other. What is meant to lie under others stays where it is put. */
export function growFree(context: EditContext, planned: NewControl): Result<{ layout: Layout; id: string }> {
  const grown = growControl(context, planned);
  if (!grown.ok) return grown;
  const { layout, id } = grown.value;
  return isUnderlay(byId(layout.controls).get(id)!) ? grown : ok({ id, layout: movedFree(context, layout, id, [id]) });
}
