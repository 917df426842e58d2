import fc from "fast-check";
import { layoutArbitrary } from "../../test/arbitrary";
import { changesBetween } from "../versions/fieldChanges";
import { readableLog, readKeptLayout, readKeptState, readLogRecord, withPictureData } from "./storedRecords";
import { repeated } from "../../test/repeated";

test("whatever is written into the log is read again as it was", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, (a, b) => {
      const record = { id: "r", kind: "edit" as const, label: "change", time: 5, by: "me", changes: changesBetween(a, b) };
      expect(readLogRecord(structuredClone(record))).toEqual({ ok: true, value: record });
    }),
    { numRuns: repeated(40) },
  );
});

test.each([
  ["no object", 7],
  ["no id", { name: "A", text: "{}", savedAt: 1 }],
  ["a text that is none", { id: "a", name: "A", text: 5, savedAt: 1 }],
  ["a time that is none", { id: "a", name: "A", text: "{}", savedAt: "yesterday" }],
])("a kept layout with %s is refused, and nothing is thrown", (_what, value) => {
  expect(readKeptLayout(value).ok).toBe(false);
  expect(readKeptState(value).ok).toBe(false);
});

test("a log is used from behind its last bad record: what came before it cannot be reached from now", () => {
  const record = (id: string) => ({ id, kind: "undo", label: "", time: 1, by: "", of: "x", changes: [] });
  expect(readableLog([record("1"), { ...record("2"), kind: "dance" }, record("3"), record("4")]).map((r) => r.id)).toEqual(["3", "4"]);
  expect(readableLog([])).toEqual([]);
});

test("pictures are told by their digests wherever they stand, and nothing else is touched", () => {
  const changes = [
    { kind: "value", path: ["pictures", "a"], is: { id: "a", data: "AAAA" } },
    { kind: "value", path: ["workbench", "picture", "data"], was: "AAAA", is: "BBBB" },
    { kind: "value", path: ["controls", "data"], is: { data: "AAAA" } },
    { kind: "order", path: ["pictures"], was: ["data"], is: ["data"] },
  ] as const;
  expect(withPictureData(changes, (data) => `#${data}`)).toEqual([
    { kind: "value", path: ["pictures", "a"], is: { id: "a", data: "#AAAA" }, was: undefined },
    { kind: "value", path: ["workbench", "picture", "data"], was: "#AAAA", is: "#BBBB" },
    changes[2],
    changes[3],
  ]);
});
