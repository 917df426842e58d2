import { readFileSync } from "node:fs";
import { readTrace } from "../core/exchange/traceFile";
import { readTake, writeTake } from "../core/exchange/takeFile";
import { takeFrames } from "../core/rehearsal/take";
import { sampleLayouts } from "./samples";
import { bareTake } from "./takes";

const [brackwater] = sampleLayouts();
const page = readFileSync("docs/TAKES.md", "utf8");
const example = /<!-- events -->\n```json\n([\s\S]*?)```/.exec(page)![1];

test("the events told by example are a trace, are a take's events, and are of every type there is", () => {
  const events = readTrace(example, brackwater);
  if (!events.ok) throw new Error(JSON.stringify(events.problems));
  const kinds = new Set(events.value.map((e) => ("button" in e ? "mouse button" : e.type)));
  expect(kinds).toEqual(new Set(["down", "move", "up", "cancel", "key", "mouse button", "mouse", "pad", "moment", "control", "off", "on", "blur"]));
  const take = bareTake(brackwater, events.value);
  expect(readTake(writeTake(take))).toEqual({ ok: true, value: take });
  expect(takeFrames(take, brackwater).ok).toBe(true);
});

test("the table of the file names its keys in the order in which they are written", () => {
  const keys = Object.keys(JSON.parse(writeTake(bareTake(brackwater))) as object);
  const table = page.slice(page.indexOf("## The file"), page.indexOf("## Events"));
  const told = [...table.matchAll(/^\| (`[^|]*) \|/gm)].flatMap((row) => [...row[1].matchAll(/`(\w+)`/g)].map((m) => m[1]));
  expect(told).toEqual(keys);
});
