/** What can be done with a selection at one gesture, by key or by button: gather, dissolve, the second side, splitting the screen. */
import { dissolve, gather } from "../../core/editing/clusters";
import type { Sight } from "../../core/editing/placing";
import { splitScreen } from "../../core/editing/split";
import { inCluster, spotOf } from "../../core/editing/spots";
import { makeCopies, makeTwins } from "../../core/editing/twins";
import { freeName } from "../../core/editing/edits/controls";
import { ok } from "../../core/engine/result";
import type { Session } from "../session/session";
import { setBench } from "./bench";
import { nameOf, namesOf } from "../shared/names";

/** Gathers the selected controls into a cluster. */
export function gatherSelected(session: Session, sight: Sight, selection: readonly string[]): void {
  const ids = selection.filter((key) => spotOf(sight.layout, key)?.kind === "control");
  if (ids.length < 2) return session.tell({ text: "A cluster is made of two controls or more; select them with Shift.", tone: "plain" });
  const made = gather(sight, ids, freeName(sight.layout, "Cluster"));
  if (!made.ok) session.edit("gather", () => made);
  else if (session.edit(`gather ${ids.length} controls`, () => ok(made.value.layout))) session.select([made.value.id]);
}

/** Dissolves the selected clusters; what stood in them is then selected. */
export function dissolveSelected(session: Session, sight: Sight, selection: readonly string[]): void {
  for (const id of selection.filter((key) => spotOf(sight.layout, key)?.kind === "cluster")) {
    const children = inCluster(sight.layout, id, sight.resolved.arrangement);
    const { layout } = session.store.getState();
    if (session.edit(`dissolve ${nameOf(layout, id)}`, () => dissolve({ ...sight, layout }, id))) session.select(children);
    setBench({ entered: null });
  }
}

/** Makes the mirrored twins of what is selected, and says that they serve nothing yet. */
export function twinSelected(session: Session, sight: Sight, selection: readonly string[]): void {
  const made = makeTwins(sight, selection);
  if (!made.ok) {
    session.edit("second side", () => made);
    return;
  }
  if (!session.edit("second side", () => ok(made.value.layout))) return;
  session.select(made.value.keys);
  const count = made.value.layout.controls.length - sight.layout.controls.length;
  session.tell({
    text:
      count === 1
        ? "The second side stands. It serves nothing yet: bind it in its card."
        : `The second side stands: ${count} controls. They serve nothing yet: bind them in their cards.`,
    tone: "plain",
  });
}

/** Splits the screen between the two selected. */
export function splitSelected(session: Session, sight: Sight, selection: readonly string[]): void {
  if (selection.length !== 2) return session.tell({ text: "The screen is split between two: select two sticks, touchpads or swipes.", tone: "plain" });
  session.edit("split the screen", () => splitScreen(sight, selection[0], selection[1]));
}

/** Copies what is selected, and selects the copies. */
export function copySelected(session: Session, sight: Sight, selection: readonly string[]): void {
  const label = `duplicate ${namesOf(sight.layout, selection)}`;
  const made = makeCopies(sight, selection);
  if (!made.ok) session.edit(label, () => made);
  else if (session.edit(label, () => ok(made.value.layout))) session.select(made.value.keys);
}
