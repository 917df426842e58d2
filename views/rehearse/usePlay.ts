"use client";
/** All that is at play on the stage: the game, the player, the pins, the log of what was given, and who listens to every frame. */
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import type { ActionValues, InputEvent } from "../../core/engine/input/events";
import { editContextOf } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Action, Layout, Screen } from "../../core/format/types";
import { readFeel, type FeelState } from "../../core/rehearsal/feelChain";
import { createTraceLog, type PlayedState, type TraceLog } from "../../core/rehearsal/traceLog";
import { createTug, TUG_WORDS } from "../../samples/tug/tug";
import { createYard } from "../../samples/yard/yard";
import type { Player } from "../../runtime/player";
import { keyWord } from "../fields/keyWords";
import { useCalibration } from "../canvas/trueSize";
import { useSession, useSessionActions } from "../document/SessionContext";
import { benchScreenOf } from "../document/railScreens";
import { tickOffFelt } from "../shell/felt";
import { useRehearsal } from "../canvas/useRehearsal";
import { fitScale, useRoom } from "../canvas/useRoom";
import { useFollowed } from "./FeelPanel";
import { createLatency } from "./latency";
import { appearanceAfter } from "./appearance";
import { setStage, stageStore, useStage } from "./stageState";
import { createTouchedControls } from "./touched";
import { useMadeFor } from "../document/useMadeFor";
import { useChangeOver } from "./useChangeOver";
import { useOpenTake } from "./takes/openTake";
import { useSegment } from "./takes/useSegment";
import { usePins } from "./usePins";
import { useSwitches } from "./useSwitches";
import { useYardPlaces } from "./useYardPlaces";

/** How often the delay is reported, ms. */
const TOLD_EVERY_MS = 500;
/** Traces are kept so long, s. */
const KEPT_S = 300;
const readsSecondButton = (actions: readonly Action[]) => actions.some((a) => a.mouse.some((m) => "button" in m && m.button === 2));
/** A text that is another when an action has another word or kind. */
const shapeOf = (actions: readonly Action[]) => actions.map((a) => `${a.kind} ${a.name}`).join("\n");

/** The game that is played: the tug, or the yard, built again when a word or a kind changes, and when it is started again. */
function useGame(actions: readonly Action[], isYard: boolean, run: number) {
  const shape = shapeOf(actions);
  return useMadeFor([isYard, shape, run], () => (isYard ? createYard(actions) : createTug()));
}

/** CSS px a px of the screen: fitting the room, or true to the millimetre. */
export function useScale(room: { w: number; h: number }, screen: Screen): number {
  const size = useStage((s) => s.size);
  const onlyGlass = useStage((s) => s.onlyGlass);
  const { pxPerMm: cssPxPerMm } = useCalibration();
  if (size === "true size" && !onlyGlass) return cssPxPerMm / pxPerMm(screen);
  return fitScale(room, screen, onlyGlass ? 0 : 24);
}

/** The log of what is given, restarted when what it has lanes for is another. */
function useLog({ actions, controls }: Layout, hz: number, run: number): TraceLog {
  const shape = `${shapeOf(actions)}\n\n${controls.map((c) => c.id).join("\n")}`;
  return useMadeFor([shape, hz, run], () =>
    createTraceLog({ hz, most: KEPT_S * hz, actions: actions.map(({ name, kind }) => ({ name, kind })), controls: controls.map((c) => c.id) }),
  );
}

/** Listeners that are reported of something, and how one is added; what adds it gives what takes it away. */
export function useListeners<T>() {
  const listeners = useRef(new Set<(told: T) => void>());
  const add = useCallback((listener: (told: T) => void) => {
    const all = listeners.current;
    all.add(listener);
    return () => void all.delete(listener);
  }, []);
  const tell = useCallback((told: T) => listeners.current.forEach((listener) => listener(told)), []);
  return { add, tell, areAny: () => listeners.current.size > 0 };
}

