/**
 * Where touches went: each down, slide-in and lift with what took it. A touch is meant for the control whose picture is nearest, where that
 * is within 5 mm; what it went to is read from the engine, event by event.
 */
import { applyEvent } from "../engine/input/advance";
import type { InputEvent, TouchInput } from "../engine/input/events";
import type { InputSetup } from "../engine/input/setup";
import { workingCopy, type InputState } from "../engine/input/inputState";
import { isShown } from "../engine/input/touches";
import { distanceTo } from "../engine/geometry/distance";
import { magnitude } from "../engine/geometry/point";
import type { Resolved } from "../engine/placement/resolve";
import type { PlayedLayout } from "../engine/types";

/** A touch so near to a picture is meant for it, mm: half a fingertip. */
const NEAR_TOUCH_MM = 5;

/** What took a touch. meant: the control it was meant for · another: one that it was not meant for · game: no control, in a zone in which the game takes taps · nothing. */
export type TouchFate = "meant" | "another" | "game" | "nothing";

export interface TouchMark {
  /** The tick that took the event, from 1, and the event's own time, ms. */
  readonly tick: number;
  readonly t: number;
  readonly touch: number;
  readonly kind: "down" | "slide-in" | "lift";
  /** Where, px of the screen. */
  readonly x: number;
  readonly y: number;
  readonly fate: TouchFate;
  /** The control it was meant for; null: none within 5 mm. */
  readonly meant: string | null;
  /** How far from the middle of that control, mm. */
  readonly offMm: number;
  /** The controls that took it, or held it until it was lifted, top first. */
  readonly took: readonly string[];
}

/** Where touches are played: what was prepared, where it is, and which zones take taps. */
export interface TouchStage {
  readonly setup: InputSetup;
  readonly resolved: Pick<Resolved, "keepClear">;
  readonly layout: Pick<PlayedLayout, "keepClear">;
}

/** A tick with what came in it; `before`: the state it began with. */
export interface TouchTick {
  readonly tick: number;
  readonly events: readonly InputEvent[];
  readonly before: InputState;
}

const isTouch = (event: InputEvent): event is TouchInput => event.type === "down" || event.type === "move" || event.type === "up" || event.type === "cancel";

/** The marks of one tick, in the order of its events. Ticks without touch events cost nothing. */
export function marksOf(stage: TouchStage, { tick, events, before }: TouchTick): readonly TouchMark[] {
  if (!events.some(isTouch)) return [];
  const { setup } = stage;
  const marks: TouchMark[] = [];
  const state = workingCopy(before);
  for (const event of events) {
    const held = isTouch(event) ? (state.touches.find((t) => t.id === event.id)?.contains.slice() ?? null) : null;
    if (isTouch(event) && event.type === "up" && held) {
      // What an up at another point slides onto counts as its last move; what it is lifted from is reported of the point it was lifted at.
      marks.push(markOf(stage, state, { tick, event, kind: "lift", took: held }));
    }
    applyEvent(setup, state, event);
    if (!isTouch(event)) continue;
    const now = state.touches.find((t) => t.id === event.id)?.contains ?? [];
    if (event.type === "down") marks.push(markOf(stage, state, { tick, event, kind: "down", took: now }));
    const slid = event.type === "move" && held ? now.filter((i) => !held.includes(i)) : [];
    if (slid.length > 0) marks.push(markOf(stage, state, { tick, event, kind: "slide-in", took: slid }));
  }
  return marks;
}

interface Marked {
  readonly tick: number;
  readonly event: TouchInput;
  readonly kind: TouchMark["kind"];
  /** Indices of controls, top first. */
  readonly took: readonly number[];
}

function markOf(stage: TouchStage, state: InputState, { tick, event, kind, took }: Marked): TouchMark {
  const { setup, resolved, layout } = stage;
  const { x, y, t } = event;
  let meant: number | null = null;
  let least = Infinity;
  setup.controls.forEach((control, i) => {
    if (!isShown(state, control)) return;
    const mm = distanceTo({ shape: "box", ...control.visual }, { x, y }) / control.mmPx;
    // Of pictures that lie on each other the touch is meant for the one whose middle is nearer.
    const far = mm + 1e-3 * (magnitude(x - control.centre.x, y - control.centre.y) / control.mmPx);
    if (mm > NEAR_TOUCH_MM || far >= least) return;
    least = far;
    meant = i;
  });
  const nearest = meant === null ? null : setup.controls[meant];
  const inGame = resolved.keepClear.some(
    (zone) => layout.keepClear.some((z) => z.id === zone.id && z.taps) && x >= zone.x && x <= zone.x + zone.w && y >= zone.y && y <= zone.y + zone.h,
  );
  const fate: TouchFate = took.length === 0 ? (inGame ? "game" : "nothing") : meant !== null && took.includes(meant) ? "meant" : "another";
  return {
    tick,
    t,
    touch: event.id,
    kind,
    x,
    y,
    fate,
    meant: nearest?.id ?? null,
    offMm: nearest ? magnitude(x - nearest.centre.x, y - nearest.centre.y) / nearest.mmPx : 0,
    took: took.map((i) => setup.controls[i].id),
  };
}

/** Of the touches that were meant for a control: how many it took, another took, nothing took; and how far from its middle they came down, mm. */
export interface TouchRow {
  readonly control: string;
  readonly touches: number;
  readonly itself: number;
  readonly another: number;
  readonly nothing: number;
  /** The mean and the standard deviation of the distances, mm; null without touches. */
  readonly meanMm: number | null;
  readonly spreadMm: number | null;
}

/** The table of touches, a row a control, in the order given. Downs alone count: where a touch goes on to is another matter. */
export function touchTable(controls: readonly string[], marks: readonly TouchMark[]): readonly TouchRow[] {
  const downs = marks.filter((m) => m.kind === "down");
  return controls.map((control) => {
    const own = downs.filter((m) => m.meant === control);
    const count = (...fates: readonly TouchFate[]) => own.filter((m) => fates.includes(m.fate)).length;
    const mean = own.reduce((sum, m) => sum + m.offMm, 0) / own.length;
    const spread = Math.sqrt(own.reduce((sum, m) => sum + (m.offMm - mean) ** 2, 0) / own.length);
    return {
      control,
      touches: own.length,
      itself: count("meant"),
      another: count("another"),
      nothing: count("nothing", "game"),
      meanMm: own.length > 0 ? mean : null,
      spreadMm: own.length > 0 ? spread : null,
    };
  });
}
