/** Opens Settle, which is fetched when it is first wanted. */
import type { Session } from "../session";

/** Settles the screens of these names. */
export function openSettle(session: Session, names: readonly string[]): void {
  import("./settleSession").then(
    (m) => m.showSettle(session, names),
    () => session.tell({ text: "Settle could not be loaded: the server does not answer. Your layout is unchanged.", tone: "problem" }),
  );
}
