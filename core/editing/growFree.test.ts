import { checkScreen } from "../checks/check";
import { catalogueFor } from "../checks/catalogue";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { addActions } from "./edits/actions";
import { newLayout } from "./edits/layout";
import { growFree } from "./growFree";
import { editContextOf } from "./placing";

test("controls grown at one place, one after the other, meet none of those before, on the screen they were grown on", () => {
  const words = ["leap", "bleat", "dash", "bow", "call"].map((word) => ({ word, kind: "press" as const }));
  const made = newLayout("Goats", { width: 1600, height: 720 });
  const named = made.ok ? addActions(made.value, words) : made;
  if (!named.ok) throw new Error("no layout");
  const screen = catalogueFor("landscape")[0];
  let layout = named.value;
  for (const action of named.value.actions) {
    const context = editContextOf(layout, screen, PLAIN_PLAYER_VIEW);
    const grown = growFree(context, { kind: null, action, at: { x: screen.widthPx * 0.84, y: screen.heightPx * 0.7 } });
    if (!grown.ok) throw new Error(JSON.stringify(grown.problems));
    layout = grown.value.layout;
  }
  expect(layout.controls).toHaveLength(5);
  expect(
    checkScreen(layout, screen, PLAIN_PLAYER_VIEW)
      .filter((f) => f.severity !== "note")
      .map((f) => f.text),
  ).toEqual([]);
});
