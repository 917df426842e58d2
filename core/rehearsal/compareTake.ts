/** One take over two layouts: both replays held against each other, in figures and in lines that can be drawn. */
import type { TickOutput } from "../engine/input/advance";
import { ok, type Result } from "../engine/result";
import type { ActionKind } from "../engine/types";
import { byName } from "../derived/byId";
import { ownEntry } from "../engine/playerChanges";
import type { Layout } from "../format/types";
import { carryTake } from "./carryTake";
import { actionDifferences, actionFigures, firstDifference, type ActionDifference, type ActionFigures, type FrameDifference } from "./frameDifferences";
import { takeFrames, type Take } from "./take";

/** What is compared. `from`: the layout the take was played on, or the nearest there is; `carries`: touches move with their controls. */
export interface TakePair {
  readonly take: Take;
  readonly from: Layout;
  readonly a: Layout;
  readonly b: Layout;
  readonly carries: boolean;
}

/** A value of an action at a time, s, on both layouts, as one number each: a press 0 or 1, an axis itself, a vector or motion its length. Null: none. */
export interface PairPoint {
  readonly s: number;
  readonly a: number | null;
  readonly b: number | null;
}
export interface TakeDifference {
  readonly first: FrameDifference | null;
  /** Each action, and its figures on A and on B; null where that layout has none of its name. */
  readonly actions: readonly {
    /** Its kind on B, else on A. */
    readonly kind: ActionKind;
    readonly difference: ActionDifference;
    readonly a: ActionFigures | null;
    readonly b: ActionFigures | null;
    readonly points: readonly PairPoint[];
  }[];
  readonly ticks: { readonly a: number; readonly b: number };
}

/** A line has this many points at most: more than a chart has pixels is no help. */
const MOST_POINTS = 400;

/** Compares. Refused where the take cannot be played on one of them. */
export function compareTake({ take, from, a, b, carries }: TakePair): Result<TakeDifference> {
  const framesOn = (layout: Layout): Result<TickOutput[]> => {
    if (!carries) return takeFrames(take, layout);
    const { screen, handed, playerSize } = take;
    const carried = carryTake(take, from, { layout, screen, handed, playerSize });
    return carried.ok ? takeFrames(carried.value, layout) : carried;
  };
  const [was, is] = [framesOn(a), framesOn(b)];
  if (!was.ok) return was;
  if (!is.ok) return is;
  const [before, after] = [actionFigures(was.value, take.hz), actionFigures(is.value, take.hz)];
  return ok({
    first: firstDifference(was.value, is.value),
    actions: actionDifferences(was.value, is.value).map((difference) => ({
      kind: (byName(b.actions).get(difference.action) ?? byName(a.actions).get(difference.action))?.kind ?? "press",
      difference,
      a: before.find((f) => f.action === difference.action) ?? null,
      b: after.find((f) => f.action === difference.action) ?? null,
      points: pointsOf(difference.action, { was: was.value, is: is.value, hz: take.hz }),
    })),
    ticks: { a: was.value.length, b: is.value.length },
  });
}

interface Both {
  readonly was: readonly TickOutput[];
  readonly is: readonly TickOutput[];
  readonly hz: number;
}

function pointsOf(action: string, { was, is, hz }: Both): readonly PairPoint[] {
  const ticks = Math.max(was.length, is.length);
  const every = Math.max(1, Math.ceil(ticks / MOST_POINTS));
  const at = (frames: readonly TickOutput[], i: number): number | null => {
    const value = i < frames.length ? ownEntry(frames[i].values, action) : undefined;
    if (value === undefined) return null;
    return typeof value === "object" ? Math.hypot(value[0], value[1]) : Number(value);
  };
  // Of the ticks of a point the one is reported in which the two differ most: what is short is not passed over.
  return Array.from({ length: Math.ceil(ticks / every) }, (_, n) => {
    let best = { a: at(was, n * every), b: at(is, n * every) };
    for (let i = n * every; i < Math.min(ticks, (n + 1) * every); i += 1) {
      const [a, b] = [at(was, i), at(is, i)];
      if (Math.abs((a ?? 0) - (b ?? 0)) > Math.abs((best.a ?? 0) - (best.b ?? 0))) best = { a, b };
    }
    return { s: (n * every + 1) / hz, ...best };
  });
}
