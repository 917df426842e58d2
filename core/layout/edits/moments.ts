/** Edits of moments: the times in a game that have their own controls. */
import { refused, type Result } from "../../result";
import type { Layout } from "../types";
import { checked } from "./check";
import { freeIdOf } from "./ids";

/** Adds a moment; what showed in every moment shows in it too. */
export function addMoment(layout: Layout, name: string): Result<Layout> {
  const id = freeIdOf(layout.moments, name, "moment");
  const all = layout.moments.length;
  const grown = <T extends { moments: string[] }>(item: T): T => (item.moments.length === all ? { ...item, moments: [...item.moments, id] } : item);
  return checked(layout, {
    ...layout,
    moments: [...layout.moments, { id, name }],
    actions: layout.actions.map(grown),
    controls: layout.controls.map(grown),
    keepClear: layout.keepClear.map(grown),
  });
}

/** Gives a moment another name; its id stays. */
export function renameMoment(layout: Layout, id: string, name: string): Result<Layout> {
  if (!layout.moments.some((m) => m.id === id)) return refused("moments", `there is no moment "${id}"`);
  return checked(layout, { ...layout, moments: layout.moments.map((m) => (m.id === id ? { ...m, name } : m)) });
}

/** Removes a moment; what showed in it alone is then shown in none. Of the last moment: everything is shown always again. */
export function removeMoment(layout: Layout, id: string): Result<Layout> {
  if (!layout.moments.some((m) => m.id === id)) return refused("moments", `there is no moment "${id}"`);
  const shrunk = <T extends { moments: string[] }>(item: T): T =>
    item.moments.includes(id) ? { ...item, moments: item.moments.filter((m) => m !== id) } : item;
  return checked(layout, {
    ...layout,
    moments: layout.moments.filter((m) => m.id !== id),
    actions: layout.actions.map(shrunk),
    controls: layout.controls.map(shrunk),
    keepClear: layout.keepClear.map(shrunk),
  });
}
