import { newLayout } from "../editing/edits/layout";
import { addAction } from "../editing/edits/actions";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";
import { hardwareEnds } from "./hardwareWires";
import { nameForInput, takeInputs } from "./takenInputs";

const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const empty = (): Layout => value(newLayout("tug", { width: 1600, height: 720 }));

test("an action is called by what its key is read for, else by the key", () => {
  const { actions } = value(addAction(empty(), "look", "motion"));
  expect(nameForInput("key Space", "honk", actions)).toBe("honk");
  expect(nameForInput("key ArrowLeft", "", actions)).toBe("left");
  expect(nameForInput("key ShiftLeft", "x", actions)).toBe("shift_left");
  expect(nameForInput("pad button 3", "", actions)).toBe("pad_button_3");
  expect(nameForInput("key KeyL", "Look_Back", value(addAction(empty(), "lookback", "press")).actions)).toBe("lookback");
  // A key gives nothing to a motion: the word is not proposed for it.
  expect(nameForInput("key KeyQ", "look", actions)).toBe("key_q");
  expect(nameForInput("key Digit1", "", actions)).toBe("key_1");
  expect(nameForInput("mouse 0", "", actions)).toBe("any_touch");
});

test("inputs are taken over as actions, two keys of one name as one, and taking them again changes nothing", () => {
  const inputs = [
    { end: "key KeyW", name: "ahead" },
    { end: "key ArrowUp", name: "ahead" },
    { end: "pad axis 1", name: "turn" },
  ];
  const taken = value(takeInputs(empty(), inputs));
  expect(taken.actions.map((a) => [a.name, a.kind, hardwareEnds(a)])).toEqual([
    ["ahead", "press", ["key KeyW", "key ArrowUp"]],
    ["turn", "axis", ["pad axis 1"]],
  ]);
  expect(value(takeInputs(taken, inputs))).toEqual(taken);
  expect(takeInputs(taken, [{ end: "pad axis 1", name: "ahead" }]).ok).toBe(false);
});

test("a way of the mouse becomes a delta that is bound to it", () => {
  const taken = value(takeInputs(empty(), [{ end: "mouse move x", name: nameForInput("mouse move x", "", []) }]));
  expect(taken.actions[0]).toMatchObject({ name: "mouse_x", kind: "delta", mouse: [{ move: "x", scale: 1 }] });
});
