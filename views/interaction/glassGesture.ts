/** What gestures on the glass are about, and what each does as it begins, moves, is dropped or was only a click. Pure: previews and edits are reported, not made. */
import { KINDS } from "../../core/engine/kinds";
import { boundsOf } from "../../core/editing/align";
import { anchorAnew, anchorTo, carryTo } from "../../core/editing/anchors";
import { refitCluster, scaleCluster } from "../../core/editing/clusters";
import { clusterOf, placeableOf, placementIn } from "../../core/editing/placeables";
import { editContextOf, moveBy, placeAt, type EditContext } from "../../core/editing/placing";
import { snapMove, type Guide, type SnapTargets } from "../../core/editing/snap";
import type { Box, Point } from "../../core/engine/geometry/point";
import { pxPerMm } from "../../core/engine/placement/screen";
import { ok, type Result } from "../../core/engine/result";
import { byId } from "../../core/derived/byId";
import { madeOn } from "../../core/versions/merge";
import type { ControlKind, Layout } from "../../core/format/types";
import { nameOf, namesOf } from "../document/names";
import { anchorAt, type AnchorDrag } from "./anchorDrag";
import { type Modifiers, type WindowPoint } from "./drag";
import { draggedBox, snappedBox, type HandleKey } from "./handles";
import { boxesOf, targetOfPointer } from "./targets";

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

/** What was pressed: a handle, a tether's end, a control (by the ids that the page reports), or nothing of these. */
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
export interface GlassGesture {
  readonly about: GlassAbout;
  readonly point: Point;
  readonly context: EditContext;
  /** What a moving box may snap to, once for the gesture. */
  readonly targets: SnapTargets | null;
}

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

export type EditNow = (now: Layout) => Result<Layout>;

/**
 * What is to be done. `begin`: a gesture, on the layout when the pointer came down; `preview`: from that layout, so far along its way (px of the
 * screen); `follow`: what belongs to the gesture after its last preview.
 */
export type GlassCommand =
  | { readonly do: "capture"; readonly pointer: number }
  | { readonly do: "select"; readonly ids: readonly string[] }
  | { readonly do: "enter"; readonly cluster: string | null }
  | { readonly do: "begin"; readonly label: string; readonly origin: Layout }
  | { readonly do: "preview"; readonly edit: (way: Point) => Result<Layout>; readonly way: Point }
  | { readonly do: "follow"; readonly edit: EditNow }
  | { readonly do: "commit" }
  | { readonly do: "cancel" }
  | { readonly do: "edit"; readonly label: string; readonly edit: EditNow }
  | { readonly do: "make"; readonly at: Point | Box }
  | { readonly do: "push"; readonly pan: Point }
  | { readonly do: "show"; readonly shown: Partial<GlassShown> };

const between = (a: Point, b: Point): Box => ({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) });

/** Whether a gesture previews changes of the layout. */
export const changesLayout = ({ about }: GlassGesture) => about.kind === "move" || about.kind === "resize";

/** What a gesture does as it begins. */
export function begun({ about, context }: GlassGesture): readonly GlassCommand[] {
  if (about.kind === "move")
    return [
      { do: "begin", label: `move ${namesOf(context.layout, about.ids)}`, origin: context.layout },
      { do: "show", shown: { moving: about.ids } },
    ];
  return about.kind === "resize" ? [{ do: "begin", label: `resize ${nameOf(context.layout, about.id)}`, origin: context.layout }] : [];
}

/** Where the pointer is: in the window and on the screen. */
export interface Now {
  readonly from: WindowPoint;
  readonly at: WindowPoint;
  readonly point: Point;
  readonly keys: Modifiers;
}

/** What it does as the pointer moves. */
export function moved(gesture: GlassGesture, now: Now, { scale }: GlassWorld): readonly GlassCommand[] {
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
    { do: "preview", edit: (way) => moveBy(context, ids, way.x, way.y), way: { x: dx, y: dy } },
  ];
}

/** Whether a corner keeps the proportion by default. */
function isRound({ layout }: EditContext, id: string): boolean {
  const kind = byId(layout.controls).get(id)?.kind;
  return (kind !== undefined && !KINDS[kind].isField) || placeableOf(layout, id)?.kind === "cluster";
}

function resizePreview(
  { context, point: start, targets }: GlassGesture,
  { id, handle, box: from }: GlassAbout & { kind: "resize" },
  now: Now,
): readonly GlassCommand[] {
  const keep = (handle.length === 2 && isRound(context, id)) !== now.keys.shift;
  const least = LEAST_MM * pxPerMm(context.screen);
  const way = { x: now.point.x - start.x, y: now.point.y - start.y };
  const dragged = ({ x, y }: Point) => ({ key: handle, dx: x, dy: y, least, keep });
  const drag = dragged(way);
  const { box, guides } = now.keys.alt || !targets ? { box: draggedBox(from, drag), guides: [] } : snappedBox(from, drag, targets);
  const cluster = placeableOf(context.layout, id)?.kind === "cluster";
  return [
    { do: "show", shown: { guides } },
    {
      do: "preview",
      edit: (at) => {
        // Where it is wanted it snaps; on the way there it does not.
        const there = at === way ? box : draggedBox(from, dragged(at));
        return cluster ? scaleCluster(context, id, there) : placeAt(context, id, there, true);
      },
      way,
    },
  ];
}

/** What it does where it is dropped. */
export function dropped(gesture: GlassGesture, now: Now, world: GlassWorld): readonly GlassCommand[] {
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

/** What is in a cluster has moved in it: the cluster's box is drawn about it again. */
function refitted({ layout, screen, playerView, resolved }: EditContext, ids: readonly string[]): readonly GlassCommand[] {
  const homes = new Set(ids.flatMap((id) => clusterOf(placementIn(layout, resolved.arrangement, id)) ?? []).filter((home) => !ids.includes(home)));
  return [...homes].map((home) => ({ do: "follow", edit: (now) => refitCluster(editContextOf(now, screen, playerView), home) }));
}

function tied(context: EditContext, id: string, to: AnchorDrag, carry: boolean): GlassCommand {
  const there = anchorTo(context, id, to.frame, to.anchor);
  const carried = there.ok && carry ? carryTo(editContextOf(there.value, context.screen, context.playerView), id, CARRY_MM * pxPerMm(context.screen)) : there;
  return { do: "edit", label: `${carry ? "carry" : "tie"} ${nameOf(context.layout, id)}`, edit: madeOn(context.layout, carried) };
}

/** What a press does that was no drag. */
export function clicked({ about, point }: GlassGesture, { selection }: GlassWorld): readonly GlassCommand[] {
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

/** A follow-up that is refused leaves the gesture as it is. */
export function followed(edit: EditNow, now: Layout): Result<Layout> {
  const result = edit(now);
  return result.ok ? result : ok(now);
}
