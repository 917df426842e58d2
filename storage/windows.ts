/**
 * The windows in which Nodulum is open: what one has written the others hear of at once, and each knows which of them are still there.
 * A window keeps its id over a reload. Where the browser has Web Locks, a window that is gone is known by the lock it no longer holds;
 * elsewhere (plain http) by what is heard from it.
 */

/** What is reported from window to window about a layout, by its id. It only says where to look: the store has the truth. */
export type News =
  | { readonly kind: "written" | "states" | "takes" | "marked"; readonly layout: string }
  /** hello: who is there? · here: I am · bye: not any more. */
  | { readonly kind: "hello" | "here" | "bye" };

/** The windows, seen from one of them. */
export interface Windows {
  /** Which window this is; no other that is open has the same. */
  readonly own: string;
  /** The other windows that are open. */
  others(): Promise<ReadonlySet<string>>;
  tell(news: News): void;
  /** Does something while no other window does what has the same name. Where there are no locks it is simply done. */
  alone<T>(name: string, work: () => Promise<T>): Promise<T>;
  close(): void;
}

/** What of the browser it is on. All but the id may be missing. */
export interface WindowParts {
  readonly channel: BroadcastChannel | null;
  readonly locks: LockManager | null;
  /** What outlives a reload of this window alone. */
  readonly remembered: Pick<Storage, "getItem" | "setItem"> | null;
  readonly newId: () => string;
}

const PREFIX = "nodulum window ";
const ID_KEY = "nodulum.window";

/** Joins the windows. `hear` is reported what others tell. */
export async function joinWindows({ channel, locks, remembered, newId }: WindowParts, hear: (news: News) => void): Promise<Windows> {
  const before = attempt(() => remembered?.getItem(ID_KEY)) ?? null;
  const { own, leave } = await ownId(locks, before, newId);
  attempt(() => remembered?.setItem(ID_KEY, own));
  const heard = new Set<string>();
  const tell = (news: News) => attempt(() => channel?.postMessage({ ...news, by: own }));
  const onMessage = ({ data }: MessageEvent<unknown>) => {
    const message = readNews(data);
    if (!message || message.by === own) return;
    if (message.news.kind === "bye") heard.delete(message.by);
    else heard.add(message.by);
    if (message.news.kind === "hello") tell({ kind: "here" });
    hear(message.news);
  };
  channel?.addEventListener("message", onMessage);
  tell({ kind: "hello" });
  return {
    own,
    async others() {
      if (!locks) return new Set(heard);
      const { held = [] } = await locks.query();
      return new Set(held.flatMap(({ name = "" }) => (name.startsWith(PREFIX) && name !== PREFIX + own ? [name.slice(PREFIX.length)] : [])));
    },
    tell,
    alone: (name, work) => (locks ? inTurn(locks, `nodulum ${name}`, work) : work()),
    close() {
      tell({ kind: "bye" });
      channel?.removeEventListener("message", onMessage);
      leave();
    },
  };
}

/** The id of before, unless another window has it (a window that was doubled has both the memory and the id of its twin). */
async function ownId(locks: LockManager | null, before: string | null, newId: () => string): Promise<{ own: string; leave: () => void }> {
  if (!locks) return { own: newId(), leave: () => undefined };
  for (const id of before === null ? [newId()] : [before, newId()]) {
    const leave = await hold(locks, PREFIX + id);
    if (leave) return { own: id, leave };
  }
  return { own: newId(), leave: () => undefined };
}

/** Takes a lock for as long as the window lives; gives the way to let it go, or null where another has it. */
function hold(locks: LockManager, name: string): Promise<(() => void) | null> {
  return new Promise((resolve) => {
    locks
      .request(name, { ifAvailable: true }, (lock) => {
        if (!lock) return resolve(null);
        return new Promise<void>((leave) => resolve(leave));
      })
      .catch(() => resolve(null));
  });
}

/** A window may have been frozen while it held the lock: nobody waits longer for it than this, ms. */
const TURN_MS = 2000;

async function inTurn<T>(locks: LockManager, name: string, work: () => Promise<T>): Promise<T> {
  const waiting = new AbortController();
  const timer = setTimeout(() => waiting.abort(), TURN_MS);
  let begun = false;
  try {
    return await (locks.request(name, { signal: waiting.signal }, () => {
      begun = true;
      clearTimeout(timer);
      return work();
    }) as Promise<T>);
  } catch (error) {
    if (begun) throw error;
    return await work();
  } finally {
    clearTimeout(timer);
  }
}

const KINDS: readonly unknown[] = ["written", "states", "takes", "marked", "hello", "here", "bye"];

/** Messages come from other windows, of whatever version. */
function readNews(data: unknown): { readonly by: string; readonly news: News } | null {
  if (typeof data !== "object" || data === null) return null;
  const { kind, by, layout } = data as Record<string, unknown>;
  if (typeof by !== "string" || !KINDS.includes(kind)) return null;
  if (kind === "hello" || kind === "here" || kind === "bye") return { by, news: { kind } };
  return typeof layout === "string" ? { by, news: { kind: kind as "written", layout } } : null;
}

function attempt<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

/** Windows of which there is but this one: for tests, and where nothing can be shared. */
export const ONLY_WINDOW = (own: string): Windows => ({
  own,
  others: () => Promise.resolve(new Set()),
  tell: () => undefined,
  alone: (_name, work) => work(),
  close: () => undefined,
});
