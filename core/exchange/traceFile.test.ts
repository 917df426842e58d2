import { TRACES } from "../format/limits";
import { staged } from "../../test/stage";
import { createTraceReader, readTrace } from "./traceFile";

const layout = staged([], []);
const told = (events: readonly unknown[]) => {
  const read = readTrace(events.map((e) => JSON.stringify(e)).join("\n"), layout);
  return read.ok ? "" : read.problems.map((p) => `${p.path}: ${p.message}`).join("\n");
};

test.each([
  [{ t: 1_800_000, type: "blur" }, { t: 1_800_001, type: "blur" }, /t: must be a number from 0 to 1800000 ms/],
  [{ t: 0, id: -(2 ** 31), type: "up", x: 1, y: 1 }, { t: 0, id: 2 ** 31, type: "up", x: 1, y: 1 }, /id: must be a whole number of 32 bits/],
  [{ t: 0, type: "mouse", button: 31, down: true }, { t: 0, type: "mouse", button: 32, down: true }, /button: must be a whole number from 0 to 31/],
  [
    { t: 0, type: "pad", buttons: Array(64).fill(0), axes: Array(16).fill(0) },
    { t: 0, type: "pad", buttons: Array(65).fill(0), axes: [] },
    /a pad holds at most 64 buttons/,
  ],
  [{ t: 0, type: "pad", buttons: [], axes: Array(16).fill(0) }, { t: 0, type: "pad", buttons: [], axes: Array(17).fill(0) }, /a pad holds at most 16 axes/],
  [{ t: 0, type: "key", code: "K".repeat(64), down: true }, { t: 0, type: "key", code: "K".repeat(65), down: true }, /code: must have 1 to 64 characters/],
  [{ t: 0, type: "off" }, { t: 0, type: "of" }, /is not an event/],
  [{ t: 0, type: "off" }, { t: 0, type: "off", x: 1 }, /unknown key|Unrecognized|x/],
])("an event at its limit is played, one over it refused (%#)", (at, over, message) => {
  expect(told([at])).toBe("");
  expect(told([{ t: 0, type: "on" }, over])).toMatch(message);
  expect(told([over])).toMatch(/^line 1: /);
});

test("as many events as a trace may have, and one more, which is told", () => {
  const reader = createTraceReader(layout);
  const event = '{"t":0,"type":"blur"}';
  let taken = 0;
  while (reader.line(event).ok) taken += 1;
  expect(taken).toBe(TRACES.events.most);
  expect(reader.line(event)).toEqual({ ok: false, problems: [{ path: `line ${taken + 2}`, message: TRACES.events.words }] });
});

test("of many faults the first are told and the rest counted", () => {
  expect(told(Array.from({ length: 300 }, () => 7)).split("\n")).toHaveLength(50);
});
