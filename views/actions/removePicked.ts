"use client";
/** Takes away what is picked: a wire, an action, a control. */
import { removeAction, unbind } from "../../core/layout/edits/actions";
import { removeSpots } from "../../core/layout/edits/controls";
import { unplug } from "../../core/wiring/desk";
import type { Session } from "../session/session";
import { patchStore, setPatch } from "./patch";

export function removePicked(session: Session): void {
  const { pick } = patchStore.getState();
  if (!pick || pick.kind === "end") return;
  const done = (() => {
    switch (pick.kind) {
      case "action":
        return session.edit(`remove ${pick.name}`, (l) => removeAction(l, pick.name));
      case "control":
        return session.edit(`remove ${pick.id}`, (l) => removeSpots(l, [pick.id]));
      case "serve":
        return session.edit(`take a wire off ${pick.id}`, (l) => unbind(l, pick.id, pick.index));
      case "desk":
        return session.edit(`take a wire off ${pick.action}`, (l) => unplug(l, pick.action, pick.list, pick.index));
    }
  })();
  if (done) setPatch({ pick: null });
}
