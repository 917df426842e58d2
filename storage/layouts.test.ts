import "fake-indexeddb/auto";
import { openDB } from "idb";
import type { KeptLayout } from "../core/exchange/storedRecords";
import type { LogRecord } from "../core/versions/log";
import { openDatabase } from "./database";
import { openLayouts } from "./layouts";
import { memoryStore } from "./memory";
import type { LayoutStore, Writing } from "./store";

const digest = (letter: string) => letter.repeat(64);
const textWith = (refersTo: readonly string[]) => JSON.stringify({ pictures: refersTo.map((d) => ({ data: `sha256:${d}` })) });
const layout = (id: string, refersTo: readonly string[] = []): KeptLayout => ({
  id,
  name: id.toUpperCase(),
  text: textWith(refersTo),
  savedAt: 1,
  deletedAt: null,
  revision: 0,
});
const record = (id: string, more: Partial<LogRecord> = {}): LogRecord => ({ id, kind: "edit", label: id, time: 1, by: "me", changes: [], ...more });
const writing = (id: string, base: number | null, records: readonly LogRecord[], more: Partial<Writing> = {}): Writing => ({
  id,
  name: id.toUpperCase(),
  text: `text of ${id}`,
  savedAt: 2,
  base,
  records,
  ...more,
});
let databases = 0;
const freshName = () => `test-${(databases += 1)}`;

const stores: readonly (readonly [string, () => Promise<LayoutStore>])[] = [
  ["browser", () => openLayouts({ name: freshName() })],
  ["memory", () => Promise.resolve(memoryStore("refused"))],
];

describe.each(stores)("a store in the %s", (kind, open) => {
  test("gives back what it was given, and what was open last; what is there already stays", async () => {
    const store = await open();
    expect(store.kind).toBe(kind);
    await store.addAll([layout("a"), layout("b")]);
    await store.addAll([{ ...layout("a"), name: "Another" }, layout("c")]);
    expect((await store.all()).layouts.map((l) => l.name).sort()).toEqual(["A", "B", "C"]);
    expect(await store.read("b")).toEqual(layout("b"));
    expect(await store.read("d")).toBeUndefined();
    expect(await store.lastOpen()).toBeNull();
    await store.setLastOpen("b");
    expect(await store.lastOpen()).toBe("b");
    expect(await store.mark("b", 9)).toBe(true);
    expect((await store.read("b"))!.deletedAt).toBe(9);
    expect(await store.mark("d", 9)).toBe(false);
  });

  test("writes only on top of the revision that is there, and tells what others have written since", async () => {
    const store = await open();
    expect(await store.write(writing("a", null, []))).toEqual({ kind: "written", revision: 0, deletedAt: null });
    expect(await store.write(writing("a", 0, [record("1"), record("2")]))).toMatchObject({ kind: "written", revision: 2 });
    expect(await store.write(writing("a", 1, [record("x")]))).toMatchObject({ kind: "behind", revision: 2, theirs: [{ id: "2" }] });
    expect(await store.write(writing("a", null, []))).toMatchObject({ kind: "behind", theirs: null });
    expect(await store.since("a", 0)).toMatchObject({ kind: "behind", theirs: [{ id: "1" }, { id: "2" }] });
    expect(await store.since("a", 2)).toMatchObject({ kind: "behind", theirs: [] });
    expect((await store.whole("a"))!.log.map((r) => r.id)).toEqual(["1", "2"]);
    expect(await store.write(writing("b", 3, [record("y")]))).toEqual({ kind: "missing" });
    expect(await store.since("b", 0)).toEqual({ kind: "missing" });
    expect(await store.whole("b")).toBeUndefined();
  });

  test("a deleted layout that is written stays deleted, and says so", async () => {
    const store = await open();
    await store.write(writing("a", null, []));
    await store.mark("a", 7);
    expect(await store.write(writing("a", 0, [record("1")]))).toEqual({ kind: "written", revision: 1, deletedAt: 7 });
  });

  test("cuts the beginning of a log; who was further behind is told that it is no longer whole", async () => {
    const store = await open();
    await store.write(
      writing(
        "a",
        null,
        ["1", "2", "3"].map((id) => record(id)),
      ),
    );
    await store.write(writing("a", 3, [record("4")], { trim: 2 }));
    expect((await store.whole("a"))!.log.map((r) => r.id)).toEqual(["3", "4"]);
    expect(await store.since("a", 1)).toMatchObject({ theirs: null });
    expect(await store.since("a", 2)).toMatchObject({ theirs: [{ id: "3" }, { id: "4" }] });
  });

  test("keeps named states by layout, oldest first, until they are removed", async () => {
    const store = await open();
    const state = (id: string, of: string, time: number) => ({ id, layout: of, name: id, time, text: "{}" });
    for (const s of [state("late", "a", 5), state("early", "a", 2), state("other", "b", 1)]) await store.writeState(s);
    expect((await store.states("a")).map((s) => s.name)).toEqual(["early", "late"]);
    await store.removeState("early");
    expect((await store.states("a")).map((s) => s.name)).toEqual(["late"]);
  });

  test("keeps pictures by digest, and gives those that are there", async () => {
    const store = await open();
    const pictures = new Map([
      [digest("1"), "one"],
      [digest("2"), "two"],
    ]);
    await store.write(writing("a", null, [], { pictures }));
    await store.addAll([layout("b", [digest("1")])], new Map([[digest("1"), "one"]]));
    expect([...(await store.pictures([digest("2"), digest("1"), digest("9")]))].sort()).toEqual([
      [digest("1"), "one"],
      [digest("2"), "two"],
    ]);
    expect((await store.pictures([])).size).toBe(0);
  });
});

