/** Listening to the window so that all of it can be taken back at once. */

/** Where listeners were put, and how they are taken away. */
export interface Listening {
  on<K extends keyof WindowEventMap>(type: K, heard: (event: WindowEventMap[K]) => void, passive?: boolean): void;
  close(): void;
}

/** Listens before everyone else (capture), for what is taken must reach nobody else. */
export function createListening(): Listening {
  const stops: (() => void)[] = [];
  return {
    on(type, heard, passive = false) {
      addEventListener(type, heard, { capture: true, passive });
      stops.push(() => removeEventListener(type, heard, { capture: true }));
    },
    close() {
      for (const stop of stops.splice(0)) stop();
    },
  };
}
