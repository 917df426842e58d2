/**
 * Pasting: what was copied comes in as it was, clusters as clusters. In the layout it came from nothing is asked; in another, what its
 * words mean there is for the user to say, as when controls are taken over.
 */
import type { Layout, Serve } from "../format/types";
import { clusterOf } from "../editing/placeables";
import { ok, type Result } from "../engine/result";
import { adopt, type Adoption, type WordChoice } from "./adopt";

const servesOf = (layout: Layout) => layout.controls.flatMap((c) => c.serves as readonly Serve[]);

/** What was copied: its own small layout. `whole`: the ids of the clusters that were copied as such; of the others only some controls were. */
export interface Clip {
  readonly layout: Layout;
  readonly whole: readonly string[];
}

/** The words of what was copied that mean something where it comes from and not, or not the same, here. With none of them it can be pasted at once. */
export function strangeWords(clip: Clip, here: Layout): string[] {
  const kinds = new Map(here.actions.map((a) => [a.name, a.kind]));
  return clip.layout.actions.filter((a) => kinds.get(a.name) !== a.kind).map((a) => a.name);
}

/** Words as they are: an action of the same name here, or a wire that leads to nothing, as it did. */
export function plainWords(clip: Clip, here: Layout): Map<string, WordChoice> {
  const names = new Set(here.actions.map((a) => a.name));
  return new Map(servesOf(clip.layout).map((s) => [s.action, names.has(s.action) ? { kind: "means", action: s.action } : { kind: "keep" }]));
}

/**
 * Pastes. A control whose cluster was not copied as such is in the cluster of that id here, where there is one; else its cluster
 * comes with it. Gives the keys of what came: clusters, and controls outside them.
 */
export function pasteClip(clip: Clip, here: Layout, choice: Pick<Adoption, "words" | "unitRatio">): Result<{ layout: Layout; keys: string[] }> {
  const controls = new Map(clip.layout.controls.map((c) => [c.id, "control" as const]));
  const joins = new Set(here.clusters.map((c) => c.id).filter((id) => !clip.whole.includes(id)));
  const used = adopt(here, clip.layout, { ...choice, controls, joins });
  if (!used.ok) return used;
  const { layout, ids, clusters } = used.value;
  const inside = new Set(clusters);
  const loose = layout.controls.filter((c) => ids.includes(c.id) && !inside.has(clusterOf(c.placement) ?? ""));
  return ok({ layout, keys: [...clusters, ...loose.map((c) => c.id)] });
}
