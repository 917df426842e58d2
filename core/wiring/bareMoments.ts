/** Finds moments in which an action is wanted and no control serves it, and makes the two edits that end that: show a control, or want it no longer. */
import { changeAction } from "../editing/edits/actions";
import { changeMoments } from "../editing/edits/controls";
import { byId, byName } from "../derived/byId";
import { refused, type Result } from "../engine/result";
import type { Layout } from "../format/types";
import { actionStatuses, serversOf } from "./actionStatus";

export interface BareMoment {
  readonly moment: string;
  /** The controls that serve the action in other moments. */
  readonly hidden: readonly string[];
}

/** The moments in which an action is wanted and nothing on touch gives it, in order; empty for one that is not read or not wanted on touch. */
export function bareMoments(layout: Layout, name: string): BareMoment[] {
  const action = byName(layout.actions).get(name);
  const status = actionStatuses(layout).find((s) => s.name === name);
  if (!action || !status?.toDo) return [];
  const servers = serversOf(layout, action);
  return status.moments.flatMap(({ moment, by }) =>
    moment === null || by.length > 0 ? [] : [{ moment, hidden: servers.filter((c) => !c.moments.includes(moment)).map((c) => c.id) }],
  );
}

/** Wants an action no longer in some moments. */
export function wantNoLonger(layout: Layout, name: string, moments: readonly string[]): Result<Layout> {
  const action = byName(layout.actions).get(name);
  if (!action) return refused("actions", `there is no action \`${name}\``);
  return changeAction(layout, name, { moments: action.moments.filter((moment) => !moments.includes(moment)) });
}

/** Shows a control in one moment more. */
export function showIn(layout: Layout, id: string, moment: string): Result<Layout> {
  const control = byId(layout.controls).get(id);
  if (!control) return refused("controls", `there is no control "${id}"`);
  return changeMoments(
    layout,
    [id],
    layout.moments.map((m) => m.id).filter((m) => m === moment || control.moments.includes(m)),
  );
}
