/**
 * What the browser keeps: layouts as texts, their logs, their named states, and pictures apart and each once, in IndexedDB. A write
 * counts only when its transaction is complete, with strict durability, so that a tab killed right after has lost nothing; and only when
 * nobody has written since the version it goes on from. Removing only marks; what cannot be read is unchanged. Where storage is
 * refused, everything works from memory and says so.
 */
import type { IDBPDatabase } from "idb";
import { readKeptLayout, readKeptState, readKeptTake, readKeptTakeText, readableLog, type KeptLayout } from "../core/exchange/storedRecords";
import { digestsIn } from "../core/format/stored";
import { problemText } from "../core/engine/result";
import type { LogRecord } from "../core/versions/log";
import { openDatabase, within, type Database, type Life, type LogRow, type Schema } from "./database";
import { memoryStore } from "./memory";
import { reasonOf } from "./reason";
import { NO_PICTURES, type AllKept, type LayoutStore, type PicturesByDigest, type SetAside, type Writing, type Written } from "./store";

/** Everything that is asked of storage must be answered within this time, ms, or it counts as refused. */
const ANSWER_MS = 15_000;

/** How a store is opened. */
export interface Opening {
  readonly name?: string;
  readonly patienceMs?: number;
  readonly onLife?: (life: Life) => void;
}

/** Opens the browser's store, or one in memory. Never rejects, and never takes longer than its patience. */
export async function openLayouts({ name = "nodulum", patienceMs, onLife = () => undefined }: Opening = {}): Promise<LayoutStore> {
  try {
    return browserStore(await openDatabase(name, onLife, patienceMs));
  } catch (error) {
    return memoryStore(reasonOf(error));
  }
}

type Db = IDBPDatabase<Schema>;
const STRICT = { durability: "strict" } as const;
const logOf = (id: string, from = 0, to = Infinity) => IDBKeyRange.bound([id, from], [id, to]);
const rowOf = (layout: string, seq: number, record: LogRecord): LogRow => ({ layout, seq, record, digests: digestsIn(JSON.stringify(record.changes)) });

