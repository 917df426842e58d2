/** Puts what was copied onto the glass, set off a little where it would lie on what is there. */
import type { Clip } from "../../core/wiring/paste";
import type { EditContext } from "../../core/editing/placing";
import { unitPx } from "../../core/engine/placement/scale";
import { setOff } from "../../core/editing/mirroredCopies";
import { ok } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import { pasteClip } from "../../core/wiring/paste";
import type { Adoption } from "../../core/wiring/adopt";
import type { Session } from "../session/session";
import { namesOf } from "../shared/names";

/** Pastes with the words as they were chosen, and selects what came; false where it was refused. */
export function paste(session: Session, context: Pick<EditContext, "screen" | "playerView">, clip: Clip, words: Adoption["words"]): boolean {
  const { layout } = session.store.getState();
  const { screen } = context;
  const unitRatio = unitPx(clip.layout.scale, clip.layout.reference, screen) / unitPx(layout.scale, layout.reference, screen);
  const made = pasteClip(clip, layout, { words, unitRatio });
  if (!made.ok) return session.edit("paste", madeOn(layout, made));
  const { keys } = made.value;
  // Beside its original, so that both can be seen; what was cut comes back where it was.
  const beside = clip.layout.controls.some((c) => layout.controls.some((own) => JSON.stringify(own.placement) === JSON.stringify(c.placement)));
  const placed = beside ? setOff(context, made.value.layout, keys) : made.value.layout;
  if (!session.edit(`paste ${namesOf(placed, keys)}`, madeOn(layout, ok(placed)))) return false;
  session.select(keys);
  return true;
}
