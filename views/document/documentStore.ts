/**
 * The document store writes the open layout. Every record of its log is written before anything is called saved, on top of what is stored; what
 * another window has written in the meantime is merged with what this one has not written yet. One write at a time; a refused one is repeated.
 *
 * Where the layout is (`Place`):
 *
 *     offered ──first edit──► unstored ──written──► stored ──another window wrote──► behind
 *                                ▲                    │ ▲                               │
 *                                └──storage cleared───┘ └────────── read and merged ────┘
 */
import { withPictureData } from "../../core/exchange/storedRecords";
import { digestOfText } from "../../core/format/digest";
import { pictureReference } from "../../core/format/stored";
import type { Layout } from "../../core/format/types";
import { problemText } from "../../core/engine/result";
import { changesBetween } from "../../core/versions/fieldChanges";
import { MOST_EDITS, recordsToTrim, type LogRecord } from "../../core/versions/log";
import { merge, mergeOnto, type LostVersion, type Merged } from "../../core/versions/merge";
import { createSaveQueue, type Saving } from "../../storage/saveQueue";
import type { LayoutStore, Written } from "../../storage/store";
import type { Windows } from "../../storage/windows";
import type { Compose } from "../../workers/writing";
import { openKept, picturesByDigest, withPictures, type OpenedLayout } from "../../storage/openKept";

/** What a document store works with. */
export interface DocumentStoreParts {
  readonly kept: LayoutStore;
  readonly windows: Windows;
  /** The time for the records, ms since 1970. */
  readonly now: () => number;
  /** Gives the form in which a layout is stored. */
  readonly compose: Compose;
  /** The waits after refusals, ms. */
  readonly againMs?: readonly number[];
}

/** What a document store reports. */
export interface DocumentStoreEvents {
  readonly onSaving: (saving: Saving) => void;
  /** Another window has changed the layout: the merged version and its log. */
  readonly onMerged: (layout: Layout, log: readonly LogRecord[]) => void;
  /** Versions that lost against another window's. */
  readonly onLost: (lost: readonly LostVersion[]) => void;
  readonly onDeleted: (isDeleted: boolean) => void;
  /** The browser had cleared the layout; it is being stored again. */
  readonly onCleared: () => void;
}

export interface DocumentStore {
  /** Changes to another layout. What is not written of the previous one is discarded. */
  open(opened: OpenedLayout): void;
  /** Adds a record that leads to this version. Returns the log with it. */
  add(record: LogRecord, layout: Layout): readonly LogRecord[];
  /** Another window has written. */
  heard(): void;
  /** Whether everything is written. */
  isSafe(): boolean;
  /** Resolves when everything is written, or was refused once more. */
  settled(): Promise<void>;
  /** Nothing is tried again. */
  close(): void;
}

/** Where the open layout is. */
type Place =
  /** Not stored; it will be with its first edit. */
  | { readonly kind: "offered" }
  /** Not stored, and has to be. */
  | { readonly kind: "unstored" }
  /** Stored, at a revision. */
  | { readonly kind: "stored"; readonly revision: number }
  /** Stored, but another window has written since this revision. */
  | { readonly kind: "behind"; readonly revision: number };

/** The open layout: what is written and what is not. */
interface Open {
  readonly id: string;
  place: Place;
  /** The version of that revision, and the log that leads to it. */
  written: Layout;
  log: readonly LogRecord[];
  /** What is not written yet, and the version it leads to. */
  pending: readonly LogRecord[];
  layout: Layout;
  /** How many of the pending are being written: they must stay as they are. */
  inFlight: number;
  /** The version before the last pending record, if known. */
  beforeLast: Layout | null;
}

/** Moves to a revision. What another window wrote after it is still to be read. */
function moveTo(mine: Open, revision: number): void {
  mine.place = { kind: mine.place.kind === "behind" ? "behind" : "stored", revision };
}

/** Whether there is anything to write or read. */
const hasWork = ({ pending, place }: Open): boolean => pending.length > 0 || place.kind === "unstored" || place.kind === "behind";

/** The log is cut when it is longer by this many edits than it must be: not at every one. */
const TRIM_SLACK = 50;

/** What writing works with. `isOpen`: whether a layout is still the open one; what was read for another is dropped. */
interface Writer extends DocumentStoreParts {
  readonly news: DocumentStoreEvents;
  /** The digests of pictures that are known. */
  readonly digests: Map<string, string>;
  isOpen(mine: Open): boolean;
}

/** Reads what another window has written since a revision. */
async function read(writer: Writer, mine: Open, revision: number): Promise<void> {
  // A message that arrives from now on is about a later write.
  mine.place = { kind: "stored", revision };
  try {
    await take(writer, mine, await writer.kept.since(mine.id, revision));
  } catch (error) {
    mine.place = { kind: "behind", revision };
    throw error;
  }
}

/** Writes what is pending; false: another window was faster, and both were merged. */
async function write(writer: Writer, mine: Open): Promise<boolean> {
  const { kept, windows, now, compose, digests, news } = writer;
  const { pending, layout, place } = mine;
  const revision = place.kind === "stored" || place.kind === "behind" ? place.revision : null;
  mine.inFlight = pending.length;
  try {
    const form = await compose(layout);
    const pictures = new Map(picturesByDigest(layout, form.digests));
    for (const [digest, data] of pictures) digests.set(data, digest);
    const records = (revision === null ? [...mine.log, ...pending] : pending).map((record) => storable(record, pictures, digests));
    const trim = revision === null ? 0 : trimOf([...mine.log, ...pending]);
    const result = await kept.write({ id: mine.id, name: layout.name, text: form.text, savedAt: now(), base: revision, records, pictures, trim });
    if (!writer.isOpen(mine)) return true;
    if (result.kind !== "written") {
      await take(writer, mine, result);
      return false;
    }
    moveTo(mine, result.revision);
    mine.written = layout;
    mine.log = [...mine.log, ...pending].slice(trim);
    mine.pending = mine.pending.slice(pending.length);
    if (mine.pending.length === 0) mine.beforeLast = null;
    windows.tell({ kind: "written", layout: mine.id });
    news.onDeleted(result.deletedAt !== null);
    return true;
  } finally {
    mine.inFlight = 0;
  }
}

