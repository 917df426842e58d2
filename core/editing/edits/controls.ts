/** Edits of controls: add, remove, duplicate, rename, reorder, and their hit, feel and look. Layout in, layout or reason out. */
import { ownEntry } from "../../engine/playerChanges";
import { ok, refused, type Result } from "../../engine/result";
import { byId } from "../../derived/byId";
import type { Arrangement, Control, Layout, Placement } from "../../format/types";
import { checked, withControl } from "./checked";
import { freeIdOf } from "./ids";

/** An id that is free, made from a wish: `horn`, `horn-2`, `horn-3`… */
export function freeId(layout: Layout, wish: string): string {
  return freeIdOf([...layout.controls, ...layout.clusters, ...layout.keepClear], wish, "control");
}

export function addControls(layout: Layout, controls: readonly Control[]): Result<Layout> {
  return checked(layout, { ...layout, controls: [...layout.controls, ...controls] });
}

/** Removes controls, clusters and keep-clear zones with what refers to them; with a cluster goes all that is in it. */
export function removePlaceables(layout: Layout, ids: readonly string[]): Result<Layout> {
  const gone = new Set(ids);
  const standsIn = (placement: Placement | undefined) => placement?.kind === "pin" && typeof placement.frame === "object" && gone.has(placement.frame.cluster);
  for (const c of layout.controls) if (standsIn(c.placement)) gone.add(c.id);
  const known = new Set([...layout.controls, ...layout.clusters, ...layout.keepClear].map((item) => item.id));
  const missing = ids.find((id) => !known.has(id));
  if (missing !== undefined) return refused("controls", `nothing on the glass has the id "${missing}"`);
  return checked(layout, {
    ...layout,
    controls: layout.controls.filter((c) => !gone.has(c.id)),
    clusters: layout.clusters.filter((c) => !gone.has(c.id)),
    keepClear: layout.keepClear.filter((z) => !gone.has(z.id)),
    arrangements: layout.arrangements.map((a) => withoutOverrides(a, gone)),
    accepted: layout.accepted.filter((a) => !a.subjects.some((s) => gone.has(s))),
    workbench: withLocks(layout, (id) => (gone.has(id) ? null : id)),
  });
}

/** The workbench with each lock under another id, or none; the same one where nothing changes. */
function withLocks(layout: Layout, next: (id: string) => string | null): Layout["workbench"] {
  const { locked } = layout.workbench;
  if (Object.keys(locked).every((id) => next(id) === id)) return layout.workbench;
  const kept = Object.entries(locked).flatMap(([id, what]) => {
    const to = next(id);
    return to === null ? [] : [[to, what] as const];
  });
  return { ...layout.workbench, locked: Object.fromEntries(kept) };
}

function withoutOverrides(arrangement: Arrangement, gone: ReadonlySet<string>): Arrangement {
  const stays = ([id, { placement }]: [string, Arrangement["overrides"][string]]) =>
    !gone.has(id) && !(placement?.kind === "pin" && typeof placement.frame === "object" && gone.has(placement.frame.cluster));
  const entries = Object.entries(arrangement.overrides);
  return entries.every(stays) ? arrangement : { ...arrangement, overrides: Object.fromEntries(entries.filter(stays)) };
}

/** Copies of controls with free ids and names, set above all others, and the ids they got. `shift` changes each copy (its place, say). */
export function duplicateControls(
  layout: Layout,
  originals: readonly Control[],
  shift: (copy: Control) => Control = (c) => c,
): Result<{ layout: Layout; ids: string[] }> {
  let grown = layout;
  const ids: string[] = [];
  for (const original of originals) {
    const id = freeId(grown, original.id.replace(/-\d+$/, ""));
    const known = new Set(layout.moments.map((m) => m.id));
    const copy = shift({ ...original, id, name: freeName(grown, original.name.replace(/ \d+$/, "")), moments: original.moments.filter((m) => known.has(m)) });
    ids.push(id);
    grown = { ...grown, controls: [...grown.controls, copy] };
  }
  const result = checked(layout, grown);
  return result.ok ? ok({ layout: result.value, ids }) : result;
}

