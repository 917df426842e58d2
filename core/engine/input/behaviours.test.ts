import fc from "fast-check";
import { key, placed, playOn, staged, touch, trueAt } from "../../../test/stage";
import type { InputEvent } from "./events";
import { curveAt } from "./curve";
import { apart, snapIndex, unitAt, withinPort } from "./directions";

const vector = { name: "v", kind: "vector" };
const last = (controls: object[], events: InputEvent[], actions: object[] = [vector]) => playOn(staged(controls, actions), events)[0];
const pair = (value: unknown) => (value as [number, number]).map((n) => Number(n.toFixed(6)) + 0);

describe("stick", () => {
  const stick = (feel: object, serves: object[] = [{ port: "vector", action: "v" }]) => ({
    id: "s",
    name: "s",
    kind: "stick",
    placement: placed(500, 250, 200),
    feel: { inner: 0, outer: 1, ...feel },
    serves,
  });
  const at = (feel: object, ...points: [number, number][]) =>
    pair(
      last(
        [stick(feel)],
        points.map(([x, y], i) => touch(i + 1, i === 0 ? "down" : "move", x, y)),
      ).v,
    );

  test("trailing: the origin is the down point and follows a thumb that goes too far", () => {
    expect(at({ origin: "trailing" }, [520, 250])).toEqual([0, 0]);
    expect(at({ origin: "trailing" }, [450, 250], [650, 250], [600, 250])).toEqual([0.5, 0]);
  });

  test("floating: the origin is where the thumb lands, and a touch alone gives nothing even at the screen's edge", () => {
    const landing = { kind: "span", frame: "screen", from: [0, 0], to: [1, 1] };
    expect(at({ origin: "floating", inner: 0.2, landing }, [300, 250], [350, 250])[0]).toBeCloseTo((0.5 - 0.2) / 0.8, 6);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1000 }), fc.integer({ min: 0, max: 500 }), (x, y) => {
        expect(at({ origin: "floating", inner: 0.15, landing }, [x, y])).toEqual([0, 0]);
      }),
    );
  });

  test("axial dead zone: each axis by itself, the whole no longer than 1", () => {
    expect(at({ deadZone: "axial", inner: 0.2 }, [590, 260])).toEqual([0.875, 0]);
    expect(Math.hypot(...at({ deadZone: "axial" }, [510, 240], [590, 160]))).toBeCloseTo(1, 6);
  });

  test("one axis: the other does not count", () => {
    expect(at({ axes: "x" }, [500, 250], [550, 100])).toEqual([0.5, 0]);
    expect(at({ axes: "y" }, [500, 250], [900, 200])).toEqual([0, 0.5]);
  });

  test("directions: the length stays, a tie goes counter-clockwise, the one in force holds on", () => {
    const r = 60;
    const on = (deg: number): [number, number] => [500 + r * Math.cos((deg * Math.PI) / 180), 250 - r * Math.sin((deg * Math.PI) / 180)];
    expect(at({ directions: 4 }, on(40))).toEqual([0.6, 0]);
    expect(at({ directions: 4 }, on(45))).toEqual([0, 0.6]);
    expect(at({ directions: 4, holdDeg: 4 }, on(40), on(48))).toEqual([0.6, 0]);
    expect(at({ directions: 4, holdDeg: 4 }, on(40), on(50))).toEqual([0, 0.6]);
    expect(at({ directions: 4, holdDeg: 4 }, on(40), [500, 250], on(48))).toEqual([0, 0.6]);
  });

  test("direction ports: pressed at pressAt, released below releaseAt, neighbours together in the diagonal", () => {
    const ports = (...points: [number, number][]) =>
      last(
        [
          stick(
            {},
            ["up", "right", "active", "held"].map((port) => ({ port, action: port })),
          ),
        ],
        points.map(([x, y], i) => touch(i + 1, i === 0 ? "down" : "move", x, y)),
        ["up", "right", "active", "held"].map((name) => ({ name, kind: "press" })),
      );
    expect(ports([540, 250])).toEqual({ up: false, right: false, active: true, held: true });
    expect(ports([560, 250])).toMatchObject({ right: true, up: false });
    expect(ports([560, 250], [542, 250])).toMatchObject({ right: true });
    expect(ports([560, 250], [538, 250])).toMatchObject({ right: false });
    expect(ports([545, 205])).toMatchObject({ right: true, up: true });
    expect(ports([500, 250])).toEqual({ up: false, right: false, active: false, held: true });
  });

  test("a stick toward a motion gives units per second", () => {
    const layout = staged([stick({}, [{ port: "vector", action: "spin", scale: [90, -45] }])], [{ name: "spin", kind: "motion" }]);
    expect(pair(playOn(layout, [touch(1, "down", 600, 250)])[0].spin)).toEqual([0.9, 0]);
    expect(pair(playOn(layout, [touch(1, "down", 500, 150)])[0].spin)).toEqual([0, -0.45]);
  });
});

