/**
 * Many fingers from one mouse. A pinned touch stays where it was let go; it can be taken up again, lifted, or looped: the movement it was
 * given goes on by itself. To the engine pins are touches like any other. Points in px of the screen, times in ms.
 *
 * A loop is one of three, by what the hand did: a movement that came back to where it began goes round without a break; one that did not
 * is a flick, down, along and up, again and again; one that never moved is a press.
 */
import type { TouchInput } from "../../core/engine/input/events";
import type { Point } from "../../core/engine/geometry/point";

/** An event for the player: a touch as the engine is reported of it, never cancelled. */
export type PinEvent = TouchInput & { readonly type: "down" | "move" | "up" };
/** A point of a movement, so long after it began. */
export interface PathPoint extends Point {
  readonly ms: number;
}
export type LoopSpeed = 0.5 | 1 | 2;
/** What becomes of a pin by itself: it is held still, in somebody's hand, or loops. `begun`: when the hand took it, or the loop began. */
export type PinState =
  | { readonly kind: "still" }
  | { readonly kind: "in hand"; readonly begun: number }
  | { readonly kind: "loop"; readonly begun: number; readonly speed: LoopSpeed };
export interface TouchPin extends Point {
  /** As it is numbered on the glass, from 1. */
  readonly number: number;
  readonly isDown: boolean;
  /** The movement it was given last. */
  readonly path: readonly PathPoint[];
  readonly state: PinState;
}
export interface Pins {
  readonly pins: readonly TouchPin[];
  /** A press so near to a pin takes it up, px. */
  readonly reachPx: number;
}
export type PinInput =
  | { readonly kind: "press"; readonly t: number; readonly x: number; readonly y: number }
  | { readonly kind: "move"; readonly t: number; readonly number: number; readonly x: number; readonly y: number }
  | { readonly kind: "cancel" | "lift"; readonly t: number; readonly number: number }
  | { readonly kind: "lift all"; readonly t: number }
  | { readonly kind: "loop"; readonly t: number; readonly number: number; readonly speed: LoopSpeed | null }
  | { readonly kind: "tick"; readonly t: number }
  /** The player has release everything, or is another one: what is held comes down again. */
  | { readonly kind: "again"; readonly t: number }
  | { readonly kind: "screen"; readonly t: number; readonly scaleX: number; readonly scaleY: number; readonly reachPx: number };

/** What came of an input; `number`: the pin that a press made or took up. */
export interface PinStep {
  readonly pins: Pins;
  readonly events: readonly PinEvent[];
  readonly number: number | null;
}

/** Touch ids of pins begin here: no pointer of the browser has them. */
export const FIRST_PIN_ID = 90_000;
export const isPinId = (id: number): boolean => id >= FIRST_PIN_ID;
/** More fingers than two hands have are no help to anybody. @internal exported for its test */
export const MOST_PINS = 10;
/** Of a longer movement its end is kept, ms. */
const LONGEST_PATH_MS = 10_000;
/** A press in a loop: so long down, and every so often. */
const PRESS_MS = 120;
const PRESS_EVERY_MS = 300;
/** Between two flicks the finger is away so long, ms. */
const BETWEEN_MS = 300;
/** The least a movement takes, ms: a jump of the mouse is no movement without time. */
const LEAST_PATH_MS = 60;

export const noPins = (reachPx: number): Pins => ({ pins: [], reachPx });

const idOf = (pin: TouchPin) => FIRST_PIN_ID + pin.number;
const event = (pin: TouchPin, t: number, type: PinEvent["type"], at: Point): PinEvent => ({ t, id: idOf(pin), type, x: at.x, y: at.y });
const near = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

/** One step. What names a pin that is not there changes nothing. */
export function stepPins(pins: Pins, input: PinInput): PinStep {
  switch (input.kind) {
    case "press":
      return press(pins, input);
    case "move":
      return change(pins, input.number, (pin) => {
        if (pin.state.kind !== "in hand") return { pin, events: [] };
        const path = trimmed([...pin.path, { x: input.x, y: input.y, ms: input.t - pin.state.begun }]);
        return { pin: { ...pin, x: input.x, y: input.y, path }, events: [event(pin, input.t, "move", input)] };
      });
    case "cancel":
      return change(pins, input.number, (pin) => ({ pin: { ...pin, state: { kind: "still" } }, events: [] }));
    case "loop":
      return change(pins, input.number, (pin) => loop(pin, input.t, input.speed));
    case "lift":
      return lift(pins, input.t, (pin) => pin.number === input.number);
    case "lift all":
      return lift(pins, input.t, () => true);
    case "tick":
      return each(pins, (pin) => (pin.state.kind === "loop" ? looped(pin, input.t, pin.state, pins.reachPx) : { pin, events: [] }));
    case "again":
      return each(pins, (pin) => ({ pin, events: pin.isDown ? [event(pin, input.t, "down", pin)] : [] }));
    case "screen": {
      const scaled = <P extends Point>(p: P): P => ({ ...p, x: p.x * input.scaleX, y: p.y * input.scaleY });
      const moved = each({ ...pins, reachPx: input.reachPx }, (pin) => {
        const there = { ...scaled(pin), path: pin.path.map(scaled) };
        return { pin: there, events: pin.isDown ? [event(pin, input.t, "move", there)] : [] };
      });
      return moved;
    }
  }
}

