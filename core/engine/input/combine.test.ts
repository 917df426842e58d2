import { HZ, key, placed, playOn, STAGE, staged, touch, trueAt } from "../../../test/stage";
import { resolveLayout } from "../placement/resolve";
import { replay } from "./advance";
import type { InputEvent } from "./events";

const pad = (t: number, axes: number[], buttons: number[] = []): InputEvent => ({ t, type: "pad", axes, buttons });
const button = (id: string, x: number, serve: object, feel: object = {}) => ({
  id,
  name: id,
  kind: "button",
  placement: placed(x, 100, 60),
  feel,
  serves: [{ port: "press", ...serve }],
});
const numbers = (values: readonly Record<string, unknown>[], name: string) => values.map((v) => Number((v[name] as number).toFixed(6)));

describe("a repeat with a rest", () => {
  const layout = (repeat: object) => staged([button("gun", 100, { action: "fire", repeat })], [{ name: "fire", kind: "press" }]);

  test("comes no sooner than the rest allows, and several that wait are one", () => {
    const held = [touch(1, "down", 100, 100), touch(205, "up", 100, 100)];
    expect(trueAt(playOn(layout({ delayMs: 0, intervalMs: 20 }), held), "fire")).toEqual([10, 30, 50, 70, 90, 110, 130, 150, 170, 190]);
    expect(trueAt(playOn(layout({ delayMs: 0, intervalMs: 20, restMs: 50 }), held), "fire")).toEqual([10, 60, 110, 160]);
  });

  test("goes on over a press let go and begun anew; what waits fires only while the port is true", () => {
    const twice = [touch(1, "down", 100, 100), touch(15, "up", 100, 100), touch(25, "down", 100, 100), touch(155, "up", 100, 100)];
    expect(trueAt(playOn(layout({ delayMs: 1000, intervalMs: 1000, restMs: 100 }), twice), "fire")).toEqual([10, 110]);
    const short = [touch(1, "down", 100, 100), touch(15, "up", 100, 100), touch(25, "down", 100, 100), touch(45, "up", 100, 100)];
    expect(trueAt(playOn(layout({ delayMs: 1000, intervalMs: 1000, restMs: 100 }), short, 300), "fire")).toEqual([10]);
  });
});

describe("the strongest group counts alone", () => {
  const layout = staged(
    [
      {
        id: "stick",
        name: "stick",
        kind: "stick",
        placement: placed(300, 300, 200),
        feel: { travel: "100px", inner: 0, outer: 1 },
        serves: [{ port: "x", action: "steer" }],
      },
    ],
    [{ name: "steer", kind: "axis", combine: "strongest", keys: [{ code: "KeyA", value: -0.6 }], pad: [{ axis: 0, inner: 0, outer: 1 }] }],
  );

  test("the greatest by magnitude; of equals touch before keys before pad", () => {
    const thumb = [touch(1, "down", 300, 300), touch(2, "move", 330, 300)];
    expect(numbers(playOn(layout, [...thumb, key(3, "KeyA", true)]), "steer")[0]).toBe(-0.6);
    expect(numbers(playOn(layout, [...thumb, key(3, "KeyA", true), pad(4, [0.8])]), "steer")[0]).toBe(0.8);
    expect(numbers(playOn(layout, [...thumb, pad(3, [-0.3])]), "steer")[0]).toBe(0.3);
    expect(numbers(playOn(layout, [key(3, "KeyA", true), pad(4, [0.6])]), "steer")[0]).toBe(-0.6);
  });

  test("each group is clamped before it is compared", () => {
    const over = staged(
      [],
      [
        {
          name: "steer",
          kind: "axis",
          combine: "strongest",
          keys: [
            { code: "KeyA", value: -1 },
            { code: "KeyB", value: -1 },
          ],
          pad: [{ axis: 0, inner: 0, outer: 1 }],
        },
      ],
    );
    // Both are 1 when clamped: keys come first. Unclamped keys would be stronger anyway, so the pad is what is turned.
    expect(numbers(playOn(over, [key(1, "KeyA", true), key(1, "KeyB", true), pad(2, [1])]), "steer")[0]).toBe(-1);
  });
});

