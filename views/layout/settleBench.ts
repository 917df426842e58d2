/** Settle from the bench: the screen on it and those of the rail. */
import type { Layout } from "../../core/format/types";
import { benchScreenOf, railOf } from "../document/railScreens";
import type { Session } from "../document/session";
import { openSettle } from "../document/settle/openSettle";

/** The screens that are in view on the bench, by name. */
export function benchScreens(layout: Layout): readonly string[] {
  return [...new Set([benchScreenOf(layout), ...railOf(layout)].map(({ name }) => name))];
}

/** Opens Settle for the screens in view. */
export function settleBench(session: Session): void {
  openSettle(session, benchScreens(session.store.getState().layout));
}
