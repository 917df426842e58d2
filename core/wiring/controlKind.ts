/**
 * Another kind for a control, and what becomes of its wires. Each wire goes on by the nearest port of the new kind that can give to its
 * action; what no port can give is reported with the reason, before it is done.
 */
import { withArticle } from "../derived/counted";
import { ownEntry } from "../engine/playerChanges";
import { defaultShape, defaultSlideOut } from "../format/dependent";
import { byId, byName } from "../derived/byId";
import { checked } from "../editing/edits/checked";
import { portCarries, portFits, serveLacks } from "../engine/input/fits";
import { controlsSchema } from "../format/schema/control";
import type { Action, Arrangement, Control, ControlKind, Hit, Layout, Port, Serve } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { controlWhyNot, portsOf, serveBy } from "./serves";

/** A wire that goes on, by another port or as it was. */
export interface KeptServe {
  readonly from: Serve;
  readonly to: Serve;
}
/** A wire that cannot go on, and why. */
export interface LostServe {
  readonly serve: Serve;
  readonly why: string;
}
export interface ControlKindPreview {
  readonly kept: readonly KeptServe[];
  readonly lost: readonly LostServe[];
}

/** The ports that are in for a port, nearest first: what means the same to the thumb, then what carries the same, then what remains. */
const NEAREST: Readonly<Record<Port, readonly Port[]>> = {
  vector: ["vector", "motion", "x"],
  motion: ["motion", "vector"],
  aim: ["aim", "vector"],
  x: ["x", "right", "press"],
  y: ["y", "up", "x", "press"],
  dx: ["dx", "turn", "x"],
  dy: ["dy", "turn", "y"],
  turn: ["turn", "dx", "x"],
  tapped: ["tapped", "press", "held"],
  released: ["released", "press", "tapped", "held"],
  press: ["press", "held", "active", "up"],
  held: ["held", "active", "press"],
  active: ["active", "held", "press"],
  up: ["up", "press"],
  down: ["down", "press"],
  left: ["left", "press"],
  right: ["right", "press"],
};
const DIRECTIONS: ReadonlySet<Port> = new Set<Port>(["up", "down", "left", "right"]);

/** What another kind would do to the wires of a control. */
export function previewControlKind(layout: Layout, id: string, kind: ControlKind): ControlKindPreview {
  const control = byId(layout.controls).get(id);
  const serves = (control?.serves ?? []) as readonly Serve[];
  const actions = byName(layout.actions);
  const kept: KeptServe[] = [];
  const lost: LostServe[] = [];
  const directions = new Set(serves.map((s) => s.port).filter((port) => DIRECTIONS.has(port)));
  for (const serve of serves) {
    const action = actions.get(serve.action) ?? null;
    const port = portFor(serve, action, kind);
    const to = port && servedBy(serve, port, action);
    if (port === "press" && DIRECTIONS.has(serve.port) && directions.size > 1)
      lost.push({ serve, why: `${withArticle(kind)} has one port, press; it cannot tell ${[...directions].join(" from ")}` });
    else if (to && kept.some((k) => k.to.port === to.port && k.to.action === to.action))
      lost.push({ serve, why: `the ${to.port} port would serve \`${to.action}\` twice` });
    else if (to) kept.push({ from: serve, to });
    else lost.push({ serve, why: whyLost(serve, action, kind) });
  }
  return { kept, lost };
}

function portFor(serve: Serve, action: Action | null, kind: ControlKind): Port | null {
  const ports = portsOf(kind);
  // A wire to a word that nothing reads gives nothing by any port: the nearest that there is will do. One that does not fit stays as it is.
  const fits = (port: Port) => action === null || portFits(port, action.kind);
  if (action !== null && !portFits(serve.port, action.kind)) return ports.includes(serve.port) ? serve.port : null;
  return NEAREST[serve.port].find((port) => ports.includes(port) && fits(port)) ?? null;
}

/** The wire by another port: what it gives stays where the port carries the same sort, and is otherwise what a port gives when nothing more is said. */
function servedBy(serve: Serve, port: Port, action: Action | null): Serve {
  if (port === serve.port || action === null) return { ...serve, port };
  const same = portCarries(port) === portCarries(serve.port);
  if (same && serveLacks(port, action.kind, serve.value, serve.scale) === null) return { ...serve, port };
  return serveBy(port, action);
}

function whyLost(serve: Serve, action: Action | null, kind: ControlKind): string {
  const none = action && controlWhyNot(kind, action.kind);
  return none ?? `${withArticle(kind)} has no port like ${serve.port}; it has ${portsOf(kind).join(", ")}`;
}

/**
 * Makes a control another kind, where it is, with its name, look, moments and hit area; its wires go on as `previewControlKind` says,
 * its feel starts from the defaults of the kind. A shape that was the old kind's own becomes the new one's.
 */
export function changeControlKind(layout: Layout, id: string, kind: ControlKind): Result<Layout> {
  const control = byId(layout.controls).get(id);
  if (!control) return refused("controls", `there is no control "${id}"`);
  if (control.kind === kind) return ok(layout);
  const serves = previewControlKind(layout, id, kind).kept.map((k) => k.to);
  const { name, placement, look, moments } = control;
  const shaped = (hit: Hit): Hit => (hit.shape === defaultShape(control.kind) ? { ...hit, shape: defaultShape(kind) } : hit);
  const made = controlsSchema.parse({ id, name, kind, placement, look, serves });
  const whole = made.kind === "button" ? { ...made, feel: { ...made.feel, slideOut: defaultSlideOut(made.feel.slideIn) } } : made;
  const next = { ...whole, moments, hit: shaped(control.hit) } as Control;
  return checked(layout, {
    ...layout,
    controls: layout.controls.map((c) => (c.id === id ? next : c)),
    // A landing area is a stick's alone.
    arrangements: kind === "stick" ? layout.arrangements : layout.arrangements.map((a) => withoutLanding(a, id)),
  });
}

function withoutLanding(arrangement: Arrangement, id: string): Arrangement {
  const own = ownEntry(arrangement.overrides, id);
  if (!own?.landing) return arrangement;
  const { landing: _landing, ...rest } = own;
  return { ...arrangement, overrides: { ...arrangement.overrides, [id]: rest } };
}
