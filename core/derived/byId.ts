/** Lists by what their items are called, computed once a list: lists never change in place, so a list that is the same object has the same items. */
import type { Layout } from "../format/types";

type Named = { readonly id: string };
type Worded = { readonly name: string };

const byIds = new WeakMap<readonly Named[], ReadonlyMap<string, Named>>();
const byNames = new WeakMap<readonly Worded[], ReadonlyMap<string, Worded>>();

function mapped<T>(list: readonly T[], key: (item: T) => string): ReadonlyMap<string, T> {
  const map = new Map<string, T>();
  for (const item of list) if (!map.has(key(item))) map.set(key(item), item);
  return map;
}

/** The items of a list by their ids; of two with one id the first. */
export function byId<T extends Named>(list: readonly T[]): ReadonlyMap<string, T> {
  let map = byIds.get(list);
  if (!map) byIds.set(list, (map = mapped(list, (item) => item.id)));
  return map as ReadonlyMap<string, T>;
}

/** The items of a list by their names: actions, screens. */
export function byName<T extends Worded>(list: readonly T[]): ReadonlyMap<string, T> {
  let map = byNames.get(list);
  if (!map) byNames.set(list, (map = mapped(list, (item) => item.name)));
  return map as ReadonlyMap<string, T>;
}

/** What a control, cluster or keep-clear zone of a layout is called; undefined where nothing has the id. */
export function nameById({ controls, clusters, keepClear }: Pick<Layout, "controls" | "clusters" | "keepClear">, id: string): string | undefined {
  return (byId<Named & Worded>(controls).get(id) ?? byId<Named & Worded>(clusters).get(id) ?? byId<Named & Worded>(keepClear).get(id))?.name;
}
