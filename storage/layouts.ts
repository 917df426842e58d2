/**
 * What the browser keeps: layouts as texts, their pictures apart and each once, in IndexedDB. A write counts only when its transaction is
 * complete, with strict durability, so that a tab killed right after has lost nothing. Removing only marks; what cannot be
 * read is left as it is. Where storage is refused, everything works from memory and says so.
 */
import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { digestsIn } from "../core/format/stored";

/**
 * One kept layout. `text`: its stored form, in which pictures are told by their digests, or the whole text of a file. Times are ms since
 * 1970; `deletedAt` null: it stands in the list.
 */
export interface KeptLayout {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
}

/** The data of pictures (base64) by their digests. */
export type PicturesByDigest = ReadonlyMap<string, string>;
const NO_PICTURES: PicturesByDigest = new Map();

export interface LayoutStore {
  /** "memory" when the browser refuses storage: nothing outlives the tab. */
  readonly kind: "browser" | "memory";
  /** Why storage was refused, for the message. */
  readonly refusal: string | null;
  all(): Promise<KeptLayout[]>;
  read(id: string): Promise<KeptLayout | undefined>;
  /** Writes several at once: all of them are safe when it resolves, or none. */
  writeAll(layouts: readonly KeptLayout[], pictures?: PicturesByDigest): Promise<void>;
  /** Resolves when the layout is safe, and every picture with it that was not kept yet. Rejects when the browser refuses (full, say). */
  write(layout: KeptLayout, pictures?: PicturesByDigest): Promise<void>;
  /** The pictures of these digests, as far as they are kept. */
  pictures(digests: readonly string[]): Promise<PicturesByDigest>;
  /** The id of the layout that was open last, or null. */
  lastOpen(): Promise<string | null>;
  setLastOpen(id: string): Promise<void>;
}

interface Schema extends DBSchema {
  layouts: { key: string; value: KeptLayout };
  choices: { key: string; value: string };
  pictures: { key: string; value: string };
}
const VERSION = 2;

/** Opens the browser's store, or one in memory. Never rejects. */
export async function openLayouts(name = "nodulum"): Promise<LayoutStore> {
  try {
    const db = await openStore(name);
    await sweepPictures(db);
    return browserStore(db);
  } catch (error) {
    return memoryStore(error instanceof Error ? error.message : "the browser gave no reason");
  }
}

function openStore(name: string): Promise<IDBPDatabase<Schema>> {
  return new Promise((resolve, reject) => {
    const opened = openDB<Schema>(name, VERSION, {
      upgrade(db, from) {
        if (from < 1) {
          db.createObjectStore("layouts", { keyPath: "id" });
          db.createObjectStore("choices");
        }
        if (from < 2) db.createObjectStore("pictures");
      },
      blocked: () => reject(new Error("another tab still has an older Nodulum open; close it and load this one again")),
      // A newer Nodulum wants to open the store: it must not wait for this tab.
      blocking: (_now, _next, event) => (event.target as IDBDatabase).close(),
    });
    opened.then(resolve, reject);
  });
}

/** Pictures that no layout refers to any more, deleted ones included, are let go. One transaction: a layout that is just being written keeps its own. */
async function sweepPictures(db: IDBPDatabase<Schema>): Promise<void> {
  const tx = db.transaction(["layouts", "pictures"], "readwrite");
  const pictures = tx.objectStore("pictures");
  const kept = await pictures.getAllKeys();
  if (kept.length > 0) {
    const wanted = new Set((await tx.objectStore("layouts").getAll()).flatMap((layout) => digestsIn(String(layout.text))));
    await Promise.all(kept.filter((digest) => !wanted.has(digest)).map((digest) => pictures.delete(digest)));
  }
  await tx.done;
}

function browserStore(db: IDBPDatabase<Schema>): LayoutStore {
  const writeAll = async (layouts: readonly KeptLayout[], pictures = NO_PICTURES) => {
    const tx = db.transaction(pictures.size > 0 ? ["layouts", "pictures"] : ["layouts"], "readwrite", { durability: "strict" });
    const writing: Promise<unknown>[] = layouts.map((layout) => tx.objectStore("layouts").put(layout));
    if (pictures.size > 0) {
      const store = tx.objectStore("pictures");
      for (const [digest, data] of pictures) writing.push(store.count(digest).then((known) => (known === 0 ? store.put(data, digest) : undefined)));
    }
    await Promise.all([...writing, tx.done]);
  };
  return {
    kind: "browser",
    refusal: null,
    all: () => db.getAll("layouts"),
    read: (id) => db.get("layouts", id),
    writeAll,
    write: (layout, pictures) => writeAll([layout], pictures),
    async pictures(digests) {
      if (digests.length === 0) return NO_PICTURES;
      const tx = db.transaction("pictures");
      const found = await Promise.all(digests.map((digest) => tx.store.get(digest)));
      return new Map(digests.flatMap((digest, i) => (found[i] === undefined ? [] : [[digest, found[i]]])));
    },
    async lastOpen() {
      return (await db.get("choices", "open")) ?? null;
    },
    async setLastOpen(id) {
      await db.put("choices", id, "open");
    },
  };
}

/** A store that lives as long as the tab. */
export function memoryStore(refusal: string): LayoutStore {
  const kept = new Map<string, KeptLayout>();
  const known = new Map<string, string>();
  let open: string | null = null;
  const writeAll = (layouts: readonly KeptLayout[], pictures = NO_PICTURES) => {
    for (const layout of layouts) kept.set(layout.id, layout);
    for (const [digest, data] of pictures) known.set(digest, data);
    return Promise.resolve();
  };
  return {
    kind: "memory",
    refusal,
    all: () => Promise.resolve([...kept.values()]),
    read: (id) => Promise.resolve(kept.get(id)),
    writeAll,
    write: (layout, pictures) => writeAll([layout], pictures),
    pictures: (digests) => Promise.resolve(new Map(digests.flatMap((digest) => (known.has(digest) ? [[digest, known.get(digest)!]] : [])))),
    lastOpen: () => Promise.resolve(open),
    setLastOpen: (id) => {
      open = id;
      return Promise.resolve();
    },
  };
}
