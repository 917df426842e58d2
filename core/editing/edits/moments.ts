/** Edits of moments: the times in a game that have their own controls. */
import { ok, refused, type Result } from "../../engine/result";
import type { Layout } from "../../format/types";
import { checked } from "./checked";
import { removePlaceables } from "./controls";
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

/** Moves a moment within the order in which the game's moments are listed. */
export function moveMoment(layout: Layout, id: string, to: number): Result<Layout> {
  const from = layout.moments.findIndex((m) => m.id === id);
  if (from < 0) return refused("moments", `there is no moment "${id}"`);
  const moments = [...layout.moments];
  const [moved] = moments.splice(from, 1);
  moments.splice(Math.max(0, Math.min(moments.length, to)), 0, moved);
  const rank = new Map(moments.map((m, i) => [m.id, i]));
  const sorted = <T extends { moments: string[] }>(item: T): T => ({ ...item, moments: [...item.moments].sort((a, b) => rank.get(a)! - rank.get(b)!) });
  return checked(layout, {
    ...layout,
    moments,
    actions: layout.actions.map(sorted),
    controls: layout.controls.map(sorted),
    keepClear: layout.keepClear.map(sorted),
  });
}

/** What shows, or is wanted, in one moment and in no other. */
export function onlyIn(
  layout: Layout,
  id: string,
): { readonly actions: readonly string[]; readonly controls: readonly string[]; readonly zones: readonly string[] } {
  const alone = (item: { moments: readonly string[] }) => item.moments.length === 1 && item.moments[0] === id;
  return {
    actions: layout.actions.filter(alone).map((a) => a.name),
    controls: layout.controls.filter(alone).map((c) => c.id),
    zones: layout.keepClear.filter(alone).map((z) => z.id),
  };
}

/** What becomes of that which belonged to a removed moment alone: it belongs to none, it goes too, or it moves to another. */
export type Homeless = { readonly kind: "none" } | { readonly kind: "remove" } | { readonly kind: "to"; readonly moment: string };

/**
 * Removes a moment. What belonged to it alone then belongs to none, goes with it (controls and zones; an action stays, since the
 * game still reads it), or moves to another moment. Of the last moment: everything is shown always again.
 */
export function removeMoment(layout: Layout, id: string, homeless: Homeless = { kind: "none" }): Result<Layout> {
  if (!layout.moments.some((m) => m.id === id)) return refused("moments", `there is no moment "${id}"`);
  if (homeless.kind === "to" && (homeless.moment === id || !layout.moments.some((m) => m.id === homeless.moment)))
    return refused("moments", `there is no other moment "${homeless.moment}" to move to`);
  const shrunk = <T extends { moments: string[] }>(item: T): T => {
    if (!item.moments.includes(id)) return item;
    const left = item.moments.filter((m) => m !== id);
    return { ...item, moments: left.length === 0 && homeless.kind === "to" ? [homeless.moment] : left };
  };
  const alone = onlyIn(layout, id);
  const gone = [...alone.controls, ...alone.zones];
  const without = homeless.kind === "remove" && gone.length > 0 ? removePlaceables(layout, gone) : ok(layout);
  if (!without.ok) return without;
  const rest = without.value;
  const { [id]: _backdrop, ...momentPictures } = rest.workbench.momentPictures;
  return checked(layout, {
    ...rest,
    moments: rest.moments.filter((m) => m.id !== id),
    actions: rest.actions.map(shrunk),
    controls: rest.controls.map(shrunk),
    keepClear: rest.keepClear.map(shrunk),
    workbench: Object.hasOwn(rest.workbench.momentPictures, id) ? { ...rest.workbench, momentPictures } : rest.workbench,
  });
}
