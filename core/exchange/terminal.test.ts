import fc from "fast-check";
import { jsonForTerminal, lineForTerminal, xmlForTerminal } from "./terminal";

const ACTS = /[\u0000-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069\u2028\u2029]/;

test("whatever a text holds, nothing of it acts upon a terminal, and JSON means what it meant", () => {
  const text = fc.string({
    unit: fc.oneof(
      fc.constantFrom("\u001b", "\u009b", "\u202e", "\u2028", "\u2066", "\u2069", "\n", "\t", "\u007f", '"', "\\"),
      fc.string({ minLength: 1, maxLength: 2 }),
    ),
  });
  fc.assert(
    fc.property(text, (some) => {
      expect(lineForTerminal(some)).not.toMatch(ACTS);
      const json = jsonForTerminal(JSON.stringify({ [some]: [some] }, null, 2));
      expect(json.replaceAll("\n", "")).not.toMatch(ACTS);
      expect(JSON.parse(json)).toEqual({ [some]: [some] });
      expect(xmlForTerminal(some)).not.toMatch(ACTS);
    }),
  );
  expect(lineForTerminal("red \u001b[31m\nnext")).toBe("red \\u{1B}[31m\\u{A}next");
  expect(lineForTerminal("Grüße, 港")).toBe("Grüße, 港");
});
