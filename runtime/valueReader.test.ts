import { seenAfter, seenAtFirst, fadeToward, FADE_MS, type Used } from "./appear";
import type { Appear } from "./handle";
import { createReading } from "./valueReader";
import { isHeldRight } from "./turn";
import { wordIn } from "./labelLanguage";
import { keyFigures } from "./standIns/keyFigures";
import { keysOf } from "./standIns/asKeys";
import { movementOf } from "./standIns/asMouse";
import { putOnPad } from "./standIns/asPad";
import { isDownNow } from "./standIns/switches";

const ACTIONS = [
  { name: "leap", kind: "press" },
  { name: "look", kind: "motion" },
] as never;

test("between two steps edges are told once, movements add up, and the rest is as the last tick left it", () => {
  const reading = createReading();
  reading.know(ACTIONS, { leap: false, look: [0, 0] });
  reading.begin();
  for (const leap of [true, false, true]) reading.tick({ leap, look: [1, -2] });
  expect([reading.value("leap"), reading.rose("leap"), reading.fell("leap"), reading.value("look")]).toEqual([true, true, true, [3, -6]]);
  reading.begin();
  expect([reading.value("leap"), reading.rose("leap"), reading.fell("leap"), reading.value("look")]).toEqual([true, false, false, [0, 0]]);
  expect([reading.strength("leap"), reading.angle("look")]).toEqual([1, 0]);
});

test("words that are not there are counted with the nearest; names that objects have of their own are words like others", () => {
  const reading = createReading();
  reading.know(ACTIONS, { leap: false, look: [0, 0] });
  for (const word of ["leep", "LEAP", "constructor", "__proto__", "leep"]) expect(reading.value(word)).toBe(false);
  expect({ ...reading.asked }).toMatchObject({
    leep: { times: 2, nearest: "leap" },
    LEAP: { times: 1, nearest: "leap" },
    constructor: { times: 1, nearest: null },
  });
});

test("a misspelt word gives, in the shape of the word that was meant, what it gives at rest; whoever asks first is told once", () => {
  const told: [string, string | null][] = [];
  const reading = createReading({ otherKind: () => undefined, missing: (name, nearest) => void told.push([name, nearest]) });
  reading.know(ACTIONS, { leap: false, look: [0, 0] });
  reading.tick({ leap: true, look: [1, 2] });
  expect([reading.value("loko"), reading.strength("loko"), reading.angle("loko"), reading.value("lepa"), reading.rose("lepa")]).toEqual([
    [0, 0],
    0,
    0,
    false,
    false,
  ]);
  expect(told).toEqual([
    ["loko", "look"],
    ["lepa", "leap"],
  ]);
});

/** The table of docs/RUNTIME.md: at first, then after a touch, a key, a pad, from seen and from not seen. */
test.each<[Appear, boolean, Record<Used, [fromSeen: boolean, fromNot: boolean]>]>([
  ["always", true, { touch: [true, true], key: [true, true], pad: [true, true] }],
  ["touch", false, { touch: [true, true], key: [false, false], pad: [false, false] }],
  ["no-pad", true, { touch: [true, true], key: [true, false], pad: [false, false] }],
])("controls appear: %s", (appear, first, after) => {
  expect(seenAtFirst(appear)).toBe(first);
  for (const [used, [fromSeen, fromNot]] of Object.entries(after) as [Used, [boolean, boolean]][])
    expect([seenAfter(appear, true, used), seenAfter(appear, false, used)]).toEqual([fromSeen, fromNot]);
});

test("fading takes its time there and back and never leaves 0…1", () => {
  let strength = 0;
  for (let i = 0; i < 10; i += 1) strength = fadeToward(strength, true, FADE_MS / 10, false);
  expect(strength).toBeCloseTo(1, 9);
  expect(fadeToward(strength, false, FADE_MS / 2, false)).toBeCloseTo(0.5, 9);
  expect(fadeToward(0.5, false, 1e6, false)).toBe(0);
  expect(fadeToward(0, true, 0, true)).toBe(1);
});

