import fc from "fast-check";
import { nearestWord, wordDistance } from "./nearest";

test("finds the word that was meant", () => {
  const known = ["towline", "horn", "pump", "helm"];
  expect(nearestWord("tow_line", known)).toBe("towline");
  expect(nearestWord("hron", known)).toBe("horn");
  expect(nearestWord("HELM", known)).toBe("helm");
  expect(nearestWord("searchlight", known)).toBeNull();
});

test("the distance is a metric on the cases that matter", () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 8 }), fc.string({ maxLength: 8 }), (a, b) => {
      expect(wordDistance(a, b)).toBe(wordDistance(b, a));
      expect(wordDistance(a, b) === 0).toBe(a === b);
      expect(wordDistance(a, b)).toBeLessThanOrEqual(Math.max(a.length, b.length));
    }),
  );
});

test("of a word of more than 64 letters no near one is sought", () => {
  const word = "a".repeat(64);
  expect(nearestWord(`${word.slice(1)}b`, [word])).toBe(word);
  expect(nearestWord(`${word}a`, [word])).toBeNull();
  expect(nearestWord("a".repeat(4_000_000), [word])).toBeNull();
});
