/** `nodulum-runtime/turn`: keeps a game turned the way its layout is held: by the browser where it lets itself, else by asking the player. */
import { elementOf, putAbove, setOwnStyle } from "./canvasAbove";
import type { Handle } from "./handle";

export interface TurnOptions {
  /** What is asked of the player. */
  readonly words?: string;
}

/** Whether a screen is held the way a layout wants it. */
export function isHeldRight(
  orientation: "landscape" | "portrait" | "both",
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number },
): boolean {
  return orientation === "both" || (orientation === "landscape") === widthPx >= heightPx;
}

/** Begins; gives what ends it. Browsers lock only what fills the screen: it is tried again whenever that begins. */
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
    // Where it is not to be had the hint is what there is.
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
