"use client";
/** Pins on the stage: presses that stay, from the pointer and from the list, fed to the player as their own touches. */
import { useCallback, useEffect, useEffectEvent, useRef, useState, type PointerEvent, type RefObject } from "react";
import type { InputEvent } from "../../core/engine/input/events";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";
import { FIRST_PIN_ID, isPinId, noPins, stepPins, type TouchPin, type PinInput, type Pins } from "../interaction/pins";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import type { Player } from "../../runtime/player";
import { stageStore } from "./stageState";
import { holderOf } from "./touched";

/** A press so near to a pin takes it up, mm: a fingertip's half. */
const REACH_MM = 5;
const reachOf = (screen: Screen) => REACH_MM * pxPerMm(screen);

type Bind = Readonly<
  Record<"onPointerDown" | "onPointerMove" | "onPointerUp" | "onPointerCancel" | "onLostPointerCapture", (event: PointerEvent<HTMLElement>) => void>
>;

export interface PinTools {
  /** The control that a pin has gone to, as the frame before had it; null: none. */
  readonly holder: (number: number) => string | null;
  /** Whether a touch is that of a pin that loops. */
  readonly isLooped: (touch: number) => boolean;
  /** To be called after every frame. */
  readonly look: (player: Player) => void;
  /** The pins that are there; where a looping one is just now is reported by `now`. */
  readonly pins: readonly TouchPin[];
  readonly now: () => readonly TouchPin[];
  /** Gives an input, its time put in. The number of the pin that a press made or took up. */
  readonly give: (input: WithoutTime<PinInput>) => number | null;
  /** To be called at the beginning of every frame. */
  readonly onFrame: () => void;
  /** Says that there are as many pins as there may be. */
  readonly onFull: () => void;
  /** Handlers of the glass that see to pins first. */
  readonly wrap: (bind: Bind) => Bind;
}
type WithoutTime<T> = T extends { readonly t: number } ? Omit<T, "t"> : never;

interface Options {
  readonly feed: RefObject<(event: InputEvent) => void>;
  readonly screen: Screen;
  readonly scale: number;
  /** Whether an action reads the second mouse button: then it pins nothing. */
  readonly readsSecondButton: boolean;
  readonly session: Session;
  /** A press made no pin, for there are as many as there may be. */
  readonly onFull: () => void;
}

/** The pins of the layout, while another view is shown. */
interface LeftPins {
  readonly last: { readonly screen: Screen; readonly pins: Pins } | null;
}
const leftPins = defineUiState<LeftPins>({ lasts: "layout", first: { last: null } });

/** The pins that were left on a layout: held where they were, at the same parts of the screen. */
function pinsLeft({ last: left }: LeftPins, screen: Screen): Pins {
  if (!left) return noPins(reachOf(screen));
  const { widthPx, heightPx } = left.screen;
  const scales = { scaleX: screen.widthPx / widthPx, scaleY: screen.heightPx / heightPx, reachPx: reachOf(screen) };
  const there = stepPins(left.pins, { kind: "screen", t: 0, ...scales }).pins;
  return { ...there, pins: there.pins.map((pin) => (pin.state.kind === "in hand" ? { ...pin, state: { kind: "still" } } : pin)) };
}

/** A pointer that holds a pin: which, and the button of the mouse that does (`PointerEvent.buttons`); 0: a finger. */
interface Holding {
  readonly number: number;
  readonly buttons: number;
}

