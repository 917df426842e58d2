/** The same small tug in ten languages, with its words as constants: enumerations, tables, switches; and what is no word of it. */
import fc from "fast-check";
import { familyOf } from "./lex";
import { keyCalled, keyOfConstant } from "./keyNames";
import { scanSource } from "./reads";
import { compareStandards, compareWords, gatherReads, likelyCallees, rankCallees, type FoundRead } from "./foundWords";

interface Tug {
  readonly source: string;
  /** Words by what asks for them. */
  readonly asks: Readonly<Record<string, string>>;
  /** Positions of keys, each with what it seems to be read for. */
  readonly keys: Readonly<Record<string, string>>;
}

const TUGS: Readonly<Record<string, Tug>> = {
  "tug.py": {
    source: `
from enum import Enum
class State(Enum):
    MENU = 1
class Action(Enum):
    HORN = 1
    PUMP = 2
BINDINGS = {
    lib.K_SPACE: Action.HORN,
    lib.K_x: Action.PUMP,
}
def handle_events(self):
    for event in lib.events():
        if event.type == lib.QUIT:
            self.leave()
        elif event.type == lib.KEYDOWN and event.key in (lib.K_p, lib.K_PAUSE):
            self.moor()
        if action is Action.TOW:
            self.tow()
def update(self):
    keys = lib.pressed_now()
    if keys[lib.K_UP] or keys[K_w]:
        self.ahead()
    if self.state == State.MENU:
        self.screen.fill(BLACK)
        sounds.play(Sounds.BELL)
    match action:
        case Action.PUMP | Action.LAMP:
            self.pump()`,
    asks: { "action == …": "LAMP PUMP TOW", "Action, its members": "HORN PUMP", "BINDINGS, right side": "HORN PUMP" },
    keys: { Space: "HORN", KeyX: "PUMP", KeyP: "moor", Pause: "moor", ArrowUp: "ahead", KeyW: "ahead" },
  },
  "Tug.java": {
    source: `
public class Tug implements KeyListener {
  enum State { MENU, SAILING }
  enum Action { HORN, PUMP }
  private final Map<Integer, Action> bindings = Map.of(KeyEvent.VK_SPACE, Action.HORN, KeyEvent.VK_X, Action.PUMP);
  @Override public void keyPressed(KeyEvent e) {
    switch (e.getKeyCode()) {
      case KeyEvent.VK_LEFT: port = true; break;
      case KeyEvent.VK_W: ahead(); break;
    }
  }
  void act(Action action) {
    switch (action) {
      case HORN: honk(); break;
      case PUMP -> pump();
    }
    if (controls.isDown(Action.TOW)) tow();
    if (state == State.SAILING) draw(Images.TUG);
  }
}`,
    asks: { "action == …": "HORN PUMP", "controls.isDown(…)": "TOW", "Action, its members": "HORN PUMP", "bindings, a list": "HORN PUMP" },
    keys: { Space: "HORN", KeyX: "PUMP", ArrowLeft: "port", KeyW: "ahead" },
  },
  "Tug.cs": {
    source: `
public enum TugAction { Horn, Pump }
enum GameState { Menu }
Dictionary<Keys, TugAction> keyMap = new Dictionary<Keys, TugAction> { { Keys.Space, TugAction.Horn }, { Keys.D1, TugAction.Pump } };
void HandleInput() {
  if (keyboard.IsKeyDown(Keys.W)) Ahead();
  if (controls.Held(TugAction.Tow)) Tow();
  switch (action) { case TugAction.Horn: Honk(); break; case TugAction.Lamp when lit: Light(); break; }
  var strength = action switch { TugAction.Nudge => 1, _ => 0 };
  if (gameState == GameState.Menu) DrawMenu(Textures.Menu);
}`,
    asks: { "action == …": "Horn Lamp Nudge", "controls.Held(…)": "Tow", "TugAction, its members": "Horn Pump", "keyMap, right side": "Horn Pump" },
    keys: { Space: "Horn", Digit1: "Pump", KeyW: "Ahead" },
  },
  "tug.cpp": {
    source: `
enum class Action { Horn, Pump };
static const Binding kBindings[] = { { LIBK_SPACE, Action::Horn }, { VK_X, Action::Pump } };
void handleInput(const Event& event) {
  switch (event.key.code) { case KEY_LEFT: toPort(); break; }
  if (keys[SCANCODE_UP]) ahead();
  if (input->held(Action::Tow)) tow();
  if (event.type == EVENT_KEYDOWN) wake();
  switch (action) { case kLamp: light(); break; case Action::Pump: pump(); }
  if (held & NUDGE) nudge();
}
void draw() { if (state == State::Menu) blit(Sprites::Tug, WHITE); }`,
    asks: {
      "action == …": "Pump kLamp",
      "input.held(…)": "Tow",
      "held == …": "NUDGE",
      "Action, its members": "Horn Pump",
      "kBindings, right side": "Horn Pump",
    },
    keys: { KeyX: "Pump", ArrowLeft: "toPort", ArrowUp: "ahead" },
  },
  "tug.kt": {
    source: `
enum class Action { HORN, PUMP }
val bindings = mapOf(Key.SPACE to Action.HORN, Key.X to Action.PUMP)
fun onKey(keyCode: Int) {
  when (keyCode) {
    KeyEvent.KEYCODE_LEFT -> toPort()
    KeyEvent.KEYCODE_W, KeyEvent.KEYCODE_UP -> ahead()
  }
  when (action) {
    Action.HORN -> honk()
    Action.LAMP, Action.PUMP -> light()
  }
  if (pressed(Action.TOW)) tow()
  if (state == State.MENU) play(Sounds.BELL)
}`,
    asks: { "action == …": "HORN LAMP PUMP", "pressed(…)": "TOW", "Action, its members": "HORN PUMP", "bindings, right side": "HORN PUMP" },
    keys: { Space: "HORN", KeyX: "PUMP", ArrowLeft: "toPort", KeyW: "ahead", ArrowUp: "ahead" },
  },
  "tug.swift": {
    source: `
enum Action { case horn, pump
  case lamp }
let bindings: [Key: Action] = [.space: .horn, .x: .pump]
func keyDown(with event: Event) {
  if controls.isPressed(.tow) { tow() }
  switch action { case .horn, .lamp: honk()
  case .pump: pump() }
  if event.key == Key.leftArrow { toPort() }
  if state == State.menu { play(Sounds.bell) }
}`,
    asks: { "action == …": "horn lamp pump", "controls.isPressed(…)": "tow", "Action, its members": "horn lamp pump", "bindings, right side": "horn pump" },
    keys: { Space: "horn", KeyX: "pump", ArrowLeft: "toPort" },
  },
  "tug.rs": {
    source: `
fn handle_key(key: KeyCode) {
  match key { KeyCode::Left => self.to_port(), KeyCode::Up | KeyCode::W => self.ahead(), _ => {} }
  match action { Action::Horn => honk(), Action::Lamp | Action::Pump => light(), _ => {} }
  if input.pressed(Action::Tow) { tow(); }
  if state == State::Menu { play(Sound::Bell); }
}
let bindings = HashMap::from([(KeyCode::Space, Action::Horn)]);`,
    asks: { "action == …": "Horn Lamp Pump", "input.pressed(…)": "Tow", "bindings, right side": "Horn" },
    keys: { ArrowLeft: "to_port", ArrowUp: "ahead", KeyW: "ahead", Space: "Horn" },
  },
  "tug.lua": {
    source: `
local bindings = { space = "horn", [K_X] = ACTION_PUMP }
function engine.keypressed(key)
  if key == "left" then tug:to_port() elseif key == "w" then tug:ahead() end
  if controls:down(Actions.TOW) then tow() end
end
function engine.draw()
  if state == STATES.MENU then draw(images.TUG) end
end`,
    asks: { "controls.down(…)": "TOW", "bindings, right side": "ACTION_PUMP horn" },
    keys: { Space: "horn", KeyX: "ACTION_PUMP", ArrowLeft: "to_port", KeyW: "ahead" },
  },
  "tug.ts": {
    source: `
enum Action { Horn = "horn", Pump = "pump" }
const BINDINGS: Record<string, Action> = { KeyX: Action.Pump, "Space": Action.Horn };
const keyMap = { [Keys.W]: Action.Ahead };
addEventListener("keydown", (e) => { if (e.key === "ArrowLeft") toPort(); if (e.code === Keys.UP) ahead(); });
switch (action) { case Action.Horn: honk(); break; case LAMP: light(); }
if (controls.isDown(Action.Tow)) tow();
if (this.state === State.Menu) this.sound.play(Sounds.BELL);`,
    asks: {
      "action == …": "Horn LAMP",
      "controls.isDown(…)": "Tow",
      "Action, its members": "Horn Pump",
      "BINDINGS, right side": "Horn Pump",
      "keyMap, right side": "Ahead",
    },
    keys: { KeyX: "Pump", Space: "Horn", KeyW: "Ahead", ArrowLeft: "toPort", ArrowUp: "ahead" },
  },
  "tug.go": {
    source: `
var keymap = map[Key]Action{ KeySpace: ActionHorn }
func update() {
  if input.Pressed(ActionTow) { tow() }
  switch action { case ActionHorn: honk(); case Lamp: light() }
  if lib.IsKeyPressed(lib.KeyArrowLeft) { toPort() }
  words := \`Action.NEVER "
  \`
}`,
    asks: { "action == …": "ActionHorn Lamp", "input.Pressed(…)": "ActionTow", "keymap, right side": "ActionHorn" },
    keys: { Space: "ActionHorn", ArrowLeft: "toPort" },
  },
};
const readOf = (file: string): FoundRead[] => gatherReads(scanSource(TUGS[file].source, familyOf(file)).reads.map((r) => ({ ...r, file })));
/** What a game draws, plays and is in: words, but none of its inputs. */
const THINGS = /state|draw|play|fill|blit|type/i;

