/** Puts what was copied onto the glass, set off a little where it would lie on what is there. */
import { isEqual } from "../../core/engine/equal";
import type { Clip } from "../../core/wiring/paste";
import { findingsAbout } from "../../core/checks/findingsAbout";
import { movedFree } from "../../core/checks/growFree";
import { editContextOf, type EditContext } from "../../core/editing/placing";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { unitPx } from "../../core/engine/placement/scale";
import { setOff } from "../../core/editing/mirroredCopies";
import { ok } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import { pasteClip } from "../../core/wiring/paste";
import type { Adoption } from "../../core/wiring/adopt";
import type { Session } from "../document/session";
import { namesOf } from "../document/names";
import { placeFor, tellAbout } from "../document/newControls";

/** Pastes with the words as they were chosen, and selects what came; false where it was refused. */
export function paste(session: Session, context: Pick<EditContext, "screen" | "playerView">, clip: Clip, words: Adoption["words"]): boolean {
  const { layout } = session.store.getState();
  const { screen } = context;
  const unitRatio = unitPx(clip.layout.scale, clip.layout.reference, screen) / unitPx(layout.scale, layout.reference, screen);
  const made = pasteClip(clip, layout, { words, unitRatio });
  if (!made.ok) return session.edit("paste", madeOn(layout, made));
  const { keys } = made.value;
  // Beside its original, so that both can be seen; what was cut comes back where it was.
  const beside = clip.layout.controls.some((c) => layout.controls.some((own) => isEqual(own.placement, c.placement)));
  const put = beside ? setOff(context, made.value.layout, keys) : made.value.layout;
  const ids = keys.flatMap((key) => (placeableOf(put, key)?.kind === "cluster" ? inCluster(put, key, null) : [key]));
  const place = placeFor({ layout, screen: context.screen });
  const free = beside
    ? movedFree(editContextOf(put, context.screen, context.playerView), put, { keys, ids }, place)
    : { layout: put, found: findingsAbout(put, ids, place.screens, place.players) };
  if (!session.edit(`paste ${namesOf(free.layout, keys)}`, madeOn(layout, ok(free.layout)))) return false;
  session.select(keys);
  tellAbout(session, free.layout, free.found);
  return true;
}
