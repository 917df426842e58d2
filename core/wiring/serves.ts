/** Wires from controls to actions: what fits what and why not, what a change of kind would break, and what adds up to what. */
import { withArticle } from "../derived/counted";
import { bind, changeAction, changeServe } from "../editing/edits/actions";
import { byId, byName } from "../derived/byId";
import { hasPort, portCarries, portFits, serveLacks, type PortCarries } from "../engine/input/fits";
import { PORTS } from "../engine/types";
import type { Action, ActionKind, Control, ControlKind, Layout, Port, Serve } from "../format/types";
import { refused, type Result } from "../engine/result";
import { hardwareGives, hardwareLacks, hardwareWhyNot, hardwareWires, type HardwareWire } from "./hardwareWires";

const CARRIES_WORD: Readonly<Record<PortCarries, string>> = {
  press: "gives true or false",
  number: "gives one number",
  vector: "gives x and y",
  motion: "gives movement",
  change: "gives movement one way",
};
const KIND_WANTS: Readonly<Record<ActionKind, string>> = {
  press: "a button's press, or held, active or a direction",
  axis: "x or y, or a button with a value",
  vector: "a vector, or buttons with directions as values",
  motion: "a touchpad's motion, or a vector with a scale",
  delta: "a touchpad's dx or dy, a dial's turn, or x or y with a scale",
};

/** Every port of a kind of control. */
export const portsOf = (kind: ControlKind): readonly Port[] => PORTS[kind];

/** Why a port cannot give to an action of a kind, and what would fit; null where it can. */
export function portWhyNot(port: Port, kind: ActionKind): string | null {
  return portFits(port, kind) ? null : `the ${port} port ${CARRIES_WORD[portCarries(port)]}, the action is ${withArticle(kind)}; ${KIND_WANTS[kind]} would fit`;
}

/** Why no port of a control can give to an action of a kind; null where one can. */
export function controlWhyNot(control: ControlKind, kind: ActionKind): string | null {
  if (portsOf(control).some((p) => portFits(p, kind))) return null;
  return `no port of ${withArticle(control)} gives to ${withArticle(kind)}; ${KIND_WANTS[kind]} would fit`;
}

/** The unit vector of a direction port; up for a port without one. */
const DIRECTION: Partial<Record<Port, [number, number]>> = { up: [0, 1], down: [0, -1], left: [-1, 0], right: [1, 0] };

/** What a port gives to an action when nothing more is said, with all it needs: a direction toward a vector, an end toward an axis, 120 units a second toward a motion or delta. */
export function serveBy(port: Port, action: Pick<Action, "name" | "kind">): Serve {
  const serve: Serve = { port, action: action.name };
  const carries = portCarries(port);
  if (action.kind === "vector" && carries === "press") return { ...serve, value: DIRECTION[port] ?? [0, 1] };
  if (action.kind === "axis" && carries === "press") return { ...serve, value: port === "left" || port === "down" ? -1 : 1 };
  const isRate = (action.kind === "motion" && carries === "vector") || (action.kind === "delta" && carries === "number");
  return isRate ? { ...serve, scale: 120 } : serve;
}

/** A serve toward another action, with the value or scale that its kind asks for; null where the port cannot give to it. */
export function serveAs(serve: Serve, action: Pick<Action, "name" | "kind">): Serve | null {
  if (!portFits(serve.port, action.kind)) return null;
  return serveLacks(serve.port, action.kind, serve.value, serve.scale) === null ? { ...serve, action: action.name } : serveBy(serve.port, action);
}

/** What people call a control. */
const nameIn = (layout: Layout, id: string) => byId(layout.controls).get(id)?.name ?? id;

/** Draws a wire from a control's port to an action. Refused with the reason where they do not go together or are joined already. */
export function joinPort(layout: Layout, id: string, port: Port, name: string): Result<Layout> {
  const action = byName(layout.actions).get(name);
  const control = byId(layout.controls).get(id);
  if (!action) return refused("actions", `there is no action \`${name}\``);
  if (!control) return refused("controls", `there is no control "${id}"`);
  if (!portsOf(control.kind).includes(port)) return refused("", `${withArticle(control.kind)} has no ${port} port; it has ${portsOf(control.kind).join(", ")}`);
  const why = portWhyNot(port, action.kind);
  if (why !== null) return refused("", `“${nameIn(layout, id)}” cannot serve \`${name}\` so: ${why}`);
  const serves = control.serves as readonly Serve[];
  if (serves.some((s) => s.port === port && s.action === name)) return refused("", `the ${port} port of “${control.name}” already serves \`${name}\``);
  return bind(layout, id, serveBy(port, action));
}

