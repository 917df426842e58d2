import { sampleLayouts } from "../../test/samples";
import { addAction } from "../editing/edits/actions";
import { changeFeel, removePlaceables } from "../editing/edits/controls";
import { changeLayout } from "../editing/edits/layout";
import { parseLayout } from "../format/parse";
import { plainLayout } from "../format/write";
import type { Result } from "../engine/result";
import type { Layout } from "../format/types";
import { changesBetween } from "./fieldChanges";
import { historyOf, listedEntries, turnEntry, recordsToTrim, versionAt, withRecord, NO_HISTORY, type LogRecord } from "./log";
import { merge } from "./merge";

const [harbour] = sampleLayouts();
const must = (result: Result<Layout>): Layout => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
type Edit = (layout: Layout) => Result<Layout>;
let count = 0;
const recorded = (before: Layout, after: Layout, more: Partial<LogRecord> = {}): LogRecord => ({
  id: `r${(count += 1)}`,
  kind: "edit",
  label: "change",
  time: count,
  by: "me",
  changes: changesBetween(before, after),
  ...more,
});
/** The records of edits made one after the other, and where they lead. */
function madeOf(before: Layout, edits: readonly Edit[], by = "me"): { records: LogRecord[]; layout: Layout } {
  const records: LogRecord[] = [];
  let layout = before;
  for (const edit of edits) {
    const next = must(edit(layout));
    records.push(recorded(layout, next, { by }));
    layout = next;
  }
  return { records, layout };
}
const inner = (value: number) => (l: Layout) => changeFeel(l, "helm", { inner: value });
const outer = (value: number) => (l: Layout) => changeFeel(l, "helm", { outer: value });
const copyOfHorn: Edit = (l) => ({
  ok: true,
  value: { ...l, controls: [...l.controls, { ...l.controls.find((c) => c.id === "horn")!, id: "horn-2", name: "Horn two" }] },
});
const copyOfPump: Edit = (l) => ({
  ok: true,
  value: { ...l, controls: [...l.controls, { ...l.controls.find((c) => c.id === "pump")!, id: "horn-2", name: "Pump two" }] },
});

describe("two sides of one layout", () => {
  test("what only one of them touched is kept from both, in either order", () => {
    const mine = madeOf(harbour, [inner(0.2), (l) => addAction(l, "anchor", "press")]).records;
    const theirs = madeOf(harbour, [outer(0.9), (l) => removePlaceables(l, ["pump"])], "you").records;
    for (const [own, others] of [
      [mine, theirs],
      [theirs, mine],
    ]) {
      const { layout, lost } = merge({ written: harbour, records: own }, others);
      expect(lost).toEqual([]);
      expect(layout.controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.2, outer: 0.9 });
      expect(layout.controls.some((c) => c.id === "pump")).toBe(false);
      expect(layout.actions.some((a) => a.name === "anchor")).toBe(true);
    }
  });

  test("of one field the later write stands, and the earlier version is handed out", () => {
    const mine = madeOf(harbour, [inner(0.2), inner(0.25)]).records;
    const theirs = madeOf(harbour, [inner(0.3)], "you");
    const { layout, lost } = merge({ written: harbour, records: mine }, theirs.records);
    expect(layout.controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.25 });
    expect(lost).toEqual([{ whose: "theirs", layout: theirs.layout, label: "change" }]);
  });

  test("an edit of what the other took away leads nowhere, and one's own version is handed out", () => {
    const mine = madeOf(harbour, [inner(0.2)]);
    const theirs = madeOf(harbour, [(l) => removePlaceables(l, ["helm"])], "you");
    const { layout, lost, records } = merge({ written: harbour, records: mine.records }, theirs.records);
    expect(layout).toEqual(theirs.layout);
    expect(records).toEqual([]);
    expect(lost).toEqual([{ whose: "own", layout: mine.layout, label: "change" }]);
  });

  test("two new things called alike both stay, the later under an id of its own", () => {
    const mine = madeOf(harbour, [copyOfHorn]);
    const theirs = madeOf(harbour, [copyOfPump], "you");
    const { layout, lost } = merge({ written: harbour, records: mine.records }, theirs.records);
    expect(layout.controls.slice(-2).map((c) => [c.id, c.name])).toEqual([
      ["horn-2", "Pump two"],
      ["horn-2-2", "Horn two"],
    ]);
    expect(lost).toEqual([]);
    expect(parseLayout(plainLayout(layout)).ok).toBe(true);
  });

  test("what would be no sound layout is never made: the later stands back", () => {
    const mine = madeOf(harbour, [
      (l) => ({ ok: true, value: { ...l, controls: l.controls.map((c) => (c.id === "horn" ? { ...c, moments: ["alongside"] } : c)) } }),
    ]);
    const away = { ...harbour, moments: harbour.moments.filter((m) => m.id !== "alongside") };
    const without = {
      ...away,
      ...Object.fromEntries(
        (["actions", "controls", "keepClear"] as const).map((k) => [k, harbour[k].map((c) => ({ ...c, moments: c.moments.filter((m) => m !== "alongside") }))]),
      ),
    } as Layout;
    const { layout, lost } = merge({ written: harbour, records: mine.records }, [recorded(harbour, without, { by: "you" })]);
    expect(layout).toEqual(without);
    expect(lost.map((l) => l.whose)).toEqual(["own"]);
  });
});