/** A record in which pictures are replaced by their digests; the pictures are added to `pictures`. */
function storable(record: LogRecord, pictures: Map<string, string>, digests: ReadonlyMap<string, string>): LogRecord {
  const changes = withPictureData(record.changes, (data) => {
    const digest = digests.get(data) ?? digestOfText(data);
    pictures.set(digest, data);
    return pictureReference(digest);
  });
  return { ...record, changes };
}

/** Merges what other windows have written. */
async function take(writer: Writer, mine: Open, result: Exclude<Written, { kind: "written" }>): Promise<void> {
  const { kept, news } = writer;
  if (result.kind === "missing") {
    mine.place = { kind: "unstored" };
    news.onCleared();
    return;
  }
  if (result.theirs === null) return takeWhole(writer, mine);
  if (result.theirs.length === 0) return;
  const theirs = await withPictures(kept, result.theirs);
  if (!writer.isOpen(mine)) return;
  const join = (records: readonly LogRecord[]) => merge({ written: mine.written, records }, theirs);
  settle(mine, news, { revision: result.revision, log: [...mine.log, ...theirs], join });
}

async function takeWhole(writer: Writer, mine: Open): Promise<void> {
  const whole = await openKept(writer.kept, mine.id);
  if (!writer.isOpen(mine)) return;
  if (!whole.ok) throw new Error(`what another window has written cannot be read: ${problemText(whole.problems, 1)}`);
  const { layout, log, revision } = whole.value;
  settle(mine, writer.news, { revision: revision!, log, join: (records) => mergeOnto({ written: mine.written, records }, layout) });
}

interface Settled {
  readonly revision: number;
  readonly log: readonly LogRecord[];
  /** Merges what is not written. */
  readonly join: (own: readonly LogRecord[]) => Merged;
}

function settle(mine: Open, news: DocumentStoreEvents, { revision, log, join }: Settled): void {
  // A write that was reported as refused may have succeeded.
  const known = new Set(log.map((r) => r.id));
  const merged = join(mine.pending.filter((r) => !known.has(r.id)));
  moveTo(mine, revision);
  mine.log = log;
  mine.written = merged.written;
  mine.pending = merged.records;
  mine.layout = merged.layout;
  mine.inFlight = 0;
  mine.beforeLast = null;
  news.onMerged(merged.layout, [...log, ...merged.records]);
  if (merged.lost.length > 0) news.onLost(merged.lost);
}

/** Adds a record to what is pending; one that goes on from the last one joins it, where that is not being written. */
function addRecord(mine: Open, record: LogRecord, layout: Layout): void {
  const last = mine.pending.at(-1);
  const goesOn = last && record.joins !== undefined && (last.id === record.joins || last.joins === record.joins);
  if (goesOn && mine.beforeLast && mine.pending.length > mine.inFlight) {
    const joined = { ...last, words: undefined, time: record.time, changes: changesBetween(mine.beforeLast, layout) };
    mine.pending = [...mine.pending.slice(0, -1), joined];
  } else {
    mine.beforeLast = mine.layout;
    mine.pending = [...mine.pending, record];
  }
  mine.layout = layout;
}

/** Creates a document store without a layout. */
export function createDocumentStore(parts: DocumentStoreParts, news: DocumentStoreEvents): DocumentStore {
  let open: Open | null = null;
  const writer: Writer = { ...parts, news, digests: new Map(), isOpen: (mine) => open === mine };
  const left = () => open !== null && hasWork(open);
  const step = async () => {
    const mine = open!;
    if (mine.place.kind === "behind") return read(writer, mine, mine.place.revision);
    // The window that holds the lock may be behind once; after merging nobody else can write before it.
    await parts.windows.alone(`write ${mine.id}`, async () => {
      if (!(await write(writer, mine))) await write(writer, mine);
    });
  };
  const saver = createSaveQueue({ left, step, tell: (saving) => news.onSaving(saving) }, parts.againMs);
  return {
    open({ id, layout, revision, log, isOffered = false }) {
      const place: Place = revision !== null ? { kind: "stored", revision } : { kind: isOffered ? "offered" : "unstored" };
      open = { id, place, written: layout, log, pending: [], layout, inFlight: 0, beforeLast: null };
      saver.wake();
      if (!left()) news.onSaving({ kind: "saved" });
    },
    add(record, layout) {
      if (!open) return [];
      addRecord(open, record, layout);
      saver.wake();
      return [...open.log, ...open.pending];
    },
    heard() {
      if (!open) return;
      // A layout that is not stored is merged when it is written.
      if (open.place.kind === "stored") open.place = { kind: "behind", revision: open.place.revision };
      saver.wake();
    },
    isSafe: () => !left(),
    settled: () => saver.settled(),
    close: () => saver.stop(),
  };
}

function trimOf(log: readonly LogRecord[]): number {
  const edits = log.filter((r) => r.kind === "edit" && r.joins === undefined).length;
  return edits > MOST_EDITS + TRIM_SLACK ? recordsToTrim(log) : 0;
}
