/** Prepared layouts and their places on screens, worked out once for every view that shows them. */
import type { Layout, Screen } from "../../core/format/types";
import type { EditContext } from "../../core/editing/placing";
import { prepareLayout, type PreparedLayout } from "../../core/engine/placement/prepare";
import { resolve, type Resolved, type PlayerView } from "../../core/engine/placement/resolve";

const prepared = new WeakMap<Layout, PreparedLayout>();
const places = new WeakMap<Layout, WeakMap<Screen, Map<string, Resolved>>>();

/** Where a layout stands on a screen for a player in a moment (null: every one). The same three give the same object. */
export function resolvedOf(layout: Layout, screen: Screen, playerView: PlayerView): Resolved {
  let ready = prepared.get(layout);
  if (!ready) prepared.set(layout, (ready = prepareLayout(layout)));
  let screens = places.get(layout);
  if (!screens) places.set(layout, (screens = new WeakMap()));
  let views = screens.get(screen);
  if (!views) screens.set(screen, (views = new Map()));
  const key = `${playerView.handed} ${playerView.playerSize} ${playerView.moment ?? "\n"}`;
  let resolved = views.get(key);
  if (!resolved) views.set(key, (resolved = resolve(ready, screen, playerView)));
  return resolved;
}

const contexts = new WeakMap<Resolved, EditContext>();

/** The edit context from which an edit by hand starts. The same three give the same object. */
export function editContextFor(layout: Layout, screen: Screen, playerView: PlayerView): EditContext {
  const resolved = resolvedOf(layout, screen, playerView);
  let context = contexts.get(resolved);
  if (!context) contexts.set(resolved, (context = { layout, screen, playerView, resolved }));
  return context;
}
