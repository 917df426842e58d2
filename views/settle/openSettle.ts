/** Opens Settle, which is fetched when it is first wanted. */
import type { Session } from "../session/session";

/** Settles the screens of these names. */
export function openSettle(session: Session, names: readonly string[]): void {
  import("./settling").then(
    (m) => m.openSettle(session, names),
    () => session.tell({ text: "Settle could not be loaded: the server does not answer. Your layout is unchanged.", tone: "problem" }),
  );
}
