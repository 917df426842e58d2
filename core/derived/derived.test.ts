import fc from "fast-check";
import { prepareLayout } from "../engine/placement/prepare";
import { resolve, PLAIN_PLAYER_VIEW, type PlayerView } from "../engine/placement/resolve";
import { plainScreen } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { sampleLayouts } from "../../test/samples";
import { frozen, layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { byId, byName } from "./byId";
import { keptOnScreen } from "./cached";
import { layoutIndexOf } from "./layoutIndex";
import { preparedOf } from "./prepared";
import { resolvedOn, workDone } from "./resolved";
import { repeated } from "../../test/repeated";

const [harbour] = sampleLayouts();
const screen = plainScreen("Bench", 2400, 1080, 411);
const views = fc.record({
  handed: fc.constantFrom<"left" | "right">("left", "right"),
  playerSize: fc.double({ min: 0.8, max: 1.3, noNaN: true }),
  moment: fc.constant(null),
});

/** A version of a layout in which some of its controls have moved; all else is shared. */
function moved(layout: Layout, ids: readonly number[], by: string): Layout {
  return {
    ...layout,
    controls: layout.controls.map((control, i) =>
      ids.includes(i) && control.placement.kind === "pin"
        ? ({ ...control, placement: { ...control.placement, offset: [by, control.placement.offset[1]] } } as typeof control)
        : control,
    ),
  };
}

test("what is kept gives what would be worked out anew, version after version, hand after hand", () => {
  fc.assert(
    fc.property(
      layoutArbitrary,
      screenArbitrary,
      fc.array(fc.tuple(fc.array(fc.nat(6), { maxLength: 3 }), fc.integer({ min: -80, max: 80 }), views), { minLength: 1, maxLength: 4 }),
      (first, on, steps) => {
        let layout = frozen(first);
        for (const [ids, by, playerView] of steps) {
          layout = frozen(moved(layout, ids, `${by}u`));
          expect(resolvedOn(layout, on, playerView)).toEqual(resolve(prepareLayout(layout), on, playerView));
        }
      },
    ),
    { numRuns: repeated(80) },
  );
});

test("a scale, a picture frame or a cluster that changes moves everything that hangs on it", () => {
  const grown = harbour.clusters.length > 0 ? harbour.clusters : [];
  const versions: Layout[] = [
    harbour,
    { ...harbour, scale: { ...harbour.scale, mmPerUnit: 0.12 } },
    { ...harbour, picture: { minAspect: 1.4, maxAspect: 1.6 } },
    { ...harbour, clusters: grown.map((c) => ({ ...c, placement: { ...c.placement, offset: ["40u", "-40u"] } })) },
    { ...harbour, arrangements: [{ id: "wide", name: "Wide", when: {}, overrides: { horn: { hidden: true } } }] },
    harbour,
  ];
  for (const version of versions) expect(resolvedOn(version, screen, PLAIN_PLAYER_VIEW)).toEqual(resolve(prepareLayout(version), screen));
});

test("only the control that moved is worked out, and every other keeps the very same place", () => {
  const on = plainScreen("Another", 2400, 1080, 411);
  const before = resolvedOn(harbour, on, PLAIN_PLAYER_VIEW);
  const at = harbour.controls.findIndex((c) => c.placement.kind === "pin");
  const next = moved(harbour, [at], "123u");
  const worked = workDone();
  const after = resolvedOn(next, on, PLAIN_PLAYER_VIEW);
  expect(workDone()).toEqual({ screens: worked.screens + 1, controls: worked.controls + 1 });
  expect(after.controls.filter((c, i) => c !== before.controls[i]).map((c) => c.id)).toEqual([harbour.controls[at].id]);
  expect(resolvedOn(next, on, { ...PLAIN_PLAYER_VIEW })).toBe(after);
  expect(workDone().screens).toBe(worked.screens + 1);
});

test("the moment chooses among places that are known already", () => {
  resolvedOn(harbour, screen, PLAIN_PLAYER_VIEW);
  const worked = workDone().controls;
  const one = resolvedOn(harbour, screen, { ...PLAIN_PLAYER_VIEW, moment: harbour.moments[0].id });
  expect(workDone().controls).toBe(worked);
  expect(one.controls.length).toBeLessThan(harbour.controls.length);
});

test("an arrangement is made ready when a screen asks for it, and not before", () => {
  const layout: Layout = {
    ...harbour,
    arrangements: [
      { id: "narrow", name: "Narrow", when: { aspect: { max: 1 } }, overrides: { horn: { hidden: false, placement: { ...harbour.controls[0].placement } } } },
    ],
  };
  const prepared = preparedOf(layout);
  expect(preparedOf(layout)).toBe(prepared);
  expect(Object.getOwnPropertyDescriptor(prepared.variants, 1)?.get).toBeDefined();
  expect(prepared.variants[1]).toBe(prepared.variants[1]);
  expect(prepared.variants[1].arrangement).toBe("narrow");
});

test("lists are mapped once, the first of a name counts, and versions with the same controls share their index", () => {
  expect(byId(harbour.controls)).toBe(byId(harbour.controls));
  expect(byId(harbour.controls).get("helm")).toBe(harbour.controls.find((c) => c.id === "helm"));
  const [a] = harbour.actions;
  expect(byName([a, { ...a, note: "second" }]).get(a.name)).toBe(a);
  expect(layoutIndexOf(harbour)).toBe(layoutIndexOf({ controls: harbour.controls }));
  expect([...(layoutIndexOf(harbour).servers.get("helm") ?? [])]).toEqual(
    harbour.controls.filter((c) => c.serves.some((s) => s.action === "helm")).map((c) => c.id),
  );
});

test("work is done once for a layout, a screen and a player, nothing found being an answer too", () => {
  let times = 0;
  const count = keptOnScreen<undefined>(() => {
    times += 1;
    return undefined;
  });
  const left: PlayerView = { ...PLAIN_PLAYER_VIEW, handed: "left" };
  for (const view of [PLAIN_PLAYER_VIEW, left, PLAIN_PLAYER_VIEW, { ...left }]) count(harbour, screen, view);
  expect(times).toBe(2);
});
