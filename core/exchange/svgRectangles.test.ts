import fc from "fast-check";
import { readSvgRectangles, readTransform } from "./svgRectangles";

const svg = (inside: string, attributes = 'viewBox="0 0 100 50"') => `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;
function boxes(source: string) {
  const read = readSvgRectangles(source);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value.rectangles.map(({ name, box, shape }) => [name, ...[box.x, box.y, box.w, box.h].map((side) => Math.round(side * 1e6) / 1e6), shape]);
}

test("rect, circle, ellipse and image with what they stand in, by their names", () => {
  expect(
    boxes(
      svg(`
        <defs><rect id="never" width="5" height="5"/></defs>
        <rect id="jump" x="10" y="5" width="20" height="10"/>
        <rect id="pill" x="0" y="0" width="20" height="10" rx="5"/>
        <g transform="translate(5 5) scale(2)"><circle id="fire" cx="10" cy="5" r="4"/></g>
        <g id="group"><ellipse cx="50" cy="25" rx="10" ry="5"/></g>
        <image x="1" y="2" width="3" height="4"><title>horn</title></image>
        <rect display="none" width="1" height="1"/>
        <rect id="flat" width="0" height="5"/>
        <path id="no" d="M0 0h5v5z"/>`),
    ),
  ).toEqual([
    ["jump", 10, 5, 20, 10, "box"],
    ["pill", 0, 0, 20, 10, "capsule"],
    ["fire", 17, 7, 16, 16, "ellipse"],
    ["group", 40, 20, 20, 10, "ellipse"],
    ["horn", 1, 2, 3, 4, null],
  ]);
});

test("a turned rectangle has the box about it, a turned circle the same box; the viewBox is the origin", () => {
  expect(boxes(svg('<rect id="r" x="-5" y="-5" width="10" height="10" transform="rotate(45)"/>', 'viewBox="-50 -25 100 50"'))).toEqual([
    [
      "r",
      expect.closeTo(50 - 5 * Math.SQRT2, 5),
      expect.closeTo(25 - 5 * Math.SQRT2, 5),
      expect.closeTo(10 * Math.SQRT2, 5),
      expect.closeTo(10 * Math.SQRT2, 5),
      "box",
    ],
  ]);
  expect(boxes(svg('<circle id="c" r="5" transform="rotate(45 20 20)" cx="20" cy="20"/>'))).toEqual([["c", 15, 15, 10, 10, "ellipse"]]);
});

test("transforms in a row are those of their product: a point goes the same way by one matrix as step by step", () => {
  const number = fc.integer({ min: -30, max: 30 });
  const step = fc.oneof(
    fc.tuple(number, number).map(([x, y]) => `translate(${x},${y})`),
    fc.tuple(number, number).map(([x, y]) => `scale(${x} ${y})`),
    number.map((angle) => `rotate(${angle})`),
    fc.tuple(number, number, number).map(([angle, x, y]) => `rotate(${angle} ${x} ${y})`),
    number.map((angle) => `skewX(${angle})`),
  );
  const go = (m: readonly number[], [x, y]: readonly [number, number]): readonly [number, number] => [m[0] * x + m[2] * y + m[4], m[1] * x + m[3] * y + m[5]];
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 4 }), fc.tuple(number, number), (steps, point) => {
      const atOnce = go(readTransform(steps.join(" "))!, point);
      // The last in the list is done first (SVG 1.1, 7.6).
      const oneByOne = [...steps].reverse().reduce((at, one) => go(readTransform(one)!, at), point as readonly [number, number]);
      const close = (a: number, b: number) => expect(Math.abs(a - b)).toBeLessThan(1e-6 * Math.max(1, Math.abs(a)));
      close(atOnce[0], oneByOne[0]);
      close(atOnce[1], oneByOne[1]);
    }),
  );
});

test.each([
  ["<svg", /SVG is broken XML/],
  ['<html xmlns="x"/>', /no SVG: its root is "html"/],
  [svg("<path/>"), /no rect, circle, ellipse or image/],
  ['<svg xmlns="http://www.w3.org/2000/svg"><rect id="a" width="1" height="1"/></svg>', /has no size/],
  [`<svg viewBox="0 0 1 1">${"<g>".repeat(400)}${"</g>".repeat(400)}</svg>`, /too deep/],
])("%p is refused in words", (source, words) => {
  const read = readSvgRectangles(source);
  expect(read.ok ? "" : read.problems[0].message).toMatch(words);
});

test("a transform that is none leaves its shape out and says so", () => {
  const read = readSvgRectangles(svg('<rect id="odd" width="5" height="5" transform="spin(3)"/><rect id="even" width="5" height="5"/>'));
  expect(read.ok && [read.value.rectangles.map(({ name }) => name), read.value.passedOver]).toEqual([["even"], ["odd"]]);
});
