/** How the interface speaks of what is on the glass: by the names people gave, never by ids or places in lists. */
import type { Layout } from "../../core/format/types";
import { byId, nameById } from "../../core/derived/byId";
import { placeableOf } from "../../core/editing/placeables";
import { problemText, type Problem } from "../../core/engine/result";

/** The name of a control, cluster or zone, or of a stick's landing area; of what is not there the key itself. */
export function nameOf(layout: Layout, key: string): string {
  const placeable = placeableOf(layout, key);
  if (placeable?.kind === "landing") return `the landing area of ${nameOf(layout, placeable.id)}`;
  return nameById(layout, key) ?? key;
}

/** A text of the core with the names of what it names by id, between backticks. */
export const named = (layout: Layout, text: string): string => text.replace(/`([^`]+)`/g, (_, id: string) => nameOf(layout, id));

/** One of them by its name, several by their number. */
export function namesOf(layout: Layout, keys: readonly string[], many = "controls"): string {
  return keys.length === 1 ? nameOf(layout, keys[0]) : `${keys.length} ${many}`;
}

/** The name of a moment; of one that is not there its id. */
export function momentName(layout: Layout, id: string): string {
  return byId(layout.moments).get(id)?.name ?? id;
}

/** What one item of a list is called, where it has no name yet. */
const ITEM: Readonly<Record<string, string>> = {
  actions: "the new action",
  moments: "the new moment",
  clusters: "the new cluster",
  controls: "the new control",
  keepClear: "the new zone",
  arrangements: "the new arrangement",
};

/** `controls[3].feel.inner` → “Helm”, feel inner. `layout`: the one the places count in. */
function placeText(layout: Layout, path: string): string {
  const indexed = /^(\w+)\[(\d+)\]\.?(.*)$/.exec(path);
  const words = (rest: string) => rest.replace(/[.[\]]+/g, " ").trim();
  if (!indexed || !(indexed[1] in ITEM)) {
    const name = nameOf(layout, path);
    return name === path ? words(path) : `“${name}”`;
  }
  const [, list, index, rest] = indexed;
  const item = (layout[list as "controls"] as readonly { name: string }[])[Number(index)];
  const whole = item ? `“${item.name}”` : ITEM[list];
  return rest === "" ? whole : `${whole}, ${words(rest)}`;
}

/** Problems of an edit as lines of text, each led by the name of what it is about. Lists as such are not named. */
export function spokenProblems(layout: Layout, problems: readonly Problem[], most: number): string {
  const lists = new Set(["controls", "clusters", "keepClear", "actions", "moments", "arrangements", "accepted", "together"]);
  return problemText(
    problems.map((p) => ({ ...p, path: lists.has(p.path) || p.path === "" ? "" : placeText(layout, p.path) })),
    most,
  );
}
