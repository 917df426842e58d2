"use client";
/** All that is at play on the stage: the game, the player, the pins, the log of what was given, and who listens to every frame. */
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { editContextOf } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Action, Layout, Screen } from "../../core/format/types";
import { createTraceLog, type TraceLog } from "../../core/rehearsal/traceLog";
import { createTug, TUG_WORDS } from "../../samples/tug/tug";
import { createYard } from "../../samples/yard/yard";
import { keyWord } from "../fields/keyWords";
import { useCalibration } from "../canvas/trueSize";
import { useSession, useSessionActions } from "../document/SessionContext";
import { benchScreenOf } from "../document/railScreens";
import { tickOffFelt } from "../shell/felt";
import { usePlaying, useRehearsalOn } from "../canvas/useRehearsal";
import { fitScale, useRoom } from "../canvas/useRoom";
import { useFollowed } from "./FeelPanel";
import { createLatency } from "./latency";
import { appearanceAfter } from "./appearance";
import { createPlayWatch } from "./playWatch";
import { setStage, stageStore, useStage } from "./stageState";
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

/** Where the glass is: the room for it, and its canvas. */
function usePlace(screen: Screen) {
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const room = useRoom(area);
  return { area, canvas, room, scale: useScale(room, screen), /** The room has been measured. */ isReady: room.w > 0 };
}

/** Figures that change while it is played, written outside React: the delay until a touch is seen, and the keys that are down. */
function useFigures(of: readonly unknown[]) {
  const latency = useMadeFor(of, createLatency);
  const delay = useRef<HTMLSpanElement>(null);
  const heldKeys = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    const told = window.setInterval(() => {
      if (delay.current) delay.current.textContent = latency.words() ?? "";
    }, TOLD_EVERY_MS);
    return () => window.clearInterval(told);
  }, [latency]);
  const onKeys = (codes: readonly string[]) => {
    if (heldKeys.current) heldKeys.current.textContent = codes.length > 0 ? `keys down: ${codes.map((code) => keyWord(code)).join(" ")}` : "";
  };
  return { delay, heldKeys, onLatency: latency.add, onKeys };
}

/** What is on the stage: the layout on its screen, and the game. */
function useStaged() {
  const layout = useSession((s) => s.layout);
  const playerView = useSession((s) => s.playerView);
  const [run, setRun] = useState(0);
  const wantsYard = useStage((s) => s.wantsYard);
  const screen = benchScreenOf(layout);
  const canTug = TUG_WORDS.every((word) => layout.actions.some((a) => a.name === word));
  const isYard = wantsYard || !canTug;
  const game = useGame(layout.actions, isYard, run);
  const context = useMemo(() => editContextOf(layout, screen, { ...playerView, moment: null }), [layout, screen, playerView]);
  useYardPlaces(game, context, playerView.moment);
  return { layout, playerView, screen, canTug, isYard, game, context, run, newRun: () => setRun(run + 1) };
}

/** What is at play. */
export function usePlay() {
  const session = useSessionActions();
  const stage = useStaged();
  const { layout, playerView, screen, game, run } = stage;
  const { hz, mouseIsItself } = useStage((s) => s);
  const place = usePlace(screen);
  const log = useLog(layout, hz, run);
  const figures = useFigures([layout.name, screen, hz]);
  const { handed, playerSize } = playerView;
  const recording = useSegment({ layoutId: useSession((s) => s.id), layout, screen, handed, playerSize, hz, run });
  const [touched, setTouched] = useState<string | null>(null);
  const followed = useFollowed(touched);
  const [watch] = useState(() => createPlayWatch(setTouched));
  const rehearsal = useRehearsalOn(place.canvas);
  const { feed } = rehearsal;
  const pins = usePins({ feed, screen, scale: place.scale, readsSecondButton: readsSecondButton(layout.actions), session });
  const isTakeOpen = useOpenTake((s) => s.open !== null);
  const bind = usePlaying(rehearsal, {
    ...{ layout, screen, scale: place.scale, game, moment: playerView.moment, player: playerView, hz, mouseIsItself },
    areSeen: () => stageStore(session).getState().appearance?.isSeen ?? true,
    given: () => stageStore(session).getState().given,
    onUsed(used) {
      const { appearance } = stageStore(session).getState();
      if (appearance) setStage(session, { appearance: appearanceAfter(layout.appear, appearance, used) });
    },
    onDrawn: watch.drawn,
    onTick(given, tick) {
      log.push(given, { setup: tick.player.setup(), state: tick.player.state() });
      recording.tick(given, tick);
    },
    onPlayed(player) {
      tickOffFelt(session, player);
      pins.look(player);
      watch.played(player);
    },
    onFrame: pins.onFrame,
    onLatency: figures.onLatency,
    onKeys: figures.onKeys,
  });
  useEffect(() => {
    watch.update({ followed: followed?.id, isTakeOpen, isLooped: pins.isLooped });
  });
  useSwitches(feed, pins, `${hz} ${run}`);
  const isChangeOver = useChangeOver(layout.actions, followed);
  const startAgain = () => {
    rehearsal.restart();
    stage.newRun();
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => void (isChangeOver(event.code) || bind.onKeyDown(event));
  return { stage: { ...stage, startAgain }, place, watch, pins, touched, figures, log, recording, bind: { ...bind, onKeyDown } };
}
export type Play = ReturnType<typeof usePlay>;
