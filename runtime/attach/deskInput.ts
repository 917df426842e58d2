/** Keys, pads, and the moments in which a window loses them. */
import type { InputEvent } from "../../core/engine/input/events";
import { createListening } from "./listen";

/** Marks an event that the runtime itself has made: it is not taken for input. */
export const OWN_EVENT = "nodulumMade";
/** Marks its own pad among those of the browser. */
export const OWN_PAD = "nodulum";

export interface DeskParts {
  readonly feed: (event: InputEvent) => void;
  readonly now: () => number;
  /** The codes that any action reads. */
  readonly codes: () => ReadonlySet<string>;
  readonly keys: boolean;
  readonly pads: boolean;
  readonly used: (what: "key" | "pad") => void;
  readonly onPad: (isThere: boolean) => void;
  /** Everything that is down has been let go: the window lost the focus, or is hidden. */
  readonly lost: () => void;
}

export interface DeskInput {
  /** Looks at the pads: browsers tell of them only to those who ask. */
  poll(): void;
  close(): void;
}

/** Whether text is typed into an element. */
export const isTyping = (target: EventTarget | null) => target instanceof Element && target.closest("input,textarea,select,[contenteditable]") !== null;

export function createDesk({ feed, now, codes, keys, pads, used, onPad, lost }: DeskParts): DeskInput {
  const listening = createListening();
  let isThere = false;
  let before = "";
  if (keys) {
    const heard = (event: KeyboardEvent) => {
      const isDown = event.type === "keydown";
      if (OWN_EVENT in event || event.repeat || (isDown && isTyping(event.target)) || !codes().has(event.code)) return;
      if (isDown) used("key");
      feed({ t: now(), type: "key", code: event.code, down: isDown });
    };
    listening.on("keydown", heard, true);
    listening.on("keyup", heard, true);
  }
  const letGo = () => {
    before = "";
    feed({ t: now(), type: "blur" });
    lost();
  };
  const hidden = () => document.hidden && letGo();
  // The window hears on the way down of every field that loses the focus, too.
  listening.on("blur", (event) => event.target === window && letGo(), true);
  listening.on("pagehide", letGo, true);
  document.addEventListener("visibilitychange", hidden);
  return {
    poll() {
      if (!pads || !navigator.getGamepads) return;
      let found: Gamepad | null = null;
      const all = navigator.getGamepads();
      for (let i = 0; i < all.length && found === null; i += 1) if (all[i]?.connected && all[i]?.id !== OWN_PAD) found = all[i];
      if ((found !== null) !== isThere) {
        isThere = found !== null;
        // A pad that is gone holds nothing.
        if (!isThere) feed({ t: now(), type: "pad", buttons: [], axes: [] });
        onPad(isThere);
      }
      if (!found) return;
      const snapshot = { buttons: found.buttons.map((button) => button.value), axes: [...found.axes] };
      const text = JSON.stringify(snapshot);
      if (text === before) return;
      before = text;
      if (snapshot.buttons.some((value) => value >= 0.5) || snapshot.axes.some((value) => Math.abs(value) >= 0.5)) used("pad");
      feed({ t: now(), type: "pad", ...snapshot });
    },
    close() {
      listening.close();
      document.removeEventListener("visibilitychange", hidden);
    },
  };
}