// oxlint-disable-next-line max-lines-per-function -- a table: one entry per method of the store
function browserStore(database: Database): LayoutStore {
  const ask = <T>(work: (db: Db) => Promise<T>): Promise<T> => within(ANSWER_MS, "the browser's storage", database.use(work));
  return {
    kind: "browser",
    refusal: null,
    all: () => ask(async (db) => sorted(await db.getAll("layouts"))),
    read: (id) => ask(async (db) => sound(await db.get("layouts", id))),
    whole: (id) =>
      ask(async (db) => {
        const tx = db.transaction(["layouts", "log"]);
        const [found, rows] = await Promise.all([tx.objectStore("layouts").get(id), tx.objectStore("log").getAll(logOf(id))]);
        const layout = sound(found);
        return layout && { layout, log: readableLog(rows.map((row) => row.record)) };
      }),
    write: (writing) => ask((db) => write(db, writing)),
    since: (id, revision) =>
      ask(async (db) => {
        const tx = db.transaction(["layouts", "log"]);
        const [found, rows] = await Promise.all([tx.objectStore("layouts").get(id), tx.objectStore("log").getAll(logOf(id, revision + 1))]);
        const layout = sound(found);
        return layout ? behind(layout, revision, rows) : { kind: "missing" };
      }),
    addAll: (layouts, pictures) =>
      ask(async (db) => {
        const tx = db.transaction(["layouts", "pictures"], "readwrite", STRICT);
        const store = tx.objectStore("layouts");
        const adding = layouts.map((layout) => async () => ((await store.count(layout.id)) === 0 ? store.put(layout) : undefined));
        await all(tx, [...adding, ...putPictures(tx.objectStore("pictures"), pictures)]);
      }),
    mark: (id, deletedAt) =>
      ask(async (db) => {
        const tx = db.transaction("layouts", "readwrite", STRICT);
        const layout = sound(await tx.store.get(id));
        await all(tx, layout ? [() => tx.store.put({ ...layout, deletedAt })] : []);
        return layout !== undefined;
      }),
    states: (layout) =>
      ask(async (db) => {
        const read = (await db.getAllFromIndex("states", "layout", layout)).map(readKeptState);
        return read.flatMap((r) => (r.ok ? [r.value] : [])).sort((a, b) => a.time - b.time);
      }),
    writeState: (state, pictures) =>
      ask(async (db) => {
        const tx = db.transaction(["states", "pictures"], "readwrite", STRICT);
        await all(tx, [() => tx.objectStore("states").put(state), ...putPictures(tx.objectStore("pictures"), pictures)]);
      }),
    removeState: (id) => ask((db) => db.delete("states", id)),
    takes: (layout) =>
      ask(async (db) => {
        const read = (await db.getAllFromIndex("takes", "layout", layout)).map(readKeptTake);
        return read.flatMap((r) => (r.ok ? [r.value] : [])).sort((a, b) => a.time - b.time);
      }),
    takeText: (id) =>
      ask(async (db) => {
        const read = readKeptTakeText(await db.get("takeTexts", id));
        return read.ok ? read.value : undefined;
      }),
    writeTake: (take, text, pictures) =>
      ask(async (db) => {
        const tx = db.transaction(["takes", "takeTexts", "pictures"], "readwrite", STRICT);
        await all(tx, [
          () => tx.objectStore("takes").put(take),
          ...(text ? [() => tx.objectStore("takeTexts").put(text, take.id)] : []),
          ...putPictures(tx.objectStore("pictures"), pictures),
        ]);
      }),
    removeTake: (id) =>
      ask(async (db) => {
        const tx = db.transaction(["takes", "takeTexts"], "readwrite", STRICT);
        await all(tx, [() => tx.objectStore("takes").delete(id), () => tx.objectStore("takeTexts").delete(id)]);
      }),
    pictures: (digests) =>
      digests.length === 0
        ? Promise.resolve(NO_PICTURES)
        : ask(async (db) => {
            const tx = db.transaction("pictures");
            const found = await Promise.all(digests.map((digest) => tx.store.get(digest)));
            return new Map(digests.flatMap((digest, i) => (found[i] === undefined ? [] : [[digest, found[i]]])));
          }),
    sweep: () => ask(sweep),
    lastOpen: () =>
      ask(async (db) => {
        const id: unknown = await db.get("choices", "open");
        return typeof id === "string" ? id : null;
      }),
    keys: (store) => ask((db) => db.getAllKeys(store)),
    raw: (store, key) => ask((db) => db.get(store, key as string)),
    setLastOpen: (id) => ask(async (db) => void (await db.put("choices", id, "open"))),
  };
}

function sound(value: unknown): KeptLayout | undefined {
  const read = readKeptLayout(value);
  return read.ok ? read.value : undefined;
}

/** Records that can be read, and those that cannot. */
function sorted(values: readonly unknown[]): AllKept {
  const layouts: KeptLayout[] = [];
  const aside: SetAside[] = [];
  for (const value of values) {
    const read = readKeptLayout(value);
    if (read.ok) layouts.push(read.value);
    else {
      const name = typeof value === "object" && value !== null && "name" in value && typeof value.name === "string" ? value.name : "a layout without a name";
      aside.push({ name, why: problemText(read.problems, 2), value });
    }
  }
  return { layouts, aside };
}

function behind(layout: KeptLayout, revision: number, rows: readonly LogRow[]): Extract<Written, { kind: "behind" }> {
  const theirs = readableLog(rows.map((row) => row.record));
  return { kind: "behind", revision: layout.revision, theirs: theirs.length === layout.revision - revision ? theirs : null };
}

