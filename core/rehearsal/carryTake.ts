/**
 * A take played on another layout, screen or hand: each touch moves with the control it began on, so that a thumb that pushed a stick pushes
 * it where it is now; other touches keep their parts of the safe frame. What a take gives exactly is reported by its own layout alone.
 */
import type { InputEvent, TouchInput } from "../engine/input/events";
import { applyEvent } from "../engine/input/advance";
import { workingCopy } from "../engine/input/inputState";
import { centreOf } from "../engine/geometry/point";
import { framesOf as screenFrames, pxPerMm } from "../engine/placement/screen";
import { ok, type Result } from "../engine/result";
import { byId } from "../derived/byId";
import type { Layout, Screen } from "../format/types";
import { resolvedOn } from "../derived/resolved";
import { stageOf, ticksOf, type Take, type TakeStage } from "./take";

/** Whom and on what a take is to be played. */
export interface TakeTarget {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly handed: Take["handed"];
  readonly playerSize: number;
}

/** On which control each touch began, by the place of its down among the events: the top one that took it; null: none. */
function startControls(take: Take, stage: TakeStage): ReadonlyMap<number, string | null> {
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

/** Carries the events of a take: each for the aim of its moment, in the order in which they are in the take. Null: the aim's layout lacks what it names. */
export type Carry = (event: InputEvent, index: number, aim: TakeTarget) => InputEvent | null;

/**
 * What carries the events of a take. `from`: the layout it was played on (or, where that is not at hand, the nearest there is); refused where
 * the take cannot be played on it. The control that a touch began on is found once; where it is is asked of the aim at every event.
 */
export function createCarry(take: Take, from: Layout): Result<Carry> {
  const stage = stageOf(take, from);
  if (!stage.ok) return stage;
  const began = startControls(take, stage.value);
  const before = byId(stage.value.resolved.controls);
  const safeWas = screenFrames(take.screen).safe;
  const mmWas = pxPerMm(take.screen);
  /** The control that each touch that is down began on. */
  const holders = new Map<number, string | null>();
  const part = (value: number, start: number, length: number) => (length > 0 ? (value - start) / length : 0.5);
  const carryTouch = (event: TouchInput, { layout, screen, handed, playerSize }: TakeTarget): TouchInput => {
    const control = holders.get(event.id) ?? "";
    const was = before.get(control);
    const is = was && byId(resolvedOn(layout, screen, { handed, playerSize, moment: null }).controls).get(control);
    if (was && is) {
      const [a, b] = [centreOf(was.visual), centreOf(is.visual)];
      const mm = pxPerMm(screen) / mmWas;
      return { ...event, x: b.x + (event.x - a.x) * mm, y: b.y + (event.y - a.y) * mm };
    }
    const { safe } = screenFrames(screen);
    const x = safe.x + part(event.x, safeWas.x, safeWas.w) * safe.w;
    return { ...event, x, y: safe.y + part(event.y, safeWas.y, safeWas.h) * safe.h };
  };
  return ok((event, index, aim) => {
    if (isTouch(event)) {
      if (event.type === "down") holders.set(event.id, began.get(index) ?? null);
      return carryTouch(event, aim);
    }
    const isStranger =
      (event.type === "moment" && event.moment !== null && !aim.layout.moments.some((m) => m.id === event.moment)) ||
      (event.type === "control" && !aim.layout.controls.some((c) => c.id === event.id));
    return isStranger ? null : event;
  });
}

/** The take as it is played for another aim: its touches moved, its screen, hand and size those of the aim, its frames gone. What the aim's layout lacks is passed over. */
export function carryTake(take: Take, from: Layout, aim: TakeTarget): Result<Take> {
  const carry = createCarry(take, from);
  if (!carry.ok) return carry;
  const events = take.events.flatMap((event, i) => carry.value(event, i, aim) ?? []);
  const moment = aim.layout.moments.some((m) => m.id === take.moment) ? take.moment : null;
  return ok({ ...take, screen: aim.screen, handed: aim.handed, playerSize: aim.playerSize, moment, events, frames: null });
}
