/**
 * Fingers, pens and the mouse over an element, as events of the engine. What a control takes reaches nobody else; everything else goes to
 * what lies below. The browser's own gestures are kept off the element for as long as it plays.
 */
import type { InputEvent } from "../../core/engine/input/events";
import type { Point } from "../../core/engine/geometry/point";
import { OWN_EVENT } from "./desk";
import { createListening, type Listening } from "./listen";
import { pointerEvents, type MouseButtons, type PointerSample } from "./pointer";

export interface FingersParts {
  readonly over: HTMLElement;
  readonly toScreen: (clientX: number, clientY: number) => Point;
  readonly feed: (event: InputEvent) => void;
  /** Whether a touch at a point would be taken: by a control there, or by one it may slide onto. */
  readonly takes: (point: Point) => boolean;
  /** A finger has come down, or a mouse where it stands for one. */
  readonly touched: () => void;
  /** Whether the main button of a mouse stands for a finger just now. */
  readonly mouseTouches: () => boolean;
  /** Whether the mouse counts as a mouse. */
  readonly mouse: boolean;
  readonly now: () => number;
}

export interface Fingers {
  /** Tells the engine once more where every finger lies: the screen under them has changed. */
  again(): void;
  /** Lets go of all of them as by cancel. */
  cancel(): void;
  close(): void;
}

/** What keeps the browser's gestures off: panning, zooming, pulling to reload, selecting, the menu of a long press. */
const STYLES: Readonly<Record<string, string>> = {
  "touch-action": "none",
  "overscroll-behavior": "none",
  "user-select": "none",
  "-webkit-user-select": "none",
  "-webkit-touch-callout": "none",
  "-webkit-tap-highlight-color": "transparent",
};

/** What was there before the first of several handles set its styles, and how many of them there are. */
const styledBy = new Map<HTMLElement, { count: number; readonly before: readonly (readonly [key: string, value: string])[] }>();

/** Sets styles; gives what sets back what was there, once nobody wants them any more. */
function styled(element: HTMLElement, styles: Readonly<Record<string, string>>): () => void {
  const known = styledBy.get(element) ?? { count: 0, before: Object.keys(styles).map((key) => [key, element.style.getPropertyValue(key)] as const) };
  known.count += 1;
  styledBy.set(element, known);
  for (const [key, value] of Object.entries(styles)) element.style.setProperty(key, value);
  return () => {
    known.count -= 1;
    if (known.count > 0) return;
    styledBy.delete(element);
    known.before.forEach(([key, value]) => (value ? element.style.setProperty(key, value) : element.style.removeProperty(key)));
    if (element.getAttribute("style") === "") element.removeAttribute("style");
  };
}

interface Finger {
  readonly isMouse: boolean;
  clientX: number;
  clientY: number;
}

const isWithin = (over: HTMLElement, target: EventTarget | null) => target instanceof Node && over.contains(target);
/** What a game puts on its own glass to be pressed is not taken from it by a finger that only might slide. */
const isPressable = (target: EventTarget | null) => target instanceof Element && target.closest("a,button,input,select,textarea,[role=button]") !== null;

