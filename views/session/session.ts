/**
 * The open layout and all that may happen to it: edits with undo, gestures that can be cancelled, selection, saving.
 * A vanilla store, so that the rules can be tested without a browser; views read it through `useSession`.
 */
import { createStore, type StoreApi } from "zustand/vanilla";
import type { FixOffer } from "../../core/checks/check";
import type { ScreenFindings } from "../../workers/checksService";
import { composeHere, type Compose } from "../../workers/writing";
import { picturesByDigest } from "./kept";
import type { Layout, Workbench } from "../../core/format/types";
import type { Problem, Result } from "../../core/engine/result";
import { spokenProblems } from "../shared/names";
import type { LayoutStore } from "../../storage/layouts";
import { createSaver, type Saver, type Saving } from "../../storage/saver";
import { inCluster } from "../../core/editing/placeables";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../../core/engine/placement/resolve";
import { NO_HISTORY, record, redo, undo, type History } from "./history";

/** A message at the foot of the window. */
export interface Notice {
  readonly text: string;
  readonly tone: "plain" | "problem";
  /** A way back or on, offered beside it. */
  readonly act?: { readonly label: string; readonly run: () => void };
}

/** A gesture under way: what it is called, and the layout as it was before. `gathers`: edits made meanwhile are previews of it. */
export interface Gesture {
  readonly label: string;
  readonly base: Layout;
  readonly gathers: boolean;
}

export interface SessionState {
  readonly id: string;
  readonly layout: Layout;
  readonly history: History;
  readonly gesture: Gesture | null;
  readonly selection: readonly string[];
  /** As which player, and in which moment of the game, the views show the layout; moment null: all of them at once. */
  readonly playerView: PlayerView;
  readonly saving: Saving;
  /** Why nothing outlives the tab, or null where the browser keeps what is saved. */
  readonly onlyMemory: string | null;
  /** What is found on the screens in view, by their names. */
  readonly findings: Readonly<Record<string, ScreenFindings>>;
  /** The screen whose findings are read on the shelf; null: the one on the bench. */
  readonly shelfScreen: string | null;
  /** The moves that fix findings of the screen on the bench, of the layout as it stood when they were proved. */
  readonly fixes: readonly FixOffer[];
  /** The layout those moves were proved on; of any other they are stale, and may not be made. */
  readonly fixesOf: Layout | null;
  readonly notice: Notice | null;
}

/** An edit as the core writes them. */
export type Edit = (layout: Layout) => Result<Layout>;

export interface Session {
  readonly store: StoreApi<SessionState>;
  /** Makes an edit; a refused one changes nothing and is told. `merge` joins it with the last entry of the same label. */
  edit(label: string, edit: Edit, merge?: boolean): boolean;
  /** A gesture: `begin`, any number of `preview`s (each from the layout as it was; a refused one is told and changes nothing), then `commit` or `cancel`. Until then nothing of it is kept. */
  begin(label: string): void;
  preview(edit: Edit): boolean;
  commit(): void;
  cancel(): void;
  /** A gesture made of edits: every `edit` from now on is a preview, from the layout as it was, and nothing is kept until `commit`. It is called as they are. */
  gather(): void;
  /** The next edit starts an entry of its own, whatever its label: the user has turned to something else. */
  endRun(): void;
  undo(): void;
  redo(): void;
  select(ids: readonly string[]): void;
  /** Chooses the moment that the views show. */
  showMoment(moment: string | null): void;
  /** Chooses as which player the layout is looked at: hand, size. */
  showPlayer(player: Partial<Pick<PlayerView, "handed" | "playerSize">>): void;
  /** Changes what the editor alone remembers; no entry in the history. */
  remember(change: Partial<Workbench>): void;
  /** Puts another layout on the bench, its history empty. */
  show(id: string, layout: Layout): void;
  /** Writes the layout now and resolves when it is safe, or refused. */
  save(): Promise<void>;
  /** Resolves when nothing waits to be written; what was refused is tried once more. */
  flush(): Promise<void>;
  tell(notice: Notice | null): void;
  /** Takes the moves that fix what is found on the bench. */
  setFixes(fixes: readonly FixOffer[], of: Layout): void;
  /** Takes the findings of the screens in view; what says the same keeps its identity, so that nothing draws anew for it. */
  setFindings(findings: Record<string, ScreenFindings>): void;
  /** Chooses the screen whose findings are read on the shelf. */
  readOnShelf(screen: string): void;
}

const firstView = (layout: Layout): PlayerView => ({ ...PLAIN_PLAYER_VIEW, moment: layout.moments[0]?.id ?? null });

/** What a session stands on. */
export interface SessionParts {
  readonly kept: LayoutStore;
  /** The time for the records, ms since 1970. */
  readonly now: () => number;
  /** Gives the form in which a layout is stored. */
  readonly compose?: Compose;
}

