import fc from "fast-check";
import { calculate, calculateLength } from "./arithmetic";
import { LENGTH_UNITS } from "../engine/placement/length";

test.each([
  ["24/2", 12],
  ["3*(2+1)", 9],
  ["10-2-3", 5],
  ["2+3*4", 14],
  ["-3", -3],
  ["1,5", 1.5],
  [".5", 0.5],
  ["+3", 13],
  ["*2", 20],
  ["/4", 2.5],
  ["+-3", 7],
  [" 7 ", 7],
])("%s with 10 in the field comes to %d", (text, value) => {
  expect(calculate(text, 10)).toBeCloseTo(value, 12);
});

test.each(["", "wide", "1/0", "2+", "(3", "3)", "1 mm", "2**3", "alert(1)", "--"])("%p is no number", (text) => {
  expect(calculate(text, 10)).toBeNull();
});

test("a unit typed with it is taken; without one the field's own holds", () => {
  expect(calculateLength("24/2mm", { amount: 5, unit: "u" })).toEqual({ amount: 12, unit: "mm" });
  expect(calculateLength("12 %MIN", { amount: 5, unit: "u" })).toEqual({ amount: 12, unit: "%min" });
  expect(calculateLength("+3", { amount: 5, unit: "px" })).toEqual({ amount: 8, unit: "px" });
  expect(calculateLength("+3u", { amount: 5, unit: "u" })).toEqual({ amount: 8, unit: "u" });
  expect(calculateLength("12 parsecs", { amount: 5, unit: "u" })).toBeNull();
});

describe("a length of another unit is added by what it comes to", () => {
  const present = { amount: 17, unit: "u" } as const;
  // Two units a millimetre.
  const convert = (from: { amount: number; unit: string }, unit: string) =>
    from.unit === "mm" && unit === "u" ? from.amount * 2 : from.unit === "u" && unit === "mm" ? from.amount / 2 : null;
  test.each([
    ["+1mm", { amount: 19, unit: "u" }],
    ["+-1mm", { amount: 15, unit: "u" }],
    ["+ 1 mm + 1 u", { amount: 20, unit: "u" }],
    ["3mm+4u", { amount: 5, unit: "mm" }],
    ["(3mm+4u)*2", { amount: 10, unit: "mm" }],
    ["*2", { amount: 34, unit: "u" }],
    ["3+1mm", { amount: 4, unit: "mm" }],
    ["(3+1)mm", { amount: 4, unit: "mm" }],
  ])("17 u, typed %s", (text, value) => expect(calculateLength(text, present, convert)).toEqual(value));
  test.each(["*2mm", "2mm*3mm", "+1px", "6mm/2mm"])("17 u, typed %s, is no length here", (text) => expect(calculateLength(text, present, convert)).toBeNull());
});

test("sums, products and every unit, against plain arithmetic", () => {
  const whole = fc.integer({ min: -500, max: 500 });
  fc.assert(
    fc.property(whole, whole, fc.integer({ min: 1, max: 50 }), fc.constantFrom(...LENGTH_UNITS), (a, b, c, unit) => {
      expect(calculate(`${a}+(${b})*${c}`, 0)).toBe(a + b * c);
      expect(calculate(`(${a}-(${b}))/${c}`, 0)).toBeCloseTo((a - b) / c, 9);
      expect(calculate(`+${c}`, a)).toBe(a + c);
      expect(calculateLength(`${a}*${c}${unit}`, { amount: 1, unit: "mm" })).toEqual({ amount: a * c, unit });
    }),
  );
});
