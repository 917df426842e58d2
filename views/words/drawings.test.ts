import { DRAWINGS } from "./drawings";
import { WORDS } from "./glossary";

test("every word of the interface has a drawing of its own, and no drawing is left over", () => {
  expect(Object.keys(DRAWINGS).sort()).toEqual(WORDS.map((w) => w.word).sort());
  const drawn = Object.entries(DRAWINGS).filter(([word]) => word !== "reference");
  expect(new Set(drawn.map(([, drawing]) => JSON.stringify(drawing))).size).toBe(drawn.length);
});

test("every drawing lies within its box", () => {
  for (const [word, drawing] of Object.entries(DRAWINGS))
    for (const d of Object.values(drawing))
      for (const [, x, y] of d.matchAll(/M(-?[\d.]+) (-?[\d.]+)/g))
        expect([word, Number(x) >= 0 && Number(x) <= 64 && Number(y) >= 0 && Number(y) <= 40]).toEqual([word, true]);
});
