import { findingsCases } from "../../test/cases";
import { parseLayout } from "../format/parse";
import { screenSchema } from "../format/schema/file";
import { checkScreen } from "./check";

const key = (f: { code: string; severity: string; subjects: readonly string[]; moment: string | null }) =>
  JSON.stringify([f.code, f.severity, f.subjects, f.moment]);

test.each(findingsCases().map((c) => [c.seed, c] as const))("case %i has just these findings", (_seed, c) => {
  const layout = parseLayout(c.layout);
  if (!layout.ok) throw new Error(JSON.stringify(layout));
  const found = checkScreen(layout.value, screenSchema.parse(c.screen));
  expect(found.map(key).sort()).toEqual(c.findings.map(key).sort());
  for (const expected of c.findings) {
    const actual = found.find((f) => key(f) === key(expected))!;
    expect(actual.measure?.unit).toBe(expected.measure?.unit);
    const [is, wanted] = [actual.measure?.value ?? 0, expected.measure?.value ?? 0];
    expect(Math.abs(is - wanted)).toBeLessThanOrEqual(0.02 * wanted);
  }
});
