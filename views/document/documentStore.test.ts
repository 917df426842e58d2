import { MOST_EDITS, type LogRecord } from "../../core/versions/log";
import { changeLayout } from "../../core/editing/edits/layout";
import { changesBetween } from "../../core/versions/fieldChanges";
import { memoryStore } from "../../storage/memory";
import { ONLY_WINDOW } from "../../storage/windows";
import { sampleLayouts } from "../../test/samples";
import { composeHere } from "../../workers/writing";
import { newlyOpened, openKept } from "../../storage/openKept";
import { createDocumentStore } from "./documentStore";

const [harbour] = sampleLayouts();
const silent = { onSaving: () => undefined, onMerged: () => undefined, onLost: () => undefined, onDeleted: () => undefined, onCleared: () => undefined };
const named = (name: string) => {
  const next = changeLayout(harbour, { name });
  if (!next.ok) throw new Error("refused");
  return next.value;
};
const record = (i: number, more: Partial<LogRecord> = {}): LogRecord => ({
  id: `r${i}`,
  kind: "edit",
  label: "rename",
  time: i,
  by: "this",
  changes: changesBetween(named(`n${i - 1}`), named(`n${i}`)),
  ...more,
});

test("a log is cut when it is longer than it must be by some, at the edit that is promised and not in the middle of one", async () => {
  const kept = memoryStore("test");
  const keeper = createDocumentStore({ kept, windows: ONLY_WINDOW("this"), now: () => 1, compose: composeHere }, silent);
  keeper.open(newlyOpened("id", named("n0")));
  await keeper.settled();
  for (let i = 1; i <= MOST_EDITS + 51; i += 1) {
    keeper.add(record(i), named(`n${i}`));
    if (i % 100 === 0 || i > MOST_EDITS + 48) await keeper.settled();
  }
  const whole = (await kept.whole("id"))!;
  expect(whole.log.filter((r) => r.kind === "edit")).toHaveLength(MOST_EDITS);
  expect([whole.log[0].id, whole.log.at(-1)!.id, whole.layout.revision]).toEqual(["r52", `r${MOST_EDITS + 51}`, MOST_EDITS + 51]);
  // It is still the layout that it was, and goes on from there.
  keeper.add(record(MOST_EDITS + 52), named("last"));
  await keeper.settled();
  const again = await openKept(kept, "id");
  expect(again).toMatchObject({ ok: true, value: { layout: { name: "last" }, revision: MOST_EDITS + 52 } });
});
