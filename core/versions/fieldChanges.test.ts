import fc from "fast-check";
import { layoutArbitrary, frozen } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { addAction } from "../editing/edits/actions";
import { changeFeel, removePlaceables, reorderControls } from "../editing/edits/controls";
import type { Result } from "../engine/result";
import type { Layout } from "../format/types";
import { writeLayout } from "../format/write";
import { applyChanges, changesBetween, inverseOf } from "./fieldChanges";
import { repeated } from "../../test/repeated";

const [harbour] = sampleLayouts();
const must = (result: Result<Layout>): Layout => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
/** What the browser's store makes of changes. */
const kept = <T>(value: T): T => structuredClone(value);

test("changes lead from any layout to any other and back again, to the byte, kept in between", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, (a, b) => {
      const [before, after] = [frozen(a), frozen(b)];
      const changes = kept(changesBetween(before, after));
      const there = applyChanges(before, changes);
      expect(there.conflicts).toEqual([]);
      expect(writeLayout(there.layout)).toBe(writeLayout(after));
      expect(there.layout).toEqual(after);
      const back = applyChanges(there.layout, inverseOf(changes));
      expect(writeLayout(back.layout)).toBe(writeLayout(before));
    }),
    { numRuns: repeated(60) },
  );
});

test("items of any order, taken out and put in, come out in the order wanted, and back", () => {
  const { controls } = harbour;
  const order = fc.shuffledSubarray(controls.map((_, i) => i));
  fc.assert(
    fc.property(order, order, (a, b) => {
      const of = (places: number[]): Layout => ({ ...harbour, controls: places.map((i) => controls[i]) });
      const changes = changesBetween(of(a), of(b));
      const ids = (layout: Layout) => layout.controls.map((c) => c.id);
      expect(ids(applyChanges(of(a), changes).layout)).toEqual(ids(of(b)));
      expect(ids(applyChanges(of(b), inverseOf(changes)).layout)).toEqual(ids(of(a)));
    }),
  );
});

test("a field that changed is all there is, with what was there; everything else stays the object it was", () => {
  const after = must(changeFeel(harbour, "helm", { outer: 0.9 }));
  expect(changesBetween(harbour, after)).toEqual([{ kind: "value", path: ["controls", "helm", "feel", "outer"], was: 0.95, is: 0.9 }]);
  const there = applyChanges(harbour, changesBetween(harbour, after)).layout;
  expect(there.controls).toEqual(after.controls);
  expect(there.controls.filter((control, i) => control !== harbour.controls[i]).map(({ id }) => id)).toEqual(["helm"]);
  expect(changesBetween(harbour, { ...harbour, scale: { ...harbour.scale }, controls: [...harbour.controls] })).toEqual([]);
});

test("the same edits made on another version: each finds its field wherever it stands by then", () => {
  const steps = [
    must(removePlaceables(harbour, ["pump"])),
    must(reorderControls(harbour, ["horn"], "bottom")),
    must(addAction(harbour, "anchor", "press")),
    must(changeFeel(harbour, "helm", { inner: 0.2 })),
  ];
  const all = steps.reduce((layout, step) => applyChanges(layout, changesBetween(harbour, step)).layout, harbour);
  expect(all.controls.some((c) => c.id === "pump")).toBe(false);
  expect(all.controls[0].id).toBe("horn");
  expect(all.actions.at(-1)?.name).toBe("anchor");
  expect(all.controls.find((c) => c.id === "helm")?.feel).toMatchObject({ inner: 0.2 });
});

test("a field that has another value by now is told, and left or changed as wanted; what is gone is left", () => {
  const mine = changesBetween(harbour, must(changeFeel(harbour, "helm", { inner: 0.2 })));
  const theirs = must(changeFeel(harbour, "helm", { inner: 0.3 }));
  expect(applyChanges(theirs, mine).layout).toEqual(must(changeFeel(harbour, "helm", { inner: 0.2 })));
  const left = applyChanges(theirs, mine, "leave");
  expect(left.layout).toBe(theirs);
  expect(left.conflicts.map((u) => u.why)).toEqual(["other"]);
  const without = must(removePlaceables(harbour, ["helm"]));
  expect(applyChanges(without, mine)).toMatchObject({ layout: without, conflicts: [{ why: "gone" }] });
});

test("what becomes of another kind is another value as a whole", () => {
  const after = must(changeFeel(harbour, "helm", { curve: { kind: "linear" } }));
  expect(changesBetween(harbour, after)).toMatchObject([{ path: ["controls", "helm", "feel", "curve"], is: { kind: "linear" } }]);
});
