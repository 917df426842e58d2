/**
 * Where layouts are on screens. Of a version in which little has changed only that little is computed: every other control keeps
 * the very object that the version before had, so that whoever compares by identity sees at once that it has not moved.
 */
import { resolve, type KeptPlaces, type PlayerView, type Resolved } from "../engine/placement/resolve";
import type { Layout, Screen } from "../format/types";
import { keptOnScreen } from "./cached";
import { preparedOf } from "./prepared";

/** The places known on a screen, and what they depend on in addition to the controls themselves: where one of these changes, nothing known holds any more. */
interface Known extends Pick<Layout, "scale" | "reference" | "picture"> {
  readonly places: KeptPlaces;
}
const known = new WeakMap<Screen, Map<string, Known>>();

/** How much has been computed since the application began: for measuring, of no consequence to anything else. */
export interface ResolveCounts {
  /** Screens placed, whole or in part. */
  readonly screens: number;
  /** Controls placed on a screen that could not be taken from the version before. */
  readonly controls: number;
}
let screensWorked = 0;
let controlsWorked = 0;
/** What has been computed so far. */
export const workDone = (): ResolveCounts => ({ screens: screensWorked, controls: controlsWorked });

function placesOf(screen: Screen, { handed, playerSize }: PlayerView, layout: Layout): KeptPlaces {
  let views = known.get(screen);
  if (!views) known.set(screen, (views = new Map()));
  const key = `${handed} ${playerSize}`;
  const { scale, reference, picture } = layout;
  const before = views.get(key);
  if (before && before.scale === scale && before.reference === reference && before.picture === picture) return before.places;
  const places: KeptPlaces = { rooms: new WeakMap(), controls: new WeakMap(), worked: 0 };
  views.set(key, { scale, reference, picture, places });
  return places;
}

/** Where a layout is on a screen for a player in a moment (null: every one). The same three give the same object. */
export const resolvedOn = keptOnScreen((layout: Layout, screen: Screen, playerView: PlayerView): Resolved => {
  const places = placesOf(screen, playerView, layout);
  const before = places.worked;
  const resolved = resolve(preparedOf(layout), screen, playerView, places);
  screensWorked += 1;
  controlsWorked += places.worked - before;
  return resolved;
});
