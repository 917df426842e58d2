import { placed, STAGE, staged } from "../../test/stage";
import type { Layout } from "../format/types";
import { readLayout } from "../format/parse";
import { writeLayout } from "../format/write";
import { prepareLayout } from "../engine/placement/prepare";
import { PLAIN_PLAYER_VIEW, resolve } from "../engine/placement/resolve";
import { unitPx } from "../engine/placement/scale";
import type { Result } from "../engine/result";
import { addMoment, moveMoment, onlyIn, removeMoment } from "../editing/edits/moments";
import { matchWords, mismatches, adopt, type Adoption, type WordChoice } from "./adopt";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const PICTURE = { id: "brass", name: "brass", type: "image/png", data: "AAAA" };

const there = (): Layout =>
  staged(
    [
      {
        id: "wheel",
        name: "Wheel",
        kind: "stick",
        placement: placed(200, 300, 160),
        serves: [{ port: "vector", action: "steer" }],
        look: { label: "W", art: { rest: "brass" } },
      },
      {
        id: "bell",
        name: "Bell",
        kind: "button",
        placement: { ...placed(0, 0, 40), frame: { cluster: "deck" } },
        serves: [{ port: "press", action: "tow_line" }],
        moments: ["sail"],
      },
      { id: "gun", name: "Gun", kind: "button", placement: placed(600, 300, 100), serves: [{ port: "press", action: "salute" }] },
    ],
    [
      { name: "steer", kind: "vector" },
      { name: "tow_line", kind: "press" },
      { name: "salute", kind: "press", note: "nine shots", moments: ["sail"] },
    ],
    {
      moments: [
        { id: "sail", name: "Under sail" },
        { id: "dock", name: "Dock" },
      ],
      clusters: [{ id: "deck", name: "Deck", placement: placed(700, 200, 120) }],
      pictures: [PICTURE],
      scale: { mmPerUnit: 0.18 },
    },
  );
const here = (): Layout =>
  staged(
    [{ id: "wheel", name: "Wheel", kind: "stick", placement: placed(300, 300, 100), serves: [{ port: "vector", action: "helm" }], look: { label: "Own" } }],
    [
      { name: "helm", kind: "vector" },
      { name: "towline", kind: "press" },
      { name: "tilt", kind: "motion" },
    ],
    {
      moments: [
        { id: "a", name: "UNDER SAIL" },
        { id: "b", name: "Night" },
      ],
      scale: { mmPerUnit: 0.09 },
    },
  );
const words = (entries: Record<string, WordChoice>) => new Map(Object.entries(entries));
const choice = (entries: Record<string, WordChoice>, controls: Record<string, "control" | "look">): Adoption => ({
  words: words(entries),
  controls: new Map(Object.entries(controls)),
  unitRatio: 2,
});

test("words are matched: the same, nearly the same, none", () => {
  const from = there();
  const both = { ...here(), actions: [...here().actions, { ...here().actions[0], name: "salute" }] };
  expect(matchWords(from, ["wheel", "bell", "gun"], both.actions)).toEqual([
    { word: "salute", kind: "press", state: "same", to: "salute" },
    { word: "tow_line", kind: "press", state: "near", to: "towline" },
    { word: "steer", kind: "vector", state: "none", to: null },
  ]);
  expect(matchWords(from, ["bell"], [{ name: "towline", kind: "axis" }])).toEqual([{ word: "tow_line", kind: "press", state: "none", to: null }]);
  expect(matchWords(from, ["bell"], []).map((m) => m.word)).toEqual(["tow_line"]);
});

