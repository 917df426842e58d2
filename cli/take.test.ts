import { readFileSync } from "node:fs";
import { XMLParser } from "fast-xml-parser";
import { commandLine } from "../test/commandLine";

const { put: putText, nodulum } = commandLine();
const put = (name: string, value: unknown) => putText(name, JSON.stringify(value));
const LAYOUT = "samples/brackwater.nodulum.json";
const TAKE = "samples/takes/brackwater-1.nodulum-take.json";
interface TakeFile {
  moment: string | null;
  frames: { t: number; values: Record<string, unknown> }[] | null;
}
const take = () => JSON.parse(readFileSync(TAKE, "utf8")) as TakeFile;
const changed = (name: string, change: (file: TakeFile) => void) => {
  const file = take();
  change(file);
  return put(name, file);
};

test("a take prints the frames it holds, and held against them it is the same", async () => {
  const { code, out, err } = await nodulum("replay", LAYOUT, "--take", TAKE);
  expect([code, err]).toEqual([0, ""]);
  const frames = out
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line) as unknown);
  expect(frames).toEqual(take().frames);
  expect(await nodulum("replay", LAYOUT, "--take", TAKE, "--against")).toEqual({ code: 0, out: "", err: `${frames.length} ticks, the same\n` });
  expect((await nodulum("replay", LAYOUT, "--take", TAKE, "--against", TAKE)).code).toBe(0);
});

test("on a layout that has changed the first difference is told with tick, action, was and is, and as JUnit by action", async () => {
  const layout = JSON.parse(readFileSync(LAYOUT, "utf8")) as { controls: { id: string; feel: Record<string, unknown> }[] };
  layout.controls.find((c) => c.id === "helm")!.feel.curve = { kind: "power", exponent: 3 };
  const heavier = put("heavier.json", layout);
  const { code, out, err } = await nodulum("replay", heavier, "--take", TAKE, "--against");
  const found = JSON.parse(out) as { tick: number; action: string; was: number[]; is: number[] };
  expect([code, found.action]).toEqual([1, "helm"]);
  expect(found.was).toEqual(take().frames![found.tick - 1].values.helm);
  expect(found.is).not.toEqual(found.was);
  expect(err).toMatch(/the take was recorded with another layout; it is played anyway/);
  expect(err).toMatch(new RegExp(`tick ${found.tick}: helm was \\[.*\\], is \\[`));
  const junit = await nodulum("replay", heavier, "--take", TAKE, "--against", "--format", "junit");
  expect(junit.code).toBe(1);
  const { testsuites } = new XMLParser({ ignoreAttributes: false }).parse(junit.out) as {
    testsuites: { "@_tests": string; "@_failures": string; testsuite: { testcase: { "@_name": string; failure?: unknown }[] } };
  };
  expect([testsuites["@_tests"], testsuites["@_failures"]]).toEqual(["10", "1"]);
  expect(testsuites.testsuite.testcase.filter((c) => c.failure).map((c) => c["@_name"])).toEqual(["helm"]);
});

test("a take with fewer frames differs at the first that is missing", async () => {
  const short = changed("short.json", (file) => file.frames!.splice(100));
  const { code, out } = await nodulum("replay", LAYOUT, "--take", short, "--against");
  expect([code, JSON.parse(out)]).toEqual([1, { tick: 101, action: null, was: null, is: null }]);
});

test.each<[string, () => string[], RegExp]>([
  ["--screen with --take", () => ["--take", TAKE, "--screen", "1000x500@254"], /--screen cannot be combined with --take/],
  ["--hz with --take", () => ["--take", TAKE, "--hz", "60"], /--hz cannot be combined with --take/],
  ["--handed with --take", () => ["--take", TAKE, "--handed", "right"], /--handed cannot be combined with --take/],
  ["--player-size with --take", () => ["--take", TAKE, "--player-size", "1"], /--player-size cannot be combined with --take/],
  ["--moment with --take", () => ["--take", TAKE, "--moment", "under-way"], /--moment cannot be combined with --take/],
  ["--trace with --take", () => ["--take", TAKE, "--trace", TAKE], /--trace cannot be combined with --take/],
  ["--against without a take", () => ["--screen", "1000x500@254", "--trace", TAKE, "--against"], /--against compares a take/],
  ["no frames to hold against", () => ["--take", changed("bare.json", (f) => (f.frames = null)), "--against"], /bare\.json: the take has no frames/],
  [
    "a moment that the layout lacks",
    () => ["--take", changed("storm.json", (f) => (f.moment = "storm"))],
    /storm\.json: .*moment "storm" that the layout lacks; known: under-way/,
  ],
  ["a take that is none", () => ["--take", LAYOUT], /format: must be "nodulum-take"/],
  ["a take that is not there", () => ["--take", "nowhere.json"], /nowhere\.json: there is no such file/],
  ["nothing to replay", () => [], /give --trace and --screen, or --take/],
  ["junit without --against", () => ["--take", TAKE, "--format", "junit"], /needs --against/],
])("%s is a wrong call", async (_, args, message) => {
  const { code, out, err } = await nodulum("replay", LAYOUT, ...args());
  expect([code, out]).toEqual([2, ""]);
  expect(err).toMatch(message);
});
