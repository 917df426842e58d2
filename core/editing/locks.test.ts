import { editContextOf, moveBy, placeAt } from "./placing";
import { placeableBox, placeableOf } from "./placeables";
import { changeLocks, locksOf } from "./locks";
import { sampleLayouts } from "../../test/samples";
import { plainScreen } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";

const must = (result: Result<Layout>): Layout => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const brackwater = () => sampleLayouts()[0];
const BRACKWATER_SCREEN = plainScreen("A phone", 2400, 1080, 411);

const boxOf = (layout: Parameters<typeof placeableOf>[0], id: string) => {
  const context = editContextOf(layout, BRACKWATER_SCREEN);
  return placeableBox(context.resolved, placeableOf(layout, id)!)!;
};

test("what is locked across is moved down alone; what is locked both ways is not moved, and that is said", () => {
  const across = must(changeLocks(brackwater(), ["horn"], ["x"], true));
  const before = boxOf(across, "horn");
  const after = boxOf(must(moveBy(editContextOf(across, BRACKWATER_SCREEN), ["horn"], 10, 20)), "horn");
  expect(after.x).toBeCloseTo(before.x, 6);
  expect(after.y).toBeCloseTo(before.y + 20, 6);
  const both = must(changeLocks(across, ["horn"], ["x", "y"], true));
  const refused = moveBy(editContextOf(both, BRACKWATER_SCREEN), ["horn"], 10, 20);
  expect(refused.ok ? "" : refused.problems[0].message).toMatch(/locked/);
});

test("of several the free ones move", () => {
  const layout = must(changeLocks(brackwater(), ["horn"], ["x", "y"], true));
  const [horn, pump] = [boxOf(layout, "horn"), boxOf(layout, "pump")];
  const moved = must(moveBy(editContextOf(layout, BRACKWATER_SCREEN), ["horn", "pump"], 5, 0));
  expect(boxOf(moved, "horn")).toEqual(horn);
  expect(boxOf(moved, "pump").x).toBeCloseTo(pump.x + 5, 6);
});

test("a locked size is not changed by sizing", () => {
  const layout = must(changeLocks(brackwater(), ["horn"], ["size"], true));
  const before = boxOf(layout, "horn");
  const sized = must(placeAt(editContextOf(layout, BRACKWATER_SCREEN), "horn", { ...before, w: before.w * 2, h: before.h * 2 }, true));
  expect(boxOf(sized, "horn").w).toBeCloseTo(before.w, 6);
});

test("letting go of the last lock leaves nothing behind in the file", () => {
  const locked = must(changeLocks(brackwater(), ["horn"], ["x", "y", "size"], true));
  expect(locksOf(locked, "horn")).toEqual(["x", "y", "size"]);
  expect(must(changeLocks(locked, ["horn"], ["x", "y", "size"], false)).workbench.locked).toEqual({});
});