/** What is at play. */
export function usePlay() {
  const layout = useSession((s) => s.layout);
  const playerView = useSession((s) => s.playerView);
  const { actions } = layout;
  const screen = benchScreenOf(layout);
  const canTug = TUG_WORDS.every((word) => actions.some((a) => a.name === word));
  const { wantsYard, hz, mouseIsItself } = useStage((s) => s);
  const isYard = wantsYard || !canTug;
  const session = useSessionActions();
  const [run, setRun] = useState(0);
  const game = useGame(actions, isYard, run);
  const context = useMemo(() => editContextOf(layout, screen, { ...playerView, moment: null }), [layout, screen, playerView]);
  useYardPlaces(game, context, playerView.moment);
  const log = useLog(layout, hz, run);
  const latency = useMadeFor([layout.name, screen, hz], createLatency);
  const touchedControls = useMemo(() => createTouchedControls(), []);
  const [touched, setTouched] = useState<string | null>(null);
  const followed = useFollowed(touched);
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const delay = useRef<HTMLSpanElement>(null);
  const heldKeys = useRef<HTMLSpanElement>(null);
  const room = useRoom(area);
  const scale = useScale(room, screen);
  const { handed, playerSize } = playerView;
  const layoutId = useSession((s) => s.id);
  const recording = useSegment({ layoutId, layout, screen, handed, playerSize, hz, run });
  const feels = useListeners<FeelState>();
  const frames = useListeners<void>();
  const values = useRef<ActionValues>({});

  const isTakeOpen = useOpenTake((s) => s.open !== null);
  /** What is felt is what is seen: of the hands that play, or of the take that is open. */
  const tellFeel = (at: PlayedState, given: ActionValues) => {
    const felt = followed && feels.areAny() ? readFeel(at, followed.id, given) : null;
    if (felt) feels.tell(felt);
  };
  const onTakeShown = (at: PlayedState, given: ActionValues) => {
    const last = touchedControls.look({ setup: () => at.setup, state: () => at.state }, () => false);
    if (last !== null) setTouched(last);
    tellFeel(at, given);
  };
  const onPlayed = (player: Player) => {
    tickOffFelt(session, player);
    pins.look(player);
    const last = isTakeOpen ? null : touchedControls.look(player, pins.isLooped);
    if (last !== null) setTouched(last);
    if (!isTakeOpen) tellFeel({ setup: player.setup(), state: player.state() }, values.current);
    frames.tell();
  };
  const feeding = useRef<(event: InputEvent) => void>(() => undefined);
  const onFull = () => session.tell({ text: "All ten fingers are pinned. Remove a pin first.", tone: "plain" });
  const pins = usePins({ feed: feeding, screen, scale, readsSecondButton: readsSecondButton(actions), session, onFull });
  const { bind, feed, restart } = useRehearsal({
    layout,
    screen,
    scale,
    game,
    moment: playerView.moment,
    player: playerView,
    hz,
    mouseIsItself,
    areSeen: () => stageStore(session).getState().appearance?.isSeen ?? true,
    onUsed(used) {
      const { appearance } = stageStore(session).getState();
      if (appearance) setStage(session, { appearance: appearanceAfter(layout.appear, appearance, used) });
    },
    canvas,
    onDrawn: (given) => void (values.current = given),
    onTick: (given, tick) => {
      log.push(given, { setup: tick.player.setup(), state: tick.player.state() });
      recording.tick(given, tick);
    },
    onPlayed,
    onFrame: pins.onFrame,
    onLatency: latency.add,
    onKeys: (codes) => {
      if (heldKeys.current) heldKeys.current.textContent = codes.length > 0 ? `keys down: ${codes.map((code) => keyWord(code)).join(" ")}` : "";
    },
  });
  useEffect(() => {
    feeding.current = feed;
  });
  useSwitches(feeding, pins, `${hz} ${run}`);
  useEffect(() => {
    const told = window.setInterval(() => {
      if (delay.current) delay.current.textContent = latency.words() ?? "";
    }, TOLD_EVERY_MS);
    return () => window.clearInterval(told);
  }, [latency]);
  const isChangeOver = useChangeOver(actions, followed);
  return {
    layout,
    screen,
    scale,
    context,
    canTug,
    isYard,
    log,
    pins,
    touched,
    touchedControls,
    area,
    canvas,
    delay,
    heldKeys,
    /** The room for the glass has been measured. */
    ready: room.w > 0,
    room,
    playerView,
    recording,
    /** What every action gives now. */
    values,
    bind: { ...bind, onKeyDown: (event: KeyboardEvent<HTMLElement>) => void (isChangeOver(event.code) || bind.onKeyDown(event)) },
    onFeel: feels.add,
    /** A take has been shown at a tick. */
    onTakeShown,
    onFrame: frames.add,
    startAgain: () => {
      restart();
      setRun(run + 1);
    },
  };
}
export type Play = ReturnType<typeof usePlay>;
