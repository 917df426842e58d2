import { findAspectIntervals } from "../core/checks/aspectIntervals";
import { bareOn, checkScreen } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import { facesOf, type JudgedScreen } from "../core/checks/grid";
import { missesInMoments, moveForPair, worstPair, type ScreenMisses } from "../core/checks/worstMiss";
import { makeReport, spanRange } from "../core/report/gatherReport";
import { sayNames } from "../core/checks/say";
import { changeFeel } from "../core/editing/edits/controls";
import { sampleLayouts } from "../test/samples";
import type { Connection } from "./connect";
import { createFacesChecker, type FacesAsked } from "./faces";
import { createFacesService, thinned, type FacesService } from "./facesService";

const [harbour, , draft] = sampleLayouts();
const screens = catalogueFor("landscape").slice(0, 5);
const asked = (layout = draft): FacesAsked => ({ layout, screens, faces: facesOf(layout) });

/** A worker in the same process: every message goes over as a copy, its answer in a later turn. */
function worker() {
  const service = createFacesService();
  const called: string[] = [];
  const remote = new Proxy({} as FacesService, {
    get: (_, name: keyof FacesService | "then") =>
      name === "then"
        ? undefined
        : (...args: unknown[]) => {
            called.push(name);
            const done = (service[name] as (...args: unknown[]) => unknown)(...structuredClone(args));
            return new Promise((resolve) => setTimeout(() => resolve(structuredClone(done))));
          },
  });
  const connection = { remote, stop: () => undefined, broken: new Promise<never>(() => undefined) } as unknown as Connection<FacesService>;
  return { connection, called };
}

test("every screen is judged for every face as the checks judge it, those named first before the others", async () => {
  const { connection, called } = worker();
  const order: number[] = [];
  const judged: JudgedScreen[] = [];
  const checker = createFacesChecker(() => connection);
  expect(await checker.judge(asked(), (place, one) => void (order.push(place), (judged[place] = one)), [3])).toBe(true);
  expect(order).toEqual([3, 0, 1, 2, 4]);
  screens.forEach((screen, i) => expect(judged[i].faces).toEqual(facesOf(draft).map((face) => bareOn(draft, screen, { ...face, moment: null }))));
  expect(called.filter((name) => name === "begin")).toHaveLength(1);
});

test("a newer question ends the one under way, and nothing of the older is heard after it", async () => {
  const { connection } = worker();
  const checker = createFacesChecker(() => connection);
  const heard: string[] = [];
  const older = checker.judge(asked(draft), (place) => {
    heard.push(`draft ${place}`);
    if (place === 1) newer = checker.judge(asked(harbour), (at) => void heard.push(`harbour ${at}`));
  });
  let newer: Promise<boolean> = Promise.resolve(false);
  expect(await older).toBe(false);
  expect(await newer).toBe(true);
  expect(heard).toEqual(["draft 0", "draft 1", ...screens.map((_, i) => `harbour ${i}`)]);
});

test("two questions of different kinds about different layouts do not mix", async () => {
  const { connection } = worker();
  const checker = createFacesChecker(() => connection);
  const changed = changeFeel(draft, "helm", { travel: "10%min" });
  if (!changed.ok) throw new Error("the helm is a stick");
  const judged: JudgedScreen[] = [];
  const face = facesOf(draft)[0];
  const [, words] = await Promise.all([checker.judge(asked(draft), (place, one) => void (judged[place] = one)), checker.words(asked(changed.value), 2, face)]);
  expect(words).toEqual(checkScreen(changed.value, screens[2], { ...face, moment: null }, { say: sayNames(changed.value) }));
  screens.forEach((screen, i) => expect(judged[i].faces[0]).toEqual(bareOn(draft, screen, { ...face, moment: null })));
});

test("spans come face by face, with the ends that spans have, and a measure at points within them", async () => {
  const { connection } = worker();
  const range = { diagonalInches: 6.1, ppi: 420, from: 1.7, to: 1.9, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } };
  const found: unknown[] = [];
  const checker = createFacesChecker(() => connection);
  const faces = facesOf(draft).slice(0, 2);
  await checker.spans({ ...asked(), faces }, range, (i, profiles) => {
    found[i] = profiles.map(({ points: _, ...rest }) => rest);
    for (const { points, intervals } of profiles)
      for (const [aspect] of points) expect(intervals.some(([from, to]) => aspect >= from - 1e-6 && aspect <= to + 1e-6)).toBe(true);
  });
  faces.forEach((face, i) => expect(found[i]).toEqual(findAspectIntervals(draft, range, { ...face, moment: null })));
});

test("points are thinned without losing their extremes", () => {
  const points = Array.from({ length: 1000 }, (_, i): [number, number] => [i, i === 617 ? 9 : Math.sin(i)]);
  const few = thinned(points, 100);
  expect(few.length).toBeLessThanOrEqual(102);
  expect(few).toContainEqual([617, 9]);
  expect(few.map(([a]) => a)).toEqual(few.map(([a]) => a).sort((a, b) => a - b));
  expect(thinned(points.slice(0, 5), 100)).toEqual(points.slice(0, 5));
});

test("misses come screen by screen as the command line tells them; the move for a pair is the core's own", async () => {
  const { connection } = worker();
  const checker = createFacesChecker(() => connection);
  const found: ScreenMisses[] = [];
  expect(await checker.misses(asked(), (place, one) => void (found[place] = one))).toBe(true);
  screens.forEach((screen, i) => expect(found[i]).toEqual({ name: screen.name, faces: facesOf(draft).map((face) => missesInMoments(draft, screen, face)) }));
  const pair = worstPair(found)!;
  expect(await checker.missMove(asked(), pair)).toEqual(moveForPair({ layout: draft, screens, faces: facesOf(draft) }, pair));
});

test("the map comes from coarse to fine, row by row; a newer one ends it, and so does stopping", async () => {
  const { connection } = worker();
  const checker = createFacesChecker(() => connection);
  const range = { from: 1, to: 2.6, fromInches: 3, toInches: 13, ppi: 420, insetsMm: { left: 0, top: 0, right: 0, bottom: 0 } };
  const rows: string[] = [];
  const one: FacesAsked = { ...asked(), faces: [{ handed: "right", playerSize: 1 }] };
  const first = checker.map(one, range, (level, row, cells) => {
    rows.push(`${level.columns} ${row} ${cells.length}`);
    // The second level has begun: a newer question takes over.
    if (rows.length === 8) newer = checker.map(one, range, () => checker.stop());
  });
  let newer: Promise<boolean> = Promise.resolve(true);
  expect(await first).toBe(false);
  expect(rows).toEqual([...Array.from({ length: 6 }, (_, i) => `8 ${i} 8`), "16 0 16", "16 1 16"]);
  expect(await newer).toBe(false);
});

test("a report made through the worker is the one that the command line makes, and says how far it is", async () => {
  const { connection } = worker();
  const checker = createFacesChecker(() => connection);
  const parts = ["layout", "screens", "sheet", "grid", "misses", "findings"] as const;
  const steps: number[] = [];
  const wanted = { digest: "d", date: "2026-11-26", parts, paper: "a4", shrinks: 2, range: spanRange(draft) } as const;
  const html = await checker.report(asked(), wanted, (done, all) => steps.push(done / all));
  expect(html).toBe(makeReport({ layout: draft, digest: "d", date: "2026-11-26", screens, parts }));
  expect(steps).toEqual([...steps].sort((a, b) => a - b));
  expect(steps.length).toBe(screens.length + 1);
});
