import { GLASS, layoutOf, pinned, RIGHT, saidByChecks } from "../../../test/settleCases";
import { sampleLayouts } from "../../../test/samples";
import { isStorm } from "../../../test/repeated";
import { requestFor } from "../../../test/spoiled";
import { catalogueFor } from "../../checks/catalogue";
import { checked } from "../../editing/edits/checked";
import { placementIn } from "../../editing/placeables";
import { arrangementFor } from "../../engine/placement/arrangement";
import { plainScreen } from "../../engine/placement/screen";
import type { Layout, Screen } from "../../format/types";
import { bareFindings } from "../../checks/check";
import { takenIntoArrangement, withoutSame, withOwnPlaces } from "./ownArrangement";
import { shownApart } from "./shownApart";
import { settle } from "../settle";
import { requestForSuggestion } from "./requestFor";

const NARROW = plainScreen("Narrow", 170, 95, 254);
const three = ["pump", "horn", "towline"].map((id, i) => pinned(id, "button", [4.6 + 3.9 * i, 4.75], 9));
const value = <T>(made: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: unknown }): T => {
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  return made.value;
};
const found = (layout: Layout, screen: Screen) => bareFindings(layout, screen, { handed: "right", playerSize: 1, moment: null });

test("each way out leads on: what is asked then is a sound layout, and less remains of it", () => {
  const request = requestFor(layoutOf(three), [NARROW], RIGHT);
  const settled = settle(request);
  const ways = settled.unsolved.flatMap(({ suggestions }) => suggestions);
  expect(ways.length).toBeGreaterThan(0);
  // One of each kind, in the storm all.
  const tried = isStorm ? ways : ways.filter(({ kind }, i) => ways.findIndex((other) => other.kind === kind) === i);
  for (const way of tried) {
    const next = value(requestForSuggestion(request, way, [NARROW]));
    expect(checked(request.layout, next.layout).ok).toBe(true);
    expect(settle(next).remaining.length).toBeLessThan(settled.remaining.length);
  }
});

test("smaller targets change the limit and nothing else", () => {
  const request = requestFor(layoutOf(three), [NARROW], RIGHT);
  const next = value(requestForSuggestion(request, { kind: "smaller-targets", minTargetMm: 6, text: "", costMm2: null }, [NARROW]));
  expect(next.layout).toEqual({ ...request.layout, limits: { ...request.layout.limits, minTargetMm: 6 } });
});

test("of two controls one is shown when the other is not, with what it alone serves; a layout without moments gets them", () => {
  const press = (id: string, x: number, word: string) => pinned(id, "button", [x, 40], 12, { serves: [{ port: "press", action: word }] });
  const actions = ["pump", "horn"].map((name) => ({ name, kind: "press" }));
  const plain = value(shownApart(layoutOf([press("a", 40, "pump"), press("b", 46, "horn"), press("c", 90, "horn")], { actions }), "a", "b"));
  const momentsOf = (layout: Layout, id: string) => layout.controls.find((c) => c.id === id)!.moments;
  expect(plain.moments).toHaveLength(2);
  expect(momentsOf(plain, "a").some((moment) => momentsOf(plain, "b").includes(moment))).toBe(false);
  expect(momentsOf(plain, "c")).toHaveLength(2);
  expect(plain.actions.map(({ moments }) => moments)).toEqual([momentsOf(plain, "a"), plain.moments.map(({ id }) => id)]);
  expect(checked(layoutOf([]), plain).ok).toBe(true);
  expect(found(plain, GLASS).filter(({ code }) => code === "touch/overlap" || code === "bind/unserved")).toEqual([]);
  // Where it has its own moments already, it keeps those.
  const timed = layoutOf([press("a", 40, "pump"), { ...press("b", 46, "horn"), moments: ["one"] }], {
    actions,
    moments: [
      { id: "one", name: "One" },
      { id: "two", name: "Two" },
    ],
  });
  const apart = value(shownApart(timed, "a", "b"));
  expect([momentsOf(apart, "a"), apart.moments]).toEqual([["two"], timed.moments]);
});

const WIDE = plainScreen("Wide", 2000, 720, 254);
const SQUARE = plainScreen("Square", 900, 720, 254);
/** On the square the two meet, for each is tied to its own side. */
const two = layoutOf([
  pinned("a", "button", [30, 50], 12),
  {
    ...pinned("b", "button", [0, 50], 12),
    placement: { kind: "pin", frame: "screen", anchor: [1, 0], pivot: [0.5, 0.5], offset: ["-55mm", "50mm"], size: ["12mm", "12mm"] },
  },
]);

