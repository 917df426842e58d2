/** Drags that may not break a screen of the rail: they stop, or give way, where one would; the reading line says which and why. */
import { brokenBy, holdScreens, allowedWay, type Broken, type GoodWay, type ScreenHold } from "../../core/checks/screenHold";
import { sayNames } from "../../core/checks/say";
import { ok } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";
import { sayOnLine } from "../shell/reading/watch";
import { benchScreenOf, railOf } from "../document/railScreens";
import type { Edit, Session } from "../document/session";
import { benchStore, setBench } from "./bench";
import type { HeldDrag } from "./heldDrag";

/** The screens on which a version is held, as the player in view sees them: that on the bench first, then the rail. */
function heldNow(session: Session, layout: Layout): ScreenHold {
  const { playerView } = session.store.getState();
  return holdScreens(layout, [...new Set([benchScreenOf(layout), ...railOf(layout)])], playerView);
}

/** Says what holds, or that nothing does any more. */
function tell(session: Session, layout: Layout, broken: Broken | null): void {
  const before = benchStore(session).getState().heldBy;
  if (!broken) {
    if (before === null) return;
    setBench(session, { heldBy: null });
    return sayOnLine(session, null);
  }
  if (before !== broken.screen.name) setBench(session, { heldBy: broken.screen.name });
  const [why] = broken.finding.word(sayNames(layout)).split(";");
  sayOnLine(session, `Held by ${broken.screen.name}: ${why.replaceAll("`", "").replace(` on ${broken.screen.name}`, "")}.`);
}

/** A drag begins: what is found now may stay, and nothing more may come. */
export function beginHeldDrag(session: Session, origin: Layout): HeldDrag {
  const hold = heldNow(session, origin);
  let last: GoodWay = { way: { x: 0, y: 0 }, version: hold.layout };
  return {
    preview(edit, way) {
      const made = allowedWay(hold, edit, last, way);
      if (!made.ok) return made;
      last = made.value;
      tell(session, hold.layout, made.value.broken);
      return ok(made.value.version);
    },
    follow: (now, after) => (after.ok && brokenBy(hold, after.value) ? ok(now) : after),
    end: () => setBench(session, { heldBy: null }),
  };
}

/** Whether an edit would break a screen; where it would, the line says which. */
export function wouldBreak(session: Session, edit: Edit): boolean {
  const { layout } = session.store.getState();
  const made = edit(layout);
  const hold = heldNow(session, layout);
  const broken = made.ok ? brokenBy(hold, made.value) : null;
  tell(session, hold.layout, broken);
  return broken !== null;
}
