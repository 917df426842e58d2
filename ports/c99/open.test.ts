/** The fewer calls of the port in C: open, touch, step, turn, close, and memory that runs out at any point. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { compile } from "../../core/format/compile";
import { parseLayout } from "../../core/format/parse";

const hasCompiler = spawnSync("cc", ["--version"]).status === 0;
const withCompiler = hasCompiler ? test : test.skip;

const PROGRAM = `#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include <stdio.h>
#include <stdlib.h>

static int taken, left;
static void *take(size_t bytes, void *own) {
  (void)own;
  if (left-- <= 0) return NULL;
  taken += 1;
  return malloc(bytes);
}
static void give(void *memory, void *own) {
  (void)own;
  taken -= 1;
  free(memory);
}

int main(int count, char **words) {
  static char json[1 << 16];
  nodulum_screen wide = {2400, 1080, 411, 0, 0, 0, 0}, tall = {1600, 1200, 264, 0, 0, 0, 0}, none = {0, 0, 0, 0, 0, 0, 0};
  nodulum_view view = {0, 1}, left_hand = {1, 1};
  nodulum_allocator memory = {take, give, NULL};
  nodulum_error error;
  nodulum_game *game = NULL;
  nodulum_control lever, line;
  FILE *file = fopen(words[count - 1], "rb");
  size_t length = fread(json, 1, sizeof(json), file);
  int wants;
  double x, y;
  for (wants = 0; game == NULL && wants < 9; wants += 1) {
    left = wants;
    game = nodulum_open(json, length, &wide, &view, &memory, &error);
    if (game == NULL && (taken != 0 || error.message[0] == 0)) printf("left behind %d\\n", taken);
  }
  printf("opened with %d\\n", taken);
  left = 99;
  printf("refused %d %d\\n", nodulum_open(json, length, &none, &view, &memory, &error) == NULL, taken);
  printf("refused %d %s\\n", nodulum_open("{}", 2, &wide, &view, &memory, &error) == NULL, error.path);

  nodulum_control_at(nodulum_placed_of(game), 1, &lever);
  nodulum_control_at(nodulum_placed_of(game), 3, &line);
  x = lever.visual.x + lever.visual.w / 2;
  y = lever.visual.y + lever.visual.h / 2;
  nodulum_touch(game, NODULUM_DOWN, 5, (int64_t)1 << 40, x, y);
  nodulum_touch(game, NODULUM_MOVE, 10, (int64_t)1 << 40, x, y - lever.travel / 2);
  nodulum_step(game, 16);
  printf("hoist %.2f\\n", nodulum_axis(game, "hoist"));
  nodulum_touch(game, NODULUM_UP, 20, (int64_t)1 << 40, x, y - lever.travel / 2);
  nodulum_touch(game, NODULUM_DOWN, 21, 2, line.visual.x + line.visual.w / 2, line.visual.y + line.visual.h / 2);
  nodulum_touch(game, NODULUM_MOVE, 25, 2, line.visual.x + line.visual.w, line.visual.y + line.visual.h / 2);
  nodulum_step(game, 32);
  nodulum_vector(game, "heave-way", &x, &y);
  printf("aims %d\\n", x > 0.5 && y == 0);
  printf("turned %d, no screen %d\\n", nodulum_turn(game, &tall, &left_hand), nodulum_turn(game, &none, &view));
  nodulum_step(game, 48);
  printf("hoist %.2f, taken %d\\n", nodulum_axis(game, "hoist"), taken);
  nodulum_touch(game, NODULUM_CANCEL, 50, 2, 0, 0);
  nodulum_key(game, 51, "Space", 1);
  nodulum_step(game, 64);
  printf("heaves %d, as an axis %.0f, a word that is none %d\\n", nodulum_press(game, "heave"), nodulum_axis(game, "heave"), nodulum_press(game, "heav"));
  printf("no touch %d, no moment %d\\n", nodulum_touch(game, NODULUM_KEY, 65, 1, 0, 0), nodulum_enter(game, 65, "never"));
  nodulum_close(game);
  printf("closed %d\\n", taken);
  return 0;
}
`;

withCompiler("a game in fewer calls: it opens, plays, turns and closes, and gives back what it took, wherever memory runs out", () => {
  const derrick = parseLayout(JSON.parse(readFileSync(join(__dirname, "..", "..", "samples", "derrick.nodulum.json"), "utf8")));
  if (!derrick.ok) throw new Error("the sample does not parse");
  const folder = mkdtempSync(join(tmpdir(), "nodulum-open-"));
  const [file, source] = [join(folder, "open.json"), join(folder, "open.c")];
  writeFileSync(file, compile(derrick.value));
  writeFileSync(source, PROGRAM);
  const strict = ["-std=c99", "-Wall", "-Wextra", "-Werror", "-g", "-fsanitize=address,undefined", `-I${__dirname}`];
  const built = spawnSync("cc", [...strict, source, "-o", join(folder, "open"), "-lm"], { encoding: "utf8" });
  expect(built.stderr).toBe("");
  const { stdout, stderr } = spawnSync(join(folder, "open"), [file], { encoding: "utf8", env: { ...process.env, ASAN_OPTIONS: "detect_leaks=0" } });
  expect([stdout.trim().split("\n"), stderr]).toEqual([
    [
      "opened with 4",
      "refused 1 4",
      "refused 1 format",
      "hoist 0.49",
      "aims 1",
      "turned 1, no screen 0",
      "hoist 0.49, taken 4",
      "heaves 1, as an axis 0, a word that is none 0",
      "no touch 0, no moment 0",
      "closed 0",
    ],
    "",
  ]);
});

withCompiler("as a shared library it shows the calls of the header, every one of them and nothing else", () => {
  const built = spawnSync("make", ["-C", __dirname, "build/libnodulum.so"], { encoding: "utf8" });
  expect([built.status, built.stderr]).toEqual([0, ""]);
  const { stdout } = spawnSync("nm", ["-D", "--defined-only", join(__dirname, "build", "libnodulum.so")], { encoding: "utf8" });
  const shown = stdout
    .trim()
    .split("\n")
    .map((line) => line.split(" ").at(-1)!);
  const declared = [...readFileSync(join(__dirname, "nodulum.h"), "utf8").matchAll(/^NODULUM_API .*?\b(nodulum_\w+)\(/gm)].map(([, name]) => name);
  expect(declared.length).toBeGreaterThan(50);
  expect(shown.sort()).toEqual(declared.sort());
});
