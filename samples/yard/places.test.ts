import { catalogueFor } from "../../core/checks/catalogue";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { resolvedOn } from "../../core/derived/resolved";
import { STARTERS } from "../starters";
import { sampleLayouts } from "../../test/samples";
import { coversOf, isFree, placesFor, placing, roomOf } from "./places";
import { repeated } from "../../test/repeated";

const layouts = [...sampleLayouts().slice(0, 2), ...STARTERS.map((s) => s.layout())];

test.each(layouts.map((l) => [l.name, l] as const))(
  "%s: on screens of the catalogue, in every moment, each body has a place that nothing covers, or behind landing areas where those leave too little",
  (_, layout) => {
    for (const screen of catalogueFor(layout.orientation).slice(0, repeated(10)))
      for (const moment of [null, ...layout.moments.map((m) => m.id)]) {
        const shown = new Set(layout.controls.filter((c) => moment === null || c.moments.includes(moment)).map((c) => c.id));
        const covers = coversOf(resolvedOn(layout, screen, PLAIN_PLAYER_VIEW), (id) => shown.has(id));
        const room = roomOf(screen);
        const { discs, isFaint } = placing(layout.actions.length, covers, room);
        expect([screen.name, moment, discs.length]).toEqual([screen.name, moment, layout.actions.length]);
        expect(isFaint && covers.landings.length === 0).toBe(false);
        const over = isFaint ? covers.seen : [...covers.seen, ...covers.landings];
        expect(discs.every((p) => isFree(p, over, room))).toBe(true);
      }
  },
);

test("where landing areas cover all of the glass the bodies lie behind them, faint and large enough to read; controls still cover nothing", () => {
  const room = { x: 0, y: 0, w: 1600, h: 720 };
  const covers = {
    seen: [{ x: 0, y: 500, w: 300, h: 220 }],
    landings: [
      { x: 0, y: 0, w: 800, h: 720 },
      { x: 800, y: 0, w: 800, h: 720 },
    ],
  };
  const { discs, isFaint } = placing(6, covers, room);
  expect([discs.length, isFaint]).toEqual([6, true]);
  expect(discs[0].r).toBeGreaterThan(40);
  expect(discs.every((disc) => isFree(disc, covers.seen, room))).toBe(true);
  expect(placing(6, { ...covers, landings: [] }, room)).toEqual({ discs, isFaint: false });
});

test("nothing to place has no place; a screen that is covered all over has none either", () => {
  const room = { x: 0, y: 0, w: 800, h: 400 };
  expect(placesFor(0, [], room)).toEqual([]);
  expect(placesFor(3, [{ x: 0, y: 0, w: 800, h: 400 }], room)).toEqual([]);
  expect(placesFor(2, [], { x: 0, y: 0, w: 0, h: 0 })).toEqual([]);
});
