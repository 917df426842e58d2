/** Keeping what has been computed for a layout on a screen, as long as layout and screen live. */
import type { PlayerView } from "../engine/placement/resolve";
import type { Layout, Screen } from "../format/types";

/** Something computed for a layout on a screen as a player sees it. */
export type OnScreen<T> = (layout: Layout, screen: Screen, playerView: PlayerView) => T;

const viewKey = ({ handed, playerSize, moment }: PlayerView) => `${handed} ${playerSize} ${moment ?? "\n"}`;

/** The same work, done once: the same layout, screen and player give the same object. The work must not change what it is given. */
export function keptOnScreen<T>(work: OnScreen<T>): OnScreen<T> {
  const layouts = new WeakMap<Layout, WeakMap<Screen, Map<string, T>>>();
  return (layout, screen, playerView) => {
    let screens = layouts.get(layout);
    if (!screens) layouts.set(layout, (screens = new WeakMap()));
    let views = screens.get(screen);
    if (!views) screens.set(screen, (views = new Map()));
    const key = viewKey(playerView);
    const known = views.get(key);
    if (known !== undefined || views.has(key)) return known as T;
    const made = work(layout, screen, playerView);
    views.set(key, made);
    return made;
  };
}
