/** What can be done with a selection at one gesture, by key or by button: gather, dissolve, the second side, splitting the screen. */
import { counted } from "../../core/derived/counted";
import { dissolve, gather } from "../../core/editing/clusters";
import { seenAs, type EditContext } from "../../core/editing/placing";
import { splitScreen } from "../../core/editing/split";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { makeCopies, makeMirroredCopies } from "../../core/editing/mirroredCopies";
import { freeName } from "../../core/editing/edits/controls";
import { ok } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import type { Session } from "../document/session";
import { wireTargets } from "../../core/wiring/copiedWires";
import { clipText } from "../../core/exchange/clip";
import { copyFeel, copyLook } from "../../core/editing/copyStyle";
import { applyNeighbourGrowth, unclaimedPart, neighbourGrowth } from "../../core/editing/neighbourGrowth";
import { railOf } from "../document/railScreens";
import { benchStore, setBench } from "./bench";
import { findingsAbout } from "../../core/checks/findingsAbout";
import { nameOf, namesOf } from "../document/names";
import { placeFor, tellAbout } from "../document/newControls";

/** Gathers the selected controls into a cluster. */
export function gatherSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const ids = selection.filter((key) => placeableOf(context.layout, key)?.kind === "control");
  if (ids.length < 2) return session.tell({ text: "A cluster needs at least two controls. Select them with Shift.", tone: "plain" });
  const made = gather(context, ids, freeName(context.layout, "Cluster"));
  if (!made.ok) session.edit("gather", madeOn(context.layout, made));
  else if (session.edit(`cluster ${ids.length} controls`, madeOn(context.layout, ok(made.value.layout)))) session.select([made.value.id]);
}

/** Dissolves the selected clusters; what stood in them is then selected. */
export function dissolveSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  for (const id of selection.filter((key) => placeableOf(context.layout, key)?.kind === "cluster")) {
    const children = inCluster(context.layout, id, context.resolved.arrangement);
    const { layout } = session.store.getState();
    if (
      session.edit(
        `dissolve ${nameOf(layout, id)}`,
        seenAs(context, (now) => dissolve(now, id)),
      )
    )
      session.select(children);
    setBench(session, { entered: null });
  }
}

/** Makes the mirrored copies of what is selected. They serve nothing yet; the selection bar asks what they serve. */
export function mirrorSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const made = makeMirroredCopies(context, selection);
  if (!made.ok) {
    session.edit("second side", madeOn(context.layout, made));
    return;
  }
  if (!session.edit("second side", madeOn(context.layout, ok(made.value.layout)))) return;
  session.select(made.value.keys);
  const { screens, players } = placeFor(context);
  tellAbout(session, made.value.layout, findingsAbout(made.value.layout, [...made.value.originals.keys()], screens, players));
  setBench(session, { mirrored: wireTargets(context.layout, made.value.originals).length > 0 ? made.value : null });
}

/** Splits the screen between the two selected. */
export function splitSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const [first, second] = selection;
  if (selection.length !== 2) return session.tell({ text: "Select two sticks, touchpads or swipes to split the screen between them.", tone: "plain" });
  session.edit(
    "split the screen",
    seenAs(context, (now) => splitScreen(now, [first, second], 0.5, railOf(now.layout))),
  );
}

/** Copies what is selected, and selects the copies. */
export function copySelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const label = `duplicate ${namesOf(context.layout, selection)}`;
  const made = makeCopies(context, selection);
  if (!made.ok) session.edit(label, madeOn(context.layout, made));
  else if (session.edit(label, madeOn(context.layout, ok(made.value.layout)))) session.select(made.value.keys);
}

/** Copies what is selected as a text that another layout, and another window, takes. */
export function copyToClipboard(session: Session, selection: readonly string[]): void {
  const { layout } = session.store.getState();
  const told = namesOf(layout, selection, "of them");
  navigator.clipboard.writeText(clipText(layout, selection)).then(
    () => session.tell({ text: `Copied ${told}. Paste with Ctrl V, here or in another layout.`, tone: "plain" }),
    () => session.tell({ text: "The browser blocks this button. Press Ctrl C.", tone: "problem" }),
  );
}

/** Hides what is selected on the bench for now; the file keeps it. */
export function hideForNow(session: Session, selection: readonly string[]): void {
  const { layout } = session.store.getState();
  setBench(session, { hidden: [...new Set([...benchStore(session).getState().hidden, ...selection])] });
  session.select([]);
  session.tell({
    text: `Hidden for now: ${namesOf(layout, selection, "of them")}. The file and the game keep it.`,
    tone: "plain",
    act: { label: "Show again", run: () => showAgain(session) },
  });
}

/** Shows all that was hidden for now. */
export const showAgain = (session: Session): void => setBench(session, { hidden: [] });

/** Gives what is selected now the look or the feel that is being copied. Whether it was taken. */
export function giveStyle(session: Session, selection: readonly string[]): boolean {
  const { copying } = benchStore(session).getState();
  const { layout } = session.store.getState();
  const to = selection
    .flatMap((key) => (placeableOf(layout, key)?.kind === "cluster" ? inCluster(layout, key, null) : [key]))
    .filter((key) => key !== copying?.from);
  if (!copying || to.length === 0) return false;
  const give = copying.what === "look" ? copyLook : copyFeel;
  return session.edit(`${copying.what} of ${nameOf(layout, copying.from)} onto ${namesOf(layout, to, "of them")}`, (l) => give(l, copying.from, to));
}

/** Grows hit areas to their neighbours on all the screens of the rail, and says by how much, and what remains to nobody. */
export function growSelected(session: Session, context: EditContext, selection: readonly string[]): void {
  const { layout, screen, resolved } = context;
  const ids = selection.flatMap((key) => (placeableOf(layout, key)?.kind === "cluster" ? inCluster(layout, key, resolved.arrangement) : [key]));
  const screens = railOf(layout);
  const found = neighbourGrowth(layout, ids, screens.some((s) => s.name === screen.name) ? screens : [...screens, screen]);
  if (found.length === 0) return session.tell({ text: "Controls that lie under others, such as landing areas and swipe fields, are skipped.", tone: "plain" });
  const label = found.length === 1 ? `room for ${nameOf(layout, found[0].id)}` : `room for ${counted(new Set(found.map((f) => f.id)).size, "control")}`;
  if (!session.edit(label, (l) => applyNeighbourGrowth(l, found))) return;
  const grown = found.map((f) => f.growMm);
  const [least, most] = [Math.min(...grown), Math.max(...grown)];
  const by = least === most ? `${least.toFixed(2)} mm` : `${least.toFixed(2)} to ${most.toFixed(2)} mm`;
  const left = unclaimedPart(session.store.getState().layout, screen);
  session.tell({
    text: `Grown by ${by} on every side, checked on ${counted(screens.length, "screen")}. ${Math.round(left * 100)} % of the safe frame here belongs to no control.`,
    tone: "plain",
    act: { label: "Undo", run: () => session.undo() },
  });
}