/** Leads a serve to another action; what it gives is made to fit where it must. Refused with the reason where the port does not go together with it. */
export function leadServe(layout: Layout, id: string, index: number, name: string): Result<Layout> {
  const action = byName(layout.actions).get(name);
  const serve = (byId(layout.controls).get(id)?.serves as readonly Serve[] | undefined)?.[index];
  if (!action) return refused("actions", `there is no action \`${name}\``);
  if (!serve) return refused("controls", `“${nameIn(layout, id)}” has no such wire`);
  const why = portWhyNot(serve.port, action.kind);
  if (why !== null) return refused("", `“${nameIn(layout, id)}” cannot serve \`${name}\` so: ${why}`);
  return changeServe(layout, id, index, { action: name, ...fitting(serve, action.kind) });
}

/** What a serve must have another value or scale of to give to a kind it fits; empty where nothing. */
function fitting(serve: Serve, kind: ActionKind): Partial<Serve> {
  if (serveLacks(serve.port, kind, serve.value, serve.scale) === null) return {};
  const { value, scale } = serveBy(serve.port, { name: serve.action, kind });
  return { ...(value !== undefined && { value }), ...(scale !== undefined && { scale }) };
}

/** A wire of an action, at touch or at the desk. */
export type Wire =
  | { readonly kind: "touch"; readonly control: string; readonly index: number; readonly serve: Serve }
  | ({ readonly kind: "hardware" } & HardwareWire);

/** The wires of an action: controls in drawing order, then keys, mouse, pad. */
export function wiresOf(layout: Pick<Layout, "controls" | "actions">, name: string): Wire[] {
  const touch = layout.controls.flatMap((c) =>
    (c.serves as readonly Serve[]).flatMap((serve, index): Wire[] => (serve.action === name ? [{ kind: "touch", control: c.id, index, serve }] : [])),
  );
  const action = byName(layout.actions).get(name);
  const hardware = action ? hardwareWires(action) : [];
  return [...touch, ...hardware.map((w): Wire => ({ kind: "hardware", ...w }))];
}

/** What another kind would do to the wires of an action: those that stay as they are, those that get another value, those that no longer fit and why. */
export interface KindPreview {
  readonly stay: readonly Wire[];
  readonly change: readonly Wire[];
  readonly broken: readonly { readonly wire: Wire; readonly why: string }[];
}

export function previewKind(layout: Layout, name: string, kind: ActionKind): KindPreview {
  const preview = { stay: [] as Wire[], change: [] as Wire[], broken: [] as { wire: Wire; why: string }[] };
  for (const wire of wiresOf(layout, name)) {
    const why = wire.kind === "touch" ? portWhyNot(wire.serve.port, kind) : hardwareWhyNot(wire.source, kind);
    const lacks = wire.kind === "touch" ? serveLacks(wire.serve.port, kind, wire.serve.value, wire.serve.scale) : hardwareLacks(wire.source, kind);
    if (why !== null) preview.broken.push({ wire, why });
    else if (lacks !== null) preview.change.push(wire);
    else preview.stay.push(wire);
  }
  return preview;
}

/** Gives an action another kind. Wires that then lack a value get a fitting one; those that no longer fit are taken off, or left as they are for the findings to tell. */
export function changeActionKind(layout: Layout, name: string, kind: ActionKind, broken: "take-off" | "leave"): Result<Layout> {
  const action = byName(layout.actions).get(name);
  if (!action) return refused("actions", `there is no action \`${name}\``);
  const off = broken === "take-off";
  const controls = layout.controls.map((c) => {
    const serves = c.serves as readonly Serve[];
    if (!serves.some((s) => s.action === name)) return c;
    const next = serves.filter((s) => s.action !== name || !off || portFits(s.port, kind)).map((s) => (s.action === name ? { ...s, ...fitting(s, kind) } : s));
    return { ...c, serves: next } as Control;
  });
  let next: Action = { ...action, kind };
  for (const list of ["keys", "mouse", "pad"] as const) {
    const kept = hardwareWires(action).filter((w) => w.list === list && (!off || hardwareWhyNot(w.source, kind) === null));
    const sources = kept.map((w) =>
      hardwareGives(w.source) === "press" && hardwareLacks(w.source, kind) !== null ? { ...w.source, value: valueFor(w, kind) } : w.source,
    );
    next = { ...next, [list]: sources } as Action;
  }
  return changeAction({ ...layout, controls }, name, next);
}