test("controls come over with cluster, picture, moments and size, and what they serve means what was chosen", () => {
  const from = there();
  const all = choice(
    { steer: { kind: "means", action: "helm" }, tow_line: { kind: "means", action: "towline" }, salute: { kind: "new" } },
    { wheel: "control", bell: "control", gun: "control" },
  );
  const { layout, ids } = get(adopt(here(), from, all));
  expect(ids).toEqual(["wheel-2", "bell", "gun"]);
  const byId = (id: string) => layout.controls.find((c) => c.id === id)!;
  expect(byId("wheel-2")).toMatchObject({ name: "Wheel 2", serves: [{ port: "vector", action: "helm" }], look: { art: { rest: "brass" } } });
  expect(byId("bell")).toMatchObject({ placement: { frame: { cluster: "deck" } }, serves: [{ action: "towline" }], moments: ["a"] });
  expect(layout.clusters.map((c) => c.id)).toEqual(["deck"]);
  expect(layout.pictures).toHaveLength(1);
  expect(layout.actions.find((a) => a.name === "salute")).toMatchObject({ note: "nine shots", moments: ["a"] });
  expect(readLayout(writeLayout(layout)).ok).toBe(true);
  // A unit there is worth two here: every control keeps its size on a screen, with the ratio of the two scales.
  const ratio = unitPx(from.scale, from.reference, STAGE) / unitPx(here().scale, here().reference, STAGE);
  const same = get(adopt(here(), from, { ...all, unitRatio: ratio })).layout;
  const size = (l: Layout, id: string) => resolve(prepareLayout(l), STAGE, PLAIN_PLAYER_VIEW).controls.find((c) => c.id === id)!.visual.w;
  expect(size(same, "wheel-2")).toBeCloseTo(size(from, "wheel"), 3);
  expect(size(same, "bell")).toBeCloseTo(size(from, "bell"), 3);
});

test("what does not go together is said, and its wire stays behind", () => {
  const from = there();
  const wrong = choice({ steer: { kind: "means", action: "towline" }, salute: { kind: "leave" } }, { wheel: "control", gun: "control" });
  expect(mismatches(from, here(), wrong.words, ["wheel", "gun"])).toEqual([
    { control: "wheel", word: "steer", why: expect.stringContaining("the vector port gives x and y") },
  ]);
  const { layout } = get(adopt(here(), from, wrong));
  expect(layout.controls.slice(1).map((c) => c.serves)).toEqual([[], []]);
  expect(layout.actions).toEqual(here().actions);
});

test("a look alone goes onto the controls of its kind that serve the same; label and all else stay", () => {
  const looks = choice({ steer: { kind: "means", action: "helm" } }, { wheel: "look" });
  const { layout, ids } = get(adopt(here(), there(), looks));
  expect(ids).toEqual(["wheel"]);
  const { look, ...rest } = layout.controls[0];
  const { look: _old, ...before } = here().controls[0];
  expect(look).toMatchObject({ label: "Own", art: { rest: "brass" } });
  expect(rest).toEqual(before);
  const nobody = adopt(here(), there(), choice({}, { wheel: "look" }));
  expect(nobody.ok).toBe(false);
  expect(adopt(here(), there(), choice({}, {})).ok).toBe(false);
});

test("moments: ordered anew everywhere; removed with what becomes of what belonged to them alone", () => {
  const from = there();
  const turned = get(moveMoment(from, "dock", 0));
  expect(turned.moments.map((m) => m.id)).toEqual(["dock", "sail"]);
  expect(turned.controls[0].moments).toEqual(["dock", "sail"]);
  expect(onlyIn(from, "sail")).toEqual({ actions: ["salute"], controls: ["bell"], zones: [] });
  const of = (l: Layout) => [l.controls.find((c) => c.id === "bell")?.moments, l.actions.find((a) => a.name === "salute")?.moments];
  expect(of(get(removeMoment(from, "sail")))).toEqual([[], []]);
  expect(of(get(removeMoment(from, "sail", { kind: "remove" })))).toEqual([undefined, []]);
  expect(of(get(removeMoment(from, "sail", { kind: "to", moment: "dock" })))).toEqual([["dock"], ["dock"]]);
  expect(removeMoment(from, "sail", { kind: "to", moment: "sail" }).ok).toBe(false);
  expect(get(addMoment(from, "Night")).controls[0].moments).toEqual(["sail", "dock", "night"]);
});
