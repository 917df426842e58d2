/** Gestures of a session. */
import type { StoreApi } from "zustand/vanilla";
import type { Result } from "../../core/engine/result";
import type { Layout } from "../../core/format/types";
import { mergeEdit, type LostVersion } from "../../core/versions/merge";
import type { Notices } from "./sessionNotices";
import type { RecordStep } from "./sessionRecords";
import type { Gesture, GestureActions, Notice, SessionState } from "./sessionState";
import { keptIn } from "./sessionView";

/** The changes of a gesture, on top of what others have done since it began. */
export const mergedWith = ({ label, origin, made, base }: Gesture) => mergeEdit({ from: origin, made, label }, base);

/** What gestures need of the rest of the session. */
interface GestureParts {
  readonly store: StoreApi<SessionState>;
  readonly notices: Notices;
  readonly record: RecordStep;
  readonly onBegin: () => void;
  /** Versions that lost against another window's. */
  readonly onLost: (lost: readonly LostVersion[]) => void;
}

export function createGestures({ store: { getState: get, setState: set }, notices, record, onBegin, onLost }: GestureParts): GestureActions {
  /** Why the last preview was refused; the message goes with the next preview that is not. */
  let refusal: Notice | null = null;
  const clearRefusal = () => {
    if (refusal !== null && get().notice === refusal) notices.tell(null);
    refusal = null;
  };
  /** Shows a preview on top of what others have done since. */
  const show = (gesture: Gesture, result: Result<Layout>): boolean => {
    if (!result.ok) {
      notices.refuse(result.problems);
      refusal = get().notice;
      return false;
    }
    clearRefusal();
    const next = { ...gesture, made: result.value };
    set({ gesture: next, layout: mergedWith(next).layout });
    return true;
  };
  const start = (label: string, origin: Layout | undefined, gathers: boolean) => {
    gestures.commit();
    onBegin();
    const { layout: base } = get();
    set({ gesture: { label, origin: origin ?? base, made: origin ?? base, base, gathers } });
  };
  const gestures: GestureActions = {
    begin: (label, origin) => start(label, origin, false),
    gather: () => start("change", undefined, true),
    preview(edit) {
      const { gesture } = get();
      return gesture !== null && show(gesture, edit(gesture.origin));
    },
    follow(edit) {
      const { gesture, layout } = get();
      if (!gesture) return;
      const result = edit(layout);
      if (result.ok) set({ layout: result.value });
    },
    commit() {
      const { gesture, layout: after } = get();
      if (!gesture) return;
      refusal = null;
      const { lost } = mergedWith(gesture);
      if (lost.length > 0) onLost(lost);
      // What only the editor remembers gets no entry in the history.
      const base = gesture.gathers ? { ...gesture.base, workbench: after.workbench } : gesture.base;
      if (base !== gesture.base) set(record(gesture.base, base, { kind: "remembered", label: gesture.label }));
      set({ gesture: null, ...record(base, after, { label: gesture.label }), ...keptIn(get(), after) });
    },
    cancel() {
      const { gesture } = get();
      if (!gesture) return;
      set({ gesture: null, layout: gesture.base });
      clearRefusal();
    },
  };
  return gestures;
}
