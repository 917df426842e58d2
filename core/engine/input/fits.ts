/** Which port can give to which kind of action (the table of model.md section 1). */
import type { ActionKind, Port } from "../types";

/** What a port carries: true/false, one number, a direction with a length, or a movement since the last tick. */
export type PortCarries = "press" | "number" | "vector" | "motion";

/** What a port of any kind of control carries. */
export function portCarries(port: Port): PortCarries {
  switch (port) {
    case "vector":
      return "vector";
    case "motion":
      return "motion";
    case "x":
    case "y":
      return "number";
    case "press":
    case "held":
    case "active":
    case "up":
    case "down":
    case "left":
    case "right":
      return "press";
  }
}

/** Whether the table joins the two at all. */
export function portFits(port: Port, kind: ActionKind): boolean {
  const carries = portCarries(port);
  switch (kind) {
    case "press":
      return carries === "press";
    case "axis":
      return carries === "press" || carries === "number";
    case "vector":
      return carries === "press" || carries === "vector";
    case "motion":
      return carries === "vector" || carries === "motion";
  }
}

/** What a serve still lacks to give anything, in words; null where it lacks nothing. The pair itself must fit. */
export function serveLacks(
  port: Port,
  kind: ActionKind,
  value: number | [number, number] | undefined,
  scale: number | [number, number] | undefined,
): string | null {
  const carries = portCarries(port);
  if (kind === "vector" && carries === "press" && !Array.isArray(value)) return "needs a value [x,y]";
  if (kind === "axis" && carries === "press" && Array.isArray(value)) return "needs one number as its value";
  if (kind === "motion" && carries === "vector" && scale === undefined) return "needs a scale in units per second";
  return null;
}
