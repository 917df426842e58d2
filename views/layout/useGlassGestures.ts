"use client";
/** Feeds the machine of the glass (interaction/glass.ts) with what the page reports, once a frame while something moves, and does what it says. */
import { useEffect, useImperativeHandle, useRef, useState, type MouseEvent, type PointerEvent, type Ref, type RefObject } from "react";
import type { Point } from "../../core/engine/geometry/point";
import { GLASS_AT_REST, glassDoubleClick, glassStep, type GlassInput } from "../interaction/benchPointer";
import { type GlassCommand, type PressedOn } from "../interaction/glassGesture";
import type { HandleKey } from "../interaction/handles";
import { isSomeonesOwn, keyOwner, targetOfEvent } from "../interaction/typing";
import { useSessionActions } from "../document/SessionContext";
import { benchStore, setBench } from "./bench";
import { createGlassCommands, glassWorld } from "./glassCommands";

/** What others may do to a gesture on the glass. */
export interface GlassGestures {
  /** Another pointer has come down somewhere: if a gesture is under way, it is not meant any more. */
  secondFinger(pointer: number): void;
  /** Puts everything back. */
  abandon(): void;
}

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

export function useGlassGestures(scale: number, { svg, tip, ref }: Parts) {
  const session = useSessionActions();
  const state = useRef(GLASS_AT_REST);
  const waiting = useRef<GlassInput | null>(null);
  const animation = useRef(0);
  const spaceHeld = useRef(false);
  const [commands] = useState(() => createGlassCommands(session));

  const world = () => glassWorld(session, scale);
  const run = (command: GlassCommand): void => {
    if (command.do === "capture") svg.current?.setPointerCapture(command.pointer);
    else commands.run(command);
  };
  const feed = (input: GlassInput) => {
    const step = glassStep(state.current, input, world());
    state.current = step.state;
    step.commands.forEach(run);
  };
  /** What has moved since the last frame. */
  const work = () => {
    cancelAnimationFrame(animation.current);
    animation.current = 0;
    const input = waiting.current;
    waiting.current = null;
    if (input) feed(input);
  };
  const abandon = () => {
    waiting.current = null;
    feed({ type: "abandon" });
  };
  const latest = useRef({ abandon, work });
  useEffect(() => {
    latest.current = { abandon, work };
  });
  useEffect(() => () => latest.current.abandon(), []);
  useImperativeHandle(ref, () => ({
    secondFinger: (pointer) => state.current.phase !== "idle" && state.current.pointer !== pointer && latest.current.abandon(),
    abandon: () => latest.current.abandon(),
  }));

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.code === "Space" && !isSomeonesOwn(event) && keyOwner(targetOfEvent(event)) !== "button") {
        spaceHeld.current = event.type === "keydown";
        if (event.target === document.body || (event.target instanceof Element && event.target.closest("main"))) event.preventDefault();
      }
      if (event.type !== "keydown" || event.key !== "Escape" || state.current.phase === "idle") return;
      event.stopPropagation();
      event.preventDefault();
      latest.current.abandon();
    };
    window.addEventListener("keydown", onKey, true);
    window.addEventListener("keyup", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      window.removeEventListener("keyup", onKey, true);
    };
  }, []);

  const pointOf = (event: { clientX: number; clientY: number }): Point => {
    const rect = svg.current!.getBoundingClientRect();
    return { x: (event.clientX - rect.left) / scale, y: (event.clientY - rect.top) / scale };
  };
  const told = (type: "move" | "up", event: PointerEvent<SVGSVGElement>): GlassInput => ({
    type,
    pointer: event.pointerId,
    at: { x: event.clientX, y: event.clientY },
    point: pointOf(event),
    keys: { shift: event.shiftKey, alt: event.altKey },
  });
  const cancelled = (event: PointerEvent<SVGSVGElement>) => {
    waiting.current = null;
    feed({ type: "cancel", pointer: event.pointerId });
  };

  return {
    bind: {
      onPointerDown(event: PointerEvent<SVGSVGElement>) {
        if (event.button !== 0 && event.button !== 1) return;
        if (benchStore(session).getState().grown !== null) setBench(session, { grown: null });
        const pans = event.button === 1 || spaceHeld.current;
        if (pans) event.preventDefault();
        const { pointerId: pointer, clientX: x, clientY: y, shiftKey } = event;
        const shift = shiftKey || benchStore(session).getState().several;
        feed({ type: "down", pointer, at: { x, y }, point: pointOf(event), on: pressedOn(event.target as Element), shift, pans });
      },
      onPointerMove(event: PointerEvent<SVGSVGElement>) {
        const point = pointOf(event);
        tip.current?.setAttribute("cx", String(point.x));
        tip.current?.setAttribute("cy", String(point.y));
        if (state.current.phase === "idle") return;
        waiting.current = told("move", event);
        if (animation.current === 0) animation.current = requestAnimationFrame(() => latest.current.work());
      },
      onPointerUp(event: PointerEvent<SVGSVGElement>) {
        work();
        feed(told("up", event));
      },
      onPointerCancel: cancelled,
      onLostPointerCapture: cancelled,
      onPointerLeave: () => tip.current?.setAttribute("cx", "-99999"),
      /** The pointer was captured, so what lies under it is looked up. */
      onDoubleClick: (event: MouseEvent<SVGSVGElement>) =>
        glassDoubleClick(pressedOn(document.elementFromPoint(event.clientX, event.clientY)), world()).forEach(run),
    },
  };
}
