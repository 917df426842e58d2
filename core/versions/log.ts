/**
 * The log of a layout: everything that happened to it, each with its words, its time, who did it, and what it changed. Records are only
 * ever added; to take something back is a record too. What undo and redo would do next is read from the log, so it outlasts whoever made it.
 */
import type { Layout } from "../format/types";
import { applyChanges, changesBetween, inverseOf, type FieldChange, type Conflict } from "./fieldChanges";

/**
 * edit: something was done; `joins`: it goes on with that edit, as steps of one field do · undo, redo: the edit `of` was taken back, made
 * again · remembered: what the editor alone remembers, no step of undo.
 */
export type RecordKind = "edit" | "undo" | "redo" | "remembered";

/** One record of the log. `id` no other record has; `time`: ms since 1970; `by`: the window it was made in. */
export interface LogRecord {
  readonly id: string;
  readonly kind: RecordKind;
  /** What was done: "move horn". */
  readonly label: string;
  /** What came of it, where that can be reported in a line: "horn moved 3.2 mm right". */
  readonly words?: string;
  readonly time: number;
  readonly by: string;
  readonly of?: string;
  readonly joins?: string;
  readonly changes: readonly FieldChange[];
}

/** An edit with all that was joined to it. `changes`: what it did, or did last when made again, record by record. */
export interface LogEntry {
  readonly id: string;
  readonly label: string;
  readonly words?: string;
  readonly time: number;
  readonly by: string;
  readonly changes: readonly (readonly FieldChange[])[];
}
/** What undo takes back, the last first to go; what redo makes again, the first first. */
export interface History {
  readonly past: readonly LogEntry[];
  readonly future: readonly LogEntry[];
}
/** @internal exported for its test */
export const NO_HISTORY: History = { past: [], future: [] };

/** Of how many edits the log is kept; in addition, named states stay. */
export const MOST_EDITS = 1000;

/** The history of those whose edits count as your own. */
export function historyOf(records: readonly LogRecord[], isOwn: (by: string) => boolean): History {
  return records.reduce((history, record) => (isOwn(record.by) ? withRecord(history, record) : history), NO_HISTORY);
}

/** The history after one more your own record. */
export function withRecord(history: History, record: LogRecord): History {
  const { past, future } = history;
  switch (record.kind) {
    case "remembered":
      return history;
    case "edit":
      return { past: withEdit(past, record), future: [] };
    case "undo": {
      const entry = past.find((e) => e.id === record.of);
      return entry ? { past: past.filter((e) => e !== entry), future: [{ ...entry, changes: [record.changes] }, ...future] } : history;
    }
    case "redo": {
      const entry = future.find((e) => e.id === record.of);
      return entry ? { past: [...past, { ...entry, changes: [record.changes] }], future: future.filter((e) => e !== entry) } : history;
    }
  }
}

function withEdit(past: readonly LogEntry[], record: LogRecord): readonly LogEntry[] {
  const last = past.at(-1);
  return record.joins !== undefined && last?.id === record.joins ? [...past.slice(0, -1), joined(last, record)] : [...past, entryOf(record)];
}

const entryOf = ({ id, label, words, time, by, changes }: LogRecord): LogEntry => ({ id, label, words, time, by, changes: [changes] });
/** What came of the first step is not what came of all of them. */
const joined = (entry: LogEntry, { time, changes }: LogRecord): LogEntry => ({ ...entry, words: undefined, time, changes: [...entry.changes, changes] });

/** A step that was made: the version it leads to, what it changed, and what it left because others have changed it since. */
export interface LogStep {
  readonly layout: Layout;
  readonly changes: readonly FieldChange[];
  readonly left: readonly Conflict[];
}

/**
 * An entry turned on a version that may have gone on since: one of the past is taken back, one of the future made again. Either way it is
 * what the entry did last, backwards.
 */
export function turnEntry(layout: Layout, entry: LogEntry): LogStep {
  const left: Conflict[] = [];
  let now = layout;
  for (const changes of [...entry.changes].reverse()) {
    const applied = applyChanges(now, inverseOf(changes), "leave");
    now = applied.layout;
    left.push(...applied.conflicts);
  }
  return { layout: now, changes: changesBetween(layout, now), left };
}

/** A layout as it was when a record had just been made: all later ones taken away again. Null where the record is not in the log. */
export function versionAt(layout: Layout, records: readonly LogRecord[], id: string): Layout | null {
  const at = records.findIndex((r) => r.id === id);
  if (at < 0) return null;
  return [...records.slice(at + 1)].reverse().reduce((now, record) => applyChanges(now, inverseOf(record.changes)).layout, layout);
}

/** An edit as the list of the history shows it. done: it holds · undone: redo makes it again · dropped: taken back, and then something else was done. */
export interface ListedEntry {
  readonly entry: LogEntry;
  readonly standing: "done" | "undone" | "dropped";
  /** The last record that belongs to it: the version at this record is the layout after the edit. */
  readonly lastRecord: string;
}

/** All edits of a log, whoever made them, the newest first. */
export function listedEntries(records: readonly LogRecord[], history: History): readonly ListedEntry[] {
  const entries = new Map<string, { entry: LogEntry; lastRecord: string; taken: boolean }>();
  for (const record of records) {
    if (record.kind === "edit") {
      const first = record.joins === undefined ? undefined : entries.get(record.joins);
      if (first) Object.assign(first, { lastRecord: record.id, entry: joined(first.entry, record) });
      else entries.set(record.id, { entry: entryOf(record), lastRecord: record.id, taken: false });
    } else if (record.of !== undefined) {
      const entry = entries.get(record.of);
      if (entry) entry.taken = record.kind === "undo";
    }
  }
  const redone = new Set(history.future.map((e) => e.id));
  return [...entries.values()]
    .map(({ entry, lastRecord, taken }): ListedEntry => ({ entry, lastRecord, standing: !taken ? "done" : redone.has(entry.id) ? "undone" : "dropped" }))
    .reverse();
}

/**
 * Times by which a list of edits, newest first, stays in its order when other things are sorted into it by theirs: no edit has a time before the
 * one that was made before it, whatever the clock said.
 */
export function timesInOrder(newestFirst: readonly { readonly time: number }[]): readonly number[] {
  let latest = -Infinity;
  return [...newestFirst]
    .reverse()
    .map(({ time }) => (latest = Math.max(latest, time)))
    .reverse();
}

/** How many records at the beginning of a log may go, so that the last `MOST_EDITS` edits stay whole. */
export function recordsToTrim(records: readonly LogRecord[], most = MOST_EDITS): number {
  let edits = 0;
  for (let i = records.length - 1; i >= 0; i -= 1) {
    if (records[i].kind !== "edit" || records[i].joins !== undefined) continue;
    edits += 1;
    if (edits === most) return i;
  }
  return 0;
}
