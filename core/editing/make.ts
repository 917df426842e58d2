/** A fitting control for an action, grown where it is dropped. */
import { KINDS } from "../engine/kinds";
import type { Box } from "../engine/geometry/point";
import { byId } from "../derived/byId";
import { controlsSchema } from "../format/schema/control";
import { formatLength, lengthOf } from "../engine/placement/length";
import { addControls, freeId, freeName } from "./edits/controls";
import type { Action, Control, ControlKind, Layout, Serve } from "../format/types";
import { ok, type Result } from "../engine/result";
import { addCluster } from "./clusters";
import { axisMeant, axisPort, commonName, DIRECTIONS, fourDirections } from "./wordMeaning";
import { pinFor, type EditContext } from "./placing";
import { framesOf, pxPerMm } from "../engine/placement/screen";

/** The kind that suits an action best, and the port it serves by. */
export function fittingKind(kind: Action["kind"]): ControlKind {
  switch (kind) {
    case "press":
      return "button";
    case "axis":
    case "vector":
      return "stick";
    case "motion":
    case "delta":
      return "touchpad";
  }
}

/**
 * How a control of a kind that serves something already serves an action when nothing more is said; null where no port fits. Of the two ways of a
 * stick or d-pad an axis gets the one its name means, else the free one.
 */
export function fittingServe(control: ControlKind, action: Pick<Action, "name" | "kind">, serves: readonly Serve[] = []): Serve | null {
  const name = action.name;
  switch (action.kind) {
    case "press":
      return control === "button" ? { port: "press", action: name } : { port: control === "swipe" ? "up" : "held", action: name };
    case "axis":
      if (control === "stick" || control === "dpad") return { port: axisPort(name, serves), action: name };
      if (control === "dial") return { port: "x", action: name };
      return control === "button" ? { port: "press", action: name, value: 1 } : null;
    case "vector":
      return control === "button"
        ? { port: "press", action: name, value: [0, 1] }
        : control === "touchpad" || control === "dial"
          ? null
          : { port: "vector", action: name };
    case "motion":
      if (control === "touchpad") return { port: "motion", action: name };
      return control === "button" || control === "dial" ? null : { port: "vector", action: name, scale: 120 };
    case "delta":
      return deltaServe(control, name, serves);
  }
}

/** How a control serves a change along one way: a touchpad by the way that the name means, else the free one; a dial by its turn. */
function deltaServe(control: ControlKind, name: string, serves: readonly Serve[]): Serve | null {
  const isUp = axisPort(name, serves.map(asAxis)) === "y";
  switch (control) {
    case "touchpad":
      return { port: isUp ? "dy" : "dx", action: name };
    case "dial":
      return { port: "turn", action: name };
    case "stick":
    case "dpad":
      return { port: isUp ? "y" : "x", action: name, scale: 120 };
    default:
      return null;
  }
}

/** A serve by dx or dy as one by x or y. */
const asAxis = (serve: Serve): Serve => ({ ...serve, port: serve.port === "dx" ? "x" : serve.port === "dy" ? "y" : serve.port });

/** The size a new control has, mm: a stick as wide as a thumb's easy circle, a button a good target, a touchpad a broad field. */
const NEW_SIZE_MM: Readonly<Record<ControlKind, readonly [number, number]>> = {
  button: [11, 11],
  stick: [26, 26],
  dpad: [26, 26],
  touchpad: [40, 30],
  swipe: [40, 30],
  dial: [30, 30],
};

/** The least side of a new button's hit area, mm: what the checks want of a target unless the layout says otherwise. */
const LEAST_TARGET_MM = 9;

/** Kinds that can serve an action of a kind, the fitting one first. */
export function kindsFor(action: Action | null): ControlKind[] {
  const kinds = Object.keys(NEW_SIZE_MM) as ControlKind[];
  if (!action) return kinds;
  const first = fittingKind(action.kind);
  return [first, ...kinds.filter((k) => k !== first && fittingServe(k, action) !== null)];
}

/** Where a new control of a kind is about a point: its usual size in whole layout units, within the safe frame. */
function newBox(context: EditContext, kind: ControlKind, x: number, y: number): Box {
  const mm = pxPerMm(context.screen);
  const { safe } = framesOf(context.screen);
  const unit = context.resolved.scale * context.playerView.playerSize;
  const [w, h] = NEW_SIZE_MM[kind].map((size) => Math.max(1, Math.round((size * mm) / unit)) * unit);
  const inside = (at: number, low: number, room: number, size: number) => Math.min(Math.max(at - size / 2, low), low + Math.max(0, room - size));
  return { x: inside(x, safe.x, safe.w, w), y: inside(y, safe.y, safe.h, h), w, h };
}

