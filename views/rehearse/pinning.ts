/** Pinned fingers while a layout is played: presses that stay, from the pointer and from the list, fed to the player as touches of their own. */
import type { InputEvent } from "../../core/engine/input/events";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";
import type { Player } from "../../runtime/player";
import { FIRST_PIN_ID, isPinId, noPins, stepPins, type PinInput, type Pins, type TouchPin } from "../interaction/pins";
import { holderOf } from "./touched";

/** A press so near to a pin takes it up, mm: a fingertip's half. */
const REACH_MM = 5;
const reachOf = (screen: Screen) => REACH_MM * pxPerMm(screen);

type WithoutTime<T> = T extends { readonly t: number } ? Omit<T, "t"> : never;
export type GivenPin = WithoutTime<PinInput>;

/** Pins, and the screen that they are on. */
export interface PinnedOn {
  readonly screen: Screen;
  readonly pins: Pins;
}

export interface Pinning {
  /** Gives an input. The number of the pin that a press made or took up. */
  give(input: GivenPin): number | null;
  /** To be called at the beginning of every frame. */
  onFrame(): void;
  /** To be called after every frame. */
  look(player: Player): void;
  /** The control that a pin has gone to, as the frame before had it; null: none. */
  holder(number: number): string | null;
  /** Whether a touch is that of a pin that loops. */
  isLooped(touch: number): boolean;
  /** The pins as they are just now: where one that loops is changes with every frame. */
  now(): readonly TouchPin[];
  /** Another screen: pins stand at the same parts of it. */
  showOn(screen: Screen): void;
  /** The pins, for when they are come back to. */
  left(): PinnedOn;
}

interface PinningParts {
  readonly feed: (event: InputEvent) => void;
  readonly screen: Screen;
  /** Pins that were left on the layout; null: none. */
  readonly last: PinnedOn | null;
  /** Called when the list of pins is another; what loops changes no list. */
  readonly onPins: (pins: readonly TouchPin[]) => void;
  /** ms */
  readonly now: () => number;
}

/** How a screen is another: the scale from it, and the reach of a press on the new one. */
const changeOf = (was: Screen, screen: Screen) => ({
  scaleX: screen.widthPx / was.widthPx,
  scaleY: screen.heightPx / was.heightPx,
  reachPx: reachOf(screen),
});

/** Pins as they begin: held where they were left, at the same parts of the screen. */
export function pinsAtFirst(last: PinnedOn | null, screen: Screen): Pins {
  if (!last) return noPins(reachOf(screen));
  const there = stepPins(last.pins, { kind: "screen", t: 0, ...changeOf(last.screen, screen) }).pins;
  return { ...there, pins: there.pins.map((pin) => (pin.state.kind === "in hand" ? { ...pin, state: { kind: "still" } } : pin)) };
}

export function createPinning({ feed, screen: first, last, onPins, now }: PinningParts): Pinning {
  let screen = first;
  let state = pinsAtFirst(last, screen);
  const holders = new Map<number, string | null>();
  const give = (input: GivenPin): number | null => {
    const before = state;
    const step = stepPins(before, { ...input, t: now() } as PinInput);
    state = step.pins;
    step.events.forEach(feed);
    if (input.kind !== "tick" && input.kind !== "move" && state.pins !== before.pins) onPins(state.pins);
    return step.number;
  };
  return {
    give,
    onFrame: () => void give({ kind: "tick" }),
    look(player) {
      for (const { number } of state.pins) holders.set(number, holderOf(player, FIRST_PIN_ID + number));
    },
    holder: (number) => holders.get(number) ?? null,
    isLooped: (touch) => isPinId(touch) && state.pins.some((pin) => pin.state.kind === "loop" && pin.number === touch - FIRST_PIN_ID),
    now: () => state.pins,
    showOn(next) {
      if (next === screen) return;
      give({ kind: "screen", ...changeOf(screen, next) });
      screen = next;
    },
    left: () => ({ screen, pins: state }),
  };
}

/** A pointer on the glass, in px of the screen. */
export interface PinPointer {
  readonly pointerId: number;
  readonly isMouse: boolean;
  /** The buttons that are down (`PointerEvent.buttons`). */
  readonly buttons: number;
  readonly x: number;
  readonly y: number;
}

/** The pointers that hold pins. */
export interface PinHands {
  /** A press that pins; full: there are as many pins as there may be. */
  down(at: PinPointer): "pinned" | "full";
  /** Whether the pointer holds a pin, so that it touches nothing else. */
  move(at: PinPointer): boolean;
  up(pointerId: number): boolean;
}

export function createPinHands({ give }: Pick<Pinning, "give">): PinHands {
  /** By pointer: the pin it holds, and the button of the mouse that does; 0: a finger. */
  const held = new Map<number, { readonly number: number; readonly buttons: number }>();
  const up = (pointerId: number) => {
    const holding = held.get(pointerId);
    if (!holding) return false;
    held.delete(pointerId);
    give({ kind: "cancel", number: holding.number });
    return true;
  };
  return {
    down({ pointerId, isMouse, buttons, x, y }) {
      const number = give({ kind: "press", x, y });
      if (number === null) return "full";
      held.set(pointerId, { number, buttons: isMouse ? buttons : 0 });
      return "pinned";
    },
    move({ pointerId, buttons, x, y }) {
      const holding = held.get(pointerId);
      if (!holding) return false;
      // Of several buttons each counts for itself: the pin is let go with the one that made it, and what is still down is a finger.
      if (holding.buttons !== 0 && (buttons & holding.buttons) === 0) {
        up(pointerId);
        return false;
      }
      give({ kind: "move", number: holding.number, x, y });
      return true;
    },
    up,
  };
}
