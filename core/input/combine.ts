/**
 * From ports, keys, mouse and pad to the value of every action: press OR, axis sum clamped, vector sum shortened to
 * length 1, motion sum; then smoothing.
 */
import { clampTo, magnitude } from "../geometry/point";
import { TIME_SLACK } from "../geometry/shape";
import type { Action } from "../layout/types";
import { isDown, mouseCode, padAxis, padButton, padStick, type DeskState } from "./desk";
import type { ActionValue } from "./events";
import type { PortReading } from "./ports";
import { asPair, type ActionSources, type TouchSource } from "./setup";

/** A repeat under way: the first tick at which its port was true, and how many presses were due at the last tick. */
export type RepeatState = { first: number; due: number } | null;

interface Sum {
  press: boolean;
  x: number;
  y: number;
}

/** What one tick needs to know. */
export interface Tick {
  readonly time: number;
  readonly ms: number;
}

/** The value of an action at a tick. Changes `repeats` and `smoothed` (x, y at `slot`). */
export function actionValue(
  sources: ActionSources,
  readings: readonly PortReading[],
  desk: DeskState,
  repeats: RepeatState[],
  given: { x: number; y: number },
  tick: Tick,
): ActionValue {
  const sum: Sum = { press: false, x: 0, y: 0 };
  for (const source of sources.touch) addTouch(sum, sources, source, readings[source.control], repeats, tick);
  addDesk(sum, sources.action, desk, tick);
  switch (sources.kind) {
    case "press":
      return sum.press;
    case "axis": {
      sum.x = clampTo(sum.x, -1, 1);
      sum.y = 0;
      if (sources.smooth) smooth(given, sum, sources.action, tick.ms);
      return sources.smooth ? given.x : sum.x;
    }
    case "vector": {
      const length = magnitude(sum.x, sum.y);
      if (length > 1) {
        sum.x /= length;
        sum.y /= length;
      }
      if (sources.smooth) smooth(given, sum, sources.action, tick.ms);
      return sources.smooth ? [given.x, given.y] : [sum.x, sum.y];
    }
    case "motion":
      return [sum.x, sum.y];
  }
}

function addTouch(sum: Sum, sources: ActionSources, source: TouchSource, reading: PortReading, repeats: RepeatState[], tick: Tick): void {
  switch (source.carries) {
    case "press": {
      const port = reading[source.port as "press"];
      const on = source.repeat ? repeated(port, source.repeat, repeats, tick.time) : port;
      return addPress(sum, sources.kind, on, source.value);
    }
    case "number":
      sum.x += source.port === "x" ? reading.x * source.scale[0] : reading.y * source.scale[1];
      return;
    case "vector": {
      const share = sources.kind === "motion" ? tick.ms / 1000 : 1;
      sum.x += reading.vx * source.scale[0] * share;
      sum.y += reading.vy * source.scale[1] * share;
      return;
    }
    case "motion":
      sum.x += reading.vx * source.scale[0];
      sum.y += reading.vy * source.scale[1];
  }
}

function addPress(sum: Sum, kind: ActionSources["kind"], on: boolean, value: readonly [number, number]): void {
  if (!on) return;
  sum.press = true;
  if (kind === "motion") return;
  sum.x += value[0];
  sum.y += value[1];
}

function repeated(port: boolean, repeat: { delayMs: number; intervalMs: number; slot: number }, repeats: RepeatState[], time: number): boolean {
  if (!port) {
    repeats[repeat.slot] = null;
    return false;
  }
  const state = repeats[repeat.slot];
  const since = time - (state?.first ?? time);
  const due = since < repeat.delayMs - TIME_SLACK ? 1 : 2 + Math.floor((since - repeat.delayMs + TIME_SLACK) / repeat.intervalMs);
  repeats[repeat.slot] = { first: state?.first ?? time, due };
  return due > (state?.due ?? 0);
}

/** Keys and buttons count for vectors only with a value [x,y], for axes only with one number (1 when none is given). */
function deskValue(kind: Action["kind"], value: number | [number, number] | undefined): readonly [number, number] | null {
  if (kind === "vector") return Array.isArray(value) ? value : null;
  if (kind === "axis") return Array.isArray(value) ? null : [value ?? 1, 0];
  return kind === "press" ? [0, 0] : null;
}

function addDesk(sum: Sum, action: Action, desk: DeskState, tick: Tick): void {
  const { kind } = action;
  for (const key of action.keys) {
    const value = deskValue(kind, key.value);
    if (value) addPress(sum, kind, isDown(desk, key.code), value);
  }
  for (const source of action.mouse) {
    if ("move" in source) {
      if (kind !== "motion") continue;
      const [sx, sy] = asPair(source.scale, 1);
      sum.x += desk.dx * sx;
      sum.y -= desk.dy * sy;
    } else {
      const value = deskValue(kind, source.value);
      if (value) addPress(sum, kind, isDown(desk, mouseCode(source.button)), value);
    }
  }
  for (const source of action.pad) {
    if ("button" in source) {
      const amount = padButton(desk, source.button);
      const value = deskValue(kind, source.value);
      if (!value) continue;
      if (kind === "axis") sum.x += amount * value[0];
      else addPress(sum, kind, amount >= 0.5, value);
    } else if ("axis" in source) {
      if (kind === "axis") sum.x += padAxis(desk, source.axis, source.inner, source.outer) * source.scale;
    } else if (kind === "vector" || kind === "motion") {
      const [x, y] = padStick(desk, source.stick, source.inner, source.outer);
      const [sx, sy] = asPair(source.scale, 1);
      const share = kind === "motion" ? tick.ms / 1000 : 1;
      sum.x += x * sx * share;
      sum.y += y * sy * share;
    }
  }
}

/** Moves the given value toward the sum, no faster than rise and fall allow. */
function smooth(given: { x: number; y: number }, sum: Sum, action: Action, tickMs: number): void {
  const wayX = sum.x - given.x;
  const wayY = sum.y - given.y;
  const way = magnitude(wayX, wayY);
  const ms = sum.x !== 0 || sum.y !== 0 ? action.riseMs : action.fallMs;
  const step = ms > 0 ? tickMs / ms : Infinity;
  if (way <= step) {
    given.x = sum.x;
    given.y = sum.y;
  } else {
    given.x += (step * wayX) / way;
    given.y += (step * wayY) / way;
  }
}
