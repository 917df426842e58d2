"use client";
/** A rehearsal on a canvas of the page: what is played follows the component, and the hands on its glass. */
import { useEffect, useState, type KeyboardEvent, type PointerEvent, type RefObject } from "react";
import { languageNow } from "../document/language";
import { useSessionActions } from "../document/SessionContext";
import { padNow } from "../interaction/pads";
import type { PointerSample } from "../../runtime/attach/pointer";
import { createRehearsal, type Rehearsal, type RehearsalOf } from "./rehearsal";

interface Options extends RehearsalOf {
  readonly canvas: RefObject<HTMLCanvasElement | null>;
}

/** A rehearsal on a canvas, which plays nothing yet: see `usePlaying`. */
export function useRehearsalOn(canvas: RefObject<HTMLCanvasElement | null>): Rehearsal {
  const session = useSessionActions();
  const [rehearsal] = useState(() => createRehearsal({ canvas: () => canvas.current, pad: () => padNow(session), language: () => languageNow(session) }));
  useEffect(() => rehearsal.start(), [rehearsal]);
  return rehearsal;
}

/** A rehearsal of what the component says. */
export function useRehearsal({ canvas, ...of }: Options) {
  const rehearsal = useRehearsalOn(canvas);
  return { feed: rehearsal.feed, restart: rehearsal.restart, bind: usePlaying(rehearsal, of) };
}

/** Plays what the component says, and gives the handlers of its glass. */
export function usePlaying(rehearsal: Rehearsal, of: RehearsalOf) {
  useEffect(() => rehearsal.update(of));
  const pointer = (type: PointerSample["type"]) => (event: PointerEvent<HTMLElement>) => rehearsal.pointer(type, event.nativeEvent, event.currentTarget);
  const key = (down: boolean) => (event: KeyboardEvent<HTMLElement>) => {
    event.preventDefault();
    event.stopPropagation();
    event.nativeEvent.stopPropagation();
    rehearsal.key(down, event.nativeEvent, event.currentTarget);
  };
  return {
    onPointerDown: pointer("down"),
    onPointerMove: pointer("move"),
    onPointerUp: pointer("up"),
    onPointerCancel: pointer("cancel"),
    onLostPointerCapture: pointer("cancel"),
    onContextMenu: (event: { preventDefault(): void }) => event.preventDefault(),
    onKeyDown: key(true),
    onKeyUp: key(false),
    onBlur: rehearsal.letGoOfKeys,
  };
}
