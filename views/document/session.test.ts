import { addAction } from "../../core/editing/edits/actions";
import { changeLayout } from "../../core/editing/edits/layout";
import { refused, ok } from "../../core/engine/result";
import { changeFeel, removePlaceables } from "../../core/editing/edits/controls";
import { writeLayout } from "../../core/format/write";
import { sampleLayouts } from "../../test/samples";
import { openWindow } from "../../test/window";
import { memoryStore } from "../../storage/memory";
import type { LayoutStore, Writing } from "../../storage/store";
import { newlyOpened, openKept } from "../../storage/openKept";
import type { Session } from "./session";
import { deleteAction, deletePlaceables } from "./remove";
import type { Layout } from "../../core/format/types";

const [brackwater] = sampleLayouts();
const fresh = (): Session => openWindow(brackwater).session;
/** A store that reports how often it was written to. */
const counted = (store: LayoutStore = memoryStore("test")) => {
  const writes: Writing[] = [];
  return { writes, store: { ...store, write: (writing: Writing) => (writes.push(writing), store.write(writing)) } satisfies LayoutStore };
};
const opened = (session: Session) => session.flush().then(() => undefined);
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
  const { writes, store } = counted();
  const { session } = openWindow(brackwater, { kept: store });
  await opened(session);
  session.gather();
  for (const s of [0.4, 0.5, 0.6]) session.edit("share of the screen", share(s));
  expect([writes.length, session.store.getState().history.past.length]).toEqual([1, 0]);
  session.commit();
  await session.flush();
  expect([writes.length, session.store.getState().history.past.map((e) => e.label)]).toEqual([2, ["share of the screen"]]);
  session.gather();
  session.edit("share of the screen", share(0.9));
  session.edit("no", (_now) => refused("there", "it cannot be"));
  expect(session.store.getState().notice?.text).toBe("there: it cannot be");
  session.cancel();
  expect(layoutOf(session).scale.share).toBe(0.6);
  expect(session.store.getState().notice).toBeNull();
  session.edit("after", share(0.7));
  expect(session.store.getState().history.past).toHaveLength(2);
});

test("a refused edit changes nothing and says why", () => {
  const session = fresh();
  expect(session.edit("no", (_now) => refused("there", "it cannot be"))).toBe(false);
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
  const { session } = openWindow(brackwater, { kept: store });
  session.begin("scale");
  session.preview(share(0.9));
  session.remember({ screen: "Tablet 4:3" });
  await session.flush();
  expect(JSON.parse((await store.read("id"))!.text)).toMatchObject({ scale: { share: 0.35 }, workbench: { screen: "Tablet 4:3" } });
  session.show(newlyOpened("other", sampleLayouts()[1]));
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
  expect(session.store.getState().notice?.text).toBe("Action “pump” removed; “pump” still leads to it, and so to nothing.");
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
  session.show(newlyOpened("other", sampleLayouts()[1]));
  expect(session.store.getState()).toMatchObject({ history: { past: [] }, selection: [], playerView: { moment: "sorting", handed: "right" } });
});

test("saved means written; a refusal is told, work goes on, and it is tried again by itself", async () => {
  const store = memoryStore("test");
  let full = false;
  const { session } = openWindow(brackwater, { kept: { ...store, write: (w) => (full ? Promise.reject(new Error("full")) : store.write(w)) } });
  await opened(session);
  full = true;
  session.edit("share", share(0.5));
  expect(session.isUnsaved()).toBe(true);
  expect(await session.flush()).toBe(false);
  expect(session.store.getState().saving).toEqual({ kind: "refused", reason: "full" });
  session.edit("share", share(0.7));
  full = false;
  await new Promise<void>((resolve) => session.store.subscribe(({ saving }) => saving.kind === "saved" && resolve()));
  expect(session.isUnsaved()).toBe(false);
  expect((await store.read("id"))!.text).toBe(writeLayout(layoutOf(session)));
});

