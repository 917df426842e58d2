/**
 * Plays a take to any tick, forth and back: the state is kept now and then as it goes by, and going back begins at the nearest that was kept.
 * What every action gave is logged as it is played; the touches and what is reported are gathered with it.
 */
import { advance, tickTime } from "../engine/input/advance";
import { TIME_SLACK } from "../engine/geometry/tolerances";
import type { ActionValues, InputEvent } from "../engine/input/events";
import { initialState, type InputState } from "../engine/input/inputState";
import { tickNumber, type Take, type TakeStage } from "./take";
import { createListener, type Notice } from "./notices";
import { marksOf, type TouchMark } from "./touchMarks";
import { createTraceLog, type TraceLog } from "./traceLog";

/** A tick of a take: the state after it and what it gave. `tick` counts from 1; at 0 nothing has been played. */
export interface TakeTick {
  readonly tick: number;
  readonly state: InputState;
  readonly values: ActionValues;
}

export interface TakePlayer {
  readonly stage: TakeStage;
  readonly take: Take;
  /** How many ticks it has. */
  readonly ticks: number;
  /** All that has been computed: values tick by tick from its tick 0 on, which is the take's first. */
  readonly log: TraceLog;
  readonly marks: () => readonly TouchMark[];
  readonly told: () => readonly Notice[];
  /** Works on until this many ticks more are known, or the end; true at the end. */
  work(ticks: number): boolean;
  /** Goes to a tick, 0 to `ticks`; what is not known yet is computed on the way. */
  at(tick: number): TakeTick;
}

/** A state is kept every this many ticks. */
const KEPT_EVERY = 120;

/** The events of a take that are due at a tick, from a place in its list on. */
function dueAt({ events, hz }: Take, tick: number, from: number): InputEvent[] {
  let to = from;
  while (to < events.length && events[to].t <= tickTime(tick, hz) + TIME_SLACK) to += 1;
  return events.slice(from, to) as InputEvent[];
}

/** A player at the beginning of a take; the take can be played on the stage (`stageOf`). */
export function createTakePlayer(take: Take, stage: TakeStage): TakePlayer {
  const { setup, layout } = stage;
  const ticks = tickNumber(take);
  const log = createTraceLog({
    hz: take.hz,
    most: ticks,
    actions: layout.actions.map(({ name, kind }) => ({ name, kind })),
    controls: setup.controls.map((c) => c.id),
  });
  const marks: TouchMark[] = [];
  const listener = createListener(layout);
  /** States along the way, each with the place of the first event after it. */
  const kept: { readonly state: InputState; readonly next: number }[] = [{ state: initialState(setup, take.moment), next: 0 }];
  let known = 0;
  let front = { tick: 0, ...kept[0] };
  let now: TakeTick & { readonly next: number } = { tick: 0, ...kept[0], values: setup.atRest };

  const step = (state: InputState, tick: number, next: number) => {
    const due = dueAt(take, tick, next);
    return { ...advance(setup, state, due, tickTime(tick, take.hz)), due, next: next + due.length };
  };
  const workOne = () => {
    const tick = front.tick + 1;
    const { state, values, due, next } = step(front.state, tick, front.next);
    const fresh = marksOf({ setup, resolved: stage.resolved, layout }, { tick, events: due, before: front.state });
    marks.push(...fresh);
    log.push(values, { setup, state });
    listener.tick(tick, values, { setup, state }, { tickMs: 1000 / take.hz, marks: fresh });
    front = { tick, state, next };
    known = tick;
    if (tick % KEPT_EVERY === 0) kept.push({ state, next });
  };
  return {
    stage,
    take,
    ticks,
    log,
    marks: () => marks,
    told: () => listener.told(),
    work(count) {
      const to = Math.min(ticks, known + count);
      while (known < to) workOne();
      return known >= ticks;
    },
    at(tick) {
      const aim = Math.max(0, Math.min(ticks, Math.round(tick)));
      while (known < aim) workOne();
      if (aim < now.tick || aim - now.tick > KEPT_EVERY) {
        const near = Math.min(kept.length - 1, Math.floor(aim / KEPT_EVERY));
        now = { tick: near * KEPT_EVERY, ...kept[near], values: setup.atRest };
      }
      while (now.tick < aim) {
        const { state, values, next } = step(now.state, now.tick + 1, now.next);
        now = { tick: now.tick + 1, state, values, next };
      }
      return now;
    },
  };
}
