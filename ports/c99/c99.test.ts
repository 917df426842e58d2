/** The port in C against the conformance cases and against the engine itself, on the same random layouts and traces. */
import { isStorm } from "../../test/repeated";
import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import fc from "fast-check";
import { replay } from "../../core/engine/input/advance";
import type { InputEvent } from "../../core/engine/input/events";
import { resolveLayout, type Resolved } from "../../core/engine/placement/resolve";
import { printResolved } from "../../core/exchange/resolvedData";
import { compile } from "../../core/format/compile";
import { digestOfText } from "../../core/format/digest";
import { parseLayout } from "../../core/format/parse";
import { writeLayout } from "../../core/format/write";
import { makeParcel } from "../../parcels/makeParcel";
import { plainSource } from "../../parcels/plainSource";
import type { Layout, Screen } from "../../core/format/types";
import { eventsArbitrary, layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { problemText } from "../../core/engine/result";
import { readPlayed } from "../../core/engine/read/played";
import { conformanceCases, difference } from "../../test/cases";
import { brokenPlayed } from "../../test/fuzz";
import { randomFrom } from "../../test/random";
import { sampleLayouts } from "../../test/samples";
import { placed, staged } from "../../test/stage";

const here = __dirname;
const make = (target: string) => spawnSync("make", ["-C", here, target], { encoding: "utf8" });
const hasCompiler = spawnSync("cc", ["--version"]).status === 0 && spawnSync("make", ["--version"]).status === 0;
if (!hasCompiler) console.warn("There is no C compiler or make here: the port in C is not tested.");
const withCompiler = hasCompiler ? test : test.skip;

const folder = mkdtempSync(join(tmpdir(), "nodulum-c99-"));
const put = (name: string, text: string | Uint8Array) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const run = (tool: string, words: readonly string[], input = "") =>
  spawnSync(join(here, "build", tool), words, { encoding: "utf8", maxBuffer: 1 << 28, input });

/** Many calls of a tool in one process: how each ended, and what it printed. */
function calls(tool: string, all: readonly (readonly string[])[]): { status: number; stdout: string; stderr: string }[] {
  const { status, signal, stdout, stderr } = run(tool, ["calls"], all.map((words) => `${words.join("\t")}\n`).join(""));
  if (status !== 0) throw new Error(`${signal ?? status}: ${stderr}`);
  const errors = stderr.split("\u001e\n");
  const done = [...stdout.matchAll(/([^\u001e]*)\u001e(\d+)\n/g)].map(([, printed, code], i) => ({ status: Number(code), stdout: printed, stderr: errors[i] }));
  expect(done).toHaveLength(all.length);
  return done;
}

interface Case {
  readonly layout: Layout;
  readonly screen: string;
  readonly handed: string;
  readonly playerSize: number;
  readonly hz: number;
  readonly trace: readonly unknown[];
}

/** What the tool prints for each case: places, and frames. */
function played(tool: string, cases: readonly Case[]): { resolved: unknown; frames: unknown[] }[] {
  const words = cases.flatMap(({ layout, screen, handed, playerSize, hz, trace }, i) => {
    const events = put(`trace-${i}.ndjson`, trace.map((event) => JSON.stringify(event)).join("\n"));
    const view = [put(`layout-${i}.json`, compile(layout)), "--screen", screen, "--handed", handed, "--player-size", String(playerSize)];
    return [
      ["resolve", ...view],
      ["replay", ...view, "--trace", events, "--hz", String(hz)],
    ];
  });
  const printed = calls(tool, words).map(({ status, stdout, stderr }, i) => {
    if (status !== 0) throw new Error(`case ${i >> 1}: ${stderr}`);
    return stdout
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as unknown);
  });
  return cases.map((_, i) => ({ resolved: printed[2 * i][0], frames: printed[2 * i + 1] }));
}

withCompiler("it is clean as C99, as C++17, and as the stand-in that does nothing", () => {
  const built = make("clean-builds");
  expect([built.status, built.stderr]).toEqual([0, ""]);
});