test.each(Object.keys(TUGS))("%s: constants, members, tables and arms of switches are found as texts are, by what asks for them", (file) => {
  const ranked = rankCallees(readOf(file), []);
  const asks = Object.fromEntries(ranked.filter((c) => c.callee in TUGS[file].asks).map((c) => [c.callee, [...c.words].sort().join(" ")]));
  expect(asks).toEqual(TUGS[file].asks);
});

test.each(Object.keys(TUGS))("%s: pictures, sounds, states and events rank below whatever asks for an input", (file) => {
  const ranked = rankCallees(readOf(file), []).map((c) => c.callee);
  const last = Math.max(...Object.keys(TUGS[file].asks).map((callee) => ranked.indexOf(callee)));
  const things = ranked.filter((callee) => THINGS.test(callee) && !(callee in TUGS[file].asks));
  for (const thing of things) expect(ranked.indexOf(thing)).toBeGreaterThan(last);
  const likely = likelyCallees(rankCallees(readOf(file), []));
  expect(likely).not.toEqual([]);
  for (const thing of things) expect(likely).not.toContain(thing);
  expect(things.length > 0).toBe(file !== "tug.go");
});

test.each(Object.keys(TUGS))("%s: constants of keys stand for positions, with what they seem to be read for", (file) => {
  const standards = scanSource(TUGS[file].source, familyOf(file)).standards.map((s) => ({ ...s, file }));
  const found = compareStandards(standards, [] as { name: string }[], () => []);
  expect(Object.fromEntries(found.map((f) => [f.end.replace("key ", ""), f.purpose]))).toMatchObject(TUGS[file].keys);
});

