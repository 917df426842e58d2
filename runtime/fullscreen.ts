/** Full screen for an element of the game. */
import { elementOf } from "./canvasAbove";

/** The style of an element that covers the window because the browser has no element full screen. */
const FILLING: Readonly<Record<string, string>> = {
  position: "fixed",
  inset: "0",
  width: "100vw",
  height: "100dvh",
  margin: "0",
  "max-width": "none",
  "max-height": "none",
  "z-index": "2147483640",
};

/**
 * Shows an element full screen, given as for `over`. Call it in a handler of a click, a key or a touch on no control, as browsers require.
 * Resolves with a function that exits; the controls follow. On phones without element full screen, the element covers the window. Rejects with
 * the reason if the browser refuses.
 */
export async function fullscreen(element: Element | string | null): Promise<() => Promise<void>> {
  const filled = elementOf(element, "fullscreen: the element");
  if (typeof filled.requestFullscreen !== "function" || !document.fullscreenEnabled) return fillWindow(filled);
  try {
    await filled.requestFullscreen({ navigationUI: "hide" });
  } catch (error) {
    throw new Error(`fullscreen: the browser refused (${error instanceof Error ? error.message : String(error)}). Call it in a handler of a click or a key.`);
  }
  return async () => {
    if (document.fullscreenElement === filled) await document.exitFullscreen();
  };
}

function fillWindow(element: HTMLElement): () => Promise<void> {
  const { style } = element;
  const before = Object.keys(FILLING).map((name) => [name, style.getPropertyValue(name), style.getPropertyPriority(name)] as const);
  for (const [name, value] of Object.entries(FILLING)) style.setProperty(name, value, "important");
  return () => {
    for (const [name, value, priority] of before) style.setProperty(name, value, priority);
    return Promise.resolve();
  };
}
