/** Notices of a session. */
import type { StoreApi } from "zustand/vanilla";
import { problemText, type Problem } from "../../core/engine/result";
import { spokenProblems } from "./names";
import type { NoticeActions, SessionState } from "./sessionState";

export interface Notices extends NoticeActions {
  /** Reports why an edit was refused; the same message is not repeated. */
  refuse(problems: readonly Problem[]): void;
}

export function createNotices({ getState: get, setState: set }: StoreApi<SessionState>): Notices {
  const tell: Notices["tell"] = (notice) => set({ notice });
  return {
    tell,
    tellRefusal: (done) => !done.ok && tell({ text: problemText(done.problems, 3), tone: "problem" }),
    refuse(problems) {
      const text = spokenProblems(get().layout, problems, 3);
      if (get().notice?.text !== text) tell({ text, tone: "problem" });
    },
  };
}
