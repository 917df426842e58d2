/**
 * What the browser keeps: layouts as the text of their files, in IndexedDB. A write counts only when its transaction is
 * complete, with strict durability, so that a tab killed right after has lost nothing. Removing only marks; what cannot be
 * read is left as it is. Where storage is refused, everything works from memory and says so.
 */
import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** One kept layout. Times are ms since 1970; `deletedAt` null: it stands in the list. */
export interface KeptLayout {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
}

export interface LayoutStore {
  /** "memory" when the browser refuses storage: nothing outlives the tab. */
  readonly kind: "browser" | "memory";
  /** Why storage was refused, for the message. */
  readonly refusal: string | null;
  all(): Promise<KeptLayout[]>;
  read(id: string): Promise<KeptLayout | undefined>;
  /** Writes several at once: all of them are safe when it resolves, or none. */
  writeAll(layouts: readonly KeptLayout[]): Promise<void>;
  /** Resolves when the layout is safe. Rejects when the browser refuses (full, say). */
  write(layout: KeptLayout): Promise<void>;
  /** The id of the layout that was open last, or null. */
  lastOpen(): Promise<string | null>;
  setLastOpen(id: string): Promise<void>;
}

interface Schema extends DBSchema {
  layouts: { key: string; value: KeptLayout };
  choices: { key: string; value: string };
}

/** Opens the browser's store, or one in memory. Never rejects. */
export async function openLayouts(name = "nodulum"): Promise<LayoutStore> {
  try {
    const db = await openDB<Schema>(name, 1, {
      upgrade(fresh) {
        fresh.createObjectStore("layouts", { keyPath: "id" });
        fresh.createObjectStore("choices");
      },
    });
    await db.count("layouts");
    return browserStore(db);
  } catch (error) {
    return memoryStore(error instanceof Error ? error.message : "the browser gave no reason");
  }
}

function browserStore(db: IDBPDatabase<Schema>): LayoutStore {
  return {
    kind: "browser",
    refusal: null,
    all: () => db.getAll("layouts"),
    read: (id) => db.get("layouts", id),
    async writeAll(layouts) {
      const tx = db.transaction("layouts", "readwrite", { durability: "strict" });
      await Promise.all([...layouts.map((layout) => tx.store.put(layout)), tx.done]);
    },
    async write(layout) {
      const tx = db.transaction("layouts", "readwrite", { durability: "strict" });
      await Promise.all([tx.store.put(layout), tx.done]);
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
  let open: string | null = null;
  return {
    kind: "memory",
    refusal,
    all: () => Promise.resolve([...kept.values()]),
    read: (id) => Promise.resolve(kept.get(id)),
    writeAll: (layouts) => {
      for (const layout of layouts) kept.set(layout.id, layout);
      return Promise.resolve();
    },
    write: (layout) => {
      kept.set(layout.id, layout);
      return Promise.resolve();
    },
    lastOpen: () => Promise.resolve(open),
    setLastOpen: (id) => {
      open = id;
      return Promise.resolve();
    },
  };
}