test("a word in a language: exactly, else the same language, else the plain one", () => {
  const control = { look: { label: "horn", labels: { de: "Horn", "pt-BR": "buzina" } } } as never;
  expect([wordIn(control, "de-AT"), wordIn(control, "pt-PT"), wordIn(control, "PT-br"), wordIn(control, "fr")]).toEqual(["Horn", "buzina", "buzina", "horn"]);
  expect(isHeldRight("landscape", { widthPx: 1, heightPx: 2 })).toBe(false);
  expect([isHeldRight("both", { widthPx: 1, heightPx: 2 }), isHeldRight("portrait", { widthPx: 1, heightPx: 2 })]).toEqual([true, true]);
});

test("keys say what a plain keyboard says of them, old figures too", () => {
  expect(["KeyW", "Digit4", "Space", "ArrowLeft", "F11", "Numpad7", "ShiftRight", "Period", "Unheard"].map(keyFigures)).toEqual([
    ["w", 87],
    ["4", 52],
    [" ", 32],
    ["ArrowLeft", 37],
    ["F11", 122],
    ["7", 103],
    ["Shift", 16],
    [".", 190],
    ["Unheard", 0],
  ]);
  expect([isDownNow(false, 0.49), isDownNow(false, 0.5), isDownNow(true, 0.4), isDownNow(true, 0.39)]).toEqual([false, true, true, false]);
});

test("the first key each way stands for an action; a pad gets its amounts on the parts that give to it", () => {
  const keys = [{ code: "KeyA", value: -1 }, { code: "ArrowLeft", value: -1 }, { code: "KeyD" }];
  const axis = keysOf({ kind: "axis", keys } as never);
  expect(axis.map(({ code, amount }) => [code, amount(0.75)])).toEqual([
    ["KeyD", 0.75],
    ["KeyA", -0.75],
  ]);
  expect(keysOf({ kind: "motion", keys } as never)).toEqual([]);
  const amounts = { buttons: [0, 0, 0], axes: [0, 0, 0, 0] };
  putOnPad({ kind: "vector", pad: [{ stick: "right", scale: 1 }] } as never, [0.5, 0.25], amounts);
  putOnPad({ kind: "axis", pad: [{ button: 0, value: -1 }, { button: 1 }] } as never, -0.8, amounts);
  putOnPad({ kind: "press", pad: [{ button: 9 }] } as never, true, amounts);
  expect(amounts).toEqual({ buttons: [0.8, 0, 0], axes: [0, 0, 0.5, -0.25] });
});

test("as a mouse, a motion moves both ways, a delta the way it is bound to, by the inverse of its scale", () => {
  const look = { kind: "motion", mouse: [{ button: 0 }, { move: true, scale: [0.5, 0.25] }] };
  expect(movementOf(look as never, [2, 3])).toEqual([4, -12]);
  expect(movementOf({ kind: "delta", mouse: [{ move: "x", scale: 0.5 }] } as never, 3)).toEqual([6, 0]);
  expect(movementOf({ kind: "delta", mouse: [{ move: "y", scale: [9, 0.5] }] } as never, 3)).toEqual([0, -6]);
  expect(movementOf({ kind: "delta", mouse: [] } as never, 3)).toEqual([0, 0]);
  expect(movementOf({ kind: "press", mouse: [{ move: "x", scale: 1 }] } as never, true)).toEqual([0, 0]);
});

test("a typed read has the shape of its kind, whatever the word is; another kind is told once", () => {
  const told: string[] = [];
  const reading = createReading({ missing: (name) => void told.push(name), otherKind: (name, is, asked) => void told.push(`${name} ${is} ${asked}`) });
  reading.know(ACTIONS, { leap: false, look: [0, 0] });
  reading.tick({ leap: true, look: [1, 2] });
  expect([reading.typed("leap", "press"), reading.typed("look", "motion")]).toEqual([true, [1, 2]]);
  for (let i = 0; i < 2; i += 1)
    expect([reading.typed("leap", "vector"), reading.typed("look", "delta"), reading.typed("lepa", "axis")]).toEqual([[0, 0], 0, 0]);
  expect(told).toEqual(["leap press vector", "look motion delta", "lepa"]);
  expect(reading.asked).toMatchObject({ lepa: { times: 2, nearest: "leap" } });
});
