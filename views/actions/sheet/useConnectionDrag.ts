"use client";
/** Feeds the machine of wires (interaction/wires.ts) with what the sheet reports, and does what it says: draws, joins, brings a wire to an end. */
import { useEffect, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from "react";
import { joined, targetOf, type ConnectionStart, type ConnectionTarget } from "../../interaction/connections";
import { NO_WIRE, wireStep, type WireCommand, type WireInput } from "../../interaction/wires";
import type { Session } from "../../document/session";
import { setSheetState } from "../sheetState";

/** So near to the upper or lower edge of its room, CSS px, the sheet moves on under a wire; and so far a frame. */
const EDGE_PX = 28;
const EDGE_STEP_PX = 9;

/** What an end of a wire in the page is given. */
export interface EndProps {
  onPointerDown(event: PointerEvent<HTMLElement>): void;
  onPointerMove(event: PointerEvent<HTMLElement>): void;
  onPointerUp(event: PointerEvent<HTMLElement>): void;
  onPointerCancel(event: PointerEvent<HTMLElement>): void;
  onLostPointerCapture(event: PointerEvent<HTMLElement>): void;
  onClick(event: MouseEvent<HTMLElement>): void;
}

export interface Connecting {
  /** Says what happens where a wire is let go over nothing. */
  onNowhere(act: (start: ConnectionStart, x: number) => void): void;
  /** Lets the wire being drawn go; true where there was one. */
  letGo(): boolean;
  /** Makes an element an end from which a wire can be drawn. `onPress`: what a click does instead of beginning one by key. */
  endProps(start: ConnectionStart, onPress?: () => void): EndProps;
  /** Keys and clicks of the whole sheet while a wire is led by key. */
  onKeyDown(event: KeyboardEvent<HTMLElement>): void;
  onClickCapture(event: MouseEvent<HTMLElement>): void;
}

/** `onNowhere`: a wire was let go over nothing, at this many CSS px from the sheet's left. */
export function useConnectionDrag(session: Session, onNowhere: (start: ConnectionStart, x: number) => void): Connecting {
  // One for as long as the sheet is, so that a row draws again only for what changes in it.
  const [connecting] = useState(() => createConnecting(session));
  useEffect(() => connecting.onNowhere(onNowhere));
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      if (event.key !== "Escape" || !connecting.letGo()) return;
      event.stopPropagation();
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      connecting.letGo();
    };
  }, [connecting]);
  return connecting;
}

interface Place {
  readonly clientX: number;
  readonly clientY: number;
}

/** The sheet in the page, from which a wire is drawn: where its ends are, and what is under the pointer. */
function createSheetPage() {
  let sheet: HTMLElement | null = null;
  let origin: HTMLElement | null = null;
  return {
    /** Remembers from which end of which sheet a wire is drawn. */
    beginAt(element: HTMLElement) {
      origin = element;
      sheet = element.closest<HTMLElement>("[data-sheet]");
    },
    origin: () => origin,
    room: () => sheet?.parentElement,
    pointOf({ clientX, clientY }: Place) {
      const box = sheet?.getBoundingClientRect();
      return { x: clientX - (box?.left ?? 0), y: clientY - (box?.top ?? 0) };
    },
    under({ clientX, clientY }: Place): ConnectionTarget | null {
      const element = document.elementFromPoint(clientX, clientY)?.closest<HTMLElement>("[data-target]");
      return element ? targetOf(element.dataset.target!) : null;
    },
    ends: () => [...(sheet?.querySelectorAll<HTMLElement>("[data-target]") ?? [])].map((element) => element.dataset.target!),
    /** Brings an end into view and gives it the focus; returns where the wire ends at it, or null where it is not there. */
    goTo(key: string): Place | null {
      const element = sheet?.querySelector<HTMLElement>(`[data-target="${CSS.escape(key)}"]`);
      if (!element) return null;
      element.scrollIntoView({ block: "nearest" });
      element.focus({ preventScroll: true });
      const box = element.getBoundingClientRect();
      const kind = targetOf(key)?.kind;
      return { clientX: kind === "end" || kind === "action" ? box.right : box.left, clientY: box.top + box.height / 2 };
    },
  };
}

/** Moves a room on while the pointer rests at its upper or lower edge; `moved` is called after each step. Returns what looks again. */
function createEdgeScroll(room: () => HTMLElement | null | undefined, moved: () => void): (clientY: () => number | null) => void {
  let animation = 0;
  const look = (clientY: () => number | null) => {
    cancelAnimationFrame(animation);
    const element = room();
    const y = clientY();
    if (!element || y === null) return;
    const { top, bottom } = element.getBoundingClientRect();
    const before = element.scrollTop;
    if (y > bottom - EDGE_PX) element.scrollTop += EDGE_STEP_PX;
    else if (y < top + EDGE_PX) element.scrollTop -= EDGE_STEP_PX;
    if (element.scrollTop === before) return;
    moved();
    animation = requestAnimationFrame(() => look(clientY));
  };
  return look;
}

