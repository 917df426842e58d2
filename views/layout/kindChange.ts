/** Making a control another kind: at once where nothing is lost by it, else what would be lost is reported first. */
import { withArticle } from "../../core/derived/counted";
import type { ControlKind } from "../../core/format/types";
import { changeControlKind, previewControlKind } from "../../core/wiring/controlKind";
import type { Session } from "../document/session";
import { nameOf } from "../document/names";
import { setBench } from "./bench";
import { KIND_WORD } from "./controlKinds";

/** A kind with its article: "a stick". */
export const aKind = (kind: ControlKind) => withArticle(KIND_WORD[kind].toLowerCase());

/** Asks for another kind. What goes on by another port is reported once it is done. */
export function requestKindChange(session: Session, id: string, kind: ControlKind): void {
  const { layout } = session.store.getState();
  if (previewControlKind(layout, id, kind).lost.length > 0) setBench(session, { kindWish: { id, kind } });
  else makeKind(session, id, kind);
}

/** Makes it that kind; wires that no port can take over are gone. */
export function makeKind(session: Session, id: string, kind: ControlKind): void {
  const { layout } = session.store.getState();
  const name = nameOf(layout, id);
  const moved = previewControlKind(layout, id, kind).kept.filter((k) => k.from.port !== k.to.port);
  setBench(session, { kindWish: null, grown: null });
  if (!session.edit(`change ${name} to ${aKind(kind)}`, (l) => changeControlKind(l, id, kind)) || moved.length === 0) return;
  session.tell({
    text: `“${name}” is ${aKind(kind)} now: ${moved.map((k) => `${k.from.action} comes from ${k.to.port} instead of ${k.from.port}`).join("; ")}.`,
    tone: "plain",
  });
}