withCompiler("all conformance cases: every place and every frame, under the sanitizers", () => {
  expect(make("build/nodulum-replay-sound").status).toBe(0);
  const cases = conformanceCases();
  const layouts = cases.map(({ layout }) => {
    const parsed = parseLayout(layout);
    if (!parsed.ok) throw new Error("a case that is no layout");
    return parsed.value;
  });
  const all = played(
    "nodulum-replay-sound",
    cases.map(({ options, trace }, i) => ({ layout: layouts[i], ...options, trace }) as Case),
  );
  cases.forEach(({ options, resolved, frames }, i) => {
    const { screen, ...printed } = all[i].resolved as Record<string, unknown>;
    expect(screen).toMatchObject({ name: options.screen });
    expect(difference(printed, resolved)).toBeNull();
    expect(difference(all[i].frames, frames)).toBeNull();
  });
});

const screenText = ({ widthPx, heightPx, ppi, insets: { left, top, right, bottom } }: Screen) =>
  `${widthPx}x${heightPx}@${ppi}${left + top + right + bottom > 0 ? `+${left},${top},${right},${bottom}` : ""}`;

/** A finger on a control or just next to it: which control, where on it (fractions of its area), after how long. */
const fingers = fc.array(
  fc.record({
    wait: fc.integer({ min: 0, max: 40 }),
    id: fc.integer({ min: 1, max: 3 }),
    type: fc.constantFrom("down" as const, "move" as const, "move" as const, "move" as const, "up" as const),
    on: fc.integer({ min: 0, max: 5 }),
    fx: fc.integer({ min: -4, max: 24 }).map((n) => n / 20),
    fy: fc.integer({ min: -4, max: 24 }).map((n) => n / 20),
  }),
  { maxLength: 60 },
);

/** Those fingers as events on a layout that is placed; each finger keeps to the control it came down on. */
function onControls(
  resolved: Resolved,
  steps: readonly { wait: number; id: number; type: "down" | "move" | "up"; on: number; fx: number; fy: number }[],
): InputEvent[] {
  const home = new Map<number, number>();
  let t = 0;
  return steps.flatMap(({ wait, id, type, on, fx, fy }) => {
    t += wait;
    if (type === "down") home.set(id, on);
    const at = resolved.controls[(home.get(id) ?? on) % Math.max(1, resolved.controls.length)];
    if (!at) return [];
    const { x, y, w, h } = at.landing ?? at.hit;
    return [{ t, type, id, x: x + fx * w, y: y + fy * h }];
  });
}

withCompiler("both engines side by side: the same random layouts, screens, hands and traces give the same places and values", () => {
  expect(make("build/nodulum-replay").status).toBe(0);
  const playing = fc.record({
    layout: layoutArbitrary,
    screen: screenArbitrary,
    handed: fc.constantFrom("right" as const, "left" as const),
    playerSize: fc.constantFrom(0.8, 1, 1.3),
    hz: fc.constantFrom(30, 60, 250),
    all: eventsArbitrary,
    steps: fingers,
  });
  // A seed of the clock, named where a case fails: all cases are made first and given to one process.
  const seed = Date.now() % 2 ** 31;
  const cases = fc
    .sample(playing, { seed, numRuns: Number(process.env.NODULUM_C99_RUNS ?? 150) })
    .map(({ layout, screen, handed, playerSize, hz, all, steps }) => {
      const resolved = resolveLayout(layout, screen, { handed, playerSize, moment: null });
      // An id that the layout lacks is refused by both readers of traces.
      const others = all.filter((event) => event.type !== "control" || layout.controls.some(({ id }) => id === event.id));
      const trace = [...others.filter((event) => steps.length < 10 || !("x" in event)), ...onControls(resolved, steps)].sort((a, b) => a.t - b.t);
      return { layout, resolved, screen: screenText(screen), handed, playerSize, hz, trace };
    });
  played("nodulum-replay", cases).forEach((made, i) => {
    const { layout, resolved, trace, hz } = cases[i];
    const own = { ...printResolved(resolved), screen: undefined };
    const frames = difference(made.frames, JSON.parse(JSON.stringify(replay(layout, resolved, trace, { hz }))));
    const places = difference({ ...(made.resolved as object), screen: undefined }, JSON.parse(JSON.stringify(own)));
    expect({ seed, case: i, places, frames }).toEqual({ seed, case: i, places: null, frames: null });
  });
});

