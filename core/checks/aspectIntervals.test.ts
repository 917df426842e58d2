import fc from "fast-check";
import { layoutArbitrary } from "../../test/arbitrary";
import { parseLayout } from "../format/parse";
import type { Layout } from "../format/types";
import { sampleLayouts } from "../../test/samples";
import { bareFindings } from "./check";
import { findAspectIntervals, screenAt, type AspectIntervals, type AspectRange } from "./aspectIntervals";
import { repeated } from "../../test/repeated";

const range = (from: number, to: number, insets = 0): AspectRange => ({
  diagonalInches: 6.1,
  ppi: 420,
  from,
  to,
  insetsMm: { left: insets, top: 0, right: insets, bottom: insets / 2 },
});
const keyOf = (f: { code: string; subjects: readonly string[]; moment: string | null }) => `${f.code} ${f.subjects.join(",")} ${f.moment ?? ""}`;

/** What a sweep in small steps sees: for each finding the runs of aspects at which it holds. Written without anything of the method it checks. */
function swept(layout: Layout, r: AspectRange, step: number): Map<string, [number, number][]> {
  const runs = new Map<string, [number, number][]>();
  let before = new Set<string>();
  for (let n = 0; ; n += 1) {
    const aspect = Math.min(r.to, r.from + n * step);
    const now = new Set(bareFindings(layout, screenAt(r, aspect)).map(keyOf));
    for (const key of now) {
      const list = runs.get(key) ?? [];
      if (before.has(key)) list[list.length - 1][1] = aspect;
      else list.push([aspect, aspect]);
      runs.set(key, list);
    }
    before = now;
    if (aspect >= r.to) return runs;
  }
}

/** Both say the same: every run of the sweep of 0.002 or more is in a span, ends within 0.0005 and a step of the sweep; and no span holds where the sweep saw nothing. */
function agree(spans: readonly AspectIntervals[], runs: Map<string, [number, number][]>, step: number): void {
  const slack = 0.0005 + step;
  const byKey = new Map(spans.map((s) => [keyOf(s), s.intervals]));
  for (const [key, list] of runs)
    for (const [from, to] of list.filter(([from, to]) => to - from >= 0.002)) {
      const within = byKey.get(key)?.find(([a, b]) => a <= from + 0.0005 && b >= to - 0.0005);
      expect(`${key} ${from}–${to}: ${within ? "found" : JSON.stringify(byKey.get(key))}`).toContain("found");
      expect(from - within![0]).toBeLessThanOrEqual(slack);
      expect(within![1] - to).toBeLessThanOrEqual(slack);
    }
  for (const [key, intervals] of byKey)
    for (const [from, to] of intervals.filter(([from, to]) => to - from >= 0.002)) expect(runs.get(key)?.some(([a, b]) => a <= to && b >= from)).toBe(true);
}

test("the samples agree with a sweep at steps of 0.0005", () => {
  const r = range(1.3, 1.48, 2);
  for (const layout of [sampleLayouts()[0], sampleLayouts()[2]]) agree(findAspectIntervals(layout, r), swept(layout, r, 0.0005), 0.0005);
});

test("layouts made at random agree with a sweep", () => {
  fc.assert(
    fc.property(layoutArbitrary, fc.integer({ min: 60, max: 220 }), (layout, start) => {
      const r = range(start / 100, start / 100 + 0.05, 3);
      agree(findAspectIntervals(layout, r), swept(layout, r, 0.0002), 0.0002);
    }),
    { numRuns: repeated(4) },
  );
});

const at = (anchor: [number, number], offset: [string, string]) => ({ kind: "pin", frame: "screen", anchor, pivot: anchor, offset, size: ["12mm", "12mm"] });
const two = (more: object = {}): Layout => {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "T",
    reference: { width: 1600, height: 720 },
    scale: {},
    actions: [
      { name: "a", kind: "press" },
      { name: "b", kind: "press" },
    ],
    controls: [
      { id: "a", name: "a", kind: "button", placement: at([0, 1], ["50mm", "-10mm"]), hit: { shape: "box" }, serves: [{ port: "press", action: "a" }] },
      { id: "b", name: "b", kind: "button", placement: at([1, 1], ["-50mm", "-10mm"]), hit: { shape: "box" }, serves: [{ port: "press", action: "b" }] },
    ],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read));
  return read.value;
};

test("an overlap begins where arithmetic says it does", () => {
  // They overlap by 2 % of their width when the screen is 124 − 0.24 mm wide: W = a·d/√(a²+1).
  const diagonal = 6.1 * 25.4;
  const aspectOf = (width: number) => width / Math.sqrt(diagonal * diagonal - width * width);
  const span = findAspectIntervals(two(), range(0.5, 2)).find((s) => s.code === "touch/overlap")!;
  expect(span.intervals).toHaveLength(1);
  expect(span.intervals[0][1]).toBeCloseTo(aspectOf(124 - 0.24), 3);
  expect(span.worst!.value).toBeCloseTo(1, 1);
  expect(span.severity).toBe("blocker");
});

test("an arrangement cuts a span at its end, to the digit", () => {
  const hidden = { arrangements: [{ id: "mid", name: "Mid", when: { aspect: { min: 1, max: 1.1 } }, overrides: { b: { hidden: true } } }] };
  const span = findAspectIntervals(two(hidden), range(0.9, 1.2)).find((s) => s.code === "touch/overlap")!;
  expect(span.intervals.map(([a, b]) => [a.toFixed(4), b.toFixed(4)])).toEqual([
    ["0.9000", "1.0000"],
    ["1.1000", span.intervals[1][1].toFixed(4)],
  ]);
  const unserved = findAspectIntervals(two(hidden), range(0.9, 1.2)).find((s) => s.code === "bind/unserved")!;
  expect(unserved.intervals).toEqual([[expect.closeTo(1, 6), expect.closeTo(1.1, 6)]]);
});