/** The value of a key or button toward another kind: the same direction, as far as the kind has it. */
function valueFor(wire: HardwareWire, kind: ActionKind): number | [number, number] {
  const value = "value" in wire.source ? wire.source.value : undefined;
  if (kind === "vector") return [typeof value === "number" ? value : 1, 0];
  return Array.isArray(value) ? Math.max(-1, Math.min(1, value[0] + value[1])) : (value ?? 1);
}

/** One term of what adds up to an action's value. */
export interface Term {
  readonly from: string;
  /** What it gives, in figures: `true`, `+1`, `(0, 1)`, `x, y × 0.5`, `repeated`. */
  readonly gives: string;
}

/** What adds up to an action's value, and how: the small sum under an action. */
export interface ActionSum {
  readonly terms: readonly Term[];
  readonly rule: string;
}

/** How the values of a kind come together (model.md section 1, "All sources of an action"). */
const RULES: Readonly<Record<ActionKind, string>> = {
  press: "true while any of them is",
  axis: "added, kept within −1 to 1",
  vector: "added, shortened to length 1",
  motion: "added",
  delta: "added",
};

/** Figures of a value or scale, with a true minus. */
function figures(value: number | readonly [number, number]): string {
  const one = (n: number) => String(Object.is(n, -0) ? 0 : n).replace("-", "−");
  return typeof value === "number" ? one(value) : `(${one(value[0])}, ${one(value[1])})`;
}
const signed = (value: number | readonly [number, number]) => (typeof value === "number" && value > 0 ? `+${figures(value)}` : figures(value));
const times = (scale: number | readonly [number, number] | undefined, unit = "") =>
  scale === undefined || (scale === 1 && unit === "") ? "" : ` × ${figures(scale)}${unit}`;

/** What a serve gives to an action of a kind, in figures. */
export function serveGives(serve: Serve, kind: ActionKind): string {
  const carries = portCarries(serve.port);
  if (carries === "press") {
    if (kind === "press") return serve.repeat ? `every ${serve.repeat.intervalMs} ms after ${serve.repeat.delayMs} ms` : "true";
    return signed(serve.value ?? 1);
  }
  const what = { number: serve.port, motion: "mm", vector: "x, y", change: serve.port === "turn" ? "degrees" : `mm ${serve.port}` }[carries];
  const isRate = (carries === "vector" && kind === "motion") || (carries === "number" && kind === "delta");
  return `${what}${times(serve.scale, isRate ? " per second" : "")}`;
}

/** What a desk source gives to an action of a kind, in figures. */
export function hardwareSourceGives(wire: HardwareWire, kind: ActionKind): string {
  const { source } = wire;
  if ("move" in source) return `px${source.move === true ? "" : ` ${source.move}`}${times(source.scale)}`;
  if ("axis" in source) return `amount${times(source.scale, kind === "delta" ? " per second" : "")}`;
  if ("stick" in source) return `x, y${times(source.scale, kind === "motion" ? " per second" : "")}`;
  return kind === "press" ? "true" : signed(source.value ?? 1);
}

/** The small sum of an action: every source that gives to it, and how they come together. `nameOf` words a desk end. */
export function inputSumOf(layout: Layout, action: Action, nameOf: (end: string) => string): ActionSum {
  const names = new Map(layout.controls.map((c) => [c.id, c.name]));
  const kinds = new Map(layout.controls.map((c) => [c.id, c.kind]));
  const terms = wiresOf(layout, action.name).flatMap((wire): Term[] => {
    if (wire.kind === "touch") {
      const kind = kinds.get(wire.control)!;
      if (
        !hasPort(kind, wire.serve.port) ||
        !portFits(wire.serve.port, action.kind) ||
        serveLacks(wire.serve.port, action.kind, wire.serve.value, wire.serve.scale) !== null
      )
        return [];
      const port = wire.serve.port === "press" || wire.serve.port === "vector" || wire.serve.port === "motion" ? "" : ` ${wire.serve.port}`;
      return [{ from: `${names.get(wire.control)}${port}`, gives: serveGives(wire.serve, action.kind) }];
    }
    if (hardwareWhyNot(wire.source, action.kind) !== null || hardwareLacks(wire.source, action.kind) !== null) return [];
    return [{ from: nameOf(wire.end), gives: hardwareSourceGives(wire, action.kind) }];
  });
  const alone = action.combine === "strongest" && (action.kind === "axis" || action.kind === "vector");
  return { terms, rule: alone ? `of touch, keys with mouse, and pad the strongest alone; each ${RULES[action.kind]}` : RULES[action.kind] };
}
