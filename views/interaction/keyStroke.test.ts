import { commandsFor, strokeFits, workKey, type KeyStroke } from "./keyStroke";
import { KEY_TABLE, keyList, type KeyPlace } from "./keyTable";
import { isSomeonesOwn, keyOwner, targetOfEvent, type KeyOwner } from "./typing";
import { OVERLAYS } from "../canvas/overlays";
import { KIND_LETTER } from "../layout/controlKinds";

const stroke = (key: string, code = "", held: Partial<KeyStroke> = {}): KeyStroke => ({
  key,
  code,
  shiftKey: false,
  altKey: false,
  ctrlKey: false,
  metaKey: false,
  ...held,
});
const SHIFT = { shiftKey: true };
const CTRL = { ctrlKey: true };

test.each<[string, KeyStroke, boolean]>([
  ["d", stroke("d", "KeyD"), true],
  ["d", stroke("D", "KeyD", SHIFT), false],
  ["shift+d", stroke("D", "KeyD", SHIFT), true],
  ["d", stroke("D", "KeyD"), true], // with Caps Lock
  ["d", stroke("d", "KeyD", CTRL), false],
  ["d", stroke("d", "KeyD", { altKey: true }), false],
  ["z", stroke("z", "KeyY"), true], // what the keyboard writes counts
  ["y", stroke("z", "KeyY"), false],
  ["z", stroke("я", "KeyZ"), true], // where it writes no a–z, the place
  ["mod+z", stroke("z", "KeyZ", CTRL), true],
  ["mod+z", stroke("z", "KeyZ", { metaKey: true }), true],
  ["mod+z", stroke("Z", "KeyZ", { ...CTRL, ...SHIFT }), false],
  ["mod+shift+z", stroke("Z", "KeyZ", { ...CTRL, ...SHIFT }), true],
  ["1", stroke("1", "Digit1"), true],
  ["1", stroke("1", "Numpad1"), true],
  ["1", stroke("!", "Digit1", SHIFT), false],
  ["1", stroke("1", "Digit1", SHIFT), true], // digits that are written with Shift
  ["1", stroke("&", "Digit1"), true],
  ["/", stroke("-", "Slash"), false],
  ["-", stroke("-", "Slash"), true],
  ["escape", stroke("Escape", "Escape"), true],
  ["arrowup", stroke("ArrowUp", "ArrowUp"), true],
  ["shift+arrowup", stroke("ArrowUp", "ArrowUp", SHIFT), true],
  ["arrowup", stroke("ArrowUp", "ArrowUp", SHIFT), false],
  ["?", stroke("?", "Slash", SHIFT), true],
  ["?", stroke("?", "Minus", SHIFT), true],
  ["/", stroke("/", "Digit7", SHIFT), true],
  ["+", stroke("+", "Equal", SHIFT), true],
  ["+", stroke("+", "NumpadAdd"), true],
  ["-", stroke("-", "Minus", CTRL), false],
  ["[", stroke("[", "BracketLeft"), true],
  ["[", stroke("{", "BracketLeft", SHIFT), false],
  ["shift+[", stroke("{", "BracketLeft", SHIFT), true],
  [",", stroke(",", "Comma"), true],
])("%s and %j: %s", (written, pressed, fits) => {
  expect(strokeFits(pressed, written)).toBe(fits);
});

/** An element that lies within others, each told by the selector it answers to. */
const within = (...inside: string[]) => ({ closest: (selector: string) => (inside.some((one) => selector.split(", ").includes(one)) ? {} : null) });

test.each<[string[], KeyOwner]>([
  [["textarea"], "typing"],
  [["select"], "typing"],
  [["[role=spinbutton]"], "typing"],
  [["[role=menu]", "button"], "dialogue"],
  [["[role=dialog]:not([data-keys-through])"], "dialogue"],
  [["textarea", "[role=dialog]:not([data-keys-through])"], "typing"],
  [["[role=slider]"], "slider"],
  [["input[type=range]", "input"], "slider"],
  [["button"], "button"],
  [["input"], "button"],
  [[], "bench"],
])("within %j the keys are the %s's", (inside, owner) => {
  expect(keyOwner(within(...inside))).toBe(owner);
});

test("an event from a page or from nothing belongs to nobody", () => {
  for (const target of [null, {}, { closest: "no function" }]) {
    expect(targetOfEvent({ target })).toBeNull();
    expect(isSomeonesOwn({ target })).toBe(false);
  }
  expect(keyOwner(null)).toBe("bench");
  expect(isSomeonesOwn({ target: within("textarea") })).toBe(true);
});

