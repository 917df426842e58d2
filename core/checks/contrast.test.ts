import fc from "fast-check";
import { placed, STAGE, staged } from "../../test/stage";
import { resolveLayout } from "../engine/placement/resolve";
import { contrast, faintLooks, looksAt, luminance, meanUnder, over, rgbOf, type Rgb, type Still } from "./contrast";
import { whyFaintNotJudged } from "./backdrop";
import { bareFindings, checkScreen } from "./check";
import { sayIds } from "./say";
import { repeated } from "../../test/repeated";

const still = (colourAt: (x: number, y: number) => Rgb, width = 40, height = 20): Still => ({
  width,
  height,
  data: Array.from({ length: width * height }, (_, i) => [...colourAt(i % width, Math.floor(i / width)), 255]).flat(),
});

test("contrast as WCAG gives it", () => {
  expect(contrast([0, 0, 0], [255, 255, 255])).toBeCloseTo(21, 6);
  // #767676 on white is the lightest grey that reaches 4.5:1.
  expect(contrast(rgbOf("#767676"), rgbOf("#FFFFFF"))).toBeCloseTo(4.54, 2);
  expect(luminance(rgbOf("#FF0000"))).toBeCloseTo(0.2126, 4);
});

const colour = fc.tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 })) as fc.Arbitrary<Rgb>;
test("contrast is the same both ways, 1 with itself, and laying over at 0 and 1 gives the two colours", () => {
  fc.assert(
    fc.property(colour, colour, (a, b) => {
      expect(contrast(a, b)).toBeCloseTo(contrast(b, a), 9);
      expect(contrast(a, a)).toBe(1);
      expect(contrast(a, b)).toBeGreaterThanOrEqual(1);
      expect(over(a, b, 0)).toEqual([...b]);
      expect(over(a, b, 1)).toEqual([...a]);
    }),
  );
});

test("the mean is of linear light, under the box alone", () => {
  const halves = still((x) => (x < 20 ? [0, 0, 0] : [255, 255, 255]));
  expect(meanUnder(halves, { x: 0, y: 0, w: 0.5, h: 1 })!.map(Math.round)).toEqual([0, 0, 0]);
  expect(meanUnder(halves, { x: 0.5, y: 0, w: 0.5, h: 1 })!.map(Math.round)).toEqual([255, 255, 255]);
  expect(meanUnder(halves, { x: 0, y: 0, w: 1, h: 1 })!.map(Math.round)).toEqual([188, 188, 188]);
  expect(meanUnder(halves, { x: 2, y: 0, w: 1, h: 1 })).toBeNull();
});

const button = (id: string, x: number, look: object) => ({ id, name: id, kind: "button", placement: placed(x, 250, 100), look });
const grey = { fill: "#404040", line: "#404040", ink: "#404040", opacity: 1 };

test("what the backdrop swallows is found, with the ratio; what stands out is not", () => {
  const layout = staged(
    [
      button("lost", 100, { rest: grey }),
      button("lined", 300, { rest: { ...grey, line: "#FFFFFF" } }),
      button("mute", 500, { label: "Horn", rest: { ...grey, line: "#FFFFFF" } }),
      button("hidden", 700, { rest: grey, hideAtRest: "all" }),
      button("over-light", 900, { rest: grey }),
    ],
    [],
    { accepted: [{ code: "look/faint", subjects: ["mute"], reason: "a riddle" }] },
  );
  const found = faintLooks(
    layout,
    resolveLayout(layout, STAGE),
    still((x) => (x < 32 ? [64, 64, 64] : [240, 240, 240])),
  );
  expect(found.map((f) => f.subjects)).toEqual([["lost"], ["mute"]]);
  expect(found[0]).toMatchObject({ code: "look/faint", severity: "warning", measure: { value: 1, unit: "ratio" } });
  expect(found[1].text(sayIds, null)).toMatch(/has its word stand out from its own fill at rest by only 1\.0:1/);
});

test("of a plain colour looks are judged without a still; what is accepted says so; of no backdrop and of a picture it is said that they are not", () => {
  const accepted = [{ code: "look/faint", subjects: ["mute"], reason: "a riddle" }];
  const layoutOn = (workbench: object) =>
    staged([button("mute", 500, { rest: grey }), button("lined", 300, { rest: { ...grey, line: "#FFFFFF" } })], [], { accepted, workbench });
  const faint = (workbench: object, still?: Still) => checkScreen(layoutOn(workbench), STAGE, undefined, { still }).filter((f) => f.code === "look/faint");
  const plain = { backdrop: "plain", colour: "#404040" };
  expect(faint(plain)).toMatchObject([{ subjects: ["mute"], accepted: "a riddle", measure: { value: 1, unit: "ratio" } }]);
  expect(bareFindings(layoutOn(plain), STAGE).filter((f) => f.code === "look/faint")).toHaveLength(1);
  // The same figures as of a still of that colour, dimmed as the views dim it.
  const dimmed = { ...plain, dim: 0.5 };
  expect(faint(dimmed)).toEqual(
    faint(
      {},
      still(() => [35, 36, 38]),
    ),
  );
  for (const [workbench, why] of [
    [{}, /no backdrop is chosen/],
    [{ backdrop: "harbour" }, /cannot be decoded outside the browser/],
  ] as const) {
    expect(faint(workbench)).toEqual([]);
    expect(whyFaintNotJudged(layoutOn(workbench).workbench)).toMatch(why);
  }
  expect(whyFaintNotJudged(layoutOn(plain).workbench)).toBeNull();
});

test("less opacity never makes a look stand out more", () => {
  fc.assert(
    fc.property(colour, fc.integer({ min: 1, max: 10 }), (under, n) => {
      const look = (opacity: number) => ({ ...staged([button("a", 100, { rest: { ...grey, line: "#FFFFFF", opacity } })], []).controls[0].look });
      const faint = looksAt(look(n / 20), under).body;
      expect(looksAt(look(n / 10), under).body).toBeGreaterThanOrEqual(faint - 1e-9);
    }),
    { numRuns: repeated(40) },
  );
});
