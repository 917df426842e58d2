"use client";
/**
 * What the pointer does on the glass: select, move, resize, tie, span a marquee. A gesture begins with the first real
 * movement and is one entry in the history; Escape, a lost capture or a cancelled pointer put everything back.
 * Moves are worked off once a frame.
 */
import { useEffect, useRef, useState, type PointerEvent, type RefObject } from "react";
import type { Box, Point } from "../../core/geometry/point";
import { carryTo, moveBy, placeAt, TIE_POINTS, tieTo, type Sight } from "../../core/placement/edits";
import { frameBox, type ResolvedControl } from "../../core/placement/resolve";
import { framesOf, pxPerMm } from "../../core/placement/screen";
import { useSession, useSessionActions } from "../session/context";
import { draggedBox, type HandleKey } from "./handlePlaces";
import { tetherEnds, type TieDrag } from "./Tether";

/** Movement below this is a click, CSS px. */
const CLICK_PX = 3;
/** A tether's end takes a corner, edge or centre within this, CSS px. */
const TIE_SNAP_PX = 28;
/** The least side a drag can leave a control, mm. */
const LEAST_MM = 1;

interface Gesture {
  readonly kind: "move" | "resize" | "tie" | "marquee" | "press";
  readonly sight: Sight;
  readonly from: Point;
  readonly ids: readonly string[];
  readonly handle?: HandleKey;
  readonly at?: ResolvedControl;
  /** Selection to fall back on for a click on one of several. */
  readonly clicked?: string;
  moving: boolean;
}

