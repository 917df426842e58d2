/**
 * The open layout and all that may happen to it: edits with undo, gestures that can be cancelled, selection, saving.
 * A vanilla store, so that the rules can be tested without a browser; views read it through `useSession`.
 */
import { ownEntry } from "../../core/engine/playerChanges";
import { createStore } from "zustand/vanilla";
import { composeHere, type Compose } from "../../workers/writing";
import type { OpenedLayout } from "../../storage/openKept";
import type { Layout } from "../../core/format/types";
import { problemText, type Problem, type Result } from "../../core/engine/result";
import { checked } from "../../core/editing/edits/checked";
import { spokenProblems } from "../shared/names";
import type { LayoutStore } from "../../storage/store";
import { ONLY_WINDOW, type Windows } from "../../storage/windows";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../../core/engine/placement/resolve";
import { changesBetween } from "../../core/versions/fieldChanges";
import { compare, inOneLine } from "../../core/versions/compare";
import { historyOf, turnEntry, versionAt, withRecord, type LogEntry, type LogRecord } from "../../core/versions/log";
import { mergeEdit, type LostVersion } from "../../core/versions/merge";
import { createDocumentStore } from "./documentStore";
import type { Gesture, Notice, Session, SessionState } from "./sessionState";
import { benchScreenOf } from "./railScreens";

export type { Edit, Session, SessionState } from "./sessionState";

const firstView = (layout: Layout): PlayerView => ({ ...PLAIN_PLAYER_VIEW, moment: layout.moments[0]?.id ?? null });

/** What a session is on. */
export interface SessionParts {
  readonly kept: LayoutStore;
  /** The time for the records, ms since 1970. */
  readonly now: () => number;
  /** Makes ids that nothing else has. */
  readonly newId: () => string;
  /** Gives the form in which a layout is stored. */
  readonly compose?: Compose;
  readonly windows?: Windows;
  /** Hears of versions that lost against another window's: they are to be kept by name. */
  readonly onLost?: (lost: readonly LostVersion[]) => void;
  /** The waits after refused writes, ms. */
  readonly againMs?: readonly number[];
}

/** What is said of a step that is recorded; a step is an edit where nothing else is said. */
type Recorded = Pick<LogRecord, "label"> & Partial<Pick<LogRecord, "kind" | "of" | "joins">>;

/** What a session shows of a layout that has just been opened. */
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

