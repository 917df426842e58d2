import fc from "fast-check";
import { parseLayout } from "../format/parse";
import { plainScreen } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { checkScreen } from "./check";

const SCREEN = plainScreen("a phone", 2400, 1080, 254);
/** A button of this many mm with a word on it. At 254 pixels an inch a millimetre is 10 px. */
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
const found = (layout: Layout) => checkScreen(layout, SCREEN).filter((f) => f.code === "look/overflow");
/** A word as wide as this many letters, of the figure 0: 575 thousandths of the em. */
const zeros = (count: number) => "0".repeat(count);
const EM = 0.575;

test("a word fits while its letters are 2 mm high", () => {
  // 10 mm wide: 8.4 mm for the word. Letters of 2 mm leave room for 4.2 of their em, which is 7 zeros.
  expect(found(button(10, 10, { label: zeros(7) }))).toEqual([]);
  const [word] = found(button(10, 10, { label: zeros(8) }));
  expect(word).toMatchObject({ code: "look/overflow", subjects: ["horn"], severity: "warning" });
  expect(word.measure!.value).toBeCloseTo(8.4 / (8 * EM), 9);
  expect(word.text).toContain("would be 1.83 mm high, 2 mm are wanted");
});

test("of a small control less is wanted: what its size asks for", () => {
  // 5 mm: letters of 1.5 mm; 4.2 mm for the word, 2.8 of its em.
  expect(found(button(5, 5, { label: zeros(4) }))).toEqual([]);
  expect(found(button(5, 5, { label: zeros(5) }))).toHaveLength(1);
});

test("every language is judged, and the one that fits least is told, with its tag", () => {
  const [word, ...more] = found(button(10, 10, { label: "hoot", labels: { de: "Nebelhorn", fr: "corne de brume" } }));
  expect(more).toEqual([]);
  expect(word.text).toContain("“corne de brume” (fr)");
});

test("what is accepted is told as such; what shows nothing at rest, and a word like one of the language's own things, is judged as any other", () => {
  const layout = { ...button(4, 4, { label: "hoot and howl" }), accepted: [{ code: "look/overflow" as const, subjects: ["horn"], reason: "an inside joke" }] };
  expect(found(layout)[0].accepted).toBe("an inside joke");
  expect(found(button(4, 4, { label: "constructor" }))).toHaveLength(1);
});

test("a wider control never fits less", () => {
  fc.assert(
    fc.property(
      // Below 12 mm of width the letters that are wanted grow with it.
      fc.double({ min: 12, max: 60, noNaN: true }),
      fc.double({ min: 1, max: 2, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      (w, times, letters) => {
        const before = found(button(Number(w.toFixed(2)), 12, { label: zeros(letters) }));
        const after = found(button(Number((w * times).toFixed(2)), 12, { label: zeros(letters) }));
        expect(after.length).toBeLessThanOrEqual(before.length);
      },
    ),
  );
});
