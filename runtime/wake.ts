/** Keeps the screen awake while the controls are played (Screen Wake Lock, W3C): from the first touch on, while the page is seen. */

/** `used`: the game was touched. Where the browser has no lock, or refuses it, nothing happens. */
export interface Wake {
  used(): void;
  close(): void;
}

export function createWake(): Wake {
  let lock: WakeLockSentinel | null = null;
  /** Asked for and not answered yet, or it is there. */
  let isHeld = false;
  let isWanted = false;
  const ask = async () => {
    if (isHeld || !isWanted || document.hidden || !("wakeLock" in navigator)) return;
    isHeld = true;
    try {
      lock = await navigator.wakeLock.request("screen");
      // The browser takes it away when the page is hidden.
      lock.addEventListener("release", () => {
        isHeld = false;
      });
      if (!isWanted) await lock.release();
    } catch {
      isHeld = false;
    }
  };
  const onSeen = () => void ask();
  document.addEventListener("visibilitychange", onSeen);
  return {
    used() {
      isWanted = true;
      if (!isHeld) void ask();
    },
    close() {
      isWanted = false;
      document.removeEventListener("visibilitychange", onSeen);
      void lock?.release().catch(() => undefined);
    },
  };
}