/** Opens a session on a layout. */
export function createSession(parts: SessionParts, opened: OpenedLayout): Session {
  const { kept, now, newId, compose = composeHere, windows = ONLY_WINDOW("this"), onLost = () => undefined, againMs } = parts;
  const isOwn = (by: string) => !get().others.has(by);
  const store = createStore<SessionState>(() => ({
    ...firstState(opened, () => true),
    others: new Set(),
    saving: { kind: "saved" },
    onlyMemory: kept.refusal,
    notice: null,
  }));
  const { getState: get, setState: set } = store;
  const keeper = createDocumentStore(
    { kept, windows, now, compose, againMs },
    {
      onSaving: (saving) => set({ saving }),
      onMerged: (layout, log) => setMerged(layout, log),
      onLost,
      onDeleted: (isDeleted) => isDeleted !== get().isDeleted && set({ isDeleted }),
      onCleared: () =>
        tell({
          text: "The browser cleared its stored data. The open layout is being stored again from this window; download a backup.",
          tone: "problem",
        }),
    },
  );
  keeper.open(opened);
  const prefix = newId();
  let count = 0;
  /** Records a step from one version to another: the log, and the history with it. Nothing is recorded where nothing differs. */
  const record = (before: Layout, after: Layout, what: Recorded, history = get().history): Pick<SessionState, "log" | "history"> => {
    const changes = changesBetween(before, after);
    if (changes.length === 0 && what.of === undefined) return { log: get().log, history };
    count += 1;
    const words = what.kind === undefined && what.joins === undefined ? inOneLine(compare(before, after, { screen: benchScreenOf(after) })) : null;
    const made: LogRecord = { id: `${prefix}.${count}`, kind: "edit", ...what, ...(words !== null && { words }), time: now(), by: windows.own, changes };
    return { log: keeper.add(made, after), history: withRecord(history, made) };
  };
  /** Whether the next mergeable edit may join the last: stepping a field with the arrow keys is one entry. */
  let run = false;
  const tell = (notice: Notice | null) => set({ notice });
  const keepKnown = (next: Layout) => {
    const { selection } = get();
    const isKnown = (key: string) => placeableOf(next, key) !== null;
    return selection.every(isKnown) ? selection : selection.filter(isKnown);
  };
  /** A moment that is no more is not shown. */
  const keepKnownView = (next: Layout): PlayerView => {
    const { playerView } = get();
    return playerView.moment === null || next.moments.some((m) => m.id === playerView.moment)
      ? playerView
      : { ...playerView, moment: next.moments[0]?.id ?? null };
  };
  const keptIn = (next: Layout) => ({ selection: keepKnown(next), playerView: keepKnownView(next) });
  const refuse = (problems: readonly Problem[]) => {
    const text = spokenProblems(get().layout, problems, 3);
    if (get().notice?.text !== text) tell({ text, tone: "problem" });
  };
  /** The reason why the last preview of the gesture was refused; it goes with the next one that is not. */
  let previewRefusal: Notice | null = null;
  /** Shows a version of the gesture, made on its origin, on top of what others have done since. */
  const showPreview = (result: Result<Layout>): boolean => {
    const { gesture } = get();
    if (!gesture) return false;
    if (!result.ok) {
      refuse(result.problems);
      previewRefusal = get().notice;
      return false;
    }
    endPreview();
    const next = { ...gesture, made: result.value };
    set({ gesture: next, layout: mergedWith(next).layout });
    return true;
  };
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
      const { past, future } = get().history;
      const last = past.at(-1);
      const joins = merge && run && last?.label === label && future.length === 0 ? last.id : undefined;
      set({ layout: result.value, ...record(before, result.value, joins === undefined ? { label } : { label, joins }), ...keptIn(result.value), notice: null });
      run = true;
      return true;
    },
    endRun() {
      run = false;
    },
    begin(label, origin) {
      session.commit();
      run = false;
      const { layout: base } = get();
      const from = origin ?? base;
      set({ gesture: { label, origin: from, made: from, base, gathers: false } });
    },
    gather() {
      session.begin("change");
      const { layout: base } = get();
      set({ gesture: { label: "change", origin: base, made: base, base, gathers: true } });
    },
    preview(edit) {
      const { gesture } = get();
      return gesture !== null && showPreview(edit(gesture.origin));
    },
    follow(edit) {
      const { gesture, layout: present } = get();
      if (!gesture) return;
      const result = edit(present);
      if (result.ok) set({ layout: result.value });
    },
    commit() {
      const { gesture, layout: after } = get();
      if (!gesture) return;
      previewRefusal = null;
      const { lost } = mergedWith(gesture);
      if (lost.length > 0) onLost(lost);
      // What the editor alone remembers leaves no entry.
      const base = gesture.gathers ? { ...gesture.base, workbench: after.workbench } : gesture.base;
      if (base !== gesture.base) set(record(gesture.base, base, { kind: "remembered", label: gesture.label }));
      set({ gesture: null, ...record(base, after, { label: gesture.label }), ...keptIn(after) });
    },
    cancel() {
      const { gesture } = get();
      if (!gesture) return;
      set({ gesture: null, layout: gesture.base });
      endPreview();
    },
    undo: () => turn(["undo"]),
    redo: () => turn(["redo"]),
    goTo(edit) {
      const { history, log, layout: present } = get();
      const { past, future } = history;
      const back = edit === null ? -1 : past.findIndex((e) => e.id === edit);
      const on = future.findIndex((e) => e.id === edit);
      if (edit === null || back >= 0) return turn(past.slice(back + 1).map(() => "undo"));
      if (on >= 0) return turn(future.slice(0, on + 1).map(() => "redo"));
      const last = log.findLast((r) => r.kind === "edit" && (r.id === edit || r.joins === edit));
      const version = last && versionAt(present, log, last.id);
      if (version) session.edit(`go back to “${last.label}”`, (before) => checked(before, { ...version, workbench: before.workbench }));
    },
    select(ids) {
      run = false;
      const { layout: present } = get();
      set({ selection: ids.filter((key) => placeableOf(present, key) !== null) });
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
      // While a number is dragged it is a step like any other, kept or taken back at the end.
      if (gesture?.gathers) {
        const made = { ...gesture.made, workbench: { ...gesture.made.workbench, ...change } };
        return set({ gesture: { ...gesture, made }, layout: { ...before, workbench: { ...before.workbench, ...change } } });
      }
      const base = gesture?.base ?? before;
      const kept = { ...base, workbench: { ...base.workbench, ...change } };
      const next = gesture && { ...gesture, base: kept };
      set({ ...record(base, kept, { kind: "remembered", label: "remember" }), layout: next ? mergedWith(next).layout : kept, gesture: next });
    },
    show(next) {
      session.cancel();
      run = false;
      set({ ...firstState(next, isOwn), notice: null });
      keeper.open(next);
      kept.setLastOpen(next.id).catch((error: unknown) => console.error("The open layout could not be remembered.", error));
    },
    async flush() {
      await keeper.settled();
      return keeper.isSafe();
    },
    isUnsaved() {
      const { gesture, layout: present } = get();
      return !keeper.isSafe() || (gesture !== null && gesture.base !== present);
    },
    heard: () => keeper.heard(),
    setDeleted: (isDeleted) => set({ isDeleted }),
    setOthers(others) {
      const before = get().others;
      if (before.size === others.size && [...others].every((one) => before.has(one))) return;
      set({ others });
      set({ history: historyOf(get().log, isOwn) });
    },
    tell,
    tellRefusal: (done) => !done.ok && tell({ text: problemText(done.problems, 3), tone: "problem" }),
    setFixes(fixes, of) {
      set({ fixes, fixesOf: of });
    },
    setFindings(findings, countedFor) {
      const before = get().findings;
      if (JSON.stringify(countedFor) !== JSON.stringify(get().countedFor)) set({ countedFor });
      const kept = Object.entries(findings).map(([name, found]) => {
        const known = ownEntry(before, name);
        return [name, known !== undefined && JSON.stringify(known) === JSON.stringify(found) ? known : found] as const;
      });
      const same = Object.keys(before).length === kept.length && kept.every(([name, found]) => ownEntry(before, name) === found);
      if (!same) set({ findings: Object.fromEntries(kept) });
    },
    readOnShelf(screen) {
      set({ shelfScreen: screen });
    },
    setCompared: (compared) => set({ compared }),
    close: () => keeper.close(),
  };

  /** Takes edits back or makes them again, one after the other, and shows where that leads. */
  function turn(steps: readonly ("undo" | "redo")[]): void {
    session.cancel();
    run = false;
    let { layout: reached, log, history } = get();
    let notice: Notice | null = null;
    for (const kind of steps) {
      const entry: LogEntry | undefined = kind === "undo" ? history.past.at(-1) : history.future[0];
      if (!entry) break;
      const made = turnEntry(reached, entry);
      const sound = checked(reached, made.layout);
      // What cannot be turned any more is passed over, so that the way on stays open.
      const next = sound.ok ? made.layout : reached;
      if (!sound.ok) notice = { text: `“${entry.label}” was not changed: ${spokenProblems(made.layout, sound.problems, 2)}`, tone: "problem" };
      else if (made.left.length > 0) notice = STAYED;
      ({ log, history } = record(reached, next, { kind, label: entry.label, of: entry.id }, history));
      reached = next;
    }
    set({ layout: reached, log, history, ...keptIn(reached), notice });
  }

  /** Another window has changed the layout; what is in hand here goes on from there. */
  function setMerged(merged: Layout, log: readonly LogRecord[]): void {
    const { gesture: before } = get();
    const gesture = before && { ...before, base: merged };
    const inHand = gesture ? mergedWith(gesture).layout : merged;
    set({ layout: inHand, gesture, log, history: historyOf(log, isOwn), ...keptIn(inHand) });
  }

  return session;
}

/** What a gesture has changed, on top of what others have done since it began. */
const mergedWith = ({ label, origin, made, base }: Gesture) => mergeEdit({ from: origin, made, label }, base);

const STAYED: Notice = { text: "Changes from another window were kept.", tone: "plain" };
