import fc from "fast-check";
import { repeated } from "../../test/repeated";
import { sampleLayouts } from "../../test/samples";
import { duplicateControls } from "../editing/edits/controls";
import { portFits, serveLacks } from "../engine/input/fits";
import type { Layout, Serve } from "../format/types";
import { copyWires, wireTargets } from "./copiedWires";

const [brackwater] = sampleLayouts();
const servesOf = (layout: Layout, id: string) => layout.controls.find((c) => c.id === id)!.serves as readonly Serve[];

/** Brackwater with a copy of every control that serves nothing. */
function withBareCopies() {
  const made = duplicateControls(
    brackwater,
    brackwater.controls.map((c) => ({ ...c, serves: [] }) as typeof c),
  );
  if (!made.ok) throw new Error("the controls could not be copied");
  return { layout: made.value.layout, originals: new Map(made.value.ids.map((id, i) => [id, brackwater.controls[i].id])) };
}

test("copies serve what their originals serve, and nothing else changes", () => {
  const { layout, originals } = withBareCopies();
  const copied = copyWires(layout, originals);
  if (!copied.ok) throw new Error(copied.problems[0].message);
  for (const [copy, original] of originals) expect(servesOf(copied.value, copy)).toEqual(servesOf(brackwater, original));
  expect(copied.value.controls.slice(0, brackwater.controls.length)).toEqual(brackwater.controls);
});

test("whatever actions are chosen, each copied wire fits its action; an action that is not offered gets no wire", () => {
  const { layout, originals } = withBareCopies();
  const offered = wireTargets(layout, originals);
  expect(offered.map(({ action }) => action)).toEqual([...new Set(brackwater.controls.flatMap((c) => c.serves.map((s) => s.action)))]);
  const names = [null, ...layout.actions.map(({ name }) => name)];
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...names), { minLength: offered.length, maxLength: offered.length }), (chosen) => {
      const copied = copyWires(layout, originals, new Map(offered.map(({ action }, i) => [action, chosen[i]])));
      if (!copied.ok) throw new Error(copied.problems[0].message);
      offered.forEach(({ action, fitting }, i) => {
        const target = layout.actions.find(({ name }) => name === chosen[i]);
        for (const [copy, original] of originals) {
          const expected = servesOf(brackwater, original).filter((s) => s.action === action && target && portFits(s.port, target.kind));
          const got = servesOf(copied.value, copy).filter((s) => expected.some((e) => e.port === s.port) && s.action === chosen[i]);
          expect(got.map((s) => s.port)).toEqual(expect.arrayContaining(expected.map((s) => s.port)));
          for (const serve of got) expect(serveLacks(serve.port, target!.kind, serve.value, serve.scale)).toBeNull();
        }
        const isServed = [...originals.keys()].some((copy) => servesOf(copied.value, copy).some((s) => s.action === target?.name));
        expect(isServed || !target || !fitting.includes(target)).toBe(true);
      });
    }),
    { numRuns: repeated(60) },
  );
});