withCompiler("broken played files: both readers take the same ones, and refuse the others by the same place and words", () => {
  expect(make("build/nodulum-replay").status).toBe(0);
  const files = sampleLayouts().map((layout) => compile(layout));
  const broken = Array.from({ length: Number(process.env.NODULUM_C99_BROKEN ?? 300) }, (_, i) => brokenPlayed(files[i % files.length], randomFrom(7000 + i)));
  const paths = broken.map((bytes, i) => put(`broken-${i}.json`, bytes));
  const done = calls(
    "nodulum-replay",
    paths.map((path) => ["resolve", path, "--screen", "2400x1080@411"]),
  );
  let refused = 0;
  done.forEach(({ status, stderr }, i) => {
    const read = readPlayed(broken[i]);
    // A path is reported to terminals: what is not plain is in it as a question mark.
    const said = read.ok ? "" : `nodulum-replay: ${paths[i]}: ${problemText(read.problems).replace(/[^\x20-\x7e]/gu, "?")}\n`;
    if (!read.ok) refused += 1;
    expect([i, status, stderr]).toEqual([i, read.ok ? 0 : 2, said]);
  });
  expect(refused).toBeGreaterThan(100);
});

withCompiler(
  "a thousand broken files and event streams under the sanitizers: refused in words or played, and no byte out of bounds",
  () => {
    expect(make("build/fuzz-sound").status).toBe(0);
    const files = sampleLayouts().map((layout, i) => put(`whole-${i}.json`, compile(layout)));
    const { status, stdout, stderr } = run("fuzz-sound", [process.env.NODULUM_C99_FUZZ ?? "1000", "1", ...files]);
    expect([status, stderr]).toEqual([0, ""]);
    expect(Number(/^(\d+) of/.exec(stdout)![1])).toBeGreaterThan(100);
  },
  7_200_000,
);

withCompiler("the parcel builds as it is handed off: the example plays a take by the played file, and the array is the same file", async () => {
  const [layout] = sampleLayouts();
  const portFiles = Object.fromEntries(["nodulum.h", "trace.h", "example/play.c"].map((path) => [path, readFileSync(join(here, path), "utf8")] as const));
  const none = () => ({});
  const source = plainSource({
    ...{ layout, date: "2026-11-27", screens: [], direction: "down", language: "c", paper: "a4", takes: () => Promise.resolve([]) },
    ...{ pageScript: () => "", runtimeFiles: none, portFiles: () => portFiles },
  });
  const parcel = mkdtempSync(join(folder, "parcel-"));
  mkdirSync(join(parcel, "example"));
  for (const { path, content } of (await makeParcel("c99", source)).files) writeFileSync(join(parcel, path), content);
  const check = `#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include "played.h"
#include "actions.h"
#include <stdio.h>
int main(void) {
  static double memory[1 << 16];
  nodulum_layout *layout = nodulum_read((const char *)NODULUM_PLAYED, NODULUM_PLAYED_LENGTH, memory, sizeof(memory), NULL);
  printf("%s %d %d %d", nodulum_digest(layout), nodulum_action_index(layout, ACTION_HORN), AT_HORN, ACTIONS_FIT(layout));
  return 0;
}
`;
  writeFileSync(join(parcel, "check.c"), check);
  const cc = (...args: string[]) => spawnSync("cc", ["-std=c99", "-Wall", "-Wextra", "-Werror", "-I.", ...args, "-lm"], { cwd: parcel, encoding: "utf8" });
  expect(cc("check.c", "-o", "check").stderr).toBe("");
  const horn = layout.actions.findIndex(({ name }) => name === "horn");
  expect(spawnSync(join(parcel, "check"), { encoding: "utf8" }).stdout).toBe(`${digestOfText(writeLayout(layout))} ${horn} ${horn} 1`);
  expect(cc("example/play.c", "-o", "play").stderr).toBe("");
  const take = join(process.cwd(), "samples", "takes", "brackwater-1.nodulum-take.json");
  const { status, stdout } = spawnSync(join(parcel, "play"), ["brackwater.played.json", take], { cwd: parcel, encoding: "utf8" });
  expect(status).toBe(0);
  expect(stdout).toMatch(/^ +\d+\.\d\d s .*nudge.*\n/);
  expect(stdout.trim().split("\n").at(-1)).toMatch(/^\d+ ticks of Brackwater$/);
});