test("a constant is taken over by its own spelling, and one nearly an action is pointed out", () => {
  const reads = readOf("Tug.java");
  const chosen = new Set(["action == …", "controls.isDown(…)"]);
  const words = compareWords(reads, chosen, [
    { name: "horn", read: true },
    { name: "flare", read: true },
  ]);
  expect(words.map((w) => [w.word, w.state, w.near])).toEqual([
    ["HORN", "nearly", "horn"],
    ["PUMP", "new", null],
    ["TOW", "new", null],
    ["flare", "gone", null],
  ]);
});

test("before anything is ticked that asks in these files, nothing is gone", () => {
  const actions = [{ name: "flare", read: true }];
  expect(compareWords(readOf("Tug.java"), new Set(), actions)).toEqual([]);
  expect(compareWords(readOf("Tug.java"), new Set(["elsewhere(…)"]), actions)).toEqual([]);
});

test("a constant means a key only where it says so", () => {
  const key = (owner: string, member: string) => keyOfConstant(owner, member);
  expect(key("lib", "K_LEFT")).toBe("ArrowLeft");
  expect(key("", "KEY_SPACE")).toBe("Space");
  expect(key("Keys", "W")).toBe("KeyW");
  expect(key("KeyCode", "LeftShift")).toBe("ShiftLeft");
  expect(key("", "LIB_SCANCODE_KP_4")).toBe("Numpad4");
  expect(key("Keys", "D7")).toBe("Digit7");
  // Words that only end in a K, directions of something else, and members of a list of keys that no keyboard has.
  for (const [owner, member] of [
    ["", "TANK_LEFT"],
    ["Action", "LEFT"],
    ["Direction", "Up"],
    ["Keys", "JUMP"],
    ["", "LEFT"],
    ["Monkey", "SPACE"],
  ])
    expect(key(owner, member)).toBeNull();
});

test("keys are known by what asks for them, too: legacy codes, letters, constants of a list that needs no name", () => {
  const keysOf = (file: string, source: string) => scanSource(source, familyOf(file)).standards.map((s) => s.value);
  expect(keysOf("tug.js", "if (e.keyCode === 37) port(); if (32 == ev.which) honk(); if (keys[65]) lamp(); switch (e.keyCode) { case 38: ahead(); }")).toEqual([
    "ArrowLeft",
    "Space",
    "KeyA",
    "ArrowUp",
  ]);
  expect(
    keysOf("tug.java", "void keyPressed() { if (keyCode == LEFT) port(); else if (key == 'w') ahead(); if (state == 'x' || list[65] == 1) no(); }"),
  ).toEqual(["ArrowLeft", "KeyW"]);
  expect(keysOf("tug.js", "if (keyIsDown(LEFT_ARROW)) port(); if (level === 37) no(); f(Action.LEFT, keys[Action.UP]);")).toEqual(["ArrowLeft"]);
  expect(scanSource("if (state == 'x') no();", "java").reads).toEqual([]);
});

test("whatever a key is called, its gaps and case do not matter", () => {
  const called = fc.constantFrom("page up", "left arrow", "space", "q", "f12", "caps lock");
  const gap = fc.constantFrom("", "_", "-", " ");
  fc.assert(
    fc.property(called, gap, fc.boolean(), (name, by, isLarge) => {
      const spelt = name.replace(/ /g, by);
      expect(keyCalled(isLarge ? spelt.toUpperCase() : spelt)).toBe(keyCalled(name));
      expect(keyCalled(name)).not.toBeNull();
    }),
  );
});