export function usePins({ feed, screen, scale, readsSecondButton, session, onFull }: Options): PinTools {
  const left = leftPins.of(session);
  const [begun] = useState(() => pinsLeft(left.getState(), screen));
  const state = useRef<Pins>(begun);
  const [pins, setPins] = useState<readonly TouchPin[]>(begun.pins);
  const held = useRef(new Map<number, Holding>());
  const leave = useEffectEvent(() => left.setState({ last: { screen, pins: state.current } }));
  useEffect(() => () => leave(), []);
  const give = useCallback(
    (input: WithoutTime<PinInput>): number | null => {
      const before = state.current;
      const step = stepPins(before, { ...input, t: performance.now() } as PinInput);
      state.current = step.pins;
      for (const event of step.events) feed.current(event);
      // A tick moves what loops and changes no list.
      if (input.kind !== "tick" && input.kind !== "move" && step.pins.pins !== before.pins) setPins(step.pins.pins);
      return step.number;
    },
    [feed],
  );
  const seen = useRef(screen);
  useEffect(() => {
    const was = seen.current;
    if (was === screen) return;
    seen.current = screen;
    give({ kind: "screen", scaleX: screen.widthPx / was.widthPx, scaleY: screen.heightPx / was.heightPx, reachPx: reachOf(screen) });
  }, [screen, give]);
  // The player releases everything when the window remains, once; what is pinned comes down again, once, when it is come back to.
  useEffect(() => {
    let isLetGo = false;
    const onLeave = () => {
      isLetGo = true;
    };
    const onBack = () => {
      if (document.hidden) return onLeave();
      if (isLetGo) give({ kind: "again" });
      isLetGo = false;
    };
    window.addEventListener("blur", onLeave);
    window.addEventListener("focus", onBack);
    document.addEventListener("visibilitychange", onBack);
    return () => {
      window.removeEventListener("blur", onLeave);
      window.removeEventListener("focus", onBack);
      document.removeEventListener("visibilitychange", onBack);
    };
  }, [give]);

  const wrap = (bind: Bind): Bind => {
    const placeOf = (event: PointerEvent<HTMLElement>) => {
      const rect = event.currentTarget.getBoundingClientRect();
      return { x: (event.clientX - rect.left) / scale, y: (event.clientY - rect.top) / scale };
    };
    const pinsIt = (event: PointerEvent<HTMLElement>) =>
      (stageStore(session).getState().isPinning && event.button === 0) || (event.pointerType === "mouse" && event.button === 2 && !readsSecondButton);
    const letGo = (event: PointerEvent<HTMLElement>): boolean => {
      const holding = held.current.get(event.pointerId);
      if (!holding) return false;
      held.current.delete(event.pointerId);
      give({ kind: "cancel", number: holding.number });
      return true;
    };
    return {
      onPointerDown(event) {
        if (!pinsIt(event)) return bind.onPointerDown(event);
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus({ preventScroll: true });
        const number = give({ kind: "press", ...placeOf(event) });
        if (number === null) return onFull();
        held.current.set(event.pointerId, { number, buttons: event.pointerType === "mouse" ? event.buttons : 0 });
      },
      onPointerMove(event) {
        const holding = held.current.get(event.pointerId);
        if (!holding) return bind.onPointerMove(event);
        // Of several buttons each counts for itself: the pin is let go with the one that made it, and what is still down is a finger.
        if (holding.buttons !== 0 && (event.buttons & holding.buttons) === 0) {
          letGo(event);
          return bind.onPointerMove(event);
        }
        give({ kind: "move", number: holding.number, ...placeOf(event) });
      },
      onPointerUp: (event) => void (letGo(event) || bind.onPointerUp(event)),
      onPointerCancel: (event) => void (letGo(event) || bind.onPointerCancel(event)),
      onLostPointerCapture: (event) => void (letGo(event) || bind.onLostPointerCapture(event)),
    };
  };
  const holders = useRef(new Map<number, string | null>());
  const look = useCallback((player: Player) => {
    for (const { number } of state.current.pins) holders.current.set(number, holderOf(player, FIRST_PIN_ID + number));
  }, []);
  const holder = useCallback((number: number) => holders.current.get(number) ?? null, []);
  const isLooped = useCallback(
    (touch: number) => isPinId(touch) && state.current.pins.some((pin) => pin.state.kind === "loop" && pin.number === touch - FIRST_PIN_ID),
    [],
  );
  return { onFull, isLooped, look, holder, pins, now: () => state.current.pins, give, onFrame: useCallback(() => void give({ kind: "tick" }), [give]), wrap };
}
