/** Levers, dials, taps, aim and deltas: what stays, what is told once, and what adds up. */
import fc from "fast-check";
import { playOn, placed, staged, STAGE, touch, trueAt } from "../../../test/stage";
import { resolveLayout } from "../placement/resolve";
import { replay } from "./advance";
import type { ActionValues, InputEvent } from "./events";

const MIDDLE = [500, 250] as const;
const actions = [
  { name: "gas", kind: "axis" },
  { name: "fire", kind: "press" },
  { name: "shot", kind: "press" },
  { name: "sight", kind: "vector" },
  { name: "look", kind: "delta" },
];
const stage = (kind: string, feel: object, serves: object[]) =>
  staged([{ id: "one", name: "One", kind, feel, placement: placed(...MIDDLE, 200), serves }], actions);
const lever = (feel: object = {}) =>
  stage("stick", { rest: "stays", travel: "100px", inner: 0, outer: 1, axes: "y", ...feel }, [
    { port: "y", action: "gas" },
    { port: "tapped", action: "fire" },
  ]);
const aimed = stage("stick", { travel: "100px", inner: 0.2, outer: 1 }, [
  { port: "released", action: "shot" },
  { port: "aim", action: "sight" },
  { port: "tapped", action: "fire" },
]);
const dial = (feel: object = {}) =>
  stage("dial", { rangeDeg: 360, inner: 0, ...feel }, [
    { port: "x", action: "gas" },
    { port: "turn", action: "look" },
    { port: "tapped", action: "fire" },
  ]);

const gas = (values: ActionValues[]) => values.map((v) => v.gas as number);
const sum = (values: ActionValues[], name: string) => values.reduce((all, v) => all + (v[name] as number), 0);

const offset = fc.integer({ min: -95, max: 95 });
const drags = fc.array(fc.record({ from: offset, to: offset }), { minLength: 1, maxLength: 5 });

test("a lever never jumps when it is taken, moves as far as the thumb does, and stays when it is let go", () => {
  fc.assert(
    fc.property(drags, (all) => {
      let [t, expected] = [0, 0];
      for (const [i, { from, to }] of all.entries()) {
        const events = all.slice(0, i + 1).flatMap((one, n) => {
          t = n * 100;
          return [
            touch(t + 5, "down", 500, 250 + one.from),
            touch(t + 25, "move", 500, 250 + one.to),
            touch(t + 45, "up", 500, 250 + one.to),
          ] satisfies InputEvent[];
        });
        const values = gas(playOn(lever(), events, t + 80));
        const at = (ms: number) => values[ms / 10 - 1];
        expect(at(t + 10)).toBeCloseTo(expected, 9);
        expected = Math.min(1, Math.max(-1, expected + (from - to) / 100));
        expect(at(t + 40)).toBeCloseTo(expected, 9);
        expect(values.slice(t / 10 + 4)).toEqual(values.slice(t / 10 + 4).map(() => at(t + 40)));
      }
    }),
    { numRuns: 60 },
  );
});

test("what is cancelled brings a lever back to where the last tick left it; hidden it gives nothing, and remembers", () => {
  const events: InputEvent[] = [
    touch(5, "down", 500, 250),
    touch(15, "move", 500, 210),
    touch(22, "move", 500, 170),
    touch(24, "cancel", 500, 170),
    { t: 35, type: "control", id: "one", shown: false },
    { t: 55, type: "control", id: "one", shown: true },
  ];
  expect(gas(playOn(lever(), events, 80)).map((v) => Number(v.toFixed(6)))).toEqual([0, 0.4, 0.4, 0, 0, 0.4, 0.4, 0.4, 0.4]);
});

test("a stick fires where it is let go away from the middle, by where it then pointed; called off, or cancelled, it does not", () => {
  const release = (dx: number, type: "up" | "cancel" = "up") =>
    playOn(aimed, [touch(5, "down", 500, 250), touch(15, "move", 500 + dx, 250), touch(35, type, 500 + dx, 250)], 60);
  expect(trueAt(release(60), "shot")).toEqual([40]);
  expect((release(60)[3].sight as readonly number[])[0]).toBeCloseTo(0.5, 9);
  expect(release(60)[4].sight).toEqual([0, 0]);
  expect(trueAt(release(15), "shot")).toEqual([]);
  expect(trueAt(release(60, "cancel"), "shot")).toEqual([]);
  // A window that loses the focus fires nothing that is still owed.
  const blurred = [touch(5, "down", 500, 250), touch(15, "move", 560, 250), touch(35, "up", 560, 250), { t: 36, type: "blur" as const }];
  expect(trueAt(playOn(aimed, blurred, 60), "shot")).toEqual([]);
});