/** A name that no control, cluster or zone has yet, made from a wish: `Horn`, `Horn 2`, `Horn 3`… */
export function freeName(layout: Layout, wish: string): string {
  const used = new Set([...layout.controls, ...layout.clusters, ...layout.keepClear].map((item) => item.name));
  const base = (wish.trim() || "Control").slice(0, 74);
  let name = base;
  for (let n = 2; used.has(name); n += 1) name = `${base} ${n}`;
  return name;
}

/** Gives a control, cluster or zone another name, as people read it. */
export function renamePlaceable(layout: Layout, id: string, name: string): Result<Layout> {
  if (![...layout.controls, ...layout.clusters, ...layout.keepClear].some((item) => item.id === id)) return refused("controls", `there is no control "${id}"`);
  const named = <T extends { id: string }>(list: T[]): T[] =>
    list.some((item) => item.id === id) ? list.map((item) => (item.id === id ? { ...item, name } : item)) : list;
  return checked(layout, { ...layout, controls: named(layout.controls), clusters: named(layout.clusters), keepClear: named(layout.keepClear) });
}

/** Moves controls within the drawing order by one step, or to an end. Later is on top. */
export function reorderControls(layout: Layout, ids: readonly string[], to: "up" | "down" | "top" | "bottom"): Result<Layout> {
  const moving = new Set(ids);
  const list = [...layout.controls];
  if (to === "top" || to === "bottom") {
    const [some, rest] = [list.filter((c) => moving.has(c.id)), list.filter((c) => !moving.has(c.id))];
    return checked(layout, { ...layout, controls: to === "top" ? [...rest, ...some] : [...some, ...rest] });
  }
  const step = to === "up" ? 1 : -1;
  const order = to === "up" ? [...list.keys()].reverse() : [...list.keys()];
  for (const i of order) {
    const j = i + step;
    if (!moving.has(list[i].id) || j < 0 || j >= list.length || moving.has(list[j].id)) continue;
    [list[i], list[j]] = [list[j], list[i]];
  }
  return checked(layout, { ...layout, controls: list });
}

/** Changes fields of a control's hit area: in the base, or with an arrangement named, as its override. */
export function changeHit(layout: Layout, id: string, change: Partial<Control["hit"]>, arrangement: string | null = null): Result<Layout> {
  if (arrangement === null) return withControl(layout, id, (c) => ({ ...c, hit: { ...c.hit, ...change } }) as Control);
  const base = byId(layout.controls).get(id)?.hit;
  if (!base) return refused("controls", `there is no control "${id}"`);
  return checked(layout, {
    ...layout,
    arrangements: layout.arrangements.map((a) => {
      if (a.id !== arrangement) return a;
      const own = ownEntry(a.overrides, id) ?? { hidden: false };
      return { ...a, overrides: { ...a.overrides, [id]: { ...own, hit: { ...(own.hit ?? base), ...change } } } };
    }),
  });
}

/** Changes fields of a control's feel; a field that its kind lacks is refused. */
export function changeFeel(layout: Layout, id: string, change: object): Result<Layout> {
  return withControl(layout, id, (c) => ({ ...c, feel: { ...c.feel, ...change } }) as Control);
}

/** Changes fields of a control's look. */
export function changeLook(layout: Layout, id: string, change: Partial<Control["look"]>): Result<Layout> {
  return withControl(layout, id, (c) => ({ ...c, look: { ...c.look, ...change } }) as Control);
}

/** In which moments controls show; of an empty list none. */
export function changeMoments(layout: Layout, ids: readonly string[], moments: readonly string[]): Result<Layout> {
  const order = layout.moments.map((m) => m.id).filter((m) => moments.includes(m));
  const set = new Set(ids);
  const change = <T extends { id: string; moments: string[] }>(item: T): T => (set.has(item.id) ? { ...item, moments: order } : item);
  return checked(layout, { ...layout, controls: layout.controls.map(change), keepClear: layout.keepClear.map(change) });
}
