/** `nodulum-runtime/turn`: keeps the orientation of the layout: locked by the browser if possible, else with a hint for the player. */
import { elementOf, putAbove, setOwnStyle } from "./canvasAbove";
import type { Handle } from "./handle";

export interface TurnOptions {
  /** The text of the hint. */
  readonly words?: string;
}

/** Whether a screen has the layout's orientation. */
export function isHeldRight(
  orientation: "landscape" | "portrait" | "both",
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): boolean {
  return orientation === "both" || (orientation === "landscape") === widthPx >= heightPx;
}

/** Starts; returns a function that stops it. Browsers lock only full-screen pages, so it retries whenever full screen starts. */
export function keepTurned(
  handle: Pick<Handle, "layout" | "screen" | "over">,
  over: Element | string | null = handle.over,
  { words = "Turn the device" }: TurnOptions = {},
): () => void {
  const game = elementOf(over, "keepTurned: over");
  const hint = document.createElement("div");
  hint.setAttribute("role", "status");
  hint.textContent = words;
  setOwnStyle(hint, {
    ...{ position: "fixed", inset: "0", display: "grid", "place-items": "center", "z-index": "2147483645", "text-align": "center" },
    ...{ width: "auto", height: "auto", background: "#0F171DE6", color: "#E8E4DA", font: "20px/1.3 system-ui,sans-serif" },
  });
  const above = putAbove(hint, game, document.body);
  const look = () => {
    const shows = !isHeldRight(handle.layout.orientation, handle.screen);
    hint.hidden = !shows;
    hint.style.setProperty("display", shows ? "grid" : "none", "important");
  };
  const lock = () => {
    const { orientation } = handle.layout;
    const { orientation: device } = window.screen as { orientation?: { lock?: (way: string) => Promise<void> } };
    // Without a lock, the hint remains.
    if (document.fullscreenElement && orientation !== "both") void device?.lock?.(orientation).catch(() => undefined);
  };
  const observer = new ResizeObserver(look);
  observer.observe(game);
  document.addEventListener("fullscreenchange", lock);
  lock();
  look();
  return () => {
    observer.disconnect();
    document.removeEventListener("fullscreenchange", lock);
    above.close();
  };
}
