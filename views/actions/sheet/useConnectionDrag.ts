"use client";
/**
 * Drawing a wire, by pointer or by key. A press on an end that is dragged draws a wire to whatever lies under the pointer; a click
 * or Enter on it begins one that is led along the fitting ends by the arrow keys, and joined by Enter or a click. Escape lets it go.
 */
import { useEffect, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from "react";
import type { Session } from "../../session/session";
import { sheetStore, setSheetState, type ConnectionDrag } from "../sheetState";
import { joined, meets, targetKey, targetOf, whyNot, type ConnectionStart, type ConnectionTarget } from "../connections";

/** A press must go this far before it draws, CSS px. */
const DRAG_PX = 4;

/** So near to the upper or lower edge of its room, CSS px, the sheet moves on under a wire; and so far a frame. */
const EDGE_PX = 28;
const EDGE_STEP_PX = 9;

/** What an end of a wire in the page is given. */
export interface EndProps {
  onPointerDown(event: PointerEvent<HTMLElement>): void;
  onPointerMove(event: PointerEvent<HTMLElement>): void;
  onPointerUp(event: PointerEvent<HTMLElement>): void;
  onPointerCancel(): void;
  onClick(event: MouseEvent<HTMLElement>): void;
}

export interface Connecting {
  /** Says what happens where a wire is let go over nothing. */
  onNowhere(act: (start: ConnectionStart, x: number) => void): void;
  /** Lets the wire being drawn go; the focus goes back to where it began. */
  letGo(): void;
  /** Makes an element an end from which a wire can be drawn. `onPress`: what a click does instead of beginning one by key. */
  endProps(start: ConnectionStart, onPress?: () => void): EndProps;
  /** Keys and clicks of the whole sheet while a wire is led by key. */
  onKeyDown(event: KeyboardEvent<HTMLElement>): void;
  onClickCapture(event: MouseEvent<HTMLElement>): void;
}

interface Press {
  readonly start: ConnectionStart;
  readonly x: number;
  readonly y: number;
  dragged: boolean;
}

/** `onNowhere`: a wire was let go over nothing, at so many CSS px from the sheet's left. */
export function useConnectionDrag(session: Session, onNowhere: (start: ConnectionStart, x: number) => void): Connecting {
  // One for as long as the sheet stands, so that a row draws anew only for what changes in it.
  const [connecting] = useState(() => createConnecting(session));
  useEffect(() => connecting.onNowhere(onNowhere));
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key !== "Escape" || sheetStore.getState().connectionDrag === null) return;
      event.stopPropagation();
      event.preventDefault();
      connecting.letGo();
    };
    window.addEventListener("keydown", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      setSheetState({ connectionDrag: null });
    };
  }, [connecting]);
  return connecting;
}

