import fc from "fast-check";
import type { InputEvent } from "../../core/engine/input/events";
import { pointerEvents, type PointerSample } from "./pointer";

const mouse = (type: PointerSample["type"], buttons: number, more: Partial<PointerSample> = {}): PointerSample => ({
  type,
  id: 1,
  mouse: true,
  buttons,
  x: 10,
  y: 20,
  t: 5,
  dx: 0,
  dy: 0,
  ...more,
});

function run(samples: readonly PointerSample[]): InputEvent[] {
  let buttons = 0;
  return samples.flatMap((sample) => {
    const step = pointerEvents(buttons, sample);
    buttons = step.buttons;
    return step.events;
  });
}
const brief = (events: readonly InputEvent[]) =>
  events.map((e) => (e.type === "mouse" ? ("button" in e ? `${e.button}${e.down ? "+" : "-"}` : `${e.dx},${e.dy}`) : e.type));

test("a finger is a touch, whatever its buttons", () => {
  const finger = (type: PointerSample["type"]) => mouse(type, 1, { mouse: false });
  expect(brief(run([finger("down"), finger("move"), finger("up")]))).toEqual(["down", "move", "up"]);
});

test("a chord: buttons pressed and let go while another is down arrive as moves and are told as what they are", () => {
  expect(brief(run([mouse("down", 1), mouse("move", 3), mouse("move", 1), mouse("up", 0)]))).toEqual(["down", "move", "2+", "move", "2-", "up"]);
  expect(brief(run([mouse("down", 2), mouse("move", 3), mouse("move", 2), mouse("up", 0)]))).toEqual(["2+", "down", "up", "2-"]);
  expect(brief(run([mouse("down", 4), mouse("move", 4 + 8 + 16), mouse("up", 0)]))).toEqual(["1+", "3+", "4+", "1-", "3-", "4-"]);
});

test("movement is the mouse's own while the main button is up, also under another button", () => {
  expect(brief(run([mouse("move", 0, { dx: 3, dy: -1 }), mouse("down", 2), mouse("move", 2, { dx: 4, dy: 0 }), mouse("up", 0)]))).toEqual([
    "3,-1",
    "2+",
    "4,0",
    "2-",
  ]);
});

test("a cancel ends the touch as a cancel and lets go of all buttons", () => {
  expect(brief(run([mouse("down", 1), mouse("move", 3), mouse("cancel", 3)]))).toEqual(["down", "move", "2+", "cancel", "2-"]);
});

test("whatever the buttons do, presses and releases of each take turns, and after an event without buttons nothing is down", () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 31 }), { maxLength: 30 }), (masks) => {
      const events = run([...masks.map((buttons) => mouse("move", buttons)), mouse("up", 0)]);
      // Each press and release, by what was pressed.
      const turns = new Map<string, boolean[]>();
      const add = (what: string, isDown: boolean) => turns.set(what, [...(turns.get(what) ?? []), isDown]);
      for (const e of events) {
        if (e.type === "mouse" && "button" in e) add(`${e.button}`, e.down);
        else if (e.type === "down" || e.type === "up") add("touch", e.type === "down");
      }
      for (const all of turns.values()) expect([...all, "end"]).toEqual([...all.map((_, i) => i % 2 === 0), "end"]);
      expect([...turns.values()].every((all) => all.length % 2 === 0)).toBe(true);
    }),
  );
});