/** Opens a session on a layout. */
export function createSession({ kept, now, compose = composeHere }: SessionParts, id: string, layout: Layout): Session {
  const store = createStore<SessionState>(() => ({
    id,
    layout,
    history: NO_HISTORY,
    gesture: null,
    selection: [],
    playerView: firstView(layout),
    saving: { kind: "saved" },
    onlyMemory: kept.refusal,
    findings: {},
    shelfScreen: null,
    fixes: [],
    fixesOf: null,
    notice: null,
  }));
  const { getState: get, setState: set } = store;
  const saver: Saver<{ id: string; layout: Layout }> = createSaver(
    async (value) => {
      const { text, digests } = await compose(value.layout);
      const pictures = picturesByDigest(value.layout, digests);
      await kept.write({ id: value.id, name: value.layout.name, text, savedAt: now(), deletedAt: null }, pictures);
    },
    (saving) => set({ saving }),
  );
  /** Whether the next mergeable edit may join the last: stepping a field with the arrow keys is one entry. */
  let run = false;
  const save = () => saver.save({ id: get().id, layout: committedLayout() });
  const tell = (notice: Notice | null) => set({ notice });
  const keepKnown = (next: Layout) => {
    const known = new Set([...next.controls, ...next.clusters, ...next.keepClear].map((c) => c.id));
    const { selection } = get();
    return selection.every((s) => known.has(s)) ? selection : selection.filter((s) => known.has(s));
  };
  /** A moment that is no more is not shown. */
  const keepKnownView = (next: Layout): PlayerView => {
    const { playerView } = get();
    return playerView.moment === null || next.moments.some((m) => m.id === playerView.moment)
      ? playerView
      : { ...playerView, moment: next.moments[0]?.id ?? null };
  };
  const refuse = (problems: readonly Problem[]) => {
    const text = spokenProblems(get().layout, problems, 3);
    if (get().notice?.text !== text) tell({ text, tone: "problem" });
  };
  /** What may be kept: a gesture under way is not. */
  const committedLayout = () => get().gesture?.base ?? get().layout;
  /** The reason why the last preview of the gesture was refused; it goes with the next one that is not. */
  let previewRefusal: Notice | null = null;
  const endPreview = () => {
    if (previewRefusal !== null && get().notice === previewRefusal) tell(null);
    previewRefusal = null;
  };

  const session: Session = {
    store,
    edit(label, edit, merge = false) {
      const { gesture } = get();
      if (gesture?.gathers) {
        set({ gesture: { ...gesture, label } });
        return session.preview(edit);
      }
      session.commit();
      const before = get().layout;
      const result = edit(before);
      if (!result.ok) {
        refuse(result.problems);
        return false;
      }
      if (result.value === before) return true;
      set({
        layout: result.value,
        history: record(get().history, before, result.value, { label, merge: merge && run }),
        selection: keepKnown(result.value),
        playerView: keepKnownView(result.value),
        notice: null,
      });
      run = true;
      save();
      return true;
    },
    endRun() {
      run = false;
    },
    begin(label) {
      session.commit();
      run = false;
      set({ gesture: { label, base: get().layout, gathers: false } });
    },
    gather() {
      session.begin("change");
      set({ gesture: { label: "change", base: get().layout, gathers: true } });
    },
    preview(edit) {
      const { gesture } = get();
      if (!gesture) return false;
      const result = edit(gesture.base);
      if (!result.ok) {
        refuse(result.problems);
        previewRefusal = get().notice;
        return false;
      }
      endPreview();
      set({ layout: result.value });
      return true;
    },
    commit() {
      const { gesture, layout: after, history } = get();
      if (!gesture) return;
      previewRefusal = null;
      // What the editor alone remembers leaves no entry.
      const base = gesture.gathers ? { ...gesture.base, workbench: after.workbench } : gesture.base;
      set({ gesture: null, history: record(history, base, after, gesture), selection: keepKnown(after) });
      if (after !== gesture.base) save();
    },
    cancel() {
      const { gesture } = get();
      if (!gesture) return;
      set({ gesture: null, layout: gesture.base });
      endPreview();
    },
    undo: () => step(undo),
    redo: () => step(redo),
    select(ids) {
      run = false;
      set({ selection: ids });
    },
    showMoment(moment) {
      const { layout: now, playerView, selection } = get();
      const away = new Set([...now.controls, ...now.keepClear].filter((c) => moment !== null && !c.moments.includes(moment)).map((c) => c.id));
      for (const { id } of now.clusters) {
        const inside = inCluster(now, id, null);
        if (inside.length > 0 && inside.every((child) => away.has(child))) away.add(id);
      }
      set({ playerView: { ...playerView, moment }, selection: selection.filter((id) => !away.has(id)) });
    },
    showPlayer(player) {
      set({ playerView: { ...get().playerView, ...player } });
    },
    remember(change) {
      const { layout: before, gesture } = get();
      const workbench = { ...before.workbench, ...change };
      // While a number is dragged it is a step like any other, kept or taken back at the end.
      if (gesture?.gathers) return set({ layout: { ...before, workbench } });
      set({ layout: { ...before, workbench }, gesture: gesture && { ...gesture, base: { ...gesture.base, workbench } } });
      save();
    },
    show(nextId, next) {
      session.cancel();
      set({
        id: nextId,
        layout: next,
        history: NO_HISTORY,
        selection: [],
        playerView: firstView(next),
        findings: {},
        shelfScreen: null,
        fixes: [],
        fixesOf: null,
        gesture: null,
      });
      void kept.setLastOpen(nextId);
    },
    async save() {
      save();
      await saver.settled();
    },
    async flush() {
      if (get().saving.kind === "refused") save();
      await saver.settled();
    },
    tell,
    setFixes(fixes, of) {
      set({ fixes, fixesOf: of });
    },
    setFindings(findings) {
      const before = get().findings;
      const kept: Record<string, ScreenFindings> = {};
      let changed = Object.keys(before).length !== Object.keys(findings).length;
      for (const [name, found] of Object.entries(findings)) {
        const same = before[name] !== undefined && JSON.stringify(before[name]) === JSON.stringify(found);
        kept[name] = same ? before[name] : found;
        changed ||= !same;
      }
      if (changed) set({ findings: kept });
    },
    readOnShelf(screen) {
      set({ shelfScreen: screen });
    },
  };

  function step(turn: typeof undo): void {
    session.cancel();
    const { history, layout: before } = get();
    const turned = turn(history, before);
    if (!turned) return;
    set({ layout: turned.layout, history: turned.history, selection: keepKnown(turned.layout), playerView: keepKnownView(turned.layout), notice: null });
    save();
  }

  return session;
}
