/**
 * What the pointer does on the glass: select, move, resize, tie, draw a box, span a marquee, push the glass about.
 *
 * One pointer's way (see drag.ts), and what it is about, decided by what was pressed. A gesture begins with the first real movement and
 * is one entry in the history; whatever abandons it puts everything back. What is constant while it lasts is worked out when it begins.
 */
import { boundsOf } from "../../core/editing/align";
import { anchorAnew, anchorTo, carryTo } from "../../core/editing/anchors";
import { refitCluster, scaleCluster } from "../../core/editing/clusters";
import { clusterOf, placeableBox, placeableOf, placementIn } from "../../core/editing/placeables";
import { editContextOf, moveBy, placeAt, type EditContext } from "../../core/editing/placing";
import { snapMove, type Guide, type SnapTargets } from "../../core/editing/snap";
import type { Box, Point } from "../../core/engine/geometry/point";
import { pxPerMm } from "../../core/engine/placement/screen";
import { ok, type Result } from "../../core/engine/result";
import { byId } from "../../core/derived/byId";
import type { ControlKind, Layout } from "../../core/format/types";
import { nameOf, namesOf } from "../shared/names";
import { anchorAt, type AnchorDrag } from "./anchorDrag";
import { dragStep, IDLE, type DragCommand, type DragInput, type DragState, type Modifiers, type WindowPoint } from "./drag";
import { draggedBox, snappedBox, type HandleKey } from "./handles";
import { boxesOf, snapTargets, targetOfPointer } from "./targets";

/** Movement below this is a click, CSS px. */
export const CLICK_PX = 3;
/** The least side a drag can leave a control, mm. */
const LEAST_MM = 1;
/** How far from the edges it is tied to a control is carried, mm. */
export const CARRY_MM = 3;

/** What drawing a box on the glass makes; null: nothing, it selects. */
export type Tool = ControlKind | "zone" | null;

/** How things are when something happens on the glass. */
export interface GlassWorld {
  readonly context: EditContext;
  /** CSS px a px of the screen. */
  readonly scale: number;
  readonly selection: readonly string[];
  /** The cluster that has been entered, or null. */
  readonly entered: string | null;
  readonly tool: Tool;
  readonly pan: Point;
  /** Whether the grid is shown, and so snapped to. */
  readonly grid: boolean;
}

/** What was pressed: a handle, a tether's end, a control (by the ids that the page tells), or nothing of these. */
export type PressedOn =
  | { readonly kind: "handle"; readonly of: string; readonly handle: HandleKey }
  | { readonly kind: "tether"; readonly id: string }
  | { readonly kind: "control"; readonly id: string }
  | { readonly kind: "glass" };

/** What a gesture is about. */
export type GlassAbout =
  | { readonly kind: "move"; readonly ids: readonly string[]; readonly clicked: string }
  | { readonly kind: "resize"; readonly id: string; readonly handle: HandleKey; readonly box: Box }
  | { readonly kind: "anchor"; readonly id: string }
  | { readonly kind: "marquee"; readonly ids: readonly string[] }
  | { readonly kind: "draw" }
  | { readonly kind: "pan"; readonly pan: Point }
  /** Nothing more comes of it. */
  | { readonly kind: "press" };

/** What is held while a gesture lasts: what it is about, where on the screen (px) it began, and the layout as it was. */
interface GlassGesture {
  readonly about: GlassAbout;
  readonly point: Point;
  readonly context: EditContext;
  /** What a moving box may snap to, once for the gesture. */
  readonly targets: SnapTargets | null;
}
export type GlassState = DragState<GlassGesture>;
export const GLASS_AT_REST: GlassState = IDLE;

/** What happens. `point`: where on the screen, px; `pans`: the middle button, or Space held. */
export type GlassInput =
  | {
      readonly type: "down";
      readonly pointer: number;
      readonly at: WindowPoint;
      readonly point: Point;
      readonly on: PressedOn;
      readonly shift: boolean;
      readonly pans: boolean;
    }
  | { readonly type: "move" | "up"; readonly pointer: number; readonly at: WindowPoint; readonly point: Point; readonly keys: Modifiers }
  | { readonly type: "cancel"; readonly pointer: number }
  | { readonly type: "abandon" };

