"use client";
/**
 * What the pointer does on the glass: select, move, resize, tie, draw a box, span a marquee, push the glass about. A gesture
 * begins with the first real movement and is one entry in the history; Escape, a lost capture or a cancelled pointer put
 * everything back. Moves are worked off once a frame. Alt lets go of snapping.
 */
import { useEffect, useRef, useState, type MouseEvent, type PointerEvent, type RefObject } from "react";
import { byId } from "../../core/derived/byId";
import type { Box, Point } from "../../core/engine/geometry/point";
import type { Frame } from "../../core/format/types";
import { boundsOf } from "../../core/editing/align";
import { refitCluster, scaleCluster } from "../../core/editing/clusters";
import { moveBy, placeAt, editContextOf, type EditContext } from "../../core/editing/placing";
import { growControl } from "../../core/editing/make";
import { pxPerMm } from "../../core/engine/placement/screen";
import { snapMove, type Guide } from "../../core/editing/snap";
import { clusterOf, placementIn, placeableBox, placeableOf } from "../../core/editing/placeables";
import { carryTo, anchorAnew, anchorTo } from "../../core/editing/anchors";
import { ok } from "../../core/engine/result";
import { useSession, useSessionActions } from "../session/context";
import { benchStore, setBench, useBench } from "./bench";
import { snappedBox, type HandleKey, draggedBox } from "./handlePlaces";
import { growInto, growZone } from "./grow";
import { isShown } from "./overlays";
import { boxesOf, targetOfPointer, snapTargets } from "./targets";
import { anchorAt, type AnchorDrag } from "./anchorDrag";
import { nameOf, namesOf } from "../shared/names";

/** Movement below this is a click, CSS px. */
const CLICK_PX = 3;
/** The least side a drag can leave a control, mm. */
const LEAST_MM = 1;
/** How far from the edges it is tied to a control is carried, mm. */
export const CARRY_MM = 3;

type Gesture = {
  readonly context: EditContext;
  readonly from: Point;
  /** CSS px in the window, for pushing the glass about. */
  readonly window: Point;
  moving: boolean;
} & (
  | { readonly kind: "move"; readonly ids: readonly string[]; readonly clicked: string }
  | { readonly kind: "resize"; readonly id: string; readonly handle: HandleKey; readonly box: Box }
  | { readonly kind: "anchor"; readonly id: string }
  | { readonly kind: "marquee"; readonly ids: readonly string[] }
  | { readonly kind: "draw" }
  | { readonly kind: "pan"; readonly pan: Point }
  | { readonly kind: "press" }
);
type Fresh<K> = K extends Gesture ? Omit<K, "context" | "from" | "window" | "moving"> : never;

interface Latest {
  readonly point: Point;
  readonly window: Point;
  readonly free: boolean;
  readonly shift: boolean;
}

const NO_GUIDES: readonly Guide[] = [];
const NOTHING: readonly string[] = [];
const between = (a: Point, b: Point): Box => ({ x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x), h: Math.abs(a.y - b.y) });

