import fc from "fast-check";
import { catalogueFor } from "../checks/catalogue";
import { readScreenList, readScreens, readScreensCsv, screensCsv, screensJson } from "./screens";

const shipped = catalogueFor("both");

test("the whole catalogue survives CSV and JSON", () => {
  expect(readScreenList(screensCsv(shipped))).toEqual({ ok: true, value: shipped });
  expect(readScreenList(screensJson(shipped))).toEqual({ ok: true, value: shipped });
});

test("any name survives: commas, quotes, apostrophes, signs a spreadsheet would take for a formula; negative places too", () => {
  const letter = fc.oneof(fc.string({ minLength: 1, maxLength: 1, unit: "grapheme" }), fc.constantFrom("'", "=", "＝", "-", "−", "@", '"', ",", ";", " "));
  const name = fc.string({ minLength: 1, maxLength: 30, unit: letter }).filter((n) => n.length <= 80 && !/[\p{Cc}\u2028\u2029]/u.test(n));
  fc.assert(
    fc.property(name, (wish) => {
      const screen = { ...shipped[0], name: wish, cutouts: [{ x: -5, y: 0, w: 3, h: 4 }] };
      expect(readScreensCsv(screensCsv([screen]))).toEqual({ ok: true, value: [screen] });
    }),
  );
});

test("four columns are enough, a byte order mark and empty lines do no harm", () => {
  const read = readScreenList("\uFEFFname,widthPx,heightPx,ppi\n\nSlate,1000,500,200\n");
  expect(read).toMatchObject({ ok: true, value: [{ name: "Slate", widthPx: 1000, cornerPx: 0, insets: { left: 0 }, cutouts: [] }] });
});

test.each([
  ["a,b\n1,2", /widthPx, heightPx, ppi is missing/],
  ["widthPx,heightPx,ppi,weight\n1,1,1,1", /unknown column "weight"/],
  ["widthPx,heightPx,ppi\n1000,tall,300", /row 2, heightPx.*"tall" is not a number/],
  ["widthPx,heightPx,ppi\n1000,500,300\n1000,500,0", /row 3, ppi.*from 30 to 1500/],
  ["widthPx,heightPx,ppi,cutouts\n1000,500,300,1 2 3", /row 2, cutouts.*x y w h/],
  ["{", /not JSON/],
])("%j is refused, and the fault is named", (text, message) => {
  const read = readScreenList(text);
  expect(read.ok ? "" : read.problems.map((p) => `${p.path}: ${p.message}`).join("\n")).toMatch(message);
  expect(readScreens("[]")).toEqual({ ok: true, value: [] });
});
