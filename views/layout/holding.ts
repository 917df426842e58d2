/** Holding all screens while something is dragged: a switch. What does it is fetched when it is first switched on. */
import type { Layout } from "../../core/format/types";
import { sayOnLine } from "../shell/reading/watch";
import type { Edit, Session } from "../document/session";
import { benchStore, setBench } from "./bench";
import type { HeldDrag } from "./heldDrag";
import type * as HeldDrags from "./heldDrags";

let drags: typeof HeldDrags | null = null;

/** Drags of a glass, held while that is switched on. `origin`: the layout when the pointer came down. */
export function createHolding(session: Session): HeldDrag & { begin(origin: Layout): void } {
  let held: HeldDrag | null = null;
  return {
    begin(origin) {
      held = drags !== null && benchStore.getState().holds ? drags.beginHeldDrag(session, origin) : null;
    },
    preview: (edit, way) => (held ? held.preview(edit, way) : edit(way)),
    follow: (now, after) => (held ? held.follow(now, after) : after),
    end() {
      held?.end();
      held = null;
    },
  };
}

/** Whether an edit may not be made; the line says which screen holds it. */
export const isHeldBack = (session: Session, edit: Edit): boolean => drags !== null && benchStore.getState().holds && drags.wouldBreak(session, edit);

/** Switches it on or off, and says so. */
export async function switchHolding(session: Session): Promise<void> {
  try {
    drags ??= await import("./heldDrags");
  } catch {
    return session.tell({ text: "“Hold all screens” could not be loaded: the server does not answer. Your layout is unchanged.", tone: "problem" });
  }
  const holds = !benchStore.getState().holds;
  setBench({ holds, heldBy: null });
  sayOnLine(holds ? "Hold all screens is on: a drag stops where it would break a screen of the rail." : "Hold all screens is off.");
}
