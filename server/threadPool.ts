/**
 * Runs work on layouts in threads: this many at once, each with so much memory, and this many that wait for one. Work that is stopped, waiting or
 * running, is gone at once.
 */
import { Worker } from "node:worker_threads";
import type { LayoutSaid, LayoutWork } from "./layoutThread";

/** What becomes of work. full: too many wait already, it is not done · started: it has a thread from now on, and its bytes are given away. */
export type WorkEvent = LayoutSaid | { readonly kind: "full" | "started" };

/** Threads that work on layouts. */
export interface ThreadPool {
  /** Whether work would be refused now. */
  isFull(): boolean;
  /** Runs work where it can be stopped. The first event is `full` or `started`; ends without a word where the signal says so. */
  run(work: LayoutWork, signal: AbortSignal): AsyncIterable<WorkEvent>;
}

/** How many threads run at once. */
const AT_ONCE = 2;
/** How many pieces of work wait for a thread. */
const MOST_WAITING = 8;
const MEMORY_MB = 512;

/** Creates a pool; `thread`: the built file of the thread. */
export function createThreadPool(thread: URL): ThreadPool {
  const queue = createQueue();
  async function* run(work: LayoutWork, signal: AbortSignal): AsyncGenerator<WorkEvent> {
    const turn = queue.enter(signal);
    if (turn === "full") return yield { kind: "full" };
    if (!(await turn)) return;
    try {
      // Given away, not copied: here nothing remains of them.
      const worker = new Worker(thread, { workerData: work, transferList: [work.bytes.buffer], resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } });
      yield { kind: "started" };
      yield* saidBy(worker, signal);
    } finally {
      queue.leave();
    }
  }
  return { run, isFull: queue.isFull };
}

/** What a thread says, until it has said all, ends, or is stopped; then it is gone. */
async function* saidBy(worker: Worker, signal: AbortSignal): AsyncGenerator<LayoutSaid> {
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
  }
}

/** Who runs and who waits. */
function createQueue() {
  let running = 0;
  const waiting: (() => void)[] = [];
  const isFull = () => running >= AT_ONCE && waiting.length >= MOST_WAITING;
  return {
    isFull,
    /** "full", or whether it is its turn: false where the signal came first. */
    enter(signal: AbortSignal): "full" | Promise<boolean> {
      if (running < AT_ONCE) {
        running += 1;
        return Promise.resolve(true);
      }
      if (isFull()) return "full";
      return new Promise((resolve) => {
        const start = () => {
          signal.removeEventListener("abort", giveUp);
          resolve(true);
        };
        const giveUp = () => {
          waiting.splice(waiting.indexOf(start), 1);
          resolve(false);
        };
        waiting.push(start);
        signal.addEventListener("abort", giveUp, { once: true });
        if (signal.aborted) giveUp();
      });
    },
    /** The next that waits has its turn. */
    leave(): void {
      const next = waiting.shift();
      if (next) next();
      else running -= 1;
    },
  };
}
