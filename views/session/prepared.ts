/** Prepared layouts and their places on screens, worked out once for every view that shows them. */
import type { Layout, Screen } from "../../core/layout/types";
import type { Sight } from "../../core/placement/edits";
import { prepareLayout, type PreparedLayout } from "../../core/placement/prepare";
import { PLAIN_VIEW, resolve, type Resolved } from "../../core/placement/resolve";

const prepared = new WeakMap<Layout, PreparedLayout>();
const places = new WeakMap<Layout, WeakMap<Screen, Map<string | null, Resolved>>>();

/** Where a layout stands on a screen in a moment (null: every one). The same three give the same object. */
export function resolvedOf(layout: Layout, screen: Screen, moment: string | null): Resolved {
  let ready = prepared.get(layout);
  if (!ready) prepared.set(layout, (ready = prepareLayout(layout)));
  let screens = places.get(layout);
  if (!screens) places.set(layout, (screens = new WeakMap()));
  let moments = screens.get(screen);
  if (!moments) screens.set(screen, (moments = new Map()));
  let resolved = moments.get(moment);
  if (!resolved) moments.set(moment, (resolved = resolve(ready, screen, { ...PLAIN_VIEW, moment })));
  return resolved;
}

/** The sight from which an edit by hand starts. */
export function sightFor(layout: Layout, screen: Screen, moment: string | null): Sight {
  return { layout, screen, resolved: resolvedOf(layout, screen, moment) };
}
