import fc from "fast-check";
import { coveredSides, type WindowSides } from "./elementScreen";

const NONE = { left: 0, top: 0, right: 0, bottom: 0 };
/** A phone held upright: 400 × 800 CSS px where its bar shows, 56 more without it. */
const PHONE: WindowSides = { width: 400, height: 800, largeHeight: 856, visible: { left: 0, top: 0, right: 400, bottom: 800 } };
const SAFE = { left: 0, top: 44, right: 0, bottom: 34 };
const never = () => false;
const always = () => true;

test.each([
  ["fills the window", { left: 0, top: 0, right: 400, bottom: 800 }, SAFE, PHONE, always, SAFE],
  ["is inset by ten px", { left: 10, top: 10, right: 390, bottom: 790 }, SAFE, PHONE, always, { ...NONE, top: 34, bottom: 24 }],
  ["lies in the middle", { left: 50, top: 200, right: 350, bottom: 600 }, SAFE, PHONE, always, NONE],
  ["is as high as the window without its bar", { left: 0, top: 0, right: 400, bottom: 856 }, NONE, PHONE, always, { ...NONE, bottom: 56 }],
  ["lies below the fold", { left: 0, top: 900, right: 400, bottom: 1500 }, SAFE, PHONE, always, NONE],
  ["has been scrolled half away", { left: 0, top: -300, right: 400, bottom: 300 }, SAFE, PHONE, always, NONE],
  ["is cut off for good", { left: -100, top: -50, right: 500, bottom: 850 }, NONE, PHONE, never, { left: 100, top: 50, right: 100, bottom: 50 }],
  [
    "has a keyboard over its lower part",
    { left: 0, top: 0, right: 400, bottom: 800 },
    SAFE,
    { ...PHONE, visible: { left: 0, top: 0, right: 400, bottom: 500 } },
    always,
    { ...SAFE, bottom: 300 },
  ],
] as const)("what is covered of an element that %s", (_name, rect, safe, sides, scrolls, covered) => {
  expect(coveredSides(rect, safe, sides, scrolls)).toEqual(covered);
});

test("nothing is covered below 0, and an element that lies clear of all edges and their safe areas is covered nowhere", () => {
  const side = fc.integer({ min: 0, max: 60 });
  const safe = fc.record({ left: side, top: side, right: side, bottom: side });
  fc.assert(
    fc.property(safe, fc.integer({ min: 60, max: 150 }), fc.integer({ min: -500, max: 1500 }), fc.boolean(), (insets, margin, y, scrolls) => {
      const clear = { left: margin, top: margin, right: 400 - margin, bottom: 800 - margin };
      expect(coveredSides(clear, insets, PHONE, () => scrolls)).toEqual(NONE);
      const anywhere = coveredSides({ left: 0, top: y, right: 400, bottom: y + 300 }, insets, PHONE, () => scrolls);
      for (const value of Object.values(anywhere)) expect(value).toBeGreaterThanOrEqual(0);
      expect([anywhere.left, anywhere.right]).toEqual([insets.left, insets.right]);
    }),
  );
});
