import fc from "fast-check";
import { saidByChecks } from "../../test/settleCases";
import { countAsked, spoiledLayout } from "../../test/spoiled";
import type { Layout } from "../format/types";
import { CHANGEABLES, readChangeables, type Changeable } from "./request";
import { settle } from "./settle";
import { repeated } from "../../test/repeated";

const spoiled = fc
  .integer({ min: 0, max: 1_000_000 })
  .map((seed) => spoiledLayout(seed, { controls: 5, screens: 2, moments: 1 }))
  .filter((one) => one !== null && countAsked(one.request) > 0)
  .map((one) => one!.request);

/** Of each control what belongs to one kind of change, as the file has it. */
const KINDS: Readonly<Record<Exclude<Changeable, "word">, (layout: Layout) => unknown>> = {
  place: ({ controls, clusters }) => [...controls, ...clusters].map(({ placement: p }) => (p.kind === "pin" ? p.offset : null)),
  size: ({ controls }) => controls.map(({ placement: p }) => (p.kind === "pin" ? p.size : p.inset)),
  hit: ({ controls }) => controls.map(({ hit }) => hit),
  landing: ({ controls }) => controls.map((c) => (c.kind === "stick" ? c.feel.landing : null)),
  travel: ({ controls }) => controls.map((c) => (c.kind === "stick" ? c.feel.travel : null)),
  order: ({ controls }) => controls.map(({ id }) => id),
};

test("what may not change does not, whatever else does; and the checks find nothing worse", () => {
  fc.assert(
    fc.property(spoiled, fc.subarray([...CHANGEABLES], { minLength: 1 }), (request, changeable) => {
      const settled = settle({ ...request, changeable });
      const byId = (layout: Layout): Layout => ({ ...layout, controls: [...layout.controls].sort((a, b) => (a.id < b.id ? -1 : 1)) });
      for (const [kind, of] of Object.entries(KINDS).filter(([kind]) => !changeable.includes(kind as Changeable))) {
        const [was, is] = kind === "order" ? [request.layout, settled.layout] : [byId(request.layout), byId(settled.layout)];
        expect(of(is)).toEqual(of(was));
      }
      expect(saidByChecks(request, settled.layout)).toEqual({ left: settled.remaining.length, worse: [] });
    }),
    { numRuns: repeated(4) },
  );
});

test("what may change is read by its words; another is told with those there are", () => {
  expect(readChangeables("travel, place")).toEqual({ ok: true, value: ["place", "travel"] });
  expect(readChangeables("place,colour")).toMatchObject({ ok: false, problems: [{ path: "change[1]", message: expect.stringContaining('"colour"') }] });
});
