import { catalogueFor } from "../checks/catalogue";
import { checkScreen } from "../checks/check";
import { STARTERS } from "../../samples/starters";
import { sampleLayouts } from "../../test/samples";
import type { Layout } from "../format/types";
import { LOOK_SETS, putLooks, lookSetOf, type LookSet } from "./lookSets";

const put = (layout: Layout, set: LookSet): Layout => {
  const done = putLooks(layout, set);
  if (!done.ok) throw new Error(JSON.stringify(done.problems));
  return done.value;
};
const shipped = [...sampleLayouts(), ...STARTERS.map((s) => s.layout())];

test.each(LOOK_SETS)("%s: only colours change; words, icons, pictures, places and touch stay; the last set put on is worn", (set) => {
  for (const layout of shipped) {
    const dressed = put(put(layout, "solid"), set);
    expect(lookSetOf(dressed)).toBe(set);
    expect(put(dressed, set)).toEqual(dressed);
    const bare = (l: Layout) => ({ ...l, controls: l.controls.map(({ look: { rest: _r, held: _h, knob: _k, ...look }, ...c }) => ({ ...c, look })) });
    expect(bare(dressed)).toEqual(bare(layout));
  }
});

test.each(LOOK_SETS)("%s: on a starter nothing is found for it, on a phone and a tablet", (set) => {
  for (const { layout } of STARTERS) {
    const dressed = put(layout(), set);
    const screens = catalogueFor(dressed.orientation).filter((_, i) => i % 6 === 0);
    const found = screens.flatMap((screen) => checkScreen(dressed, screen, { handed: "right", playerSize: 1, moment: null }).filter((f) => !f.accepted));
    expect(found.map((f) => f.text)).toEqual([]);
  }
});

test("a layout without controls wears no set", () => {
  expect(lookSetOf({ controls: [] })).toBeNull();
});
