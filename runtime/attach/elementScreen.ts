/**
 * The element that controls lie over, as a screen: its size in device px, how many of them an inch has, what of it the system covers.
 *
 * A frame of ours lies exactly over the element, with a mark at three of its corners. Where the marks are on the screen says how a point of the
 * window becomes one of the element, also where the element is scaled, mirrored or turned.
 */
import type { Point } from "../../core/engine/geometry/point";
import { plainScreen } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/engine/types";
import { putAbove, setOwnStyle, shownElement } from "../canvasAbove";
import { createLaid } from "./lay";

/** CSS px an inch: the reference of browsers, and what phones and tablets come near to. */
const FINE_PPI = 96;
const COARSE_PPI = 160;
/** An edge this near to another one touches it, CSS px: layouts round to a part of a px. */
const TOUCHES_PX = 1;

export interface Glass {
  /** The screen as it is now. */
  screen(): Screen;
  /** Whether the element can be seen: false while something else fills the screen. */
  isSeen(): boolean;
  /** Puts a point of the window, as one of the screen, px, into `x` and `y` of an object, and returns that. */
  toScreen<P extends { x: number; y: number }>(clientX: number, clientY: number, into: P): P;
  /** CSS px a px of the screen. */
  scale(): number;
  /** Measures once more; calls `changed` where size, density, safe area or whether it is seen has changed. */
  look(): void;
  close(): void;
}

type Sides = Readonly<Record<"left" | "top" | "right" | "bottom", number>>;

/** Elements as large as the safe area's insets: `env()` can be read in no other way, and a size that changes is heard of. */
function createProbes() {
  const probes = (["left", "top", "right", "bottom"] as const).map((side) => {
    const probe = document.createElement("div");
    setOwnStyle(probe, { position: "fixed", visibility: "hidden", "pointer-events": "none", width: "0", height: `env(safe-area-inset-${side},0px)` });
    return probe;
  });
  // The largest height that the window can have: an element as high as that ends at the edge of the screen, though a bar of the browser covers it.
  const large = document.createElement("div");
  setOwnStyle(large, { position: "fixed", visibility: "hidden", "pointer-events": "none", width: "0", height: "100lvh" });
  document.documentElement.append(...probes, large);
  return {
    all: [...probes, large],
    safe: (): Sides => {
      const [left, top, right, bottom] = probes.map((probe) => probe.getBoundingClientRect().height);
      return { left, top, right, bottom };
    },
    largeHeight: () => Math.max(innerHeight, large.offsetHeight),
    close: () => [...probes, large].forEach((probe) => probe.remove()),
  };
}

/** The window, CSS px: its size, its largest height without the bars of the browser, the part of it that can be seen. */
export interface WindowSides {
  readonly width: number;
  readonly height: number;
  readonly largeHeight: number;
  readonly visible: Sides;
}

/**
 * What of an element the system covers at each side, CSS px: the safe area's insets, a bar of the browser, a keyboard. An edge is covered where it
 * touches the edge of the screen. An edge outside the window, such as that of a game below the fold, is not, if scrolling brings it in (`scrolls`);
 * if nothing does, what lies outside is covered for good.
 * @internal exported for its test
 */
export function coveredSides(rect: Sides, safe: Sides, { width, height, largeHeight, visible }: WindowSides, scrolls: (axis: "x" | "y") => boolean): Sides {
  const low = (axis: "x" | "y", edge: number, start: number) => (edge >= -TOUCHES_PX || !scrolls(axis) ? Math.max(0, start - edge) : 0);
  const high = (axis: "x" | "y", edge: number, farthest: number, end: number) =>
    edge <= farthest + TOUCHES_PX || !scrolls(axis) ? Math.max(0, edge - end) : 0;
  return {
    left: low("x", rect.left, Math.max(safe.left, visible.left)),
    top: low("y", rect.top, Math.max(safe.top, visible.top)),
    right: high("x", rect.right, width, Math.min(width - safe.right, visible.right)),
    bottom: high("y", rect.bottom, largeHeight, Math.min(height - safe.bottom, visible.bottom)),
  };
}

