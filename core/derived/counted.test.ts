import { counted, withArticle } from "./counted";

test("numbers and articles go with their words", () => {
  expect([0, 1, 2].map((n) => counted(n, "moment"))).toEqual(["0 moments", "1 moment", "2 moments"]);
  expect([1, 3].map((n) => counted(n, "finding remains", "findings remain"))).toEqual(["1 finding remains", "3 findings remain"]);
  expect(["axis", "press", "SVG picture", "PNG picture"].map(withArticle)).toEqual(["an axis", "a press", "an SVG picture", "a PNG picture"]);
});
