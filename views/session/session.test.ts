import { addAction } from "../../core/editing/edits/actions";
import { changeLayout } from "../../core/editing/edits/layout";
import { refused, ok } from "../../core/engine/result";
import { removePlaceables } from "../../core/editing/edits/controls";
import { writeLayout } from "../../core/format/write";
import { sampleLayouts } from "../../test/samples";
import { SAMPLES } from "../../samples/samples";
import { memoryStore, type LayoutStore } from "../../storage/layouts";
import { createLibrary, firstLayout } from "./library";
import { createSession, type Session } from "./session";
import { changeFeel } from "../../core/editing/edits/controls";
import { deleteAction, deletePlaceables } from "../shared/remove";
import type { Layout } from "../../core/format/types";

const [brackwater] = sampleLayouts();
const fresh = (store: LayoutStore = memoryStore("test")): Session => createSession({ kept: store, now: () => 1000 }, "id", brackwater);
const layoutOf = (session: Session) => session.store.getState().layout;
const share = (value: number) => (l: typeof brackwater) => changeLayout(l, { scale: { ...l.scale, share: value } });

test("undoing everything gives the first bytes, redoing everything the last", () => {
  const session = fresh();
  const first = writeLayout(layoutOf(session));
  for (let i = 0; i < 5; i += 1) session.edit(`add ${i}`, (l) => addAction(l, `action ${i}`, "press"));
  session.edit("delete", (l) => removePlaceables(l, ["horn", "helm"]));
  const last = writeLayout(layoutOf(session));
  for (let i = 0; i < 10; i += 1) session.undo();
  expect(writeLayout(layoutOf(session))).toBe(first);
  for (let i = 0; i < 10; i += 1) session.redo();
  expect(writeLayout(layoutOf(session))).toBe(last);
});

test("a gesture is one entry however many previews it has; cancelled it leaves none", () => {
  const session = fresh();
  session.begin("scale");
  for (const s of [0.4, 0.5, 0.6]) session.preview(share(s));
  session.commit();
  expect(session.store.getState().history.past.map((e) => e.label)).toEqual(["scale"]);
  expect(layoutOf(session).scale.share).toBe(0.6);
  session.begin("again");
  session.preview(share(0.9));
  session.cancel();
  expect(layoutOf(session).scale.share).toBe(0.6);
  expect(session.store.getState().history.past).toHaveLength(1);
  session.undo();
  expect(layoutOf(session)).toEqual(brackwater);
});

test("edits that are gathered are one entry, called as they are, and saved once; taken back there is none", async () => {
  const store = memoryStore("test");
  let writes = 0;
  const counted = { ...store, write: (...args: Parameters<LayoutStore["write"]>) => ((writes += 1), store.write(...args)) };
  const session = createSession({ kept: counted, now: () => 1 }, "id", brackwater);
  session.gather();
  for (const s of [0.4, 0.5, 0.6]) session.edit("share of the screen", share(s));
  expect([writes, session.store.getState().history.past.length]).toEqual([0, 0]);
  session.commit();
  await session.flush();
  expect([writes, session.store.getState().history.past.map((e) => e.label)]).toEqual([1, ["share of the screen"]]);
  session.gather();
  session.edit("share of the screen", share(0.9));
  session.edit("no", () => refused("there", "it cannot be"));
  expect(session.store.getState().notice?.text).toBe("there: it cannot be");
  session.cancel();
  expect(layoutOf(session).scale.share).toBe(0.6);
  expect(session.store.getState().notice).toBeNull();
  session.edit("after", share(0.7));
  expect(session.store.getState().history.past).toHaveLength(2);
});

test("a refused edit changes nothing and says why", () => {
  const session = fresh();
  expect(session.edit("no", () => refused("there", "it cannot be"))).toBe(false);
  expect(layoutOf(session)).toBe(brackwater);
  expect(session.store.getState().notice).toMatchObject({ tone: "problem", text: "there: it cannot be" });
});

