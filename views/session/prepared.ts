/** Prepared layouts and their places on screens, worked out once for every view that shows them. */
import type { Layout, Screen } from "../../core/format/types";
import type { Sight } from "../../core/editing/placing";
import { prepareLayout, type PreparedLayout } from "../../core/engine/placement/prepare";
import { resolve, type Resolved, type View } from "../../core/engine/placement/resolve";

const prepared = new WeakMap<Layout, PreparedLayout>();
const places = new WeakMap<Layout, WeakMap<Screen, Map<string, Resolved>>>();

/** Where a layout stands on a screen for a player in a moment (null: every one). The same three give the same object. */
export function resolvedOf(layout: Layout, screen: Screen, view: View): Resolved {
  let ready = prepared.get(layout);
  if (!ready) prepared.set(layout, (ready = prepareLayout(layout)));
  let screens = places.get(layout);
  if (!screens) places.set(layout, (screens = new WeakMap()));
  let views = screens.get(screen);
  if (!views) screens.set(screen, (views = new Map()));
  const key = `${view.handed} ${view.playerSize} ${view.moment ?? "\n"}`;
  let resolved = views.get(key);
  if (!resolved) views.set(key, (resolved = resolve(ready, screen, view)));
  return resolved;
}

const sights = new WeakMap<Resolved, Sight>();

/** The sight from which an edit by hand starts. The same three give the same object. */
export function sightFor(layout: Layout, screen: Screen, view: View): Sight {
  const resolved = resolvedOf(layout, screen, view);
  let sight = sights.get(resolved);
  if (!sight) sights.set(resolved, (sight = { layout, screen, view, resolved }));
  return sight;
}
