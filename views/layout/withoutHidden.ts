/** The bench without what was hidden for now. Only what is drawn and pointed at: the layout itself is whole. */
import { inCluster } from "../../core/editing/placeables";
import type { EditContext } from "../../core/editing/placing";

export function withoutHidden(context: EditContext, hidden: readonly string[]): EditContext {
  if (hidden.length === 0) return context;
  const { layout, resolved } = context;
  const gone = new Set(hidden.flatMap((key) => [key, ...inCluster(layout, key, resolved.arrangement)]));
  return {
    ...context,
    resolved: {
      ...resolved,
      controls: resolved.controls.filter((c) => !gone.has(c.id)),
      keepClear: resolved.keepClear.filter((z) => !gone.has(z.id)),
      clusters: Object.fromEntries(Object.entries(resolved.clusters).filter(([id]) => !gone.has(id))),
    },
  };
}