interface Wiring {
  readonly page: ReturnType<typeof createSheetPage>;
  state(): typeof NO_WIRE;
  feed(input: WireInput): void;
  onNowhere(act: (start: ConnectionStart, x: number) => void): void;
}

/** The machine of wires, and what it says is done. */
function createWiring(session: Session): Wiring {
  let state = NO_WIRE;
  let nowhere: (start: ConnectionStart, x: number) => void = () => {};
  const page = createSheetPage();
  const feed = (input: WireInput) => {
    const step = wireStep(state, input, { layout: session.store.getState().layout, ends: page.ends() });
    state = step.state;
    step.commands.forEach(obey);
  };
  const obey = (command: WireCommand): void => {
    switch (command.do) {
      case "capture":
        return page.origin()?.setPointerCapture(command.pointer);
      case "show":
        return setSheetState(session, { connectionDrag: command.wire });
      case "join": {
        const { start, over } = command;
        if (session.edit(`wire ${wordOf(start)} to ${wordOf(over)}`, (l) => joined(l, start, over))) pickJoined(session, start, over);
        return;
      }
      case "nowhere":
        return nowhere(command.start, command.x);
      case "lead": {
        const place = page.goTo(command.key);
        if (place) feed({ type: "led", key: command.key, point: page.pointOf(place) });
        return;
      }
      case "refocus":
        return page.origin()?.focus();
      case "nothing fits":
        return session.tell({ text: `Nothing fits ${wordOf(command.start)}.`, tone: "plain" });
    }
  };
  return {
    page,
    state: () => state,
    feed,
    onNowhere(act) {
      nowhere = act;
    },
  };
}

function createConnecting(session: Session): Connecting {
  const { page, state, feed, onNowhere } = createWiring(session);
  return {
    onNowhere,
    letGo() {
      const drawn = state().wire !== null;
      feed({ type: "abandon" });
      return drawn;
    },
    endProps: createEndProps({ page, state, feed }),
    onKeyDown(event) {
      if (state().wire?.by !== "key") return;
      const by = event.key === "ArrowDown" || event.key === "ArrowRight" ? 1 : event.key === "ArrowUp" || event.key === "ArrowLeft" ? -1 : null;
      const joins = event.key === "Enter" || event.key === " ";
      if (by === null && !joins) return;
      event.preventDefault();
      event.stopPropagation();
      feed(by === null ? { type: "join" } : { type: "arrow", by });
    },
    onClickCapture(event) {
      if (state().wire?.by !== "key") return;
      event.preventDefault();
      event.stopPropagation();
      feed({ type: "choose", over: page.under(event) });
    },
  };
}

function createEndProps({ page, state, feed }: Omit<Wiring, "onNowhere">): Connecting["endProps"] {
  /** The pointer's last movement, while a wire follows it: the sheet moves on under it at its edges. */
  let last: { readonly pointer: number; readonly place: Place } | null = null;
  const moved = (pointer: number, place: Place, type: "move" | "up" = "move") =>
    feed({ type, pointer, at: { x: place.clientX, y: place.clientY }, point: page.pointOf(place), over: page.under(place) });
  const scrollAtEdge = createEdgeScroll(page.room, () => last && moved(last.pointer, last.place));
  const led = () => (last && state().wire?.by === "pointer" ? last.place.clientY : null);
  return (start, onPress) => ({
    onPointerDown(event) {
      if (event.button !== 0) return;
      if (state().press.phase === "idle") page.beginAt(event.currentTarget);
      feed({ type: "down", pointer: event.pointerId, at: { x: event.clientX, y: event.clientY }, start });
    },
    onPointerMove(event) {
      last = { pointer: event.pointerId, place: { clientX: event.clientX, clientY: event.clientY } };
      if (state().press.phase === "idle") return;
      moved(event.pointerId, last.place);
      scrollAtEdge(led);
    },
    onPointerUp: (event) => moved(event.pointerId, event, "up"),
    onPointerCancel: (event) => feed({ type: "cancel", pointer: event.pointerId }),
    onLostPointerCapture: (event) => feed({ type: "cancel", pointer: event.pointerId }),
    onClick(event) {
      event.stopPropagation();
      const box = event.currentTarget.getBoundingClientRect();
      const byPointer = event.detail > 0;
      const swallowed = state().swallows && byPointer;
      if (!swallowed && state().wire === null) {
        page.beginAt(event.currentTarget);
        if (onPress) return onPress();
      }
      feed({ type: "click", start, byPointer, point: page.pointOf({ clientX: box.left + box.width / 2, clientY: box.top + box.height / 2 }) });
    },
  });
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
function pickJoined(session: Session, start: ConnectionStart, over: ConnectionTarget): void {
  const name = start.kind === "action" ? start.name : over.kind === "action" ? over.name : null;
  if (name !== null) setSheetState(session, { pick: { kind: "action", name } });
}
