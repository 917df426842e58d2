import fc from "fast-check";
import { screenArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { arrangementFor } from "../engine/placement/arrangement";
import { aspectOf } from "../engine/placement/screen";
import { catalogueFor } from "./catalogue";
import type { Screen } from "../format/types";
import { bareOn } from "./check";
import { SEVERITIES } from "./finding";
import { facesOf, type JudgedScreen } from "./grid";
import {
  groupScreens,
  NO_FILTER,
  fitsFilter,
  playersWith,
  rangeOfScreens,
  SCREEN_ORDERS,
  screenCell,
  screensInOrder,
  shortSideMm,
  sizeClassOf,
} from "./screenFilter";

const [brackwater, , draft] = sampleLayouts();
const screens = catalogueFor("landscape");
const judged: JudgedScreen[] = screens.map((screen) => ({
  name: screen.name,
  faces: facesOf(draft).map((face) => bareOn(draft, screen, { ...face, moment: null })),
}));
const passing = (filter: Partial<typeof NO_FILTER>) => screens.filter((s, i) => fitsFilter(s, judged[i], { ...NO_FILTER, ...filter })).map((s) => s.name);

test("without a filter all pass; each filter keeps what it says and its opposite the rest", () => {
  expect(passing({})).toHaveLength(24);
  expect([...passing({ notch: "with" }), ...passing({ notch: "without" })].sort()).toEqual(screens.map((s) => s.name).sort());
  expect(passing({ held: "tall" })).toEqual([]);
  expect(passing({ sizeClass: "tablet" })).toContain("Tablet 4:3");
  expect(passing({ sizeClass: "phone" })).not.toContain("Tablet 4:3");
  expect(passing({ aspect: [1.3, 1.4] }).every((name) => Math.abs(aspectOf(screens.find((s) => s.name === name)!) - 1.35) <= 0.05 + 1e-9)).toBe(true);
  expect(passing({ shortMm: [0, 60] }).every((name) => shortSideMm(screens.find((s) => s.name === name)!) <= 60)).toBe(true);
});

test("by code and by what it is about: exactly the screens on which such a finding stands, and those not judged yet", () => {
  const has = (i: number, code: string, subject: string) =>
    judged[i].faces.some((list) => list.some((f) => f.accepted === null && f.code === code && f.subjects.includes(subject)));
  const found = judged.flatMap((one) => one.faces.flat()).find((f) => f.code === "touch/overlap" || f.code === "touch/buried")!;
  const want = screens.filter((_, i) => has(i, found.code, found.subjects[0])).map((s) => s.name);
  expect(want.length).toBeGreaterThan(0);
  const both = passing({ code: found.code, subject: found.subjects[0] });
  expect(want.every((name) => both.includes(name))).toBe(true);
  expect(fitsFilter(screens[0], null, { ...NO_FILTER, code: "touch/small" })).toBe(true);
});

test("whatever the order, every screen stands in it once, and each follows what it is ordered by", () => {
  fc.assert(
    fc.property(fc.array(screenArbitrary, { maxLength: 12 }), fc.constantFrom(...SCREEN_ORDERS), (some, order) => {
      const places = screensInOrder(
        some,
        some.map(() => null),
        order,
      );
      expect([...places].sort((a, b) => a - b)).toEqual(some.map((_, i) => i));
      // Nothing is judged, so that by gravity they stay as they are; names are compared by the test of names.
      const figure = { size: shortSideMm, aspect: aspectOf, own: (screen: Screen) => some.indexOf(screen), gravity: () => 0, name: () => 0 }[order];
      const figures = places.map((place) => figure(some[place]));
      expect(figures).toEqual([...figures].sort((a, b) => a - b));
    }),
  );
});

test("by gravity no screen stands before one with a worse finding, and those without any stand last", () => {
  // Screens of a layout with blockers, of one with notes, and such as nothing was found on.
  const mild = (screen: Screen) => ({ name: screen.name, faces: facesOf(brackwater).map((face) => bareOn(brackwater, screen, { ...face, moment: null })) });
  const mixed = screens.map((screen, i) => [mild(screen), judged[i], null][i % 3]);
  const places = screensInOrder(screens, mixed, "gravity");
  const ranks = places.map((place) => {
    const worst = screenCell(mixed[place])?.worst;
    return worst ? SEVERITIES.indexOf(worst.finding.severity) : SEVERITIES.length;
  });
  expect(new Set(ranks).size).toBeGreaterThan(1);
  expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
});

test("groups hold every screen once: by the arrangement that holds there, by class, or all together", () => {
  const places = screens.map((_, i) => i);
  const nameOf = {
    none: () => null,
    class: sizeClassOf,
    arrangement: (screen: Screen) => brackwater.arrangements[arrangementFor(brackwater.arrangements, screen)]?.name ?? null,
  };
  for (const by of ["none", "arrangement", "class"] as const) {
    const groups = groupScreens(brackwater, screens, { places, by });
    expect(groups.flatMap((g) => g.places).sort((a, b) => a - b)).toEqual(places);
    for (const { name, places: own } of groups) for (const place of own) expect(nameOf[by](screens[place])).toBe(name);
  }
});

test("the range of screens holds each of them", () => {
  const { aspect, shortMm } = rangeOfScreens(screens);
  for (const screen of screens) expect(fitsFilter(screen, null, { ...NO_FILTER, aspect, shortMm })).toBe(true);
});

test("the part of the players is the sum of what is told, never more than all, and nothing where nothing is told", () => {
  const parts = { "Tablet 4:3": 0.12, "Phone 16:9": 0.3, constructor: 0.9 };
  expect(playersWith(["Tablet 4:3", "Phone 16:9", "Small phone 16:9"], parts)).toBeCloseTo(0.42, 9);
  expect(playersWith(["Small phone 16:9", "toString"], parts)).toBeNull();
  expect(playersWith(["constructor", "Phone 16:9"], parts)).toBe(1);
});
