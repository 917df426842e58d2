/** Edits of a session, undo and redo. */
import type { StoreApi } from "zustand/vanilla";
import { checked } from "../../core/editing/edits/checked";
import { turnEntry, versionAt, type LogEntry } from "../../core/versions/log";
import { spokenProblems } from "./names";
import { mergedWith } from "./sessionGesture";
import type { Notices } from "./sessionNotices";
import type { RecordStep } from "./sessionRecords";
import type { EditActions, GestureActions, Notice, SessionState } from "./sessionState";
import { keptIn } from "./sessionView";

/** Whether the next edit may join the last one: changing a field with the arrow keys is one entry. */
export interface EditRun {
  isOpen: boolean;
}

/** What edits need of the rest of the session. */
interface EditParts {
  readonly store: StoreApi<SessionState>;
  readonly notices: Notices;
  readonly record: RecordStep;
  readonly gestures: GestureActions;
  readonly run: EditRun;
}

const OTHERS_KEPT: Notice = { text: "Changes from another window were kept.", tone: "plain" };

export function createEdits(parts: EditParts): EditActions {
  const { store, notices, record, gestures, run } = parts;
  const { getState: get, setState: set } = store;
  const turn = (steps: readonly ("undo" | "redo")[]) => turnSteps(parts, steps);
  const edits: EditActions = {
    edit(label, edit, merge = false) {
      const { gesture } = get();
      if (gesture?.gathers) {
        set({ gesture: { ...gesture, label } });
        return gestures.preview(edit);
      }
      gestures.commit();
      const before = get().layout;
      const result = edit(before);
      if (!result.ok) {
        notices.refuse(result.problems);
        return false;
      }
      if (result.value === before) return true;
      const { past, future } = get().history;
      const last = past.at(-1);
      const joins = merge && run.isOpen && last?.label === label && future.length === 0 ? last.id : undefined;
      const details = joins === undefined ? { label } : { label, joins };
      set({ layout: result.value, ...record(before, result.value, details), ...keptIn(get(), result.value), notice: null });
      run.isOpen = true;
      return true;
    },
    endRun() {
      run.isOpen = false;
    },
    remember(change) {
      const { layout: before, gesture } = get();
      // During a gathering gesture it is a step like any other, stored or taken back at the end.
      if (gesture?.gathers) {
        const made = { ...gesture.made, workbench: { ...gesture.made.workbench, ...change } };
        return set({ gesture: { ...gesture, made }, layout: { ...before, workbench: { ...before.workbench, ...change } } });
      }
      const base = gesture?.base ?? before;
      const kept = { ...base, workbench: { ...base.workbench, ...change } };
      const next = gesture && { ...gesture, base: kept };
      set({ ...record(base, kept, { kind: "remembered", label: "remember" }), layout: next ? mergedWith(next).layout : kept, gesture: next });
    },
    undo: () => turn(["undo"]),
    redo: () => turn(["redo"]),
    goTo(id) {
      const { history, log, layout } = get();
      const { past, future } = history;
      const back = id === null ? -1 : past.findIndex((entry) => entry.id === id);
      const on = future.findIndex((entry) => entry.id === id);
      if (id === null || back >= 0) return turn(past.slice(back + 1).map(() => "undo"));
      if (on >= 0) return turn(future.slice(0, on + 1).map(() => "redo"));
      const last = log.findLast((record) => record.kind === "edit" && (record.id === id || record.joins === id));
      const version = last && versionAt(layout, log, last.id);
      if (version) edits.edit(`go back to “${last.label}”`, (before) => checked(before, { ...version, workbench: before.workbench }));
    },
  };
  return edits;
}

/** Undoes or redoes entries one after the other, and shows the result. */
function turnSteps({ store: { getState: get, setState: set }, gestures, record, run }: EditParts, steps: readonly ("undo" | "redo")[]): void {
  gestures.cancel();
  run.isOpen = false;
  let { layout, log, history } = get();
  let notice: Notice | null = null;
  for (const kind of steps) {
    const entry: LogEntry | undefined = kind === "undo" ? history.past.at(-1) : history.future[0];
    if (!entry) break;
    const made = turnEntry(layout, entry);
    const sound = checked(layout, made.layout);
    // An entry that can no longer be undone is skipped, so that the others stay reachable.
    const next = sound.ok ? made.layout : layout;
    if (!sound.ok) notice = { text: `“${entry.label}” was not changed: ${spokenProblems(made.layout, sound.problems, 2)}`, tone: "problem" };
    else if (made.left.length > 0) notice = OTHERS_KEPT;
    ({ log, history } = record(layout, next, { kind, label: entry.label, of: entry.id }, history));
    layout = next;
  }
  set({ layout, log, history, ...keptIn(get(), layout), notice });
}
