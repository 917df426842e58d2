/** Drawings kept by what they show. What is derived from its key alone belongs to no layout, so one cache serves all of them. */

export interface CanvasCache<T> {
  get(key: string): HTMLCanvasElement | T | undefined;
  set(key: string, value: HTMLCanvasElement | T): void;
}

/** A cache that begins anew when it holds more drawings or px than this. `T`: what stands for a drawing that is not there. */
export function createCanvasCache<T = never>({ most, mostPx }: { most: number; mostPx: number }): CanvasCache<T> {
  const kept = new Map<string, HTMLCanvasElement | T>();
  let keptPx = 0;
  return {
    get: (key) => kept.get(key),
    set(key, value) {
      if (!kept.has(key) && (kept.size >= most || keptPx > mostPx)) {
        kept.clear();
        keptPx = 0;
      }
      kept.set(key, value);
      if (value instanceof HTMLCanvasElement) keptPx += value.width * value.height;
    },
  };
}
