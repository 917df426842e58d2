/** Holding all screens while something is dragged: a switch. What does it is fetched when it is first switched on. */
import type { Layout } from "../../core/format/types";
import { sayOnLine } from "../shell/reading/watch";
import type { Edit, Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import { benchStore, setBench } from "./bench";
import type { HeldDrag } from "./heldDrag";
import type * as HeldDrags from "./heldDrags";

/** What does it, once it is fetched. */
const fetched = defineUiState<{ readonly drags: typeof HeldDrags | null }>({ lasts: "window", first: { drags: null } });

/** What holds drags, while that is switched on. */
const dragsNow = (session: Session): typeof HeldDrags | null => (benchStore(session).getState().holds ? fetched.of(session).getState().drags : null);

/** Drags of a glass, held while that is switched on. `origin`: the layout when the pointer came down. */
export function createHolding(session: Session): HeldDrag & { begin(origin: Layout): void } {
  let held: HeldDrag | null = null;
  return {
    begin(origin) {
      held = dragsNow(session)?.beginHeldDrag(session, origin) ?? null;
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
export const isHeldBack = (session: Session, edit: Edit): boolean => dragsNow(session)?.wouldBreak(session, edit) ?? false;

/** Switches it on or off, and says so. */
export async function switchHolding(session: Session): Promise<void> {
  try {
    if (!fetched.of(session).getState().drags) fetched.of(session).setState({ drags: await import("./heldDrags") });
  } catch {
    return session.tell({ text: "“Hold all screens” could not be loaded: the server does not answer. Your layout is unchanged.", tone: "problem" });
  }
  const holds = !benchStore(session).getState().holds;
  setBench(session, { holds, heldBy: null });
  sayOnLine(session, holds ? "Hold all screens is on: a drag stops where it would break a screen of the rail." : "Hold all screens is off.");
}
