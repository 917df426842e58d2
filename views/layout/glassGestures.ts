/**
 * Feeds the machine of the glass (interaction/benchPointer) with what the page reports, once a frame while something moves, and does what it
 * says. It knows nothing of React: see `useGlassGestures`.
 */
import type { Point } from "../../core/engine/geometry/point";
import type { Session } from "../document/session";
import { GLASS_AT_REST, glassDoubleClick, glassStep, type GlassInput } from "../interaction/benchPointer";
import type { GlassCommand, PressedOn } from "../interaction/glassGesture";
import { benchStore, setBench } from "./bench";
import { createGlassCommands, glassWorld } from "./glassCommands";

interface GesturesParts {
  readonly session: Session;
  /** Calls once a frame; returns what cancels it. */
  readonly nextFrame: (work: () => void) => () => void;
}

/** A pointer of the page, and where it is on the screen that is shown, px. */
export interface GlassPointer {
  readonly pointerId: number;
  readonly clientX: number;
  readonly clientY: number;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly point: Point;
  /** All further events of the pointer come to the glass. */
  capture(): void;
}

export interface Gestures {
  /** How large the glass is drawn, CSS px a px of the screen. */
  scaleTo(scale: number): void;
  /** `isPanning`: pressed with the middle button, or while Space is held. */
  down(event: GlassPointer, on: PressedOn, isPanning: boolean): void;
  /** What has moved is done with the next frame. */
  move(event: GlassPointer): void;
  up(event: GlassPointer): void;
  cancel(pointer: number): void;
  doubleClick(on: PressedOn): void;
  /** Puts everything back. */
  abandon(): void;
  /** Another pointer has come down somewhere: if a gesture is under way, it is not meant any more. */
  secondFinger(pointer: number): void;
  isIdle(): boolean;
}

const told = (type: "move" | "up", { pointerId, clientX, clientY, point, shiftKey, altKey }: GlassPointer): GlassInput => ({
  type,
  pointer: pointerId,
  at: { x: clientX, y: clientY },
  point,
  keys: { shift: shiftKey, alt: altKey },
});

export function createGlassGestures({ session, nextFrame }: GesturesParts): Gestures {
  const commands = createGlassCommands(session);
  let state = GLASS_AT_REST;
  let waiting: GlassInput | null = null;
  let cancelFrame: (() => void) | null = null;
  let scale = 1;
  let capture = () => undefined as void;
  const world = () => glassWorld(session, scale);
  const run = (command: GlassCommand): void => {
    if (command.do === "capture") capture();
    else commands.run(command);
  };
  const feed = (input: GlassInput) => {
    const step = glassStep(state, input, world());
    state = step.state;
    step.commands.forEach(run);
  };
  /** What has moved since the last frame. */
  const work = () => {
    cancelFrame?.();
    cancelFrame = null;
    const input = waiting;
    waiting = null;
    if (input) feed(input);
  };
  const abandon = () => {
    waiting = null;
    feed({ type: "abandon" });
  };
  return {
    scaleTo(next) {
      scale = next;
    },
    down({ pointerId: pointer, clientX: x, clientY: y, shiftKey, point, capture: captureIt }, on, pans) {
      capture = captureIt;
      const { grown, several } = benchStore(session).getState();
      if (grown !== null) setBench(session, { grown: null });
      feed({ type: "down", pointer, at: { x, y }, point, on, shift: shiftKey || several, pans });
    },
    move(event) {
      if (state.phase === "idle") return;
      waiting = told("move", event);
      cancelFrame ??= nextFrame(work);
    },
    up(event) {
      work();
      feed(told("up", event));
    },
    cancel(pointer) {
      waiting = null;
      feed({ type: "cancel", pointer });
    },
    doubleClick: (on) => glassDoubleClick(on, world()).forEach(run),
    abandon,
    secondFinger: (pointer) => void (state.phase !== "idle" && state.pointer !== pointer && abandon()),
    isIdle: () => state.phase === "idle",
  };
}
