/**
 * Fingers, pens and the mouse over an element, as events of the engine. What a control takes reaches nobody else; everything else goes to
 * what lies below. The browser's own gestures are kept off the element for as long as it plays.
 */
import type { InputEvent } from "../../core/engine/input/events";
import type { Point } from "../../core/engine/geometry/point";
import { holds } from "../canvasAbove";
import { isTyping, OWN_EVENT } from "./deskInput";
import { createListening } from "./listen";
import { pointerEvents, type MouseButtons, type PointerSample } from "./pointer";
import { createTouchSieve, type Sifted } from "./touchEvents";

export interface FingersParts {
  readonly over: HTMLElement;
  /** Whether the controls can be seen: no finger is theirs while something else fills the screen. */
  readonly isSeen: () => boolean;
  /** Puts a point of the window, as one of the screen, into an object. */
  readonly toScreen: <P extends { x: number; y: number }>(clientX: number, clientY: number, into: P) => P;
  readonly feed: (event: InputEvent) => void;
  /** Whether a touch at a point would be taken: by a control there, or by one it may slide onto. */
  readonly takes: (point: Point) => boolean;
  /** A finger has come down, or a mouse where it is for one. */
  readonly touched: () => void;
  /** Whether the main button of a mouse represents a finger just now. */
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

/** Where an event happened, also inside a shadow tree, whose host the window is reported. */
function targetOf(event: Event): Node | null {
  const [target] = event.composedPath();
  return target instanceof Node ? target : null;
}

/** What a game puts on its own glass to be pressed is not taken from it by a finger that only might slide. */
const isPressable = (target: Node | null) => target instanceof Element && target.closest("a,button,input,select,textarea,[role=button]") !== null;

/** So many fingers that have gone are remembered, for the events that follow their last. */
const MOST_GONE = 16;
/** A menu asked for so near to a finger of ours is that finger's, CSS px. */
const MENU_NEAR_PX = 40;

export function createFingers({ over, isSeen, toScreen, feed, takes, touched, mouseTouches, mouse, now }: FingersParts): Fingers {
  const listening = createListening();
  /** The fingers that the engine knows, by their pointers. */
  const down = new Map<number, Finger>();
  /** Every pointer that was taken and is still down, also those that the engine has release. */
  const taken = new Set<number>();
  /** Pointers of ours that have gone: what browsers tell of them afterwards (out, leave, click) is nobody's. */
  const gone = new Set<number>();
  /** What was decided of a finger when it came over the glass, before it came down. */
  const decided = new Map<number, boolean>();
  /** The game's fingers that are down. The first of them is the primary one, as it would be without ours. */
  const theirs = new Set<number>();
  let theirPrimary: number | null = null;
  let mouseTook = false;
  let isClosing = false;
  const sieve = createTouchSieve();
  const { give, mouseHolds, forget } = createTelling({ toScreen, feed, mouse, now });
  const unstyle = [styled(over, STYLES), styled(document.documentElement, { "overscroll-behavior": "none" })];

  const isOver = (event: Event) => !(OWN_EVENT in event) && holds(over, targetOf(event));
  const isForUs = (event: PointerEvent) =>
    !isClosing &&
    isOver(event) &&
    isSeen() &&
    (event.pointerType !== "mouse" || (event.button === 0 && mouseTouches())) &&
    (targetOf(event) === over || !isPressable(targetOf(event))) &&
    takes(toScreen(event.clientX, event.clientY, { x: 0, y: 0 }));
  const isOurs = ({ pointerId }: PointerEvent) => taken.has(pointerId) || gone.has(pointerId) || decided.get(pointerId) === true;
  const decide = (event: PointerEvent): boolean => {
    const isTaken = isForUs(event);
    gone.delete(event.pointerId);
    decided.set(event.pointerId, isTaken);
    if (!isTaken && event.pointerType !== "mouse" && theirs.size === 0) theirPrimary = event.pointerId;
    return isTaken;
  };
  const leave = (pointerId: number) => {
    down.delete(pointerId);
    taken.delete(pointerId);
    gone.add(pointerId);
    if (gone.size > MOST_GONE) for (const first of gone) if (gone.size > MOST_GONE) gone.delete(first);
    if (isClosing && taken.size === 0 && !sieve.holds()) listening.close();
  };
  /** Without our fingers the game's first one is the primary one: libraries listen to no other. */
  const passOn = (event: PointerEvent) => {
    if (event.pointerId === theirPrimary && !event.isPrimary) Object.defineProperty(event, "isPrimary", { value: true });
  };

  // A finger comes over the glass before it comes down on it, at the same place.
  const heardBefore = (event: PointerEvent) => {
    if (OWN_EVENT in event || event.pointerType !== "touch") return;
    if (!taken.has(event.pointerId) && !theirs.has(event.pointerId) && !decided.has(event.pointerId) && event.type === "pointerover") decide(event);
    if (isOurs(event)) take(event);
    else passOn(event);
  };
  for (const type of ["pointerover", "pointerenter", "pointerout", "pointerleave", "gotpointercapture", "lostpointercapture"] as const)
    listening.on(type, heardBefore);

  listening.on("pointerdown", (event) => {
    if (OWN_EVENT in event || taken.has(event.pointerId)) return;
    const isMouse = event.pointerType === "mouse";
    const isWithin = isOver(event);
    if (isWithin && !isMouse && !isClosing) touched();
    const isTaken = decided.get(event.pointerId) ?? decide(event);
    decided.delete(event.pointerId);
    if (isMouse) mouseTook = isTaken;
    else sieve.down(event.pointerId, { x: event.clientX, y: event.clientY }, isTaken);
    if (!isTaken) {
      if (isMouse) return void (isWithin && !isClosing && give(event, "down", false));
      theirs.add(event.pointerId);
      return passOn(event);
    }
    focusAt(targetOf(event));
    down.set(event.pointerId, { isMouse, clientX: event.clientX, clientY: event.clientY });
    taken.add(event.pointerId);
    give(event, "down", true);
    take(event);
  });
  listening.on("pointermove", (event) => {
    if (OWN_EVENT in event) return;
    const finger = down.get(event.pointerId);
    if (finger) {
      [finger.clientX, finger.clientY] = [event.clientX, event.clientY];
      // A phone reports several movements at once: each counts.
      const all = finger.isMouse ? [] : (event.getCoalescedEvents?.() ?? []);
      if (all.length > 1) for (const one of all) give(one, "move", true);
      else give(event, "move", true);
    }
    if (taken.has(event.pointerId)) return take(event);
    if (event.pointerType === "mouse" && isOver(event) && !isClosing) give(event, "move", false);
    passOn(event);
  });
  const end = (type: "up" | "cancel") => (event: PointerEvent) => {
    const { pointerId } = event;
    if (OWN_EVENT in event) return;
    decided.delete(pointerId);
    sieve.gone(pointerId);
    if (!taken.has(pointerId)) {
      if (type === "up" && event.pointerType === "mouse" && mouseHolds()) give(event, "up", false);
      passOn(event);
      theirs.delete(pointerId);
      return;
    }
    if (down.has(pointerId)) give(event, type, true);
    // Of a mouse another button may still be down: it is a finger until the main one is up.
    if (type === "cancel" || event.pointerType !== "mouse" || (event.buttons & MAIN) === 0) leave(pointerId);
    take(event);
  };
  listening.on("pointerup", end("up"));
  listening.on("pointercancel", end("cancel"));

  for (const type of ["touchstart", "touchmove", "touchend", "touchcancel"] as const)
    listening.on(type, (event) => {
      if (OWN_EVENT in event) return;
      const sifted = sieve.sift(event);
      if (sifted === "none") take(event);
      else if (sifted !== "all") showOnly(event, sifted);
      if (isClosing && taken.size === 0 && !sieve.holds()) listening.close();
    });
  for (const type of ["click", "dblclick", "auxclick"] as const)
    listening.on(type, (event) => {
      const { pointerId, pointerType } = event as PointerEvent;
      const isMouse = pointerType === undefined || pointerType === "" || pointerType === "mouse";
      // A click by a key or by a program has no pointer and no count.
      if (isOver(event) && event.detail > 0 && (isMouse ? mouseTook : gone.has(pointerId) || taken.has(pointerId))) take(event);
    });
  for (const type of ["mousedown", "mouseup"] as const) listening.on(type, (event) => mouseTook && isOver(event) && take(event));
  listening.on("contextmenu", (event) => {
    const isNear = ({ clientX, clientY }: Finger) => Math.hypot(clientX - event.clientX, clientY - event.clientY) < MENU_NEAR_PX;
    if (isOver(event) && [...down.values()].some(isNear)) take(event);
  });
  return {
    again() {
      for (const [id, { clientX, clientY }] of down) feed(toScreen(clientX, clientY, { t: now(), id, type: "move" as const, x: 0, y: 0 }));
    },
    cancel() {
      for (const [id, { clientX, clientY }] of down) feed(toScreen(clientX, clientY, { t: now(), id, type: "cancel" as const, x: 0, y: 0 }));
      down.clear();
      forget();
    },
    close() {
      isClosing = true;
      down.clear();
      // What the game has not seen come down it must not see go up either.
      if (taken.size === 0 && !sieve.holds()) listening.close();
      unstyle.forEach((back) => back());
    },
  };
}

/** Gives the focus to where the browser would: the nearest element at a touch that can have it; where none can, a field that is typed in loses it. */
function focusAt(target: EventTarget | null): void {
  const { activeElement } = document;
  for (let at = target instanceof Element ? target : null; at; at = at.parentElement)
    if (at instanceof HTMLElement && at.tabIndex >= 0) return at === activeElement ? undefined : at.focus({ preventScroll: true });
  if (activeElement instanceof HTMLElement && isTyping(activeElement)) activeElement.blur();
}

/** Shows the listeners of a touch event these touches alone. */
function showOnly(event: TouchEvent, lists: Exclude<Sifted<Touch>, string>): void {
  // Only the browser makes a list of touches; an event made for the purpose has them.
  const { touches, targetTouches, changedTouches } = new TouchEvent(event.type, {
    touches: Array.from(lists.touches),
    targetTouches: Array.from(lists.targetTouches),
    changedTouches: Array.from(lists.changedTouches),
  });
  for (const [name, value] of Object.entries({ touches, targetTouches, changedTouches })) Object.defineProperty(event, name, { value });
}

/** The bit of the main button in `PointerEvent.buttons`. */
const MAIN = 1;

/** Tells the engine of pointer events, and remembers which buttons of the mouse are down. A main button that is no finger is a button like the others. */
function createTelling({ toScreen, feed, mouse, now }: Pick<FingersParts, "toScreen" | "feed" | "mouse" | "now">) {
  let buttons: MouseButtons = 0;
  let isMainDown = false;
  const sampleOf = (event: PointerEvent, type: PointerSample["type"], isFinger: boolean): PointerSample => ({
    type,
    id: event.pointerId,
    mouse: true,
    buttons: isFinger ? event.buttons : event.buttons & ~MAIN,
    ...toScreen(event.clientX, event.clientY, { x: 0, y: 0 }),
    t: now(),
    dx: event.movementX,
    dy: event.movementY,
  });
  return {
    give(event: PointerEvent, type: PointerSample["type"], isFinger: boolean) {
      if (event.pointerType !== "mouse") {
        return feed(toScreen(event.clientX, event.clientY, { t: now(), id: event.pointerId, type, x: 0, y: 0 }));
      }
      const told = pointerEvents(buttons, sampleOf(event, type, isFinger));
      const main = !isFinger && type !== "cancel" && (event.buttons & MAIN) !== 0;
      if (main !== isMainDown && mouse) feed({ t: now(), type: "mouse", button: 0, down: main });
      isMainDown = main;
      buttons = told.buttons;
      for (const one of told.events) if (mouse || one.type !== "mouse") feed(one);
    },
    mouseHolds: () => buttons !== 0 || isMainDown,
    forget() {
      buttons = 0;
      isMainDown = false;
    },
  };
}

/** An event that nobody else hears of: neither further down nor another listener of the window. */
function take(event: Event): void {
  if (event.cancelable) event.preventDefault();
  event.stopImmediatePropagation();
}
