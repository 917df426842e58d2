/** Shows one of two conflicting controls in another moment of the game. */
import { byId } from "../../derived/byId";
import { addMoment } from "../../editing/edits/moments";
import { refused, type Result } from "../../engine/result";
import type { Layout } from "../../format/types";

/**
 * Shows a control only when another is hidden. If it has moments without the other, it stays in those; else it gets its own moment,
 * in which the actions that only it serves are used. A layout without moments gets two: one for everything before, and the new one.
 */
export function shownApart(layout: Layout, id: string, other: string): Result<Layout> {
  const [control, beside] = [byId(layout.controls).get(id), byId(layout.controls).get(other)];
  if (!control || !beside) return refused("controls", `there is no control "${control ? other : id}"`);
  const apart = control.moments.filter((moment) => !beside.moments.includes(moment));
  if (apart.length > 0) return { ok: true, value: withMoments(layout, id, () => apart) };
  const first = layout.moments.length === 0 ? addMoment(layout, "Under way") : { ok: true as const, value: layout };
  if (!first.ok) return first;
  const made = addMoment(first.value, `With ${control.name}`.slice(0, 80));
  if (!made.ok) return made;
  const own = made.value.moments[made.value.moments.length - 1].id;
  const alone = withMoments(made.value, id, () => [own]);
  return { ok: true, value: withMoments(alone, other, (moments) => moments.filter((moment) => moment !== own)) };
}

/** Moves a control to other moments, with the actions that only it serves. */
function withMoments(layout: Layout, id: string, change: (moments: readonly string[]) => string[]): Layout {
  const served = byId(layout.controls)
    .get(id)!
    .serves.map((serve) => serve.action);
  const alone = served.filter((name) => layout.controls.every((c) => c.id === id || c.serves.every((serve) => serve.action !== name)));
  return {
    ...layout,
    controls: layout.controls.map((c) => (c.id === id ? { ...c, moments: change(c.moments) } : c)),
    actions: layout.actions.map((action) => (alone.includes(action.name) ? { ...action, moments: change(action.moments) } : action)),
  };
}
