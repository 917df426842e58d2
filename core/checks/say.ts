/** How findings speak of what is on the glass. */
import { byId, nameById } from "../derived/byId";
import type { Layout } from "../format/types";

/** How texts speak of controls, clusters and zones, or of a moment, given its id. */
export type Say = (id: string, what?: "moment") => string;
/** By their ids, as the command line does: whoever reads it has the file before them. */
export const sayIds: Say = (id) => `\`${id}\``;
/** By their names, as people gave them. */
export function sayNames(layout: Layout): Say {
  return (id, what) => `“${(what === "moment" ? byId(layout.moments).get(id)?.name : nameById(layout, id)) ?? id}”`;
}
