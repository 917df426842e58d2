/** What can be done with a selection at one gesture, by key or by button: gather, dissolve, the second side, splitting the screen. */
import { dissolve, gather } from "../../core/editing/clusters";
import type { EditContext } from "../../core/editing/placing";
import { splitScreen } from "../../core/editing/split";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { makeCopies, makeMirroredCopies } from "../../core/editing/mirroredCopies";
import { freeName } from "../../core/editing/edits/controls";
import { ok } from "../../core/engine/result";
import type { Session } from "../session/session";
import { setBench } from "./bench";
import { nameOf, namesOf } from "../shared/names";

/** Gathers the selected controls into a cluster. */
export function gatherSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const ids = selection.filter((key) => placeableOf(context.layout, key)?.kind === "control");
  if (ids.length < 2) return session.tell({ text: "A cluster is made of two controls or more; select them with Shift.", tone: "plain" });
  const made = gather(context, ids, freeName(context.layout, "Cluster"));
  if (!made.ok) session.edit("gather", () => made);
  else if (session.edit(`gather ${ids.length} controls`, () => ok(made.value.layout))) session.select([made.value.id]);
}

/** Dissolves the selected clusters; what stood in them is then selected. */
export function dissolveSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  for (const id of selection.filter((key) => placeableOf(context.layout, key)?.kind === "cluster")) {
    const children = inCluster(context.layout, id, context.resolved.arrangement);
    const { layout } = session.store.getState();
    if (session.edit(`dissolve ${nameOf(layout, id)}`, () => dissolve({ ...context, layout }, id))) session.select(children);
    setBench({ entered: null });
  }
}

/** Makes the mirrored twins of what is selected, and says that they serve nothing yet. */
export function mirrorSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const made = makeMirroredCopies(context, selection);
  if (!made.ok) {
    session.edit("second side", () => made);
    return;
  }
  if (!session.edit("second side", () => ok(made.value.layout))) return;
  session.select(made.value.keys);
  const count = made.value.layout.controls.length - context.layout.controls.length;
  session.tell({
    text:
      count === 1
        ? "The second side stands. It serves nothing yet: bind it in its card."
        : `The second side stands: ${count} controls. They serve nothing yet: bind them in their cards.`,
    tone: "plain",
  });
}

/** Splits the screen between the two selected. */
export function splitSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  if (selection.length !== 2) return session.tell({ text: "The screen is split between two: select two sticks, touchpads or swipes.", tone: "plain" });
  session.edit("split the screen", () => splitScreen(context, selection[0], selection[1]));
}

/** Copies what is selected, and selects the copies. */
export function copySelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const label = `duplicate ${namesOf(context.layout, selection)}`;
  const made = makeCopies(context, selection);
  if (!made.ok) session.edit(label, () => made);
  else if (session.edit(label, () => ok(made.value.layout))) session.select(made.value.keys);
}