/** A game's loop that gets its clock wrong, with touches as a system names them: 64 bits, many of them alike in their lower half. */
const LOOP = `#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include <stdio.h>
#include <stdlib.h>
static char json[1 << 20];
static nodulum_placed *placed_on(const nodulum_layout *layout, double width) {
  nodulum_screen screen = {0, 1080, 400, 0, 0, 0, 0};
  screen.width = width;
  return nodulum_place(layout, &screen, NULL, malloc(nodulum_place_size(layout)), nodulum_place_size(layout));
}
int main(int count, char **words) {
  static const double ticks[] = {16, 32, 32, 20, -5, 0.0, 48, 64, 1e300, 80};
  FILE *file = fopen(words[count - 1], "rb");
  size_t length = fread(json, 1, sizeof(json), file), i;
  nodulum_layout *layout = nodulum_read(json, length, malloc(nodulum_measure(json, length)), nodulum_measure(json, length), NULL);
  nodulum_placed *placed = placed_on(layout, 2400), *other = placed_on(layout, 1600);
  size_t size = nodulum_state_size(placed);
  nodulum_state *state = nodulum_begin(placed, NULL, malloc(size), size), *copy = (nodulum_state *)malloc(size);
  nodulum_event key = {NODULUM_KEY, 8, 0, 0, 0, 0, 1, "KeyD", NULL, NULL, 0, 0};
  nodulum_event touches[3];
  nodulum_control left, right;
  double x, y, zero = 0;
  for (i = 0; i < 10; i += 1) {
    double tick = ticks[i] == 0.0 ? zero / zero : ticks[i];
    int code = nodulum_advance(placed, state, &key, i == 0, tick);
    nodulum_value_vector(state, nodulum_action_index(layout, "walk"), &x, &y);
    printf("%d %g %.3f\\n", code, nodulum_time(state), x);
  }
  memcpy(copy, state, size);
  printf("other %d %d\\n", nodulum_advance(other, state, &key, 1, 96), memcmp(copy, state, size));
  nodulum_control_at(placed, 0, &left);
  nodulum_control_at(placed, 1, &right);
  memset(touches, 0, sizeof(touches));
  for (i = 0; i < 3; i += 1) {
    const nodulum_control *at = i == 0 ? &left : &right;
    touches[i].type = i == 2 ? NODULUM_UP : NODULUM_DOWN;
    touches[i].t = 90;
    touches[i].id = (int64_t)(((uint64_t)(i == 0 ? 1 : 2) << 32) | 7u);
    touches[i].x = at->visual.x + at->visual.w / 2;
    touches[i].y = at->visual.y + at->visual.h / 2;
  }
  nodulum_advance(placed, state, touches, 2, 96);
  printf("both %d %d\\n", nodulum_value_press(state, nodulum_action_index(layout, "one")), nodulum_value_press(state, nodulum_action_index(layout, "two")));
  touches[2].t = 100;
  nodulum_advance(placed, state, &touches[2], 1, 112);
  printf("one %d %d\\n", nodulum_value_press(state, nodulum_action_index(layout, "one")), nodulum_value_press(state, nodulum_action_index(layout, "two")));
  printf("faults %d\\n", nodulum_time_faults(state));
  return 0;
}
`;

