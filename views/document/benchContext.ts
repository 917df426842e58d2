"use client";
/** The layout on the screen on the bench, as one player sees it: what everything on the bench starts from. */
import { editContextOf, type EditContext } from "../../core/editing/placing";
import { useSession } from "./SessionContext";
import { benchScreenOf } from "./railScreens";
import type { Session } from "./session";

/** As it is at this moment. The same layout, screen and player give the same object. */
export function benchContextNow(session: Session): EditContext {
  const { layout, playerView } = session.store.getState();
  return editContextOf(layout, benchScreenOf(layout), playerView);
}

/** The same for a component, which draws again with every change of the layout. */
export function useBenchContext(): EditContext {
  const layout = useSession((s) => s.layout);
  const playerView = useSession((s) => s.playerView);
  return editContextOf(layout, benchScreenOf(layout), playerView);
}

/** The screen on the bench. The component draws again only when it is another. */
export const useBenchScreen = (): EditContext["screen"] => useSession((s) => benchScreenOf(s.layout));
