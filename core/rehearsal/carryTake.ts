/**
 * A take played on another layout, screen or hand: each touch moves with the control it began on, so that a thumb that pushed a stick pushes
 * it where it stands now; other touches keep their parts of the safe frame. What a take gives exactly is told by its own layout alone.
 */
import type { InputEvent, TouchInput } from "../engine/input/events";
import { applyEvent } from "../engine/input/advance";
import { workingCopy } from "../engine/input/state";
import { centreOf } from "../engine/geometry/point";
import { framesOf as screenFrames, pxPerMm } from "../engine/placement/screen";
import { ok, type Result } from "../engine/result";
import { byId } from "../derived/byId";
import type { Layout, Screen } from "../format/types";
import { resolvedOn } from "../derived/resolved";
import { stageOf, strangersOf, ticksOf, type Take, type TakeStage } from "./take";

/** Whom and on what a take is to be played. */
export interface TakeAim {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly handed: Take["handed"];
  readonly playerSize: number;
}

/** On which control each touch began, by the place of its down among the events: the top one that took it; null: none. */
export function beganOn(take: Take, stage: TakeStage): ReadonlyMap<number, string | null> {
  const began = new Map<number, string | null>();
  let at = 0;
  for (const { events, before } of ticksOf(take, stage)) {
    const touched = events.some((event) => event.type === "down");
    const state = touched ? workingCopy(before) : null;
    for (const event of events) {
      if (state) applyEvent(stage.setup, state, event);
      if (state && event.type === "down") {
        const [top] = state.touches.find((t) => t.id === event.id)?.contains ?? [];
        began.set(at, top === undefined ? null : stage.setup.controls[top].id);
      }
      at += 1;
    }
  }
  return began;
}

const isTouch = (event: InputEvent): event is TouchInput => "x" in event && "id" in event;

/**
 * The take as it is played for another aim: its touches moved, its screen, hand and size those of the aim, its digest and frames gone.
 * `from`: the layout it was played on (or, where that is not at hand, the nearest there is). A moment or a control that the aim's layout
 * lacks is passed over. Refused where the take cannot be played on `from`.
 */
export function carryTake(take: Take, from: Layout, aim: TakeAim): Result<Take> {
  const stage = stageOf(take, from);
  if (!stage.ok) return stage;
  const began = beganOn(take, stage.value);
  const to = resolvedOn(aim.layout, aim.screen, { handed: aim.handed, playerSize: aim.playerSize, moment: null });
  const [before, after] = [byId(stage.value.resolved.controls), byId(to.controls)];
  const [safeWas, safeIs] = [screenFrames(take.screen).safe, screenFrames(aim.screen).safe];
  const mm = pxPerMm(aim.screen) / pxPerMm(take.screen);
  const ways = new Map<number, (event: TouchInput) => TouchInput>();
  const wayOf = (control: string | null): ((event: TouchInput) => TouchInput) => {
    const [was, is] = [before.get(control ?? ""), after.get(control ?? "")];
    if (was && is) {
      const [a, b] = [centreOf(was.visual), centreOf(is.visual)];
      return (event) => ({ ...event, x: b.x + (event.x - a.x) * mm, y: b.y + (event.y - a.y) * mm });
    }
    const part = (value: number, start: number, length: number) => (length > 0 ? (value - start) / length : 0.5);
    return (event) => ({
      ...event,
      x: safeIs.x + part(event.x, safeWas.x, safeWas.w) * safeIs.w,
      y: safeIs.y + part(event.y, safeWas.y, safeWas.h) * safeIs.h,
    });
  };
  const nowhere = wayOf(null);
  const strangers = new Set(strangersOf(take, aim.layout).map((s) => s.id));
  const events = take.events.flatMap((event, i): InputEvent[] => {
    if (isTouch(event)) {
      if (event.type === "down") ways.set(event.id, wayOf(began.get(i) ?? null));
      return [(ways.get(event.id) ?? nowhere)(event)];
    }
    const named = event.type === "moment" ? event.moment : event.type === "control" ? event.id : null;
    return named !== null && strangers.has(named) ? [] : [event];
  });
  const moment = take.moment !== null && strangers.has(take.moment) ? null : take.moment;
  return ok({ ...take, screen: aim.screen, handed: aim.handed, playerSize: aim.playerSize, moment, events, frames: null });
}