export function createFingers({ over, toScreen, feed, takes, touched, mouseTouches, mouse, now }: FingersParts): Fingers {
  const listening = createListening();
  const down = new Map<number, Finger>();
  const { give, mouseHolds, forget } = createTelling({ toScreen, feed, mouse, now });
  /** The times at which the last taken touch ended: a browser tells of a click after it. */
  let tookUntil = -Infinity;
  const unstyle = [styled(over, STYLES), styled(document.documentElement, { "overscroll-behavior": "none" })];
  listening.on("pointerdown", (event) => {
    if (OWN_EVENT in event || down.has(event.pointerId) || !isWithin(over, event.target)) return;
    const isMouse = event.pointerType === "mouse";
    if (!isMouse) touched();
    const isFinger = (!isMouse || (event.button === 0 && mouseTouches())) && takes(toScreen(event.clientX, event.clientY));
    if (!isFinger || (isPressable(event.target) && event.target !== over)) return void (isMouse && give(event, "down", false));
    down.set(event.pointerId, { isMouse, clientX: event.clientX, clientY: event.clientY });
    give(event, "down", true);
    take(event);
  });
  listening.on("pointermove", (event) => {
    if (OWN_EVENT in event) return;
    const finger = down.get(event.pointerId);
    if (!finger) {
      if (event.pointerType === "mouse" && isWithin(over, event.target)) give(event, "move", false);
      return;
    }
    [finger.clientX, finger.clientY] = [event.clientX, event.clientY];
    // A phone tells of several movements at once: each counts.
    const all = event.getCoalescedEvents?.() ?? [];
    for (const one of all.length > 1 && !finger.isMouse ? all : [event]) give(one, "move", true);
    take(event);
  });
  const end = (type: "up" | "cancel") => (event: PointerEvent) => {
    if (OWN_EVENT in event) return;
    if (!down.has(event.pointerId)) {
      if (type === "up" && event.pointerType === "mouse" && mouseHolds()) give(event, "up", false);
      return;
    }
    give(event, type, true);
    // Of a mouse another button may still be down: it is a finger until the main one is up.
    if (type === "cancel" || event.pointerType !== "mouse" || (event.buttons & MAIN) === 0) down.delete(event.pointerId);
    tookUntil = now();
    take(event);
  };
  listening.on("pointerup", end("up"));
  listening.on("pointercancel", end("cancel"));
  keepQuiet(listening, {
    isOver: (event) => !(OWN_EVENT in event) && isWithin(over, event.target),
    isHeld: () => down.size > 0,
    wasHeld: () => now() - tookUntil < CLICK_MS,
  });
  return {
    again() {
      for (const [id, { clientX, clientY }] of down) feed({ t: now(), id, type: "move", ...toScreen(clientX, clientY) });
    },
    cancel() {
      down.clear();
      forget();
    },
    close() {
      listening.close();
      unstyle.forEach((back) => back());
    },
  };
}

/** A click comes so long after its touch at most, ms. */
const CLICK_MS = 60;

/** The bit of the main button in `PointerEvent.buttons`. */
const MAIN = 1;

/** Tells the engine of pointer events, and remembers which buttons of the mouse are down. A main button that is no finger is a button like the others. */
function createTelling({ toScreen, feed, mouse, now }: Pick<FingersParts, "toScreen" | "feed" | "mouse" | "now">) {
  let buttons: MouseButtons = 0;
  let isMainDown = false;
  const sampleOf = (event: PointerEvent, type: PointerSample["type"], isFinger: boolean): PointerSample => ({
    type,
    id: event.pointerId,
    mouse: event.pointerType === "mouse",
    buttons: isFinger ? event.buttons : event.buttons & ~MAIN,
    ...toScreen(event.clientX, event.clientY),
    t: now(),
    dx: event.movementX,
    dy: event.movementY,
  });
  return {
    give(event: PointerEvent, type: PointerSample["type"], isFinger: boolean) {
      const told = pointerEvents(buttons, sampleOf(event, type, isFinger));
      // A finger says nothing of the mouse's buttons.
      if (event.pointerType === "mouse") {
        const main = !isFinger && type !== "cancel" && (event.buttons & MAIN) !== 0;
        if (main !== isMainDown && mouse) feed({ t: now(), type: "mouse", button: 0, down: main });
        isMainDown = main;
        buttons = told.buttons;
      }
      for (const one of told.events) if (mouse || one.type !== "mouse") feed(one);
    },
    mouseHolds: () => buttons !== 0 || isMainDown,
    forget() {
      buttons = 0;
      isMainDown = false;
    },
  };
}

interface Held {
  readonly isOver: (event: Event) => boolean;
  /** A finger is down that a control has. */
  readonly isHeld: () => boolean;
  /** One was until a moment ago. */
  readonly wasHeld: () => boolean;
}

/** Older ways to hear of a touch that a control has taken, and what browsers make of it, reach nobody either. */
function keepQuiet(listening: Listening, { isOver, isHeld, wasHeld }: Held): void {
  for (const type of ["touchstart", "touchmove", "touchend", "touchcancel", "contextmenu"] as const)
    listening.on(type, (event) => isHeld() && isOver(event) && take(event));
  for (const type of ["click", "dblclick", "mousedown", "mouseup"] as const)
    listening.on(type, (event) => (isHeld() || wasHeld()) && isOver(event) && !isPressable(event.target) && take(event));
}

/** An event that nobody else hears of. */
function take(event: Event): void {
  if (event.cancelable) event.preventDefault();
  event.stopPropagation();
}
