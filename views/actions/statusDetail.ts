/** How an action is, moment by moment, in a line. */
import type { Moment } from "../../core/format/types";
import { byId } from "../../core/derived/byId";
import type { ActionStatus } from "../../core/wiring/actionStatus";

/** `Under way: helm; Alongside: nothing`; moments served alike are reported together. Without moments what serves it, or the word alone. */
export function statusDetail(status: ActionStatus, moments: readonly Moment[]): string {
  const nameOf = (id: string) => byId(moments).get(id)?.name ?? id;
  const alike = new Map<string, string[]>();
  for (const { moment, by } of status.moments) {
    const what = by.length > 0 ? by.join(", ") : "nothing";
    alike.set(what, [...(alike.get(what) ?? []), moment === null ? "" : nameOf(moment)]);
  }
  const told = [...alike].map(([what, names]) => (names[0] === "" ? what : `${names.join(", ")}: ${what}`)).join("; ");
  return told === "" || told === "nothing" ? status.word : told;
}
