/**
 * Keeps what is played, so that a take can be made of it: from now on, or of the last seconds after the fact. A take begins with nothing
 * held, so one of the last seconds begins at the last tick before them at which nothing was down, latched or easing; one that begins while
 * something is down leaves that touch or key out until its next down.
 */
import type { InputEvent } from "../engine/input/events";
import type { InputState } from "../engine/input/inputState";
import { tickTime, type TickInput } from "../engine/input/advance";
import { mouseCode, padAxis, padButton } from "../engine/input/hardwareInput";
import { behaviourOf, isIdle } from "../engine/input/behaviours";
import { TRACES } from "../format/limits";
import type { PlayedState } from "./traceLog";

/** Whether nothing is down, latched, easing or on its way: a take may begin here as if nothing had been. @internal exported for its test */
export function isAtRest({ setup, state }: PlayedState): boolean {
  const { hardware } = state;
  const still = (pad: NonNullable<typeof hardware.pad>) =>
    pad.buttons.every((_, i) => padButton(hardware, i) === 0) && pad.axes.every((_, i) => Math.abs(padAxis(hardware, i, 0, 1)) < PAD_REST);
  return (
    state.touches.length === 0 &&
    state.controls.every((control) => isIdle(control) && !behaviourOf(control.kind).givesAtRest(control)) &&
    hardware.down.length === 0 &&
    hardware.taps.length === 0 &&
    (hardware.pad === null || still(hardware.pad)) &&
    state.smoothed.every(({ x, y }, i) => !setup.actions[i].smooth || (x === 0 && y === 0))
  );
}
/** A pad's axis at rest is not quite 0: worn sticks stay this far off. */
const PAD_REST = 0.1;

/** What a take begins with that is not at rest: what is omitted until its next down, and what the game has hidden. */
interface Begin {
  readonly tick: number;
  readonly moment: string | null;
  readonly isOn: boolean;
  readonly hidden: readonly string[];
  readonly touches: readonly number[];
  /** Codes of keys; mouse buttons as the engine names them. */
  readonly codes: readonly string[];
}

/** What was cut out: the events of a take, its moment at the start, and the ticks it comes from, from 1, the first not included. */
export interface RecordedPart {
  readonly events: readonly InputEvent[];
  readonly moment: string | null;
  readonly from: number;
  readonly to: number;
}

export interface Recorder {
  /** Takes a tick, numbered from 1 without a gap: what came in it, at times from tick 0 on (ms), the state before it and the state after it. */
  tick(tick: number, came: TickInput, played: PlayedState): void;
  /** Begins to record; what is held is omitted until its next down. */
  record(): void;
  readonly isRecording: () => boolean;
  /** Since when it records, ticks. */
  readonly recordedTicks: () => number;
  /** The recording is as long as a take may be, or holds as many events. */
  readonly isFull: () => boolean;
  /** Ends the recording and gives it; null where none was begun, or nothing has been played since. */
  stop(): RecordedPart | null;
  /** The last seconds; null where nothing has been played. */
  last(seconds: number): RecordedPart | null;
}

/**
 * So many events are kept to go back to, in addition to a recording: where something is held, latched or looped without an end there is no quiet tick
 * to begin at, and what is kept must not grow. A take of the last seconds then begins at a tick at which something was down, and leaves it out.
 */
const MOST_KEPT = 30_000;
/** Old events are let go every so often, s. */
const FORGET_EVERY_S = 10;

/** No take is longer, ms. */
const LONGEST_MS = TRACES.timeMs.most;

interface Come {
  readonly tick: number;
  readonly event: InputEvent;
}
/** Ticks in a row at any of which a take may begin: quiet ones, in which the game shows the same. The first of all may not be quiet. */
interface Run extends Begin {
  readonly end: number;
}
const isSameRun = (run: Run, { moment, on, hidden }: InputState) => run.moment === moment && run.isOn === on && run.hidden === hidden;

const beginAt = (tick: number, { moment, on, hidden, touches, hardware }: InputState): Begin => ({
  tick,
  moment,
  isOn: on,
  hidden,
  touches: touches.map((t) => t.id),
  codes: hardware.down.map((h) => h.code),
});

/** What a recorder keeps to go back to. */
interface Kept {
  readonly come: readonly Come[];
  readonly runs: readonly Run[];
  readonly unquiet: readonly Begin[];
}

/** Where the oldest take that can still be requested begins, at or before a tick: everything after it must stay. */
function oldestBegin({ come, runs, unquiet }: Kept, since: number): Run | null {
  const old = runs.findLast((run) => run.tick <= since);
  if (!old) return null;
  const run = { ...old, tick: Math.max(old.tick, Math.min(old.end, since)) };
  const kept = come.length - come.findIndex((c) => c.tick > run.tick);
  if (kept <= MOST_KEPT) return run;
  const first = come[come.length - MOST_KEPT].tick;
  const near = unquiet.find((begin) => begin.tick >= first && begin.tick > run.tick);
  return near ? { ...near, end: near.tick } : run;
}

