import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { editContextOf, moveBy } from "../editing/placing";
import { placeableBox, placeableOf } from "../editing/placeables";
import { pxPerMm } from "../engine/placement/screen";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import type { Layout, Screen } from "../format/types";
import { catalogueFor } from "./catalogue";
import { changesOf } from "./findingChanges";
import { bareFindings } from "./check";
import { brokenBy, holdScreens, allowedWay } from "./screenHold";
import { sayIds } from "./say";
import { repeated } from "../../test/repeated";

const [harbour, , draft] = sampleLayouts();
const SCREENS = catalogueFor("landscape").slice(0, 6);
const view = PLAIN_PLAYER_VIEW;

/** What all checks say is new or worse on a screen, notes and bindings aside. */
const worseOn = (before: Layout, after: Layout, screen: Screen) =>
  changesOf(bareFindings(before, screen, view), bareFindings(after, screen, view)).filter(
    ({ kind, is }) => (kind === "new" || kind === "worse") && is!.severity !== "note" && !is!.code.startsWith("bind/"),
  );

/** A move of a control of a layout on a screen, in mm; null where it cannot be made. */
function movedBy(layout: Layout, screen: Screen, pick: number, [xMm, yMm]: readonly [number, number]): Layout | null {
  const ids = [...layout.controls, ...layout.clusters, ...layout.keepClear].map(({ id }) => id);
  if (ids.length === 0) return null;
  const mm = pxPerMm(screen);
  const made = moveBy(editContextOf(layout, screen, view), [ids[pick % ids.length]], xMm * mm, yMm * mm);
  return made.ok ? made.value : null;
}
const way = fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: -40, max: 40, noNaN: true }));

test("of any layout it says in a hurry what all checks say at leisure: whether a screen breaks", () => {
  let broke = 0;
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, fc.nat(40), way, (layout, screen, pick, by) => {
      const after = movedBy(layout, screen, pick, by);
      fc.pre(after !== null);
      const worse = worseOn(layout, after, screen);
      const broken = brokenBy(holdScreens(layout, [screen], view), after);
      if (worse.length > 0) broke += 1;
      expect(broken !== null).toBe(worse.length > 0);
      const named = broken ? [`${broken.finding.code} ${broken.finding.subjects.join()}`] : [];
      expect(worse.map(({ is }) => `${is!.code} ${is!.subjects.join()}`)).toEqual(expect.arrayContaining(named));
    }),
    { numRuns: repeated(200) },
  );
  expect(broke).toBeGreaterThan(3);
});

test.each([
  ["Brackwater", harbour],
  ["its first draft", draft],
] as const)("%s: a drag never leaves a screen broken, goes all the way where it may, and names the screen where it may not", (_, layout) => {
  const held = holdScreens(layout, SCREENS, view);
  const context = editContextOf(layout, SCREENS[5], view);
  let stopped = 0;
  for (const { id } of layout.controls.slice(0, repeated(4))) {
    let last = { way: { x: 0, y: 0 }, version: layout };
    for (let i = 1; i <= 10; i += 1) {
      const wanted = { x: 260 * Math.sin(i / 3), y: 170 * Math.sin(i / 2) };
      const edit = (at: { x: number; y: number }) => moveBy(context, [id], at.x, at.y);
      const made = allowedWay(held, edit, last, wanted);
      if (!made.ok) throw new Error(JSON.stringify(made.problems));
      const { way: reached, version, broken } = made.value;
      expect(SCREENS.flatMap((screen) => worseOn(layout, version, screen))).toEqual([]);
      if (broken) stopped += 1;
      const far = (at: { x: number; y: number }) => Math.hypot(at.x - wanted.x, at.y - wanted.y);
      expect(far(reached)).toBeLessThanOrEqual(broken ? far(last.way) + 1e-9 : 0);
      expect(broken?.finding.word(sayIds) ?? "").toContain(broken?.screen.name ?? "");
      last = made.value;
    }
  }
  expect(stopped).toBeGreaterThan(5);
});

test("against another control it gives way aside: it goes along the free axis", () => {
  const { layout, screen, resolved } = editContextOf(harbour, SCREENS[5], view);
  const held = holdScreens(layout, [screen], view);
  const box = (id: string) => placeableBox(resolved, placeableOf(layout, id)!)!;
  const [pump, towline] = [box("pump"), box("towline")];
  // Straight onto its neighbour, and a little past it to one side.
  const wanted = { x: towline.x - pump.x + 30, y: towline.y - pump.y };
  const made = allowedWay(held, (at) => moveBy(editContextOf(layout, screen, view), ["pump"], at.x, at.y), { way: { x: 0, y: 0 }, version: layout }, wanted);
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  expect(made.value.broken?.finding.code).toBe("touch/overlap");
  expect(Math.hypot(made.value.way.x, made.value.way.y)).toBeGreaterThan(0);
});

test("what was found before may stay as it was: a broken layout can still be laid out", () => {
  const screen = SCREENS[0];
  const held = holdScreens(draft, [screen], view);
  expect(bareFindings(draft, screen, view).some(({ severity }) => severity === "blocker")).toBe(true);
  expect(brokenBy(held, draft)).toBeNull();
  expect(brokenBy(held, { ...draft })).toBeNull();
});
