/** What the settle worker does, apart from its message channel: one settling at a time, step by step, so that each step can say how far it is. */
import type { SettleRequest } from "../core/settle/request";
import { settleSteps } from "../core/settle/settle";
import type { Settled, SettleProgress } from "../core/settle/settled";

/** What a step has come to: somewhere on the way, or the end. */
export type SettleStep = { readonly kind: "progress"; readonly progress: SettleProgress } | { readonly kind: "done"; readonly settled: Settled };

/** The worker's side of settling. */
export interface SettleService {
  /** Begins; what was under way before is forgotten. */
  begin(request: SettleRequest): void;
  /** Goes on to the next step. */
  step(): SettleStep;
}

/** A service that has begun nothing yet. */
export function createSettleService(): SettleService {
  let steps: ReturnType<typeof settleSteps> | null = null;
  return {
    begin(request) {
      steps = settleSteps(request);
    },
    step() {
      if (!steps) throw new Error("it was asked to go on before it began");
      const next = steps.next();
      if (!next.done) return { kind: "progress", progress: next.value };
      steps = null;
      return { kind: "done", settled: next.value };
    },
  };
}
