/** Kept layouts read again: their texts with the pictures that they refer to, and their logs. */
import type { KeptLayout } from "../core/exchange/storedRecords";
import { withPictureData } from "../core/exchange/storedRecords";
import { digestsIn, pictureData, pictureReference, readStored, wholeText } from "../core/format/stored";
import type { Layout } from "../core/format/types";
import { ok, refused, type Result } from "../core/engine/result";
import type { LogRecord } from "../core/versions/log";
import type { LayoutStore, PicturesByDigest } from "./store";

/** The pictures of a layout by their digests, which are in the order of `pictureData`. */
export function picturesByDigest(layout: Layout, digests: readonly string[]): PicturesByDigest {
  const data = pictureData(layout);
  return new Map(digests.map((digest, i) => [digest, data[i]]));
}

/** A stored text read, or why it cannot be. */
export async function storedLayout(store: LayoutStore, text: string): Promise<Result<Layout>> {
  const pictures = await store.pictures(digestsIn(text));
  return readStored(text, (digest) => pictures.get(digest));
}

/** The text of a stored layout's file, with its pictures; what cannot be read is given as it is. */
async function storedText(store: LayoutStore, text: string): Promise<string> {
  const pictures = await store.pictures(digestsIn(text));
  return wholeText(text, (digest) => pictures.get(digest));
}

/** Records with their pictures in them again. Refused where a picture is not kept any more. */
export async function withPictures(store: LayoutStore, records: readonly LogRecord[]): Promise<readonly LogRecord[]> {
  const digests = digestsIn(JSON.stringify(records.map((r) => r.changes)));
  if (digests.length === 0) return records;
  const pictures = await store.pictures(digests);
  const data = new Map([...pictures].map(([digest, text]) => [pictureReference(digest), text]));
  return records.map((record) => ({ ...record, changes: withPictureData(record.changes, (reference) => data.get(reference) ?? reference) }));
}

/** A layout as it is opened. `revision`: that of the store; null: it is not kept yet. */
export interface OpenedLayout {
  readonly id: string;
  readonly layout: Layout;
  readonly revision: number | null;
  readonly log: readonly LogRecord[];
  readonly isDeleted: boolean;
  /** Nobody has asked for it: it is kept with its first edit. */
  readonly isOffered?: boolean;
}

/** A layout that is new: it is kept at once. */
export const newlyOpened = (id: string, layout: Layout): OpenedLayout => ({ id, layout, revision: null, log: [], isDeleted: false });

/** Opens a kept layout with its log, or says why it cannot be read. */
export async function openKept(store: LayoutStore, id: string): Promise<Result<OpenedLayout>> {
  const whole = await store.whole(id);
  if (!whole) return refused("", "this layout no longer exists");
  const { text, revision, deletedAt } = whole.layout;
  const layout = await storedLayout(store, text);
  if (!layout.ok) return layout;
  return ok({ id, layout: layout.value, revision, log: await withPictures(store, whole.log), isDeleted: deletedAt !== null });
}

/** The text of a kept layout's file. */
export const keptText = (store: LayoutStore, { text }: Pick<KeptLayout, "text">): Promise<string> => storedText(store, text);
