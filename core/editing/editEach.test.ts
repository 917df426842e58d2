import { sampleLayouts } from "../../test/samples";
import { editEach } from "./editEach";
import { changeFeel, changeHit } from "./edits/controls";

const [harbour] = sampleLayouts();
const buttons = harbour.controls.filter((c) => c.kind === "button").map((c) => c.id);

test("an edit is made to each, and to nothing else", () => {
  const made = editEach(harbour, buttons, (layout, id) => changeHit(layout, id, { minMm: 11 }));
  if (!made.ok) throw new Error("refused");
  expect(buttons.length).toBeGreaterThan(1);
  expect(made.value.controls.filter((c) => c.hit.minMm === 11).map((c) => c.id)).toEqual(buttons);
  expect(made.value.controls.filter((c) => !buttons.includes(c.id))).toEqual(harbour.controls.filter((c) => !buttons.includes(c.id)));
});

test("one that is refused refuses all, with its reason; of none nothing changes", () => {
  const stick = harbour.controls.find((c) => c.kind === "stick")!.id;
  const refused = editEach(harbour, [...buttons, stick], (layout, id) => changeFeel(layout, id, id === stick ? { inner: 2 } : { longMs: 1 }));
  if (refused.ok) throw new Error("taken");
  expect(refused.problems[0].path).toContain("inner");
  expect(editEach(harbour, [], () => refused)).toEqual({ ok: true, value: harbour });
});