test("a tap: quick and near, by every point of it, on sticks, touchpads, swipes and dials", () => {
  const kinds = ["stick", "touchpad", "swipe", "dial"] as const;
  const counted = { taps: 0, others: 0 };
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.record({ tapMs: fc.integer({ min: 0, max: 120 }), tapMm: fc.integer({ min: 0, max: 5 }) }),
      fc.array(fc.tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: -40, max: 40 })), { maxLength: 3 }),
      fc.integer({ min: 1, max: 150 }),
      (kind, feel, path, ms) => {
        const layout = stage(kind, feel, [{ port: "tapped", action: "fire" }]);
        const last = path.at(-1) ?? [0, 0];
        const moves = path.map(([x, y], i) => touch(5 + (ms * (i + 1)) / (path.length + 1), "move", 500 + x, 250 + y));
        const values = playOn(layout, [touch(5, "down", 500, 250), ...moves, touch(5 + ms, "up", 500 + last[0], 250 + last[1])], 200);
        // Ten px are a millimetre here.
        const isTap = feel.tapMs > 0 && ms <= feel.tapMs && path.every(([x, y]) => Math.hypot(x, y) <= feel.tapMm * 10 + 1e-9);
        counted[isTap ? "taps" : "others"] += 1;
        expect(trueAt(values, "fire")).toEqual(isTap ? [Math.ceil((5 + ms) / 10) * 10] : []);
      },
    ),
    { numRuns: 300 },
  );
  expect(Math.min(counted.taps, counted.others)).toBeGreaterThan(20);
});

/** A point on the rim, degrees clockwise from the top. */
const onRim = (deg: number) => [500 + 80 * Math.sin((deg * Math.PI) / 180), 250 - 80 * Math.cos((deg * Math.PI) / 180)] as const;

test("a dial turns by how the angle changes, wherever it is taken, within its range; its turns add up to where it stands", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 359 }), fc.array(fc.integer({ min: -170, max: 170 }), { minLength: 1, maxLength: 8 }), (from, steps) => {
      let [at, stands] = [from, 0];
      const moves = steps.map((step, i) => {
        at += step;
        stands = Math.min(180, Math.max(-180, stands + step));
        return touch(15 + i * 10, "move", ...onRim(at));
      });
      const end = 15 + steps.length * 10;
      const values = playOn(dial({ rest: "stays" }), [touch(5, "down", ...onRim(from)), ...moves, touch(end, "up", ...onRim(at))], end + 40);
      expect(values.at(-1)!.gas as number).toBeCloseTo(stands / 180, 6);
      expect(sum(values, "look")).toBeCloseTo(stands, 6);
      for (const value of gas(values)) expect(Math.abs(value)).toBeLessThanOrEqual(1);
    }),
    { numRuns: 100 },
  );
});

test("a dial that goes to the middle is at rest when it is let go, and going home is no turn; the hub is not read", () => {
  const turned = [touch(5, "down", ...onRim(0)), touch(15, "move", ...onRim(90)), touch(35, "up", ...onRim(90))];
  const values = playOn(dial(), turned, 80);
  expect(gas(values).map((v) => Number(v.toFixed(6)))).toEqual([0, 0.5, 0.5, 0, 0, 0, 0, 0, 0]);
  expect(sum(values, "look")).toBeCloseTo(90, 6);
  const throughHub = [touch(5, "down", 500, 255), touch(15, "move", 495, 250), touch(25, "move", 500, 245), touch(35, "up", 505, 250)];
  expect(gas(playOn(dial(), throughHub, 60)).every((v) => v === 0)).toBe(true);
});

test("a delta from a held stick goes as far in a second at every rate of ticks", () => {
  const layout = stage("stick", { travel: "100px", inner: 0, outer: 1, tapMs: 0 }, [{ port: "x", action: "look", scale: 90 }]);
  const held = [touch(0, "down", 500, 250), touch(0, "move", 550, 250)];
  for (const hz of [25, 50, 125, 250]) {
    const frames = replay(layout, resolveLayout(layout, STAGE), [...held, touch(1000, "up", 550, 250)], { hz });
    const values = frames.filter(({ t }) => t < 1000 - 1e-6).map((frame) => frame.values);
    expect(sum(values, "look")).toBeCloseTo(45 * (1 - 1 / hz), 6);
  }
  const bare = stage("stick", {}, [{ port: "x", action: "look" }]);
  expect(sum(playOn(bare, held, 1000), "look")).toBe(0);
});
