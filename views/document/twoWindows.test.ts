import { addAction } from "../../core/editing/edits/actions";
import { changeFeel, removePlaceables } from "../../core/editing/edits/controls";
import { changeLayout } from "../../core/editing/edits/layout";
import { removeMoment } from "../../core/editing/edits/moments";
import { writeLayout } from "../../core/format/write";
import type { StickFeel } from "../../core/engine/types";
import type { Layout } from "../../core/format/types";
import { memoryStore } from "../../storage/memory";
import type { LayoutStore } from "../../storage/store";
import { sampleLayouts } from "../../test/samples";
import { openTwoWindows, openWindow } from "../../test/window";
import type { Session } from "./session";

const [brackwater] = sampleLayouts();

const helm0 = brackwater.controls.find((c) => c.id === "helm")!.feel as StickFeel;
const layoutOf = (session: Session): Layout => session.store.getState().layout;
const helm = (session: Session) => layoutOf(session).controls.find((c) => c.id === "helm")?.feel;
const inner = (value: number) => (l: Layout) => changeFeel(l, "helm", { inner: value });
const outer = (value: number) => (l: Layout) => changeFeel(l, "helm", { outer: value });
/** So many actions there is room for in addition to those of the sample. */
const ADDED = 95;
const action = (name: string) => (l: Layout) => addAction(l, name, "press");

test("200 edits in two windows, one after the other and at the same moment, told and not told: all there at the end, in both and in the store", async () => {
  let told = 0;
  // Every third word is lost: the store knows it all the same.
  const { a, b, settled, kept, lost } = await openTwoWindows(brackwater, memoryStore("test"), () => (told += 1) % 3 !== 0);
  for (let i = 0; i < 100; i += 1) {
    a.edit("add", i < ADDED ? action(`a ${i}`) : inner(i / 1000));
    b.edit("add", i < ADDED ? action(`b ${i}`) : outer(i / 110));
    // Sometimes one waits for the other, sometimes neither does.
    if (i % 4 === 0) await a.flush();
    if (i % 7 === 0) await settled();
  }
  await settled();
  a.heard();
  b.heard();
  await settled();
  const names = layoutOf(a).actions.map((one) => one.name);
  for (let i = 0; i < ADDED; i += 1) expect(names).toEqual(expect.arrayContaining([`a ${i}`, `b ${i}`]));
  expect(writeLayout(layoutOf(b))).toBe(writeLayout(layoutOf(a)));
  expect((await kept.read("id"))!.text).toBe(writeLayout(layoutOf(a)));
  expect(helm(a)).toMatchObject({ inner: 0.099, outer: 0.9 });
  expect((await kept.whole("id"))!.log).toHaveLength(200);
  expect(lost).toEqual([]);
});

test("an edit here arrives there, in the middle of a gesture too, and undo takes back one's own", async () => {
  const { a, b, settled } = await openTwoWindows(brackwater);
  b.begin("scale");
  b.preview((l) => changeLayout(l, { scale: { ...l.scale, share: 0.9 } }));
  a.edit("inner", inner(0.2));
  await settled();
  expect([helm(b), layoutOf(b).scale.share]).toMatchObject([{ inner: 0.2 }, 0.9]);
  b.preview((l) => changeLayout(l, { scale: { ...l.scale, share: 0.8 } }));
  b.commit();
  await settled();
  expect([helm(a), layoutOf(a).scale.share]).toMatchObject([{ inner: 0.2 }, 0.8]);
  expect(a.store.getState().history.past.map((e) => e.label)).toEqual(["inner"]);
  a.undo();
  await settled();
  expect([helm(b), layoutOf(b).scale.share]).toMatchObject([{ inner: helm0.inner }, 0.8]);
  b.setOthers(new Set());
  expect(b.store.getState().history.past.map((e) => e.label)).toEqual(["scale"]);
  expect(b.store.getState().history.future.map((e) => e.label)).toEqual(["inner"]);
});

