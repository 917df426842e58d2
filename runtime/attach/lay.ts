/**
 * Lays an element of ours exactly over the game's element, whatever transforms, filters, borders and scrolling its ancestors have.
 *
 * Both have the same offset parent, so both are moved by the same ancestors. How a shift by `left` and `top` moves ours on the screen is measured:
 *
 *     left += 1000 px  →  first column of A,  top += 1000 px  →  second column of A
 *
 * and the shift that brings the two middles together is A⁻¹ · (middle of the game's element − middle of ours). The middle of the box around a
 * parallelogram is the middle of the parallelogram, so this holds for turned elements too.
 */
import { setOwnStyle } from "../canvasAbove";

/** How far the two may lie apart before ours is laid again, CSS px. */
const APART_PX = 0.01;
const STEP_PX = 1000;
/** The transforms that its own element has; ours takes them over. */
const OWN_TRANSFORMS = ["transform", "transform-origin", "rotate", "scale", "translate"] as const;

/** Something of ours that lies over an element. */
export interface Laid {
  /** Lays it again where it does not lie over the element any more. True: it has been moved. */
  follow(element: HTMLElement): boolean;
}

const sides = ({ left, top, right, bottom }: DOMRect) => [left, top, right, bottom] as const;
const middleOf = (element: Element) => {
  const { left, top, right, bottom } = element.getBoundingClientRect();
  return { x: (left + right) / 2, y: (top + bottom) / 2 };
};

/** The width or the height of an element with padding and border, CSS px, to parts of a px, which `offsetWidth` does not tell; null: it has none. */
function borderSide(style: CSSStyleDeclaration, side: "width" | "height", ends: readonly string[]): number | null {
  const px = (name: string) => Number.parseFloat(style.getPropertyValue(name)) || 0;
  const inner = Number.parseFloat(style.getPropertyValue(side));
  if (!Number.isFinite(inner)) return null;
  return style.boxSizing === "border-box" ? inner : ends.reduce((all, end) => all + px(`padding-${end}`) + px(`border-${end}-width`), inner);
}

/** Begins with `ours`, which must have the same offset parent as the element; `style` is put on it in addition. */
export function createLaid(ours: HTMLElement, style: Readonly<Record<string, string>>): Laid {
  setOwnStyle(ours, { ...style, display: "block", position: "absolute", "pointer-events": "none", "box-sizing": "border-box" });
  const set = (name: string, value: string) => ours.style.setProperty(name, value, "important");
  const shift = (x: number, y: number) => {
    set("left", `${x}px`);
    set("top", `${y}px`);
  };
  /** How far the sides of the two lie apart after it was laid. */
  let apart = [NaN, NaN, NaN, NaN];
  const measure = (element: HTMLElement) => {
    const theirs = sides(element.getBoundingClientRect());
    return sides(ours.getBoundingClientRect()).map((side, i) => side - theirs[i]);
  };
  /** Brings the two middles together. */
  const centre = (element: HTMLElement) => {
    shift(0, 0);
    const from = middleOf(ours);
    shift(STEP_PX, 0);
    const across = middleOf(ours);
    shift(0, STEP_PX);
    const down = middleOf(ours);
    const [a, b] = [(across.x - from.x) / STEP_PX, (across.y - from.y) / STEP_PX];
    const [c, d] = [(down.x - from.x) / STEP_PX, (down.y - from.y) / STEP_PX];
    const to = middleOf(element);
    const [x, y] = [to.x - from.x, to.y - from.y];
    const area = a * d - b * c;
    if (area === 0) shift(0, 0);
    else shift((d * x - c * y) / area, (a * y - b * x) / area);
  };
  return {
    follow(element) {
      const now = measure(element);
      if (now.every((by, i) => Math.abs(by - apart[i]) < APART_PX)) return false;
      const theirs = getComputedStyle(element);
      for (const name of OWN_TRANSFORMS) set(name, theirs.getPropertyValue(name));
      set("z-index", theirs.zIndex);
      set("width", `${borderSide(theirs, "width", ["left", "right"]) ?? element.offsetWidth}px`);
      set("height", `${borderSide(theirs, "height", ["top", "bottom"]) ?? element.offsetHeight}px`);
      centre(element);
      apart = measure(element);
      return true;
    },
  };
}