test("steps of one field join; turning to something else parts them", () => {
  const session = fresh();
  for (const s of [0.4, 0.41, 0.42]) session.edit("share", share(s), true);
  session.endRun();
  session.edit("share", share(0.5), true);
  expect(session.store.getState().history.past).toHaveLength(2);
  session.undo();
  expect(layoutOf(session).scale.share).toBe(0.42);
  session.undo();
  expect(layoutOf(session).scale.share).toBe(0.35);
});

test("why a preview is refused is told, by name, and goes with the next one that is not", () => {
  const session = fresh();
  session.begin("feel");
  const feel = (inner: number) => (l: Layout) => changeFeel(l, "helm", { inner });
  expect(session.preview(feel(2))).toBe(false);
  expect(session.store.getState().notice).toMatchObject({ tone: "problem", text: expect.stringMatching(/^“helm”, feel inner: must be a number from 0 to 1/) });
  expect(session.preview(feel(0.3))).toBe(true);
  expect(session.store.getState().notice).toBeNull();
  session.preview(feel(2));
  session.cancel();
  expect(session.store.getState().notice).toBeNull();
  expect(layoutOf(session)).toBe(brackwater);
});

test("a gesture under way is not kept: not by what is remembered meanwhile, not by opening another layout", async () => {
  const store = memoryStore("test");
  const session = createSession({ kept: store, now: () => 5 }, "id", brackwater);
  session.begin("scale");
  session.preview(share(0.9));
  session.remember({ screen: "Tablet 4:3" });
  await session.flush();
  expect(JSON.parse((await store.read("id"))!.text)).toMatchObject({ scale: { share: 0.35 }, workbench: { screen: "Tablet 4:3" } });
  session.show("other", sampleLayouts()[1]);
  session.undo();
  expect(session.store.getState()).toMatchObject({ id: "other", gesture: null });
  expect(JSON.parse((await store.read("id"))!.text)).toMatchObject({ scale: { share: 0.35 } });
});

test("deleting says what went, and brings it back at one click", () => {
  const session = fresh();
  deletePlaceables(session, ["horn", "tide"]);
  expect(layoutOf(session).controls.some((c) => c.id === "horn")).toBe(false);
  expect(session.store.getState().notice?.text).toBe("“horn” and “Tide clock” are deleted.");
  session.store.getState().notice!.act!.run();
  expect(layoutOf(session)).toEqual(brackwater);
  deleteAction(session, "pump");
  expect(session.store.getState().notice?.text).toBe("The action “pump” is removed; “pump” still leads to it, and so to nothing.");
});

test("what the editor remembers is kept without an entry, and outlives undo", () => {
  const session = fresh();
  session.edit("share", share(0.5));
  session.remember({ screen: "Tablet 4:3" });
  session.undo();
  expect(layoutOf(session).workbench.screen).toBe("Tablet 4:3");
  expect(layoutOf(session).scale.share).toBe(0.35);
});

test("deleted controls leave the selection; a new layout has an empty history", () => {
  const session = fresh();
  session.select(["horn", "pump"]);
  session.edit("delete", (l) => removePlaceables(l, ["horn"]));
  expect(session.store.getState().selection).toEqual(["pump"]);
  session.show("other", sampleLayouts()[1]);
  expect(session.store.getState()).toMatchObject({ history: { past: [] }, selection: [], playerView: { moment: "sorting", handed: "right" } });
});

test("saved means written; a refusal is told and work goes on", async () => {
  const store = memoryStore("test");
  let full = true;
  const session = createSession(
    { kept: { ...store, write: (l) => (full ? Promise.reject(new Error("full")) : store.write(l)) }, now: () => 5 },
    "id",
    brackwater,
  );
  session.edit("share", share(0.5));
  await session.flush();
  expect(session.store.getState().saving).toEqual({ kind: "refused", reason: "full" });
  full = false;
  session.edit("share", share(0.7));
  expect(session.store.getState().saving.kind).toBe("saving");
  await session.flush();
  expect(session.store.getState().saving.kind).toBe("saved");
  expect((await store.read("id"))!.text).toBe(writeLayout(layoutOf(session)));
});

