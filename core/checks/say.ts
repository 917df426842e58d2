/** How findings speak of what stands on the glass. */
import type { Layout } from "../format/types";

/** How texts speak of controls, clusters and zones, or of a moment, given its id. */
export type Say = (id: string, what?: "moment") => string;
/** By their ids, as the command line does: whoever reads it has the file before them. */
export const sayIds: Say = (id) => `\`${id}\``;
/** By their names, as people gave them. */
export function sayNames(layout: Layout): Say {
  const names = new Map([...layout.clusters, ...layout.keepClear, ...layout.controls].map((item) => [item.id, item.name]));
  const moments = new Map(layout.moments.map((moment) => [moment.id, moment.name]));
  return (id, what) => `“${(what === "moment" ? moments : names).get(id) ?? id}”`;
}
