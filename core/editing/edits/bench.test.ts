import { changeLayout } from "./layout";
import { placed, STAGE, staged } from "../../../test/stage";

import { stretches } from "../stretches";
import { handBack } from "../placeables";
import type { Result } from "../../engine/result";
import { writeLayout } from "../../format/write";
import { readLayout } from "../../format/parse";
import { accept, unaccept } from "./accept";
import { addArrangement, changeArrangement, hideIn, moveArrangement, removeArrangement } from "./arrangements";
import { changeHit, changeMoments, removePlaceables, renamePlaceable } from "./controls";
import { addMoment, removeMoment, renameMoment } from "./moments";
import { bytesOf } from "../../format/pictures/base64";
import { clearArt, setArt } from "./pictures";
import { addScreens, changeScreen, removeScreen, setRail } from "./ownScreens";
import { changeTaps, addZone } from "./zones";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const reason = (result: Result<unknown>) => (result.ok ? "" : result.problems.map((p) => p.message).join("; "));
const base = () =>
  staged(
    [
      { id: "helm", name: "Helm", kind: "stick", placement: placed(150, 350, 160), serves: [{ port: "vector", action: "helm" }] },
      { id: "horn", name: "Horn", kind: "button", placement: placed(850, 350, 100), serves: [{ port: "press", action: "horn" }], moments: ["sail"] },
    ],
    [
      { name: "helm", kind: "vector" },
      { name: "horn", kind: "press" },
    ],
    {
      moments: [
        { id: "sail", name: "Sail" },
        { id: "dock", name: "Dock" },
      ],
    },
  );

test("arrangements: added, ordered, hidden in, handed back, removed; a range must run from less to more", () => {
  const { layout, id } = get(addArrangement(base(), "Tablets", { aspect: { max: 1.5 } }));
  expect(id).toBe("tablets");
  expect(get(addArrangement(layout, "Tablets", {})).id).toBe("tablets-2");
  expect(reason(addArrangement(layout, "None", { aspect: { min: 2, max: 2 } }))).toMatch(/from less to more/);
  expect(reason(changeArrangement(layout, id, { when: { shortSideMm: { min: 90, max: 60 } } }))).toMatch(/short side/);
  const hidden = get(hideIn(layout, id, ["horn"], true));
  expect(hidden.arrangements[0].overrides).toEqual({ horn: { hidden: true } });
  expect(get(hideIn(hidden, id, ["horn"], false)).arrangements[0].overrides).toEqual({});
  const hit = get(changeHit(hidden, "horn", { minMm: 12 }, id));
  expect(hit.arrangements[0].overrides.horn).toMatchObject({ hidden: true, hit: { minMm: 12, shape: "ellipse" } });
  expect(hit.controls).toEqual(base().controls);
  expect(get(handBack(hit, id, "horn", "hit")).arrangements[0].overrides.horn).toEqual({ hidden: true });
  const two = get(addArrangement(hit, "Long", { aspect: { min: 2 } })).layout;
  expect(get(moveArrangement(two, "long", -1)).arrangements.map((a) => a.id)).toEqual(["long", "tablets"]);
  expect(get(moveArrangement(two, "long", 1))).toBe(two);
  expect(get(removeArrangement(two, "tablets")).arrangements).toHaveLength(1);
  expect(readLayout(writeLayout(two))).toEqual({ ok: true, value: two });
});

test("on the axis of aspects: who applies, what overlaps, where a gap is left", () => {
  const when = (min?: number, max?: number, shortSideMm?: { min: number }) => ({
    id: `a${min ?? ""}`,
    name: "A",
    when: { aspect: { min, max }, shortSideMm },
    overrides: {},
  });
  const parts = stretches([when(1.2, 1.5), when(1.4, 1.8), when(2.1, 2.2)], 1, 2.5);
  expect(parts.map((p) => [p.from, p.to, p.ids.join("+"), p.gap, p.overlap])).toEqual([
    [1, 1.2, "", false, false],
    [1.2, 1.4, "a1.2", false, false],
    [1.4, 1.5, "a1.2+a1.4", false, true],
    [1.5, 1.8, "a1.4", false, false],
    [1.8, 2.1, "", true, false],
    [2.1, 2.2, "a2.1", false, false],
    [2.2, 2.5, "", false, false],
  ]);
  expect(stretches([when(1.2, 1.5), when(1.2, 1.5, { min: 100 })], 1, 2)[1].overlap).toBe(false);
  expect(stretches([], 1, 2)).toEqual([{ from: 1, to: 2, ids: [], gap: false, overlap: false }]);
});

test("moments: what showed in all shows in a new one; what showed in one alone shows in none when it goes", () => {
  const grown = get(addMoment(base(), "Log open!"));
  expect(grown.moments[2]).toEqual({ id: "log-open", name: "Log open!" });
  expect(grown.controls.map((c) => c.moments.length)).toEqual([3, 1]);
  expect(get(renameMoment(grown, "sail", "Under way")).moments[0]).toEqual({ id: "sail", name: "Under way" });
  const shrunk = get(removeMoment(grown, "sail"));
  expect(shrunk.controls.map((c) => c.moments)).toEqual([["dock", "log-open"], []]);
  expect(get(changeMoments(grown, ["horn"], ["log-open", "sail"])).controls[1].moments).toEqual(["sail", "log-open"]);
  expect(reason(removeMoment(grown, "never"))).toMatch(/no moment "never"/);
});

