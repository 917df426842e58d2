/** What a person would keep: rows, columns, equal gaps, thumbs, and pictures within their areas. */
import fc from "fast-check";
import { GLASS, layoutOf, pinned, RIGHT } from "../../test/settleCases";
import { requestFor, spoiledLayout } from "../../test/spoiled";
import { repeated } from "../../test/repeated";
import { support } from "../engine/geometry/distance";
import type { Layout } from "../format/types";
import { ARRANGED_MM, gapDifference, middle, offLine, relationsIn } from "./problem/relations";
import { HIT, NUMBERS, numbersOn, scenariosOf, VISUAL } from "./problem/scenarios";
import type { SettleRequest } from "./request";
import { settle } from "./settle";

const SEES_ALL = () => true;

/** Where everything is in every scenario, before and after. */
function positions(request: SettleRequest, after: Layout) {
  const scenarios = scenariosOf(request.layout, request.screens, request.faces);
  const indexes = new Map(request.layout.controls.map(({ id }, i) => [id, i]));
  const [was, is] = [request.layout, after].map((layout) => scenarios.map((scenario) => numbersOn(layout, scenario, indexes)));
  return { scenarios, was, is };
}

/** A row or a column of buttons, the last of them pressed by one more. */
const rowArbitrary = fc.record({
  count: fc.integer({ min: 2, max: 4 }),
  gap: fc.integer({ min: 30, max: 60 }),
  isColumn: fc.boolean(),
  beside: fc.integer({ min: 3, max: 9 }),
  turn: fc.integer({ min: 0, max: 7 }),
});

test("rows and equal gaps stay what they were where something overlaps the end of a row", () => {
  let moved = 0;
  fc.assert(
    fc.property(rowArbitrary, ({ count, gap, isColumn, beside, turn }) => {
      const step = 10 + gap / 10;
      const at = (i: number): [number, number] => (isColumn ? [40, 12 + i * step] : [30 + i * step, 36]);
      const [x, y] = at(count - 1);
      const angle = (turn * Math.PI) / 4 + 0.3;
      const end = pinned("end", "button", [x + beside * Math.cos(angle), y + beside * Math.sin(angle)], 11);
      const row = Array.from({ length: count }, (_, i) => pinned(`b${i}`, "button", at(i), 10));
      const request = requestFor(layoutOf([...row, end]), [GLASS], RIGHT);
      const settled = settle(request);
      const { was, is } = positions(request, settled.layout);
      fc.pre(settled.large.every(({ kind }) => kind !== "row" && kind !== "gaps"));
      const { rows, gaps } = relationsIn(request.layout, was, SEES_ALL);
      expect(rows.length).toBeGreaterThanOrEqual(count - 1);
      for (const one of rows) expect(Math.abs(offLine(is[0], one))).toBeLessThanOrEqual(Math.abs(offLine(was[0], one)) < 0.05 ? 0.06 : ARRANGED_MM + 0.01);
      for (const one of gaps)
        expect(Math.abs(gapDifference(is[0], one))).toBeLessThanOrEqual(Math.abs(gapDifference(was[0], one)) < 0.05 ? 0.06 : ARRANGED_MM + 0.01);
      if (Math.abs(middle(is[0], 0, 0) - middle(was[0], 0, 0)) + Math.abs(middle(is[0], 0, 1) - middle(was[0], 0, 1)) > 0.1) moved += 1;
    }),
    { numRuns: repeated(12) },
  );
  // In some of them the first of the row went along with the last.
  expect(moved).toBeGreaterThan(0);
});

test("on spoiled layouts no control changes its thumb, and no picture leaves its area or the screen by a new side", () => {
  const spoiled = fc
    .integer({ min: 0, max: 1_000_000 })
    .map((seed) => spoiledLayout(seed, { controls: 6, screens: 2, moments: 1 }))
    .filter((one) => one !== null);
  fc.assert(
    fc.property(spoiled, ({ request }) => {
      const { scenarios, was, is } = positions(request, settle(request).layout);
      request.layout.controls.forEach(({ hit }, c) => {
        scenarios.forEach(({ frames: { screen } }, f) => {
          const at = c * NUMBERS;
          const border = screen.w / 2;
          const isBetween = was[f][at] < border && was[f][at] + was[f][at + 2] > border;
          expect(isBetween || middle(is[f], c, 0) <= border === middle(was[f], c, 0) <= border).toBe(true);
          const box = (line: Float64Array, from: number) => ({ shape: hit.shape, x: line[from], y: line[from + 1], w: line[from + 2], h: line[from + 3] });
          const over = (line: Float64Array, angle: number) => {
            const [x, y] = [Math.cos(angle), Math.sin(angle)];
            return support(box(line, at + HIT), x, y) - support(box(line, at + VISUAL), x, y);
          };
          for (let i = 0; i < 36; i += 1) expect(over(is[f], (i * Math.PI) / 18)).toBeGreaterThan(Math.min(0, over(was[f], (i * Math.PI) / 18)) - 0.02);
          const room = (line: Float64Array) => {
            const [x, y, w, h] = line.subarray(at + HIT, at + HIT + 4);
            return [x, y, screen.w - x - w, screen.h - y - h];
          };
          room(is[f]).forEach((side, i) => expect(side).toBeGreaterThan(Math.min(0, room(was[f])[i]) - 0.01));
        });
      });
    }),
    { numRuns: repeated(5) },
  );
});