/** Whether a player can scroll an element along an axis, by any of its ancestors or with the page. */
function canScroll(element: HTMLElement, axis: "x" | "y"): boolean {
  for (let at: HTMLElement | null = element; at; at = at.parentElement ?? hostOf(at)) {
    const style = getComputedStyle(at);
    if (at !== element) {
      const overflow = axis === "x" ? style.overflowX : style.overflowY;
      const [all, shown] = axis === "x" ? [at.scrollWidth, at.clientWidth] : [at.scrollHeight, at.clientHeight];
      const isRoot = at === document.documentElement;
      const isBodyOfRoot = at === document.body && getComputedStyle(document.documentElement).overflow === "visible";
      // The page scrolls unless it is reported not to; an element scrolls if it is reported to.
      if (
        isRoot
          ? all > shown + TOUCHES_PX && overflow !== "hidden" && overflow !== "clip"
          : (overflow === "auto" || overflow === "scroll") && all > shown + TOUCHES_PX
      )
        return true;
      if (isBodyOfRoot && (overflow === "hidden" || overflow === "clip")) return false;
    }
    if (style.position === "fixed") return false;
  }
  return false;
}

const hostOf = (element: Element): HTMLElement | null => {
  const root = element.getRootNode();
  return root instanceof ShadowRoot ? (root.host as HTMLElement) : null;
};

/** The part of the window that can be seen: a keyboard makes it smaller. Zoomed in by two fingers a player sees a part because he wants to. */
function visibleSides(): Sides {
  const { visualViewport: view } = window;
  if (!view || Math.abs(view.scale - 1) > 0.01) return { left: 0, top: 0, right: innerWidth, bottom: innerHeight };
  return { left: view.offsetLeft, top: view.offsetTop, right: view.offsetLeft + view.width, bottom: view.offsetTop + view.height };
}

/** The side of the window that a direction on the screen points to. */
const sideOf = (x: number, y: number): keyof Sides => (Math.abs(x) > Math.abs(y) ? (x > 0 ? "right" : "left") : y > 0 ? "bottom" : "top");

/** Where the top left corner of the element is in the window, and where its two sides lead from there, CSS px. */
interface Corners {
  readonly from: Point;
  readonly across: Point;
  readonly down: Point;
}

/** A frame that lies exactly over the element, with a mark at three of its corners. */
function createFrame(over: HTMLElement) {
  const frame = document.createElement("div");
  frame.setAttribute("aria-hidden", "true");
  const marks = (["0 auto auto 0", "0 0 auto auto", "auto auto 0 0"] as const).map((inset) => {
    const mark = document.createElement("div");
    setOwnStyle(mark, { position: "absolute", inset, width: "0", height: "0" });
    return mark;
  });
  frame.append(...marks);
  const laid = createLaid(frame, { visibility: "hidden" });
  const above = putAbove(frame, over);
  return {
    follow: laid.follow,
    corners: (): Corners => {
      const [a, b, c] = marks.map((mark) => mark.getBoundingClientRect());
      return { from: { x: a.left, y: a.top }, across: { x: b.left - a.left, y: b.top - a.top }, down: { x: c.left - a.left, y: c.top - a.top } };
    },
    close: above.close,
  };
}

/** Tells whether a box or the window is another than at the last call, so that nothing is measured where nothing has moved. */
function createMoved(): (box: DOMRect) => boolean {
  const before = { left: 0, top: 0, width: 0, height: 0, windowWidth: 0, windowHeight: 0, density: 0 };
  return ({ left, top, width, height }) => {
    const isSameBox = left === before.left && top === before.top && width === before.width && height === before.height;
    if (isSameBox && innerWidth === before.windowWidth && innerHeight === before.windowHeight && devicePixelRatio === before.density) return false;
    Object.assign(before, { left, top, width, height, windowWidth: innerWidth, windowHeight: innerHeight, density: devicePixelRatio });
    return true;
  };
}

