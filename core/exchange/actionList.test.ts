import fc from "fast-check";
import { sampleLayouts } from "../../test/samples";
import { newLayout } from "../editing/edits/layout";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";
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

test("CSV carries every field too; of a cell left empty the action keeps what it has", () => {
  const list = get(readActionList(actionsCsv(brackwater.actions)));
  expect(get(applyActions(brackwater, list))).toEqual(brackwater);
  expect(get(applyActions(empty(), list)).actions).toEqual(brackwater.actions);
  const odd = {
    ...brackwater.actions[0],
    ease: "switches",
    combine: "strongest",
    mouse: [
      { button: 2, value: [0, -1] },
      { move: true, scale: [0.5, -2] },
    ],
    pad: [
      { button: 14, value: [-1, 0] },
      { axis: 5, scale: -0.25, inner: 0.2, outer: 0.9 },
      { stick: "right", scale: [1, 2], inner: 0.1, outer: 0.95 },
    ],
  } as Layout["actions"][number];
  expect(get(readActionList(actionsCsv([odd])))[0]).toEqual(odd);
  const bare = get(readActionList("name,keys,pad\nhelm,,\n"));
  expect(get(applyActions(brackwater, bare))).toEqual(brackwater);
});

test("any inputs come back from CSV as they were", () => {
  const number = fc.double({ min: -500, max: 500, noNaN: true }).map((n) => (Object.is(n, -0) ? 0 : n));
  const amount = fc.oneof(number, fc.tuple(number, number));
  const value = fc.option(amount, { nil: undefined }).map((v) => (v === undefined ? {} : { value: v }));
  const button = (most: number) => fc.tuple(fc.integer({ min: 0, max: most }), value).map(([n, v]) => ({ button: n, ...v }));
  const range = fc.constantFrom({ inner: 0.1, outer: 0.95 }, { inner: 0, outer: 1 }, { inner: 0.25, outer: 0.875 });
  const odd = fc.string({ minLength: 1, maxLength: 9, unit: fc.constantFrom("=", ";", "\\", " ", "\n", "\r", "\t", '"', "'", ",", "a", "＝", "+") });
  const keys = fc.array(
    fc.tuple(fc.oneof(fc.constantFrom("KeyA", "Space", "NumpadAdd"), odd), value).map(([code, v]) => ({ code, ...v })),
    { maxLength: 4 },
  );
  const mouse = fc.array(
    fc.oneof(
      button(31),
      amount.map((scale) => ({ move: true, scale })),
    ),
    { maxLength: 3 },
  );
  const pad = fc.array(
    fc.oneof(
      button(63),
      fc.tuple(fc.integer({ min: 0, max: 63 }), number, range).map(([axis, scale, r]) => ({ axis, scale, ...r })),
      fc.tuple(fc.constantFrom("left", "right"), amount, range).map(([stick, scale, r]) => ({ stick, scale, ...r })),
    ),
    { maxLength: 3 },
  );
  fc.assert(
    fc.property(keys, mouse, pad, (k, m, p) => {
      const action = { ...brackwater.actions[0], keys: k, mouse: m, pad: p } as Layout["actions"][number];
      const [read] = get(readActionList(actionsCsv([action])));
      expect([read.keys ?? [], read.mouse ?? [], read.pad ?? []]).toEqual([k, m, p]);
    }),
  );
});

test("any name and note survive a spreadsheet", () => {
  const text = fc
    .string({ minLength: 1, maxLength: 30, unit: "grapheme" })
    .filter((n) => !/[\u0000-\u001f\u007f-\u009f\u2028\u2029]/.test(n) && !n.startsWith("'") && n.trim() !== "" && n.isWellFormed());
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
  ["name,pad\nhorn,wheel 3", /row 2, pad.*stick left=scale/],
  ["name,mouse\nhorn,drag", /row 2, mouse.*move=scale/],
  ["name\nhorn\nhorn", /`horn` appears twice/],
  ['[{"kind":"press"}]', /\[0\]\.name/],
  ["[", /not JSON/],
])("%j is refused, and the fault is named", (text, message) => {
  const read = readActionList(text);
  expect(read.ok ? "" : read.problems.map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(message);
});
