"use client";
/** From an action that nothing serves, in one step: a fitting control on the bench, where the thumb that will most likely want it lies. */
import type { Action } from "../../core/format/types";
import { editContextOf } from "../../core/editing/placing";
import { growFree } from "../../core/editing/growFree";
import { fittingKind } from "../../core/editing/make";
import { ok } from "../../core/engine/result";
import { madeOn } from "../../core/versions/merge";
import { benchScreenOf } from "../session/screens";
import type { Session } from "../session/session";
import { homeOf } from "../shared/home";

export function makeFitting(session: Session, action: Action): void {
  const { layout, playerView } = session.store.getState();
  const context = editContextOf(layout, benchScreenOf(layout), { ...playerView, moment: null });
  const grown = growFree(context, { kind: null, action, at: homeOf(context, fittingKind(action.kind)) });
  if (!grown.ok) {
    session.edit(`grow ${action.name}`, madeOn(layout, grown));
    return;
  }
  if (!session.edit(`grow ${action.name}`, madeOn(layout, ok(grown.value.layout)))) return;
  session.select([grown.value.id]);
  session.tell({ text: `A ${fittingKind(action.kind)} for ${action.name} stands on the bench.`, tone: "plain" });
}
