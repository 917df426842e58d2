import { HZ, placed, playOn, staged, touch } from "../../test/stage";
import type { Action, Control, Layout, Serve } from "../format/types";
import { fleeting, fleetingServe, helpFleeting } from "./fleeting";

const layout = (kind: string, feel: object, action: object): Layout =>
  staged(
    [
      {
        id: "c",
        name: "C",
        kind,
        placement: placed(200, 200, 200),
        feel,
        serves: kind === "swipe" ? [{ port: "right", action: "lean", value: 1 }] : [{ port: "press", action: "lean", value: 1 }],
      },
    ],
    [{ name: "lean", kind: "axis", ...action }],
  );
const told = (l: Layout) => fleetingServe(l.actions[0], l.controls[0], l.controls[0].serves[0] as Serve);
const flick = [touch(1, "down", 150, 200), touch(2, "move", 250, 200), touch(3, "up", 250, 200)];
const most = (l: Layout) => Math.max(...playOn(l, flick, 400).map((v) => Math.abs(v.lean as number)));

test("a flick toward an action that rises slowly is nearly nothing, and each help makes it felt", () => {
  for (const [kind, help] of [
    ["swipe", "hold-output"],
    ["button", "hold-press"],
  ] as const) {
    const slow = layout(kind, kind === "swipe" ? { distanceMm: 5 } : { press: "pulse" }, { riseMs: 200, fallMs: 200 });
    expect(told(slow)).toMatchObject({ always: true, helps: ["rise-at-once", help] });
    expect(most(slow)).toBeLessThanOrEqual(1000 / HZ / 200 + 1e-9);
    const quick = helpFleeting(slow, "rise-at-once", "lean", "c");
    expect(quick.ok && most(quick.value)).toBe(1);
    const held = helpFleeting(slow, help, "lean", "c");
    if (!held.ok) throw new Error("refused");
    const thumb = [touch(1, "down", 150, 200), touch(2, "move", 250, 200), touch(350, "up", 250, 200)];
    expect(Math.max(...playOn(held.value, thumb, 400).map((v) => v.lean as number))).toBe(1);
  }
});

test("the part told is what a press of one tick comes to", () => {
  const action = (riseMs: number): Action => layout("button", {}, { riseMs }).actions[0];
  expect(fleeting(action(200))).toEqual({ part: 1000 / 60 / 200, always: false, helps: ["rise-at-once"] });
  expect(fleeting(action(0))).toBeNull();
  expect(fleeting(action(20))).toBeNull();
});

test("numbers are followed as they come: nothing is told of them, nor of presses", () => {
  const stick: Control = staged([{ id: "s", name: "S", kind: "stick", placement: placed(200, 200, 200) }], []).controls[0];
  const axis = layout("button", {}, { riseMs: 300 }).actions[0];
  expect(fleetingServe(axis, stick, { port: "x", action: "lean" })).toBeNull();
  expect(fleetingServe({ ...axis, kind: "press" }, stick, { port: "held", action: "lean" })).toBeNull();
});
