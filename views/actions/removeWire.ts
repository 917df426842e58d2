/** Taking wires off: told, with the way back. */
import { unbind } from "../../core/editing/edits/actions";
import { byId, byName } from "../../core/derived/byId";
import { hardwareWires, unplug } from "../../core/wiring/hardwareWires";
import type { Session } from "../document/session";
import { nameOf } from "../document/names";
import { removeWithNotice } from "../document/remove";
import { endWord } from "../fields/keyWords";

/** Takes a wire off a control's port. */
export function removeWire(session: Session, id: string, index: number): boolean {
  const { layout } = session.store.getState();
  const name = nameOf(layout, id);
  const serve = byId(layout.controls).get(id)?.serves[index];
  const what = `The wire from “${name}”${serve ? `, ${serve.port}, to “${serve.action}”` : ""} is off`;
  return removeWithNotice(session, `remove a wire of ${name}`, what, (l) => unbind(l, id, index));
}

/** Takes a key, mouse or pad input off an action. */
export function unplugWithNotice(session: Session, action: string, list: "keys" | "mouse" | "pad", index: number): boolean {
  const { layout } = session.store.getState();
  const bound = byName(layout.actions).get(action);
  const wire = bound && hardwareWires(bound).find((w) => w.list === list && w.index === index);
  const end = wire ? endWord(wire.end) : "the input";
  return removeWithNotice(session, `remove ${end} from ${action}`, `${end} removed from “${action}”`, (l) => unplug(l, action, list, index));
}
