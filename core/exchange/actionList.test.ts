import fc from "fast-check";
import { sampleLayouts } from "../../samples/samples";
import { newLayout } from "../layout/edits/whole";
import type { Layout } from "../layout/types";
import type { Result } from "../result";
import { actionsCsv, actionsJson, applyActions, previewActions, readActionList } from "./actionList";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const [brackwater] = sampleLayouts();
const empty = (): Layout => ({ ...get(newLayout("New", { width: 1600, height: 720 })), moments: brackwater.moments });

test("JSON carries every field: taken over by an empty layout, the actions are the same", () => {
  const list = get(readActionList(actionsJson(brackwater.actions)));
  expect(get(applyActions(empty(), list)).actions).toEqual(brackwater.actions);
  expect(previewActions(brackwater, list)).toEqual({ added: [], changed: [], same: brackwater.actions.length, unnamed: [] });
});

test("CSV carries what it has columns for, and leaves the rest as it is", () => {
  const list = get(readActionList(actionsCsv(brackwater.actions)));
  expect(get(applyActions(brackwater, list))).toEqual(brackwater);
  const bare = get(applyActions(empty(), list)).actions;
  expect(bare.map(({ name, kind, moments, keys, note }) => ({ name, kind, moments, keys, note }))).toEqual(
    brackwater.actions.map(({ name, kind, moments, keys, note }) => ({ name, kind, moments, keys, note })),
  );
});

test("any name and note survive a spreadsheet", () => {
  const text = fc
    .string({ minLength: 1, maxLength: 30, unit: "grapheme" })
    .filter((n) => !/[\u0000-\u001f\u007f-\u009f]/.test(n) && !n.startsWith("'") && n.trim() !== "" && n.isWellFormed());
  fc.assert(
    fc.property(text, text, (name, note) => {
      const action = { ...brackwater.actions[0], name, note };
      expect(get(readActionList(actionsCsv([action])))[0]).toMatchObject({ name, note, keys: action.keys });
    }),
  );
});

test("a list that says little changes little, and the preview says what", () => {
  const list = get(readActionList("name,kind,note\nhorn,,loud\nflare,press,\n"));
  expect(previewActions(brackwater, list)).toMatchObject({
    added: [{ name: "flare", kind: "press" }],
    changed: [{ name: "horn", fields: [{ field: "note", to: "loud" }] }],
    same: 0,
  });
  const next = get(applyActions(brackwater, list));
  expect(next.actions.find((a) => a.name === "horn")).toEqual({ ...brackwater.actions.find((a) => a.name === "horn")!, note: "loud" });
  expect(next.actions.at(-1)).toMatchObject({ name: "flare", kind: "press", moments: brackwater.moments.map((m) => m.id) });
  expect(previewActions(brackwater, list).unnamed).not.toContain("horn");
});

test.each([
  ["kind\npress", /name is missing/],
  ["name,weight\nhorn,3", /unknown column "weight"/],
  ["name,kind\nhorn,shout", /row 2, kind: must be "press"/],
  ["name,read\nhorn,maybe", /row 2, read.*neither yes nor no/],
  ["name,keys\nhorn,KeyH=loud", /row 2, keys.*CODE=number/],
  ["name\nhorn\nhorn", /`horn` stands twice/],
  ['[{"kind":"press"}]', /\[0\]\.name/],
  ["[", /not JSON/],
])("%j is refused, and the fault is named", (text, message) => {
  const read = readActionList(text);
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problems.map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(message);
});
