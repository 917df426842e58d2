import { storedForm } from "../core/derived/storedForm";
import { removePlaceables } from "../core/editing/edits/controls";
import { sampleLayouts } from "../test/samples";
import type { Connection } from "./connect";
import type { LayoutUpdate } from "./layoutMirror";
import { createComposer } from "./writing";
import { createWritingService, type WritingService } from "./writingService";

const [harbour] = sampleLayouts();
const never = new Promise<never>(() => undefined);
const connectionOf = (compose: (update: LayoutUpdate) => unknown, broken: Promise<never> = never, stop = () => undefined) =>
  ({ remote: { compose }, stop, broken }) as unknown as Connection<WritingService>;

afterEach(() => jest.restoreAllMocks());

test("the worker is started once, hears the whole layout once, and gives what would be composed on the spot", async () => {
  const service = createWritingService();
  const heard: LayoutUpdate[] = [];
  let started = 0;
  const compose = createComposer(() => {
    started += 1;
    return connectionOf((update) => {
      heard.push(update);
      return Promise.resolve(service.compose(structuredClone(update)));
    });
  });
  const next = removePlaceables(harbour, ["horn"]);
  if (!next.ok) throw new Error("refused");
  expect(await compose(harbour)).toEqual(storedForm(harbour));
  expect(await compose(next.value)).toEqual(storedForm(next.value));
  expect(started).toBe(1);
  expect(heard.map((update) => "whole" in update)).toEqual([true, false]);
});

test.each([
  [
    "cannot be started",
    () => () => {
      throw new Error("no workers here");
    },
  ],
  ["refuses", () => () => connectionOf(() => Promise.reject(new Error("full")))],
  [
    "breaks",
    () => () => {
      const broken = Promise.reject<never>(new Error("broken"));
      broken.catch(() => undefined);
      return connectionOf(() => never, broken);
    },
  ],
  ["does not answer", () => () => connectionOf(() => never)],
])("a worker that %s keeps no edit from being written", async (_how, connect) => {
  const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
  const compose = createComposer(connect(), 5);
  expect(await compose(harbour)).toEqual(storedForm(harbour));
  expect(await compose({ ...harbour, name: "again" })).toEqual(storedForm({ ...harbour, name: "again" }));
  expect(told).toHaveBeenCalledTimes(2);
});

test("after a failure another worker is started and hears everything anew; after three in a row none is", async () => {
  jest.spyOn(console, "error").mockImplementation(() => undefined);
  const heard: LayoutUpdate[] = [];
  let started = 0;
  let stopped = 0;
  const compose = createComposer(() => {
    started += 1;
    const service = createWritingService();
    const answer = (update: LayoutUpdate) => (started === 2 ? (heard.push(update), Promise.resolve(service.compose(update))) : never);
    return connectionOf(answer, never, () => void (stopped += 1));
  }, 5);
  expect(await compose(harbour)).toEqual(storedForm(harbour));
  const next = { ...harbour, name: "next" };
  expect(await compose(next)).toEqual(storedForm(next));
  expect([started, stopped, heard.map((update) => "whole" in update)]).toEqual([2, 1, [true]]);
  started = 4;
  for (let i = 0; i < 6; i += 1) await compose({ ...harbour, name: `version ${i}` });
  expect(started).toBeLessThanOrEqual(7);
});