function createConnecting(session: Session): Connecting {
  let sheet: HTMLElement | null = null;
  let press: Press | null = null;
  let origin: HTMLElement | null = null;
  let nowhere: (start: ConnectionStart, x: number) => void = () => {};

  /** Remembers from which end of which sheet a wire is drawn. */
  const take = (element: HTMLElement) => {
    origin = element;
    sheet = element.closest<HTMLElement>("[data-sheet]");
  };
  /** The pointer's last place, while a wire follows it. */
  let last: { clientX: number; clientY: number } | null = null;
  let scrolling = 0;
  /** Moves the sheet on while the pointer rests at an edge of its room; the wire follows. */
  const scrollAtEdge = () => {
    cancelAnimationFrame(scrolling);
    const room = sheet?.parentElement;
    const { connectionDrag } = sheetStore.getState();
    if (!room || !last || connectionDrag?.by !== "pointer") return;
    const { top, bottom } = room.getBoundingClientRect();
    const step = last.clientY > bottom - EDGE_PX ? EDGE_STEP_PX : last.clientY < top + EDGE_PX ? -EDGE_STEP_PX : 0;
    const before = room.scrollTop;
    if (step !== 0) room.scrollTop += step;
    if (room.scrollTop === before) return;
    update(connectionDrag, under(last), pointOf(last));
    scrolling = requestAnimationFrame(scrollAtEdge);
  };
  const update = (connectionDrag: ConnectionDrag, over: ConnectionTarget | null, at: ConnectionDrag["at"]) => {
    const target = over && meets(connectionDrag.start, over) ? over : null;
    setSheetState({
      connectionDrag: { ...connectionDrag, at, over: target, why: target ? whyNot(session.store.getState().layout, connectionDrag.start, target) : null },
    });
  };
  const stop = (refocus: boolean) => {
    setSheetState({ connectionDrag: null });
    if (refocus) origin?.focus();
  };
  /** Joins the wire with what it is over; refused, it says why. */
  const join = (connectionDrag: ConnectionDrag): void => {
    if (!connectionDrag.over) return;
    const { start, over } = connectionDrag;
    stop(connectionDrag.by === "key");
    const label = `wire ${wordOf(start)} to ${wordOf(over)}`;
    if (session.edit(label, (l) => joined(l, start, over))) pickJoined(start, over);
  };
  const pointOf = (event: { clientX: number; clientY: number }) => {
    const box = sheet!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const under = (event: { clientX: number; clientY: number }): ConnectionTarget | null => {
    const element = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>("[data-target]");
    return element ? targetOf(element.dataset.target!) : null;
  };

  /** The ends that a wire from here fits, in the order of the page. */
  const fitting = (start: ConnectionStart): HTMLElement[] => {
    const { layout } = session.store.getState();
    const told = new Set<string>();
    return [...(sheet?.querySelectorAll<HTMLElement>("[data-target]") ?? [])].filter((element) => {
      const key = element.dataset.target!;
      const target = targetOf(key);
      // An input that stands by several actions is walked to once.
      if (target === null || told.has(key) || !meets(start, target) || whyNot(layout, start, target) !== null) return false;
      told.add(key);
      return true;
    });
  };

  return {
    onNowhere(act) {
      nowhere = act;
    },
    letGo() {
      press = null;
      stop(true);
    },
    endProps: (start, onPress) => ({
      onPointerDown(event) {
        if (event.button !== 0) return;
        take(event.currentTarget);
        press = { start, x: event.clientX, y: event.clientY, dragged: false };
        event.currentTarget.setPointerCapture(event.pointerId);
      },
      onPointerMove(event) {
        const from = press;
        if (!from) return;
        if (!from.dragged && Math.hypot(event.clientX - from.x, event.clientY - from.y) < DRAG_PX) return;
        from.dragged = true;
        last = { clientX: event.clientX, clientY: event.clientY };
        update({ start, by: "pointer", at: pointOf(event), over: null, why: null }, under(event), pointOf(event));
        scrollAtEdge();
      },
      onPointerUp(event) {
        const from = press;
        if (!from?.dragged) return;
        // The click that follows a drag is not one.
        requestAnimationFrame(() => (press = null));
        const { connectionDrag } = sheetStore.getState();
        if (connectionDrag?.over) join(connectionDrag);
        else {
          stop(false);
          if (connectionDrag) nowhere(start, pointOf(event).x);
        }
      },
      onPointerCancel() {
        press = null;
        stop(false);
      },
      onClick(event) {
        const dragged = press?.dragged ?? false;
        press = null;
        event.stopPropagation();
        if (dragged || sheetStore.getState().connectionDrag) return;
        take(event.currentTarget);
        if (onPress) return onPress();
        const element = event.currentTarget;
        const box = element.getBoundingClientRect();
        const at = pointOf({ clientX: box.left + box.width / 2, clientY: box.top + box.height / 2 });
        const connectionDrag: ConnectionDrag = { start, by: "key", at, over: null, why: null };
        const [first] = fitting(start);
        if (!first) {
          session.tell({ text: `Nothing here fits ${wordOf(start)}.`, tone: "plain" });
          return;
        }
        setSheetState({ connectionDrag });
        lead(first, connectionDrag);
      },
    }),
    onKeyDown(event) {
      const { connectionDrag } = sheetStore.getState();
      if (connectionDrag?.by !== "key") return;
      if (event.key === "Enter" || event.key === " ") {
        event.preventDefault();
        event.stopPropagation();
        join(connectionDrag);
        return;
      }
      const step = event.key === "ArrowDown" || event.key === "ArrowRight" ? 1 : event.key === "ArrowUp" || event.key === "ArrowLeft" ? -1 : 0;
      if (step === 0) return;
      event.preventDefault();
      event.stopPropagation();
      const ends = fitting(connectionDrag.start);
      const now = connectionDrag.over ? ends.findIndex((e) => e.dataset.target === targetKey(connectionDrag.over!)) : -1;
      const next = ends[(now + step + ends.length) % ends.length];
      if (next) lead(next, connectionDrag);
    },
    onClickCapture(event) {
      const { connectionDrag } = sheetStore.getState();
      if (connectionDrag?.by !== "key") return;
      const over = under(event);
      event.preventDefault();
      event.stopPropagation();
      if (over && meets(connectionDrag.start, over)) join({ ...connectionDrag, over });
      else stop(false);
    },
  };

  /** Brings a wire that is led by key to an end. */
  function lead(element: HTMLElement, connectionDrag: ConnectionDrag): void {
    element.scrollIntoView({ block: "nearest" });
    element.focus({ preventScroll: true });
    const box = element.getBoundingClientRect();
    const target = targetOf(element.dataset.target!);
    update(
      connectionDrag,
      target,
      pointOf({ clientX: target?.kind === "end" || target?.kind === "action" ? box.right : box.left, clientY: box.top + box.height / 2 }),
    );
  }
}

/** An end of a wire in a word, for the history and for readers. */
export function wordOf(end: ConnectionStart | ConnectionTarget): string {
  switch (end.kind) {
    case "action":
      return end.name;
    case "end":
      return end.end;
    case "serve":
      return end.id;
    case "port":
      return end.port === null ? end.id : `${end.id} ${end.port}`;
  }
}

/** After a wire is drawn its action is picked: its whole chain shows. */
function pickJoined(start: ConnectionStart, over: ConnectionTarget): void {
  const name = start.kind === "action" ? start.name : over.kind === "action" ? over.name : null;
  if (name !== null) setSheetState({ pick: { kind: "action", name } });
}
