/** Where everything is, as the command line prints it (model.md section 4). */
import type { Resolved, ResolvedControl } from "../engine/placement/resolve";

type Printed = Omit<Resolved, "controls"> & { readonly controls: readonly Omit<ResolvedControl, "sharing">[] };

/** The printed form: what `resolve` gives, less what only the engine needs. */
export function printResolved(resolved: Resolved): Printed {
  return { ...resolved, controls: resolved.controls.map(({ sharing: _sharing, ...printed }) => printed) };
}
