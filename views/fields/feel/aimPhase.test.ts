import fc from "fast-check";
import { placed, playOn, staged, touch, trueAt } from "../../../test/stage";
import { aimPhaseOf, firesBy } from "./aimPhase";

test("the picture fires where the engine does", () => {
  const count = { fired: 0, off: 0 };
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 0, max: 100 }), (inner, far) => {
      fc.pre(inner !== far);
      const layout = staged(
        [
          {
            ...{ id: "one", name: "One", kind: "stick", placement: placed(500, 250, 200), feel: { travel: "100px", inner: inner / 100, outer: 1 } },
            serves: [{ port: "released", action: "shot" }],
          },
        ],
        [{ name: "shot", kind: "press" }],
      );
      const shots = trueAt(playOn(layout, [touch(5, "down", 500, 250), touch(15, "move", 500 + far, 250), touch(35, "up", 500 + far, 250)], 60), "shot");
      const phase = aimPhaseOf(null, far / 100, inner / 100);
      count[phase === "fired" ? "fired" : "off"] += 1;
      expect(phase).toBe(shots.length > 0 ? "fired" : "rest");
      expect(aimPhaseOf(far / 100, null, inner / 100)).toBe(shots.length > 0 ? "aiming" : "off");
    }),
  );
  expect(Math.min(count.fired, count.off)).toBeGreaterThan(10);
});

test("an aim is told by what is served", () => {
  expect(firesBy([{ port: "vector", action: "go" }])).toEqual({ released: false, tapped: false });
  expect(
    firesBy([
      { port: "aim", action: "go" },
      { port: "tapped", action: "shot" },
    ]),
  ).toEqual({ released: true, tapped: true });
});
