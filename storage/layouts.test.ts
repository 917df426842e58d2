import "fake-indexeddb/auto";
import { openDB } from "idb";
import { memoryStore, openLayouts, type KeptLayout, type LayoutStore } from "./layouts";

const digest = (letter: string) => letter.repeat(64);
const layout = (id: string, refersTo: readonly string[] = []): KeptLayout => ({
  id,
  name: id.toUpperCase(),
  text: JSON.stringify({ pictures: refersTo.map((d) => ({ data: `sha256:${d}` })) }),
  savedAt: 1,
  deletedAt: null,
});
let databases = 0;
const freshName = () => `test-${(databases += 1)}`;

const stores: readonly (readonly [string, () => Promise<LayoutStore>])[] = [
  ["browser", () => openLayouts(freshName())],
  ["memory", () => Promise.resolve(memoryStore("refused"))],
];

describe.each(stores)("a store in the %s", (kind, open) => {
  test("gives back what it was given, and what was open last", async () => {
    const store = await open();
    expect(store.kind).toBe(kind);
    await store.writeAll([layout("a"), layout("b")]);
    await store.write({ ...layout("a"), name: "Another" });
    expect((await store.all()).map((l) => l.name).sort()).toEqual(["Another", "B"]);
    expect(await store.read("b")).toEqual(layout("b"));
    expect(await store.read("c")).toBeUndefined();
    expect(await store.lastOpen()).toBeNull();
    await store.setLastOpen("b");
    expect(await store.lastOpen()).toBe("b");
  });

  test("keeps pictures by digest, and gives those that are there", async () => {
    const store = await open();
    await store.write(
      layout("a", [digest("1"), digest("2")]),
      new Map([
        [digest("1"), "one"],
        [digest("2"), "two"],
      ]),
    );
    await store.write(layout("b", [digest("1")]), new Map([[digest("1"), "one"]]));
    expect([...(await store.pictures([digest("2"), digest("1"), digest("9")]))].sort()).toEqual([
      [digest("1"), "one"],
      [digest("2"), "two"],
    ]);
    expect((await store.pictures([])).size).toBe(0);
  });
});

test("a picture goes when no layout refers to it any more, and not before; deleted layouts keep theirs", async () => {
  const name = freshName();
  const store = await openLayouts(name);
  await store.write({ ...layout("a", [digest("1")]), deletedAt: 5 }, new Map([[digest("1"), "one"]]));
  await store.write(layout("b", [digest("2")]), new Map([[digest("2"), "two"]]));
  await store.write(layout("b"));
  expect((await store.pictures([digest("2")])).size).toBe(1);
  const again = await openLayouts(name);
  expect([...(await again.pictures([digest("1"), digest("2")]))]).toEqual([[digest("1"), "one"]]);
});

test("what an older version kept is there, and pictures can be kept beside it", async () => {
  const name = freshName();
  const old = await openDB(name, 1, {
    upgrade(db) {
      db.createObjectStore("layouts", { keyPath: "id" });
      db.createObjectStore("choices");
    },
  });
  await old.put("layouts", layout("a"));
  await old.put("choices", "a", "open");
  old.close();
  const store = await openLayouts(name);
  expect(store.kind).toBe("browser");
  expect(await store.read("a")).toEqual(layout("a"));
  expect(await store.lastOpen()).toBe("a");
  await store.write(layout("a", [digest("1")]), new Map([[digest("1"), "one"]]));
  expect((await store.pictures([digest("1")])).size).toBe(1);
});

test("a tab that holds an older version open is told, and work goes on from memory", async () => {
  const name = freshName();
  const old = await openDB(name, 1, { upgrade: (db) => void db.createObjectStore("layouts", { keyPath: "id" }) });
  const store = await openLayouts(name);
  expect(store).toMatchObject({ kind: "memory", refusal: expect.stringMatching(/another tab .* close it/) as string });
  old.close();
});

test("a newer version that wants to open finds this tab out of its way", async () => {
  const name = freshName();
  await openLayouts(name);
  const newer = await openDB(name, 3);
  expect(newer.version).toBe(3);
  newer.close();
});

test("a layout and its pictures are kept together or not at all", async () => {
  const store = await openLayouts(freshName());
  const broken = { ...layout("a", [digest("1")]), text: (() => undefined) as unknown as string };
  await expect(store.write(broken, new Map([[digest("1"), "one"]]))).rejects.toThrow();
  expect(await store.all()).toEqual([]);
  expect((await store.pictures([digest("1")])).size).toBe(0);
});

test("a browser without storage gives a store in memory, with the reason", async () => {
  const real = globalThis.indexedDB;
  Object.defineProperty(globalThis, "indexedDB", { value: undefined, configurable: true, writable: true });
  const store = await openLayouts(freshName());
  Object.defineProperty(globalThis, "indexedDB", { value: real, configurable: true, writable: true });
  expect(store.kind).toBe("memory");
  expect(store.refusal).not.toBeNull();
});
