/** What hands do on a glass in the browser, as events of the engine: pointers, a mouse by itself, keys. */
import type { InputEvent } from "../../core/engine/input/events";
import { pointerEvents, type MouseButtons, type PointerSample } from "../../runtime/attach/pointer";

/** Escape held this long leaves the glass, ms. */
const LEAVE_MS = 600;

interface HandsParts {
  readonly feed: (event: InputEvent) => void;
  /** CSS px a px of the screen. */
  readonly scale: () => number;
  /** A mouse is a mouse alone, and touches nothing. */
  readonly mouseIsItself: () => boolean;
  /** Which keys are down, whenever that changes, by their codes. */
  readonly onKeys: (codes: readonly string[]) => void;
  /** ms, as the events of the browser count. */
  readonly now: () => number;
}

/** A glass that is touched. */
type Glass = Pick<HTMLElement, "getBoundingClientRect" | "setPointerCapture" | "focus" | "blur">;
type GlassPointer = Pick<
  PointerEvent,
  "pointerId" | "pointerType" | "buttons" | "clientX" | "clientY" | "timeStamp" | "movementX" | "movementY" | "getCoalescedEvents"
>;

export interface Hands {
  pointer(type: PointerSample["type"], event: GlassPointer, glass: Glass): void;
  key(down: boolean, event: Pick<KeyboardEvent, "code" | "repeat" | "timeStamp">, glass: Glass): void;
  /** The focus has gone elsewhere, to the feel panel perhaps: keys are let go, thumbs stay down. */
  letGoOfKeys(): void;
}

const isTouch = ({ type }: InputEvent) => type === "down" || type === "move" || type === "up" || type === "cancel";

export function createHands({ feed, scale, mouseIsItself, onKeys, now }: HandsParts): Hands {
  let buttons: MouseButtons = 0;
  let leaving: ReturnType<typeof setTimeout> | undefined;
  const held = new Set<string>();
  return {
    pointer(type, event, glass) {
      const rect = glass.getBoundingClientRect();
      const isMouse = event.pointerType === "mouse";
      if (type === "down") {
        // A button let go outside the glass is let go all the same.
        glass.setPointerCapture(event.pointerId);
        glass.focus({ preventScroll: true });
      }
      // Between two frames the browser gathers movement into one event; what it gathered is distinguished.
      const gathered = type === "move" ? event.getCoalescedEvents?.() : undefined;
      for (const e of gathered && gathered.length > 0 ? gathered : [event]) {
        const place = { x: (e.clientX - rect.left) / scale(), y: (e.clientY - rect.top) / scale(), t: e.timeStamp, dx: e.movementX, dy: e.movementY };
        const step = pointerEvents(buttons, { type, id: event.pointerId, mouse: isMouse, buttons: e.buttons, ...place });
        buttons = step.buttons;
        for (const fed of step.events) {
          if (!(isMouse && mouseIsItself()) || !isTouch(fed)) feed(fed);
          // The main button of a mouse that touches nothing is a button like the others.
          else if (fed.type !== "move") feed({ t: fed.t, type: "mouse", button: 0, down: fed.type === "down" });
        }
      }
    },
    key(down, { code, repeat, timeStamp }, glass) {
      if (code === "Escape" && !down) clearTimeout(leaving);
      if (code === "Escape" && down && !repeat) leaving = setTimeout(() => glass.blur(), LEAVE_MS);
      if (down) held.add(code);
      else held.delete(code);
      if (repeat) return;
      onKeys([...held]);
      feed({ t: timeStamp, type: "key", code, down });
    },
    letGoOfKeys() {
      for (const code of held) feed({ t: now(), type: "key", code, down: false });
      held.clear();
      onKeys([]);
    },
  };
}
