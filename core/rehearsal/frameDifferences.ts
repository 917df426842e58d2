/** Two replays held against each other: where they first differ, and by how much, action by action. */
import type { TickOutput } from "../engine/input/advance";
import type { ActionValue } from "../engine/input/events";
import { ownEntry } from "../engine/playerChanges";

/** Numbers within this of each other, absolute or relative, are the same: replays by other programs sum in another order. */
const SAME = 1e-6;

/** The first difference. `tick` counts from 1. `action` null: one of them has fewer ticks. What is not there is null. */
export interface FrameDifference {
  readonly tick: number;
  readonly action: string | null;
  readonly was: ActionValue | null;
  readonly is: ActionValue | null;
}

const sameNumber = (a: number, b: number) => Math.abs(a - b) <= SAME * Math.max(1, Math.abs(a), Math.abs(b));

/** Whether two values of an action are the same: true and false exactly, numbers within a millionth. */
function sameValue(a: ActionValue | undefined, b: ActionValue | undefined): boolean {
  if (typeof a === "number" && typeof b === "number") return sameNumber(a, b);
  if (typeof a === "object" && typeof b === "object") return sameNumber(a[0], b[0]) && sameNumber(a[1], b[1]);
  return a === b;
}

/** How far apart two values are: 0 or 1 for true and false, the distance of numbers and of points; 1 where one is missing or of another kind. */
function valueDistance(a: ActionValue | undefined, b: ActionValue | undefined): number {
  if (typeof a === "number" && typeof b === "number") return Math.abs(a - b);
  if (typeof a === "object" && typeof b === "object") return Math.hypot(a[0] - b[0], a[1] - b[1]);
  return a === b ? 0 : 1;
}

/** What differs at one tick, in the order of the actions as they were; null for nothing. */
function differenceAt(tick: number, was: TickOutput | undefined, is: TickOutput | undefined): FrameDifference | null {
  if (!was || !is) return was || is ? { tick, action: null, was: null, is: null } : null;
  const names = Object.keys(was.values);
  const fresh = Object.keys(is.values).filter((name) => !Object.hasOwn(was.values, name));
  for (const action of [...names, ...fresh]) {
    const [before, after] = [ownEntry(was.values, action), ownEntry(is.values, action)];
    if (!sameValue(before, after)) return { tick, action, was: before ?? null, is: after ?? null };
  }
  return null;
}

/** The first difference of two replays, or null where they are the same: as many ticks, the same actions, the same values. */
export function firstDifference(was: Iterable<TickOutput>, is: Iterable<TickOutput>): FrameDifference | null {
  const [a, b] = [was[Symbol.iterator](), is[Symbol.iterator]()];
  for (let tick = 1; ; tick += 1) {
    const [before, after] = [a.next(), b.next()];
    if (before.done && after.done) return null;
    const found = differenceAt(tick, before.done ? undefined : before.value, after.done ? undefined : after.value);
    if (found) return found;
  }
}

/** What two replays make of one action. Ticks count from 1; null: they never differ. */
export interface ActionDifference {
  readonly action: string;
  readonly firstTick: number | null;
  readonly was: ActionValue | null;
  readonly is: ActionValue | null;
  /** The most by which they differ at any tick. */
  readonly most: number;
}

/** Every action that either has, and how it differs. Where one replay ends before the other, what follows counts as missing. */
export function actionDifferences(was: readonly TickOutput[], is: readonly TickOutput[]): readonly ActionDifference[] {
  const names = [...new Set([...Object.keys(was[0]?.values ?? {}), ...Object.keys(is[0]?.values ?? {})])];
  return names.map((action) => {
    let first: { tick: number; was: ActionValue | null; is: ActionValue | null } | null = null;
    let most = 0;
    for (let i = 0; i < Math.max(was.length, is.length); i += 1) {
      const before = i < was.length ? ownEntry(was[i].values, action) : undefined;
      const after = i < is.length ? ownEntry(is[i].values, action) : undefined;
      if (sameValue(before, after)) continue;
      first ??= { tick: i + 1, was: before ?? null, is: after ?? null };
      most = Math.max(most, valueDistance(before, after));
    }
    return { action, firstTick: first?.tick ?? null, was: first?.was ?? null, is: first?.is ?? null, most };
  });
}

/**
 * What an action did in a replay. `seconds`: the time in which it was given at all (pressed, or not 0); `way`: the sum of the lengths of its
 * values, of a motion the mm it went; `mean`: the mean of that length over all ticks, of a press the part of the time in which it was pressed.
 */
export interface ActionFigures {
  readonly action: string;
  readonly seconds: number;
  readonly way: number;
  readonly mean: number;
}

/** Figures of every action of a replay at a rate, ticks a second. */
export function actionFigures(frames: readonly TickOutput[], hz: number): readonly ActionFigures[] {
  return Object.keys(frames[0]?.values ?? {}).map((action) => {
    let given = 0;
    let sum = 0;
    for (const { values } of frames) {
      const value = values[action];
      const length = typeof value === "object" ? Math.hypot(value[0], value[1]) : Math.abs(Number(value));
      if (length > 0) given += 1;
      sum += length;
    }
    return { action, seconds: given / hz, way: sum, mean: frames.length > 0 ? sum / frames.length : 0 };
  });
}
