/** Showing a moment in which something is to be seen. */
import type { Control } from "../../core/format/types";
import type { Session } from "./session";

/** Shows a moment in which all of these controls show, if the present one does not: the first such, or every moment at once. */
export function showMomentOf(session: Session, controls: readonly Control[]): void {
  const { layout, playerView } = session.store.getState();
  const { moment } = playerView;
  if (controls.length === 0 || moment === null || controls.every((c) => c.moments.includes(moment))) return;
  session.showMoment(layout.moments.find((m) => controls.every((c) => c.moments.includes(m.id)))?.id ?? null);
}
