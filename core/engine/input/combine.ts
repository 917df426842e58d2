/**
 * From ports, keys, mouse and pad to the value of every action (model.md section 2).
 *
 * An action has three groups of sources: touch, keys with mouse, pad. A press is the OR of all, a motion the sum; an axis is clamped, a
 * vector limited to length 1. With `combine: "strongest"` only the strongest group counts. Smoothing then applies to the whole value, or
 * with `ease: "switches"` only to boolean sources.
 */
import { clampTo, magnitude } from "../geometry/point";
import { LENGTH_SLACK, TIME_SLACK } from "../geometry/tolerances";
import type { ActionKind, PlayedAction, Port } from "../types";
import type { PortCarries } from "./fits";
import { isDown, mouseCode, padAxis, padButton, padStick, type HardwareState } from "./hardwareInput";
import type { ActionValue } from "./events";
import { AT_REST, type PortReading } from "./ports";
import { asPair, type ActionSources, type Repeat, type TouchSource } from "./setup";

/**
 * A repeat: the first tick at which its port was true, null while it is false; how many presses were due at the last tick; whether one
 * waits for the rest to be over; and the last tick at which it gave true. Replaced, never changed.
 */
export interface RepeatState {
  readonly first: number | null;
  readonly pending: number;
  readonly waits: boolean;
  readonly last: number | null;
}
/** A repeat whose port was never true. */
export const RESTING_REPEAT: RepeatState = { first: null, pending: 0, waits: false, last: null };

/** A sum of x and y. */
export interface Pair {
  x: number;
  y: number;
}

/** The sums of one group: any press, boolean sources, other sources. */
interface Group {
  press: boolean;
  readonly switches: Pair;
  readonly rest: Pair;
}
/** Buffers for the three groups of one action. */
export type Groups = readonly [Group, Group, Group];
/** Creates the buffers of a tick. */
export function emptyGroups(): Groups {
  const group = (): Group => ({ press: false, switches: { x: 0, y: 0 }, rest: { x: 0, y: 0 } });
  return [group(), group(), group()];
}

function emptied(group: Group): Group {
  group.press = false;
  group.switches.x = group.switches.y = group.rest.x = group.rest.y = 0;
  return group;
}

/** What one tick needs to know: its time and its length, ms. */
export interface Tick {
  readonly time: number;
  readonly ms: number;
}

/** The inputs of a tick: ports by control index, and keys, mouse and pad. `repeats` is updated. */
export interface Inputs {
  readonly readings: readonly PortReading[];
  readonly hardware: HardwareState;
  readonly repeats: RepeatState[];
  readonly groups: Groups;
}

/** The value of an action at a tick. Changes `inputs.repeats` and, where the action is smoothed, `given`: the value that follows. */
export function actionValue(sources: ActionSources, inputs: Inputs, smoothed: Pair, tick: Tick): ActionValue {
  const { kind, action } = sources;
  const touch = emptied(inputs.groups[0]);
  for (let i = 0; i < sources.touch.length; i += 1) {
    const source = sources.touch[i];
    // A control at rest gives nothing; only a repeat has to be reported so.
    if (source.repeat || inputs.readings[source.control] !== AT_REST) addTouch(touch, source, inputs, tick);
  }
  const strongest = action.combine === "strongest" && (kind === "axis" || kind === "vector");
  const keys = strongest ? emptied(inputs.groups[1]) : touch;
  const pad = strongest ? emptied(inputs.groups[2]) : touch;
  if (action.keys.length + action.mouse.length > 0) addKeysAndMouse(keys, action, inputs.hardware);
  if (inputs.hardware.pad !== null && action.pad.length > 0) addPad(pad, action, inputs.hardware, tick);
  switch (kind) {
    case "press":
      return touch.press;
    case "motion":
      return [touch.rest.x, touch.rest.y];
    case "delta":
      return touch.rest.x;
    case "axis":
    case "vector": {
      const value = followed(sources, strongest ? strongestOf(kind, touch, keys, pad) : touch, smoothed, tick.ms);
      return kind === "axis" ? value.x : [value.x, value.y];
    }
  }
}

