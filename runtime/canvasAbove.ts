/** The element that controls lie over: found, followed into full screen, and what lies above it laid over it without a style of the page. */

/** An element, or the first one that a selector finds. Throws where there is none, and says what to check; `name`: what the caller calls it. */
export function elementOf(given: Element | string | null | undefined, name = "play: over"): HTMLElement {
  if (given instanceof HTMLElement) return given;
  if (typeof given === "string") {
    const found = document.querySelector(given);
    if (found instanceof HTMLElement) return found;
    throw new Error(`${name}: "${given}" finds no HTML element. Check the selector, and run the script after the element is in the page.`);
  }
  if (given === null || given === undefined)
    throw new Error(
      `${name} is ${given}. Give the game's element or its selector. A search that finds no element gives null: run the script after the element is in the page.`,
    );
  throw new Error(`${name} must be an HTML element (a canvas, a div) or a selector.`);
}

/** Whether an element holds a node, also across shadow roots. */
export function holds(element: Element, node: Node | null): boolean {
  for (let at = node; at; at = at.getRootNode() instanceof ShadowRoot ? (at.getRootNode() as ShadowRoot).host : null) if (element.contains(at)) return true;
  return false;
}

/** The element that fills the screen, as the tree of a node sees it: of one in a shadow tree the element in there, not the host. */
function fullscreenFor(node: Node): Element | null {
  for (let root = node.getRootNode(); root instanceof ShadowRoot; root = root.host.getRootNode()) if (root.fullscreenElement) return root.fullscreenElement;
  return document.fullscreenElement;
}

/**
 * The element that controls lie over just now: `over`, or the part of it that fills the screen; null while something else fills the screen, so
 * that `over` cannot be seen.
 */
export function shownElement(over: HTMLElement): HTMLElement | null {
  const fullscreenElement = fullscreenFor(over);
  if (!fullscreenElement || holds(fullscreenElement, over)) return over;
  return holds(over, fullscreenElement) && fullscreenElement instanceof HTMLElement ? fullscreenElement : null;
}

/** The style of an element of ours: no rule of the page reaches it, not even an important one for every canvas. */
export function setOwnStyle(element: HTMLElement, style: Readonly<Record<string, string>>): void {
  element.style.setProperty("all", "initial", "important");
  for (const [name, value] of Object.entries(style)) element.style.setProperty(name, value, "important");
}

/** An element of ours above the game. */
export interface Above {
  /** Whether it can be seen: false while a canvas fills the screen in a browser without popovers. */
  isSeen(): boolean;
  close(): void;
}

/** Elements that show no children. */
const SHOWS_NO_CHILDREN = "canvas,video,img,iframe,object,embed";

/**
 * Puts an element of ours above `over`, next to it or into `parent`, and keeps it visible while a part of the page fills the screen: then it goes
 * into the top layer, as a popover; in a browser without popovers into the element that fills the screen.
 */
export function putAbove(element: HTMLElement, over: HTMLElement, parent: HTMLElement | null = null): Above {
  const home = () => {
    if (parent ?? !over.parentElement) (parent ?? document.body).append(element);
    else over.insertAdjacentElement("afterend", element);
  };
  let isSeen = true;
  let wasMoved = false;
  const follow = () => {
    const fullscreenElement = fullscreenFor(over);
    // It leaves the top layer and comes back, so that it lies above what has filled the screen since.
    if (element.hasAttribute("popover")) element.removeAttribute("popover");
    if (fullscreenElement === null && wasMoved) {
      home();
      wasMoved = false;
    }
    isSeen = true;
    if (fullscreenElement === null || holds(fullscreenElement, element)) return;
    if ("popover" in element) {
      element.popover = "manual";
      element.showPopover();
    } else if (fullscreenElement.matches(SHOWS_NO_CHILDREN)) isSeen = false;
    else {
      fullscreenElement.append(element);
      wasMoved = true;
    }
  };
  home();
  document.addEventListener("fullscreenchange", follow, true);
  follow();
  return {
    isSeen: () => isSeen,
    close() {
      document.removeEventListener("fullscreenchange", follow, true);
      element.remove();
    },
  };
}
