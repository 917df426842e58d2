/**
 * Keys, mouse and pads as ends of wires: what each is called in the file, what it can give to an action, and the edits
 * that plug it in and out. One physical end (the key W, the pad's button 0) has one text by which it is reported from all
 * others, so that two actions on one key are seen to hang on the same end.
 */
import { ownEntry } from "../engine/playerChanges";
import { checked } from "../editing/edits/checked";
import { byName } from "../derived/byId";
import type { Action, ActionKind, Layout } from "../format/types";
import { ok, refused, type Result } from "../engine/result";

export type KeySource = Action["keys"][number];
export type MouseSource = Action["mouse"][number];
export type PadSource = Action["pad"][number];
/** Which list of an action a desk source is in. */
export type HardwareList = "keys" | "mouse" | "pad";
export type HardwareSource = KeySource | MouseSource | PadSource;

/** One desk source of an action: where it is, and the end it hangs on. */
export interface HardwareWire {
  readonly action: string;
  readonly list: HardwareList;
  readonly index: number;
  readonly source: HardwareSource;
  readonly end: string;
}

/** What an end gives: true/false (a pad button from half its way on), one number, two, a movement, or a movement one way. */
export type HardwareGives = "press" | "number" | "vector" | "motion" | "change";

export function hardwareGives(source: HardwareSource): HardwareGives {
  if ("move" in source) return source.move === true ? "motion" : "change";
  if ("axis" in source) return "number";
  if ("stick" in source) return "vector";
  return "press";
}

/** The text of the end a source hangs on: `key KeyW`, `mouse 2`, `mouse move`, `mouse move x`, `pad button 0`, `pad axis 1`, `pad stick left`. */
export function hardwareEnd(list: HardwareList, source: HardwareSource): string {
  if ("code" in source) return `key ${source.code}`;
  if ("move" in source) return source.move === true ? "mouse move" : `mouse move ${source.move}`;
  if ("axis" in source) return `pad axis ${source.axis}`;
  if ("stick" in source) return `pad stick ${source.stick}`;
  return list === "mouse" ? `mouse ${source.button}` : `pad button ${source.button}`;
}

/** The list and a bare source of an end's text; null for a text that is none. */
export function sourceOfEnd(end: string): { readonly list: HardwareList; readonly source: HardwareSource } | null {
  const key = /^key (.+)$/.exec(end);
  if (key) return { list: "keys", source: { code: key[1] } };
  if (end === "mouse move") return { list: "mouse", source: { move: true, scale: 1 } };
  const moved = /^mouse move ([xy])$/.exec(end);
  if (moved) return { list: "mouse", source: { move: moved[1] as "x" | "y", scale: 1 } };
  const mouse = /^mouse (\d+)$/.exec(end);
  if (mouse) return { list: "mouse", source: { button: Number(mouse[1]) } };
  const pad = /^pad (button|axis) (\d+)$/.exec(end);
  if (pad) return { list: "pad", source: pad[1] === "button" ? { button: Number(pad[2]) } : { axis: Number(pad[2]), scale: 1, inner: 0.1, outer: 0.95 } };
  const stick = /^pad stick (left|right)$/.exec(end);
  if (stick) return { list: "pad", source: { stick: stick[1] as "left" | "right", scale: 1, inner: 0.1, outer: 0.95 } };
  return null;
}

/** The desk sources of an action: keys, then mouse, then pad. */
export function hardwareWires(action: Action): HardwareWire[] {
  const of = (list: HardwareList) =>
    (action[list] as readonly HardwareSource[]).map((source, index): HardwareWire => ({
      action: action.name,
      list,
      index,
      source,
      end: hardwareEnd(list, source),
    }));
  return [...of("keys"), ...of("mouse"), ...of("pad")];
}

/** The ends an action hangs on, each once. */
export function hardwareEnds(action: Action): string[] {
  return [
    ...new Set((["keys", "mouse", "pad"] as const).flatMap((list) => (action[list] as readonly HardwareSource[]).map((source) => hardwareEnd(list, source)))),
  ];
}