/** Returns the strongest group; the first of equals. */
function strongestOf(kind: "axis" | "vector", ...groups: readonly Group[]): Group {
  let best = groups[0];
  let most = -1;
  for (const group of groups) {
    const { x, y } = limited(kind, sumOf(group.switches, group.rest));
    const strength = magnitude(x, y);
    if (strength <= most + LENGTH_SLACK) continue;
    best = group;
    most = strength;
  }
  return best;
}

const sumOf = (a: Pair, b: Pair): Pair => ({ x: a.x + b.x, y: a.y + b.y });

/** An axis clamped to −1…1, a vector shortened to length 1. */
function limited(kind: "axis" | "vector", sum: Pair): Pair {
  if (kind === "axis") return { x: clampTo(sum.x, -1, 1), y: 0 };
  const length = magnitude(sum.x, sum.y);
  return length > 1 ? { x: sum.x / length, y: sum.y / length } : sum;
}

/** The value of an axis or vector after smoothing. */
function followed({ action, kind, smooth }: ActionSources, group: Group, smoothed: Pair, tickMs: number): Pair {
  const limits = kind as "axis" | "vector";
  if (!smooth) return limited(limits, sumOf(group.switches, group.rest));
  if (action.ease === "all") {
    moveToward(smoothed, limited(limits, sumOf(group.switches, group.rest)), action, tickMs);
    return smoothed;
  }
  moveToward(smoothed, limited(limits, group.switches), action, tickMs);
  return limited(limits, sumOf(smoothed, group.rest));
}

/** Moves the value towards the sum, limited by rise and fall. */
function moveToward(smoothed: Pair, sum: Pair, action: PlayedAction, tickMs: number): void {
  const wayX = sum.x - smoothed.x;
  const wayY = sum.y - smoothed.y;
  const way = magnitude(wayX, wayY);
  const ms = magnitude(sum.x, sum.y) > LENGTH_SLACK ? action.riseMs : action.fallMs;
  const step = ms > 0 ? tickMs / ms : Infinity;
  if (way <= step + LENGTH_SLACK) {
    smoothed.x = sum.x;
    smoothed.y = sum.y;
  } else {
    smoothed.x += (step * wayX) / way;
    smoothed.y += (step * wayY) / way;
  }
}

function addTouch(group: Group, source: TouchSource, inputs: Inputs, tick: Tick): void {
  const reading = inputs.readings[source.control];
  const { scale, value, kind } = source;
  switch (source.carries) {
    case "press": {
      const port = reading[source.port as "press"];
      return addSwitch(group, kind, source.repeat ? repeated(port, source.repeat, inputs.repeats, tick.time) : port, value);
    }
    case "number":
    case "change":
      group.rest.x += oneWay(reading, source.port, scale) * partOfTick(source.carries, kind, tick);
      return;
    case "vector": {
      const part = partOfTick("vector", kind, tick);
      const isAim = source.port === "aim";
      group.rest.x += (isAim ? reading.aimX : reading.vx) * scale[0] * part;
      group.rest.y += (isAim ? reading.aimY : reading.vy) * scale[1] * part;
      return;
    }
    case "motion":
      group.rest.x += reading.vx * scale[0];
      group.rest.y += reading.vy * scale[1];
  }
}

/** A port of one number, scaled: x, dx and turn by the first of a pair, y and dy by the second. */
function oneWay(reading: PortReading, port: Port, scale: readonly [number, number]): number {
  switch (port) {
    case "y":
      return reading.y * scale[1];
    case "dx":
      return reading.vx * scale[0];
    case "dy":
      return reading.vy * scale[1];
    case "turn":
      return reading.turn * scale[0];
    default:
      return reading.x * scale[0];
  }
}

