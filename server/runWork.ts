/** Checks and reports in threads: so many at once, so many that wait, each with so much memory; one that is stopped is gone at once. */
import { Worker } from "node:worker_threads";
import type { LayoutSaid, LayoutWork } from "./layoutThread";
import type { RunWork } from "./handlers";

const AT_ONCE = 2;
const MEMORY_MB = 512;

/** A way to run them; `thread`: the built file of the thread. */
export function createRunWork(thread: URL): RunWork {
  let running = 0;
  const waiting: (() => void)[] = [];
  const enter = async () => {
    if (running >= AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve));
    running += 1;
  };
  const leave = () => {
    running -= 1;
    waiting.shift()?.();
  };
  return async function* run(work: LayoutWork, signal: AbortSignal) {
    await enter();
    const worker = new Worker(thread, { workerData: work, resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } });
    const come: LayoutSaid[] = [];
    let isOver = false;
    let wake: () => void = () => undefined;
    const over = () => {
      isOver = true;
      wake();
    };
    worker.on("message", (said: LayoutSaid) => {
      come.push(said);
      wake();
    });
    worker.on("error", over);
    worker.on("exit", over);
    const stop = () => void worker.terminate();
    signal.addEventListener("abort", stop);
    if (signal.aborted) stop();
    try {
      for (;;) {
        const said = come.shift();
        if (said) {
          yield said;
          if (said.kind !== "piece") return;
        } else if (isOver) return;
        else await new Promise<void>((resolve) => (wake = resolve));
      }
    } finally {
      signal.removeEventListener("abort", stop);
      void worker.terminate();
      leave();
    }
  };
}
