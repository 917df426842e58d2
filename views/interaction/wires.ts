/**
 * Drawing a wire, by pointer or by key. A press on an end that is dragged draws a wire to whatever lies under the pointer; a click or
 * Enter on it begins one that is led along the ends it fits by the arrow keys, and joined by Enter or a click. Escape, a cancelled
 * pointer and a second finger let it go.
 */
import type { Layout } from "../../core/format/types";
import { meets, targetKey, targetOf, whyNot, type ConnectionStart, type ConnectionTarget } from "./connections";
import { dragStep, IDLE, type DragState, type Modifiers, type WindowPoint } from "./drag";

/** A press must go this far before it draws, CSS px. */
const WIRE_DRAG_PX = 4;

/** A wire being drawn. `over`: the end under the pointer or the focus; `why`: why that one does not fit, or null. */
export interface ConnectionDrag {
  readonly start: ConnectionStart;
  /** By pointer it follows the pointer (CSS px of the sheet); by key the ends are walked along. */
  readonly by: "pointer" | "key";
  readonly at: { readonly x: number; readonly y: number };
  readonly over: ConnectionTarget | null;
  readonly why: string | null;
}

/** `press`: the pointer's way on an end; `wire`: what is drawn; `swallows`: the click that a drag leaves behind is still to come. */
export interface WireState {
  readonly press: DragState<ConnectionStart>;
  readonly wire: ConnectionDrag | null;
  readonly swallows: boolean;
}
export const NO_WIRE: WireState = { press: IDLE, wire: null, swallows: false };

interface PointerPlace {
  readonly pointer: number;
  readonly at: WindowPoint;
  /** On the sheet, CSS px. */
  readonly point: WindowPoint;
  /** What lies under the pointer. */
  readonly over: ConnectionTarget | null;
}

/**
 * What happens. `click`: an end is clicked (`byPointer`), or Enter pressed on it, at a point of the sheet; `arrow`: to the next fitting
 * end or the one before; `led`: the wire has been brought to an end; `choose`: a click anywhere while a wire is led by key.
 */
export type WireInput =
  | { readonly type: "down"; readonly pointer: number; readonly at: WindowPoint; readonly start: ConnectionStart }
  | ({ readonly type: "move" | "up" } & PointerPlace)
  | { readonly type: "cancel"; readonly pointer: number }
  | { readonly type: "abandon" }
  | { readonly type: "click"; readonly start: ConnectionStart; readonly byPointer: boolean; readonly point: WindowPoint }
  | { readonly type: "arrow"; readonly by: 1 | -1 }
  | { readonly type: "led"; readonly key: string; readonly point: WindowPoint }
  | { readonly type: "join" }
  | { readonly type: "choose"; readonly over: ConnectionTarget | null };

/** What is to be done. `nowhere`: the wire was let go over nothing, so far from the sheet's left; `lead`: bring it to the end of that key. */
export type WireCommand =
  | { readonly do: "capture"; readonly pointer: number }
  | { readonly do: "show"; readonly wire: ConnectionDrag | null }
  | { readonly do: "join"; readonly start: ConnectionStart; readonly over: ConnectionTarget }
  | { readonly do: "nowhere"; readonly start: ConnectionStart; readonly x: number }
  | { readonly do: "lead"; readonly key: string }
  | { readonly do: "refocus" }
  | { readonly do: "nothing fits"; readonly start: ConnectionStart };

/** The layout, and the keys of all ends in the order in which they are on the sheet. */
export interface WireWorld {
  readonly layout: Pick<Layout, "actions" | "controls">;
  readonly ends: readonly string[];
}

export interface WireStep {
  readonly state: WireState;
  readonly commands: readonly WireCommand[];
}

const NO_KEYS: Modifiers = { shift: false, alt: false };

/** The next state and what is to be done. */
export function wireStep(state: WireState, input: WireInput, world: WireWorld): WireStep {
  switch (input.type) {
    case "down":
      return pressed(state, input);
    case "move":
    case "up":
      return followed(state, input, world);
    case "cancel":
      return state.press.phase !== "idle" && state.press.pointer === input.pointer ? letGo(state, false) : nothing(state);
    case "abandon":
      return letGo(state, true);
    case "click":
      return begun(state, input, world);
    case "arrow":
      return walked(state, input.by, world);
    case "led":
      return shown(state, { over: targetOf(input.key), at: input.point }, world);
    case "join":
      return state.wire?.by === "key" && state.wire.over ? joined(state, state.wire.over, true) : nothing(state);
    case "choose": {
      const { wire } = state;
      if (wire?.by !== "key") return nothing(state);
      return input.over && meets(wire.start, input.over) ? joined(state, input.over, true) : letGo(state, false);
    }
  }
}

