import { placed, staged } from "../test/stage";
import type { Control } from "../core/format/types";
import { POSE_AT_REST, type Pose } from "./draw/drawn";
import { createMotion, glide } from "./returnMotion";

const HOME = { x: 300, y: 200 };
const stick = (look: object, origin = "floating"): Control =>
  staged([{ id: "s", name: "S", kind: "stick", placement: placed(HOME.x, HOME.y, 200), feel: { origin }, look }], []).controls[0];
const held: Pose = { held: true, x: 1, y: -0.5, origin: { x: 360, y: 170 } };

/** The pose so long after a thumb that lay at `held` was let go. */
function after(look: object, ms: number, origin?: string): Pose {
  const motion = createMotion();
  const control = stick(look, origin);
  motion.pose(control, POSE_AT_REST, HOME, 0);
  motion.pose(control, held, HOME, 1000);
  return motion.pose(control, POSE_AT_REST, HOME, 1000 + ms);
}

test("a glide starts fast and comes to rest", () => {
  expect([glide(0), glide(0.5), glide(1), glide(7)]).toEqual([0, 0.875, 1, 1]);
});

test("now: knob and base glide home together over returnMs", () => {
  expect(after({ returnMs: 80 }, 40)).toEqual({ held: false, x: 0.125, y: -0.0625, origin: { x: 307.5, y: 196.25 } });
  expect(after({ returnMs: 80 }, 80)).toEqual(POSE_AT_REST);
  expect(after({ returnMs: 0 }, 0)).toEqual(POSE_AT_REST);
});

test("later: the base waits where it was let go, the knob does not", () => {
  const look = { home: "later", homeAfterMs: 500, returnMs: 100 };
  expect(after(look, 400)).toEqual({ held: false, x: 0, y: -0, origin: held.origin });
  expect(after(look, 550).origin).toEqual({ x: 307.5, y: 196.25 });
  expect(after(look, 600)).toEqual(POSE_AT_REST);
});

test("stay: where it was let go, until the next touch or until it is hidden", () => {
  const motion = createMotion();
  const control = stick({ home: "stay" });
  motion.pose(control, held, HOME, 0);
  expect(motion.pose(control, POSE_AT_REST, HOME, 60_000).origin).toEqual(held.origin);
  expect(motion.pose(control, { ...held, origin: { x: 100, y: 100 } }, HOME, 60_100).origin).toEqual({ x: 100, y: 100 });
  expect(motion.pose(control, POSE_AT_REST, HOME, 90_000).origin).toEqual({ x: 100, y: 100 });
  motion.hide("s");
  expect(motion.pose(control, POSE_AT_REST, HOME, 90_100)).toEqual(POSE_AT_REST);
});

test("a fixed stick's base stays at home while its knob glides", () => {
  const motion = createMotion();
  const control = stick({ returnMs: 80 }, "fixed");
  motion.pose(control, { held: true, x: 1, y: 0, origin: HOME }, HOME, 0);
  expect(motion.pose(control, POSE_AT_REST, HOME, 40)).toEqual({ held: false, x: 0.125, y: 0, origin: HOME });
});

test("what has long been untouched fades over fadeMs, and is back at once on touch", () => {
  const control = stick({ away: { opacity: 0.1, afterMs: 1000, fadeMs: 200 } });
  const motion = createMotion();
  const at = (ms: number, pose: Pose = POSE_AT_REST) => motion.pose(control, pose, HOME, ms).away ?? 0;
  expect([0, 1000, 1050, 1200, 5000].map((ms) => at(ms))).toEqual([0, 0, 0.25, 1, 1]);
  expect(at(6000, held)).toBe(0);
  expect([6999, 7100].map((ms) => at(ms))).toEqual([0, 0.5]);
});

test("it says when nothing will move any more; time that begins anew is taken up", () => {
  const motion = createMotion();
  const control = stick({ home: "later", homeAfterMs: 500, returnMs: 100, away: { opacity: 0.1, afterMs: 2000, fadeMs: 200 } });
  motion.pose(control, held, HOME, 1000);
  motion.pose(control, POSE_AT_REST, HOME, 1010);
  expect(motion.restsAt()).toBe(3200);
  expect(motion.pose(control, POSE_AT_REST, HOME, 0)).toEqual(POSE_AT_REST);
});
