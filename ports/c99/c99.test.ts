/** The port in C against the conformance cases and against the engine itself, on the same random layouts and traces. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { printResolved } from "../../core/exchange/resolved";
import { compile } from "../../core/format/compile";
import { parseLayout } from "../../core/format/parse";
import type { Layout } from "../../core/format/types";
import { conformanceCases, difference } from "../../test/cases";

const here = __dirname;
const make = (target: string) => spawnSync("make", ["-C", here, target], { encoding: "utf8" });
const hasCompiler = spawnSync("cc", ["--version"]).status === 0 && spawnSync("make", ["--version"]).status === 0;
if (!hasCompiler) console.warn("There is no C compiler or make here: the port in C is not tested.");
const withCompiler = hasCompiler ? test : test.skip;

const folder = mkdtempSync(join(tmpdir(), "nodulum-c99-"));
const put = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const run = (tool: string, ...args: string[]) => spawnSync(join(here, "build", tool), args, { encoding: "utf8", maxBuffer: 1 << 28 });

interface Case {
  readonly layout: Layout;
  readonly screen: string;
  readonly handed: string;
  readonly playerSize: number;
  readonly hz: number;
  readonly trace: readonly unknown[];
}

/** What the tool prints for a case: places, and frames. */
function played(tool: string, { layout, screen, handed, playerSize, hz, trace }: Case): { resolved: unknown; frames: unknown[] } {
  const file = put("layout.json", compile(layout));
  const view = [file, "--screen", screen, "--handed", handed, "--player-size", String(playerSize)];
  const resolved = run(tool, "resolve", ...view);
  if (resolved.status !== 0) throw new Error(`${resolved.stderr}${resolved.signal ?? ""}`);
  const events = put("trace.ndjson", trace.map((event) => JSON.stringify(event)).join("\n"));
  const frames = run(tool, "replay", ...view, "--trace", events, "--hz", String(hz));
  if (frames.status !== 0) throw new Error(`${frames.stderr}${frames.signal ?? ""}`);
  return {
    resolved: JSON.parse(resolved.stdout) as unknown,
    frames: frames.stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as unknown),
  };
}

withCompiler("it is clean as C99, as C++17, and as the stand-in that does nothing", () => {
  const built = make("clean-builds");
  expect([built.status, built.stderr]).toEqual([0, ""]);
});

withCompiler("all conformance cases: every place and every frame, under the sanitizers", () => {
  expect(make("build/nodulum-replay-sound").status).toBe(0);
  for (const { layout, options, resolved, trace, frames } of conformanceCases()) {
    const parsed = parseLayout(layout);
    if (!parsed.ok) throw new Error("a case that is no layout");
    const { screen, ...printed } = played("nodulum-replay-sound", { layout: parsed.value, ...options, trace } as Case).resolved as Record<string, unknown>;
    expect(screen).toMatchObject({ name: options.screen });
    expect(difference(printed, resolved)).toBeNull();
    expect(difference(played("nodulum-replay-sound", { layout: parsed.value, ...options, trace } as Case).frames, frames)).toBeNull();
  }
}, 180_000);
void printResolved;
