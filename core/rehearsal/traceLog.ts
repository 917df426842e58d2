/**
 * What every action gave at every tick, which controls were held and how many touches were down: a ring that keeps the last ticks, or all
 * of a take. Numbers are kept in blocks of 32-bit floats, a row a tick, so that half an hour is megabytes and not objects.
 */
import type { ActionValue, ActionValues } from "../engine/input/events";
import { isIdle } from "../engine/input/behaviours";
import type { InputSetup } from "../engine/input/setup";
import type { InputState } from "../engine/input/inputState";
import type { ActionKind } from "../engine/types";

/** A layout at play: what it was prepared to, and its state after a tick. */
export interface PlayedState {
  readonly setup: InputSetup;
  readonly state: InputState;
}
/** An action of the log. */
export interface TraceAction {
  readonly name: string;
  readonly kind: ActionKind;
}
export interface TraceLog {
  readonly hz: number;
  readonly actions: readonly TraceAction[];
  /** The ids of the controls, in the order of `isHeld`. */
  readonly controls: readonly string[];
  /** The oldest tick that is kept, counted from 0, and one past the newest. */
  readonly first: () => number;
  readonly end: () => number;
  /** Adds a tick: its values, and what is played with its state after it. Controls are found by their ids, whatever their order. */
  push(values: ActionValues, played: PlayedState): void;
  /** What an action gave at a tick, first and second number (a press 0 or 1); 0 where the tick is not kept. */
  x(action: number, tick: number): number;
  y(action: number, tick: number): number;
  value(action: number, tick: number): ActionValue;
  isHeld(control: number, tick: number): boolean;
  /** How many touches were down. */
  touches(tick: number): number;
}

/** Rows of a block. */
const ROWS = 4096;

export interface LogShape {
  readonly hz: number;
  readonly actions: readonly TraceAction[];
  readonly controls: readonly string[];
  /** So many ticks are kept at least, the newest; up to a block more. */
  readonly most: number;
}

/** Writes the values of all actions, two numbers each, at a place in a block. */
function writeValues(block: Float32Array, at: number, actions: readonly TraceAction[], values: ActionValues): void {
  for (let i = 0; i < actions.length; i += 1) {
    const value = Object.hasOwn(values, actions[i].name) ? values[actions[i].name] : 0;
    const isPair = typeof value === "object";
    block[at + 2 * i] = isPair ? value[0] : Number(value);
    block[at + 2 * i + 1] = isPair ? value[1] : 0;
  }
}

/** An empty log. */
export function createTraceLog({ hz, actions, controls, most }: LogShape): TraceLog {
  const firstOfControls = actions.length * 2;
  const width = firstOfControls + controls.length + 1;
  const blocks = new Map<number, Float32Array>();
  let end = 0;
  let first = 0;
  let known: { readonly setup: InputSetup; readonly indexes: readonly number[] } | null = null;
  const rowOf = (tick: number): { block: Float32Array; row: number } | null => {
    if (tick < first || tick >= end) return null;
    return { block: blocks.get(Math.floor(tick / ROWS))!, row: (tick % ROWS) * width };
  };
  const at = (column: number, tick: number): number => {
    const found = rowOf(tick);
    return found ? found.block[found.row + column] : 0;
  };
  return {
    hz,
    actions,
    controls,
    first: () => first,
    end: () => end,
    push(values, { setup, state }) {
      if (known?.setup !== setup) known = { setup, indexes: controls.map((id) => setup.controls.findIndex((c) => c.id === id)) };
      const number = Math.floor(end / ROWS);
      let block = blocks.get(number);
      if (!block) {
        // A block that has gone is written again, so that a long rehearsal makes no rubbish.
        const gone = [...blocks.keys()].filter((n) => (n + 1) * ROWS <= end - most);
        block = gone.length > 0 ? blocks.get(gone[0])! : new Float32Array(ROWS * width);
        for (const n of gone) blocks.delete(n);
        blocks.set(number, block);
        first = Math.max(first, Math.min(...blocks.keys()) * ROWS);
      }
      const row = (end % ROWS) * width;
      writeValues(block, row, actions, values);
      for (let i = 0; i < controls.length; i += 1) {
        const index = known.indexes[i];
        block[row + firstOfControls + i] = index >= 0 && !isIdle(state.controls[index]) ? 1 : 0;
      }
      block[row + width - 1] = state.touches.length;
      end += 1;
    },
    x: (action, tick) => at(2 * action, tick),
    y: (action, tick) => at(2 * action + 1, tick),
    value(action, tick) {
      const x = at(2 * action, tick);
      switch (actions[action].kind) {
        case "press":
          return x === 1;
        case "axis":
        case "delta":
          return x;
        case "vector":
        case "motion":
          return [x, at(2 * action + 1, tick)];
      }
    },
    isHeld: (control, tick) => at(firstOfControls + control, tick) === 1,
    touches: (tick) => at(width - 1, tick),
  };
}

/** Figures of one action between two ticks, the first included, the last not. */
export interface BetweenTicks {
  readonly seconds: number;
  /** How often it was pressed (a press that was on at the beginning counts not), a second. */
  readonly pressesPerSecond: number | null;
  /** The part of the time in which it was pressed, 0…1. */
  readonly pressedPart: number | null;
  /** The mean of the value: of an axis with its sign, of vector and motion the mean length. */
  readonly mean: number | null;
}

/** What an action did between two ticks, in whichever order they are given; null where no tick of them is kept. */
export function betweenTicks(log: TraceLog, action: number, a: number, b: number): BetweenTicks | null {
  const from = Math.max(log.first(), Math.min(a, b));
  const to = Math.min(log.end(), Math.max(a, b));
  if (to <= from) return null;
  const seconds = (to - from) / log.hz;
  const { kind } = log.actions[action];
  let sum = 0;
  let presses = 0;
  for (let tick = from; tick < to; tick += 1) {
    const x = log.x(action, tick);
    if (kind === "press" && x === 1 && tick > from && log.x(action, tick - 1) === 0) presses += 1;
    sum += kind === "press" || kind === "axis" ? x : Math.hypot(x, log.y(action, tick));
  }
  const mean = sum / (to - from);
  return kind === "press"
    ? { seconds, pressesPerSecond: presses / seconds, pressedPart: mean, mean: null }
    : { seconds, pressesPerSecond: null, pressedPart: null, mean };
}