test("a key holds by who has the keys: typing and dialogues have all, sliders all but undo, buttons their Enter", () => {
  const undo = stroke("z", "KeyZ", CTRL);
  const works = (pressed: KeyStroke, place: KeyPlace) =>
    (["typing", "dialogue", "slider", "button", "bench"] as const).map((h) => commandsFor(pressed, place, h).length > 0);
  expect(works(undo, "everywhere")).toEqual([false, false, true, true, true]);
  expect(works(stroke("d", "KeyD"), "layout")).toEqual([false, false, false, true, true]);
  expect(commandsFor(stroke("Enter", "Enter"), "layout", "button")).toEqual(["put down"]);
  expect(commandsFor(stroke("Enter", "Enter"), "layout", "bench")).toEqual(["put down", "enter cluster"]);
});

test("a key works in its own place", () => {
  const erase = stroke("Delete", "Delete");
  expect(commandsFor(erase, "actions", "bench")).toEqual(["remove picked"]);
  expect(commandsFor(erase, "layout", "bench")).toEqual(["delete"]);
  expect(commandsFor(erase, "everywhere", "bench")).toEqual([]);
});

function pressed(key: string, code = "") {
  let prevented = 0;
  return { event: { ...stroke(key, code), preventDefault: () => (prevented += 1) } as unknown as KeyboardEvent, prevented: () => prevented };
}

test("of several commands of a key the first that has something to do is done, and then the browser's own is not", () => {
  const done: string[] = [];
  const { event, prevented } = pressed("ArrowUp", "ArrowUp");
  const handlers = { "nudge up": () => false, "push up": () => void done.push("push") };
  workKey(event, "layout", "bench", handlers);
  expect([done, prevented()]).toEqual([["push"], 1]);
  workKey(event, "layout", "bench", { "nudge up": () => void done.push("nudge"), "push up": handlers["push up"] });
  expect([done, prevented()]).toEqual([["push", "nudge"], 2]);
  workKey(event, "layout", "bench", { "nudge up": () => false, "push up": () => false });
  workKey(event, "layout", "typing", handlers);
  workKey(event, "layout", "bench", {});
  expect([done.length, prevented()]).toEqual([2, 2]);
});

test("no key means two things in one place, but where the first may have nothing to do", () => {
  const twice = ["enter", "arrowup", "arrowdown", "arrowleft", "arrowright"];
  for (const place of ["everywhere", "actions", "layout"] as const) {
    const keys = KEY_TABLE.filter((row) => row.place === place).flatMap((row) => row.keys.map(([key]) => key));
    expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual(place === "layout" ? twice : []);
  }
  const everywhere = KEY_TABLE.filter((row) => row.place === "everywhere").flatMap((row) => row.keys.map(([key]) => key));
  const elsewhere = KEY_TABLE.filter((row) => row.place !== "everywhere").flatMap((row) => row.keys.map(([key]) => key));
  expect(everywhere.filter((key) => elsewhere.includes(key))).toEqual([]);
});

test("every overlay and every kind has its key in the table, and nothing else", () => {
  const commands = KEY_TABLE.flatMap((row) => row.keys);
  expect(
    commands
      .filter(([, c]) => c.startsWith("overlay "))
      .map(([key]) => key)
      .sort(),
  ).toEqual(OVERLAYS.map((o) => o.letter as string).sort());
  expect(
    commands
      .filter(([, c]) => c.startsWith("tool "))
      .map(([key, c]) => [c.slice(5), key.slice(6)])
      .sort(),
  ).toEqual(Object.entries(KIND_LETTER).sort());
});

test("the list shows every row once, under its heading", () => {
  const list = keyList();
  expect(list.map(([heading]) => heading)).toEqual(["Everywhere", "Actions", "Layout: create", "Layout: position", "Layout: view", "Rehearse"]);
  expect(list.flatMap(([, rows]) => rows)).toHaveLength(KEY_TABLE.length);
  for (const row of KEY_TABLE) expect([row.shown, row.words].every((text) => text.trim() !== "")).toBe(true);
  expect(new Set(list.flatMap(([heading, rows]) => rows.map((row) => `${heading} ${row.shown}`))).size).toBe(KEY_TABLE.length);
});
