import fc from "fast-check";
import { parseLayout } from "../format/parse";
import { resolvedOn } from "../derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { plainScreen } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { overflowingWords } from "./overflowingWords";

const SCREEN = plainScreen("a phone", 2400, 1080, 254);
/** A button of so many mm with a word on it. At 254 pixels an inch a millimetre is 10 px. */
function button(w: number, h: number, look: Record<string, unknown>): Layout {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "One",
    reference: { width: 1600, height: 720 },
    scale: {},
    controls: [
      {
        id: "horn",
        name: "horn",
        kind: "button",
        placement: { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["0u", "0u"], size: [`${w}mm`, `${h}mm`] },
        look,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}
const found = (layout: Layout, widths: Record<string, number>) => overflowingWords(layout, resolvedOn(layout, SCREEN, PLAIN_PLAYER_VIEW), widths);

test("a word fits while its letters are 2 mm high", () => {
  // 10 mm wide: 8.4 mm for the word. Letters of 2 mm leave room for 4.2 of them.
  expect(found(button(10, 10, { label: "hoot" }), { hoot: 4.19 })).toEqual([]);
  const [word] = found(button(10, 10, { label: "hoot" }), { hoot: 4.3 });
  expect(word.finding).toMatchObject({ code: "look/overflow", subjects: ["horn"], severity: "warning" });
  expect(word.finding.measure!.value).toBeCloseTo(8.4 / 4.3, 9);
  expect(word.text()).toContain("would be 1.95 mm high, 2 mm are wanted");
});

test("of a small control less is wanted: what its size asks for", () => {
  // 5 mm: letters of 1.5 mm; 4.2 mm for the word.
  expect(found(button(5, 5, { label: "ok" }), { ok: 2.79 })).toEqual([]);
  expect(found(button(5, 5, { label: "ok" }), { ok: 2.81 })).toHaveLength(1);
});

test("every language is judged, and the one that fits least is told, with its tag", () => {
  const layout = button(10, 10, { label: "hoot", labels: { de: "Nebelhorn", fr: "corne de brume" } });
  const widths = { hoot: 2, Nebelhorn: 5, "corne de brume": 8 };
  const [word, ...more] = found(layout, widths);
  expect(more).toEqual([]);
  expect(word.text()).toContain("“corne de brume” (fr)");
});

test("what is accepted is told as such; a word nobody has measured is passed over, those named like the language's own things too", () => {
  const layout = { ...button(4, 4, { label: "hoot" }), accepted: [{ code: "look/overflow" as const, subjects: ["horn"], reason: "an inside joke" }] };
  expect(found(layout, { hoot: 9 })[0].finding.accepted).toBe("an inside joke");
  expect(found(button(4, 4, { label: "constructor" }), {})).toEqual([]);
});

test("a wider control never fits less", () => {
  fc.assert(
    fc.property(
      // Below 12 mm of width the letters that are wanted grow with it.
      fc.double({ min: 12, max: 60, noNaN: true }),
      fc.double({ min: 1, max: 2, noNaN: true }),
      fc.double({ min: 0.5, max: 20, noNaN: true }),
      (w, times, width) => {
        const before = found(button(Number(w.toFixed(2)), 12, { label: "x" }), { x: width });
        const after = found(button(Number((w * times).toFixed(2)), 12, { label: "x" }), { x: width });
        expect(after.length).toBeLessThanOrEqual(before.length);
      },
    ),
  );
});