test("pictures: the same is kept once, one that nothing shows is dropped, one too large is refused with its size", () => {
  const dot = { name: "Dot.png", type: "image/png" as const, data: "iVBORw0KGgo=" };
  const both = get(setArt(base(), ["helm", "horn"], "rest", dot));
  expect(both.pictures).toEqual([{ ...dot, id: "dot" }]);
  expect(both.controls.map((c) => c.look.art)).toEqual([{ rest: "dot" }, { rest: "dot" }]);
  const covered = get(setArt(both, ["horn"], "held", dot));
  expect(covered.pictures).toHaveLength(1);
  expect(get(clearArt(get(clearArt(covered, ["helm", "horn"], "rest")), ["horn"], "held")).pictures).toEqual([]);
  expect(bytesOf("iVBORw0KGgo=")).toBe(8);
  expect(reason(setArt(base(), ["horn"], "rest", { ...dot, data: "A".repeat(800_000) }))).toMatch(/has 586 KiB; a picture holds at most 512 KiB/);
});

test("a finding is accepted with a reason, and taken back", () => {
  const finding = { code: "touch/close", subjects: ["helm", "horn"] };
  const accepted = get(accept(base(), finding, " they rhyme "));
  expect(accepted.accepted).toEqual([{ ...finding, reason: "they rhyme" }]);
  expect(get(accept(accepted, { ...finding, subjects: ["horn", "helm"] }, "again")).accepted).toHaveLength(1);
  expect(get(unaccept(accepted, finding)).accepted).toEqual([]);
  expect(reason(accept(base(), finding, "  "))).toMatch(/enter a reason/);
});

test("zones and names; what is removed takes what refers to it along", () => {
  const placement = base().controls[0].placement as never;
  const { layout, id } = get(addZone(base(), placement, "Compass"));
  expect(layout.keepClear[0]).toMatchObject({ id: "compass", name: "Compass", taps: false, moments: ["sail", "dock"] });
  expect(get(changeTaps(layout, id, true)).keepClear[0].taps).toBe(true);
  expect(get(renamePlaceable(layout, id, "Tide clock")).keepClear[0].name).toBe("Tide clock");
  expect(get(removePlaceables(layout, [id, "horn"]))).toMatchObject({ keepClear: [], controls: [{ id: "helm" }] });
  expect(reason(removePlaceables(layout, ["nobody"]))).toMatch(/"nobody"/);
});

test("own screens: added to the rail, renamed in their place, removed; what cannot be a screen is refused", () => {
  const slate = { ...STAGE, name: "Slate" };
  const used = new Set(["Tablet 4:3"]);
  const added = get(addScreens(base(), [slate], ["Tablet 4:3"], used));
  expect(added.workbench).toMatchObject({ rail: ["Tablet 4:3", "Slate"], screens: [slate] });
  const renamed = get(changeScreen(added, "Slate", { ...slate, name: "Shale", ppi: 300 }, used));
  expect(renamed.workbench).toMatchObject({ rail: ["Tablet 4:3", "Shale"], screens: [{ name: "Shale", ppi: 300 }] });
  expect(get(removeScreen(renamed, "Shale")).workbench).toMatchObject({ rail: ["Tablet 4:3"], screens: [] });
  expect(get(setRail(added, ["Slate", "Tablet 4:3", "Slate"])).workbench.rail).toEqual(["Slate", "Tablet 4:3"]);
  expect(get(addScreens(added, [{ ...slate, ppi: 99 }], ["Slate"], used)).workbench.screens).toHaveLength(1);
  for (const [wrong, message] of [
    [{ ...slate, name: "Tablet 4:3" }, /of the catalogue/],
    [{ ...slate, insets: { left: 600, right: 400, top: 0, bottom: 0 } }, /leave no room/],
    [{ ...slate, cornerPx: 400 }, /rounder than half its shorter side, 250 px/],
    [{ ...slate, ppi: 0 }, /from 30 to 1500/],
    [{ ...slate, name: " " }, /a name/],
  ] as const)
    expect(reason(addScreens(base(), [wrong], [], used))).toMatch(message);
  expect(reason(setRail(added, []))).toMatch(/at least one screen/);
});

test("locks and players' parts follow what they name, and go with it", () => {
  const locked = { ...base(), workbench: { ...base().workbench, locked: { horn: ["x" as const], helm: ["size" as const] }, playersPart: { Slate: 0.2 } } };
  expect(get(removePlaceables(locked, ["horn"])).workbench.locked).toEqual({ helm: ["size"] });
  const slate = { ...STAGE, name: "Slate" };
  const own = get(addScreens(locked, [slate], ["Slate"], new Set()));
  expect(get(changeScreen(own, "Slate", { ...slate, name: "Shale" }, new Set())).workbench.playersPart).toEqual({ Shale: 0.2 });
  expect(get(removeScreen(own, "Slate")).workbench.playersPart).toEqual({});
});

test("a moment's own backdrop goes with the moment; all backdrops together have a limit", () => {
  const picture = { name: "dusk", type: "image/png" as const, data: "AAAA" };
  const dusk = { ...base(), workbench: { ...base().workbench, momentPictures: { sail: picture, dock: picture } } };
  expect(Object.keys(get(removeMoment(dusk, "sail")).workbench.momentPictures)).toEqual(["dock"]);
  const large = { ...picture, data: "A".repeat(5_500_000) };
  const four = Object.fromEntries(["a", "b", "c"].map((id) => [id, large]));
  expect(reason(changeLayout(base(), { workbench: { ...base().workbench, picture: large, momentPictures: four } }))).toMatch(/12 MiB in all/);
});
