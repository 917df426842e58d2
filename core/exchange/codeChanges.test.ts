import Papa from "papaparse";
import { newAction } from "../editing/edits/actions";
import type { Action, Layout } from "../format/types";
import { changesCsv, changesIn, changesMarkdown, constantFilesFor, type ChangeOptions } from "./codeChanges";

const NOTHING = { actions: [], moments: [] } as unknown as Layout;
const action = (name: string, kind: Action["kind"], keys: Action["keys"] = []): Action => ({ ...newAction(NOTHING, name, kind), keys });
const ACTIONS = [
  action("JUMP", "press", [{ code: "Space" }]),
  action("horn", "press"),
  action("helm", "vector", [
    { code: "KeyW", value: [0, 1] },
    { code: "ArrowUp", value: [0, 1] },
    { code: "KeyA", value: [-1, 0] },
  ]),
];
const WANTED: ChangeOptions = { callees: ["action == …", "input.pressed(…)", "input.just_pressed(…)", "input.vector(…)"], actions: ACTIONS, language: null };
const linesOf = (name: string, text: string, wanted = WANTED) => changesIn({ name, text }, wanted).map((c) => [c.line, c.how, c.write]);

test("each line that reads a word or a key is written with the handle, in the language of its file", () => {
  const source = `keys = lib.pressed_now()
if keys[lib.K_UP] or keys[lib.K_w]: ahead()
if keys[lib.K_a]: port()
if event.key == lib.K_SPACE: jump()
if action != Action.JUMP: wait()
if input.pressed("horn") and True: honk()
way = input.vector("helm")
print("horn")
if event.key in (lib.K_SPACE, lib.K_q, lib.K_w): either()`;
  expect(linesOf("tug.py", source)).toEqual([
    [2, "line", "if controls.value(actions.HELM).y > 0.5: ahead()"],
    [3, "line", "if controls.value(actions.HELM).x < -0.5: port()"],
    [4, "line", "if controls.just_pressed(actions.JUMP): jump()"],
    [5, "line", "if not controls.just_pressed(actions.JUMP): wait()"],
    [6, "line", "if controls.value(actions.HORN) and True: honk()"],
    [7, "line", "way = controls.value(actions.HELM)"],
    [9, "line", "if (controls.just_pressed(actions.JUMP) or controls.value(actions.HELM).y > 0.5): either()"],
  ]);
});

test.each([
  ["tug.ts", "if (controls.justPressed(ACTIONS.jump)) go();"],
  ["Tug.cs", "if (controls.JustPressed(Actions.Jump)) go();"],
  ["tug.cpp", "if (controls.just_pressed(actions::Jump)) go();"],
  ["Tug.java", "if (controls.justPressed(Actions.JUMP)) go();"],
  ["tug.kt", "if (controls.justPressed(Actions.JUMP)) go();"],
  ["tug.swift", "if (controls.justPressed(Actions.jump)) go();"],
  ["tug.dart", "if (controls.justPressed(Actions.jump)) go();"],
  ["tug.lua", "if (controls:just_pressed(Actions.JUMP)) go();"],
  ["tug.rs", "if (controls.just_pressed(actions::JUMP)) go();"],
])("%s", (file, written) => {
  expect(linesOf(file, "if (input.just_pressed(Action.JUMP)) go();")).toEqual([[1, "line", written]]);
});

test("an arm of a switch and an entry of a table cannot be written in place: what to read instead is told", () => {
  const source = `switch (action) {
  case JUMP: leap(); break;
}
const KEYMAP = { [Keys.SPACE]: "x" };
if (input.vector(
  "helm")) go();`;
  expect(linesOf("tug.ts", source)).toEqual([
    [2, "arm", "if (controls.justPressed(ACTIONS.jump)) { … }"],
    [4, "table", "controls.value(ACTIONS.jump)"],
    [6, "arm", "controls.value(ACTIONS.helm)"],
  ]);
});

test("words that no action has, callees that were not ticked and keys that give to nothing are left; one language can serve for all", () => {
  const source = 'if (input.pressed("flare") || other.pressed("horn") || e.code === "KeyQ") go();';
  expect(linesOf("tug.ts", source)).toEqual([]);
  expect(linesOf("tug.ts", 'input.pressed("horn")', { ...WANTED, language: "rust" })).toEqual([[1, "line", "controls.value(actions::HORN)"]]);
  expect(constantFilesFor(["a.ts", "b.ts", "c.py"], null)).toEqual(["actions.ts", "actions.py"]);
});

test("the list goes out as Markdown to tick off, and as a table that reads back", () => {
  const changes = [
    ...changesIn({ name: "a.ts", text: 'input.pressed("horn"); // `odd`' }, WANTED),
    ...changesIn({ name: "b.py", text: 'x = 1\ninput.pressed("horn")' }, WANTED),
  ];
  const markdown = changesMarkdown("Brackwater", changes, (c) => c.file === "b.py");
  expect(markdown).toContain('## a.ts\n\n- [ ] line 1, horn: `` input.pressed("horn"); // `odd` ``\n  → ``');
  expect(markdown).toContain('## b.py\n\n- [x] line 2, horn: `input.pressed("horn")`\n  → `controls.value(actions.HORN)` (instead of the line)');
  const rows = Papa.parse<Record<string, string>>(
    changesCsv(changes, () => false),
    { header: true, skipEmptyLines: true },
  ).data;
  expect(rows.map((r) => [r.file, r.line, r.actions, r.write, r.done])).toEqual([
    ["a.ts", "1", "horn", "controls.value(ACTIONS.horn); // `odd`", "no"],
    ["b.py", "2", "horn", "controls.value(actions.HORN)", "no"],
  ]);
});

test("four directions that one call reads are one vector; an event in a handler is one that has just begun", () => {
  const source = `func _physics_process(delta):
    velocity = Input.get_vector("go_left", "go_right", "go_up", "go_down") * SPEED

func _unhandled_input(event):
    if event.is_action_pressed(&"JUMP"):
        jump()
    if event.is_action_released("JUMP"): land()
`;
  const callees = ["Input.get_vector(…)", "event.is_action_pressed(…)", "event.is_action_released(…)"];
  const vector = { callees, actions: [...ACTIONS, action("go", "vector")], language: null };
  expect(linesOf("tug.gd", source, vector)).toEqual([
    [2, "line", "velocity = controls.value(actions.GO) * SPEED"],
    [5, "line", "if controls.just_pressed(actions.JUMP):"],
    [7, "line", "if controls.just_released(actions.JUMP): land()"],
  ]);
  // With an action for each direction there is no vector to read: the four are listed.
  const four = { callees, actions: ["go_left", "go_right", "go_up", "go_down"].map((name) => action(name, "press")), language: null };
  expect(linesOf("tug.gd", source, four)).toEqual([
    [2, "arm", "controls.value(actions.GO_UP); controls.value(actions.GO_DOWN); controls.value(actions.GO_LEFT); controls.value(actions.GO_RIGHT)"],
  ]);
});