test("the library: samples at first, new, duplicate, delete and bring back, import", async () => {
  const store = memoryStore("test");
  let n = 0;
  const newId = () => `id-${(n += 1)}`;
  const first = await firstLayout(store, SAMPLES, () => 10, newId);
  expect(first.layout.name).toBe("Brackwater");
  const session = createSession({ kept: store, now: () => 20 }, first.id, first.layout);
  const library = createLibrary(store, session, () => 20, newId);
  expect((await library.list()).kept).toHaveLength(3);
  expect(await library.start("Dock", { width: 1, height: 0 }, {})).toMatchObject({ ok: false });
  expect(await library.start("Dock", { width: 1280, height: 720 }, { share: 0.2 })).toEqual(ok(true));
  expect(layoutOf(session).name).toBe("Dock");
  await library.duplicate();
  expect(layoutOf(session).name).toBe("Dock, copy");
  const { id } = session.store.getState();
  await library.remove(id);
  expect(session.store.getState().id).not.toBe(id);
  const { kept, deleted } = await library.list();
  expect([kept.length, deleted.map((l) => l.name)]).toEqual([4, ["Dock, copy"]]);
  await library.restore(id);
  expect(layoutOf(session).name).toBe("Dock, copy");
  expect(await library.importText("{}")).toMatchObject({ ok: false });
  expect(layoutOf(session).name).toBe("Dock, copy");
});

test("the first sample is shown though the browser refuses to keep the samples; the first edit tells", async () => {
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  const refusing: LayoutStore = { ...memoryStore("test"), writeAll: () => Promise.reject(new Error("full")), write: () => Promise.reject(new Error("full")) };
  const { id, layout } = await firstLayout(
    refusing,
    SAMPLES,
    () => 1,
    () => "new",
  );
  expect(layout).toEqual(brackwater);
  const session = createSession({ kept: refusing, now: () => 2 }, id, layout);
  session.edit("share", share(0.5));
  await session.flush();
  expect(session.store.getState().saving).toEqual({ kind: "refused", reason: "full" });
  expect(told).toHaveBeenCalledTimes(1);
  told.mockRestore();
});

test("what is remembered while a number is dragged is kept once at the end, without an entry, or taken back", async () => {
  const store = memoryStore("test");
  let writes = 0;
  const counted = { ...store, write: (...args: Parameters<LayoutStore["write"]>) => ((writes += 1), store.write(...args)) };
  const session = createSession({ kept: counted, now: () => 1 }, "id", brackwater);
  session.gather();
  for (const gridMm of [6, 7, 8]) session.remember({ gridMm });
  session.commit();
  await session.flush();
  expect([writes, layoutOf(session).workbench.gridMm, session.store.getState().history.past]).toEqual([1, 8, []]);
  session.gather();
  session.remember({ gridMm: 20 });
  session.cancel();
  expect(layoutOf(session).workbench.gridMm).toBe(8);
});

test("every write hands over every picture: what another tab let go of is there again", async () => {
  const store = memoryStore("test");
  const handed: (readonly string[])[] = [];
  const watched: LayoutStore = {
    ...store,
    write: (kept, pictures) => {
      handed.push([...(pictures?.values() ?? [])]);
      return store.write(kept, pictures);
    },
  };
  const picture = { id: "a", name: "a", type: "image/png" as const, data: "AAAA" };
  const session = createSession({ kept: watched, now: () => 2 }, "id", { ...brackwater, pictures: [picture] });
  for (const name of ["One", "Two"]) {
    session.edit("name", (l) => ok({ ...l, name }));
    await session.flush();
  }
  expect(handed).toEqual([["AAAA"], ["AAAA"]]);
  expect((await store.read("id"))!.text).not.toContain("AAAA");
});

test("a kept layout that cannot be read is set aside, not deleted", async () => {
  const store = memoryStore("test");
  await store.write({ id: "bad", name: "Bad", text: "{", savedAt: 99, deletedAt: null });
  await store.write({ id: "good", name: "Good", text: writeLayout(brackwater), savedAt: 1, deletedAt: null });
  const opened = await firstLayout(
    store,
    SAMPLES,
    () => 1,
    () => "new",
  );
  expect([opened.id, opened.unreadable.map((l) => l.id)]).toEqual(["good", ["bad"]]);
  expect((await store.read("bad"))!.text).toBe("{");
});
