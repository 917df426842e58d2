/** Records the steps of a session: in the log that is stored, and in the history of this window. */
import type { StoreApi } from "zustand/vanilla";
import type { Layout } from "../../core/format/types";
import { compare, inOneLine } from "../../core/versions/compare";
import { changesBetween } from "../../core/versions/fieldChanges";
import { withRecord, type History, type LogRecord } from "../../core/versions/log";
import type { DocumentStore } from "./documentStore";
import { benchScreenOf } from "./railScreens";
import type { SessionState } from "./sessionState";

/** What is recorded of a step; without a kind it is an edit. */
export type StepDetails = Pick<LogRecord, "label"> & Partial<Pick<LogRecord, "kind" | "of" | "joins">>;

/** Records a step from one version to another; if nothing differs, nothing is recorded. Returns log and history. */
export type RecordStep = (before: Layout, after: Layout, details: StepDetails, history?: History) => Pick<SessionState, "log" | "history">;

interface RecorderParts {
  readonly documentStore: DocumentStore;
  readonly now: () => number;
  /** Makes the prefix of all record ids of this session. */
  readonly newId: () => string;
  /** The id of this window. */
  readonly by: string;
}

export function createRecorder({ getState: get }: StoreApi<SessionState>, { documentStore, now, newId, by }: RecorderParts): RecordStep {
  const prefix = newId();
  let count = 0;
  return (before, after, details, history = get().history) => {
    const changes = changesBetween(before, after);
    if (changes.length === 0 && details.of === undefined) return { log: get().log, history };
    count += 1;
    const isOwnEntry = details.kind === undefined && details.joins === undefined;
    const words = isOwnEntry ? inOneLine(compare(before, after, { screen: benchScreenOf(after) })) : null;
    const made: LogRecord = { id: `${prefix}.${count}`, kind: "edit", ...details, ...(words !== null && { words }), time: now(), by, changes };
    return { log: documentStore.add(made, after), history: withRecord(history, made) };
  };
}
