import { finish } from "../../test/steps";
import { ok } from "../../core/engine/result";
import { changeFeel } from "../../core/editing/edits/controls";
import { memoryStore } from "../../storage/memory";
import { bareTake, standing, tap } from "../../test/takes";
import { sampleLayouts } from "../../test/samples";
import { openWindow, testId } from "../../test/window";
import { makeBackup, takeBackup, takenBackText } from "../../storage/backupZip";

const [brackwater] = sampleLayouts();
const picture = { id: "a", name: "a", type: "image/png" as const, data: "AAAA" };
const withPicture = { ...brackwater, pictures: [picture] };
const take = bareTake(withPicture, tap(10, 1, standing(bareTake(brackwater), brackwater, "horn")), { name: "quay" });

test("a take is kept without its frames and opened again with the layout it was played on, whatever becomes of that", async () => {
  const { session, takes, kept } = openWindow(withPicture);
  const told: string[] = [];
  takes.subscribe(() => told.push("changed"));
  const row = await takes.keep({ ...take, frames: [{ t: 1, values: {} }] }, session.store.getState().layout);
  expect(row).toMatchObject({ ok: true, value: { layout: "id", name: "quay", digest: take.layout } });
  expect(told).toEqual(["changed"]);
  session.edit("no picture, another feel", (l) => changeFeel({ ...l, pictures: [] }, "helm", { inner: 0.3 }));
  await session.flush();
  await kept.sweep();
  const [listed] = await takes.list();
  expect(listed.seconds).toBeGreaterThan(0);
  expect(await takes.open(listed)).toEqual(ok({ take, on: withPicture }));
});

test("renamed, removed and brought back; one without a name is refused", async () => {
  const { session, takes } = openWindow(brackwater);
  await takes.keep(take, brackwater);
  const [row] = await takes.list();
  expect(await takes.rename(row, "  ")).toMatchObject({ ok: false });
  expect(await takes.rename(row, "in a hurry")).toEqual(ok(true));
  const [renamed] = await takes.list();
  const opened = await takes.open(renamed);
  expect(opened.ok && opened.value.take.name).toBe("in a hurry");
  await takes.remove(renamed);
  expect(await takes.list()).toEqual([]);
  expect(await takes.open(renamed)).toMatchObject({ ok: false });
  session.store.getState().notice!.act!.run();
  await new Promise((done) => setTimeout(done));
  expect(await takes.list()).toEqual([renamed]);
  expect((await takes.open(renamed)).ok).toBe(true);
});

test("a store that refuses is told, and nothing is said to be kept", async () => {
  const kept = { ...memoryStore("test"), writeTake: () => Promise.reject(new Error("the disk is full")) };
  const { takes } = openWindow(brackwater, { kept });
  const done = await takes.keep(take, brackwater);
  expect(done.ok || done.problems[0].message).toMatch(/the take could not be stored: .*the disk is full/);
});

test("a backup carries takes with what they were played on; those that are there already are left, and one that is damaged is told", async () => {
  const { session, takes, kept } = openWindow(withPicture);
  await session.flush();
  await takes.keep(take, withPicture);
  const bytes = await finish(makeBackup(kept, 9));
  const elsewhere = memoryStore("test");
  const parts = { kept: elsewhere, now: () => 50, newId: testId };
  const done = await finish(takeBackup(parts, bytes));
  expect(done.ok && takenBackText(done.value)).toBe("1 layout added, 1 take added.");
  const there = openWindow(withPicture, { kept: elsewhere });
  const [row] = await there.takes.list();
  expect(await there.takes.open(row)).toEqual(ok({ take, on: withPicture }));
  const again = await finish(takeBackup(parts, bytes));
  expect(again.ok && takenBackText(again.value)).toBe("1 identical.");
});