test("a picture goes when nothing refers to it any more: not while a deleted layout, a state or the log does", async () => {
  const store = await openLayouts({ name: freshName() });
  const data = (letter: string) => new Map([[digest(letter), letter]]);
  await store.addAll([layout("a", [digest("1")])], data("1"));
  await store.mark("a", 5);
  await store.writeState({ id: "s", layout: "a", name: "s", time: 1, text: textWith([digest("2")]) }, data("2"));
  const was = { id: "p", name: "p", type: "image/png", data: `sha256:${digest("3")}` };
  await store.write(writing("b", null, [record("1", { changes: [{ kind: "value", path: ["pictures", "p"], was }] })], { pictures: data("3") }));
  await store.write(writing("c", null, [], { text: textWith([digest("4")]), pictures: data("4") }));
  await store.write(writing("c", 0, []));
  await store.sweep();
  const all = ["1", "2", "3", "4"].map(digest);
  expect([...(await store.pictures(all)).values()]).toEqual(["1", "2", "3"]);
});

test("one bad record among good ones is set aside as it is; a log is used from behind its last bad record", async () => {
  const name = freshName();
  await (await openLayouts({ name })).write(writing("a", null, [record("1"), record("2"), record("3")]));
  const db = await openDB(name);
  await db.put("layouts", { id: "bad", name: "Broken", text: 7 });
  await db.put("log", { layout: "a", seq: 2, record: { id: "2", kind: "dance" }, digests: [] });
  db.close();
  const store = await openLayouts({ name });
  const { layouts, aside } = await store.all();
  expect(layouts.map((l) => l.id)).toEqual(["a"]);
  expect(aside).toMatchObject([{ name: "Broken", why: expect.stringMatching(/^text: must be a text/) as string, value: { text: 7 } }]);
  expect((await store.whole("a"))!.log.map((r) => r.id)).toEqual(["3"]);
  await expect(store.write(writing("bad", 0, []))).rejects.toThrow(/can no longer be read/);
});

test.each([1, 2, 3])("what version %i kept is there, and goes on with a log", async (version) => {
  const name = freshName();
  const old = await openDB(name, version, {
    upgrade(db) {
      db.createObjectStore("layouts", { keyPath: "id" });
      db.createObjectStore("choices");
      if (version > 1) db.createObjectStore("pictures");
      if (version > 2) {
        db.createObjectStore("log", { keyPath: ["layout", "seq"] });
        db.createObjectStore("states", { keyPath: "id" }).createIndex("layout", "layout");
      }
    },
  });
  const { revision: _none, ...before } = layout("a");
  await old.put("layouts", before);
  await old.put("choices", "a", "open");
  old.close();
  const store = await openLayouts({ name });
  expect(store.kind).toBe("browser");
  expect(await store.read("a")).toEqual(layout("a"));
  expect(await store.lastOpen()).toBe("a");
  expect(await store.write(writing("a", 0, [record("1")], { pictures: new Map([[digest("1"), "one"]]) }))).toMatchObject({ kind: "written", revision: 1 });
  const take = { id: "t", layout: "a", name: "quay", time: 1, seconds: 2, digest: digest("1") };
  await store.writeTake(take, { text: "{}", on: null });
  expect(await store.takes("a")).toEqual([take]);
});

