"use client";
/** Gives an action another word; what is picked follows. */
import { renameAction } from "../../core/editing/edits/actions";
import type { Session } from "../document/session";
import { sheetStore, setSheetState } from "./sheetState";

export function renamed(session: Session, from: string, to: string): boolean {
  const done = session.edit(`rename ${from}`, (l) => renameAction(l, from, to));
  const { pick } = sheetStore(session).getState();
  if (done && pick?.kind === "action" && pick.name === from) setSheetState(session, { pick: { kind: "action", name: to } });
  return done;
}
