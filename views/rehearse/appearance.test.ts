import { appearanceAfter, appearanceAtFirst, appearanceWords, type Device } from "./appearance";

/** What is seen at first, after a touch, after a key, after a pad. */
const rehearsed = (appear: "touch" | "always" | "no-pad", device: Device) => {
  const first = appearanceAtFirst(appear, device);
  return [first, ...(["touch", "key", "pad"] as const).map((used) => appearanceAfter(appear, first, used))].map(({ isSeen }) => isSeen);
};

test.each([
  ["touch", "phone", [false, true, false, false]],
  ["touch", "desktop", [false, true, false, false]],
  ["touch", "desktop with a pad", [false, true, false, false]],
  ["always", "phone", [true, true, true, true]],
  ["always", "desktop with a pad", [true, true, true, true]],
  ["no-pad", "phone", [true, true, true, false]],
  ["no-pad", "desktop", [true, true, true, false]],
  ["no-pad", "desktop with a pad", [false, true, false, false]],
] as const)("%s on a %s: at first, after a touch, a key, a pad", (appear, device, seen) => {
  expect(rehearsed(appear, device)).toEqual(seen);
});

test("what was used last is told; the same again changes nothing", () => {
  const first = appearanceAtFirst("touch", "phone");
  const touched = appearanceAfter("touch", first, "touch");
  expect(appearanceAfter("touch", touched, "touch")).toBe(touched);
  expect(appearanceWords("touch", touched)).toMatch(/^On a phone after a touch: controls are shown; the layout shows them after a touch/);
  expect(appearanceWords("no-pad", appearanceAtFirst("no-pad", "desktop with a pad"))).toMatch(/at the start: controls are hidden/);
});
