/**
 * The browser's database through its whole life: opened within a time limit, opened again when the browser has closed it (cleared
 * while open, say), given up when a newer Nodulum wants it, and left untouched when a newer one has already been here.
 */
import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** A row of the log: `seq` counts from 1 in each layout; `digests`: the pictures that its record refers to. */
export interface LogRow {
  readonly layout: string;
  readonly seq: number;
  readonly record: unknown;
  readonly digests: readonly string[];
}

/** What is kept. Layouts and states are read through a schema: what is in the store may be of any age. */
export interface Schema extends DBSchema {
  layouts: { key: string; value: unknown };
  choices: { key: string; value: string };
  pictures: { key: string; value: string };
  log: { key: [layout: string, seq: number]; value: LogRow };
  states: { key: string; value: unknown; indexes: { layout: string } };
  takes: { key: string; value: unknown; indexes: { layout: string } };
  /** The events of takes, by the ids of the takes. */
  takeTexts: { key: string; value: unknown };
}
const VERSION = 4;

/** The store was opened by a newer Nodulum, here or in another window. */
class NewerError extends Error {}

/** How long storage may take to open, ms; after that work begins without it. */
const PATIENCE_MS = 3000;

/** The database, opened when it is needed. */
export interface Database {
  /** Does something with it. Refused with the reason where it cannot be had. */
  use<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>): Promise<T>;
}

/** What the database reports itself. closed: the browser has closed it, and it will be opened again · given-up: a newer Nodulum has it now. */
export type Life = "closed" | "given-up";

/** A promise that is refused when it takes too long. */
export async function within<T>(ms: number, what: string, promise: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`${what} did not answer within ${ms / 1000} s`)), ms);
  });
  try {
    return await Promise.race([promise, tooLong]);
  } finally {
    clearTimeout(timer);
  }
}

/** Opens the database. Refused where the browser refuses, does not answer in time, or has layouts of a newer Nodulum. */
export async function openDatabase(name: string, onLife: (life: Life) => void, patienceMs = PATIENCE_MS): Promise<Database> {
  let db: IDBPDatabase<Schema> | null = null;
  let opening: Promise<IDBPDatabase<Schema>> | null = null;
  let givenUp = false;

  const open = async (): Promise<IDBPDatabase<Schema>> => {
    const opened = openOnce(name, {
      closed: () => {
        db = null;
        onLife("closed");
      },
      givenUp: () => {
        db = null;
        givenUp = true;
        onLife("given-up");
      },
    });
    // One that comes too late must not are in the way of others.
    let wanted = true;
    opened.then(
      (late) => !wanted && late.close(),
      () => undefined,
    );
    try {
      return await within(patienceMs, "the browser's storage", opened);
    } catch (error) {
      wanted = false;
      throw error;
    }
  };
  const opened = async () => {
    if (givenUp) throw new NewerError("a newer Nodulum is open in another window; reload this window to continue");
    if (db) return db;
    opening ??= open().finally(() => (opening = null));
    return (db = await opening);
  };
  db = await opened();
  return {
    async use(work) {
      try {
        return await work(await opened());
      } catch (error) {
        // The browser may close it between two uses without a word.
        if (!(error instanceof DOMException && error.name === "InvalidStateError")) throw error;
        db = null;
        return work(await opened());
      }
    },
  };
}

interface Ends {
  readonly closed: () => void;
  readonly givenUp: () => void;
}

function openOnce(name: string, { closed, givenUp }: Ends): Promise<IDBPDatabase<Schema>> {
  return new Promise((resolve, reject) => {
    const opened = openDB<Schema>(name, VERSION, {
      upgrade(db, from) {
        if (from < 1) {
          db.createObjectStore("layouts", { keyPath: "id" });
          db.createObjectStore("choices");
        }
        if (from < 2) db.createObjectStore("pictures");
        if (from < 3) {
          db.createObjectStore("log", { keyPath: ["layout", "seq"] });
          db.createObjectStore("states", { keyPath: "id" }).createIndex("layout", "layout");
        }
        if (from < 4) {
          db.createObjectStore("takes", { keyPath: "id" }).createIndex("layout", "layout");
          db.createObjectStore("takeTexts");
        }
      },
      blocked: () => reject(new Error("an older Nodulum is open in another window; close it and reload this window")),
      // A newer Nodulum wants to open the store: it must not wait for this window. What is being written is written first.
      blocking: (_now, _next, event) => {
        (event.target as IDBDatabase).close();
        givenUp();
      },
      terminated: closed,
    });
    opened.then(resolve, (error: unknown) => reject(error instanceof DOMException && error.name === "VersionError" ? newer() : error));
  });
}

const newer = () =>
  new NewerError("a newer Nodulum stored its data in this browser, and this older one cannot read it. Nothing was changed; open the newer one");