describe("d-pad", () => {
  const pad = (feel: object = {}) => ({ id: "d", name: "d", kind: "dpad", placement: placed(500, 250, 200), feel, serves: [{ port: "vector", action: "v" }] });
  const on = (deg: number, r = 80): [number, number] => [500 + r * Math.cos((deg * Math.PI) / 180), 250 - r * Math.sin((deg * Math.PI) / 180)];
  const at = (feel: object, ...points: [number, number][]) =>
    pair(
      last(
        [pad(feel)],
        points.map(([x, y], i) => touch(i + 1, i === 0 ? "down" : "move", x, y)),
      ).v,
    );
  const d = Number(Math.SQRT1_2.toFixed(6));

  test("eight ways by the width of the diagonals, four ways by the nearest", () => {
    expect(at({}, on(0))).toEqual([1, 0]);
    expect(at({}, on(30))).toEqual([d, d]);
    expect(at({ diagonal: 20 }, on(30))).toEqual([1, 0]);
    expect(at({}, on(225))).toEqual([-d, -d]);
    expect(at({ ways: 4 }, on(44))).toEqual([1, 0]);
    expect(at({ ways: 4 }, on(45))).toEqual([0, 1]);
    expect(at({ ways: 4 }, on(-45))).toEqual([1, 0]);
  });

  test("neutral gives nothing and forgets; a border holds on", () => {
    expect(at({}, on(0, 19))).toEqual([0, 0]);
    expect(at({}, on(0, 21))).toEqual([1, 0]);
    expect(at({}, on(10), on(25))).toEqual([1, 0]);
    expect(at({}, on(10), on(28))).toEqual([d, d]);
    expect(at({}, on(10), on(0, 10), on(25))).toEqual([d, d]);
  });

  test("slide out: the thumb may wander, or must stay", () => {
    expect(at({}, on(0), on(0, 300))).toEqual([1, 0]);
    expect(at({ slideOut: "release" }, on(0), on(0, 300))).toEqual([0, 0]);
    expect(at({ slideOut: "release" }, on(0), on(0, 300), on(90))).toEqual([0, 1]);
  });
});

