"use client";
/** Takes away what is picked: a wire, an action, a control. */
import { deleteAction, deleteSpots } from "../shared/remove";
import { takeWireOff, unplugTold } from "./takeOff";
import type { Session } from "../session/session";
import { patchStore, setPatch } from "./patch";

export function removePicked(session: Session): void {
  const { pick } = patchStore.getState();
  if (!pick || pick.kind === "end") return;
  const done = (() => {
    switch (pick.kind) {
      case "action":
        return deleteAction(session, pick.name);
      case "control":
        return deleteSpots(session, [pick.id]);
      case "serve":
        return takeWireOff(session, pick.id, pick.index);
      case "desk":
        return unplugTold(session, pick.action, pick.list, pick.index);
    }
  })();
  if (done) setPatch({ pick: null });
}
