/**
 * The session: the open layout and everything that can be done to it. It is a store without React, so that its rules can be tested without a
 * browser; views read it through `useSession`. Each part has its own file:
 *
 *     sessionEdits ──► sessionGesture ──► sessionRecords ──► documentStore ──► storage
 *     (edit, undo)     (begin … commit)   (log, history)     (written, merged with other windows)
 */
import { createStore, type StoreApi } from "zustand/vanilla";
import type { Layout } from "../../core/format/types";
import { historyOf, type LogRecord } from "../../core/versions/log";
import type { LostVersion } from "../../core/versions/merge";
import type { OpenedLayout } from "../../storage/openKept";
import type { LayoutStore } from "../../storage/store";
import { ONLY_WINDOW, type Windows } from "../../storage/windows";
import { composeHere, type Compose } from "../../workers/writing";
import { createDocumentStore, type DocumentStore, type DocumentStoreEvents } from "./documentStore";
import { createEdits, type EditRun } from "./sessionEdits";
import { createFindings } from "./sessionFindings";
import { createGestures, mergedWith } from "./sessionGesture";
import { createOwner, type Owner } from "./owner";
import { createNotices, type Notices } from "./sessionNotices";
import { createRecorder } from "./sessionRecords";
import type { DocumentActions, GestureActions, Session, SessionState } from "./sessionState";
import { createView, firstView, keptIn } from "./sessionView";

export type { Edit, Session, SessionState } from "./sessionState";

/** What a session works with. */
export interface SessionParts {
  readonly kept: LayoutStore;
  /** The time for the records, ms since 1970. */
  readonly now: () => number;
  /** Makes unique ids. */
  readonly newId: () => string;
  /** Gives the form in which a layout is stored. */
  readonly compose?: Compose;
  readonly windows?: Windows;
  /** Called with versions that lost against another window's: they are to be stored as named states. */
  readonly onLost?: (lost: readonly LostVersion[]) => void;
  /** The waits after refused writes, ms. */
  readonly againMs?: readonly number[];
}

/** The state of a layout that has just been opened. `isOwn`: whether a record was made in this window, by its window id. */
const firstState = ({ id, layout, log, isDeleted }: OpenedLayout, isOwn: (by: string) => boolean) => ({
  id,
  layout,
  log,
  history: historyOf(log, isOwn),
  isDeleted,
  gesture: null,
  selection: [],
  playerView: firstView(layout),
  findings: {},
  countedFor: [],
  shelfScreen: null,
  fixes: [],
  fixesOf: null,
  compared: null,
});

const isOwnIn =
  ({ getState: get }: StoreApi<SessionState>) =>
  (by: string): boolean =>
    !get().others.has(by);

/** Opens a session on a layout. */
export function createSession(parts: SessionParts, opened: OpenedLayout): Session {
  const { kept, now, newId, compose = composeHere, windows = ONLY_WINDOW("this"), onLost = () => undefined, againMs } = parts;
  const store = createStore<SessionState>(() => ({
    ...firstState(opened, () => true),
    others: new Set(),
    saving: { kind: "saved" },
    onlyMemory: kept.refusal,
    notice: null,
  }));
  const run: EditRun = { isOpen: false };
  const endRun = () => {
    run.isOpen = false;
  };
  const notices = createNotices(store);
  const documentStore = createDocumentStore({ kept, windows, now, compose, againMs }, documentEvents(store, notices, onLost));
  documentStore.open(opened);
  const record = createRecorder(store, { documentStore, now, newId, by: windows.own });
  const gestures = createGestures({ store, notices, record, onBegin: endRun, onLost });
  const owner = createOwner<Session>(() => session);
  const session: Session = {
    store,
    owner,
    tell: notices.tell,
    tellRefusal: notices.tellRefusal,
    ...gestures,
    ...createEdits({ store, notices, record, gestures, run }),
    ...createView(store, endRun),
    ...createFindings(store),
    ...createDocument({ store, kept, documentStore, gestures, endRun, owner }),
  };
  return session;
}

/** What the session does when the document store reports something. */
function documentEvents(store: StoreApi<SessionState>, { tell }: Notices, onLost: DocumentStoreEvents["onLost"]): DocumentStoreEvents {
  const { getState: get, setState: set } = store;
  return {
    onSaving: (saving) => set({ saving }),
    onMerged: (layout, log) => showMerged(store, layout, log),
    onLost,
    onDeleted: (isDeleted) => isDeleted !== get().isDeleted && set({ isDeleted }),
    onCleared: () =>
      tell({
        text: "The browser cleared its stored data. The open layout is being stored again from this window; download a backup.",
        tone: "problem",
      }),
  };
}

/** Another window has changed the layout; a gesture in progress continues from there. */
function showMerged(store: StoreApi<SessionState>, merged: Layout, log: readonly LogRecord[]): void {
  const { gesture: before } = store.getState();
  const gesture = before && { ...before, base: merged };
  const layout = gesture ? mergedWith(gesture).layout : merged;
  store.setState({ layout, gesture, log, history: historyOf(log, isOwnIn(store)), ...keptIn(store.getState(), layout) });
}

interface DocumentParts {
  readonly store: StoreApi<SessionState>;
  readonly kept: LayoutStore;
  readonly documentStore: DocumentStore;
  readonly gestures: GestureActions;
  readonly endRun: () => void;
  readonly owner: Owner<Session>;
}

function createDocument({ store, kept, documentStore, gestures, endRun, owner }: DocumentParts): DocumentActions {
  const { getState: get, setState: set } = store;
  return {
    show(next) {
      gestures.cancel();
      endRun();
      if (next.id !== get().id) owner.changeLayout();
      set({ ...firstState(next, isOwnIn(store)), notice: null });
      documentStore.open(next);
      kept.setLastOpen(next.id).catch((error: unknown) => console.error("The open layout could not be remembered.", error));
    },
    async flush() {
      await documentStore.settled();
      return documentStore.isSafe();
    },
    isUnsaved() {
      const { gesture, layout } = get();
      return !documentStore.isSafe() || (gesture !== null && gesture.base !== layout);
    },
    heard: () => documentStore.heard(),
    setDeleted: (isDeleted) => set({ isDeleted }),
    setOthers(others) {
      const before = get().others;
      if (before.size === others.size && [...others].every((one) => before.has(one))) return;
      set({ others });
      set({ history: historyOf(get().log, isOwnIn(store)) });
    },
    close() {
      owner.close();
      documentStore.close();
    },
  };
}