/** What is drawn of a gesture while it lasts. */
export interface GlassShown {
  readonly marquee: Box | null;
  readonly drawn: Box | null;
  readonly anchorDrag: AnchorDrag | null;
  readonly guides: readonly Guide[];
  /** What is being moved. */
  readonly moving: readonly string[];
}
export const NOTHING_SHOWN: GlassShown = { marquee: null, drawn: null, anchorDrag: null, guides: [], moving: [] };

type EditNow = (now: Layout) => Result<Layout>;

/** What is to be done. `preview`: from the layout as it was when the gesture began; `follow`: what belongs to the gesture after its last preview. */
export type GlassCommand =
  | { readonly do: "capture"; readonly pointer: number }
  | { readonly do: "select"; readonly ids: readonly string[] }
  | { readonly do: "enter"; readonly cluster: string | null }
  | { readonly do: "begin"; readonly label: string }
  | { readonly do: "preview"; readonly edit: () => Result<Layout> }
  | { readonly do: "follow"; readonly edit: EditNow }
  | { readonly do: "commit" }
  | { readonly do: "cancel" }
  | { readonly do: "edit"; readonly label: string; readonly edit: () => Result<Layout> }
  | { readonly do: "make"; readonly at: Point | Box }
  | { readonly do: "push"; readonly pan: Point }
  | { readonly do: "show"; readonly shown: Partial<GlassShown> };

export interface GlassStep {
  readonly state: GlassState;
  readonly commands: readonly GlassCommand[];
}

const between = (a: Point, b: Point): Box => ({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) });

/** The next state and what is to be done. */
export function glassStep(state: GlassState, input: GlassInput, world: GlassWorld): GlassStep {
  if (input.type === "down" && state.phase === "idle") {
    const { about, commands } = pressed(input, world);
    const gesture: GlassGesture = { about, point: input.point, context: world.context, targets: targetsOf(about, world) };
    const step = dragStep(state, { type: "down", pointer: input.pointer, at: input.at, about: gesture }, CLICK_PX);
    return { state: step.state, commands: [...step.commands.flatMap((c) => worked(c, input, world)), ...commands] };
  }
  const gesture = state.phase === "idle" ? null : state.about;
  const told: DragInput<GlassGesture> = input.type === "down" ? { type: "down", pointer: input.pointer, at: input.at, about: gesture! } : input;
  const step = dragStep(state, told, CLICK_PX);
  const ended = state.phase !== "idle" && step.state.phase === "idle";
  return { state: step.state, commands: [...step.commands.flatMap((c) => worked(c, input, world)), ...(ended ? [CLEAN] : [])] };
}
const CLEAN: GlassCommand = { do: "show", shown: NOTHING_SHOWN };

/** What a press is about, and what it does at once. */
function pressed(input: GlassInput & { type: "down" }, world: GlassWorld): { about: GlassAbout; commands: readonly GlassCommand[] } {
  const { context, selection, entered, tool } = world;
  const { on, shift } = input;
  const only = (about: GlassAbout) => ({ about, commands: [] });
  if (input.pans) return only({ kind: "pan", pan: world.pan });
  if (tool !== null) return only({ kind: "draw" });
  switch (on.kind) {
    case "handle": {
      const placeable = placeableOf(context.layout, on.of);
      const box = placeable && placeableBox(context.resolved, placeable);
      if (!box) return only({ kind: "press" });
      return only({ kind: "resize", id: on.of, handle: on.handle, box: { x: box.x, y: box.y, w: box.w, h: box.h } });
    }
    case "tether":
      return only({ kind: "anchor", id: on.id });
    case "glass":
      return only({ kind: "marquee", ids: shift ? selection : [] });
    case "control": {
      const { layout, resolved } = context;
      const key = targetOfPointer(layout, resolved.arrangement, on.id, entered);
      if (shift) {
        const ids = selection.includes(key) ? selection.filter((s) => s !== key) : [...selection, key];
        return { about: { kind: "press" }, commands: [{ do: "select", ids }] };
      }
      const leaves = entered !== null && key !== entered && clusterOf(placementIn(layout, resolved.arrangement, key)) !== entered;
      const ids = selection.includes(key) ? selection : [key];
      return {
        about: { kind: "move", ids, clicked: key },
        commands: [...(leaves ? [{ do: "enter", cluster: null } as const] : []), ...(ids === selection ? [] : [{ do: "select", ids } as const])],
      };
    }
  }
}

