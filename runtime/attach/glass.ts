/** The element that controls stand over, as a screen: its size in device px, how many of them an inch has, what the system covers of it. */
import type { Point } from "../../core/engine/geometry/point";
import { plainScreen } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/engine/types";

/** CSS px an inch: the reference of browsers, and what phones and tablets come near to. */
const FINE_PPI = 96;
const COARSE_PPI = 160;

export interface Glass {
  /** The screen as it is now. */
  screen(): Screen;
  /** A point of the window as one of the screen, px. */
  toScreen(clientX: number, clientY: number): Point;
  /** CSS px a px of the screen. */
  scale(): number;
  /** Hears of every change of size, density or safe area. */
  watch(changed: () => void): void;
  close(): void;
}

/** Reads the safe area by a probe: `env()` can be read in no other way. */
function createProbe(): { readonly read: () => readonly number[]; readonly close: () => void } {
  const probe = document.createElement("div");
  const side = (name: string) => `env(safe-area-inset-${name},0px)`;
  probe.style.cssText = `position:fixed;visibility:hidden;pointer-events:none;width:0;height:0;padding:${["top", "right", "bottom", "left"].map(side).join(" ")}`;
  document.documentElement.append(probe);
  return {
    read: () => {
      const { paddingTop, paddingRight, paddingBottom, paddingLeft } = getComputedStyle(probe);
      return [paddingLeft, paddingTop, paddingRight, paddingBottom].map((text) => Number.parseFloat(text) || 0);
    },
    close: () => probe.remove(),
  };
}

/** `fixed`: a screen given by the game; the element then shows all of it, whatever its size. */
export function createGlass(over: HTMLElement, { fixed, ppi }: { readonly fixed?: Screen; readonly ppi?: number }): Glass {
  const probe = createProbe();
  const measure = (): Screen => {
    if (fixed) return fixed;
    const { left, top, right, bottom, width, height } = over.getBoundingClientRect();
    const density = window.devicePixelRatio || 1;
    const inch = ppi ?? (matchMedia("(pointer: coarse)").matches ? COARSE_PPI : FINE_PPI);
    const [safeLeft, safeTop, safeRight, safeBottom] = probe.read();
    const px = (css: number) => Math.max(0, css) * density;
    // Only what of the element reaches under the system's parts is covered.
    return {
      ...plainScreen(`${Math.round(width)}×${Math.round(height)}`, Math.max(1, width * density), Math.max(1, height * density), inch * density),
      insets: {
        left: px(safeLeft - left),
        top: px(safeTop - top),
        right: px(right - (innerWidth - safeRight)),
        bottom: px(bottom - (innerHeight - safeBottom)),
      },
    };
  };
  let screen = measure();
  const stops: (() => void)[] = [];
  return {
    screen: () => screen,
    toScreen(clientX, clientY) {
      const { left, top, width, height } = over.getBoundingClientRect();
      return { x: ((clientX - left) / (width || 1)) * screen.widthPx, y: ((clientY - top) / (height || 1)) * screen.heightPx };
    },
    scale: () => (over.getBoundingClientRect().width || 1) / screen.widthPx,
    watch(changed) {
      const look = () => {
        const next = measure();
        if (JSON.stringify(next) === JSON.stringify(screen)) return;
        screen = next;
        changed();
      };
      const observer = new ResizeObserver(look);
      observer.observe(over);
      addEventListener("resize", look);
      addEventListener("orientationchange", look);
      visualViewport?.addEventListener("resize", look);
      stops.push(() => {
        observer.disconnect();
        removeEventListener("resize", look);
        removeEventListener("orientationchange", look);
        visualViewport?.removeEventListener("resize", look);
      });
    },
    close() {
      for (const stop of stops) stop();
      probe.close();
    },
  };
}
