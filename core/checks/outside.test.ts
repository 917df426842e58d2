import { outside } from "./outside";

const frame = { x: 10, y: 20, w: 100, h: 50 };

test.each([
  [{ x: 10, y: 20, w: 100, h: 50 }, 0, "left"],
  [{ x: 4, y: 30, w: 10, h: 10 }, 6, "left"],
  [{ x: 40, y: 13, w: 10, h: 10 }, 7, "top"],
  [{ x: 105, y: 30, w: 10, h: 10 }, 5, "right"],
  [{ x: 40, y: 68, w: 10, h: 10 }, 8, "bottom"],
  // At a corner the side where it leaves it most; of two alike the first of left, top, right, bottom.
  [{ x: 4, y: 12, w: 10, h: 10 }, 8, "top"],
  [{ x: 4, y: 14, w: 10, h: 10 }, 6, "left"],
  [{ x: 104, y: 64, w: 10, h: 10 }, 4, "right"],
])("%j leaves the frame by %f px at the %s", (box, px, side) => {
  expect(outside(box, frame)).toEqual({ px, side });
});