function targetsOf(about: GlassAbout, { context, scale, grid }: GlassWorld): SnapTargets | null {
  if (about.kind === "move") return snapTargets(context, about.ids, scale, grid);
  return about.kind === "resize" ? snapTargets(context, [about.id], scale, grid) : null;
}

/** What a step of the drag means on the glass. */
function worked(command: DragCommand<GlassGesture>, input: GlassInput, world: GlassWorld): readonly GlassCommand[] {
  switch (command.do) {
    case "capture":
      return [command];
    case "begin":
      return begun(command.about);
    case "move":
      return "point" in input ? moved(command.about, { from: command.from, at: command.at, point: input.point, keys: command.keys }, world) : [];
    case "drop":
      return "point" in input ? dropped(command.about, { from: command.from, at: command.at, point: input.point, keys: command.keys }, world) : [];
    case "click":
      return clicked(command.about, world);
    case "abandon":
      return changesLayout(command.about) ? [{ do: "cancel" }] : [];
  }
}

const changesLayout = ({ about }: GlassGesture) => about.kind === "move" || about.kind === "resize";

function begun({ about, context }: GlassGesture): readonly GlassCommand[] {
  if (about.kind === "move")
    return [
      { do: "begin", label: `move ${namesOf(context.layout, about.ids)}` },
      { do: "show", shown: { moving: about.ids } },
    ];
  return about.kind === "resize" ? [{ do: "begin", label: `resize ${nameOf(context.layout, about.id)}` }] : [];
}

/** Where the pointer is: in the window and on the screen. */
interface Now {
  readonly from: WindowPoint;
  readonly at: WindowPoint;
  readonly point: Point;
  readonly keys: Modifiers;
}

function moved(gesture: GlassGesture, now: Now, { scale }: GlassWorld): readonly GlassCommand[] {
  const { about, context, point: start } = gesture;
  switch (about.kind) {
    case "move":
      return movePreview(gesture, about, now);
    case "resize":
      return resizePreview(gesture, about, now);
    case "anchor":
      return [{ do: "show", shown: { anchorDrag: anchorAt(context, about.id, { point: now.point, free: now.keys.alt }, scale) } }];
    case "marquee":
      return [{ do: "show", shown: { marquee: between(start, now.point) } }];
    case "draw":
      return [{ do: "show", shown: { drawn: between(start, now.point) } }];
    case "pan":
      return [{ do: "push", pan: { x: about.pan.x + now.at.x - now.from.x, y: about.pan.y + now.at.y - now.from.y } }];
    case "press":
      return [];
  }
}

function movePreview({ context, point: start, targets }: GlassGesture, { ids }: GlassAbout & { kind: "move" }, now: Now): readonly GlassCommand[] {
  let dx = now.point.x - start.x;
  let dy = now.point.y - start.y;
  let guides: readonly Guide[] = [];
  const bounds = boundsOf(boxesOf(context, ids));
  if (!now.keys.alt && bounds && targets) {
    const snapped = snapMove({ ...bounds, x: bounds.x + dx, y: bounds.y + dy }, targets);
    dx += snapped.dx;
    dy += snapped.dy;
    guides = snapped.guides;
  }
  return [
    { do: "show", shown: { guides } },
    { do: "preview", edit: () => moveBy(context, ids, dx, dy) },
  ];
}

/** Whether a corner keeps the proportion unless told otherwise. */
function isRound({ layout }: EditContext, id: string): boolean {
  const kind = byId(layout.controls).get(id)?.kind;
  return kind === "stick" || kind === "dpad" || kind === "button" || placeableOf(layout, id)?.kind === "cluster";
}

function resizePreview(
  { context, point: start, targets }: GlassGesture,
  { id, handle, box: from }: GlassAbout & { kind: "resize" },
  now: Now,
): readonly GlassCommand[] {
  const keep = (handle.length === 2 && isRound(context, id)) !== now.keys.shift;
  const least = LEAST_MM * pxPerMm(context.screen);
  const drag = { key: handle, dx: now.point.x - start.x, dy: now.point.y - start.y, least, keep };
  const { box, guides } = now.keys.alt || !targets ? { box: draggedBox(from, drag), guides: [] } : snappedBox(from, drag, targets);
  const cluster = placeableOf(context.layout, id)?.kind === "cluster";
  return [
    { do: "show", shown: { guides } },
    { do: "preview", edit: () => (cluster ? scaleCluster(context, id, box) : placeAt(context, id, box, true)) },
  ];
}

