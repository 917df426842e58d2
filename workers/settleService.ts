/** What the settle worker does, apart from its message channel: one settling at a time, step by step, so that each step can say how far it is. */
import { bareFindings } from "../core/checks/check";
import type { JudgedScreen } from "../core/checks/grid";
import type { Layout } from "../core/format/types";
import type { SettleRequest } from "../core/settle/request";
import { settleSteps } from "../core/settle/settle";
import type { SettleResult, SettleProgress } from "../core/settle/result";

/** What came of it, with all that is found before and after: screen by screen as they were asked about, face by face. */
export interface SettledFound {
  readonly settled: SettleResult;
  readonly before: readonly JudgedScreen[];
  readonly after: readonly JudgedScreen[];
}
/** What a step has come to: somewhere on the way, or the end. */
export type SettleStep = { readonly kind: "progress"; readonly progress: SettleProgress } | { readonly kind: "done"; readonly found: SettledFound };

/** The worker's side of settling. */
export interface SettleService {
  /** Begins; what was under way before is forgotten. `from`: the layout that what comes of it is held against. */
  begin(request: SettleRequest, from: Layout): void;
  /** Goes on to the next step. */
  step(): SettleStep;
}

/** What is found of a layout on the screens and faces of a question. */
const foundOf = (layout: Layout, { screens, faces, moment }: SettleRequest): JudgedScreen[] =>
  screens.map((screen) => ({ name: screen.name, faces: faces.map((face) => bareFindings(layout, screen, { ...face, moment })) }));

/** A service that has begun nothing yet. */
export function createSettleService(): SettleService {
  let begun: { readonly request: SettleRequest; readonly from: Layout; readonly steps: ReturnType<typeof settleSteps> } | null = null;
  return {
    begin(request, from) {
      begun = { request, from, steps: settleSteps(request) };
    },
    step() {
      if (!begun) throw new Error("it was asked to go on before it began");
      const { request, from, steps } = begun;
      const next = steps.next();
      if (!next.done) return { kind: "progress", progress: next.value };
      begun = null;
      return { kind: "done", found: { settled: next.value, before: foundOf(from, request), after: foundOf(next.value.layout, request) } };
    },
  };
}