const KIND_FITS: Readonly<Record<ActionKind, string>> = {
  press: "a key, a mouse button or a pad button",
  axis: "keys for its two ends, or a pad axis",
  vector: "keys for its directions, or a pad stick",
  motion: "the mouse's movement, or a pad stick",
  delta: "the mouse's movement one way, or a pad axis",
};
const GIVES_WORD: Readonly<Record<HardwareGives, string>> = {
  press: "gives true or false",
  number: "gives one number",
  vector: "gives x and y",
  motion: "gives movement",
  change: "gives movement one way",
};

/** The kinds of actions that an end can give to (the table of model.md, desk inputs). */
const HARDWARE_FITS: Readonly<Record<HardwareGives, readonly ActionKind[]>> = {
  press: ["press", "axis", "vector"],
  number: ["axis", "delta"],
  vector: ["vector", "motion"],
  motion: ["motion"],
  change: ["delta"],
};

/** Why an end cannot give to an action of a kind, and what would fit; null where it can (the table of model.md, desk inputs). */
export function hardwareWhyNot(source: HardwareSource, kind: ActionKind): string | null {
  const gives = hardwareGives(source);
  return HARDWARE_FITS[gives].includes(kind)
    ? null
    : `it ${GIVES_WORD[gives]}, the action is ${kind === "axis" ? "an" : "a"} ${kind}; ${KIND_FITS[kind]} would fit`;
}

/** What a source still lacks to give anything to an action of a kind it fits; null where nothing. */
export function hardwareLacks(source: HardwareSource, kind: ActionKind): string | null {
  if (hardwareGives(source) !== "press") return null;
  const value = "value" in source ? source.value : undefined;
  if (kind === "vector" && !Array.isArray(value)) return "needs a value [x,y]";
  if (kind === "axis" && Array.isArray(value)) return "needs one number as its value";
  return null;
}

/** What a key or button gives: one number toward an axis, a direction toward a vector. */
export type Value = number | [number, number];
const UP: Value = [0, 1];
const DOWN: Value = [0, -1];
const LEFT: Value = [-1, 0];
const RIGHT: Value = [1, 0];
/** Ends that people read as a direction: W A S D, arrows, and the four of a standard pad's left cluster (buttons 12 to 15). */
const USUAL: Readonly<Record<string, Value>> = {
  "key KeyW": UP,
  "key ArrowUp": UP,
  "pad button 12": UP,
  "key KeyS": DOWN,
  "key ArrowDown": DOWN,
  "pad button 13": DOWN,
  "key KeyA": LEFT,
  "key ArrowLeft": LEFT,
  "pad button 14": LEFT,
  "key KeyD": RIGHT,
  "key ArrowRight": RIGHT,
  "pad button 15": RIGHT,
};

/**
 * What a newly bound key or button gives: its usual direction; else toward a vector the first direction that nothing of the action gives
 * yet, toward an axis its positive end (which end is meant cannot be guessed: it is asked). None for a press.
 */
function firstValue(action: Action, end: string): Value | undefined {
  if (action.kind !== "vector" && action.kind !== "axis") return undefined;
  const usual = ownEntry(USUAL, end);
  const choices: readonly Value[] = [UP, DOWN, LEFT, RIGHT];
  if (usual !== undefined && Array.isArray(usual)) {
    if (action.kind === "vector") return usual;
    // Toward an axis the horizontal pair is its two ends; so is the vertical one, where nothing else is said.
    return usual[0] + usual[1];
  }
  if (action.kind === "axis") return 1;
  const wires = hardwareWires(action);
  const given = new Set(wires.map((w) => JSON.stringify("value" in w.source ? (w.source.value ?? 1) : null)));
  return choices.find((c) => !given.has(JSON.stringify(c))) ?? choices[0];
}

/** Keys and pad buttons that people read as one set: the ends of an axis, the directions of a vector. */
const SETS: readonly (readonly string[])[] = [
  ["key KeyW", "key KeyS", "key KeyA", "key KeyD"],
  ["key ArrowUp", "key ArrowDown", "key ArrowLeft", "key ArrowRight"],
  ["pad button 12", "pad button 13", "pad button 14", "pad button 15"],
];

