"use client";
/** Takes away what is picked: a wire, an action, a control. */
import { deleteAction, deletePlaceables } from "../document/remove";
import { removeWire, unplugWithNotice } from "./removeWire";
import type { Session } from "../document/session";
import { sheetStore, setSheetState } from "./sheetState";

export function removePicked(session: Session): void {
  const { pick } = sheetStore(session).getState();
  if (!pick || pick.kind === "end") return;
  const done = (() => {
    switch (pick.kind) {
      case "action":
        return deleteAction(session, pick.name);
      case "control":
        return deletePlaceables(session, [pick.id]);
      case "serve":
        return removeWire(session, pick.id, pick.index);
      case "hardware":
        return unplugWithNotice(session, pick.action, pick.list, pick.index);
    }
  })();
  if (done) setSheetState(session, { pick: null });
}