/** What is given per second counts for the length of the tick: a position toward a movement. */
const partOfTick = (carries: PortCarries, kind: ActionKind, tick: Tick): number =>
  (kind === "motion" && carries === "vector") || (kind === "delta" && carries === "number") ? tick.ms / 1000 : 1;

function addPair(sum: Pair, [x, y]: readonly [number, number], scale: readonly [number, number], part: number): void {
  sum.x += x * scale[0] * part;
  sum.y += y * scale[1] * part;
}

function addSwitch(group: Group, kind: ActionSources["kind"], on: boolean, value: readonly [number, number]): void {
  if (!on) return;
  group.press = true;
  if (kind === "motion" || kind === "delta") return;
  group.switches.x += value[0];
  group.switches.y += value[1];
}

function repeated(port: boolean, repeat: Repeat, repeats: RepeatState[], time: number): boolean {
  const state = repeats[repeat.slot];
  if (!port) {
    if (state.first !== null) repeats[repeat.slot] = { ...RESTING_REPEAT, last: state.last };
    return false;
  }
  const first = state.first ?? time;
  const since = time - first;
  const pending = since < repeat.delayMs - TIME_SLACK ? 1 : 2 + Math.floor((since - repeat.delayMs + TIME_SLACK) / repeat.intervalMs);
  const wanted = state.waits || pending > state.pending;
  const gives = wanted && (state.last === null || time - state.last >= repeat.restMs - TIME_SLACK);
  repeats[repeat.slot] = { first, pending, waits: wanted && !gives, last: gives ? time : state.last };
  return gives;
}

/** Keys and buttons need a value [x,y] for vectors and one number for axes (default 1). */
function hardwareValue(kind: ActionKind, value: number | [number, number] | undefined): readonly [number, number] | null {
  if (kind === "vector") return Array.isArray(value) ? value : null;
  if (kind === "axis") return Array.isArray(value) ? null : [value ?? 1, 0];
  return kind === "press" ? [0, 0] : null;
}

function addKeysAndMouse(group: Group, { kind, keys, mouse }: PlayedAction, hardware: HardwareState): void {
  for (const key of keys) {
    const value = hardwareValue(kind, key.value);
    if (value) addSwitch(group, kind, isDown(hardware, key.code), value);
  }
  for (const source of mouse) {
    if ("move" in source) {
      const scale = asPair(source.scale, 1);
      if (source.move === true && kind === "motion") addPair(group.rest, [hardware.dx, -hardware.dy], scale, 1);
      if (source.move === "x" && kind === "delta") group.rest.x += hardware.dx * scale[0];
      if (source.move === "y" && kind === "delta") group.rest.x -= hardware.dy * scale[1];
      continue;
    }
    const value = hardwareValue(kind, source.value);
    if (value) addSwitch(group, kind, isDown(hardware, mouseCode(source.button)), value);
  }
}

function addPad(group: Group, { kind, pad }: PlayedAction, hardware: HardwareState, tick: Tick): void {
  for (const source of pad) {
    if ("button" in source) {
      const value = hardwareValue(kind, source.value);
      const amount = padButton(hardware, source.button);
      if (!value) continue;
      if (kind === "axis") group.switches.x += amount * value[0];
      else addSwitch(group, kind, amount >= 0.5 - LENGTH_SLACK, value);
    } else if ("axis" in source) {
      if (kind !== "axis" && kind !== "delta") continue;
      const part = kind === "delta" ? tick.ms / 1000 : 1;
      group.rest.x += padAxis(hardware, source.axis, source.inner, source.outer) * asPair(source.scale, 1)[0] * part;
    } else if (kind === "vector" || kind === "motion") {
      const stick = padStick(hardware, source.stick, source.inner, source.outer);
      addPair(group.rest, stick, asPair(source.scale, 1), kind === "motion" ? tick.ms / 1000 : 1);
    }
  }
}
