import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { parseLayout } from "../format/parse";
import type { Layout } from "../format/types";
import { plainScreen } from "../engine/placement/screen";
import { checkScreen } from "./check";
import { FINDING_CODES, SEVERITIES, type Finding, type FindingCode } from "./finding";
import { repeated } from "../../test/repeated";

/** 1000 × 500 px at 254 ppi: 10 px a millimetre. */
const screen = { ...plainScreen("Bench", 1000, 500, 254), insets: { left: 50, top: 0, right: 0, bottom: 0 }, edges: { left: 0, top: 0, right: 0, bottom: 40 } };
const at = (x: number, y: number, w: number, h = w) => ({
  kind: "pin",
  frame: "screen",
  anchor: [0, 0],
  pivot: [0.5, 0.5],
  offset: [`${x}px`, `${y}px`],
  size: [`${w}px`, `${h}px`],
});
const button = (id: string, x: number, y = 300, size = 100, more: object = {}) => ({
  id,
  name: id,
  kind: "button",
  placement: at(x, y, size),
  serves: [{ port: "press", action: "horn" }],
  ...more,
});
function found(more: object): Finding[] {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "T",
    reference: { width: 1000, height: 500 },
    scale: {},
    actions: [{ name: "horn", kind: "press" }],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read));
  return checkScreen(read.value, screen);
}
const codes = (findings: Finding[]) => findings.map((f) => `${f.severity} ${f.code} ${f.subjects.join(",")}${f.moment ? ` [${f.moment}]` : ""}`);
const measure = (findings: Finding[], code: string) => findings.find((f) => f.code === code)?.measure?.value;

test("a sound layout has no findings", () => {
  expect(found({ controls: [button("a", 200)] })).toEqual([]);
});

test("bindings: misspelt, of another kind, unserved, silent", () => {
  const findings = found({
    actions: [
      { name: "towline", kind: "press" },
      { name: "helm", kind: "vector" },
      { name: "desk", kind: "press", touch: "never" },
      { name: "old", kind: "press", read: false },
    ],
    controls: [
      button("a", 200, 300, 100, { serves: [{ port: "press", action: "tow_line" }] }),
      button("b", 400, 300, 100, { serves: [{ port: "press", action: "helm" }] }),
      button("c", 600, 300, 100, { serves: [] }),
    ],
  });
  expect(codes(findings)).toEqual([
    "blocker bind/unknown-action a,tow_line",
    "blocker bind/kind-mismatch b,helm",
    "blocker bind/unserved towline",
    "warning bind/silent c",
  ]);
  expect(findings[0].text).toContain("nearly `towline`");
});

test("an action unserved in one of its moments alone is said of that moment", () => {
  const moments = [
    { id: "sail", name: "Sail" },
    { id: "dock", name: "Dock" },
  ];
  const one = button("a", 200, 300, 100, { moments: ["sail"] });
  expect(codes(found({ moments, controls: [one] }))).toEqual(["blocker bind/unserved horn [dock]"]);
  expect(codes(found({ moments, controls: [] }))).toEqual(["blocker bind/unserved horn"]);
  expect(found({ moments, actions: [{ name: "horn", kind: "press", moments: ["sail"] }], controls: [one] })).toEqual([]);
});

test("places: off the screen in mm, or only out of the safe frame; half a pixel is forgiven", () => {
  const off = found({ controls: [button("a", 40, 300, 100)] });
  expect(codes(off)).toEqual(["blocker place/off-screen a"]);
  expect(measure(off, "place/off-screen")).toBeCloseTo(1, 9);
  const unsafe = found({ controls: [button("a", 70, 300, 100)] });
  expect(codes(unsafe)).toEqual(["warning place/unsafe a"]);
  expect(measure(unsafe, "place/unsafe")).toBeCloseTo(3, 9);
  expect(found({ controls: [button("a", 99.6, 300, 100)] })).toEqual([]);
});

test("a span whose edges meet has collapsed, by an arrangement too", () => {
  const span = { kind: "span", frame: "screen", from: [0.2, 0.5], to: [0.3, 0.9], inset: { left: "60px", right: "60px" } };
  expect(codes(found({ controls: [{ ...button("a", 200), placement: span, hit: { minMm: 9 } }] }))).toEqual(["blocker place/collapsed a"]);
  const arrangements = [{ id: "wide", name: "Wide", when: { aspect: { min: 1 } }, overrides: { a: { placement: span, hit: { minMm: 9 } } } }];
  expect(codes(found({ controls: [button("a", 200)], arrangements }))).toEqual(["blocker place/collapsed a"]);
});

