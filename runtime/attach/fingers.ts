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

/** Whose a pointer is. */
interface Ownership {
  /** Every pointer that was taken and is still down, also those that the engine has released. */
  readonly taken: Set<number>;
  /** Pointers of ours that have gone: what browsers tell of them afterwards (out, leave, click) is nobody's. */
  readonly gone: Set<number>;
  /** The game's fingers that are down. The first of them is the primary one, as it would be without ours. */
  readonly theirs: Set<number>;
  /** Decides of a finger when it comes over the glass, before it comes down. */
  decide(event: PointerEvent): boolean;
  /** What was decided of a finger that comes down now. */
  decided(event: PointerEvent): boolean;
  isUndecided(pointerId: number): boolean;
  forget(pointerId: number): void;
  isOurs(event: PointerEvent): boolean;
  /** A pointer of ours has gone. */
  leave(pointerId: number): void;
  /** Without our fingers the game's first one is the primary one: libraries listen to no other. */
  passOn(event: PointerEvent): void;
}

function createOwnership(isForUs: (event: PointerEvent) => boolean): Ownership {
  const [taken, gone, theirs] = [new Set<number>(), new Set<number>(), new Set<number>()];
  const known = new Map<number, boolean>();
  let theirPrimary: number | null = null;
  const decide = (event: PointerEvent): boolean => {
    const isTaken = isForUs(event);
    gone.delete(event.pointerId);
    known.set(event.pointerId, isTaken);
    if (!isTaken && event.pointerType !== "mouse" && theirs.size === 0) theirPrimary = event.pointerId;
    return isTaken;
  };
  return {
    ...{ taken, gone, theirs, decide },
    decided(event) {
      const isTaken = known.get(event.pointerId) ?? decide(event);
      known.delete(event.pointerId);
      return isTaken;
    },
    isUndecided: (pointerId) => !taken.has(pointerId) && !theirs.has(pointerId) && !known.has(pointerId),
    forget: (pointerId) => void known.delete(pointerId),
    isOurs: ({ pointerId }) => taken.has(pointerId) || gone.has(pointerId) || known.get(pointerId) === true,
    leave(pointerId) {
      taken.delete(pointerId);
      gone.add(pointerId);
      if (gone.size > MOST_GONE) for (const first of gone) if (gone.size > MOST_GONE) gone.delete(first);
    },
    passOn(event) {
      if (event.pointerId === theirPrimary && !event.isPrimary) Object.defineProperty(event, "isPrimary", { value: true });
    },
  };
}

/** What the parts of listening share. */
interface Hearing {
  readonly listening: ReturnType<typeof createListening>;
  readonly sieve: ReturnType<typeof createTouchSieve>;
  readonly own: Ownership;
  /** The fingers that the engine knows, by their pointers. */
  readonly down: Map<number, Finger>;
  readonly telling: ReturnType<typeof createTelling>;
  readonly touched: () => void;
  /** Whether the last press of the mouse was ours. */
  mouseTook: boolean;
  isClosing: boolean;
  isOver(event: Event): boolean;
}

/** While it closes, listening ends with the last finger of ours. */
function closeWithLast({ isClosing, own, sieve, listening }: Hearing): void {
  if (isClosing && own.taken.size === 0 && !sieve.holds()) listening.close();
}

export function createFingers({ over, isSeen, toScreen, feed, takes, touched, mouseTouches, mouse, now }: FingersParts): Fingers {
  const isOver = (event: Event) => !(OWN_EVENT in event) && holds(over, targetOf(event));
  const isForUs = (event: PointerEvent) =>
    !hearing.isClosing &&
    isOver(event) &&
    isSeen() &&
    (event.pointerType !== "mouse" || (event.button === 0 && mouseTouches())) &&
    (targetOf(event) === over || !isPressable(targetOf(event))) &&
    takes(toScreen(event.clientX, event.clientY, { x: 0, y: 0 }));
  const hearing: Hearing = {
    ...{ listening: createListening(), sieve: createTouchSieve(), own: createOwnership(isForUs), down: new Map(), touched, isOver },
    telling: createTelling({ toScreen, feed, mouse, now }),
    ...{ mouseTook: false, isClosing: false },
  };
  const { down } = hearing;
  const unstyle = [styled(over, STYLES), styled(document.documentElement, { "overscroll-behavior": "none" })];
  hearPointers(hearing);
  hearBesides(hearing);
  return {
    again() {
      for (const [id, { clientX, clientY }] of down) feed(toScreen(clientX, clientY, { t: now(), id, type: "move" as const, x: 0, y: 0 }));
    },
    cancel() {
      for (const [id, { clientX, clientY }] of down) feed(toScreen(clientX, clientY, { t: now(), id, type: "cancel" as const, x: 0, y: 0 }));
      down.clear();
      hearing.telling.forget();
    },
    close() {
      hearing.isClosing = true;
      down.clear();
      // What the game has not seen come down it must not see go up either.
      closeWithLast(hearing);
      unstyle.forEach((back) => back());
    },
  };
}

