"use client";
/** The state of an end for the wire that is being drawn: lit where it fits, dimmed with the reason where it does not. */
import { useSession } from "../../document/SessionContext";
import { useSheetState } from "../sheetState";
import { meets, targetKey, whyNot, type ConnectionTarget } from "../../interaction/connections";

export interface Fit {
  /** none: no wire is being drawn, or not to ends of this sort. */
  readonly state: "none" | "fits" | "not";
  readonly why: string | null;
  readonly over: boolean;
}
const NONE: Fit = { state: "none", why: null, over: false };

export function useFit(target: ConnectionTarget): Fit {
  const start = useSheetState((p) => p.connectionDrag?.start ?? null);
  const over = useSheetState((p) => p.connectionDrag?.over != null && targetKey(p.connectionDrag.over) === targetKey(target));
  // Without a wire nothing of the layout is looked at, and no row draws again for it.
  const layout = useSession((s) => (start === null ? null : s.layout));
  if (start === null || layout === null || !meets(start, target)) return NONE;
  const why = whyNot(layout, start, target);
  return { state: why === null ? "fits" : "not", why, over };
}

/** The classes by which a card shows how it fits. */
export function fitClass(fit: Fit, picked: boolean, dim: boolean): string {
  if (fit.state === "fits") return fit.over ? "border-accent ring-1 ring-accent" : "border-accent";
  if (fit.state === "not") return `dimmed ${fit.over ? "border-blocker" : "border-rule"}`;
  return `${picked ? "border-accent" : "border-rule"} ${dim ? "dimmed" : ""}`;
}
