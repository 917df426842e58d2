import fc from "fast-check";
import { changeFeel, removePlaceables, reorderControls } from "../editing/edits/controls";
import { addAction } from "../editing/edits/actions";
import { changeLayout } from "../editing/edits/layout";
import { sampleLayouts } from "../../test/samples";
import { layoutArbitrary, frozen } from "../../test/arbitrary";
import { applyPatch, patchBetween, type LayoutPatch } from "./patch";
import type { Layout } from "./types";
import { writeLayout } from "./write";
import { repeated } from "../../test/repeated";

const [harbour] = sampleLayouts();
/** What a worker or a store makes of a patch. */
const sent = (patch: LayoutPatch) => JSON.parse(JSON.stringify(patch)) as LayoutPatch;
const must = (result: { ok: true; value: Layout } | { ok: false; problems: unknown }): Layout => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

test("a patch leads from any layout to any other, sent as text too, and back again", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, (a, b) => {
      const [before, after] = [frozen(a), frozen(b)];
      const there = patchBetween(before, after);
      expect(applyPatch(before, there)).toEqual(after);
      expect(writeLayout(applyPatch(before, sent(there)))).toBe(writeLayout(after));
      expect(applyPatch(after, patchBetween(after, before))).toEqual(before);
    }),
    { numRuns: repeated(60) },
  );
});

test("lists of any order: moved, doubled, taken out, put in", () => {
  const controls = harbour.controls;
  fc.assert(
    fc.property(fc.array(fc.nat(controls.length - 1), { maxLength: 12 }), fc.array(fc.nat(controls.length - 1), { maxLength: 12 }), (a, b) => {
      const of = (order: number[]): Layout => ({ ...harbour, controls: order.map((i) => controls[i]) });
      const after = applyPatch(of(a), patchBetween(of(a), of(b)));
      expect(after.controls).toHaveLength(b.length);
      after.controls.forEach((control, i) => expect(control).toBe(controls[b[i]]));
    }),
  );
});

test("the same version gives nothing to do, and nothing to do gives the very same version", () => {
  expect(patchBetween(harbour, harbour)).toEqual({});
  expect(patchBetween(harbour, { ...harbour, scale: { ...harbour.scale }, controls: [...harbour.controls] })).toEqual({});
  expect(applyPatch(harbour, {})).toBe(harbour);
});

test("one control changed is one control in the patch, and all others stay the objects they were", () => {
  const after = must(changeFeel(harbour, "helm", { outer: 0.9 }));
  const patch = patchBetween(harbour, after);
  expect(Object.keys(patch)).toEqual(["controls"]);
  expect(patch.controls).toMatchObject({ kind: "list", middle: [{ value: { id: "helm" } }] });
  const there = applyPatch(harbour, sent(patch));
  expect(there.controls).toEqual(after.controls);
  expect(there.controls.filter((control, i) => control !== harbour.controls[i]).map(({ id }) => id)).toEqual(["helm"]);
  expect(there.actions).toBe(harbour.actions);
});

test("order, removal and what is no longer there are told by places, not by copies", () => {
  const steps = [
    (l: Layout) => reorderControls(l, ["horn"], "bottom"),
    (l: Layout) => removePlaceables(l, ["pump", "helm"]),
    (l: Layout) => addAction(l, "anchor", "press"),
    (l: Layout) => changeLayout(l, { picture: { minAspect: 1.5, maxAspect: 2 } }),
    (l: Layout) => changeLayout(l, { picture: undefined }),
  ];
  let now = harbour;
  for (const step of steps) {
    const next = must(step(now));
    expect(applyPatch(now, sent(patchBetween(now, next)))).toEqual(next);
    now = next;
  }
  const removed = patchBetween(harbour, must(removePlaceables(harbour, ["pump"])));
  expect(JSON.stringify(removed.controls)).not.toContain('"value"');
  expect(Object.hasOwn(now, "picture") && now.picture !== undefined).toBe(false);
});

test("a key named like a part of every object is a key like any other", () => {
  const odd = { ...harbour, workbench: { ...harbour.workbench, playersPart: JSON.parse('{"__proto__":0.5,"constructor":0.25}') as Record<string, number> } };
  const there = applyPatch(harbour, sent(patchBetween(harbour, odd)));
  expect(Object.keys(there.workbench.playersPart).sort()).toEqual(["__proto__", "constructor"]);
});