test("takes are listed by their layout without their events, and what they were played on keeps its pictures", async () => {
  const store = await openLayouts({ name: freshName() });
  const take = (id: string, time: number, of = "a") => ({ id, layout: of, name: id, time, seconds: 2, digest: digest("1") });
  const picture = digest("1");
  await store.writeTake(take("late", 9), { text: "late", on: `{"data":"sha256:${picture}"}` }, new Map([[picture, "one"]]));
  await store.writeTake(take("early", 3), { text: "early", on: null });
  await store.writeTake(take("other", 1, "b"), { text: "other", on: null });
  expect((await store.takes("a")).map((t) => t.id)).toEqual(["early", "late"]);
  await store.writeTake({ ...take("late", 9), name: "renamed" });
  expect(await store.takeText("late")).toMatchObject({ text: "late" });
  await store.sweep();
  expect([...(await store.pictures([picture])).values()]).toEqual(["one"]);
  await store.removeTake("late");
  expect([await store.takeText("late"), (await store.takes("a")).length]).toEqual([undefined, 1]);
  await store.sweep();
  expect((await store.pictures([picture])).size).toBe(0);
});

describe("the life of a database", () => {
  test("a window that holds an older version open is told of, and work goes on from memory", async () => {
    const name = freshName();
    const old = await openDB(name, 1, { upgrade: (db) => void db.createObjectStore("layouts", { keyPath: "id" }) });
    const store = await openLayouts({ name });
    expect(store).toMatchObject({ kind: "memory", refusal: expect.stringMatching(/another window; close it/) as string });
    old.close();
  });

  test("a newer version that wants to open finds this window out of its way, and this one says what has become of it", async () => {
    const name = freshName();
    const lives: string[] = [];
    const store = await openLayouts({ name, onLife: (life) => lives.push(life) });
    const newer = await openDB(name, 5);
    expect([newer.version, lives]).toEqual([5, ["given-up"]]);
    await expect(store.write(writing("a", null, []))).rejects.toThrow(/newer Nodulum is open in another window/);
    newer.close();
  });

  test("what a newer version keeps is left untouched, and said to be there", async () => {
    const name = freshName();
    const newer = await openDB(name, 9, { upgrade: (db) => void db.createObjectStore("layouts", { keyPath: "id" }) });
    await newer.put("layouts", { id: "later" });
    newer.close();
    const store = await openLayouts({ name });
    expect(store).toMatchObject({ kind: "memory", refusal: expect.stringMatching(/newer Nodulum .* Nothing was changed/) as string });
    const again = await openDB(name, 9);
    expect(await again.getAll("layouts")).toEqual([{ id: "later" }]);
    again.close();
  });

  test("storage that never answers is given up in time", async () => {
    const never = jest.spyOn(indexedDB, "open").mockImplementation(() => new IDBOpenDBRequest());
    const store = await openLayouts({ name: freshName(), patienceMs: 5 });
    never.mockRestore();
    expect(store).toMatchObject({ kind: "memory", refusal: expect.stringMatching(/did not answer within/) as string });
  });

  test("a database that the browser has closed is opened again with the next use", async () => {
    const name = freshName();
    const database = await openDatabase(name, () => undefined);
    await database.use((db) => Promise.resolve(db.close()));
    expect(await database.use((db) => db.count("layouts"))).toBe(0);
  });

  test("a browser without storage gives a store in memory, with the reason", async () => {
    const real = globalThis.indexedDB;
    Object.defineProperty(globalThis, "indexedDB", { value: undefined, configurable: true, writable: true });
    const store = await openLayouts({ name: freshName() });
    Object.defineProperty(globalThis, "indexedDB", { value: real, configurable: true, writable: true });
    expect(store.kind).toBe("memory");
    expect(store.refusal).not.toBeNull();
  });
});

test("a version, its records and its pictures are kept together or not at all", async () => {
  const store = await openLayouts({ name: freshName() });
  await store.write(writing("a", null, []));
  const unkeepable = (() => undefined) as unknown as string;
  const pictures = new Map([[digest("1"), "one"]]);
  await expect(store.write(writing("a", 0, [record("1"), record("2", { label: unkeepable })], { text: "new", pictures }))).rejects.toThrow();
  expect(await store.whole("a")).toMatchObject({ layout: { text: "text of a", revision: 0 }, log: [] });
  expect((await store.pictures([digest("1")])).size).toBe(0);
  await expect(store.addAll([layout("b"), { ...layout("c"), text: unkeepable }])).rejects.toThrow();
  expect(await store.read("b")).toBeUndefined();
});
