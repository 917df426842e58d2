import { placed, STAGE, staged } from "../../test/stage";
import { sampleLayouts } from "../../test/samples";
import { editContextOf } from "../editing/placing";
import { resolveLayout } from "../engine/placement/resolve";
import type { Layout } from "../format/types";
import { catalogueFor } from "./catalogue";
import { changesOf } from "./findingChanges";
import { bareFindings } from "./check";
import { applyFix } from "./fixes";
import { facesOf } from "./grid";
import { missesOn } from "./misses";
import { leastHit, missesInMoments, moveForPair, worstPair, type OnFaces, type ScreenMisses } from "./worstMiss";

const missesOf = ({ layout, screens, faces }: OnFaces): ScreenMisses[] =>
  screens.map((screen) => ({ name: screen.name, faces: faces.map((face) => missesInMoments(layout, screen, face)) }));

test("in each moment the misses are those of the command line, moments that show the same share them", () => {
  const [brackwater] = sampleLayouts();
  const [screen] = catalogueFor("landscape");
  const face = { handed: "left", playerSize: 1.3 } as const;
  const resolved = resolveLayout(brackwater, screen, { ...face, moment: null });
  expect(missesInMoments(brackwater, screen, face)).toEqual(
    brackwater.moments.map(({ id: moment }) => ({ moment, controls: missesOn(brackwater, resolved, { handed: "left", moment }) })),
  );
});

const pad = (id: string, x: number, more: object = {}) => ({
  id,
  name: id,
  kind: "button",
  placement: placed(x, 250, 60),
  hit: { shape: "box" },
  serves: [],
  ...more,
});
const on = (layout: Layout): OnFaces => ({ layout, screens: [STAGE], faces: [{ handed: "right", playerSize: 1 }] });

test("the worst pair is the one in which most is taken, on whichever screen, face and moment; without neighbours there is none", () => {
  for (const layout of sampleLayouts()) {
    const all = on(layout);
    const asked = { ...all, screens: catalogueFor(layout.orientation).slice(0, 4), faces: facesOf(layout) };
    const misses = missesOf(asked);
    const pair = worstPair(misses);
    const shares = misses.flatMap(({ faces }) => faces.flat().flatMap(({ controls }) => controls.flatMap(({ taken }) => Object.values(taken))));
    expect(pair?.share ?? 0).toBe(Math.max(0, ...shares));
    if (!pair) continue;
    const there = misses[pair.screen].faces[pair.face].find((m) => m.moment === pair.moment)!.controls.find((c) => c.id === pair.meant)!;
    expect(there.taken[pair.taker]).toBe(pair.share);
    // No face and moment of that screen gives the one meant less than what is reported as the least.
    const least = leastHit(misses[pair.screen], pair.meant)!;
    const hits = misses[pair.screen].faces.flat().flatMap(({ controls }) => controls.filter((c) => c.id === pair.meant).map((c) => c.hit));
    expect(least.misses.hit).toBe(Math.min(...hits));
  }
  expect(worstPair(missesOf(on(staged([pad("a", 200), pad("b", 800)], []))))).toBeNull();
});

test("the move for a pair takes away what it says, harms nothing, and no smaller one brings as much", () => {
  const layout = staged([pad("a", 400), pad("b", 462)], []);
  const asked = on(layout);
  const pair = worstPair(missesOf(asked))!;
  const move = moveForPair(asked, pair)!;
  if (move.fix.kind !== "move") throw new Error(move.fix.kind);
  const made = (mm: number) => {
    const { fix } = move as { fix: Extract<typeof move.fix, { kind: "move" }> };
    const done = applyFix(editContextOf(layout, STAGE, { handed: "right", playerSize: 1, moment: null }), { ...fix, mm });
    if (!done.ok) throw new Error("refused");
    return done.value;
  };
  const after = made(move.fix.mm);
  const [misses] = missesOf(on(after));
  expect(leastHit(misses, pair.meant)!.misses.taken[pair.taker] ?? 0).toBeCloseTo(move.share, 9);
  for (const [id, [before, then]] of Object.entries(move.hits)) {
    expect(leastHit(missesOf(asked)[0], id)!.misses.hit).toBeCloseTo(before, 9);
    expect(leastHit(misses, id)!.misses.hit).toBeCloseTo(then, 9);
    expect(then).toBeGreaterThan(before - 0.005);
  }
  expect(move.share).toBeLessThan(pair.share / 4);
  const worse = changesOf(bareFindings(layout, STAGE), bareFindings(after, STAGE)).filter(
    ({ kind, is }) => (kind === "new" || kind === "worse") && is!.severity !== "note",
  );
  expect(worse).toEqual([]);
  // What a step less would bring is less than nine tenths of it.
  const taken = (version: Layout) =>
    missesOf(on(version))[0].faces[0][0].controls.reduce((sum, c) => sum + Object.values(c.taken).reduce((x, y) => x + y, 0), 0);
  const gain = (mm: number) => taken(layout) - taken(made(mm));
  expect(gain(move.fix.mm - 0.5)).toBeLessThan(0.9 * gain(7));
});

test("one that lies under another is brought above it, where nothing needs to move; what is locked stays", () => {
  const field = { id: "over", name: "over", kind: "touchpad", placement: placed(300, 250, 400), serves: [] };
  const under = staged([pad("under", 400), field], []);
  const pair = worstPair(missesOf(on(under)))!;
  expect([pair.meant, pair.taker]).toEqual(["under", "over"]);
  expect(moveForPair(on(under), pair)?.fix).toEqual({ kind: "raise", id: "under" });
  const close = staged([pad("a", 400), pad("b", 462)], [], { workbench: { locked: { a: ["x", "y"], b: ["x", "y"] } } });
  expect(moveForPair(on(close), worstPair(missesOf(on(close)))!)).toBeNull();
});
