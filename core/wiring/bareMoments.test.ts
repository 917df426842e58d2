import { checkScreen } from "../checks/check";
import { catalogueFor } from "../checks/catalogue";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import type { Result } from "../engine/result";
import { placed, staged } from "../../test/stage";
import { bareMoments, showIn, wantNoLonger } from "./bareMoments";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const MOMENTS = ["walk", "swim", "fly"];
const layout = staged(
  [{ id: "b", name: "B", kind: "button", moments: ["walk"], placement: placed(50, 50, 20), serves: [{ port: "press", action: "jump" }] }],
  [{ name: "jump", kind: "press", moments: MOMENTS }],
  { moments: MOMENTS.map((id) => ({ id, name: id })) },
);
const unserved = (of: typeof layout) =>
  checkScreen(of, catalogueFor("landscape")[0], PLAIN_PLAYER_VIEW)
    .filter(({ code }) => code === "bind/unserved")
    .map(({ moment }) => moment);

test("the moments without a control are told with the controls that could show there", () => {
  expect(bareMoments(layout, "jump")).toEqual([
    { moment: "swim", hidden: ["b"] },
    { moment: "fly", hidden: ["b"] },
  ]);
  expect(unserved(layout)).toEqual(["swim", "fly"]);
  expect(bareMoments(layout, "nothing")).toEqual([]);
});

test("each way out ends the finding in its moments and in no others", () => {
  const one = get(wantNoLonger(layout, "jump", ["fly"]));
  expect(unserved(one)).toEqual(["swim"]);
  expect(one.actions[0].moments).toEqual(["walk", "swim"]);
  expect(unserved(get(wantNoLonger(layout, "jump", ["swim", "fly"])))).toEqual([]);
  const shown = get(showIn(layout, "b", "swim"));
  expect(shown.controls[0].moments).toEqual(["walk", "swim"]);
  expect(unserved(shown)).toEqual(["fly"]);
});