/** Calls for whatever may change where elements are or how large they are; returns what ends it. */
function onAnyChange(elements: readonly Element[], look: () => void): () => void {
  const observer = new ResizeObserver(look);
  for (const one of elements) observer.observe(one);
  const { visualViewport: view } = window;
  // Scrolling does not bubble: it is heard on its way down, whichever ancestor scrolls. What fills the screen is heard of on the way up, when
  // everything of ours has followed.
  const heard: readonly (readonly [target: EventTarget | null, type: string, capture: boolean])[] = [
    [window, "resize", true],
    [window, "orientationchange", true],
    [window, "scroll", true],
    [window, "fullscreenchange", false],
    [view, "resize", true],
    [view, "scroll", true],
  ];
  for (const [target, type, capture] of heard) target?.addEventListener(type, look, capture);
  return () => {
    observer.disconnect();
    for (const [target, type, capture] of heard) target?.removeEventListener(type, look, capture);
  };
}

/** A screen by where an element's corners are, what of it is covered, and how dense it is. */
function screenOf({ across, down }: Corners, covered: Sides, inch: number): Screen {
  const [width, height] = [Math.hypot(across.x, across.y), Math.hypot(down.x, down.y)];
  const density = window.devicePixelRatio || 1;
  return {
    ...plainScreen(`${Math.round(width)}×${Math.round(height)}`, Math.max(1, width * density), Math.max(1, height * density), inch * density),
    insets: {
      left: covered[sideOf(-across.x, -across.y)] * density,
      top: covered[sideOf(-down.x, -down.y)] * density,
      right: covered[sideOf(across.x, across.y)] * density,
      bottom: covered[sideOf(down.x, down.y)] * density,
    },
  };
}

/** `fixed`: a screen given by the game; the element then shows all of it, whatever its size. `changed` hears of every change. */
export function createGlass(over: HTMLElement, { fixed, ppi }: { readonly fixed?: Screen; readonly ppi?: number }, changed: () => void): Glass {
  const probes = createProbes();
  const frame = createFrame(over);
  const hasMoved = createMoved();
  let element: HTMLElement | null = over;
  let corners: Corners = { from: { x: 0, y: 0 }, across: { x: 1, y: 0 }, down: { x: 0, y: 1 } };
  let coarse: boolean | null = null;
  const measure = (shown: HTMLElement): Screen => {
    corners = frame.corners();
    if (fixed) return fixed;
    coarse ??= matchMedia("(pointer: coarse)").matches;
    const sides = { width: innerWidth, height: innerHeight, largeHeight: probes.largeHeight(), visible: visibleSides() };
    const covered = coveredSides(shown.getBoundingClientRect(), probes.safe(), sides, (axis) => canScroll(shown, axis));
    return screenOf(corners, covered, ppi ?? (coarse ? COARSE_PPI : FINE_PPI));
  };
  let screen = plainScreen("", 1, 1, FINE_PPI);
  const remeasure = () => {
    const shown = shownElement(over);
    const wasSeen = element !== null;
    element = shown;
    if (!shown) return wasSeen;
    frame.follow(shown);
    const next = measure(shown);
    const isSame = JSON.stringify(next) === JSON.stringify(screen);
    // The same screen stays the very same object: an element that only moves is not redrawn.
    if (!isSame) screen = next;
    return !isSame || !wasSeen;
  };
  remeasure();
  const stop = onAnyChange([over, ...probes.all], () => {
    coarse = null;
    if (remeasure()) changed();
  });
  return {
    screen: () => screen,
    isSeen: () => element !== null,
    toScreen(clientX, clientY, into) {
      const { from, across, down } = corners;
      const [x, y] = [clientX - from.x, clientY - from.y];
      const area = across.x * down.y - across.y * down.x || 1;
      into.x = ((x * down.y - y * down.x) / area) * screen.widthPx;
      into.y = ((y * across.x - x * across.y) / area) * screen.heightPx;
      return into;
    },
    scale: () => (Math.hypot(corners.across.x, corners.across.y) || 1) / screen.widthPx,
    look() {
      if (element && hasMoved(element.getBoundingClientRect()) && remeasure()) changed();
    },
    close() {
      stop();
      frame.close();
      probes.close();
    },
  };
}