/** Pointers as they come over the glass, down, move and go. */
function hearPointers(hearing: Hearing): void {
  const { listening, own, down, telling } = hearing;
  // A finger comes over the glass before it comes down on it, at the same place.
  const heardBefore = (event: PointerEvent) => {
    if (OWN_EVENT in event || event.pointerType !== "touch") return;
    if (own.isUndecided(event.pointerId) && event.type === "pointerover") own.decide(event);
    if (own.isOurs(event)) take(event);
    else own.passOn(event);
  };
  for (const type of ["pointerover", "pointerenter", "pointerout", "pointerleave", "gotpointercapture", "lostpointercapture"] as const)
    listening.on(type, heardBefore);
  listening.on("pointerdown", (event) => {
    if (!(OWN_EVENT in event || own.taken.has(event.pointerId))) cameDown(hearing, event);
  });
  listening.on("pointermove", (event) => {
    if (OWN_EVENT in event) return;
    const finger = down.get(event.pointerId);
    if (finger) {
      [finger.clientX, finger.clientY] = [event.clientX, event.clientY];
      // A phone reports several movements at once: each counts.
      const all = finger.isMouse ? [] : (event.getCoalescedEvents?.() ?? []);
      if (all.length > 1) for (const one of all) telling.give(one, "move", true);
      else telling.give(event, "move", true);
    }
    if (own.taken.has(event.pointerId)) return take(event);
    if (event.pointerType === "mouse" && hearing.isOver(event) && !hearing.isClosing) telling.give(event, "move", false);
    own.passOn(event);
  });
  for (const [name, type] of [
    ["pointerup", "up"],
    ["pointercancel", "cancel"],
  ] as const)
    listening.on(name, (event) => {
      if (!(OWN_EVENT in event)) went(hearing, event, type);
    });
}

function cameDown(hearing: Hearing, event: PointerEvent): void {
  const { own, sieve, down, telling } = hearing;
  const { pointerId, clientX, clientY } = event;
  const isMouse = event.pointerType === "mouse";
  const isWithin = hearing.isOver(event);
  if (isWithin && !isMouse && !hearing.isClosing) hearing.touched();
  const isTaken = own.decided(event);
  if (isMouse) hearing.mouseTook = isTaken;
  else sieve.down(pointerId, { x: clientX, y: clientY }, isTaken);
  if (!isTaken) {
    if (isMouse) return void (isWithin && !hearing.isClosing && telling.give(event, "down", false));
    own.theirs.add(pointerId);
    return own.passOn(event);
  }
  focusAt(targetOf(event));
  down.set(pointerId, { isMouse, clientX, clientY });
  own.taken.add(pointerId);
  telling.give(event, "down", true);
  take(event);
}

function went(hearing: Hearing, event: PointerEvent, type: "up" | "cancel"): void {
  const { own, sieve, down, telling } = hearing;
  const { pointerId } = event;
  own.forget(pointerId);
  sieve.gone(pointerId);
  if (!own.taken.has(pointerId)) {
    if (type === "up" && event.pointerType === "mouse" && telling.mouseHolds()) telling.give(event, "up", false);
    own.passOn(event);
    own.theirs.delete(pointerId);
    return;
  }
  if (down.has(pointerId)) telling.give(event, type, true);
  // Of a mouse another button may still be down: it is a finger until the main one is up.
  if (type === "cancel" || event.pointerType !== "mouse" || (event.buttons & MAIN) === 0) {
    down.delete(pointerId);
    own.leave(pointerId);
    closeWithLast(hearing);
  }
  take(event);
}

/** What browsers tell besides: touches, clicks, the mouse, the menu of a long press. */
function hearBesides(hearing: Hearing): void {
  const { listening, sieve, own, down, isOver } = hearing;
  for (const type of ["touchstart", "touchmove", "touchend", "touchcancel"] as const)
    listening.on(type, (event) => {
      if (OWN_EVENT in event) return;
      const sifted = sieve.sift(event);
      if (sifted === "none") take(event);
      else if (sifted !== "all") showOnly(event, sifted);
      closeWithLast(hearing);
    });
  for (const type of ["click", "dblclick", "auxclick"] as const)
    listening.on(type, (event) => {
      const { pointerId, pointerType } = event as PointerEvent;
      const isMouse = pointerType === undefined || pointerType === "" || pointerType === "mouse";
      // A click by a key or by a program has no pointer and no count.
      if (isOver(event) && event.detail > 0 && (isMouse ? hearing.mouseTook : own.gone.has(pointerId) || own.taken.has(pointerId))) take(event);
    });
  for (const type of ["mousedown", "mouseup"] as const) listening.on(type, (event) => hearing.mouseTook && isOver(event) && take(event));
  listening.on("contextmenu", (event) => {
    const isNear = ({ clientX, clientY }: Finger) => Math.hypot(clientX - event.clientX, clientY - event.clientY) < MENU_NEAR_PX;
    if (isOver(event) && [...down.values()].some(isNear)) take(event);
  });
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
