import { familyOf } from "./lex";
import { scanSource } from "./reads";
import { compareStandards, compareWords, gatherReads } from "./foundWords";

const inputsOf = (file: string, source: string) => scanSource(source, familyOf(file)).standards.filter((s) => s.sort === "mouse-button");

test.each([
  ["tug.ts", "if (event.type === 'mousedown' && event.button === 0) honk();"],
  ["tug.js", "canvas.onmousemove = (e) => { if (e.buttons & 1) honk(); };"],
  ["tug.js", "if (mouse.buttons[0]) honk();"],
  ["Tug.cs", "if (Input.GetMouseButtonDown(0)) Honk();"],
  ["Tug.cs", "if (mouse.State(MouseButton.Left)) Honk();"],
  ["tug.cpp", "if (IsMouseButtonPressed(MOUSE_BUTTON_LEFT)) honk();"],
  ["tug.c", "case MOUSE_DOWN: if (ev.button.button == LIB_BUTTON_LEFT) honk();"],
  ["Tug.java", "if (input.isButtonPressed(Buttons.LEFT)) honk();"],
  ["tug.py", "if event.type == MOUSEBUTTONDOWN and event.button == 1: honk()"],
  ["tug.py", "if mouse.get_pressed()[0]: honk()"],
  ["tug.lua", "if engine.mouse.isDown(1) then honk() end"],
  ["tug.lua", 'if mouse:isDown("left") then honk() end'],
  ["Tug.cs", "if (Input.touchCount > 0) Honk();"],
  ["tug.js", "window.addEventListener('touchmove', (e) => { if (e.touches.length === 1) honk(); });"],
  ["Tug.java", "if (input.isTouched()) honk();"],
  ["Tug.java", "if (input.justTouched()) honk();"],
  ["tug.ts", "canvas.addEventListener('pointerdown', honk);"],
  ["tug.ts", "this.input.on('pointerdown', () => honk());"],
])("%s: every touch gives it: %s", (file, source) => {
  const found = inputsOf(file, `first();\n${source}`);
  expect(found).toEqual([expect.objectContaining({ value: "0", line: 2 })]);
  expect(found[0].purpose.toLowerCase()).toBe("honk");
  const named = scanSource(source, familyOf(file)).reads.map((r) => r.word.toLowerCase());
  expect(named).not.toContain("left");
});

test.each([
  ["tug.js", "if (pad.buttons[0].pressed) honk();"],
  ["tug.py", "if event.type == JOYBUTTONDOWN and event.button == 1: honk()"],
  ["tug.cpp", "if (IsGamepadButtonPressed(0, GAMEPAD_BUTTON_LEFT)) honk();"],
  ["tug.js", "if (hull.isTouching(quay)) honk();"],
  ["tug.js", "let touchCount = 0;"],
  ["tug.js", "function isTouched() { return no; }"],
  ["tug.js", "if (lines.length > 0) honk();"],
  ["tug.js", "button.addEventListener('pointerdown', honk);"],
  ["tug.js", "canvas.addEventListener('pointerdown', (e) => steer(e.clientX));"],
  ["Tug.cs", "if (Input.GetMouseButtonDown(1)) Honk();"],
  ["tug.js", "if (list[0] === 1) honk();"],
])("%s: not every touch gives it: %s", (file, source) => {
  expect(inputsOf(file, source).filter((s) => s.value === "0")).toEqual([]);
});

test("other mouse buttons that a constant names are no words of the game either", () => {
  const { reads, standards } = scanSource("if (mouse.isPressed(MouseButton.Right) || mouse.isPressed(MouseButton.Middle)) honk();", "csharp");
  expect(reads).toEqual([]);
  expect(standards.map((s) => s.value)).toEqual(["2", "1"]);
});

/** What each key is read for, by key; null where only the key's own name remains. */
function purposesOf(file: string, source: string) {
  const standards = scanSource(source, familyOf(file)).standards.map((s) => ({ ...s, file }));
  return Object.fromEntries(compareStandards(standards, [] as { name: string }[], () => []).map((f) => [f.end.replace("key ", ""), f.purpose || null]));
}

test.each<[string, string, Record<string, string | null>]>([
  ["tug.js", 'if (keys.has("KeyA")) tug.toPort(); if (keys.includes("Space") && afloat) sounding = true;', { KeyA: "toPort", Space: "sounding" }],
  ["tug.swift", "if keys.contains(.space) { honk() }", { Space: "honk" }],
  ["tug.js", 'if (pressed.contains("KeyA") || pressed.contains("ArrowLeft")) port();', { KeyA: "port", ArrowLeft: "port" }],
  ["tug.js", 'if (keys["KeyA"]) x -= 5; if (keys["KeyD"]) x += 5;', { KeyA: null, KeyD: null }],
  ["tug.js", 'if (keys["KeyA"]) turn(-1); if (keys["KeyD"]) turn(1); if (keys["Space"]) fire(3);', { KeyA: null, KeyD: null, Space: "fire" }],
  ["tug.js", 'if (keys["KeyA"]) turn("port"); if (keys["KeyD"]) turn("starboard");', { KeyA: "turn_port", KeyD: "turn_starboard" }],
  ["tug.js", 'if (keys["KeyA"]) course = Course.PORT; if (keys["KeyD"]) course = Course.STARBOARD;', { KeyA: "PORT", KeyD: "STARBOARD" }],
  ["tug.js", 'onKeyPress("space", () => { honk(); }); onKeyDown("q", quay);', { Space: "honk", KeyQ: "quay" }],
  ["tug.js", 'function handleHornKey(e) { if (e.code === "KeyH") x = 1; }', { KeyH: "horn" }],
  ["tug.py", "def on_horn_key(event):\n    if event.key == K_h:\n        x = 1", { KeyH: "horn" }],
  ["tug.js", 'function steerTug(e) { if (e.code === "KeyH") x = 1; if (e.code === "KeyL") x = 2; }', { KeyH: null, KeyL: null }],
  ["tug.js", 'document.addEventListener("keydown", (e) => { switch (e.code) { case "KeyX": sounding = true; break; } });', { KeyX: "sounding" }],
])("%s: a key is read for what is called, switched on, or for what its function is called: %s", (file, source, expected) => {
  expect(purposesOf(file, source)).toMatchObject(expected);
});

test("four directions read as one vector are one word of that kind; where the ledger has all four, those", () => {
  const source =
    'way = Input.get_vector("left", "right", "up", "down")\nlook = Input.get_vector("look_left", "look_right", "look_up", "look_down")\nx = Input.get_vector("left", "right")';
  const reads = gatherReads(scanSource(source, "python").reads.map((r) => ({ ...r, file: "tug.py" })));
  expect(reads.map((r) => [r.word, r.kind])).toEqual([
    ["move", "vector"],
    ["look", "vector"],
    ["left", "vector"],
    ["right", "vector"],
  ]);
  const chosen = new Set(["Input.get_vector(…)"]);
  const four = ["left", "right", "up", "down"].map((name) => ({ name, read: true }));
  const states = (actions: readonly { name: string; read: boolean }[]) => compareWords(reads, chosen, actions).map((w) => `${w.word} ${w.state}`);
  expect(states([])).toEqual(["left new", "look new", "move new", "right new"]);
  expect(states(four)).toEqual(["look new", "down known", "left known", "right known", "up known"]);
});
