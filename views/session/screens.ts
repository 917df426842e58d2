/** Which screens are in view: on the bench, in the rail, on the shelf. */
import type { Layout, Screen } from "../../core/layout/types";
import { catalogueFor, RAIL_CLASSES } from "../../core/placement/catalogue";

const shelves = new Map<Layout["orientation"], Screen[]>();

/** Every screen a layout may be looked at on: the catalogue of its orientation, then its own. */
export function shelfOf(layout: Layout): readonly Screen[] {
  let shipped = shelves.get(layout.orientation);
  if (!shipped) shelves.set(layout.orientation, (shipped = catalogueFor(layout.orientation)));
  return layout.workbench.screens.length > 0 ? [...shipped, ...layout.workbench.screens] : shipped;
}

/** The screens of the rail: those the layout names, or the usual eight. */
export function railOf(layout: Layout): readonly Screen[] {
  const shelf = shelfOf(layout);
  const names = layout.workbench.rail.length > 0 ? layout.workbench.rail : RAIL_CLASSES;
  return names.flatMap((name) => shelf.find((s) => s.name === name || (layout.orientation === "both" && s.name === `${name}, landscape`)) ?? []);
}

/** The screen on the bench: the one the layout names, or the first of the rail. */
export function benchScreenOf(layout: Layout): Screen {
  const shelf = shelfOf(layout);
  return shelf.find((s) => s.name === layout.workbench.screen) ?? railOf(layout)[0] ?? shelf[0];
}