/** The keys of the ends that a wire from here fits, in the order of the sheet; an input that is by several actions is walked to once. @internal exported for its test */
export function fittingEnds({ layout, ends }: WireWorld, start: ConnectionStart): readonly string[] {
  return [...new Set(ends)].filter((key) => {
    const target = targetOf(key);
    return target !== null && meets(start, target) && whyNot(layout, start, target) === null;
  });
}

const nothing = (state: WireState): WireStep => ({ state, commands: [] });

/** The press is over and the wire gone. `refocus`: the focus goes back to where it began. */
function letGo(state: WireState, refocus: boolean): WireStep {
  if (state.press.phase === "idle" && state.wire === null) return nothing(state);
  const { wire } = state;
  const back: readonly WireCommand[] = wire && refocus ? [{ do: "refocus" }] : [];
  return { state: { ...NO_WIRE, swallows: state.press.phase === "dragging" }, commands: [...(wire ? [{ do: "show", wire: null } as const] : []), ...back] };
}

function pressed(state: WireState, { pointer, at, start }: WireInput & { type: "down" }): WireStep {
  // A second finger: the wire is not meant any more.
  if (state.press.phase !== "idle") return state.press.pointer === pointer ? nothing(state) : letGo(state, false);
  const { state: press } = dragStep(state.press, { type: "down", pointer, at, about: start }, WIRE_DRAG_PX);
  return { state: { ...state, press, swallows: false }, commands: [{ do: "capture", pointer }] };
}

function followed(state: WireState, input: WireInput & { type: "move" | "up" }, world: WireWorld): WireStep {
  const { state: press, commands } = dragStep(state.press, { ...input, keys: NO_KEYS }, WIRE_DRAG_PX);
  const now: WireState = { ...state, press };
  if (input.type === "move") {
    const drag = commands.find((c) => c.do === "move");
    return drag ? shown({ ...now, wire: wireFrom(drag.about, input.point) }, { over: input.over, at: input.point }, world) : nothing(now);
  }
  const drop = commands.find((c) => c.do === "drop");
  if (!drop) return nothing(now);
  const over = input.over && meets(drop.about, input.over) ? input.over : null;
  const done: WireState = { press, wire: null, swallows: true };
  const gone: WireCommand = { do: "show", wire: null };
  if (over) return { state: done, commands: [gone, { do: "join", start: drop.about, over }] };
  return { state: done, commands: [gone, { do: "nowhere", start: drop.about, x: input.point.x }] };
}

const wireFrom = (start: ConnectionStart, at: WindowPoint): ConnectionDrag => ({ start, by: "pointer", at, over: null, why: null });

/** The wire at a place, over an end or nothing. */
function shown(state: WireState, { over, at }: { readonly over: ConnectionTarget | null; readonly at: WindowPoint }, { layout }: WireWorld): WireStep {
  if (!state.wire) return nothing(state);
  const target = over && meets(state.wire.start, over) ? over : null;
  const wire = { ...state.wire, at, over: target, why: target ? whyNot(layout, state.wire.start, target) : null };
  return { state: { ...state, wire }, commands: [{ do: "show", wire }] };
}

function begun(state: WireState, { start, byPointer, point }: WireInput & { type: "click" }, world: WireWorld): WireStep {
  if (state.swallows && byPointer) return nothing({ ...state, swallows: false });
  if (state.wire) return nothing(state);
  const [first] = fittingEnds(world, start);
  if (first === undefined) return { state: NO_WIRE, commands: [{ do: "nothing fits", start }] };
  const wire: ConnectionDrag = { start, by: "key", at: point, over: null, why: null };
  return {
    state: { ...NO_WIRE, wire },
    commands: [
      { do: "show", wire },
      { do: "lead", key: first },
    ],
  };
}

function walked(state: WireState, by: 1 | -1, world: WireWorld): WireStep {
  const { wire } = state;
  if (wire?.by !== "key") return nothing(state);
  const ends = fittingEnds(world, wire.start);
  if (ends.length === 0) return nothing(state);
  const now = wire.over ? ends.indexOf(targetKey(wire.over)) : -1;
  const next = now < 0 && by < 0 ? ends.length - 1 : (now + by + ends.length) % ends.length;
  return { state, commands: [{ do: "lead", key: ends[next] }] };
}

function joined(state: WireState, over: ConnectionTarget, refocus: boolean): WireStep {
  const commands: WireCommand[] = [{ do: "show", wire: null }];
  if (refocus) commands.push({ do: "refocus" });
  return { state: NO_WIRE, commands: [...commands, { do: "join", start: state.wire!.start, over }] };
}