/** The ends that are bound with an end where it is bound to an action of a kind: A with D, W with S to an axis, all four to a vector; itself first. */
export function endsOfSet(end: string, kind: ActionKind): readonly string[] {
  const set = kind === "axis" || kind === "vector" ? SETS.find((ends) => ends.includes(end)) : undefined;
  if (!set) return [end];
  const pair = set.indexOf(end) < 2 ? set.slice(0, 2) : set.slice(2);
  return [end, ...(kind === "axis" ? pair : set).filter((other) => other !== end)];
}

/** Plugs an end into an action, with what belongs to it (`endsOfSet`) and is not plugged in yet. Refused as by `plugIn`. */
export function plugInSet(layout: Layout, name: string, end: string): Result<Layout> {
  const action = byName(layout.actions).get(name);
  if (!action) return refused("actions", `there is no action \`${name}\``);
  const known = new Set(hardwareEnds(action));
  return endsOfSet(end, action.kind)
    .filter((one) => one === end || !known.has(one))
    .reduce<Result<Layout>>((result, one) => (result.ok ? plugIn(result.value, name, one) : result), ok(layout));
}

/** What the keys of an action are asked for one after the other: + and − of an axis; up, down, left and right of a vector. Empty for other kinds. */
export function askedValues(action: Action): readonly Value[] {
  const all: readonly Value[] = action.kind === "axis" ? [1, -1] : action.kind === "vector" ? [UP, DOWN, LEFT, RIGHT] : [];
  const given = new Set(hardwareWires(action).flatMap(({ source }) => ("value" in source ? [JSON.stringify(source.value)] : [])));
  const missing = all.filter((value) => !given.has(JSON.stringify(value)));
  return missing.length > 0 ? missing : all;
}

/** Plugs an end into an action; `gives` says what a key or button gives, where that is not left to `firstValue`. Refused with the reason where the two do not go together, or where it is plugged in already. */
export function plugIn(layout: Layout, name: string, end: string, gives?: Value): Result<Layout> {
  const action = byName(layout.actions).get(name);
  if (!action) return refused("actions", `there is no action \`${name}\``);
  const made = sourceOfEnd(end);
  if (!made) return refused("actions", `"${end}" is no key, mouse or pad input`);
  const why = hardwareWhyNot(made.source, action.kind);
  if (why !== null) return refused("", `${end} cannot give to \`${name}\`: ${why}`);
  if (hardwareWires(action).some((w) => w.end === end)) return refused("", `${end} already gives to \`${name}\``);
  const value = hardwareGives(made.source) === "press" ? (gives ?? firstValue(action, end)) : undefined;
  // A pad stick toward a motion, or a pad axis toward a delta, gives units a second: one a second would be felt as nothing.
  const isRate = ("stick" in made.source && action.kind === "motion") || ("axis" in made.source && action.kind === "delta");
  const source = value !== undefined ? { ...made.source, value } : isRate ? { ...made.source, scale: 120 } : made.source;
  return withSources(layout, name, made.list, (list) => [...list, source]);
}

/** Takes one desk source out of an action. */
export function unplug(layout: Layout, name: string, list: HardwareList, index: number): Result<Layout> {
  return withSources(layout, name, list, (sources) => sources.filter((_, i) => i !== index));
}

/** Changes fields of one desk source: value, scale, inner, outer. */
export function changeHardware(layout: Layout, { action, list, index }: Pick<HardwareWire, "action" | "list" | "index">, change: object): Result<Layout> {
  return withSources(layout, action, list, (sources) => sources.map((s, i) => (i === index ? { ...s, ...change } : s)));
}

function withSources(layout: Layout, name: string, list: HardwareList, change: (sources: readonly HardwareSource[]) => HardwareSource[]): Result<Layout> {
  return checked(layout, {
    ...layout,
    actions: layout.actions.map((a) => (a.name === name ? ({ ...a, [list]: change(a[list] as readonly HardwareSource[]) } as Action) : a)),
  });
}