function dropped(gesture: GlassGesture, now: Now, world: GlassWorld): readonly GlassCommand[] {
  const { about, context, point: start } = gesture;
  switch (about.kind) {
    case "move":
      return [reanchored(context, about.ids), ...refitted(context, about.ids), { do: "commit" }];
    case "resize":
      return [...refitted(context, [about.id]), { do: "commit" }];
    case "anchor": {
      const to = anchorAt(context, about.id, { point: now.point, free: now.keys.alt }, world.scale);
      return to ? [tied(context, about.id, to, now.keys.shift)] : [];
    }
    case "draw":
      return [{ do: "make", at: between(start, now.point) }];
    case "marquee": {
      const { x, y, w, h } = between(start, now.point);
      const within = context.resolved.controls
        .filter(({ visual: v }) => v.x < x + w && v.x + v.w > x && v.y < y + h && v.y + v.h > y)
        .map((c) => targetOfPointer(context.layout, context.resolved.arrangement, c.id, world.entered));
      return [{ do: "select", ids: [...new Set([...about.ids, ...within])] }];
    }
    case "pan":
    case "press":
      return [];
  }
}

/** What was tied to the nearest point of its frame is tied to the nearest one where it was carried. */
function reanchored(context: EditContext, ids: readonly string[]): GlassCommand {
  return { do: "follow", edit: (now) => anchorAnew(context, editContextOf(now, context.screen, context.playerView), ids) };
}

/** What stands in a cluster has moved in it: the cluster's box is drawn about it anew. */
function refitted({ layout, screen, playerView, resolved }: EditContext, ids: readonly string[]): readonly GlassCommand[] {
  const homes = new Set(ids.flatMap((id) => clusterOf(placementIn(layout, resolved.arrangement, id)) ?? []).filter((home) => !ids.includes(home)));
  return [...homes].map((home) => ({ do: "follow", edit: (now) => refitCluster(editContextOf(now, screen, playerView), home) }));
}

function tied(context: EditContext, id: string, to: AnchorDrag, carry: boolean): GlassCommand {
  return {
    do: "edit",
    label: `${carry ? "carry" : "tie"} ${nameOf(context.layout, id)}`,
    edit: () => {
      const there = anchorTo(context, id, to.frame, to.anchor);
      if (!there.ok || !carry) return there;
      return carryTo(editContextOf(there.value, context.screen, context.playerView), id, CARRY_MM * pxPerMm(context.screen));
    },
  };
}

function clicked({ about, point }: GlassGesture, { selection }: GlassWorld): readonly GlassCommand[] {
  switch (about.kind) {
    case "marquee":
      return [
        { do: "select", ids: about.ids },
        { do: "enter", cluster: null },
      ];
    case "move":
      return selection.length > 1 ? [{ do: "select", ids: [about.clicked] }] : [];
    case "draw":
      return [{ do: "make", at: point }];
    default:
      return [];
  }
}

/** A double click goes into a cluster, or carries a control to where its tether is tied. */
export function glassDoubleClick(on: PressedOn, { context, entered }: GlassWorld): readonly GlassCommand[] {
  if (on.kind === "tether") {
    const { id } = on;
    return [{ do: "edit", label: `carry ${nameOf(context.layout, id)}`, edit: () => carryTo(context, id, CARRY_MM * pxPerMm(context.screen)) }];
  }
  if (on.kind !== "control") return [];
  const key = targetOfPointer(context.layout, context.resolved.arrangement, on.id, entered);
  if (placeableOf(context.layout, key)?.kind !== "cluster") return [];
  return [
    { do: "enter", cluster: key },
    { do: "select", ids: [on.id] },
  ];
}

/** A follow-up that is refused leaves the gesture as it is. */
export function followed(edit: EditNow, now: Layout): Result<Layout> {
  const result = edit(now);
  return result.ok ? result : ok(now);
}
