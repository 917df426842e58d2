import { finish } from "../test/steps";
import { strToU8, unzipSync, zipSync } from "fflate";
import { ok } from "../core/engine/result";
import { changeLayout } from "../core/editing/edits/layout";
import { readLayout } from "../core/format/parse";
import { writeLayout } from "../core/format/write";
import { memoryStore } from "./memory";
import { sampleLayouts } from "../test/samples";
import { openWindow, testId } from "../test/window";
import { makeBackup, takeBackup, takenBackText } from "./backupZip";
import { openKept } from "./openKept";

const [brackwater, pigeonhole] = sampleLayouts();
const picture = { id: "a", name: "a", type: "image/png" as const, data: "AAAA" };
const parts = (kept = memoryStore("test"), now = 50) => ({ kept, now: () => now, newId: testId });

/** A store with two layouts, one of them deleted, a picture and a named state. */
async function filled() {
  const { kept, session, library, states } = openWindow({ ...brackwater, pictures: [picture] });
  await session.flush();
  await states.name("before the playtest");
  session.edit("no picture", (l) => ok({ ...l, pictures: [] }));
  await session.flush();
  await library.add(pigeonhole);
  await library.remove(session.store.getState().id);
  return kept;
}

test("a backup brings everything into an empty browser: layouts, deleted ones as deleted, states with their pictures", async () => {
  const bytes = await finish(makeBackup(await filled(), 9));
  const files = unzipSync(bytes);
  const layoutFile = Object.keys(files).find((name) => name.endsWith("-brackwater.nodulum.json") && name.startsWith("layouts/"))!;
  expect(readLayout(new TextDecoder().decode(files[layoutFile]))).toEqual(ok({ ...brackwater, pictures: [] }));
  const { kept } = parts();
  const done = await finish(takeBackup(parts(kept), bytes));
  expect(done).toMatchObject({ ok: true, value: { added: ["Brackwater", "Pigeonhole"], left: [], states: 1, problems: [] } });
  const { layouts } = await kept.all();
  expect(layouts.map((l) => [l.name, l.deletedAt !== null])).toEqual([
    ["Brackwater", false],
    ["Pigeonhole", true],
  ]);
  const [state] = await kept.states("id");
  expect(state.name).toBe("before the playtest");
  expect([...(await kept.pictures([/sha256:(\w+)/.exec(state.text)![1]])).values()]).toEqual(["AAAA"]);
  const again = await finish(takeBackup(parts(kept), bytes));
  expect(again.ok && takenBackText(again.value)).toBe("2 identical.");
});

test("what is newer here stays; what is older becomes as it was in the backup, as a step that can be undone", async () => {
  const { kept, session } = openWindow(brackwater);
  session.edit("name", (l) => changeLayout(l, { name: "In the backup" }));
  await session.flush();
  const bytes = await finish(makeBackup(kept, 9));
  session.edit("name", (l) => changeLayout(l, { name: "Newer" }));
  await session.flush();
  expect(await finish(takeBackup(parts(kept), bytes))).toMatchObject({ ok: true, value: { left: ["Newer"], renewed: [] } });
  expect((await kept.read("id"))!.name).toBe("Newer");

  const older = memoryStore("test");
  await older.addAll([{ id: "id", name: "Brackwater", text: writeLayout(brackwater), savedAt: 1, deletedAt: null, revision: 0 }]);
  expect(await finish(takeBackup(parts(older), bytes))).toMatchObject({ ok: true, value: { renewed: ["In the backup"] } });
  const opened = await openKept(older, "id");
  if (!opened.ok) throw new Error("not kept");
  const window = openWindow(brackwater, { kept: older }).session;
  window.show(opened.value);
  expect(window.store.getState().layout.name).toBe("In the backup");
  window.undo();
  expect(writeLayout(window.store.getState().layout)).toBe(writeLayout(brackwater));
});

test.each([
  ["no zip", strToU8("hello"), /zip cannot be read/],
  ["a zip of something else", zipSync({ "a.txt": strToU8("a") }), /backup\.json: is not JSON/],
  ["another format", zipSync({ "backup.json": strToU8('{"format":"x"}') }), /must be "nodulum-backup"/],
  ["a newer backup", zipSync({ "backup.json": strToU8('{"format":"nodulum-backup","version":2,"made":1,"layouts":[],"states":[]}') }), /has version 2/],
])("%s is refused with the reason", async (_what, bytes, why) => {
  const done = await finish(takeBackup(parts(), bytes));
  expect(done).toMatchObject({ ok: false, problems: expect.anything() as unknown });
  expect(done.ok ? "" : done.problems.map((p) => `${p.path}: ${p.message}`).join()).toMatch(why);
});

test("what of a backup is damaged is told, and the rest is taken", async () => {
  const files = unzipSync(await finish(makeBackup(await filled(), 9)));
  const [first] = Object.keys(files).filter((name) => name.startsWith("layouts/"));
  files[first] = strToU8("{ broken");
  for (const name of Object.keys(files)) if (name.startsWith("pictures/")) files[name] = strToU8("BBBB");
  const done = await finish(takeBackup(parts(), zipSync(files)));
  expect(done).toMatchObject({ ok: true, value: { added: ["Pigeonhole"], states: 0 } });
  expect(done.ok && done.value.problems).toEqual([
    expect.stringMatching(/“Brackwater”: this is not JSON/),
    expect.stringMatching(/the state “before the playtest”/),
  ]);
});
