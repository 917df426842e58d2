import { hardwareEnds } from "../wiring/hardwareWires";
import { layoutOfGame } from "./gameLayout";

const GAME = { name: "Goats", held: "wide", words: [], inputs: [], callees: [] } as const;

test("a game's words are its actions, its keys bound to them, what read them remembered", () => {
  const made = layoutOfGame({
    name: "Goats",
    held: "either",
    words: [
      { name: "walk", kind: "vector" },
      { name: "leap", kind: "press" },
    ],
    inputs: [
      { end: "key Space", name: "leap" },
      { end: "key KeyB", name: "bleat" },
    ],
    callees: ["input.pressed(…)"],
  });
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  expect(made.value.actions.map((a) => [a.name, a.kind, ...hardwareEnds(a)])).toEqual([
    ["walk", "vector"],
    ["leap", "press", "key Space"],
    ["bleat", "press", "key KeyB"],
  ]);
  expect(made.value).toMatchObject({ orientation: "both", controls: [], workbench: { callees: ["input.pressed(…)"] } });
});

test.each([
  ["wide", "landscape"],
  ["tall", "portrait"],
  ["either", "both"],
] as const)("held %s", (held, orientation) => {
  const made = layoutOfGame({ ...GAME, held });
  expect(made.ok && made.value.orientation).toBe(orientation);
});

test("what is no name, or no word, is refused", () => {
  expect(layoutOfGame({ ...GAME, name: "" }).ok).toBe(false);
  expect(layoutOfGame({ ...GAME, words: [{ name: "x".repeat(65), kind: "press" }] }).ok).toBe(false);
  expect(layoutOfGame({ ...GAME, words: [{ name: "look", kind: "motion" }], inputs: [{ end: "key KeyL", name: "look" }] }).ok).toBe(false);
});
