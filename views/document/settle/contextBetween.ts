/** The bench as it is on the way from one version of a layout to another. */
import { resolvedBetween } from "../../../core/derived/between";
import { resolvedOn } from "../../../core/derived/resolved";
import { editContextOf, type EditContext } from "../../../core/editing/placing";
import type { Between } from "../../canvas/LiveLayout";

export function contextBetween({ screen, playerView }: EditContext, { was, is, part }: Between): EditContext {
  const there = editContextOf(is, screen, playerView);
  return { ...there, resolved: resolvedBetween(resolvedOn(was, screen, playerView), there.resolved, part) };
}
