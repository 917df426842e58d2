import { checkScreen } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import { leftToDo } from "../core/wiring/actionStatus";
import { STARTERS } from "./starters";

test.each(STARTERS.map((starter) => [starter.name, starter.layout()] as const))(
  "%s: nothing is found that is not accepted with a reason, on any screen, in either hand, for the smallest and the largest player",
  (_name, layout) => {
    const screens = catalogueFor(layout.orientation);
    expect(screens).toHaveLength(24);
    const found = screens.flatMap((screen) =>
      (["right", "left"] as const).flatMap((handed) =>
        [layout.playerSizes.min, 1, layout.playerSizes.max].flatMap((playerSize) =>
          checkScreen(layout, screen, { handed, playerSize, moment: null }).flatMap((f) =>
            f.accepted ? [] : [`${screen.name}, ${handed}, ${playerSize}: ${f.text}`],
          ),
        ),
      ),
    );
    expect(found).toEqual([]);
    expect(layout.accepted.filter((a) => a.reason.length < 20)).toEqual([]);
  },
);

test("every action of a starter is served by touch, and every starter has another name and another set of controls", () => {
  for (const { layout } of STARTERS) expect(leftToDo(layout())).toEqual([]);
  expect(new Set(STARTERS.map((s) => s.name)).size).toBe(9);
  expect(new Set(STARTERS.map((s) => JSON.stringify(s.layout().controls.map((c) => [c.kind, c.serves])))).size).toBe(9);
});
