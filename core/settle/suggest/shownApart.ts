/** Of two controls that are in each other's way, one shown at another time of the game. */
import { byId } from "../../derived/byId";
import { addMoment } from "../../editing/edits/moments";
import { refused, type Result } from "../../engine/result";
import type { Layout } from "../../format/types";

/**
 * Shows a control only when another does not. In moments of which it has one without the other it stays there; else it gets its own moment,
 * and what it alone serves is wanted in that one. A layout without moments gets two: one for all that there was, and that one.
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

/** A control in other moments, and with it the actions that it alone serves: they are wanted when it is there. */
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
