import { ok } from "../../core/engine/result";
import { changeLayout } from "../../core/editing/edits/layout";
import { writeLayout } from "../../core/format/write";
import { SAMPLES } from "../../samples/samples";
import { memoryStore } from "../../storage/memory";
import type { LayoutStore } from "../../storage/store";
import { sampleLayouts } from "../../test/samples";
import { openWindow, testId } from "../../test/window";
import { firstLayout } from "./firstLayout";

const [brackwater] = sampleLayouts();
const kept = (id: string, text: string, savedAt = 1) => ({ id, name: id, text, savedAt, deletedAt: null, revision: 0 });
const first = (store: LayoutStore, more: Partial<Parameters<typeof firstLayout>[0]> = {}) =>
  firstLayout({ kept: store, samples: SAMPLES, newId: testId, ...more });

test("samples at first, new, duplicate, delete and bring back, import", async () => {
  const store = memoryStore("test");
  const { opened } = await first(store);
  expect(opened.layout.name).toBe("Brackwater");
  const { session, library } = openWindow(brackwater, { kept: store });
  session.show(opened);
  const name = () => session.store.getState().layout.name;
  expect((await library.list()).kept.map((l) => l.name)).toEqual(expect.arrayContaining(SAMPLES.map((s) => s.name)));
  expect(await library.add({ ...brackwater, name: "Dock" })).toEqual(ok(true));
  expect(name()).toBe("Dock");
  await library.duplicate();
  expect(name()).toBe("Dock, copy");
  const { id } = session.store.getState();
  const { length } = (await library.list()).kept;
  await library.remove(id);
  expect(session.store.getState().id).not.toBe(id);
  const listed = await library.list();
  expect([listed.kept.length, listed.deleted.map((l) => l.name)]).toEqual([length - 1, ["Dock, copy"]]);
  await library.restore(id);
  expect(name()).toBe("Dock, copy");
  expect(await library.importText("{}")).toMatchObject({ ok: false });
  expect(name()).toBe("Dock, copy");
});

test("what is not written is not left: no other layout is opened, deleted or started until it is", async () => {
  const store = memoryStore("test");
  await store.addAll([kept("other", writeLayout(sampleLayouts()[1]))]);
  let full = false;
  const { session, library } = openWindow(brackwater, {
    kept: { ...store, write: (w) => (full ? Promise.reject(new Error("full")) : store.write(w)) },
    againMs: [1e6],
  });
  await session.flush();
  full = true;
  session.edit("name", (l) => changeLayout(l, { name: "Mine" }));
  for (const refused of [await library.open("other"), await library.remove("id"), await library.duplicate(), await library.add({ ...brackwater, name: "New" })])
    expect(refused).toMatchObject({ ok: false, problems: [{ message: expect.stringMatching(/“Mine” is not saved \(full\)/) as string }] });
  expect(session.store.getState()).toMatchObject({ id: "id", layout: { name: "Mine" } });
  full = false;
  expect(await library.open("other")).toEqual(ok(true));
  expect((await store.read("id"))!.name).toBe("Mine");
});

test("an edit made while another layout is being read is kept", async () => {
  const store = memoryStore("test");
  await store.addAll([kept("other", writeLayout(sampleLayouts()[1]))]);
  const reading: (() => void)[] = [];
  const slow: LayoutStore = { ...store, whole: (id) => new Promise((resolve) => reading.push(() => void store.whole(id).then(resolve))) };
  const { session, library } = openWindow(brackwater, { kept: slow });
  await session.flush();
  const opening = library.open("other");
  while (reading.length === 0) await new Promise((resolve) => setImmediate(resolve));
  session.edit("name", (l) => changeLayout(l, { name: "Mine" }));
  reading[0]();
  expect(await opening).toEqual(ok(true));
  expect(session.store.getState().id).toBe("other");
  expect((await store.read("id"))!.name).toBe("Mine");
});

test("what storage refuses is told, never thrown", async () => {
  const refusing = () => Promise.reject(new Error("the disk is gone"));
  const { library, session } = openWindow(brackwater, { kept: { ...memoryStore("test"), mark: refusing, whole: refusing } });
  await session.flush();
  for (const done of [await library.remove("id"), await library.open("id"), await library.restore("id")])
    expect(done).toMatchObject({ ok: false, problems: [{ message: "the browser’s storage failed: the disk is gone" }] });
});

test("the first sample is shown though the browser refuses to keep the samples; the first edit tells", async () => {
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  const refusing: LayoutStore = { ...memoryStore("test"), addAll: () => Promise.reject(new Error("full")), write: () => Promise.reject(new Error("full")) };
  const { opened } = await first(refusing);
  expect(opened.layout).toEqual(brackwater);
  const { session } = openWindow(brackwater, { kept: refusing, againMs: [1e6] });
  session.show(opened);
  session.edit("name", (l) => changeLayout(l, { name: "Mine" }));
  expect(await session.flush()).toBe(false);
  expect(session.store.getState().saving).toEqual({ kind: "refused", reason: "full" });
  expect(told).toHaveBeenCalledTimes(1);
  told.mockRestore();
});

test("a kept layout that cannot be read is set aside, not deleted; one that did not draw is passed over; a window has its own last one", async () => {
  const store = memoryStore("test");
  await store.addAll([
    kept("bad", "{", 99),
    kept("frozen", writeLayout(brackwater), 50),
    kept("good", writeLayout(brackwater), 2),
    kept("mine", writeLayout(brackwater), 1),
  ]);
  const found = await first(store, { shunned: new Set(["frozen"]) });
  expect(found.opened.id).toBe("good");
  expect(found.passedOver).toEqual([expect.stringMatching(/“bad” cannot be read/), expect.stringMatching(/“frozen” could not be drawn last time/)]);
  expect((await store.read("bad"))!.text).toBe("{");
  expect((await first(store, { last: "mine" })).opened.id).toBe("mine");
});

test("a store that opens and then does not answer, or refuses, is left alone, and work begins in memory", async () => {
  const never = () => new Promise<never>(() => undefined);
  const browser: LayoutStore = { ...memoryStore("test"), kind: "browser" };
  for (const all of [never, () => Promise.reject(new Error("the disk is gone"))]) {
    const found = await first({ ...browser, all }, { patienceMs: 5 });
    expect(found.kept).toMatchObject({ kind: "memory", refusal: expect.stringMatching(/cannot be read.*unchanged/) as string });
    expect(found.opened.layout.name).toBe("Brackwater");
  }
});