/** A control of a kind with every default, named after the action it serves (with a number where that name is taken), in a box of the screen in view (px), tied to the nearest corner, edge's middle or centre of the safe frame, in whole layout units. */
export function makeControl(context: EditContext, kind: ControlKind, action: Action | null, box: Box): Control {
  const { layout } = context;
  const pin = pinFor(context, "control", "safe", box)!;
  const whole = (text: string, least: number) => formatLength(Math.max(least, Math.round(lengthOf(text).amount)), "u");
  const serve = action ? fittingServe(kind, action) : null;
  const name = freeName(layout, action?.name ?? KIND_NAMES[kind]);
  const made = controlsSchema.parse({
    id: freeId(layout, name),
    name,
    kind,
    placement: {
      ...pin,
      offset: [whole(pin.offset[0], -Infinity), whole(pin.offset[1], -Infinity)],
      size: [whole(pin.size[0], 1), whole(pin.size[1], 1)],
    },
    look: { label: action && kind === "button" ? action.name : "" },
    serves: serve ? [serve] : [],
  });
  const moments = action && action.moments.length > 0 ? action.moments : layout.moments.map((m) => m.id);
  if (made.kind !== "button") return { ...made, moments } as Control;
  // The smallest player's target passes, too.
  return { ...made, moments, hit: { ...made.hit, minMm: LEAST_TARGET_MM }, feel: { ...made.feel, slideOut: made.feel.slideOut ?? "keep" } };
}

const KIND_NAMES: Readonly<Record<ControlKind, string>> = {
  stick: "Stick",
  dpad: "D-pad",
  button: "Button",
  touchpad: "Touchpad",
  swipe: "Swipe",
  dial: "Dial",
};

/** What a new control is to be: of which kind (null: the fitting one), for which action, and where: about a point, or filling a box that was drawn. */
export interface NewControl {
  readonly kind: ControlKind | null;
  readonly action: Action | null;
  readonly at: { readonly x: number; readonly y: number } | Box;
}

/** Grows a control on the screen in view; gives the layout and the new control's id. Ground goes under all others. */
export function growControl(context: EditContext, planned: NewControl): Result<{ layout: Layout; id: string }> {
  const kind = planned.kind ?? (planned.action ? fittingKind(planned.action.kind) : "button");
  const box = "w" in planned.at ? planned.at : newBox(context, kind, planned.at.x, planned.at.y);
  const control = makeControl(context, kind, planned.action, box);
  const added = addControls(context.layout, [control]);
  return added.ok ? ok({ layout: withUnderlaysBelow(added.value, control.id), id: control.id }) : added;
}

/** Ground lies under the others from the start, or it would swallow their touches. */
function withUnderlaysBelow(layout: Layout, id: string): Layout {
  const control = byId(layout.controls).get(id)!;
  if (!KINDS[control.kind].isField) return layout;
  return { ...layout, controls: [control, ...layout.controls.filter((c) => c.id !== id)] };
}

/** What several actions can become together: a control for each on an arc or in a cross, or one control for all of them. */
export type Together = "arc" | "stick" | "dpad" | "cross";

/** What actions can become together, the likeliest first: two axes one stick, four directions one d-pad or four buttons in a cross. */
export function togetherFor(actions: readonly Action[]): readonly Together[] {
  if (actions.every(({ kind }) => kind === "press") && fourDirections(actions)) return ["dpad", "cross", "arc"];
  if (actions.length === 2 && actions.every(({ kind }) => kind === "axis")) return ["stick", "arc"];
  return ["arc"];
}

/**
 * Grows what several actions become together about a point; without `as` the likeliest. Gives the layout, and the id of the cluster or of the one
 * control.
 */
export function growTogether(
  context: EditContext,
  actions: readonly Action[],
  at: { readonly x: number; readonly y: number },
  as: Together = togetherFor(actions)[0],
): Result<{ layout: Layout; id: string }> {
  if (as === "arc" || as === "cross") return growCluster(context, actions, at, as === "cross" ? "ring" : "arc");
  const made = makeControl(context, as, actions[0], newBox(context, as, at.x, at.y));
  const name = freeName(context.layout, commonName(actions) ?? KIND_NAMES[as]);
  const moments = context.layout.moments
    .map(({ id }) => id)
    .filter((id) => actions.some((action) => action.moments.length === 0 || action.moments.includes(id)));
  const control = { ...made, id: freeId(context.layout, name), name, moments, serves: servesTogether(as, actions) } as Control;
  const added = addControls(context.layout, [control]);
  return added.ok ? ok({ layout: added.value, id: control.id }) : added;
}

/** The serves of one stick for two axes, or of one d-pad for four directions. */
function servesTogether(as: "stick" | "dpad", actions: readonly Action[]): Serve[] {
  const directions = fourDirections(actions);
  if (as === "dpad" && directions) return DIRECTIONS.map((port) => ({ port, action: directions[port].name }));
  const [first, second] = actions;
  const ways = [first, second].map(({ name }) => axisMeant(name));
  const firstPort = ways[0] ?? (ways[1] === "x" ? "y" : "x");
  return [
    { port: firstPort, action: first.name },
    { port: firstPort === "x" ? "y" : "x", action: second.name },
  ];
}

/** Several actions grow a cluster: a control for each, on an arc about the thumb or in a ring. Gives the layout and the cluster's id. */
function growCluster(
  context: EditContext,
  actions: readonly Action[],
  { x, y }: { readonly x: number; readonly y: number },
  form: "arc" | "ring" = "arc",
): Result<{ layout: Layout; id: string }> {
  let now = context;
  const made: Control[] = [];
  for (const action of actions) {
    const kind = fittingKind(action.kind);
    const control = makeControl(now, kind, action, newBox(context, kind, x, y));
    made.push(control);
    now = { ...now, layout: { ...now.layout, controls: [...now.layout.controls, control] } };
  }
  const name = freeName(context.layout, `${actions[0]?.name ?? "Cluster"} and ${actions.length - 1} more`);
  return addCluster(context, made, name, { form, at: { x, y } });
}
