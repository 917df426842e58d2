/** Which screens are in view: on the bench, in the rail, on the shelf. */
import type { Layout, Screen } from "../../core/format/types";
import { byName } from "../../core/derived/byId";
import { catalogueFor, RAIL_CLASSES } from "../../core/checks/catalogue";

/** What of a layout says which screens are in view. */
export type Screens = Pick<Layout, "orientation" | "workbench" | "reference">;

const shelves = new Map<Layout["orientation"], Screen[]>();

/** Every screen a layout may be looked at on: the catalogue of its orientation, then its own. */
export function shelfOf(layout: Screens): readonly Screen[] {
  let shipped = shelves.get(layout.orientation);
  if (!shipped) shelves.set(layout.orientation, (shipped = catalogueFor(layout.orientation)));
  return layout.workbench.screens.length > 0 ? [...shipped, ...layout.workbench.screens] : shipped;
}

const HELD_HOW = /, (?:landscape|portrait)$/;

/**
 * The screen of a name. A layout that is held either way has each class twice, named after how it is held: a name that does not say so is
 * the one held as the layout is drawn, and where a layout is held one way only, a name that says so is that class.
 */
function screenNamed(layout: Screens, shelf: readonly Screen[], name: string): Screen | undefined {
  const drawn = layout.reference.width >= layout.reference.height ? "landscape" : "portrait";
  return byName(shelf).get(name) ?? byName(shelf).get(`${name}, ${drawn}`) ?? byName(shelf).get(name.replace(HELD_HOW, ""));
}

/** The screens of the rail: those the layout names, or the usual eight. */
export function railOf(layout: Screens): readonly Screen[] {
  const shelf = shelfOf(layout);
  const names = layout.workbench.rail.length > 0 ? layout.workbench.rail : RAIL_CLASSES;
  return [...new Set(names.flatMap((name) => screenNamed(layout, shelf, name) ?? []))];
}

/** The screen on the bench: the one the layout names, or the first of the rail. */
export function benchScreenOf(layout: Screens): Screen {
  const shelf = shelfOf(layout);
  return screenNamed(layout, shelf, layout.workbench.screen) ?? railOf(layout)[0] ?? shelf[0];
}
