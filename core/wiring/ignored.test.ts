import fc from "fast-check";
import { playOn, placed, staged } from "../../test/stage";
import { ignoredParts } from "./ignored";
import { repeated } from "../../test/repeated";

/** A control of each sort of port, with any value and scale. */
const serve = fc.record({
  port: fc.constantFrom("vector", "x", "y", "up", "held"),
  value: fc.option(fc.constantFrom<number | [number, number]>(0.5, [0.5, -0.25]), { nil: undefined }),
  scale: fc.option(fc.constantFrom<number | [number, number]>(0.5, [0.25, 0.5]), { nil: undefined }),
  kind: fc.constantFrom("press", "axis", "vector", "motion"),
});

test("a part that is said to be ignored changes no value when it is removed, and every other part that gives anything does", () => {
  let [ignored, counted] = [0, 0];
  fc.assert(
    fc.property(serve, ({ kind, ...wire }) => {
      const layout = (more: object) =>
        staged(
          [{ id: "s", name: "s", kind: "stick", placement: placed(500, 250, 200), serves: [{ port: wire.port, action: "a", ...more }] }],
          [{ name: "a", kind }],
        );
      const gives = (more: object) =>
        JSON.stringify(
          playOn(
            layout(more),
            [
              { t: 1, type: "down", id: 1, x: 500, y: 250 },
              { t: 2, type: "move", id: 1, x: 560, y: 180 },
            ],
            40,
          ),
        );
      const { port: _port, ...parts } = wire;
      const told = new Set(ignoredParts(layout(parts)).map(({ part }) => part));
      for (const part of ["value", "scale"] as const) {
        if (parts[part] === undefined) continue;
        const same = gives(parts) === gives({ ...parts, [part]: undefined });
        expect([part, told.has(part) && !same]).toEqual([part, false]);
        if (told.has(part)) ignored += 1;
        else if (!same) counted += 1;
      }
    }),
    { numRuns: repeated(300) },
  );
  expect(ignored).toBeGreaterThan(50);
  expect(counted).toBeGreaterThan(20);
});
