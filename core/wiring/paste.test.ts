import { sampleLayouts } from "../../test/samples";
import { placed, staged } from "../../test/stage";
import { clipText, readClip } from "../exchange/clip";
import { removePlaceables } from "../editing/edits/controls";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";
import { matchWords } from "./adopt";
import { pasteClip, plainWords, strangeWords, type Clip } from "./paste";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const button = (id: string, action: string, frame: unknown = "screen") => ({
  id,
  name: id,
  kind: "button",
  placement: { ...placed(100, 100, 60), frame },
  serves: [{ port: "press", action }],
});
const ship = (): Layout =>
  staged(
    [button("gun", "fire", { cluster: "deck" }), button("bell", "ring", { cluster: "deck" }), button("lost", "nowhere")],
    [
      { name: "fire", kind: "press" },
      { name: "ring", kind: "press" },
    ],
    { clusters: [{ id: "deck", name: "Deck", placement: placed(500, 200, 200) }] },
  );
const copied = (layout: Layout, keys: string[]): Clip => get(readClip(clipText(layout, keys)));
const paste = (clip: Clip, here: Layout, words = plainWords(clip, here)) => get(pasteClip(clip, here, { words, unitRatio: 1 }));

test("a cluster arrives as a cluster, in its own layout and in another", () => {
  const clip = copied(ship(), ["deck"]);
  const again = paste(clip, ship());
  expect(again.keys).toEqual(["deck-2"]);
  expect(again.layout.clusters.map((c) => c.name)).toEqual(["Deck", "Deck 2"]);
  expect(again.layout.controls.filter((c) => JSON.stringify(c.placement).includes("deck-2")).map((c) => c.serves)).toEqual([
    [{ port: "press", action: "fire" }],
    [{ port: "press", action: "ring" }],
  ]);
  const there = paste(clip, staged([], [{ name: "fire", kind: "press" }]));
  expect(there.keys).toEqual(["deck"]);
  expect(there.layout.controls.map((c) => c.placement)).toEqual([{ ...ship().controls[0].placement }, { ...ship().controls[1].placement }]);
});

test("in the layout it came from nothing is asked; in another, what its words mean", () => {
  const clip = copied(ship(), ["deck", "lost"]);
  expect(strangeWords(clip, ship())).toEqual([]);
  const other = staged([], [{ name: "fire", kind: "vector" }]);
  expect(strangeWords(clip, other)).toEqual(["fire", "ring"]);
  expect(matchWords(clip.layout, ["gun", "bell"], other.actions).map((m) => m.word)).toEqual(["fire", "ring"]);
  const chosen = new Map([...plainWords(clip, other), ["fire", { kind: "leave" }] as const, ["ring", { kind: "new" }] as const]);
  const there = paste(clip, other, chosen);
  expect(there.layout.actions.map((a) => a.name)).toEqual(["fire", "ring"]);
  expect(there.layout.controls.map((c) => c.serves.map((s) => s.action))).toEqual([[], ["ring"], ["nowhere"]]);
});

test("a control copied out of a cluster goes back into it, or brings it along where there is none", () => {
  const clip = copied(ship(), ["gun"]);
  const back = paste(clip, ship());
  expect(back.keys).toEqual(["gun-2"]);
  expect(back.layout.clusters).toHaveLength(1);
  expect(paste(clip, staged([], [{ name: "fire", kind: "press" }])).keys).toEqual(["deck"]);
});

test("what was cut comes back as it was, pictures and moments too", () => {
  const [brackwater] = sampleLayouts();
  const clip = copied(brackwater, ["horn", "helm"]);
  const without = get(removePlaceables(brackwater, ["horn", "helm"]));
  const { layout } = paste(clip, without);
  for (const id of ["horn", "helm"]) expect(layout.controls.find((c) => c.id === id)).toEqual(brackwater.controls.find((c) => c.id === id));
});

test.each(["", "hello", "{}", '{"format":"nodulum-controls","version":1,"whole":[],"layout":{}}'])("%p on the clipboard is refused", (text) => {
  expect(readClip(text).ok).toBe(false);
});
