"use client";
/** The pointers and keys of the page, for the gestures on the glass. */
import { useEffect, useEffectEvent, useImperativeHandle, useRef, useState, type MouseEvent, type PointerEvent, type Ref, type RefObject } from "react";
import type { PressedOn } from "../interaction/glassGesture";
import type { HandleKey } from "../interaction/handles";
import { isSomeonesOwn, keyOwner, targetOfEvent } from "../interaction/typing";
import { useSessionActions } from "../document/SessionContext";
import { createGlassGestures, type Gestures, type GlassPointer } from "./glassGestures";

/** What others may do to a gesture on the glass. */
export type GlassGestures = Pick<Gestures, "secondFinger" | "abandon">;

interface Parts {
  readonly svg: RefObject<SVGSVGElement | null>;
  /** The fingertip under the pointer. */
  readonly tip: RefObject<SVGCircleElement | null>;
  readonly ref: Ref<GlassGestures>;
}

/** What the page says lies under a pointer. */
function pressedOn(target: Element | null): PressedOn {
  const handle = target?.closest("[data-handle]");
  if (handle) return { kind: "handle", of: handle.getAttribute("data-of")!, handle: handle.getAttribute("data-handle") as HandleKey };
  const tether = target?.closest("[data-tether]")?.getAttribute("data-tether");
  if (tether) return { kind: "tether", id: tether };
  const id = target?.closest("[data-control]")?.getAttribute("data-control");
  return id ? { kind: "control", id } : { kind: "glass" };
}

function nextFrame(work: () => void): () => void {
  const animation = requestAnimationFrame(work);
  return () => cancelAnimationFrame(animation);
}

export function useGlassGestures(scale: number, { svg, tip, ref }: Parts) {
  const session = useSessionActions();
  const [gestures] = useState(() => createGlassGestures({ session, nextFrame }));
  useEffect(() => gestures.scaleTo(scale), [gestures, scale]);
  useEffect(() => () => gestures.abandon(), [gestures]);
  useImperativeHandle(ref, () => gestures, [gestures]);
  const isSpaceHeld = useGestureKeys(gestures);
  const pointerOf = ({ pointerId, clientX, clientY, shiftKey, altKey }: PointerEvent): GlassPointer => {
    const rect = svg.current!.getBoundingClientRect();
    const point = { x: (clientX - rect.left) / scale, y: (clientY - rect.top) / scale };
    return { pointerId, clientX, clientY, shiftKey, altKey, point, capture: () => svg.current?.setPointerCapture(pointerId) };
  };
  const cancelled = (event: PointerEvent) => gestures.cancel(event.pointerId);
  return {
    onPointerDown(event: PointerEvent<SVGSVGElement>) {
      if (event.button !== 0 && event.button !== 1) return;
      const isPanning = event.button === 1 || isSpaceHeld.current;
      if (isPanning) event.preventDefault();
      gestures.down(pointerOf(event), pressedOn(event.target as Element), isPanning);
    },
    onPointerMove(event: PointerEvent<SVGSVGElement>) {
      const at = pointerOf(event);
      tip.current?.setAttribute("cx", String(at.point.x));
      tip.current?.setAttribute("cy", String(at.point.y));
      gestures.move(at);
    },
    onPointerUp: (event: PointerEvent<SVGSVGElement>) => gestures.up(pointerOf(event)),
    onPointerCancel: cancelled,
    onLostPointerCapture: cancelled,
    onPointerLeave: () => tip.current?.setAttribute("cx", "-99999"),
    /** The pointer was captured, so what lies under it is looked up. */
    onDoubleClick: ({ clientX, clientY }: MouseEvent<SVGSVGElement>) => gestures.doubleClick(pressedOn(document.elementFromPoint(clientX, clientY))),
  };
}

/** Escape puts a gesture back; while Space is held the glass is panned. Whether it is held. */
function useGestureKeys(gestures: Gestures): RefObject<boolean> {
  const isSpaceHeld = useRef(false);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.code === "Space" && !isSomeonesOwn(event) && keyOwner(targetOfEvent(event)) !== "button") {
      isSpaceHeld.current = event.type === "keydown";
      if (event.target === document.body || (event.target instanceof Element && event.target.closest("main"))) event.preventDefault();
    }
    if (event.type !== "keydown" || event.key !== "Escape" || gestures.isIdle()) return;
    event.stopPropagation();
    event.preventDefault();
    gestures.abandon();
  });
  useEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", listener, true);
    window.addEventListener("keyup", listener, true);
    return () => {
      window.removeEventListener("keydown", listener, true);
      window.removeEventListener("keyup", listener, true);
    };
  }, []);
  return isSpaceHeld;
}