export function useGlassGestures(sight: Sight, scale: number, svg: RefObject<SVGSVGElement | null>, tip: RefObject<SVGCircleElement | null>) {
  const session = useSessionActions();
  const selection = useSession((s) => s.selection);
  const gesture = useRef<Gesture | null>(null);
  const frame = useRef(0);
  const last = useRef<{ point: Point; free: boolean } | null>(null);
  const [marquee, setMarquee] = useState<Box | null>(null);
  const [tie, setTie] = useState<TieDrag | null>(null);

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
    setTie(null);
  };
  const abandon = () => {
    if (gesture.current?.moving) session.cancel();
    stop();
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape" || !gesture.current) return;
      event.stopPropagation();
      event.preventDefault();
      abandon();
    };
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  });

  const work = () => {
    frame.current = 0;
    const g = gesture.current;
    const now = last.current;
    if (!g || !now) return;
    const dx = now.point.x - g.from.x;
    const dy = now.point.y - g.from.y;
    if (!g.moving) {
      if (Math.hypot(dx, dy) * scale < CLICK_PX) return;
      g.moving = true;
      if (g.kind === "move") session.begin(`move ${g.ids.length === 1 ? g.ids[0] : `${g.ids.length} controls`}`);
      if (g.kind === "resize") session.begin(`resize ${g.ids[0]}`);
    }
    switch (g.kind) {
      case "move":
        session.preview(() => moveBy(g.sight, g.ids, dx, dy));
        return;
      case "resize":
        session.preview(() => placeAt(g.sight, g.ids[0], draggedBox(g.at!.visual, g.handle!, dx, dy, LEAST_MM * pxPerMm(g.sight.screen)), true));
        return;
      case "tie":
        setTie({ point: now.point, anchor: anchorAt(g, now.point, now.free) });
        return;
      case "marquee":
        setMarquee({ x: Math.min(g.from.x, now.point.x), y: Math.min(g.from.y, now.point.y), w: Math.abs(dx), h: Math.abs(dy) });
        return;
      case "press":
    }
  };

  /** The fractions of the frame for a tether's end: a corner, edge's middle or centre when near one, else free. */
  const anchorAt = (g: Gesture, point: Point, free: boolean): [number, number] => {
    const ends = tetherEnds(g.sight, g.at!);
    const box = ends ? frameBox(ends.pin.frame, g.sight.resolved, framesOf(g.sight.screen, g.sight.layout.picture)) : null;
    if (!box || box.w <= 0 || box.h <= 0) return [0, 0];
    if (!free)
      for (const [ax, ay] of TIE_POINTS) if (Math.hypot(box.x + ax * box.w - point.x, box.y + ay * box.h - point.y) * scale <= TIE_SNAP_PX) return [ax, ay];
    const held = (v: number) => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;
    return [held((point.x - box.x) / box.w), held((point.y - box.y) / box.h)];
  };

  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0 || gesture.current) return;
    const target = event.target as Element;
    const from = pointOf(event);
    const handle = target.closest("[data-handle]")?.getAttribute("data-handle") as HandleKey | null | undefined;
    const tether = target.closest("[data-tether]")?.getAttribute("data-tether");
    const id = target.closest("[data-control]")?.getAttribute("data-control");
    const at = (which: string) => sight.resolved.controls.find((c) => c.id === which);
    const begin = (g: Omit<Gesture, "sight" | "from" | "moving">) => (gesture.current = { ...g, sight, from, moving: false });
    event.currentTarget.setPointerCapture(event.pointerId);
    if (handle && selection.length === 1) begin({ kind: "resize", ids: selection, handle, at: at(selection[0]) });
    else if (tether) {
      if (event.detail === 2) session.edit(`carry ${tether}`, () => carryTo(sight, tether, 3 * pxPerMm(sight.screen)));
      else begin({ kind: "tie", ids: [tether], at: at(tether) });
    } else if (id) {
      if (event.shiftKey) {
        session.select(selection.includes(id) ? selection.filter((s) => s !== id) : [...selection, id]);
        begin({ kind: "press", ids: [] });
        return;
      }
      const ids = selection.includes(id) ? selection : [id];
      if (ids !== selection) session.select(ids);
      begin({ kind: "move", ids, clicked: id });
    } else begin({ kind: "marquee", ids: event.shiftKey ? selection : [] });
  };
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    const point = pointOf(event);
    tip.current?.setAttribute("cx", String(point.x));
    tip.current?.setAttribute("cy", String(point.y));
    if (!gesture.current) return;
    last.current = { point, free: event.altKey };
    if (frame.current === 0) frame.current = requestAnimationFrame(work);
  };
  const onPointerUp = (event: PointerEvent<SVGSVGElement>) => {
    const g = gesture.current;
    if (!g) return;
    last.current = { point: pointOf(event), free: event.altKey };
    cancelAnimationFrame(frame.current);
    work();
    if (!g.moving) {
      if (g.kind === "marquee") session.select(g.ids);
      else if (g.kind === "move" && g.clicked && selection.length > 1) session.select([g.clicked]);
    } else if (g.kind === "move" || g.kind === "resize") session.commit();
    else if (g.kind === "tie") {
      const anchor = anchorAt(g, last.current.point, last.current.free);
      const pin = tetherEnds(g.sight, g.at!)?.pin;
      if (pin) session.edit(`tie ${g.ids[0]}`, () => tieTo(g.sight, g.ids[0], pin.frame, anchor));
    } else if (g.kind === "marquee") {
      const { point } = last.current;
      const [x0, x1] = [Math.min(g.from.x, point.x), Math.max(g.from.x, point.x)];
      const [y0, y1] = [Math.min(g.from.y, point.y), Math.max(g.from.y, point.y)];
      const within = sight.resolved.controls.filter(({ visual: v }) => v.x < x1 && v.x + v.w > x0 && v.y < y1 && v.y + v.h > y0).map((c) => c.id);
      session.select([...new Set([...g.ids, ...within])]);
    }
    stop();
  };
  const onPointerLeave = () => tip.current?.setAttribute("cx", "-9999");

  return { bind: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: abandon, onLostPointerCapture: abandon, onPointerLeave }, marquee, tie };
}
