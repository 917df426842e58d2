"use client";
/** Pins on the stage: they outlast the view, and their pointers come before those that touch. */
import { useEffect, useEffectEvent, useState, type PointerEvent } from "react";
import type { InputEvent } from "../../core/engine/input/events";
import type { Screen } from "../../core/format/types";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import type { TouchPin } from "../interaction/pins";
import { createPinHands, createPinning, pinsAtFirst, type PinnedOn, type Pinning, type PinPointer } from "./pinning";
import { stageStore } from "./stageState";

type Bind = Readonly<
  Record<"onPointerDown" | "onPointerMove" | "onPointerUp" | "onPointerCancel" | "onLostPointerCapture", (event: PointerEvent<HTMLElement>) => void>
>;

export interface PinTools extends Pick<Pinning, "give" | "holder" | "isLooped" | "look" | "now" | "onFrame"> {
  /** The pins that are there. */
  readonly pins: readonly TouchPin[];
  /** Says that there are as many pins as there may be. */
  readonly onFull: () => void;
  /** Handlers of the glass that see to pins first. */
  readonly wrap: (bind: Bind) => Bind;
}

interface Options {
  readonly feed: (event: InputEvent) => void;
  readonly screen: Screen;
  readonly scale: number;
  /** Whether an action reads the second mouse button: then it pins nothing. */
  readonly readsSecondButton: boolean;
  readonly session: Session;
}

/** The pins of the layout, while another view is shown. */
const leftPins = defineUiState<{ readonly last: PinnedOn | null }>({ lasts: "layout", first: { last: null } });

export function usePins({ feed, screen, scale, readsSecondButton, session }: Options): PinTools {
  const left = leftPins.of(session);
  const [pins, setPins] = useState<readonly TouchPin[]>(() => pinsAtFirst(left.getState().last, screen).pins);
  const [pinning] = useState(() => createPinning({ feed, screen, last: left.getState().last, onPins: setPins, now: () => performance.now() }));
  const [hands] = useState(() => createPinHands(pinning));
  useEffect(() => pinning.showOn(screen), [pinning, screen]);
  const leave = useEffectEvent(() => left.setState({ last: pinning.left() }));
  useEffect(() => () => leave(), []);
  useComingBack(pinning);
  const onFull = () => session.tell({ text: "All ten fingers are pinned. Remove a pin first.", tone: "plain" });
  const pinsIt = ({ button, pointerType }: PointerEvent) =>
    (stageStore(session).getState().isPinning && button === 0) || (pointerType === "mouse" && button === 2 && !readsSecondButton);
  const wrap = (bind: Bind): Bind => {
    const lift = (after: (event: PointerEvent<HTMLElement>) => void) => (event: PointerEvent<HTMLElement>) => void (hands.up(event.pointerId) || after(event));
    return {
      onPointerDown(event) {
        if (!pinsIt(event)) return bind.onPointerDown(event);
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus({ preventScroll: true });
        if (hands.down(pointerOf(event, scale)) === "full") onFull();
      },
      onPointerMove: (event) => void (hands.move(pointerOf(event, scale)) || bind.onPointerMove(event)),
      onPointerUp: lift(bind.onPointerUp),
      onPointerCancel: lift(bind.onPointerCancel),
      onLostPointerCapture: lift(bind.onLostPointerCapture),
    };
  };
  return { ...pinning, pins, onFull, wrap };
}

function pointerOf(event: PointerEvent<HTMLElement>, scale: number): PinPointer {
  const rect = event.currentTarget.getBoundingClientRect();
  const { pointerId, pointerType, buttons } = event;
  return { pointerId, isMouse: pointerType === "mouse", buttons, x: (event.clientX - rect.left) / scale, y: (event.clientY - rect.top) / scale };
}

/** The player releases everything when the window is left, once; what is pinned comes down again, once, when it is come back to. */
function useComingBack({ give }: Pinning): void {
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
}
