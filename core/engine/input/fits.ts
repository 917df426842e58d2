/** Which port can give to which kind of action (the table of model.md section 1). */
import { PORTS, type ActionKind, type ControlKind, type Port } from "../types";

/** What a port carries: true/false, one number, a direction with a length, or a movement since the last tick, in two ways or one. */
export type PortCarries = "press" | "number" | "vector" | "motion" | "change";

/** What a port of any kind of control carries. */
export function portCarries(port: Port): PortCarries {
  switch (port) {
    case "vector":
    case "aim":
      return "vector";
    case "motion":
      return "motion";
    case "dx":
    case "dy":
    case "turn":
      return "change";
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
    case "tapped":
    case "released":
      return "press";
  }
}

/** Every port of any kind of control, each once. */
export const ALL_PORTS = [...new Set(Object.values(PORTS).flat())] as Port[] as [Port, ...Port[]];

/** Whether a kind of control has a port. A file may serve by another one: that gives nothing. */
export const hasPort = (control: ControlKind, port: Port): boolean => (PORTS[control] as readonly Port[]).includes(port);

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
    case "delta":
      return carries === "number" || carries === "change";
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
  const isRate = (kind === "motion" && carries === "vector") || (kind === "delta" && carries === "number");
  if (isRate && scale === undefined) return "needs a scale in units per second";
  return null;
}