test("an edit that what others did has made impossible to take back stays, is told, and does not stand in the way of the one before", async () => {
  const { a, b, settled } = await openTwoWindows(brackwater);
  const moments = (l: Layout, ids: string[]) => ({
    ok: true as const,
    value: { ...l, controls: l.controls.map((c) => (c.id === "horn" ? { ...c, moments: ids } : c)) },
  });
  a.edit("inner", inner(0.2));
  a.edit("only under way", (l) => moments(l, ["under-way"]));
  await settled();
  b.edit("no more alongside", (l) => removeMoment(l, "alongside"));
  await settled();
  a.undo();
  expect(layoutOf(a).moments.some((m) => m.id === "alongside")).toBe(false);
  expect(a.store.getState().notice?.text).toMatch(/“only under way” was not changed: .*there is no moment "alongside"/);
  a.undo();
  expect(helm(a)).toMatchObject({ inner: helm0.inner });
});

test("of one field changed on both sides the later stands, and the earlier is handed out to be kept", async () => {
  const { a, b, settled, lost } = await openTwoWindows(brackwater, memoryStore("test"), () => false);
  a.edit("inner", inner(0.2));
  await a.flush();
  b.edit("inner", inner(0.3));
  a.heard();
  await settled();
  a.heard();
  await settled();
  expect([helm(a), helm(b)]).toMatchObject([{ inner: 0.3 }, { inner: 0.3 }]);
  expect(lost).toMatchObject([{ whose: "theirs" }]);
  expect(lost[0].layout.controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.2 });
});

test("what one window deletes leaves the other's selection; a field of it that was changed meanwhile is handed out", async () => {
  const { a, b, settled, lost } = await openTwoWindows(brackwater, memoryStore("test"), () => false);
  b.select(["helm"]);
  a.edit("delete", (l) => removePlaceables(l, ["helm"]));
  await a.flush();
  b.edit("inner", inner(0.3));
  await settled();
  expect(helm(b)).toBeUndefined();
  expect(b.store.getState().selection).toEqual([]);
  expect(lost).toMatchObject([{ whose: "own" }]);
});

test("a write that was made though it seemed to be refused is not made twice", async () => {
  const store = memoryStore("test");
  let broken = 0;
  const { a, settled } = await openTwoWindows(brackwater, {
    ...store,
    async write(writing) {
      const done = await store.write(writing);
      if ((broken += 1) === 4) throw new Error("no answer came");
      return done;
    },
  });
  for (let i = 0; i < 3; i += 1) {
    a.edit("add", action(`a ${i}`));
    await a.flush();
  }
  await settled();
  expect(
    layoutOf(a)
      .actions.filter((one) => one.name.startsWith("a "))
      .map((one) => one.name),
  ).toEqual(["a 0", "a 1", "a 2"]);
  expect((await store.whole("id"))!.log).toHaveLength(3);
});

test("what could not be read when another window had written is read again by itself", async () => {
  const store = memoryStore("test");
  let broken = false;
  const { a, b } = await openTwoWindows(brackwater, {
    ...store,
    since: (id, revision) => (broken ? Promise.reject(new Error("it is being cleared")) : store.since(id, revision)),
  });
  broken = true;
  a.edit("add", action("anchor"));
  await a.flush();
  await b.flush();
  expect(b.store.getState().saving).toEqual({ kind: "refused", reason: "it is being cleared" });
  broken = false;
  await new Promise<void>((resolve) => b.store.subscribe(({ saving }) => saving.kind === "saved" && resolve()));
  expect(layoutOf(b).actions.at(-1)?.name).toBe("anchor");
});

test("what the browser has lost while it was open is kept again, with its history", async () => {
  const stores = [memoryStore("test"), memoryStore("test")];
  let which = 0;
  const kept = new Proxy(stores[0], { get: (_, key: keyof LayoutStore) => stores[which][key] });
  const { session } = openWindow(brackwater, { kept });
  session.edit("inner", inner(0.2));
  await session.flush();
  which = 1;
  session.edit("inner again", inner(0.3));
  await session.flush();
  const whole = await stores[1].whole("id");
  expect(whole!.log.map((r) => r.label)).toEqual(["inner", "inner again"]);
  expect(session.store.getState().notice?.text).toMatch(/cleared its stored data/);
});
