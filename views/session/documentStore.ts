/**
 * Keeps the open layout: each record of its log is written before anything is called saved, on top of what is in the store; what another
 * window has written meanwhile is joined with what this one has not written yet. One write at a time, the latest version last; what is
 * refused is tried again by itself.
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

/** What a keeper is on. */
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

/** What a keeper reports. */
export interface DocumentStoreEvents {
  readonly onSaving: (saving: Saving) => void;
  /** Another window has changed the layout: this is both together. */
  readonly onMerged: (layout: Layout, log: readonly LogRecord[]) => void;
  /** Versions that met another one and lost. */
  readonly onLost: (lost: readonly LostVersion[]) => void;
  readonly onDeleted: (isDeleted: boolean) => void;
  /** The browser had lost the layout, and it is kept again. */
  readonly onCleared: () => void;
}

export interface DocumentStore {
  /** Keeps another layout from now on. What was not written of the one before is given up. */
  open(opened: OpenedLayout): void;
  /** A record was made, and leads to this version. Gives the log with it. */
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

/** The open layout, between what is written and what is not. */
interface Open {
  readonly id: string;
  revision: number | null;
  /** The version of that revision, and the log that leads to it. */
  written: Layout;
  log: readonly LogRecord[];
  /** What is not written yet, and the version it leads to. */
  pending: readonly LogRecord[];
  layout: Layout;
  /** How many of the pending are being written: they must stay as they are. */
  inFlight: number;
  /** The version before the last pending record, where it is known. */
  beforeLast: Layout | null;
  /** Another window has written since. */
  isBehind: boolean;
  /** It is kept with its first edit, not before. */
  isOffered: boolean;
}

/** The log is cut when it is longer by this many edits than it must be: not at every one. */
const TRIM_SLACK = 50;

/** A keeper of nothing yet. */
export function createDocumentStore({ kept, windows, now, compose, againMs }: DocumentStoreParts, news: DocumentStoreEvents): DocumentStore {
  let open: Open | null = null;
  const digests = new Map<string, string>();
  const digestOf = (data: string) => digests.get(data) ?? digestOfText(data);

  const left = () => open !== null && (open.pending.length > 0 || (open.revision === null ? !open.isOffered : open.isBehind));
  const step = async () => {
    const mine = open!;
    if (mine.isBehind && mine.revision !== null) {
      // Whatever is heard from now on is news.
      mine.isBehind = false;
      try {
        await take(mine, await kept.since(mine.id, mine.revision));
      } catch (error) {
        mine.isBehind = true;
        throw error;
      }
    } else {
      // Whoever has the turn may be behind once; then nobody else writes until it has written.
      await windows.alone(`write ${mine.id}`, async () => {
        if (!(await write(mine))) await write(mine);
      });
    }
  };
  const saver = createSaveQueue({ left, step, tell: (saving) => news.onSaving(saving) }, againMs);

  /** Writes what is pending; false: another window was faster, and both were joined. */
  async function write(mine: Open): Promise<boolean> {
    const { pending, layout, revision } = mine;
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
      mine.revision = result.revision;
      mine.isOffered = false;
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

  /** A record whose pictures are reported by digests; the pictures themselves go to `pictures`. */
  function storable(record: LogRecord, pictures: Map<string, string>): LogRecord {
    const changes = withPictureData(record.changes, (data) => {
      const digest = digestOf(data);
      pictures.set(digest, data);
      return pictureReference(digest);
    });
    return { ...record, changes };
  }

  /** Takes in what others have written. */
  async function take(mine: Open, result: Exclude<Written, { kind: "written" }>): Promise<void> {
    if (result.kind === "missing") {
      mine.revision = null;
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
    // A write that seemed to be refused may have been made all the same.
    const known = new Set(log.map((r) => r.id));
    const merged = join(mine.pending.filter((r) => !known.has(r.id)));
    mine.revision = revision;
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
      open = { id, revision, written: layout, log, pending: [], layout, inFlight: 0, beforeLast: null, isBehind: false, isOffered };
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
      open.isBehind = true;
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
