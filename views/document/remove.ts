/** Taking things away: it is done at once, said by name, and brought back at one click. */
import { removeAction } from "../../core/editing/edits/actions";
import { removePlaceables } from "../../core/editing/edits/controls";
import type { Layout } from "../../core/format/types";
import { inCluster } from "../../core/editing/placeables";
import type { Edit, Session } from "./session";
import { nameOf } from "./names";

/** Makes an edit that takes something away and says so, with the way back. `what`: a sentence without its end, “Horn” is deleted. */
export function removeWithNotice(session: Session, label: string, what: string, edit: Edit): boolean {
  if (!session.edit(label, edit)) return false;
  session.tell({ text: `${what}.`, tone: "plain", act: { label: "Restore", run: () => session.undo() } });
  return true;
}

/** A few names in a row, and how many more. */
function listed(names: readonly string[]): string {
  const shown = names.slice(0, 3).map((name) => `“${name}”`);
  const more = names.length - shown.length;
  return more > 0 ? `${shown.join(", ")} and ${more} more` : shown.join(shown.length === 2 ? " and " : ", ");
}

/** What deleting would take away, as a sentence without its end. */
function deletedText(layout: Layout, keys: readonly string[]): string {
  const inside = [...new Set(keys.flatMap((key) => inCluster(layout, key, null)))].filter((id) => !keys.includes(id));
  const names = (ids: readonly string[]) => listed(ids.map((id) => nameOf(layout, id)));
  return `${names(keys)} ${keys.length === 1 ? "is" : "are"} deleted${inside.length > 0 ? `, with ${names(inside)} in ${keys.length === 1 ? "it" : "them"}` : ""}`;
}

/** Deletes controls, clusters with all in them, zones. */
export function deletePlaceables(session: Session, keys: readonly string[], word = "delete"): boolean {
  const { layout } = session.store.getState();
  const label = `${word} ${keys.length === 1 ? nameOf(layout, keys[0]) : `${keys.length} controls`}`;
  return removeWithNotice(session, label, deletedText(layout, keys), (l) => removePlaceables(l, keys));
}

/** Removes an action; says which controls go on naming it. */
export function deleteAction(session: Session, name: string): boolean {
  const { layout } = session.store.getState();
  const left = layout.controls.filter((c) => c.serves.some((s) => s.action === name)).map((c) => c.name);
  const still = left.length === 0 ? "" : `; ${listed(left)} still ${left.length === 1 ? "leads" : "lead"} to it, and so to nothing`;
  return removeWithNotice(session, `remove ${name}`, `Action “${name}” removed${still}`, (l) => removeAction(l, name));
}
