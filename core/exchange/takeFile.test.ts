import fc from "fast-check";
import { sampleLayouts } from "../../test/samples";
import { eventsArbitrary } from "../../test/arbitrary";
import { bareTake, standing, tap } from "../../test/takes";
import { takeFrames, type Take } from "../rehearsal/take";
import { readTrace } from "./traceFile";
import { framesText, readTake, traceText, writeTake } from "./takeFile";
import { repeated } from "../../test/repeated";

const [brackwater] = sampleLayouts();
const written = (take: Take) => JSON.parse(writeTake(take)) as Record<string, unknown>;
const problemOf = (value: unknown) => {
  const read = readTake(JSON.stringify(value));
  return read.ok ? "" : read.problems.map((p) => `${p.path}: ${p.message}`).join("\n");
};
const sample = bareTake(brackwater, tap(10, 1, standing(bareTake(brackwater), brackwater, "horn")));

test("what is written is read again, events and frames to the last digit", () => {
  fc.assert(
    fc.property(eventsArbitrary, fc.boolean(), fc.constantFrom(30, 60, 144), (events, withFrames, hz) => {
      const known = events.filter((e) => e.type !== "moment" && e.type !== "control");
      const bare = bareTake(brackwater, known, { hz });
      const frames = takeFrames(bare, brackwater);
      if (!frames.ok) throw new Error(JSON.stringify(frames));
      const take = { ...bare, frames: withFrames ? frames.value : null };
      const read = readTake(writeTake(take));
      // The sign of a nought is no digit: JSON has but one.
      expect(read.ok && read.value).toEqual(JSON.parse(JSON.stringify(take)));
      const again = read.ok && takeFrames(read.value, brackwater);
      expect(again && again.ok && framesText(again.value)).toBe(framesText(frames.value));
    }),
    { numRuns: repeated(40) },
  );
});

test("the keys stand in their order, moment and frames always among them", () => {
  expect(Object.keys(written({ ...sample, moment: null }))).toEqual([
    "format",
    "version",
    "name",
    "layout",
    "screen",
    "handed",
    "playerSize",
    "hz",
    "moment",
    "events",
    "frames",
  ]);
});

const set = (change: (take: Record<string, unknown>) => void) => {
  const take = written(sample);
  change(take);
  return take;
};
test.each<[string, (take: Record<string, unknown>) => void, RegExp]>([
  ["an unknown key", (t) => (t.colour = 1), /colour/],
  ["another format", (t) => (t.format = "nodulum-layout"), /^format: must be "nodulum-take"/],
  ["a newer version", (t) => (t.version = 2), /^version: must be 1; a higher version needs a newer Nodulum/],
  ["no moment", (t) => delete t.moment, /^moment: is missing/],
  ["no frames", (t) => delete t.frames, /^frames: is missing/],
  ["no events", (t) => delete t.events, /^events: is missing/],
  ["a digest that is none", (t) => (t.layout = "abc"), /^layout: must be the digest of a layout/],
  ["a screen without its insets", (t) => delete (t.screen as Record<string, unknown>).insets, /^screen\.insets: is missing/],
  ["a third hand", (t) => (t.handed = "both"), /^handed: must be "right" or "left"/],
  ["a rate that is not whole", (t) => (t.hz = 59.94), /^hz: must be a whole number from 1 to 1000/],
  ["a rate of 1001", (t) => (t.hz = 1001), /^hz: must be a whole number/],
  [
    "time that falls",
    (t) =>
      (t.events = [
        { t: 5, type: "on" },
        { t: 4, type: "on" },
      ]),
    /^events\[1\]: its time 4 is before/,
  ],
  ["time after half an hour", (t) => (t.events = [{ t: 1_800_001, type: "on" }]), /^events\[0\]: t: must be a number from 0 to 1800000/],
  ["an up without a place", (t) => (t.events = [{ t: 5, id: 1, type: "up" }]), /^events\[0\]: x: /],
  ["a frame with more", (t) => (t.frames = [{ t: 1, values: {}, more: 1 }]), /^frames\[0\]: has the unknown key "more"/],
  ["a value that is none", (t) => (t.frames = [{ t: 1, values: { horn: "loud" } }]), /^frames\[0\]\.values\.horn: must be true, false, a number/],
  ["too many events", (t) => (t.events = Array.from({ length: 200_001 }, () => ({ t: 0, type: "on" }))), /^events: a take holds at most 200,000 events/],
])("%s is refused by name and place", (_, change, message) => {
  expect(problemOf(set(change))).toMatch(message);
});

test("what is no take at all is told so, and the sample is one", () => {
  expect(problemOf(written(sample))).toBe("");
  expect(problemOf([])).toMatch(/this is not a take/);
  const read = readTake("{");
  expect(read.ok || read.problems[0].message).toMatch(/is not JSON/);
});

test("the events of a take are a trace", () => {
  expect(readTrace(traceText(sample.events), brackwater)).toEqual({ ok: true, value: sample.events });
});
