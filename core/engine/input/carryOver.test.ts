/** What goes on when the layout changes while it is played. */
import { HZ, key, placed, pressButton, STAGE, staged, touch } from "../../../test/stage";
import { resolveLayout } from "../placement/resolve";
import type { Layout } from "../../format/types";
import { advance } from "./advance";
import { carryOver } from "./carryOver";
import type { InputEvent } from "./events";
import { prepareInput } from "./setup";
import { initialState } from "./inputState";

const press = (name: string, more: object = {}) => ({ name, kind: "press", ...more });
const setupOf = (layout: Layout) => prepareInput(layout, resolveLayout(layout, STAGE), HZ);

/** The values after a change of the layout: what was played before it, and what comes after it. */
function changed(before: Layout, first: readonly InputEvent[], after: Layout, then: readonly InputEvent[] = []) {
  const [was, is] = [setupOf(before), setupOf(after)];
  const { state } = advance(was, advance(was, initialState(was), first, 10).state, [], 20);
  const step = advance(is, carryOver(was, state, is), then, 30);
  return { values: step.values, state: step.state };
}
const two = staged([pressButton("a", 200), pressButton("b", 400)], [press("a"), press("b")]);

test("a held control goes on by its id, wherever it stands in the list; what takes its place starts at rest", () => {
  const turned = staged([pressButton("b", 400), pressButton("a", 200)], [press("b"), press("a")]);
  expect(changed(two, [touch(5, "down", 200, 300)], turned).values).toEqual({ a: true, b: false });
  expect(changed(two, [touch(5, "down", 200, 300)], turned, [touch(25, "up", 200, 300)]).values).toEqual({ a: false, b: false });
});

test("a control that is gone, or is of another kind, lets go as by cancel; its touch holds nothing", () => {
  const without = staged([pressButton("b", 400)], [press("a"), press("b")]);
  const gone = changed(two, [touch(5, "down", 200, 300)], without);
  expect(gone.values).toEqual({ a: false, b: false });
  expect(gone.state.touches.flatMap(({ contains }) => contains)).toEqual([]);
  const pad = { id: "a", name: "a", kind: "dpad", placement: placed(200, 300, 100), serves: [{ port: "right", action: "a" }] };
  expect(changed(two, [touch(5, "down", 240, 300)], staged([pad, pressButton("b", 400)], [press("a"), press("b")])).values.a).toBe(false);
});

test("a latch goes on while its button is one, and not on a button that is held", () => {
  const latched = (feel: object) => staged([pressButton("a", 200, feel)], [press("a")]);
  const tap = [touch(2, "down", 200, 300), touch(4, "up", 200, 300)];
  expect(changed(latched({ press: "latch" }), tap, latched({ press: "latch" })).values.a).toBe(true);
  expect(changed(latched({ press: "latch" }), tap, latched({})).values.a).toBe(false);
});

test("a smoothed action goes on from where it was, by its name and kind", () => {
  const axis = (name: string, kind = "axis") => staged([], [{ name, kind, riseMs: 1000, keys: [{ code: "KeyD", value: kind === "axis" ? 1 : [1, 0] }] }]);
  const down = [key(0, "KeyD", true)];
  // Two ticks of 10 ms, and a third.
  expect(changed(axis("go"), down, axis("go")).values.go).toBeCloseTo(0.03, 9);
  expect(changed(axis("go"), down, axis("walk")).values.walk).toBeCloseTo(0.01, 9);
  expect((changed(axis("go"), down, axis("go", "vector")).values.go as readonly number[])[0]).toBeCloseTo(0.01, 9);
});
