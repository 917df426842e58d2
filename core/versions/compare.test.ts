import fc from "fast-check";
import { frozen, layoutArbitrary } from "../../test/arbitrary";
import { sampleLayouts } from "../../test/samples";
import { addAction, changeAction } from "../editing/edits/actions";
import { changeFeel, removePlaceables, reorderControls } from "../editing/edits/controls";
import { changeLayout } from "../editing/edits/layout";
import { editContextOf, moveBy } from "../editing/placing";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import type { Result } from "../engine/result";
import { parseScreen } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";
import { compare, drawnFor, inOneLine } from "./compare";
import { repeated } from "../../test/repeated";

const [harbour] = sampleLayouts();
const must = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const screen: Screen = must(parseScreen("2400x1080@411"));
const texts = (before: Layout, after: Layout) => compare(before, after, { screen }).map((d) => d.text);

test("a layout does not differ from itself, and what differs one way differs the other way about", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, (a, b) => {
      const [x, y] = [frozen(a), frozen(b)];
      expect(compare(x, x, { screen })).toEqual([]);
      const [there, back] = [compare(x, y, { screen }), compare(y, x, { screen })];
      const count = (list: typeof there, what: string) => list.filter((d) => d.what === what).length;
      expect(count(there, "came")).toBe(count(back, "went"));
      expect(count(there, "moved")).toBe(count(back, "moved"));
      expect(count(there, "field")).toBe(count(back, "field"));
      expect(there.every((d) => d.text !== "" && !d.text.includes("undefined"))).toBe(true);
    }),
    { numRuns: repeated(40) },
  );
});

test("a move is told in mm on the screen, whatever units it is written in", () => {
  const px = 411 / 25.4;
  const after = must(moveBy(editContextOf(harbour, screen, PLAIN_PLAYER_VIEW), ["horn"], 3.2 * px, -px));
  const found = compare(harbour, after, { screen });
  expect(found[0]).toMatchObject({ what: "moved", subject: { kind: "control", id: "horn" }, text: "horn moved 3.2 mm right, 1.0 mm up" });
  expect(found.slice(1).map((d) => d.what)).toEqual(["field"]);
});

test("what stands elsewhere by the scale alone is told so; its own fields are not touched", () => {
  const after = must(changeLayout(harbour, { scale: { ...harbour.scale, mmPerUnit: harbour.scale.mmPerUnit * 1.5 } }));
  const horn = compare(harbour, after, { screen }).filter((d) => d.subject.id === "horn");
  expect(horn.map((d) => d.what)).toEqual(["moved", "sized"]);
  expect(horn[1].text).toMatch(/^horn grew: \d+\.\d × \d+\.\d → \d+\.\d × \d+\.\d mm, its own placement unchanged$/);
});

test("came, went, feel, action and order, each in words", () => {
  expect(texts(harbour, must(removePlaceables(harbour, ["pump"])))).toContain("pump (button) went");
  expect(texts(harbour, must(removePlaceables(harbour, ["horn"])))).toEqual(expect.arrayContaining(["Small and nearly square: no longer changes horn"]));
  expect(texts(harbour, must(removePlaceables(harbour, ["horn"]))).filter((text) => text.includes("order"))).toEqual([]);
  expect(texts(must(removePlaceables(harbour, ["pump"])), harbour)).toContain("pump (button) came");
  expect(texts(harbour, must(changeFeel(harbour, "helm", { inner: 0.2 })))).toEqual(["helm: feel inner 0.12 → 0.2"]);
  expect(texts(harbour, must(addAction(harbour, "anchor", "press")))).toEqual(["anchor (action, press) came"]);
  expect(texts(harbour, must(changeAction(harbour, "horn", { note: "loud" })))).toEqual(["horn: note empty → loud"]);
  expect(texts(harbour, must(reorderControls(harbour, ["horn"], "bottom")))).toEqual(["the drawing order is another"]);
});

test("a single move, size or field is told in a line; what came or went, or is more than one, is not", () => {
  const line = (after: Layout) => inOneLine(compare(harbour, after, { screen }));
  expect(line(must(moveBy(editContextOf(harbour, screen, PLAIN_PLAYER_VIEW), ["horn"], 32, 0)))).toMatch(/^horn moved 2\.0 mm right$/);
  expect(line(must(changeFeel(harbour, "helm", { inner: 0.2 })))).toBe("helm: feel inner 0.12 → 0.2");
  expect(line(must(addAction(harbour, "anchor", "press")))).toBeNull();
  expect(line(must(changeFeel(harbour, "helm", { inner: 0.2, outer: 0.9 })))).toBeNull();
  expect(line(harbour)).toBeNull();
});

test("the screen a layout is drawn for has a px a unit, and each as long as the layout keeps it", () => {
  const drawn = drawnFor(harbour);
  expect([drawn.widthPx, drawn.heightPx, 25.4 / drawn.ppi]).toEqual([1600, 720, expect.closeTo(harbour.scale.mmPerUnit, 12)]);
});
