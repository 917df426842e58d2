import { joinWindows, type News, type Windows } from "./windows";

/** Web Locks as windows of one browser see them. */
function lockManager(): LockManager {
  const held = new Set<string>();
  const waiting: { name: string; begin: () => void }[] = [];
  const take = async (name: string, work: (lock: unknown) => unknown) => {
    held.add(name);
    try {
      return await work({ name });
    } finally {
      held.delete(name);
      const next = waiting.findIndex((w) => w.name === name);
      if (next >= 0) waiting.splice(next, 1)[0].begin();
    }
  };
  return {
    query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
    request: (name: string, ...rest: unknown[]) => {
      const work = rest.at(-1) as (lock: unknown) => unknown;
      const { ifAvailable, signal } = (rest.length > 1 ? rest[0] : {}) as { ifAvailable?: boolean; signal?: AbortSignal };
      if (!held.has(name)) return take(name, work);
      if (ifAvailable) return Promise.resolve(work(null));
      return new Promise((resolve, reject) => {
        const begin = () => resolve(take(name, work));
        waiting.push({ name, begin });
        signal?.addEventListener("abort", () => reject(new Error("aborted")));
      });
    },
  } as unknown as LockManager;
}
const memory = () => {
  const kept = new Map<string, string>();
  return { getItem: (key: string) => kept.get(key) ?? null, setItem: (key: string, value: string) => void kept.set(key, value) };
};
let ids = 0;
const newId = () => `w${(ids += 1)}`;
const joined: Windows[] = [];
const join = async (parts: Partial<Parameters<typeof joinWindows>[0]>, hear: (news: News) => void = () => undefined) => {
  const windows = await joinWindows({ channel: null, locks: null, remembered: null, newId, ...parts }, hear);
  joined.push(windows);
  return windows;
};
afterEach(() => joined.splice(0).forEach((w) => w.close()));

test("with locks each window knows which others are open, and keeps its id over a reload", async () => {
  const locks = lockManager();
  const mine = memory();
  const a = await join({ locks, remembered: mine });
  const b = await join({ locks, remembered: memory() });
  expect(await a.others()).toEqual(new Set([b.own]));
  a.close();
  await Promise.resolve();
  await Promise.resolve();
  expect(await b.others()).toEqual(new Set());
  const reloaded = await join({ locks, remembered: mine });
  expect(reloaded.own).toBe(a.own);
});

test("a window that was doubled, memory and all, gets an id of its own", async () => {
  const locks = lockManager();
  const mine = memory();
  const a = await join({ locks, remembered: mine });
  const twin = await join({ locks, remembered: mine });
  expect(twin.own).not.toBe(a.own);
  expect(await twin.others()).toEqual(new Set([a.own]));
});

test("without locks others are known by what is heard from them, until they say goodbye; messages of any other kind are passed over", async () => {
  const heard: News[] = [];
  const channels = () => new BroadcastChannel("test");
  const [one, two] = [channels(), channels()];
  const told = (count: number) => new Promise<void>((resolve) => two.addEventListener("message", () => (count -= 1) === 0 && setTimeout(resolve)));
  const b = await join({ channel: two }, (news) => heard.push(news));
  const hello = told(1);
  const a = await join({ channel: one });
  await hello;
  expect(await b.others()).toEqual(new Set([a.own]));
  const rest = told(4);
  one.postMessage({ kind: "written", layout: 7, by: "x" });
  one.postMessage("nonsense");
  a.tell({ kind: "written", layout: "a" });
  a.close();
  await rest;
  expect(heard.filter((n) => n.kind !== "hello" && n.kind !== "here")).toEqual([{ kind: "written", layout: "a" }, { kind: "bye" }]);
  expect(await b.others()).toEqual(new Set());
  one.close();
  two.close();
});

test("what is done alone waits its turn, is refused as it refuses, and is done all the same where there are no locks", async () => {
  const locks = lockManager();
  const a = await join({ locks });
  const order: string[] = [];
  let end = () => undefined as void;
  const first = a.alone("write", () => new Promise<void>((resolve) => (end = () => (order.push("first"), resolve()))));
  const second = a.alone("write", () => Promise.resolve(void order.push("second")));
  end();
  await Promise.all([first, second]);
  expect(order).toEqual(["first", "second"]);
  await expect(a.alone("write", () => Promise.reject(new Error("full")))).rejects.toThrow("full");
  expect(await (await join({})).alone("write", () => Promise.resolve(5))).toBe(5);
});