describe("touchpad", () => {
  const pad = (feel: object = {}) => ({
    id: "p",
    name: "p",
    kind: "touchpad",
    placement: placed(500, 250, 400),
    feel,
    serves: [
      { port: "motion", action: "look" },
      { port: "held", action: "aim" },
    ],
  });
  const actions = [
    { name: "look", kind: "motion" },
    { name: "aim", kind: "press" },
  ];

  test("gives millimetres of movement since the last tick, y up, times the gain", () => {
    const values = playOn(staged([pad({ gain: 2 })], actions), [touch(1, "down", 500, 250), touch(5, "move", 530, 240), touch(12, "move", 530, 260)]);
    expect([pair(values[0].look), pair(values[1].look), pair(values[2].look)]).toEqual([
      [6, 2],
      [0, -4],
      [0, 0],
    ]);
    expect(values.map((v) => v.aim)).toEqual([true, true, true]);
  });

  test("movement before a cancel counts, the hold no tick saw does not", () => {
    const [first] = playOn(staged([pad()], actions), [touch(1, "down", 500, 250), touch(3, "move", 520, 250), touch(5, "cancel", 900, 250)]);
    expect([pair(first.look), first.aim]).toEqual([[2, 0], false]);
  });

  test("one axis", () => {
    expect(pair(playOn(staged([pad({ axes: "y" })], actions), [touch(1, "down", 500, 250), touch(3, "move", 600, 150)])[0].look)).toEqual([0, 10]);
  });
});

describe("swipe", () => {
  const swipe = (feel: object = {}) => ({
    id: "w",
    name: "w",
    kind: "swipe",
    placement: placed(500, 250, 900, 400),
    feel: { distanceMm: 5, ...feel },
    serves: ["up", "right"].map((port) => ({ port, action: port })),
  });
  const actions = ["up", "right"].map((name) => ({ name, kind: "press" }));
  const fired = (feel: object, events: InputEvent[], until = 0) => {
    const values = playOn(staged([swipe(feel)], actions), events, until);
    return [trueAt(values, "up"), trueAt(values, "right")];
  };
  const go = (...points: [number, number, number][]): InputEvent[] => points.map(([t, x, y], i) => touch(t, i === 0 ? "down" : "move", x, y));

  test("fires once when the thumb has gone far enough", () => {
    expect(fired({}, [...go([1, 300, 250], [15, 345, 250], [25, 351, 250], [45, 500, 250])], 60)).toEqual([[], [30]]);
    expect(fired({}, [...go([1, 300, 250], [15, 300, 200]), touch(16, "up", 300, 200)], 40)).toEqual([[20], []]);
  });

  test("again at each distance; held until the lift; nothing unseen after a cancel", () => {
    expect(fired({ again: "each-distance" }, go([1, 300, 250], [15, 350, 250], [35, 400, 250], [55, 400, 200]), 70)).toEqual([[60], [20, 40]]);
    expect(fired({ output: "hold" }, [...go([1, 300, 250], [15, 360, 250]), touch(45, "up", 360, 250)], 70)).toEqual([[], [20, 30, 40]]);
    expect(fired({ output: "hold" }, [...go([11, 300, 250], [13, 360, 250]), touch(15, "up", 360, 250)], 50)).toEqual([[], [20]]);
    expect(fired({}, [...go([11, 300, 250], [13, 360, 250]), touch(15, "cancel", 360, 250)], 50)).toEqual([[], []]);
  });

  test("within a time: a slow thumb does not fire, a quick one from where it was does", () => {
    const slow = go([1, 300, 250], [50, 320, 250], [100, 340, 250], [150, 360, 250], [200, 380, 250]);
    expect(fired({ withinMs: 60 }, slow, 220)).toEqual([[], []]);
    expect(fired({ withinMs: 60 }, [...slow, touch(215, "move", 440, 250)], 240)).toEqual([[], [220]]);
  });
});

