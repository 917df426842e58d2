/** Values of actions as the views write them. */
import type { ActionValue } from "../../core/engine/input/events";

/** A value as the views write it. */
export function valueText(value: ActionValue | undefined): string {
  if (value === undefined) return "–";
  if (typeof value === "boolean") return value ? "true" : "false";
  const figure = (n: number) => (Object.is(Math.round(n * 100), -0) || Math.abs(n) < 0.005 ? 0 : n).toFixed(2);
  return typeof value === "number" ? figure(value) : `${figure(value[0])}, ${figure(value[1])}`;
}
