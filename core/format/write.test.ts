import fc from "fast-check";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { fileArbitrary, frozen, layoutArbitrary } from "../../test/arbitrary";
import { conformanceCases } from "../../test/cases";
import { parseLayout, readLayout } from "./parse";
import { plainLayout, writeLayout } from "./write";
import { repeated } from "../../test/repeated";

const valueOf = <T>(result: { ok: true; value: T } | { ok: false; problems: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

test("writing and reading gives the same layout, and writing again the same bytes", () => {
  fc.assert(
    fc.property(layoutArbitrary, (layout) => {
      const text = writeLayout(frozen(layout));
      const read = valueOf(readLayout(text));
      expect(read).toEqual(layout);
      expect(writeLayout(read)).toBe(text);
    }),
    { numRuns: repeated(60) },
  );
});

test("the order of keys in a file does not matter to its bytes", () => {
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : typeof value === "object" && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([k, v]) => [k, turned(v)]),
          )
        : value;
  fc.assert(
    fc.property(fileArbitrary, (file) => {
      expect(writeLayout(valueOf(parseLayout(turned(file))))).toBe(writeLayout(valueOf(parseLayout(file))));
    }),
    { numRuns: repeated(30) },
  );
});

test("defaults are left out", () => {
  const layout = valueOf(
    parseLayout({
      format: "nodulum-layout",
      version: 1,
      name: "Bare",
      reference: { width: 1600, height: 720 },
      scale: { share: 0, mmPerUnit: 0.09 },
      orientation: "landscape",
      limits: { minTargetMm: 9 },
    }),
  );
  expect(plainLayout(layout)).toEqual({ format: "nodulum-layout", version: 1, name: "Bare", reference: { width: 1600, height: 720 }, scale: {} });
});

test.each(["brackwater", "brackwater-first-draft", "pigeonhole"])("the sample %s is written canonically", (name) => {
  const text = readFileSync(join(process.cwd(), "samples", `${name}.nodulum.json`), "utf8");
  expect(writeLayout(valueOf(readLayout(text)))).toBe(text);
});

test("the conformance layouts survive the round trip", () => {
  for (const { layout } of conformanceCases()) {
    const read = valueOf(parseLayout(layout));
    expect(valueOf(readLayout(writeLayout(read)))).toEqual(read);
  }
});