/** Compare and set: only what goes on from the revision that is there is written. */
async function write(db: Db, { base, id, name, text, savedAt, records, pictures, trim = 0 }: Writing): Promise<Written> {
  const tx = db.transaction(["layouts", "log", "pictures"], "readwrite", STRICT);
  const layouts = tx.objectStore("layouts");
  const log = tx.objectStore("log");
  const there = await layouts.get(id);
  const known = sound(there);
  if (there !== undefined && (!known || base !== known.revision)) {
    const rows = known && base !== null ? await log.getAll(logOf(id, base + 1)) : [];
    await tx.done;
    if (!known) throw new Error("the stored layout can no longer be read; download the file and reload this page");
    return behind(known, base ?? -1, rows);
  }
  if (there === undefined && base !== null) {
    await tx.done;
    return { kind: "missing" };
  }
  const first = (base ?? 0) + 1;
  const revision = (base ?? 0) + records.length;
  const deletedAt = known?.deletedAt ?? null;
  await all(tx, [
    ...(base === null ? [() => log.delete(logOf(id))] : []),
    () => layouts.put({ id, name, text, savedAt, deletedAt, revision }),
    ...records.map((record, i) => () => log.put(rowOf(id, first + i, record))),
    ...putPictures(tx.objectStore("pictures"), pictures),
    ...(trim > 0 ? [() => trimLog(log, id, trim)] : []),
  ]);
  return { kind: "written", revision, deletedAt };
}

interface LogStore {
  getAllKeys(range: IDBKeyRange, count: number): Promise<[string, number][]>;
  delete(range: IDBKeyRange): Promise<void>;
}
async function trimLog(log: LogStore, id: string, count: number): Promise<void> {
  const last = (await log.getAllKeys(logOf(id), count)).at(-1);
  if (last) await log.delete(logOf(id, 0, last[1]));
}

interface PictureStore {
  count(digest: string): Promise<number>;
  put(data: string, digest: string): Promise<unknown>;
}
/** Each picture is written once. */
function putPictures(store: PictureStore, pictures: PicturesByDigest = NO_PICTURES): Request[] {
  return [...pictures].map(
    ([digest, data]) =>
      () =>
        store.count(digest).then((known) => (known === 0 ? store.put(data, digest) : undefined)),
  );
}

/** See `LayoutStore.sweep`. One transaction: a layout that is just being written keeps its own. */
async function sweep(db: Db): Promise<void> {
  const tx = db.transaction(["layouts", "log", "states", "takeTexts", "pictures"], "readwrite");
  const pictures = tx.objectStore("pictures");
  await all(tx, async () => {
    const kept = await pictures.getAllKeys();
    if (kept.length === 0) return [];
    const texts = [...(await tx.objectStore("layouts").getAll()), ...(await tx.objectStore("states").getAll())];
    const rows = await tx.objectStore("log").getAll();
    const played = await tx.objectStore("takeTexts").getAll();
    const wanted = new Set([
      ...texts.flatMap((value) => digestsIn(textIn(value))),
      ...played.flatMap((value) => digestsIn(textIn(value, "on"))),
      ...rows.flatMap((row) => row.digests),
    ]);
    return kept.filter((digest) => !wanted.has(digest)).map((digest) => () => pictures.delete(digest));
  });
}

const textIn = (value: unknown, key: "text" | "on" = "text"): string =>
  typeof value === "object" && value !== null && key in value ? String((value as Record<string, unknown>)[key]) : "";

type Request = () => Promise<unknown>;
/** Several requests in one transaction: when it resolves all of them are safe, when it rejects none has been made. */
async function all(tx: { readonly done: Promise<void>; abort(): void }, requests: readonly Request[] | (() => Promise<readonly Request[]>)): Promise<void> {
  tx.done.catch(() => undefined);
  try {
    const made = typeof requests === "function" ? await requests() : requests;
    await Promise.all(made.map(async (request) => request()));
    await tx.done;
  } catch (error) {
    try {
      tx.abort();
    } catch {
      // The failed request has ended it already.
    }
    throw error;
  }
}
