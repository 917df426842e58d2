/** Which part of a trace is seen: how many seconds of it, up to which tick, and where the pointer and the two marks are. Ticks are counted from 0. */

/** How many seconds may be seen at once. */
export const SECONDS = [2, 4, 8, 15, 30, 60, 150, 300] as const;

/** The height of a lane, and of the row of times over them, px. */
export const LANE_PX = 18;
export const AXIS_PX = 16;

export interface LaneView {
  readonly seconds: (typeof SECONDS)[number];
  /** One past the last tick that is seen; null: it runs, and the newest is seen. */
  readonly end: number | null;
  /** The tick that is read, whatever the pointer does; null: none. */
  readonly cursor: number | null;
  /** The two marks, in the order they were set. */
  readonly marks: readonly [] | readonly [number] | readonly [number, number];
}
export const RUNNING: LaneView = { seconds: 8, end: null, cursor: null, marks: [] };

/** The ticks that a trace has: from `first` on, up to before `end`. */
export interface Kept {
  readonly first: number;
  readonly end: number;
  readonly hz: number;
}

export type LaneInput =
  | { readonly kind: "stop" | "run" }
  /** Moves what is seen, or the tick that is read, by this many ticks; what runs stops. */
  | { readonly kind: "scroll" | "step"; readonly ticks: number }
  /** Shows one tick and reads it: at the middle where it was out of sight. */
  | { readonly kind: "go"; readonly tick: number }
  | { readonly kind: "zoom"; readonly steps: number }
  | { readonly kind: "seconds"; readonly seconds: number }
  | { readonly kind: "mark"; readonly tick: number }
  | { readonly kind: "marks"; readonly from: number; readonly to: number }
  | { readonly kind: "no marks" };

const within = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));

/** The last tick seen, one past it, as it is now. */
export const endOf = (view: LaneView, kept: Kept): number => view.end ?? kept.end;
const spanOf = (view: Pick<LaneView, "seconds">, kept: Kept) => view.seconds * kept.hz;
/** Where the view may end: as early as to show the first tick at its left, never beyond the newest. */
const endWithin = (end: number, view: LaneView, kept: Kept) => within(Math.round(end), Math.min(kept.end, kept.first + spanOf(view, kept)), kept.end);

/** One step of the view. */
export function stepLanes(view: LaneView, input: LaneInput, kept: Kept): LaneView {
  const stopped = (end: number): LaneView => ({ ...view, end: endWithin(end, view, kept) });
  switch (input.kind) {
    case "run":
      return { ...view, end: null, cursor: null };
    case "stop":
      return { ...stopped(kept.end), cursor: kept.end > kept.first ? kept.end - 1 : null };
    case "scroll":
      return stopped(endOf(view, kept) + input.ticks);
    case "step":
      return shown(view, (view.cursor ?? endOf(view, kept) - 1) + input.ticks, kept);
    case "go":
      return shown(view, input.tick, kept);
    case "zoom": {
      const at = within(SECONDS.indexOf(view.seconds) + input.steps, 0, SECONDS.length - 1);
      return zoomed(view, SECONDS[at], kept);
    }
    case "seconds":
      return zoomed(view, SECONDS.find((s) => s === input.seconds) ?? view.seconds, kept);
    case "mark":
      return { ...view, marks: view.marks.length === 1 ? [view.marks[0], input.tick] : [input.tick] };
    case "marks":
      return { ...view, marks: [input.from, input.to] };
    case "no marks":
      return { ...view, marks: [] };
  }
}

/** Reads a tick, and moves the view as little as need be for it to be seen. */
function shown(view: LaneView, tick: number, kept: Kept): LaneView {
  if (kept.end <= kept.first) return view;
  const cursor = within(tick, kept.first, kept.end - 1);
  const end = endOf(view, kept);
  const isSeen = cursor < end && cursor >= end - spanOf(view, kept);
  return { ...view, cursor, end: isSeen ? end : endWithin(cursor + spanOf(view, kept) / 2, view, kept) };
}

/** Another zoom leaves the tick that is read where it is on the glass; without one, the end. */
function zoomed(view: LaneView, seconds: LaneView["seconds"], kept: Kept): LaneView {
  const next = { ...view, seconds };
  if (view.end === null) return next;
  const still = view.cursor ?? view.end;
  const part = (view.end - still) / spanOf(view, kept);
  return { ...next, end: endWithin(still + part * spanOf(next, kept), next, kept) };
}

/** The tick at a place from the left of what is seen, in px of a width. */
export function tickAt(x: number, width: number, view: LaneView, kept: Kept): number {
  const span = spanOf(view, kept);
  return within(Math.floor(endOf(view, kept) - span + (x / Math.max(1, width)) * span), kept.first, Math.max(kept.first, kept.end - 1));
}

/** Where a tick's middle is, px from the left of what is seen; outside of 0…width it is out of sight. */
export function xOfTick(tick: number, width: number, view: LaneView, kept: Kept): number {
  const span = spanOf(view, kept);
  return ((tick + 0.5 - endOf(view, kept) + span) / span) * width;
}

/** A time of a trace: 4.25 s, 2:07.5. */
export function timeWords(tick: number, hz: number): string {
  const seconds = tick / hz;
  const minutes = Math.floor(seconds / 60);
  return minutes === 0 ? `${seconds.toFixed(2)} s` : `${minutes}:${(seconds - 60 * minutes).toFixed(2).padStart(5, "0")}`;
}
