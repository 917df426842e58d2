/** Writes one thing at a time, the latest last, and says when the latest is safe. */
export type Saving =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  /** The last write was refused; work goes on and the next edit tries again. */
  | { readonly kind: "refused"; readonly reason: string };

export interface Saver<T> {
  save(value: T): void;
  /** Resolves when nothing waits to be written. */
  settled(): Promise<void>;
}

/** A saver over an asynchronous write. `tell` hears "saved" only when the write of the latest value has been confirmed. */
export function createSaver<T>(write: (value: T) => Promise<void>, tell: (saving: Saving) => void): Saver<T> {
  let waiting: { value: T } | null = null;
  let running: Promise<void> | null = null;

  const run = async (): Promise<void> => {
    let refusal: string | null = null;
    while (waiting) {
      const { value }: { value: T } = waiting;
      waiting = null;
      try {
        await write(value);
        refusal = null;
      } catch (error) {
        refusal = error instanceof Error ? error.message : "the browser gave no reason";
      }
    }
    running = null;
    tell(refusal === null ? { kind: "saved" } : { kind: "refused", reason: refusal });
  };

  return {
    save(value) {
      waiting = { value };
      tell({ kind: "saving" });
      running ??= run();
    },
    settled: () => running ?? Promise.resolve(),
  };
}
