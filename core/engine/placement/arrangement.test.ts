import { placed, STAGE, staged } from "../../../test/stage";
import type { Arrangement } from "../types";
import { arrangementFor } from "./arrangement";
import { PLAIN_PLAYER_VIEW, resolveLayout } from "./resolve";
import { plainScreen } from "./screen";

const made = (id: string, when: Arrangement["when"]): Arrangement => ({ id, name: id, when, overrides: {} });

test("the first that matches applies; ranges are half-open, none gives the base", () => {
  const list = [made("tall", { aspect: { max: 1 } }), made("middle", { aspect: { min: 1, max: 2 } }), made("small", { shortSideMm: { max: 60 } })];
  const at = (w: number, h: number, ppi = 254) => arrangementFor(list, plainScreen("s", w, h, ppi));
  expect([at(500, 1000), at(1000, 1000), at(1999, 1000), at(2000, 1000), at(1000, 500)]).toEqual([0, 1, 1, -1, 2]);
});

const button = (more: object = {}) => ({ id: "b", name: "b", kind: "button", placement: placed(200, 300, 100), serves: [], ...more });
const within = (overrides: object, more: object = {}) =>
  staged([button()], [], { arrangements: [{ id: "wide", name: "Wide", when: { aspect: { min: 1 } }, overrides }], ...more });

test("an override replaces the named field whole: what it leaves out has the default, not the base's", () => {
  const layout = staged([button({ hit: { grow: "10px", sharing: "shared" } })], [], {
    arrangements: [{ id: "wide", name: "Wide", when: {}, overrides: { b: { hit: { shape: "box" } } } }],
  });
  const [b] = resolveLayout(layout, STAGE).controls;
  expect(b.hit).toEqual({ shape: "box", ...b.visual });
  expect(b.sharing).toBe("own");
});

test("hidden takes a control away, a cluster with all in it, a zone", () => {
  expect(resolveLayout(within({ b: { hidden: true } }), STAGE).controls).toEqual([]);
  const more = {
    clusters: [{ id: "ring", name: "Ring", placement: placed(500, 250, 300) }],
    controls: [button({ placement: { ...placed(0, 0, 50), frame: { cluster: "ring" } } })],
    keepClear: [{ id: "map", name: "Map", placement: placed(800, 100, 50) }],
  };
  const resolved = resolveLayout(within({ ring: { hidden: true }, map: { hidden: true } }, more), STAGE);
  expect([resolved.controls, resolved.clusters, resolved.keepClear]).toEqual([[], {}, []]);
});

test("in a cluster absolute lengths grow with it, percent is of its grown box; its clamp counts", () => {
  const cluster = { id: "ring", name: "Ring", placement: { ...placed(500, 250, 200), clamp: { maxMm: 10 } } };
  const child = (size: string) =>
    button({ placement: { kind: "pin", frame: { cluster: "ring" }, anchor: [0, 0], pivot: [0, 0], offset: ["10px", "0px"], size: [size, size] } });
  const at = (size: string) => resolveLayout(staged([child(size)], [], { clusters: [cluster] }), STAGE);
  expect(at("40px").clusters.ring).toEqual({ x: 450, y: 200, w: 100, h: 100, k: 0.5 });
  expect(at("40px").controls[0]).toMatchObject({ visual: { x: 455, y: 200, w: 20, h: 20 }, k: 0.5 });
  expect(at("40%w").controls[0].visual).toEqual({ x: 455, y: 200, w: 40, h: 40 });
});

test("the player's size grows controls about their pivot, and leaves zones and landing areas alone", () => {
  const landing = { kind: "span", frame: "screen", from: [0, 0], to: [0.5, 1] };
  const stick = { id: "s", name: "s", kind: "stick", placement: placed(200, 300, 100), feel: { origin: "floating", landing }, serves: [] };
  const layout = staged([stick], [], { keepClear: [{ id: "map", name: "Map", placement: placed(800, 100, 50) }] });
  const resolved = resolveLayout(layout, STAGE, { ...PLAIN_PLAYER_VIEW, playerSize: 1.2 });
  expect(resolved.controls[0]).toMatchObject({ visual: { x: 140, y: 240, w: 120, h: 120 }, k: 1.2, travel: 60, landing: { x: 0, y: 0, w: 500, h: 500 } });
  expect(resolved.keepClear[0]).toMatchObject({ w: 50, h: 50 });
});

test("left-handed: everything mirrored in its frame but the game's own zones", () => {
  const layout = staged([button({ hit: { shift: ["10px", "5px"] } })], [], { keepClear: [{ id: "map", name: "Map", placement: placed(800, 100, 50) }] });
  const resolved = resolveLayout(layout, STAGE, { ...PLAIN_PLAYER_VIEW, handed: "left" });
  expect(resolved.controls[0].visual).toEqual({ x: 750, y: 250, w: 100, h: 100 });
  expect(resolved.controls[0].hit).toMatchObject({ x: 740, y: 255 });
  expect(resolved.keepClear[0].x).toBe(775);
});
