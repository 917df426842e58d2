/** Feeds the drag machine with the events of an element: the only place where a plain drag meets the page. */
import type { DragSpec, StartDrag } from "../../ui/drags";
import { dragStep, IDLE, type DragCommand, type DragInput, type DragState, type Modifiers } from "./drag";

const keysOf = (event: { shiftKey: boolean; altKey: boolean }): Modifiers => ({ shift: event.shiftKey, alt: event.altKey });

/** Follows a pointer that has just been pressed on an element, until it is released or the drag is abandoned. Gives the way to abandon it. */
export const startDrag: StartDrag = (event, spec) => {
  const element = event.currentTarget;
  let state: DragState<null> = IDLE;
  const feed = (input: DragInput<null>) => {
    const step = dragStep(state, input, spec.thresholdPx);
    state = step.state;
    for (const command of step.commands) obey(command, element, spec);
    if (state.phase === "idle") stop();
  };
  const pointer = (type: "move" | "up") => (e: PointerEvent) => feed({ type, pointer: e.pointerId, at: { x: e.clientX, y: e.clientY }, keys: keysOf(e) });
  const listeners: readonly (readonly [EventTarget, string, (e: never) => void])[] = [
    [element, "pointermove", pointer("move")],
    [element, "pointerup", pointer("up")],
    [element, "pointercancel", (e: PointerEvent) => feed({ type: "cancel", pointer: e.pointerId })],
    [element, "lostpointercapture", (e: PointerEvent) => feed({ type: "cancel", pointer: e.pointerId })],
    [window, "pointerdown", (e: PointerEvent) => feed({ type: "down", pointer: e.pointerId, at: { x: e.clientX, y: e.clientY }, about: null })],
    [
      window,
      "keydown",
      (e: KeyboardEvent) => {
        if (e.key !== "Escape" || state.phase !== "dragging") return;
        e.stopPropagation();
        e.preventDefault();
        feed({ type: "abandon" });
      },
    ],
  ];
  const stop = () => {
    for (const [target, type, listener] of listeners) target.removeEventListener(type, listener as EventListener, true);
  };
  feed({ type: "down", pointer: event.pointerId, at: { x: event.clientX, y: event.clientY }, about: null });
  for (const [target, type, listener] of listeners) target.addEventListener(type, listener as EventListener, true);
  return () => feed({ type: "abandon" });
};

function obey(command: DragCommand<null>, element: Element, spec: DragSpec): void {
  switch (command.do) {
    case "capture":
      return element.setPointerCapture(command.pointer);
    case "begin":
      return spec.onBegin?.(command);
    case "move":
      return spec.onMove(command);
    case "drop":
      return spec.onDrop?.(command);
    case "click":
      return spec.onClick?.(command.keys);
    case "abandon":
      return spec.onAbandon?.();
  }
}