/** A recorder of what is played at a rate, ticks a second. `backSeconds`: how far back it must be able to go. */
export function createRecorder(hz: number, backSeconds: number): Recorder {
  let come: Come[] = [];
  /** Where takes may begin, oldest first: before the first tick since `again`, and in each quiet while. */
  let runs: Run[] = [];
  /** Ticks at which something was down, now and then: where a take begins when there is no quiet one near enough. */
  let unquiet: Begin[] = [];
  let wasQuiet = false;
  let recording: Begin | null = null;
  let last: { readonly tick: number; readonly state: InputState } | null = null;

  const cut = (begin: Begin): RecordedPart | null => (last && last.tick > begin.tick ? cutFrom(begin, come, { to: last.tick, hz }) : null);
  const forget = (tick: number) => {
    const begin = oldestBegin({ come, runs, unquiet }, Math.floor(tick - backSeconds * hz));
    if (!begin) return;
    runs = [begin, ...runs.filter((run) => run.tick > begin.tick)];
    unquiet = unquiet.filter((one) => one.tick > begin.tick);
    const from = Math.min(begin.tick, recording?.tick ?? Infinity);
    if (come.length > 0 && come[0].tick <= from) come = come.filter((c) => c.tick > from);
  };
  return {
    tick(tick, { events, before }, played) {
      if (runs.length === 0) {
        runs.push({ ...beginAt(tick - 1, before), end: tick - 1 });
        wasQuiet = isAtRest({ setup: played.setup, state: before });
      }
      for (const event of events) come.push({ tick, event });
      const quiet = isAtRest(played);
      const run = runs[runs.length - 1];
      if (quiet && wasQuiet && isSameRun(run, played.state)) runs[runs.length - 1] = { ...run, end: tick };
      else if (quiet) runs.push({ ...beginAt(tick, played.state), end: tick });
      wasQuiet = quiet;
      last = { tick, state: played.state };
      if (tick % (FORGET_EVERY_S * Math.round(hz)) !== 0) return;
      if (!quiet) unquiet.push(beginAt(tick, played.state));
      forget(tick);
    },
    record() {
      if (last) recording = beginAt(last.tick, last.state);
    },
    isRecording: () => recording !== null,
    isFull: () => recording !== null && last !== null && (tickTime(last.tick - recording.tick, hz) >= LONGEST_MS || come.length >= TRACES.events.most),
    recordedTicks: () => (recording && last ? last.tick - recording.tick : 0),
    stop() {
      const made = recording && cut(recording);
      recording = null;
      return made;
    },
    last(seconds) {
      if (!last) return null;
      const since = last.tick - seconds * hz;
      const run = runs.findLast((one) => one.tick <= since) ?? runs[0];
      return cut({ ...run, tick: Math.max(run.tick, Math.min(run.end, Math.floor(since))) });
    },
  };
}

/** The events after a beginning, their times told from it, less what was down then until its next down. */
function cutFrom(begin: Begin, come: readonly Come[], { to, hz }: { readonly to: number; readonly hz: number }): RecordedPart {
  const touches = new Set(begin.touches);
  const codes = new Set(begin.codes);
  const events: InputEvent[] = [];
  if (!begin.isOn) events.push({ t: 0, type: "off" });
  for (const id of begin.hidden) events.push({ t: 0, type: "control", id, shown: false });
  let time = 0;
  for (const { tick, event } of come) {
    if (tick <= begin.tick || events.length >= TRACES.events.most) continue;
    if (isLeftOut(event, touches, codes)) continue;
    const n = tick - begin.tick;
    if (tickTime(n, hz) > LONGEST_MS) break;
    time = Math.max(time, timeWithin(event.t - tickTime(begin.tick, hz), n, hz));
    events.push({ ...event, t: time });
  }
  return { events, moment: begin.moment, from: begin.tick, to: Math.min(to, begin.tick + Math.floor((LONGEST_MS * hz) / 1000)) };
}

/** A time to the microsecond that still falls due at the n-th tick and not before. */
function timeWithin(t: number, n: number, hz: number): number {
  const rounded = Math.round(t * 1000) / 1000;
  return Math.min(tickTime(n, hz), Math.max(rounded, n === 1 ? 0 : Math.ceil(tickTime(n - 1, hz) * 1000 + 1) / 1000));
}

/** Whether an event is of something that was down at the beginning. Its next down ends that. */
function isLeftOut(event: InputEvent, touches: Set<number>, codes: Set<string>): boolean {
  const code = event.type === "key" ? event.code : event.type === "mouse" && "button" in event ? mouseCode(event.button) : null;
  if (code !== null && codes.has(code)) {
    // What is down gets no second down: its up ends the leaving out, and the next down counts.
    if (!(event as { readonly down: boolean }).down) codes.delete(code);
    return true;
  }
  if (event.type === "blur") {
    touches.clear();
    codes.clear();
  }
  if (event.type !== "down" && event.type !== "move" && event.type !== "up" && event.type !== "cancel") return false;
  if (!touches.has(event.id)) return false;
  if (event.type === "move") return true;
  touches.delete(event.id);
  return event.type !== "down";
}
