/** What a store of layouts is asked and answers, wherever it keeps them. */
import type { KeptLayout, KeptState, KeptTake, KeptTakeText } from "../core/exchange/storedRecords";
import type { LogRecord } from "../core/versions/log";

export type { KeptLayout, KeptState, KeptTake, KeptTakeText };

/** The data of pictures (base64) by their digests. */
export type PicturesByDigest = ReadonlyMap<string, string>;
export const NO_PICTURES: PicturesByDigest = new Map();

/** A record that cannot be read, as it is. `name`: what it seems to be called; `why`: what is wrong with it. */
export interface SetAside {
  readonly name: string;
  readonly why: string;
  readonly value: unknown;
}
/** All kept layouts, and the records that cannot be read. */
export interface AllKept {
  readonly layouts: readonly KeptLayout[];
  readonly aside: readonly SetAside[];
}

/** A kept layout with its log as far as it is kept, oldest first, the last record being that of its revision; pictures are reported by digests. */
export interface KeptWhole {
  readonly layout: KeptLayout;
  readonly log: readonly LogRecord[];
}

/** A version to be written on top of a revision, with the records that lead to it. Pictures in records are reported by digests. */
export interface Writing extends Pick<KeptLayout, "id" | "name" | "text" | "savedAt"> {
  /** The revision it goes on from; null: it is not kept yet, and `records` are its whole log. */
  readonly base: number | null;
  readonly records: readonly LogRecord[];
  readonly pictures?: PicturesByDigest;
  /** How many records at the beginning of the log go. */
  readonly trim?: number;
}

/**
 * What became of a write. written: it is safe · behind: somebody else has written since, and nothing was changed; `theirs` are their records, null
 * where the log no longer has them all · missing: the layout is not kept any more, and nothing was changed.
 */
export type Written =
  | { readonly kind: "written"; readonly revision: number; readonly deletedAt: number | null }
  | { readonly kind: "behind"; readonly revision: number; readonly theirs: readonly LogRecord[] | null }
  | { readonly kind: "missing" };

/** The stores that records are in. */
export type StoreName = "layouts" | "pictures" | "log" | "states" | "takes" | "takeTexts" | "choices";

export interface LayoutStore {
  /** "memory" when the browser refuses storage: nothing outlives the tab. */
  readonly kind: "browser" | "memory";
  /** Why storage was refused, for the message. */
  readonly refusal: string | null;
  all(): Promise<AllKept>;
  read(id: string): Promise<KeptLayout | undefined>;
  /** A layout and its log, as they are at one moment. */
  whole(id: string): Promise<KeptWhole | undefined>;
  /** Resolves when the version, its records and every picture with them are safe. Rejects when the browser refuses (full, say). */
  write(writing: Writing): Promise<Written>;
  /** What others have written since a revision, or that nobody has: then `theirs` is empty. */
  since(id: string, revision: number): Promise<Exclude<Written, { kind: "written" }>>;
  /** Keeps several new layouts at once, all or none; those that are there already stay as they are. */
  addAll(layouts: readonly KeptLayout[], pictures?: PicturesByDigest): Promise<void>;
  /** Marks a layout as deleted, or as not deleted (null). False where it is not kept. */
  mark(id: string, deletedAt: number | null): Promise<boolean>;
  /** The named states of a layout, oldest first. */
  states(layout: string): Promise<readonly KeptState[]>;
  writeState(state: KeptState, pictures?: PicturesByDigest): Promise<void>;
  removeState(id: string): Promise<void>;
  /** The takes of a layout, oldest first. */
  takes(layout: string): Promise<readonly KeptTake[]>;
  /** The events of a take, or that it is not kept. */
  takeText(id: string): Promise<KeptTakeText | undefined>;
  /** Keeps a take; without a text the one that is there stays. */
  writeTake(take: KeptTake, text?: KeptTakeText, pictures?: PicturesByDigest): Promise<void>;
  removeTake(id: string): Promise<void>;
  /** The pictures of these digests, as far as they are kept. */
  pictures(digests: readonly string[]): Promise<PicturesByDigest>;
  /** Lets go of pictures that nothing refers to any more: neither layouts, deleted ones included, nor states, takes nor logs. */
  sweep(): Promise<void>;
  /** The id of the layout that was open last, or null. */
  lastOpen(): Promise<string | null>;
  setLastOpen(id: string): Promise<void>;
  /** The keys of all records of a store. */
  keys(store: StoreName): Promise<readonly unknown[]>;
  /** A record just as it is kept, sound or not; undefined where there is none. */
  raw(store: StoreName, key: unknown): Promise<unknown>;
}
