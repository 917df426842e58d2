import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { conformanceCases, difference } from "../core/conformance/cases";

const folder = mkdtempSync(join(tmpdir(), "nodulum-"));
const put = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const nodulum = (...args: string[]) => {
  const done = spawnSync(process.execPath, [join(process.cwd(), "cli", "nodulum.mjs"), ...args], { encoding: "utf8", maxBuffer: 1 << 26 });
  return { code: done.status, out: done.stdout, err: done.stderr };
};
const [, second] = conformanceCases();
const layout = put("case.json", JSON.stringify(second.layout));
const view = ["--screen", second.options.screen, "--handed", second.options.handed, "--player-size", String(second.options.playerSize)];

test("resolve prints what the conformance case says", () => {
  const { code, out } = nodulum("resolve", layout, ...view);
  expect(code).toBe(0);
  const { screen, ...printed } = JSON.parse(out) as Record<string, unknown>;
  expect(screen).toMatchObject({ name: second.options.screen });
  expect(difference(printed, second.resolved)).toBeNull();
});

test("replay prints a line a tick, as the conformance case says", () => {
  const trace = put("trace.ndjson", second.trace.map((e) => JSON.stringify(e)).join("\n"));
  const { code, out } = nodulum("replay", layout, ...view, "--trace", trace, "--hz", String(second.options.hz));
  expect(code).toBe(0);
  expect(
    difference(
      out
        .trim()
        .split("\n")
        .map((line) => JSON.parse(line) as unknown),
      second.frames,
    ),
  ).toBeNull();
});

test("check: 0 where all is well, 1 where the layout falls short, json by screens", () => {
  const sample = join(process.cwd(), "samples", "pigeonhole.nodulum.json");
  expect(nodulum("check", sample).code).toBe(0);
  expect(nodulum("check", sample, "--fail-on", "warning").code).toBe(1);
  const { code, out } = nodulum("check", join(process.cwd(), "samples", "brackwater-first-draft.nodulum.json"), "--screen", "640x480@229", "--format", "json");
  expect(code).toBe(1);
  const report = JSON.parse(out) as { screens: { name: string; findings: { code: string }[] }[] };
  expect(report.screens.map((s) => s.name)).toEqual(["640x480@229"]);
  expect(report.screens[0].findings.map((f) => f.code)).toContain("bind/unknown-action");
});

test.each([
  [["resolve", "nowhere.json", "--screen", "1x1@1"], /no such file/],
  [["resolve", layout, "--screen", "big"], /not a screen/],
  [["resolve", layout], /required option/],
  [["check", layout, "--format", "pdf"], /Allowed choices/],
  [["check", layout, "--moment", "nowhen"], /no moment "nowhen"/],
  [["check", layout, "--handed", "both"], /not a hand/],
  [["dance"], /unknown command/],
])("faults of the call exit with 2 (%#)", (args, expected) => {
  const { code, err, out } = nodulum(...args);
  expect(code).toBe(2);
  expect(err).toMatch(expected);
  expect(out).toBe("");
});

test("a broken file exits with 2 and names the place", () => {
  const broken = put("broken.json", JSON.stringify({ ...(second.layout as object), scale: { of: "weight" } }));
  const { code, err } = nodulum("check", broken);
  expect(code).toBe(2);
  expect(err).toContain("scale.of");
});

test("schema and help exit with 0", () => {
  expect(JSON.parse(nodulum("schema").out)).toHaveProperty("$schema");
  expect(nodulum("--help")).toMatchObject({ code: 0, out: expect.stringContaining("resolve") as string });
});