interface Changed {
  readonly pin: TouchPin;
  readonly events: readonly PinEvent[];
}

function each(pins: Pins, act: (pin: TouchPin) => Changed): PinStep {
  const changed = pins.pins.map(act);
  return { pins: { ...pins, pins: changed.map((c) => c.pin) }, events: changed.flatMap((c) => c.events), number: null };
}

function change(pins: Pins, number: number, act: (pin: TouchPin) => Changed): PinStep {
  return each(pins, (pin) => (pin.number === number ? act(pin) : { pin, events: [] }));
}

function lift(pins: Pins, t: number, isMeant: (pin: TouchPin) => boolean): PinStep {
  const lifted = pins.pins.filter(isMeant);
  return {
    pins: { ...pins, pins: pins.pins.filter((pin) => !isMeant(pin)) },
    events: lifted.flatMap((pin) => (pin.isDown ? [event(pin, t, "up", pin)] : [])),
    number: null,
  };
}

/** Takes up the pin under the finger, the nearest first; else makes one, with the lowest number that is free. */
function press(pins: Pins, { t, x, y }: { t: number; x: number; y: number }): PinStep {
  const at = { x, y };
  const under = pins.pins.filter((pin) => near(pin, at) <= pins.reachPx).sort((a, b) => near(a, at) - near(b, at))[0] as TouchPin | undefined;
  const begin: Pick<TouchPin, "isDown" | "path" | "state"> = { isDown: true, path: [{ x, y, ms: 0 }], state: { kind: "in hand", begun: t } };
  if (under) {
    const step = change(pins, under.number, (pin) => ({ pin: { ...pin, ...at, ...begin }, events: [event(pin, t, pin.isDown ? "move" : "down", at)] }));
    return { ...step, number: under.number };
  }
  if (pins.pins.length >= MOST_PINS) return { pins, events: [], number: null };
  const taken = new Set(pins.pins.map((pin) => pin.number));
  let number = 1;
  while (taken.has(number)) number += 1;
  const pin: TouchPin = { number, ...at, ...begin };
  return { pins: { ...pins, pins: [...pins.pins, pin].sort((a, b) => a.number - b.number) }, events: [event(pin, t, "down", at)], number };
}

/** The end of a movement, its times told from its new beginning. */
function trimmed(path: readonly PathPoint[]): readonly PathPoint[] {
  const last = path[path.length - 1].ms;
  const from = path.findIndex((p) => last - p.ms <= LONGEST_PATH_MS);
  const zero = path[from].ms;
  return zero === 0 ? path : path.slice(from).map((p) => ({ ...p, ms: p.ms - zero }));
}

/** Begins a loop, or ends it where the finger is: held, down. */
function loop(pin: TouchPin, t: number, speed: LoopSpeed | null): Changed {
  if (speed !== null) {
    // Another speed goes on from where the movement is.
    const before = pin.state;
    const begun = before.kind === "loop" ? t - ((t - before.begun) * before.speed) / speed : t;
    return { pin: { ...pin, state: { kind: "loop", begun, speed } }, events: [] };
  }
  if (pin.state.kind !== "loop") return { pin, events: [] };
  return { pin: { ...pin, isDown: true, state: { kind: "still" } }, events: pin.isDown ? [] : [event(pin, t, "down", pin)] };
}

/** What sort of movement a path is. @internal exported for its test */
export function loopSort({ path }: Pick<TouchPin, "path">, reachPx: number): "round" | "flick" | "press" {
  const [first] = path;
  const last = path[path.length - 1];
  if (path.every((p) => near(p, first) <= reachPx / 4)) return "press";
  return near(first, last) <= reachPx ? "round" : "flick";
}

/** Where a looped finger is, and whether it is down, so long after the loop began at true speed. @internal exported for its test */
export function loopAt(pin: Pick<TouchPin, "path">, ms: number, reachPx: number): { readonly isDown: boolean; readonly at: Point } {
  const sort = loopSort(pin, reachPx);
  if (sort === "press") return { isDown: ms % PRESS_EVERY_MS < PRESS_MS, at: pin.path[0] };
  const length = Math.max(LEAST_PATH_MS, pin.path[pin.path.length - 1].ms);
  if (sort === "round") return { isDown: true, at: pathAt(pin.path, ms % length) };
  const within = ms % (length + BETWEEN_MS);
  return { isDown: within < length, at: pathAt(pin.path, Math.min(within, length)) };
}

/** A place on a movement, on the straight line between the points that were seen. */
function pathAt(path: readonly PathPoint[], ms: number): Point {
  const next = path.findIndex((p) => p.ms >= ms);
  if (next <= 0) return next === 0 ? path[0] : path[path.length - 1];
  const [a, b] = [path[next - 1], path[next]];
  const part = b.ms === a.ms ? 1 : (ms - a.ms) / (b.ms - a.ms);
  return { x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part };
}

function looped(pin: TouchPin, t: number, { begun, speed }: { begun: number; speed: LoopSpeed }, reachPx: number): Changed {
  const { isDown, at } = loopAt(pin, Math.max(0, t - begun) * speed, reachPx);
  const type = isDown ? (pin.isDown ? "move" : "down") : pin.isDown ? "up" : null;
  return { pin: { ...pin, x: at.x, y: at.y, isDown }, events: type === null ? [] : [event(pin, t, type, at)] };
}