test("undo and redo outlast the window: another one opens the layout with its history", async () => {
  const { kept, session } = openWindow(brackwater);
  session.edit("share", share(0.5));
  session.edit("delete", (l) => removePlaceables(l, ["horn"]));
  session.undo();
  await session.flush();
  const again = openWindow(brackwater, { kept }).session;
  const found = await openKept(kept, "id");
  if (!found.ok) throw new Error("not kept");
  again.show(found.value);
  again.redo();
  expect(layoutOf(again).controls.some((c) => c.id === "horn")).toBe(false);
  again.undo();
  again.undo();
  expect(writeLayout(layoutOf(again))).toBe(writeLayout(brackwater));
});

test("going to any edit of the history: back, on, and to one that was left behind", () => {
  const session = fresh();
  for (const s of [0.4, 0.5, 0.6, 0.7]) session.edit(`share ${s}`, share(s));
  const ids = session.store.getState().history.past.map((e) => e.id);
  session.goTo(ids[1]);
  expect(layoutOf(session).scale.share).toBe(0.5);
  expect(session.store.getState().history.future).toHaveLength(2);
  session.goTo(ids[2]);
  expect(layoutOf(session).scale.share).toBe(0.6);
  session.goTo(null);
  expect(layoutOf(session)).toEqual(brackwater);
  session.edit("share 0.9", share(0.9));
  session.goTo(ids[3]);
  expect(layoutOf(session).scale.share).toBe(0.7);
  expect(session.store.getState().history.past.map((e) => e.label)).toEqual(["share 0.9", "go back to “share 0.7”"]);
});

test("steps of one field that wait together are one record", async () => {
  const { writes, store } = counted();
  const { session } = openWindow(brackwater, { kept: store });
  await opened(session);
  for (const s of [0.4, 0.41, 0.42, 0.43]) session.edit("share", share(s), true);
  await session.flush();
  const records = writes.slice(1).flatMap((w) => w.records);
  expect(records.length).toBeLessThan(4);
  expect(records.at(-1)!.changes).toMatchObject([{ path: ["scale", "share"], is: 0.43 }]);
  session.undo();
  expect(layoutOf(session).scale.share).toBe(0.35);
});

test("what is remembered while a number is dragged is kept once at the end, without an entry, or taken back", async () => {
  const { writes, store } = counted();
  const { session } = openWindow(brackwater, { kept: store });
  await opened(session);
  session.gather();
  for (const gridMm of [6, 7, 8]) session.remember({ gridMm });
  session.commit();
  await session.flush();
  expect([writes.length, layoutOf(session).workbench.gridMm, session.store.getState().history.past]).toEqual([2, 8, []]);
  session.gather();
  session.remember({ gridMm: 20 });
  session.cancel();
  expect(layoutOf(session).workbench.gridMm).toBe(8);
});

test("every write hands over every picture: what another tab let go of is there again; none is in the log", async () => {
  const { writes, store } = counted();
  const { session } = openWindow({ ...brackwater, pictures: [{ id: "a", name: "a", type: "image/png" as const, data: "AAAA" }] }, { kept: store });
  await opened(session);
  session.edit("name", (l) => ok({ ...l, name: "One" }));
  await opened(session);
  session.edit("away", (l) => ok({ ...l, pictures: [] }));
  await opened(session);
  expect(writes.map((w) => [...(w.pictures?.values() ?? [])])).toEqual([["AAAA"], ["AAAA"], ["AAAA"]]);
  expect(JSON.stringify(writes.map(({ text, records }) => [text, records]))).not.toContain("AAAA");
  const found = await openKept(store, "id");
  const again = openWindow(brackwater, { kept: store }).session;
  again.show(found.ok ? found.value : newlyOpened("id", brackwater));
  again.undo();
  expect(layoutOf(again).pictures).toMatchObject([{ data: "AAAA" }]);
});
