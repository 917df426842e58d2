import fc from "fast-check";
import { canonicalLength, formatLength, LENGTH_UNITS, lengthAdvice, parseLength } from "./length";

test("reads every unit and nothing else", () => {
  for (const unit of LENGTH_UNITS) expect(parseLength(`-3.5${unit}`)).toEqual({ amount: -3.5, unit });
  for (const wrong of ["12", "mm", "12 mm", "1e3u", "+3u", ".5u", "5.u", "12em", "", "NaNu"]) expect(parseLength(wrong)).toBeNull();
});

test("what is formatted reads back, to a millionth", () => {
  fc.assert(
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.constantFrom(...LENGTH_UNITS), (amount, unit) => {
      const read = parseLength(formatLength(amount, unit));
      expect(read!.unit).toBe(unit);
      expect(Math.abs(read!.amount - amount)).toBeLessThanOrEqual(1e-6);
    }),
  );
});

test("the canonical spelling is shortest, keeps the value, and is its own canonical spelling", () => {
  expect(canonicalLength("8.0mm")).toBe("8mm");
  expect(canonicalLength("-0u")).toBe("0u");
  expect(canonicalLength("007.250%w")).toBe("7.25%w");
  fc.assert(
    fc.property(fc.integer({ min: -99999, max: 99999 }), fc.integer({ min: 0, max: 4 }), (n, places) => {
      const text = `${(n / 10 ** places).toFixed(places + 1)}u`;
      expect(parseLength(canonicalLength(text))!.amount).toBeCloseTo(n / 10 ** places, 9);
      expect(canonicalLength(canonicalLength(text))).toBe(canonicalLength(text));
    }),
  );
});

test("advice names what to write", () => {
  expect(lengthAdvice("12 mm")).toBe('write "12mm"');
  expect(lengthAdvice(".5 U")).toBe('write "0.5u"');
  expect(lengthAdvice("12")).toContain('"12u"');
});