withCompiler("a loop whose clock repeats, goes back or is none: time stands, the code says so, and no value is lost; touches have ids of 64 bits", () => {
  const button = (id: string, x: number) => ({ id, name: id, kind: "button", placement: placed(x, 500, 200), serves: [{ port: "press", action: id }] });
  const walk = { name: "walk", kind: "vector", riseMs: 100, fallMs: 100, keys: [{ code: "KeyD", value: [1, 0] }] };
  const press = (name: string) => ({ name, kind: "press" });
  const file = put("loop.json", compile(staged([button("one", 300), button("two", 900)], [walk, press("one"), press("two")])));
  const source = put("loop.c", LOOP);
  const built = spawnSync(
    "cc",
    ["-std=c99", "-Wall", "-Wextra", "-Werror", "-g", "-fsanitize=address,undefined", `-I${here}`, source, "-o", join(folder, "loop"), "-lm"],
    { encoding: "utf8" },
  );
  expect(built.stderr).toBe("");
  const { stdout, stderr } = spawnSync(join(folder, "loop"), [file], { encoding: "utf8", env: { ...process.env, ASAN_OPTIONS: "detect_leaks=0" } });
  expect([stdout.trim().split("\n"), stderr]).toEqual([
    [
      "0 16 0.160",
      "0 32 0.320",
      "-2 32 0.320",
      "-2 32 0.320",
      "-2 32 0.320",
      "-2 32 0.320",
      "0 48 0.480",
      "0 64 0.640",
      "-2 64 0.640",
      "0 80 0.800",
      "other -1 0",
      "both 1 1",
      "one 1 0",
      "faults 5",
    ],
    "",
  ]);
});

/** Clang with its fuzzing runtime, which Debian has in a separate package. Its build takes long, so only the storm uses it. */
const hasFuzzingClang =
  (isStorm || process.env.NODULUM_C99_FUZZ !== undefined) &&
  hasCompiler &&
  spawnSync("clang", ["-x", "c", "-", "-fsanitize=fuzzer,address,undefined", "-o", join(folder, "probe")], {
    input: "int LLVMFuzzerTestOneInput(const unsigned char *data, unsigned long size) { return data == 0 && size > 0; }",
  }).status === 0;
const withClang = hasFuzzingClang ? test : test.skip;
withClang(
  "with clang: clean, and led by coverage nothing is found",
  () => {
    for (const [language, standard] of [
      ["c", "c99"],
      ["c++", "c++17"],
    ])
      for (const none of [[], ["-DNODULUM_NONE"]]) {
        const strict = ["-Wall", "-Wextra", "-Wpedantic", "-Wconversion", "-Werror", "-DNODULUM_IMPLEMENTATION", "-fsyntax-only"];
        const done = spawnSync("clang", ["-x", language, `-std=${standard}`, ...strict, ...none, join(here, "nodulum.h")], { encoding: "utf8" });
        expect([done.status, done.stderr]).toEqual([0, ""]);
      }
    const built = make("build/fuzz-clang");
    expect(built.stderr).toBe("");
    const corpus = mkdtempSync(join(folder, "corpus-"));
    sampleLayouts().forEach((layout, i) => writeFileSync(join(corpus, `whole-${i}`), compile(layout)));
    const runs = process.env.NODULUM_C99_FUZZ ?? "300";
    const { status } = spawnSync(join(here, "build", "fuzz-clang"), [`-runs=${runs}`, "-seed=7", "-max_len=20000", corpus], {
      cwd: folder,
      encoding: "utf8",
      maxBuffer: 1 << 28,
    });
    expect(status).toBe(0);
  },
  7_200_000,
);
