/** Drawing wires: from which end to which, why two do not go together, and the edit that joins two that do. */
import type { Action, Control, Layout, Port, Serve } from "../../core/format/types";
import { byId, byName } from "../../core/derived/byId";
import { refused, type Result } from "../../core/engine/result";
import { hardwareWhyNot, hardwareWires, plugIn, sourceOfEnd } from "../../core/wiring/hardwareWires";
import { controlWhyNot, joinPort, leadServe, portsOf, portWhyNot } from "../../core/wiring/serves";
import { portFits } from "../../core/engine/input/fits";
import { fittingServe } from "../../core/editing/make";

/** Where a wire is drawn from. `serve`: a wire that leads nowhere yet, taken by its loose end. */
export type ConnectionStart =
  | { readonly kind: "action"; readonly name: string; readonly side: "hardware" | "touch" }
  | { readonly kind: "port"; readonly id: string; readonly port: Port | null }
  | { readonly kind: "serve"; readonly id: string; readonly index: number }
  | { readonly kind: "end"; readonly end: string };

/** Where it is drawn to. A control without a port takes the wire by the port that fits best. */
export type ConnectionTarget =
  | { readonly kind: "action"; readonly name: string }
  | { readonly kind: "port"; readonly id: string; readonly port: Port | null }
  | { readonly kind: "end"; readonly end: string };

/** A text that reports a target from all others; it is in the page as `data-target`. */
export function targetKey(target: ConnectionTarget): string {
  if (target.kind === "action") return `action ${target.name}`;
  return target.kind === "end" ? `end ${target.end}` : `port ${target.id} ${target.port ?? ""}`;
}

/** The target a text reports; null for a text that reports none. */
export function targetOf(key: string): ConnectionTarget | null {
  const [, kind, rest] = /^(action|end|port) (.*)$/.exec(key) ?? [];
  if (kind === "action") return { kind: "action", name: rest };
  if (kind === "end") return { kind: "end", end: rest };
  if (kind !== "port") return null;
  const [id, port] = rest.split(" ");
  return { kind: "port", id, port: port === "" ? null : (port as Port) };
}

/** Whether targets of a sort may take a wire from a start at all: a wire runs between an action and something else. */
export function meets(start: ConnectionStart, target: ConnectionTarget): boolean {
  if (start.kind !== "action") return target.kind === "action";
  return start.side === "touch" ? target.kind === "port" : target.kind === "end";
}

/** Why a wire cannot run so; null where it can. */
export function whyNot(layout: Pick<Layout, "actions" | "controls">, start: ConnectionStart, target: ConnectionTarget): string | null {
  if (!meets(start, target)) return "a wire connects an action with a control, a key, a mouse or a pad input";
  const name = start.kind === "action" ? start.name : target.kind === "action" ? target.name : "";
  const action = byName(layout.actions).get(name);
  if (!action) return `there is no action \`${name}\``;
  const end = start.kind === "end" ? start.end : target.kind === "end" ? target.end : null;
  if (end !== null) {
    if (hardwareWires(action).some((w) => w.end === end)) return `it already gives to \`${name}\``;
    const made = sourceOfEnd(end);
    return made ? hardwareWhyNot(made.source, action.kind) : "it is not a key, mouse or pad input";
  }
  const far = start.kind === "action" ? target : start;
  if (far.kind === "serve") {
    const serve = serveAt(layout, far.id, far.index);
    return serve ? portWhyNot(serve.port, action.kind) : "there is no such wire";
  }
  if (far.kind !== "port") return "a wire needs two ends";
  const control = byId(layout.controls).get(far.id);
  if (!control) return `there is no control "${far.id}"`;
  if (far.port === null)
    return controlWhyNot(control.kind, action.kind) ?? (bestPort(control, action) === null ? `every port that fits already serves \`${name}\`` : null);
  const twice = (control.serves as readonly Serve[]).some((s) => s.port === far.port && s.action === name);
  return twice ? `its ${far.port} port already serves \`${name}\`` : portWhyNot(far.port, action.kind);
}

function serveAt(layout: Pick<Layout, "controls">, id: string, index: number): Serve | undefined {
  return (byId(layout.controls).get(id)?.serves as readonly Serve[] | undefined)?.[index];
}

/** The port by which a control serves an action when none is named: its best, or the first fitting one that does not serve it yet. */
function bestPort(control: Control, action: Action): Port | null {
  const used = new Set((control.serves as readonly Serve[]).filter((s) => s.action === action.name).map((s) => s.port));
  const best = fittingServe(control.kind, action, control.serves as readonly Serve[])?.port;
  if (best !== undefined && !used.has(best) && portFits(best, action.kind)) return best;
  return portsOf(control.kind).find((p) => portFits(p, action.kind) && !used.has(p)) ?? null;
}

/** Joins two ends. Refused with the reason where they do not go together. */
export function joined(layout: Layout, start: ConnectionStart, target: ConnectionTarget): Result<Layout> {
  const why = whyNot(layout, start, target);
  if (why !== null) return refused("", why);
  const name = start.kind === "action" ? start.name : target.kind === "action" ? target.name : "";
  const far = start.kind === "action" ? target : start;
  switch (far.kind) {
    case "end":
      return plugIn(layout, name, far.end);
    case "serve":
      return leadServe(layout, far.id, far.index, name);
    case "port": {
      const control = byId(layout.controls).get(far.id)!;
      const port = far.port ?? bestPort(control, byName(layout.actions).get(name)!);
      return joinPort(layout, far.id, port!, name);
    }
    case "action":
      return refused("", "a wire connects an action with a control or an input");
  }
}
