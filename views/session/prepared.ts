/** Prepared layouts and their places on screens, worked out once for every view that shows them. */
import type { Layout, Screen } from "../../core/layout/types";
import type { Sight } from "../../core/placement/edits";
import { prepareLayout, type PreparedLayout } from "../../core/placement/prepare";
import { resolve, type Resolved } from "../../core/placement/resolve";

const prepared = new WeakMap<Layout, PreparedLayout>();
const places = new WeakMap<Layout, WeakMap<Screen, Resolved>>();

/** Where a layout stands on a screen, every moment shown. The same layout and screen give the same object. */
export function resolvedOf(layout: Layout, screen: Screen): Resolved {
  let ready = prepared.get(layout);
  if (!ready) prepared.set(layout, (ready = prepareLayout(layout)));
  let screens = places.get(layout);
  if (!screens) places.set(layout, (screens = new WeakMap()));
  let resolved = screens.get(screen);
  if (!resolved) screens.set(screen, (resolved = resolve(ready, screen)));
  return resolved;
}

/** The sight from which an edit by hand starts. */
export function sightFor(layout: Layout, screen: Screen): Sight {
  return { layout, screen, resolved: resolvedOf(layout, screen) };
}
