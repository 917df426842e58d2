import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { parseLayout } from "../format/parse";
import type { Layout, Screen } from "../format/types";
import { editContextOf } from "../editing/placing";
import { plainScreen } from "../engine/placement/screen";
import { sampleLayouts } from "../../test/samples";
import { catalogueFor } from "./catalogue";
import { bareFindings, checkScreen, fixesOn } from "./check";
import { SEVERITIES, type BareFinding } from "./finding";
import { sayIds } from "./say";
import { applyFix } from "./fixes";
import { fixText } from "./fix";
import { repeated } from "../../test/repeated";

const gravity = (f: BareFinding) => SEVERITIES.length - SEVERITIES.indexOf(f.severity);
/** Two that overlap are reported in drawing order, which a fix may change: it is the same finding either way. */
const name = ({ code, subjects }: { code: string; subjects: readonly string[] }) =>
  `${code} ${(code === "touch/overlap" ? [...subjects].sort() : subjects).join(",")}`;

/** Applies each fix that is offered: its finding is gone, and no finding as severe is new or worse. Gives their number. */
function tryFixes(layout: Layout, screen: Screen, kinds = new Set<string>()): number {
  const before = bareFindings(layout, screen);
  const fixes = fixesOn(layout, screen);
  for (const { code, subjects, fix } of fixes) {
    kinds.add(fix.kind);
    const mended = applyFix(editContextOf(layout, screen), fix);
    if (!mended.ok) throw new Error(`${fixText(fix, sayIds)}: ${JSON.stringify(mended.problems)}`);
    const after = bareFindings(mended.value, screen);
    const own = before.find((f) => name(f) === name({ code, subjects }))!;
    expect(after.map(name)).not.toContain(name(own));
    for (const f of after) {
      const was = before.find((b) => name(b) === name(f) && b.moment === f.moment) ?? before.find((b) => name(b) === name(f));
      const what = was === undefined ? "appeared" : gravity(f) > gravity(was) ? "grew" : "stood";
      expect(`${name(f)} ${gravity(f) < gravity(own) ? "stood" : what} by ${fixText(fix, sayIds)}`).toContain("stood");
    }
  }
  return fixes.length;
}

const screen = plainScreen("Bench", 1000, 500, 254);
const button = (id: string, x: number, y: number, size = 100) => ({
  id,
  name: id,
  kind: "button",
  serves: [{ port: "press", action: id }],
  placement: { kind: "pin", frame: "screen", anchor: [0, 0], pivot: [0.5, 0.5], offset: [`${x}px`, `${y}px`], size: [`${size}px`, `${size}px`] },
});
const layoutOf = (...controls: ReturnType<typeof button>[]): Layout => {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "T",
    reference: { width: 1000, height: 500 },
    scale: {},
    actions: controls.map((c) => ({ name: c.id, kind: "press" })),
    controls,
  });
  if (!read.ok) throw new Error(JSON.stringify(read));
  return read.value;
};

test("an overlap proposes the shortest harmless move, and it mends", () => {
  const layout = layoutOf(button("a", 200, 300), button("b", 280, 300));
  const [finding] = checkScreen(layout, screen);
  expect(finding.text).toMatch(/overlap by 10 % on Bench; move `b` 3\.1 mm right$/);
  expect(tryFixes(layout, screen)).toBe(1);
  expect(fixText(fixesOn(layout, screen)[0].fix, sayIds)).toBe("move `b` 3.1 mm right");
});

test("with a neighbour in the way the move goes another way", () => {
  const layout = layoutOf(button("a", 200, 300), button("b", 280, 300), button("c", 395, 300));
  const overlap = checkScreen(layout, screen).find((f) => f.code === "touch/overlap")!;
  expect(overlap.text).toMatch(/move `a` 3\.1 mm left$/);
  tryFixes(layout, screen);
});

test("off the screen, too small: what is proposed is enough", () => {
  expect(tryFixes(layoutOf(button("a", 20, 300)), screen)).toBe(1);
  expect(tryFixes(layoutOf(button("a", 200, 300, 61)), screen)).toBe(1);
});

test("every mend offered for the first draft mends, on every fourth screen", () => {
  const draft = sampleLayouts()[2];
  const kinds = new Set<string>();
  const count = catalogueFor("landscape")
    .filter((_, i) => i % 4 === 0)
    .reduce((sum, on) => sum + tryFixes(draft, on, kinds), 0);
  expect(count).toBeGreaterThan(10);
  expect([...kinds].sort()).toEqual(["grow", "move", "raise", "trim"]);
});

test("a landing area in the system's edge strips is brought in at the edges that reach into them", () => {
  const edged = { ...screen, edges: { left: 30, top: 0, right: 30, bottom: 20 } };
  const inset = { left: "0u", top: "0u", right: "0u", bottom: "0u" };
  const landing = { kind: "span", frame: "screen", from: [0, 0], to: [0.5, 1], inset };
  const stick = { ...button("helm", 150, 300), kind: "stick", serves: [{ port: "vector", action: "helm" }], feel: { origin: "floating", landing } };
  const read = parseLayout({
    ...layoutOf(button("a", 800, 300)),
    actions: [
      { name: "a", kind: "press" },
      { name: "helm", kind: "vector" },
    ],
    controls: [stick, button("a", 800, 300)],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const edge = checkScreen(read.value, edged).find((f) => f.code === "touch/edge")!;
  expect(edge.text).toMatch(/bring the landing area of `helm` in by 3\.1 mm at the left and 2\.1 mm at the bottom$/);
  expect(tryFixes(read.value, edged)).toBe(1);
  // As the left hand sees it, the strip at the right.
  const left = { handed: "left", playerSize: 1, moment: null } as const;
  const [{ fix }] = fixesOn(read.value, edged, left);
  expect(fixText(fix, sayIds)).toContain("3.1 mm at the right");
  const mended = applyFix(editContextOf(read.value, edged, left), fix);
  expect(mended.ok && bareFindings(mended.value, edged, left).map((f) => f.code)).not.toContain("touch/edge");
});

test("every mend offered for any layout mends", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (layout, on) => void tryFixes(layout, on)),
    { numRuns: repeated(20) },
  );
});