test("touches: overlap by share of the smaller, closeness in mm, small targets", () => {
  const boxes = { hit: { shape: "box" } };
  const over = (gap: number) =>
    found({ controls: [button("a", 200, 300, 100, boxes), button("b", 200 + gap, 300, 100, { ...boxes, feel: { press: "latch" } })] }).filter(
      (f) => f.code !== "bind/twice",
    );
  expect(codes(over(80))).toEqual(["blocker touch/overlap a,b"]);
  expect(measure(over(80), "touch/overlap")).toBeCloseTo(0.2, 9);
  expect(codes(over(90))).toEqual(["warning touch/overlap a,b"]);
  expect(codes(over(105))).toEqual(["note touch/close a,b"]);
  expect(measure(over(105), "touch/close")).toBeCloseTo(0.5, 6);
  expect(over(110)).toEqual([]);
  expect(codes(found({ controls: [button("a", 200, 300, 80)] }))).toEqual(["warning touch/small a"]);
  expect(codes(found({ controls: [button("a", 200, 300, 60)] }))).toEqual(["blocker touch/small a"]);
  expect(found({ controls: [button("a", 200, 300, 60, { hit: { minMm: 9 } })] })).toEqual([]);
});

test("buttons of different moments do not collide", () => {
  const moments = [
    { id: "sail", name: "Sail" },
    { id: "dock", name: "Dock" },
  ];
  const controls = [button("a", 200, 300, 100, { moments: ["sail"] }), button("b", 220, 300, 100, { moments: ["dock"] })];
  expect(found({ moments, controls })).toEqual([]);
});

test("ground: what lies under it is buried, what lies above it is not; it does not collide with buttons", () => {
  const pad = { id: "pad", name: "pad", kind: "touchpad", placement: at(400, 250, 400, 300), serves: [{ port: "held", action: "horn" }] };
  expect(codes(found({ controls: [button("a", 300), pad] }))).toEqual(["blocker touch/buried a"]);
  expect(found({ controls: [pad, button("a", 300)] })).toEqual([]);
  expect(codes(found({ controls: [{ ...pad, placement: at(400, 400, 400, 200) }] }))).toEqual(["warning touch/edge pad"]);
});

test("sticks: travel that runs off, and too little of it", () => {
  const stick = (x: number, feel: object) => ({
    id: "s",
    name: "s",
    kind: "stick",
    placement: at(x, 300, 120),
    feel,
    serves: [{ port: "held", action: "horn" }],
  });
  expect(codes(found({ controls: [stick(150, { travel: "170px" })] }))).toEqual(["warning feel/travel-cut s"]);
  expect(codes(found({ controls: [stick(300, { travel: "20px" })] }))).toEqual(["warning feel/fine s"]);
});

test("together: one thumb cannot hold two buttons unless one slides in beside the other", () => {
  const pair = (slideIn: boolean, x: number) => ({
    actions: [
      { name: "horn", kind: "press" },
      { name: "pump", kind: "press" },
    ],
    controls: [button("a", 200, 300, 100, { feel: { slideIn } }), button("b", x, 300, 100, { serves: [{ port: "press", action: "pump" }] })],
    together: [{ id: "both", actions: ["horn", "pump"] }],
  });
  expect(codes(found(pair(false, 320)))).toEqual(["warning reach/one-thumb both"]);
  expect(found(pair(true, 320))).toEqual([]);
  expect(codes(found(pair(true, 360)))).toEqual(["warning reach/one-thumb both"]);
  expect(found(pair(false, 800))).toEqual([]);
});

test("a layout of one moment has no finding that is its alone, unless the moment is asked for", () => {
  const moments = [{ id: "sail", name: "Sail" }];
  expect(codes(found({ moments, controls: [] }))).toEqual(["blocker bind/unserved horn"]);
});

test("an accepted finding keeps its reason and its place", () => {
  const [finding] = found({ controls: [button("a", 200, 300, 60)], accepted: [{ code: "touch/small", subjects: ["a"], reason: "for a stylus" }] });
  expect(finding).toMatchObject({ code: "touch/small", accepted: "for a stylus" });
});

test("findings come by severity, then by code, and name what exists", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout: Layout, on) => {
      const findings = checkScreen(layout, on);
      const rank = (f: Finding<FindingCode>) => SEVERITIES.indexOf(f.severity) * 100 + FINDING_CODES.indexOf(f.code);
      findings.slice(1).forEach((f, i) => expect(rank(f)).toBeGreaterThanOrEqual(rank(findings[i])));
      for (const f of findings) {
        expect(Number.isFinite(f.measure?.value ?? 0)).toBe(true);
        expect(f.measure?.unit === "share" && f.measure.value > 1 + 1e-6).toBe(false);
        expect(f.text.length).toBeGreaterThan(10);
      }
      expect(new Set(findings.map((f) => JSON.stringify([f.code, f.subjects, f.moment]))).size).toBe(findings.length);
    }),
    { numRuns: repeated(60) },
  );
});
