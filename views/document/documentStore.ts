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

/** Creates a document store without a layout. */
export function createDocumentStore({ kept, windows, now, compose, againMs }: DocumentStoreParts, news: DocumentStoreEvents): DocumentStore {
  let open: Open | null = null;
  const digests = new Map<string, string>();
  const digestOf = (data: string) => digests.get(data) ?? digestOfText(data);

  const left = () => open !== null && hasWork(open);
  const step = async () => {
    const mine = open!;
    if (mine.place.kind === "behind") return read(mine, mine.place.revision);
    // The window that holds the lock may be behind once; after merging nobody else can write before it.
    await windows.alone(`write ${mine.id}`, async () => {
      if (!(await write(mine))) await write(mine);
    });
  };
  const saver = createSaveQueue({ left, step, tell: (saving) => news.onSaving(saving) }, againMs);

  /** Reads what another window has written since a revision. */
  async function read(mine: Open, revision: number): Promise<void> {
    // A message that arrives from now on is about a later write.
    mine.place = { kind: "stored", revision };
    try {
      await take(mine, await kept.since(mine.id, revision));
    } catch (error) {
      mine.place = { kind: "behind", revision };
      throw error;
    }
  }

  /** Writes what is pending; false: another window was faster, and both were merged. */
  async function write(mine: Open): Promise<boolean> {
    const { pending, layout, place } = mine;
    const revision = place.kind === "stored" || place.kind === "behind" ? place.revision : null;
    mine.inFlight = pending.length;
    try {
      const form = await compose(layout);
      const pictures = new Map(picturesByDigest(layout, form.digests));
      for (const [digest, data] of pictures) digests.set(data, digest);
      const records = (revision === null ? [...mine.log, ...pending] : pending).map((record) => storable(record, pictures));
      const trim = revision === null ? 0 : trimOf([...mine.log, ...pending]);
      const result = await kept.write({ id: mine.id, name: layout.name, text: form.text, savedAt: now(), base: revision, records, pictures, trim });
      if (open !== mine) return true;
      if (result.kind !== "written") {
        await take(mine, result);
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
  function storable(record: LogRecord, pictures: Map<string, string>): LogRecord {
    const changes = withPictureData(record.changes, (data) => {
      const digest = digestOf(data);
      pictures.set(digest, data);
      return pictureReference(digest);
    });
    return { ...record, changes };
  }

  /** Merges what other windows have written. */
  async function take(mine: Open, result: Exclude<Written, { kind: "written" }>): Promise<void> {
    if (result.kind === "missing") {
      mine.place = { kind: "unstored" };
      news.onCleared();
      return;
    }
    if (result.theirs === null) return takeWhole(mine);
    if (result.theirs.length === 0) return;
    const theirs = await withPictures(kept, result.theirs);
    if (open !== mine) return;
    settle(mine, result.revision, [...mine.log, ...theirs], (records) => merge({ written: mine.written, records }, theirs));
  }

  async function takeWhole(mine: Open): Promise<void> {
    const whole = await openKept(kept, mine.id);
    if (open !== mine) return;
    if (!whole.ok) throw new Error(`what another window has written cannot be read: ${problemText(whole.problems, 1)}`);
    const { layout, log, revision } = whole.value;
    settle(mine, revision!, log, (records) => mergeOnto({ written: mine.written, records }, layout));
  }

  function settle(mine: Open, revision: number, log: readonly LogRecord[], join: (own: readonly LogRecord[]) => Merged): void {
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

  return {
    open({ id, layout, revision, log, isOffered = false }) {
      const place: Place = revision !== null ? { kind: "stored", revision } : { kind: isOffered ? "offered" : "unstored" };
      open = { id, place, written: layout, log, pending: [], layout, inFlight: 0, beforeLast: null };
      saver.wake();
      if (!left()) news.onSaving({ kind: "saved" });
    },
    add(record, layout) {
      if (!open) return [];
      const last = open.pending.at(-1);
      const goesOn = last && record.joins !== undefined && (last.id === record.joins || last.joins === record.joins);
      if (goesOn && open.beforeLast && open.pending.length > open.inFlight) {
        const joined = { ...last, words: undefined, time: record.time, changes: changesBetween(open.beforeLast, layout) };
        open.pending = [...open.pending.slice(0, -1), joined];
      } else {
        open.beforeLast = open.layout;
        open.pending = [...open.pending, record];
      }
      open.layout = layout;
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