test("an arrangement with its own places is settled there and leaves the base; what it says just as the base does goes", () => {
  const request = requestFor(two, [WIDE, SQUARE], RIGHT);
  const way = { kind: "arrangement", screens: ["Square"], text: "", costMm2: null } as const;
  const next = value(requestForSuggestion(request, way, [WIDE, SQUARE]));
  const { id } = next.layout.arrangements[0];
  const settled = settle(next);
  expect(settled.kind).toBe("settled");
  const layout = withoutSame(settled.layout, id);
  expect(layout.controls).toEqual(two.controls);
  expect(found(layout, WIDE)).toEqual(found(two, WIDE));
  expect(found(layout, SQUARE).filter(({ code }) => code !== "bind/silent")).toEqual([]);
  expect(withoutSame(next.layout, id).arrangements[0].overrides).toEqual({});
});

test("taken into an arrangement: as settled on the screens that asked, as before on every other", () => {
  const request = requestFor(two, [SQUARE], RIGHT);
  const settled = settle(request);
  const { layout, others } = value(takenIntoArrangement(two, settled.layout, { screens: [SQUARE], shelf: [WIDE, SQUARE], name: "Here" }));
  expect([others, layout.controls]).toEqual([0, two.controls]);
  for (const key of ["a", "b"]) expect(placementIn(layout, layout.arrangements[0].id, key)).toEqual(placementIn(settled.layout, null, key));
  expect(arrangementFor(layout.arrangements, WIDE)).toBe(-1);
  expect(saidByChecks(request, layout)).toEqual({ left: settled.remaining.length, worse: [] });
});

test("screens that have several arrangements get none more: what is their own would be told twice", () => {
  const split: Layout = { ...two, arrangements: [{ id: "wide", name: "Wide", when: { aspect: { min: 2.5 } }, overrides: {} }] };
  expect(withOwnPlaces(split, { screens: [WIDE, SQUARE], shelf: [WIDE, SQUARE], name: "Both" })).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining("several arrangements") }],
  });
});

test("notes left free: what a note stood in the way of goes, as the way out says; nothing but notes is worse, and they only where they are not asked for", () => {
  const screen = plainScreen("Tablet", 2000, 1500, 254);
  // Out of the map, where every tap is the game's, means out of easy reach.
  const inset = { left: "0u", top: "0u", right: "0u", bottom: "0u" };
  const map = { id: "map", name: "Map", taps: true, placement: { kind: "span", frame: "screen", from: [0.6, 0.6], to: [1, 1], inset } };
  const layout = layoutOf([pinned("pump", "button", [180, 120], 12)], { keepClear: [map], limits: { comfortMm: 40, stretchMm: 120 } });
  const request = requestFor(layout, [screen], RIGHT);
  const settled = settle(request);
  const found = settled.unsolved.find(({ suggestions }) => suggestions.some(({ kind }) => kind === "notes"))!;
  expect(found).toMatchObject({ code: "touch/steals", proved: false });
  const way = found.suggestions.find(({ kind }) => kind === "notes")!;
  const free = settle(value(requestForSuggestion(request, way, [])));
  expect(free.remaining).toEqual([]);
  const { worse } = saidByChecks(request, free.layout);
  expect(worse.map(({ is }) => is!.severity)).toEqual(["note"]);
  const asked = { ...request, notesMayGrow: true, severities: ["blocker", "warning", "note"] } as const;
  expect(saidByChecks(request, settle(asked).layout).worse).toEqual([]);
});

test("landing areas leave the system's edge strips on every screen, without a note that is new or worse", () => {
  const draft = sampleLayouts()[2];
  // Without what takes long to settle and has no part in it.
  const layout = { ...draft, controls: draft.controls.filter(({ id }) => id !== "nudge" && id !== "log") };
  const screens = catalogueFor("landscape").filter(({ name }) => /^(?:Foldable closed|Phone 16:9|Tall phone 20:9)/.test(name));
  expect(screens).toHaveLength(3);
  for (const screen of screens) {
    const request = requestFor(layout, [screen], [{ handed: "left", playerSize: 1 }]);
    expect(found(layout, screen).map(({ code }) => code)).toContain("touch/edge");
    const settled = settle(request);
    expect(settled.remaining).toEqual([]);
    expect(saidByChecks(request, settled.layout)).toEqual({ left: 0, worse: [] });
  }
});
