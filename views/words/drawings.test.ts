import { DRAWINGS } from "./drawings";
import { WORDS } from "./glossary";

test("every word of the interface has a drawing of its own, and no drawing is left over", () => {
  expect(Object.keys(DRAWINGS).sort()).toEqual(WORDS.map((w) => w.word).sort());
  expect(new Set(Object.values(DRAWINGS).map((drawing) => JSON.stringify(drawing))).size).toBe(WORDS.length);
});

test("every drawing lies within its box", () => {
  for (const [word, drawing] of Object.entries(DRAWINGS))
    for (const d of Object.values(drawing))
      for (const [, x, y] of d.matchAll(/M(-?[\d.]+) (-?[\d.]+)/g))
        expect([word, Number(x) >= 0 && Number(x) <= 64 && Number(y) >= 0 && Number(y) <= 40]).toEqual([word, true]);
});