test("of several of one's own edits that meet nothing any more, what is handed out has all of them", () => {
  const mine = madeOf(harbour, [inner(0.2), (l) => changeFeel(l, "helm", { outer: 0.9 })]);
  const without = must(removePlaceables(harbour, ["helm"]));
  const { lost } = merge({ written: harbour, records: mine.records }, [recorded(harbour, without, { by: "you" })]);
  expect(lost.map(({ whose }) => whose)).toEqual(["own"]);
  expect(lost[0].layout).toEqual(mine.layout);
});

describe("the log", () => {
  const share = (value: number) => (l: Layout) => changeLayout(l, { scale: { ...l.scale, share: value } });

  test("undo takes back one's own, whatever others did since, and redo makes it again", () => {
    const a = madeOf(harbour, [inner(0.2)]);
    const b = madeOf(a.layout, [share(0.9)], "you");
    const records = [...a.records, ...b.records];
    const history = historyOf(records, (by) => by === "me");
    expect(history.past.map((e) => e.id)).toEqual([a.records[0].id]);
    const back = turnEntry(b.layout, history.past[0]);
    expect(back.layout).toEqual(must(share(0.9)(harbour)));
    const undo: LogRecord = { ...recorded(b.layout, back.layout), kind: "undo", of: a.records[0].id };
    const after = withRecord(history, undo);
    expect([after.past.length, after.future.length]).toEqual([0, 1]);
    expect(turnEntry(back.layout, after.future[0]).layout).toEqual(b.layout);
    expect(versionAt(back.layout, [...records, undo], a.records[0].id)).toEqual(a.layout);
    expect(versionAt(back.layout, [...records, undo], "nobody")).toBeNull();
  });

  test("a field that others have changed since is left when one's own edit is taken back", () => {
    const a = madeOf(harbour, [(l) => must2(inner(0.2)(l), outer(0.9))]);
    const b = madeOf(a.layout, [inner(0.4)], "you");
    const back = turnEntry(b.layout, historyOf(a.records, () => true).past[0]);
    expect(back.layout.controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.4, outer: 0.95 });
    expect(back.left).toHaveLength(1);
  });

  test("steps of one field are one entry, and come back together", () => {
    const { records, layout } = madeOf(harbour, [share(0.4), share(0.5), share(0.6)]);
    const joined = records.map((r, i) => (i === 0 ? r : { ...r, joins: records[0].id }));
    const history = historyOf(joined, () => true);
    expect(history.past).toHaveLength(1);
    expect(turnEntry(layout, history.past[0]).layout).toEqual(harbour);
    expect(listedEntries(joined, history)).toMatchObject([{ lastRecord: records[2].id, standing: "done", entry: { time: records[2].time } }]);
  });

  test("the list tells what holds, what can be made again, and what was left behind", () => {
    const { records } = madeOf(harbour, [share(0.4), share(0.5)]);
    const undo = (of: string): LogRecord => ({ ...recorded(harbour, harbour), kind: "undo", of });
    const log = [...records, undo(records[1].id)];
    const standings = (all: LogRecord[]) =>
      listedEntries(
        all,
        historyOf(all, () => true),
      ).map((l) => l.standing);
    expect(standings(log)).toEqual(["undone", "done"]);
    expect(standings([...log, recorded(harbour, must(share(0.7)(harbour)))])).toEqual(["done", "dropped", "done"]);
    expect(withRecord(NO_HISTORY, { ...records[0], kind: "remembered" })).toBe(NO_HISTORY);
  });

  test("the log is cut before the last edits it promises, and never in the middle of one", () => {
    const { records } = madeOf(harbour, [share(0.4), share(0.5), share(0.6), share(0.7)]);
    const joined = [records[0], { ...records[1], joins: records[0].id }, { ...records[2], kind: "remembered" as const }, records[3]];
    expect(recordsToTrim(joined, 1)).toBe(3);
    expect(recordsToTrim(joined, 2)).toBe(0);
    expect(recordsToTrim(joined, 5)).toBe(0);
  });
});

function must2(first: Result<Layout>, then: Edit): Result<Layout> {
  return then(must(first));
}
