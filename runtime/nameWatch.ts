/** `nodulum-runtime/words`: records the names that a game reads and the pressed keys, as a file that Actions imports like source code. */
import { OWN_EVENT } from "./attach/deskInput";
import { createListening } from "./attach/listen";
import type { Handle } from "./handle";

/** A pressed key: how often, first time (ms), and the other keys held then. */
interface KeySeen {
  times: number;
  readonly firstMs: number;
  readonly together: Set<string>;
}

export interface NameWatch {
  /** Returns the file as text. */
  file(): string;
  dispose(): void;
}

/** Starts recording the names read from a handle and the pressed keys; without a handle, only keys. */
export function watch(handle: Pick<Handle, "unknownNames" | "reads" | "digest"> | null): NameWatch {
  const listening = createListening();
  const keys = new Map<string, KeySeen>();
  const down = new Set<string>();
  const from = performance.now();
  listening.on(
    "keydown",
    (event) => {
      if (OWN_EVENT in event || event.repeat || event.code === "") return;
      const seen = keys.get(event.code) ?? { times: 0, firstMs: Math.round(performance.now() - from), together: new Set<string>() };
      seen.times += 1;
      for (const other of down) seen.together.add(other);
      down.add(event.code);
      keys.set(event.code, seen);
    },
    true,
  );
  listening.on("keyup", (event) => void down.delete(event.code), true);
  listening.on("blur", (event) => void (event.target === window && down.clear()), true);
  return {
    file: () =>
      `${JSON.stringify(
        {
          format: "nodulum-words",
          version: 1,
          layout: handle?.digest ?? null,
          words: Object.entries(handle?.reads ?? {}).map(([word, times]) => ({
            word,
            times,
            nearest: handle?.unknownNames[word]?.nearest ?? null,
            isThere: !(word in (handle?.unknownNames ?? {})),
          })),
          keys: [...keys].map(([code, { times, firstMs, together }]) => ({ code, times, firstMs, together: [...together] })),
        },
        null,
        2,
      )}\n`,
    dispose: () => listening.close(),
  };
}
