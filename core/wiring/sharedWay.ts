/** Finds axes that share one way of a stick or d-pad: one movement of the thumb changes all of them, which is seldom intended. */
import { byName } from "../derived/byId";
import type { Action, Control, Serve } from "../format/types";

export interface SharedWay {
  /** The other axes that the same way serves. */
  readonly others: readonly string[];
  /** The other way, where it serves no axis yet. */
  readonly free: "x" | "y" | null;
}

/** Which other axes the way of a serve gives to; null where it gives to none, or is no way toward an axis. */
export function sharedWay(control: Control, serve: Serve, actions: readonly Action[]): SharedWay | null {
  const { port } = serve;
  if (port !== "x" && port !== "y") return null;
  const known = byName(actions);
  const isAxis = ({ action }: Serve) => known.get(action)?.kind === "axis";
  if (!isAxis(serve)) return null;
  const axes = (control.serves as readonly Serve[]).filter(isAxis);
  const others = axes.flatMap((other) => (other.port === port && other.action !== serve.action ? [other.action] : []));
  if (others.length === 0) return null;
  const otherWay = port === "x" ? "y" : "x";
  return { others, free: axes.some((other) => other.port === otherWay) ? null : otherWay };
}