describe("smoothing of switches alone", () => {
  const layout = (ease: string) =>
    staged([], [{ name: "steer", kind: "axis", ease, riseMs: 100, fallMs: 50, keys: [{ code: "KeyD", value: 1 }], pad: [{ axis: 0, inner: 0, outer: 1 }] }]);

  test("a key's step is slowed, a pad's axis is not", () => {
    expect(numbers(playOn(layout("switches"), [key(1, "KeyD", true)], 40), "steer").slice(0, 4)).toEqual([0.1, 0.2, 0.3, 0.4]);
    expect(numbers(playOn(layout("switches"), [pad(1, [0.7])], 20), "steer").slice(0, 2)).toEqual([0.7, 0.7]);
    expect(numbers(playOn(layout("all"), [pad(1, [0.7])], 20), "steer").slice(0, 2)).toEqual([0.1, 0.2]);
  });

  test("both together are clamped once more, and the key's part goes on by itself", () => {
    expect(numbers(playOn(layout("switches"), [key(1, "KeyD", true), pad(1, [0.85])], 30), "steer").slice(0, 3)).toEqual([0.95, 1, 1]);
    expect(numbers(playOn(layout("switches"), [key(1, "KeyD", true), pad(1, [-0.5]), key(25, "KeyD", false)], 50), "steer").slice(0, 5)).toEqual([
      -0.4, -0.3, -0.5, -0.5, -0.5,
    ]);
  });
});

describe("single controls hidden by the game", () => {
  const layout = staged(
    [button("horn", 100, { action: "horn" }), button("tow", 300, { action: "tow" }, { press: "latch" })],
    [
      { name: "horn", kind: "press" },
      { name: "tow", kind: "press" },
    ],
  );
  const shown = (t: number, id: string, is: boolean): InputEvent => ({ t, type: "control", id, shown: is });

  test("it lets go as by cancel, takes no touch, and remembers its latch", () => {
    const values = playOn(layout, [
      touch(1, "down", 300, 100),
      touch(2, "up", 300, 100),
      shown(15, "tow", false),
      touch(16, "down", 300, 100),
      touch(17, "up", 300, 100),
      shown(35, "tow", true),
    ]);
    expect(trueAt(values, "tow")).toEqual([10, 40, 50]);
  });

  test("it is independent of off and on", () => {
    const values = playOn(layout, [
      shown(1, "horn", false),
      { t: 2, type: "off" },
      { t: 3, type: "on" },
      touch(4, "down", 100, 100),
      shown(25, "horn", true),
      touch(26, "down", 100, 100, 2),
    ]);
    expect(trueAt(values, "horn")).toEqual([30, 40]);
  });
});

test("a pad's axes are clamped, and what a snapshot lacks is nothing", () => {
  const layout = staged(
    [],
    [
      { name: "go", kind: "vector", pad: [{ stick: "left", inner: 0, outer: 1 }] },
      { name: "trim", kind: "axis", pad: [{ axis: 5, scale: 0.5, inner: 0, outer: 1 }] },
    ],
  );
  const frames = replay(layout, resolveLayout(layout, STAGE), [pad(1, [3, 0, 0, 0, 0, -9]), pad(15, [1])], { hz: HZ });
  expect(frames[0].values).toEqual({ go: [1, 0], trim: -0.5 });
  expect(frames[1].values).toEqual({ go: [1, 0], trim: 0 });
});

test("a stick that follows from its centre follows at once when the thumb lands far off", () => {
  const stick = (start: string) =>
    staged(
      [
        {
          id: "s",
          name: "s",
          kind: "stick",
          placement: placed(300, 300, 200),
          hit: { size: ["400px", "400px"] },
          feel: { origin: "trailing", start, travel: "50px", inner: 0, outer: 1 },
          serves: [{ port: "vector", action: "go" }],
        },
      ],
      [{ name: "go", kind: "vector" }],
    );
  const landing = [touch(1, "down", 420, 300), touch(11, "move", 400, 300)];
  const xs = (start: string) => playOn(stick(start), landing).map((v) => Number((v.go as [number, number])[0].toFixed(9)));
  expect(xs("thumb").slice(0, 2)).toEqual([0, -0.4]);
  // At the down the origin goes to 370 (50 px behind); 20 px back leave 30 of 50.
  expect(xs("centre").slice(0, 2)).toEqual([1, 0.6]);
});

test("points of a swipe at one time are taken in order of arrival, the one judged left out", () => {
  const layout = staged(
    [
      {
        id: "s",
        name: "s",
        kind: "swipe",
        placement: placed(300, 300, 400),
        feel: { distanceMm: 5, withinMs: 100 },
        serves: [{ port: "right", action: "go" }],
      },
    ],
    [{ name: "go", kind: "press" }],
  );
  // 3 mm and 3 mm more at the same time: no step of 5 mm from the last point, so nothing fires.
  expect(trueAt(playOn(layout, [touch(1, "down", 300, 300), touch(1, "move", 330, 300), touch(1, "move", 360, 300)], 30), "go")).toEqual([]);
  expect(trueAt(playOn(layout, [touch(1, "down", 300, 300), touch(2, "move", 330, 300), touch(3, "move", 360, 300)], 30), "go")).toEqual([10]);
});