export function useGlassGestures(context: EditContext, scale: number, svg: RefObject<SVGSVGElement | null>, tip: RefObject<SVGCircleElement | null>) {
  const session = useSessionActions();
  const selection = useSession((s) => s.selection);
  const entered = useBench((b) => b.entered);
  const gesture = useRef<Gesture | null>(null);
  const frame = useRef(0);
  const last = useRef<Latest | null>(null);
  const [marquee, setMarquee] = useState<Box | null>(null);
  const [drawn, setDrawn] = useState<Box | null>(null);
  const [anchorDrag, setAnchorDrag] = useState<AnchorDrag | null>(null);
  const [guides, setGuides] = useState(NO_GUIDES);
  const [moving, setMoving] = useState(NOTHING);
  const spaceHeld = useRef(false);

  const pointOf = (event: { clientX: number; clientY: number }): Point => {
    const rect = svg.current!.getBoundingClientRect();
    return { x: (event.clientX - rect.left) / scale, y: (event.clientY - rect.top) / scale };
  };
  const stop = () => {
    cancelAnimationFrame(frame.current);
    frame.current = 0;
    gesture.current = null;
    last.current = null;
    setMarquee(null);
    setDrawn(null);
    setAnchorDrag(null);
    setGuides(NO_GUIDES);
    setMoving(NOTHING);
    if (benchStore.getState().dragging) setBench({ dragging: false });
  };
  const abandon = () => {
    const g = gesture.current;
    if (g?.moving && (g.kind === "move" || g.kind === "resize")) session.cancel();
    stop();
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.code === "Space" && event.target instanceof Element && !event.target.closest("input, select, textarea, button")) {
        spaceHeld.current = event.type === "keydown";
        if (event.target.closest("main") || event.target === document.body) event.preventDefault();
      }
      if (event.type !== "keydown" || event.key !== "Escape" || !gesture.current) return;
      event.stopPropagation();
      event.preventDefault();
      abandon();
    };
    window.addEventListener("keydown", onKey, true);
    window.addEventListener("keyup", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      window.removeEventListener("keyup", onKey, true);
    };
  });

  const isRound = (id: string) => {
    const kind = byId(context.layout.controls).get(id)?.kind;
    return kind === "stick" || kind === "dpad" || kind === "button" || placeableOf(context.layout, id)?.kind === "cluster";
  };
  const move = (g: Gesture & { kind: "move" }, now: Latest) => {
    let dx = now.point.x - g.from.x;
    let dy = now.point.y - g.from.y;
    const bounds = boundsOf(boxesOf(g.context, g.ids));
    if (!now.free && bounds) {
      const snapped = snapMove({ ...bounds, x: bounds.x + dx, y: bounds.y + dy }, snapTargets(g.context, g.ids, scale, isShown("grid")));
      dx += snapped.dx;
      dy += snapped.dy;
      setGuides(snapped.guides);
    } else setGuides(NO_GUIDES);
    session.preview(() => moveBy(g.context, g.ids, dx, dy));
  };
  const resize = (g: Gesture & { kind: "resize" }, now: Latest) => {
    const dx = now.point.x - g.from.x;
    const dy = now.point.y - g.from.y;
    const corner = g.handle.length === 2;
    const keep = (corner && isRound(g.id)) !== now.shift;
    const least = LEAST_MM * pxPerMm(g.context.screen);
    const drag = { key: g.handle, dx, dy, least, keep };
    const { box, guides: met } = now.free
      ? { box: draggedBox(g.box, drag), guides: [] }
      : snappedBox(g.box, drag, snapTargets(g.context, [g.id], scale, isShown("grid")));
    setGuides(met);
    const cluster = placeableOf(g.context.layout, g.id)?.kind === "cluster";
    session.preview(() => (cluster ? scaleCluster(g.context, g.id, box) : placeAt(g.context, g.id, box, true)));
  };
  const work = () => {
    frame.current = 0;
    const g = gesture.current;
    const now = last.current;
    if (!g || !now) return;
    if (!g.moving) {
      if (Math.hypot(now.window.x - g.window.x, now.window.y - g.window.y) < CLICK_PX) return;
      g.moving = true;
      if (g.kind === "move") {
        session.begin(`move ${namesOf(g.context.layout, g.ids)}`);
        setMoving(g.ids);
      }
      if (g.kind === "resize") session.begin(`resize ${nameOf(g.context.layout, g.id)}`);
      if (g.kind === "move" || g.kind === "resize") setBench({ dragging: true });
    }
    switch (g.kind) {
      case "move":
        return move(g, now);
      case "resize":
        return resize(g, now);
      case "anchor":
        return setAnchorDrag(anchorAt(g.context, g.id, now, scale));
      case "marquee":
        return setMarquee(between(g.from, now.point));
      case "draw":
        return setDrawn(between(g.from, now.point));
      case "pan":
        return setBench({ pan: { x: g.pan.x + now.window.x - g.window.x, y: g.pan.y + now.window.y - g.window.y } });
      case "press":
    }
  };

  const anchored = (from: EditContext, id: string, to: { frame: Frame; anchor: readonly [number, number] }, carry: boolean) =>
    session.edit(`${carry ? "carry" : "tie"} ${nameOf(from.layout, id)}`, () => {
      const there = anchorTo(from, id, to.frame, to.anchor);
      if (!there.ok || !carry) return there;
      return carryTo(editContextOf(there.value, from.screen, from.playerView), id, CARRY_MM * pxPerMm(from.screen));
    });

  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    if (gesture.current || !(event.button === 0 || event.button === 1)) return;
    const target = event.target as Element;
    const from = pointOf(event);
    const begin = (g: Fresh<Gesture>) => (gesture.current = { ...g, context, from, window: { x: event.clientX, y: event.clientY }, moving: false } as Gesture);
    event.currentTarget.setPointerCapture(event.pointerId);
    const bench = benchStore.getState();
    if (bench.grown !== null) setBench({ grown: null });
    if (event.button === 1 || spaceHeld.current) {
      event.preventDefault();
      begin({ kind: "pan", pan: bench.pan });
      return;
    }
    if (bench.tool !== null) {
      begin({ kind: "draw" });
      return;
    }
    const handle = target.closest("[data-handle]");
    const tether = target.closest("[data-tether]")?.getAttribute("data-tether");
    const id = target.closest("[data-control]")?.getAttribute("data-control");
    if (handle) {
      const of = handle.getAttribute("data-of")!;
      const placeable = placeableOf(context.layout, of);
      const box = placeable && placeableBox(context.resolved, placeable);
      if (box) begin({ kind: "resize", id: of, handle: handle.getAttribute("data-handle") as HandleKey, box: { x: box.x, y: box.y, w: box.w, h: box.h } });
    } else if (tether) {
      begin({ kind: "anchor", id: tether });
    } else if (id) {
      const key = targetOfPointer(context.layout, context.resolved.arrangement, id, entered);
      if (event.shiftKey) {
        session.select(selection.includes(key) ? selection.filter((s) => s !== key) : [...selection, key]);
        begin({ kind: "press" });
        return;
      }
      if (entered !== null && key !== entered && clusterOf(placementIn(context.layout, context.resolved.arrangement, key)) !== entered)
        setBench({ entered: null });
      const ids = selection.includes(key) ? selection : [key];
      if (ids !== selection) session.select(ids);
      begin({ kind: "move", ids, clicked: key });
    } else begin({ kind: "marquee", ids: event.shiftKey ? selection : [] });
  };
  const latest = (event: PointerEvent<SVGSVGElement>): Latest => ({
    point: pointOf(event),
    window: { x: event.clientX, y: event.clientY },
    free: event.altKey,
    shift: event.shiftKey,
  });
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    const point = pointOf(event);
    tip.current?.setAttribute("cx", String(point.x));
    tip.current?.setAttribute("cy", String(point.y));
    if (!gesture.current) return;
    last.current = latest(event);
    if (frame.current === 0) frame.current = requestAnimationFrame(work);
  };
  const onPointerUp = (event: PointerEvent<SVGSVGElement>) => {
    const g = gesture.current;
    if (!g) return;
    last.current = latest(event);
    cancelAnimationFrame(frame.current);
    work();
    const now = last.current;
    if (g.kind === "draw") finishDrawing(g.moving ? between(g.from, now.point) : g.from);
    else if (!g.moving) {
      if (g.kind === "marquee") {
        session.select(g.ids);
        setBench({ entered: null });
      } else if (g.kind === "move" && selection.length > 1) session.select([g.clicked]);
    } else if (g.kind === "move" || g.kind === "resize") {
      if (g.kind === "move") reanchor(g);
      refit(g);
      session.commit();
    } else if (g.kind === "anchor") {
      const to = anchorAt(g.context, g.id, now, scale);
      if (to) anchored(g.context, g.id, to, now.shift);
    } else if (g.kind === "marquee") {
      const { x, y, w, h } = between(g.from, now.point);
      const within = g.context.resolved.controls
        .filter(({ visual: v }) => v.x < x + w && v.x + v.w > x && v.y < y + h && v.y + v.h > y)
        .map((c) => targetOfPointer(g.context.layout, g.context.resolved.arrangement, c.id, entered));
      session.select([...new Set([...g.ids, ...within])]);
    }
    stop();
  };
  /** What was tied to the nearest point of its frame is tied to the nearest one where it was carried. */
  const reanchor = (g: Gesture & { kind: "move" }) => {
    const { layout } = session.store.getState();
    const anchored = anchorAnew(g.context, editContextOf(layout, g.context.screen, g.context.playerView), g.ids);
    if (anchored.ok) session.preview(() => ok(anchored.value));
  };
  /** What stands in a cluster has moved in it: the cluster's box is drawn about it anew. */
  const refit = (g: Gesture & { kind: "move" | "resize" }) => {
    const ids = g.kind === "move" ? g.ids : [g.id];
    const { arrangement } = g.context.resolved;
    const homes = new Set(ids.flatMap((id) => clusterOf(placementIn(g.context.layout, arrangement, id)) ?? []).filter((home) => !ids.includes(home)));
    for (const home of homes) {
      const { layout } = session.store.getState();
      const fit = refitCluster(editContextOf(layout, g.context.screen, g.context.playerView), home);
      if (fit.ok) session.preview(() => ok(fit.value));
    }
  };
  const finishDrawing = (at: Point | Box) => {
    const { tool } = benchStore.getState();
    setBench({ tool: null });
    if (tool === "zone") growZone(session, context, at);
    else if (tool !== null) growInto(session, growControl(context, { kind: tool, action: null, at }), `add ${tool}`);
  };
  /** A double click goes into a cluster, or carries a control to where its tether is tied. The pointer was captured, so the target is looked up. */
  const onDoubleClick = (event: MouseEvent<SVGSVGElement>) => {
    const target = document.elementFromPoint(event.clientX, event.clientY);
    const tether = target?.closest("[data-tether]")?.getAttribute("data-tether");
    if (tether) {
      session.edit(`carry ${nameOf(context.layout, tether)}`, () => carryTo(context, tether, CARRY_MM * pxPerMm(context.screen)));
      return;
    }
    const id = target?.closest("[data-control]")?.getAttribute("data-control");
    if (!id) return;
    const key = targetOfPointer(context.layout, context.resolved.arrangement, id, entered);
    if (placeableOf(context.layout, key)?.kind !== "cluster") return;
    setBench({ entered: key });
    session.select([id]);
  };
  const onPointerLeave = () => tip.current?.setAttribute("cx", "-99999");

  return {
    bind: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: abandon, onLostPointerCapture: abandon, onPointerLeave, onDoubleClick },
    marquee,
    drawn,
    anchorDrag,
    guides,
    moving,
    abandon,
  };
}
