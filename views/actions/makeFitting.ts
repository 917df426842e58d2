"use client";
/** From an action that nothing serves, in one step: a fitting control on the bench, where the thumb that will most likely want it lies. */
import type { Action } from "../../core/format/types";
import { editContextOf } from "../../core/editing/placing";
import { growFree } from "../../core/checks/growFree";
import { fittingKind } from "../../core/editing/make";
import { ok } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import { benchScreenOf } from "../document/railScreens";
import type { Session } from "../document/session";
import { startPoint } from "../document/startPoint";
import { placeFor, tellAbout } from "../document/newControls";

export function makeFitting(session: Session, action: Action): void {
  const { layout, playerView } = session.store.getState();
  const context = editContextOf(layout, benchScreenOf(layout), { ...playerView, moment: null });
  const grown = growFree(context, { kind: null, action, at: startPoint(context, fittingKind(action.kind)) }, placeFor(context));
  if (!grown.ok) {
    session.edit(`grow ${action.name}`, madeOn(layout, grown));
    return;
  }
  if (!session.edit(`grow ${action.name}`, madeOn(layout, ok(grown.value.layout)))) return;
  session.select([grown.value.id]);
  tellAbout(session, grown.value.layout, grown.value.found, `A ${fittingKind(action.kind)} for ${action.name} was added to the bench.`);
}