describe("desk inputs", () => {
  test("a pad axis and a pad stick after their dead zones, y turned up", () => {
    const layout = staged(
      [],
      [
        {
          name: "trim",
          kind: "axis",
          pad: [
            { axis: 2, scale: -0.5 },
            { button: 7, value: 0.8 },
          ],
        },
        { name: "v", kind: "vector", pad: [{ stick: "left" }] },
      ],
    );
    const pad = (buttons: number[], axes: number[]): InputEvent => ({ t: 1, type: "pad", buttons, axes });
    const [first] = playOn(layout, [pad([0, 0, 0, 0, 0, 0, 0, 0.25], [0, -1, 0.05, 0])]);
    expect(first.trim).toBeCloseTo(0.2, 9);
    expect(pair(first.v)).toEqual([0, 1]);
    expect(playOn(layout, [pad([], [0.06, 0.06, 1, 0])])[0]).toEqual({ trim: -0.5, v: [0, 0] });
  });

  test("mouse movement turns a motion, y up; a button presses; blur lets go of all", () => {
    const layout = staged(
      [],
      [
        { name: "look", kind: "motion", mouse: [{ move: true, scale: 0.5 }] },
        { name: "fire", kind: "press", mouse: [{ button: 2 }] },
      ],
    );
    const values = playOn(layout, [
      { t: 1, type: "mouse", dx: 4, dy: 6 },
      { t: 2, type: "mouse", dx: 2, dy: 0 },
      { t: 3, type: "mouse", button: 2, down: true },
      { t: 15, type: "blur" },
    ]);
    expect([pair(values[0].look), pair(values[1].look)]).toEqual([
      [3, -3],
      [0, 0],
    ]);
    expect(trueAt(values, "fire")).toEqual([10]);
  });

  test("a key without a value gives 1 to an axis; down twice is down once", () => {
    const layout = staged([], [{ name: "trim", kind: "axis", keys: [{ code: "KeyE" }, { code: "KeyQ", value: -0.25 }] }]);
    expect(playOn(layout, [key(1, "KeyE", true), key(2, "KeyE", true), key(3, "KeyQ", true)])[0].trim).toBe(0.75);
    expect(playOn(layout, [key(1, "KeyE", true), key(2, "KeyE", true), key(15, "KeyE", false)], 20).map((v) => v.trim)).toEqual([1, 0, 0]);
  });
});

describe("angles and curves", () => {
  test("snapping takes the nearest, and its unit vector is a unit", () => {
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), fc.integer({ min: 1, max: 32 }), (angle, n) => {
        const index = snapIndex(angle, n, null, 0);
        expect(apart(angle, (index * 360) / n)).toBeLessThanOrEqual(180 / n + 1e-6);
        expect(Math.hypot(...unitAt((index * 360) / n))).toBeCloseTo(1, 12);
      }),
    );
    expect([withinPort(66, 0), withinPort(66.1, 0), withinPort(-66, 0), withinPort(190, 180)]).toEqual([true, false, true, true]);
  });

  test("every curve runs from 0 to 1 and stays between", () => {
    const curve = fc.oneof(
      fc.constant({ kind: "linear" as const }),
      fc.double({ min: 0.5, max: 5, noNaN: true }).map((exponent) => ({ kind: "power" as const, exponent })),
      fc
        .tuple(
          fc.double({ min: 0.01, max: 0.99, noNaN: true }),
          fc.double({ min: -2, max: 2, noNaN: true }),
          fc.double({ min: 0.01, max: 0.99, noNaN: true }),
          fc.double({ min: -2, max: 2, noNaN: true }),
        )
        .map(([x1, y1, x2, y2]) => ({ kind: "bezier" as const, x1, y1, x2, y2 })),
      fc.constant({ kind: "full" as const }),
    );
    fc.assert(
      fc.property(curve, fc.double({ min: 0, max: 1, noNaN: true }), (c, u) => {
        expect(curveAt(c, 0)).toBe(0);
        expect(curveAt(c, 1)).toBeCloseTo(1, 9);
        expect(curveAt(c, u)).toBeGreaterThanOrEqual(0);
        expect(curveAt(c, u)).toBeLessThanOrEqual(1);
      }),
    );
  });

  test("the Bezier curve is the one of CSS: ease at a quarter, half, three quarters", () => {
    const ease = { kind: "bezier" as const, x1: 0.25, y1: 0.1, x2: 0.25, y2: 1 };
    expect([0.25, 0.5, 0.75].map((u) => curveAt(ease, u))).toEqual([0.4085, 0.8024, 0.9605].map((v) => expect.closeTo(v, 3)));
  });
});
