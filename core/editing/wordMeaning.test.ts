import fc from "fast-check";
import { nearPairs } from "../scan/foundWords";
import { axisMeant, axisPort, commonName, differByMeaning, DIRECTIONS, fourDirections, orderedByMeaning } from "./wordMeaning";

const named = (...names: string[]) => names.map((name) => ({ name }));

test.each([
  ["moveX", "x"],
  ["move_y", "y"],
  ["turn", "x"],
  ["climb", "y"],
  ["Vertical", "y"],
  ["strafeLeftRight", "x"],
  ["gauche-droite", "x"],
  ["zoom", null],
  ["moveXY", null],
  ["xylophone", null],
] as const)("an axis called %s goes along %s", (name, way) => {
  expect(axisMeant(name)).toBe(way);
});

test("a port is chosen by the meaning of the word, else the free one, else x", () => {
  const x = { port: "x", action: "one" } as const;
  const y = { port: "y", action: "two" } as const;
  expect(axisPort("climb", [])).toBe("y");
  expect(axisPort("climb", [y])).toBe("y");
  expect(axisPort("zoom", [])).toBe("x");
  expect(axisPort("zoom", [x])).toBe("y");
  expect(axisPort("zoom", [y])).toBe("x");
  expect(axisPort("zoom", [x, y])).toBe("x");
});

test("four names are directions where they differ in that alone, in any order, spelling and place", () => {
  const words = [
    ["up", "down", "left", "right"],
    ["oben", "unten", "links", "rechts"],
    ["haut", "bas", "gauche", "droite"],
    ["vor", "zurück", "links", "rechts"],
    ["avant", "arrière", "gauche", "droite"],
    ["arriba", "abajo", "izquierda", "derecha"],
  ];
  const spelt = [
    (word: string) => word,
    (word: string) => `move_${word}`,
    (word: string) => `${word}Pressed`,
    (word: string) => `go-${word}-now`,
    (word: string) => word.toUpperCase(),
  ];
  fc.assert(
    fc.property(fc.constantFrom(...words), fc.constantFrom(...spelt), fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 }), (set, spell, order) => {
      const items = order.map((i) => ({ name: spell(set[i]) }));
      const found = fourDirections(items)!;
      DIRECTIONS.forEach((direction, i) => expect(found[direction].name).toBe(spell(set[i])));
    }),
  );
  for (const other of [
    named("up", "down", "left"),
    named("up", "down", "left", "jump"),
    named("up", "down", "left", "upward"),
    named("moveUp", "moveDown", "moveLeft", "lookRight"),
    named("upLeft", "down", "left", "right"),
  ])
    expect(fourDirections(other)).toBeNull();
});

test("a ring begins at the top and goes with the clock, an arc from left to right; other names keep their order", () => {
  const names = ["moveRight", "moveDown", "moveUp", "moveLeft"];
  const self = (name: string) => name;
  expect(orderedByMeaning(names, self, "ring")).toEqual(["moveUp", "moveRight", "moveDown", "moveLeft"]);
  expect(orderedByMeaning(names, self, "arc")).toEqual(["moveLeft", "moveUp", "moveDown", "moveRight"]);
  expect(orderedByMeaning(["right", "jump", "left"], self, "ring")).toEqual(["right", "jump", "left"]);
});

test("names have in common what does not tell them apart", () => {
  expect(commonName(named("moveX", "moveY"))).toBe("move");
  expect(commonName(named("turn", "climb"))).toBeNull();
});

test("names that mean two things are not taken for one word spelt twice; those that differ by a slip are", () => {
  for (const [a, b] of [
    ["moveX", "moveY"],
    ["camera_left", "camera_right"],
    ["player1fire", "player2fire"],
    ["zoomIn", "zoomOut"],
    ["weaponA", "weaponB"],
  ]) {
    expect(differByMeaning(a, b)).toBe(true);
    expect(nearPairs([a, b])).toEqual([]);
  }
  for (const [a, b] of [
    ["tow_line", "towline"],
    ["Horn", "horn"],
    ["interact", "interactt"],
  ]) {
    expect(differByMeaning(a, b)).toBe(false);
    expect(nearPairs([a, b])).toEqual([[a, b]]);
  }
});
