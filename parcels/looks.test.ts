import fc from "fast-check";
import { XMLParser, XMLValidator } from "fast-xml-parser";
import { SvgCanvas } from "../core/drawing/svgCanvas";
import { PICTURES } from "../core/format/limits";
import { svgProblem } from "../core/format/pictures/svg";
import { changeLook } from "../core/editing/edits/controls";
import { layoutArbitrary } from "../test/arbitrary";
import { recorder } from "../test/canvas";
import { sampleLayouts } from "../test/samples";
import { drawLook, lookPictures, lookSvg } from "./looks";
import { pictureSheet, pictureSheetJson } from "./pictureSheet";
import type { DrawingContext } from "../runtime/draw/drawn";
import { ICONS } from "../runtime/icons";
import { repeated } from "../test/repeated";

const [brackwater, pigeonhole] = sampleLayouts();

test("a stick has base and knob, a d-pad its arms, a look to fade to where it fades, nothing of what never shows", () => {
  const names = (of: typeof brackwater, id: string) =>
    lookPictures(of)
      .filter(({ control }) => control === id)
      .map(({ name }) => name);
  expect(names(brackwater, "helm")).toEqual(["helm-rest", "helm-rest-base", "helm-rest-knob", "helm-held", "helm-held-base", "helm-held-knob"]);
  expect(names(brackwater, "nudge").slice(0, 5)).toEqual(["nudge-rest", "nudge-rest-right", "nudge-rest-up", "nudge-rest-left", "nudge-rest-down"]);
  const change = (look: Parameters<typeof changeLook>[2]) => {
    const done = changeLook(brackwater, "helm", look);
    if (!done.ok) throw new Error("not changed");
    return names(done.value, "helm");
  };
  expect(change({ away: { opacity: 0.2, afterMs: 500, fadeMs: 200 } })).toContain("helm-away-knob");
  expect(change({ hideAtRest: "knob" })).toEqual(["helm-rest", "helm-rest-base", "helm-held", "helm-held-base", "helm-held-knob"]);
  expect(change({ hideAtRest: "all" })).toEqual(["helm-held", "helm-held-base", "helm-held-knob"]);
  expect(change({ label: "steer" })).toContain("helm-rest-mark");
});

test("every look of every layout is an SVG that our own door for pictures takes", () => {
  const everyLook = (layout: typeof brackwater) => {
    for (const picture of lookPictures(layout)) {
      const svg = lookSvg(layout, picture);
      expect(XMLValidator.validate(svg)).toBe(true);
      // A picture of a layout's own within a look is more than the door lets in.
      expect(layout.pictures.length === 0 ? svgProblem(svg) : null).toBeNull();
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
      expect(svg.length).toBeLessThan(PICTURES.fileBytes.most);
    }
  };
  everyLook(brackwater);
  everyLook(pigeonhole);
  fc.assert(fc.property(layoutArbitrary, everyLook), { numRuns: repeated(25) });
});

test("the SVG has the shapes that the canvas paints, in their colours: one hand draws both", () => {
  for (const picture of lookPictures(brackwater).filter(({ part }) => part === null)) {
    const { ctx, painted } = recorder(["fill", "fillText"]);
    drawLook(ctx, picture, 1, { pictureOf: () => null, icons: {} });
    const canvas = new SvgCanvas();
    drawLook(canvas as unknown as DrawingContext, picture, 1, { pictureOf: () => null, icons: {}, pathOf: canvas.pathOf, wordEm: canvas.wordEm });
    const read = new XMLParser({ ignoreAttributes: false, preserveOrder: true }).parse(`<svg>${canvas.markup()}</svg>`) as [
      { svg: { ":@": Record<string, string> }[] },
    ];
    const fills = read[0].svg.map((shape) => shape[":@"]["@_fill"]).filter((fill) => fill !== "none");
    expect(fills).toEqual(painted.map((stroke) => stroke.fill));
    expect(fills.length).toBeGreaterThan(0);
  }
});

test("an icon is stroked where the canvas strokes it, in the matrix in force", () => {
  const canvas = new SvgCanvas();
  canvas.save();
  canvas.translate(10, 20);
  canvas.scale(2, 2);
  canvas.stroke(canvas.pathOf(ICONS.play));
  canvas.restore();
  canvas.beginPath();
  canvas.moveTo(0, 0);
  canvas.lineTo(5, 0);
  canvas.fill();
  canvas.stroke();
  const markup = canvas.markup();
  expect(markup).toContain(`d="${ICONS.play}"`);
  expect(markup).toContain('transform="matrix(2 0 0 2 10 20)"');
  // Filled and then stroked it is one shape.
  expect(markup.match(/<path/g)).toHaveLength(2);
  expect(() => canvas.stroke({})).toThrow(/icon/);
});

test("on the sheet no picture touches another or the edge, each is as large as it is, and no room is lost beyond the packing", () => {
  fc.assert(
    fc.property(layoutArbitrary, fc.constantFrom(1, 2, 3), (layout, scale) => {
      const pictures = lookPictures(layout);
      const { width, height, places } = pictureSheet(pictures, scale);
      expect(places.map(({ name, w, h }) => [name, w, h])).toEqual(pictures.map((one) => [one.name, one.width * scale, one.height * scale]));
      places.forEach((a, i) => {
        expect(a.x >= 1 && a.y >= 1 && a.x + a.w <= width - 1 && a.y + a.h <= height - 1).toBe(true);
        for (const b of places.slice(0, i)) expect(a.x + a.w < b.x || b.x + b.w < a.x || a.y + a.h < b.y || b.y + b.h < a.y).toBe(true);
      });
      expect(JSON.parse(pictureSheetJson("s.png", scale, { width, height, places }))).toMatchObject({
        format: "nodulum-picture-sheet",
        picture: "s.png",
        scale,
      });
    }),
    { numRuns: repeated(40) },
  );
});
