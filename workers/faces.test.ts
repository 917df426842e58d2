import { findAspectIntervals } from "../core/checks/aspectIntervals";
import { bareOn, checkScreen } from "../core/checks/check";
import { catalogueFor } from "../core/checks/catalogue";
import { facesOf, type JudgedScreen } from "../core/checks/grid";
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
  expect(words).toEqual(checkScreen(changed.value, screens[2], { ...face, moment: null }, sayNames(changed.value)));
  screens.forEach((screen, i) => expect(judged[i].faces[0]).toEqual(bareOn(draft, screen, { ...face, moment: null })));
});

test("spans come face by face, with the ends that spans have, and a measure at points within them", async () => {
  const { connection } = worker();
  const range = { diagonalInches: 6.1, ppi: 420, from: 1.3, to: 2.2, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } };
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
