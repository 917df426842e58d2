import { catalogueFor } from "../../../core/checks/catalogue";
import { SETTLED_CODES } from "../../../core/settle/request";
import { sampleLayouts } from "../../../test/samples";
import { SETTLE_GOALS, USUAL_CHOICE } from "./settleChoice";
import { codesFor, facesFor, questionOf } from "./settleQuestion";

const [layout] = sampleLayouts();
const screens = catalogueFor("landscape").slice(0, 2);
const asked = { layout, screens, held: ["pump"] };

test("unless chosen otherwise: both hands, size 1, blockers and warnings of every family, all may change", () => {
  expect(questionOf(USUAL_CHOICE, asked)).toMatchObject({
    screens,
    faces: [
      { handed: "right", playerSize: 1 },
      { handed: "left", playerSize: 1 },
    ],
    codes: SETTLED_CODES,
    severities: ["blocker", "warning"],
    held: ["pump"],
    missMm: 0,
  });
});

test("sizes are those a player may choose, each once, 1 among them; hands as chosen", () => {
  expect(facesFor({ hands: "left", sizes: "all" }, { playerSizes: { min: 0.8, max: 1.3 } })).toEqual(
    [0.8, 1, 1.3].map((playerSize) => ({ handed: "left", playerSize })),
  );
  expect(facesFor({ hands: "both", sizes: "all" }, { playerSizes: { min: 1, max: 1 } })).toHaveLength(2);
});

test("each family is asked for by its own word, and all of them make all codes", () => {
  expect(codesFor({ aims: ["reach"] })).toEqual(["reach/far"]);
  expect([...SETTLE_GOALS].flatMap((aim) => codesFor({ aims: [aim] })).sort()).toEqual([...SETTLED_CODES].sort());
});

test.each([
  [{ ...USUAL_CHOICE, aims: [] }, asked, /at least one goal/],
  [{ ...USUAL_CHOICE, changeable: [] }, asked, /at least one thing that may change/],
  [USUAL_CHOICE, { ...asked, screens: [] }, /No screen selected/],
])("what cannot be asked says why", (choice, where, why) => {
  expect(questionOf(choice, where)).toMatch(why);
});
