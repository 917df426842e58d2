import { changeFeel, removePlaceables } from "../../core/editing/edits/controls";
import { compare, drawnFor } from "../../core/versions/compare";
import { sampleLayouts } from "../../test/samples";
import { openWindow } from "../../test/window";
import { timeText } from "./times";
import { choiceWord, versionOf } from "../document/versions";
import { differenceSummary } from "./differenceSummary";

const [harbour] = sampleLayouts();
const screen = drawnFor(harbour);

test("what differs is summed up in a line", () => {
  const edits = [(l: typeof harbour) => removePlaceables(l, ["pump"]), (l: typeof harbour) => changeFeel(l, "helm", { inner: 0.3 })];
  const after = edits.reduce((layout, edit) => {
    const next = edit(layout);
    return next.ok ? next.value : layout;
  }, harbour);
  expect(differenceSummary(compare(harbour, after, { screen }))).toBe("1 removed, 1 other change");
  expect(differenceSummary([])).toBe("no differences");
});

test("every version is found again: now without what is in hand, a state, an edit of the log; a gone one says so", async () => {
  const { session, states } = openWindow(harbour);
  await session.flush();
  await states.name("first");
  session.edit("inner", (l) => changeFeel(l, "helm", { inner: 0.3 }));
  session.edit("inner", (l) => changeFeel(l, "helm", { inner: 0.4 }));
  const [record] = session.store.getState().log;
  session.begin("drag");
  session.preview((l) => removePlaceables(l, ["horn"]));
  const inner = async (choice: Parameters<typeof versionOf>[0]) => {
    const read = await versionOf(choice, session, states);
    return read.ok ? [read.value.controls.find((c) => c.id === "helm")?.feel, read.value.controls.some((c) => c.id === "horn")] : read.problems[0].message;
  };
  expect(await inner({ kind: "now" })).toMatchObject([{ inner: 0.4 }, true]);
  expect(await inner({ kind: "edit", record: record.id, label: "inner" })).toMatchObject([{ inner: 0.3 }, true]);
  const [state] = await states.list();
  expect(await inner({ kind: "state", state })).toMatchObject([{ inner: 0.12 }, true]);
  expect(await inner({ kind: "edit", record: "gone", label: "x" })).toMatch(/no longer has this edit/);
  expect([choiceWord({ kind: "state", state }), choiceWord({ kind: "edit", record: "r", label: "x" }), choiceWord({ kind: "now" })]).toEqual([
    "first",
    "after “x”",
    "now",
  ]);
});

test("times are told as far as they need to be", () => {
  const now = new Date(2026, 4, 14, 15, 30).getTime();
  expect(timeText(new Date(2026, 4, 14, 9, 5).getTime(), now)).toBe("09:05");
  expect(timeText(new Date(2026, 4, 12, 14, 2).getTime(), now)).toBe("Tue 14:02");
  expect(timeText(new Date(2026, 3, 2, 14, 2).getTime(), now)).toBe("2 Apr 14:02");
});
