/** What the port in C says is drawn: levers, aims and dials, and what a game says of its controls. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { compile } from "../../core/format/compile";
import { placed, staged } from "../../test/stage";

const hasCompiler = spawnSync("cc", ["--version"]).status === 0;
const withCompiler = hasCompiler ? test : test.skip;

const PROGRAM = `#define NODULUM_IMPLEMENTATION
#include "nodulum.h"
#include <stdio.h>
#include <stdlib.h>

static nodulum_placed *placed;
static nodulum_state *state;
static double now;

static void touch(int type, double x, double y) {
  nodulum_event e;
  memset(&e, 0, sizeof(e));
  e.type = type;
  e.t = now;
  e.id = 1;
  e.x = x;
  e.y = y;
  now += 16;
  nodulum_advance(placed, state, &e, 1, now);
}
static void look(const char *when, int i) {
  nodulum_control at;
  nodulum_look l;
  nodulum_control_at(placed, i, &at);
  nodulum_look_at(placed, state, i, &l);
  printf("%s: held %d aim %d knob %.0f,%.0f turn %.0f\\n", when, l.held, l.aim, l.knob_x - l.base_x, l.knob_y - l.base_y, l.turn);
}
static void said(const char *when, int i) {
  nodulum_look l;
  nodulum_look_at(placed, state, i, &l);
  printf("%s: %d %d %d %.2f %s %s\\n", when, l.enabled, l.has_count, l.count, l.cooldown, l.word, l.icon == NULL ? "-" : l.icon);
}

int main(int count, char **words) {
  static char json[1 << 16];
  nodulum_screen screen = {1200, 800, 254, 0, 0, 0, 0};
  nodulum_view view = {0, 1};
  nodulum_given given;
  FILE *file = fopen(words[count - 1], "rb");
  size_t length = fread(json, 1, sizeof(json), file), size = nodulum_measure(json, length);
  nodulum_layout *layout = nodulum_read(json, length, malloc(size), size, NULL);
  double lean;
  int fire;
  size = nodulum_place_size(layout);
  placed = nodulum_place(layout, &screen, &view, malloc(size), size);
  size = nodulum_state_size(placed);
  state = nodulum_begin(placed, NULL, malloc(size), size);

  touch(NODULUM_DOWN, 300, 400);
  touch(NODULUM_MOVE, 300, 350);
  touch(NODULUM_UP, 300, 350);
  lean = nodulum_value_axis(state, nodulum_action_index(layout, "gas"));
  look("lever left", 0);
  printf("gas %.2f\\n", lean);

  printf("taken by %d %d\\n", nodulum_takes(placed, state, 600, 400), nodulum_takes(placed, state, 10, 10));
  touch(NODULUM_DOWN, 600, 400);
  printf("held: %d\\n", nodulum_takes(placed, state, 600, 400));
  look("called off", 1);
  touch(NODULUM_MOVE, 660, 400);
  look("aiming", 1);
  touch(NODULUM_UP, 660, 400);
  fire = nodulum_action_index(layout, "fire");
  printf("fired %d began %d ended %d\\n", nodulum_value_press(state, fire), nodulum_just_pressed(state, fire), nodulum_just_released(state, fire));
  now += 16;
  nodulum_advance(placed, state, NULL, 0, now);
  printf("over %d began %d ended %d\\n", nodulum_value_press(state, fire), nodulum_just_pressed(state, fire), nodulum_just_released(state, fire));

  touch(NODULUM_DOWN, 900, 330);
  touch(NODULUM_MOVE, 970, 400);
  look("turned", 2);
  printf("roll %.0f\\n", nodulum_value_delta(state, nodulum_action_index(layout, "roll")));
  touch(NODULUM_UP, 970, 400);
  look("gone home", 2);

  said("nothing said", 1);
  memset(&given, 0, sizeof(given));
  given.cooldown = 1.5;
  given.has_count = 1;
  given.count = 3;
  given.word = "reload";
  given.icon = "anchor";
  printf("told %d\\n", nodulum_give(placed, state, 1, &given));
  said("told", 1);
  memset(json, 'a', 94);
  memcpy(json + 94, "\\xc3\\xa9\\xc3\\xa9", 5);
  given.word = json;
  given.icon = NULL;
  nodulum_give(placed, state, 1, &given);
  {
    nodulum_look l;
    nodulum_look_at(placed, state, 1, &l);
    printf("cut at %d\\n", (int)strlen(l.word));
  }
  nodulum_give(placed, state, 1, NULL);
  said("unsaid", 1);
  printf("beyond %d\\n", nodulum_give(placed, state, 9, &given));
  return 0;
}
`;

withCompiler("levers, aims and dials are drawn as they stand, what the game says of a control goes with its look, and a point tells whose it is", () => {
  const at = (x: number) => placed(x, 400, 200);
  const feel = { inner: 0.1, travel: "100px" };
  const layout = staged(
    [
      { id: "lever", name: "Lever", kind: "stick", placement: at(300), feel: { ...feel, rest: "stays", axes: "y" }, serves: [{ port: "y", action: "gas" }] },
      { id: "aim", name: "Aim", kind: "stick", placement: at(600), look: { label: "AIM" }, feel, serves: [{ port: "released", action: "fire" }] },
      { id: "wheel", name: "Wheel", kind: "dial", placement: at(900), serves: [{ port: "turn", action: "roll" }] },
    ],
    [
      { name: "gas", kind: "axis" },
      { name: "fire", kind: "press" },
      { name: "roll", kind: "delta" },
    ],
  );
  const folder = mkdtempSync(join(tmpdir(), "nodulum-look-"));
  const [file, source] = [join(folder, "look.json"), join(folder, "look.c")];
  writeFileSync(file, compile(layout));
  writeFileSync(source, PROGRAM);
  const strict = ["-std=c99", "-Wall", "-Wextra", "-Werror", "-g", "-fsanitize=address,undefined", `-I${__dirname}`];
  const built = spawnSync("cc", [...strict, source, "-o", join(folder, "look"), "-lm"], { encoding: "utf8" });
  expect(built.stderr).toBe("");
  const { stdout, stderr } = spawnSync(join(folder, "look"), [file], { encoding: "utf8", env: { ...process.env, ASAN_OPTIONS: "detect_leaks=0" } });
  expect([stdout.trim().split("\n"), stderr]).toEqual([
    [
      "lever left: held 0 aim 0 knob 0,-50 turn 0",
      "gas 0.47",
      "taken by 1 -1",
      "held: -1",
      "called off: held 1 aim 1 knob 0,0 turn 0",
      "aiming: held 1 aim 2 knob 60,0 turn 0",
      "fired 1 began 1 ended 0",
      "over 0 began 0 ended 1",
      "turned: held 1 aim 0 knob 0,0 turn 90",
      "roll 90",
      "gone home: held 0 aim 0 knob 0,0 turn 0",
      "nothing said: 1 0 0 0.00 AIM -",
      "told 1",
      "told: 0 1 3 1.00 reload anchor",
      "cut at 94",
      "unsaid: 1 0 0 0.00 AIM -",
      "beyond 0",
    ],
    "",
  ]);
});
