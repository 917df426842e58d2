import fc from "fast-check";
import { isEqual } from "./equal";
import { repeated } from "../../test/repeated";

const data = fc.jsonValue({ maxDepth: 4 });

test("data is equal to its copy, and to nothing that is written differently", () => {
  fc.assert(
    fc.property(data, data, (a, b) => {
      expect(isEqual(a, structuredClone(a))).toBe(true);
      // Written with sorted keys, equal data is the same text, and only equal data. JSON writes −0 as 0, which equals it.
      const text = (value: unknown) =>
        JSON.stringify(value, (_, v: unknown) => (v && typeof v === "object" && !Array.isArray(v) ? Object.fromEntries(Object.entries(v).sort()) : v));
      expect(isEqual(a, b)).toBe(text(a) === text(b));
    }),
    { numRuns: repeated(300) },
  );
});

test("absent keys equal undefined ones; lists, maps, sets and objects are never equal to each other; NaN equals NaN", () => {
  expect(isEqual({ a: 1, b: undefined }, { a: 1 })).toBe(true);
  expect(isEqual({ a: 1 }, { a: 1, b: null })).toBe(false);
  expect(isEqual({ toString: undefined }, {})).toBe(true);
  expect(isEqual([Number.NaN], [Number.NaN])).toBe(true);
  const empty = [[], {}, new Map(), new Set(), null, undefined, 0, ""];
  const confused = empty.flatMap((a, i) => empty.flatMap((b, j) => (i !== j && isEqual(a, b) ? [[a, b]] : [])));
  expect(confused).toEqual([]);
  expect(isEqual(new Map([["a", { x: 1 }]]), new Map([["a", { x: 1 }]]))).toBe(true);
  expect(isEqual(new Map([["a", 1]]), new Map([["b", 1]]))).toBe(false);
  expect(isEqual(new Set(["a"]), new Set(["b"]))).toBe(false);
  expect(
    isEqual(
      () => 1,
      () => 1,
    ),
  ).toBe(false);
});
