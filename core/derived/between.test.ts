import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { PLAIN_PLAYER_VIEW } from "../engine/placement/resolve";
import { resolvedBetween } from "./between";
import { resolvedOn } from "./resolved";
import { repeated } from "../../test/repeated";

test("at the ends it is as it was and as it is; between them every box is between; what only one of them has stands as it is", () => {
  fc.assert(
    fc.property(layoutArbitrary, layoutArbitrary, screenArbitrary, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, screen, part) => {
      const other = {
        ...b,
        controls: [...a.controls.map((control, i) => (b.controls[i] ? { ...control, placement: b.controls[i].placement } : control))],
        clusters: b.clusters,
      };
      const [was, is] = [resolvedOn(a, screen, PLAIN_PLAYER_VIEW), resolvedOn(other, screen, PLAIN_PLAYER_VIEW)];
      expect(resolvedBetween(was, is, 1)).toBe(is);
      const between = resolvedBetween(was, is, part);
      const first = resolvedBetween(was, is, 0);
      expect(between.controls.map(({ id }) => id)).toEqual(is.controls.map(({ id }) => id));
      const before = new Map(was.controls.map((at) => [at.id, at]));
      expect(between.controls.filter(({ id }) => !before.has(id))).toEqual(is.controls.filter(({ id }) => !before.has(id)));
      between.controls.forEach((at, i) => {
        const to = is.controls[i];
        // What is new is where it is.
        const from = before.get(at.id) ?? to;
        expect(first.controls[i].visual).toEqual(from.visual);
        for (const key of ["x", "y", "w", "h"] as const) {
          const [low, high] = [Math.min(from.visual[key], to.visual[key]), Math.max(from.visual[key], to.visual[key])];
          const slack = 1e-9 * (1 + Math.abs(low) + Math.abs(high));
          expect(at.visual[key]).toBeGreaterThanOrEqual(low - slack);
          expect(at.visual[key]).toBeLessThanOrEqual(high + slack);
        }
      });
    }),
    { numRuns: repeated(40) },
  );
});
