import { catalogueFor } from "../../core/checks/catalogue";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import { resolvedOn } from "../../core/derived/resolved";
import { STARTERS } from "../starters";
import { sampleLayouts } from "../../test/samples";
import { coversOf, isFree, placesFor, roomOf } from "./places";
import { repeated } from "../../test/repeated";

const layouts = [...sampleLayouts().slice(0, 2), ...STARTERS.map((s) => s.layout())];

test.each(layouts.map((l) => [l.name, l] as const))(
  "%s: on screens of the catalogue, in every moment, each body has a place that nothing covers",
  (_, layout) => {
    for (const screen of catalogueFor(layout.orientation).slice(0, repeated(10)))
      for (const moment of [null, ...layout.moments.map((m) => m.id)]) {
        const shown = new Set(layout.controls.filter((c) => moment === null || c.moments.includes(moment)).map((c) => c.id));
        const covers = coversOf(resolvedOn(layout, screen, PLAIN_PLAYER_VIEW), (id) => shown.has(id));
        const room = roomOf(screen);
        const places = placesFor(layout.actions.length, covers, room);
        expect([screen.name, moment, places.length]).toEqual([screen.name, moment, layout.actions.length]);
        expect(places.every((p) => isFree(p, covers, room))).toBe(true);
      }
  },
);

test("nothing to place has no place; a screen that is covered all over has none either", () => {
  const room = { x: 0, y: 0, w: 800, h: 400 };
  expect(placesFor(0, [], room)).toEqual([]);
  expect(placesFor(3, [{ x: 0, y: 0, w: 800, h: 400 }], room)).toEqual([]);
  expect(placesFor(2, [], { x: 0, y: 0, w: 0, h: 0 })).toEqual([]);
});
