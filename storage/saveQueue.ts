import { reasonOf } from "./reason";

/** How far the open layout is kept. */
export type Saving =
  | { readonly kind: "saved" }
  | { readonly kind: "saving" }
  /** The last write was refused; work goes on, and it is tried again by itself. */
  | { readonly kind: "refused"; readonly reason: string };

/** Does what remains to do, one thing after the other, and again after a while where it was refused. */
export interface SaveQueue {
  /** There is something to do. */
  wake(): void;
  /** Resolves when nothing remains to do, or it was refused; what had been refused is tried once more at once. */
  settled(): Promise<void>;
  /** Nothing is tried again. */
  stop(): void;
}

/** What a save queue works off. */
export interface SaveWork {
  /** Whether something remains to do. */
  readonly left: () => boolean;
  /** Does some of it; refused where it cannot be done now. */
  readonly step: () => Promise<void>;
  /** Hears "saved" only when nothing remains to do. */
  readonly tell: (saving: Saving) => void;
}

/** How long after a refusal it is tried again, ms: sooner at first. */
const AGAIN_MS: readonly number[] = [1000, 2000, 4000, 8000, 15_000, 30_000];

/** A saver over steps of work. `againMs`: the waits after refusals. */
export function createSaveQueue({ left, step, tell }: SaveWork, againMs = AGAIN_MS): SaveQueue {
  let running: Promise<void> | null = null;
  let refusals = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const run = async (): Promise<void> => {
    try {
      while (left()) await step();
      refusals = 0;
      running = null;
      tell({ kind: "saved" });
    } catch (error) {
      running = null;
      timer = setTimeout(wake, againMs[Math.min(refusals, againMs.length - 1)]);
      refusals += 1;
      tell({ kind: "refused", reason: reasonOf(error) });
    }
  };
  const wake = () => {
    clearTimeout(timer);
    if (!left()) return;
    if (refusals === 0) tell({ kind: "saving" });
    running ??= run();
  };
  return {
    wake,
    async settled() {
      wake();
      await running;
    },
    stop: () => clearTimeout(timer),
  };
}
