import { advance, tickTime } from "../core/engine/input/advance";
import type { InputEvent } from "../core/engine/input/events";
import { prepareInput } from "../core/engine/input/setup";
import { initialState } from "../core/engine/input/inputState";
import { resolveLayout } from "../core/engine/placement/resolve";
import { HZ, placed, STAGE, staged } from "../test/stage";
import { POSE_AT_REST } from "./draw/drawn";
import { drawnControls } from "./poses";

const layout = staged(
  [
    { id: "stick", name: "Stick", kind: "stick", placement: placed(150, 350, 200), feel: { origin: "floating" }, moments: ["sail"] },
    { id: "pad", name: "Pad", kind: "dpad", placement: placed(450, 350, 200) },
    { id: "latch", name: "Latch", kind: "button", placement: placed(700, 350, 100), feel: { press: "latch" } },
    { id: "gone", name: "Gone", kind: "button", placement: placed(900, 350, 100), moments: [] },
  ],
  [],
  { moments: [{ id: "sail", name: "Sail" }] },
);
const resolved = resolveLayout(layout, STAGE);
const setup = prepareInput(layout, resolved, HZ);

/** What is drawn after one tick with these events. */
function after(events: readonly InputEvent[]) {
  const { state } = advance(setup, initialState(setup), events, tickTime(1, HZ));
  return Object.fromEntries(drawnControls({ layout, resolved, setup, state }).map((d) => [d.control.id, d.pose]));
}
const down = (id: number, x: number, y: number): InputEvent => ({ t: 1, id, type: "down", x, y });
const up = (id: number, x: number, y: number): InputEvent => ({ t: 2, id, type: "up", x, y });

test("untouched, all that shows is at rest", () => {
  expect(after([])).toEqual({ stick: POSE_AT_REST, pad: POSE_AT_REST, latch: POSE_AT_REST, gone: POSE_AT_REST });
});

test("a held stick shows the thumb itself, before its dead zone, and where its base stands", () => {
  const { stick } = after([down(1, 150, 350), { t: 2, id: 1, type: "move", x: 155, y: 345 }]);
  expect(stick).toEqual({ held: true, x: 0.05, y: 0.05, origin: { x: 150, y: 350 } });
});

test("a d-pad shows the way in force; let go it is at rest though the tap is still owed", () => {
  expect(after([down(1, 530, 350)]).pad).toEqual({ held: true, x: 1, y: 0 });
  expect(after([down(1, 530, 350), up(1, 530, 350)]).pad).toEqual(POSE_AT_REST);
});

test("a latch stays down after the thumb has gone, and up after the second tap", () => {
  const tap = [down(1, 700, 350), up(1, 700, 350)];
  expect(after(tap).latch.held).toBe(true);
  expect(after([...tap, ...tap.map((e) => ({ ...e, t: e.t + 2 }))]).latch.held).toBe(false);
});

test("what a moment, the game or all of it switched off hides is not drawn", () => {
  expect(Object.keys(after([{ t: 1, type: "moment", moment: "sail" }]))).toEqual(["stick", "pad", "latch"]);
  expect(Object.keys(after([{ t: 1, type: "control", id: "pad", shown: false }]))).toEqual(["stick", "latch", "gone"]);
  expect(after([{ t: 1, type: "off" }])).toEqual({});
});
