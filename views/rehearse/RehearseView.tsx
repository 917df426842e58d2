"use client";
/** The game inside the device, played with mouse, keys, pad or real touch, with as many pinned fingers as are wanted; feel changed while playing, values and traces beside it. */
import { useTheme } from "next-themes";
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from "react";
import { ownEntry } from "../../core/engine/own";
import type { ActionValues, InputEvent } from "../../core/engine/input/events";
import { editContextOf } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Action, Screen } from "../../core/format/types";
import { createTug, TUG_WORDS } from "../../samples/tug/tug";
import { createYard } from "../../samples/yard/yard";
import type { Player } from "../../runtime/player";
import { useCalibration } from "../layout/trueSize";
import { useSession } from "../session/context";
import { benchScreenOf } from "../session/screens";
import { tickOffFelt } from "../shell/felt";
import { useRehearsal } from "../shared/useRehearsal";
import { fitScale, useRoom } from "../shared/useRoom";
import { keyWord } from "../actions/keys";
import { feelNow, type FeelNow } from "./feelChain";
import { FeelPanel, useFollowed } from "./FeelPanel";
import { createLatency } from "./latency";
import { PinList } from "./PinList";
import { setStage, stageStore, useStage } from "./stage";
import { StageBar } from "./StageBar";
import { StageOverlay } from "./StageOverlay";
import { createTouchedControls } from "./touched";
import { paintTraces, TraceLanes } from "./TraceLanes";
import { createTraces, valueText } from "./traces";
import { useChangeOver } from "./useChangeOver";
import { usePins } from "./usePins";
import { useSwitches } from "./useSwitches";
import { useYardPlaces } from "./useYardPlaces";

/** How often the delay is told, ms. */
const TOLD_EVERY_MS = 500;
const readsSecondButton = (actions: readonly Action[]) => actions.some((a) => a.mouse.some((m) => "button" in m && m.button === 2));

/** The game that is played: the tug, or the yard, built anew when a word or a kind changes, and when it is started again. */
function useGame(actions: readonly Action[], isYard: boolean, run: number) {
  const shape = actions.map((a) => `${a.kind} ${a.name}`).join("\n");
  // eslint-disable-next-line react-hooks/exhaustive-deps
  return useMemo(() => (isYard ? createYard(actions) : createTug()), [isYard, shape, run]);
}

/** CSS px a px of the screen: fitting the room, or true to the millimetre. */
function useScale(room: { w: number; h: number }, screen: Screen): number {
  const size = useStage((s) => s.size);
  const onlyGlass = useStage((s) => s.onlyGlass);
  const { pxPerMm: cssPxPerMm } = useCalibration();
  if (size === "true size" && !onlyGlass) return cssPxPerMm / pxPerMm(screen);
  return fitScale(room, screen, onlyGlass ? 0 : 24);
}

export function RehearseView() {
  const layout = useSession((s) => s.layout);
  const playerView = useSession((s) => s.playerView);
  const { actions } = layout;
  const screen = benchScreenOf(layout);
  const canTug = TUG_WORDS.every((word) => actions.some((a) => a.name === word));
  const { wantsYard, hz, size, onlyGlass, mouseIsItself } = useStage((s) => s);
  const isYard = wantsYard || !canTug;
  const [run, setRun] = useState(0);
  const game = useGame(actions, isYard, run);
  const context = useMemo(() => editContextOf(layout, screen, { ...playerView, moment: null }), [layout, screen, playerView]);
  useYardPlaces(game, context, playerView.moment);
  const traces = useMemo(() => createTraces(), [game]); // eslint-disable-line react-hooks/exhaustive-deps
  const latency = useMemo(() => createLatency(), [layout.name, screen, hz]); // eslint-disable-line react-hooks/exhaustive-deps
  const touchedControls = useMemo(() => createTouchedControls(), []);
  const [touched, setTouched] = useState<string | null>(null);
  const followed = useFollowed(touched);
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const trace = useRef<HTMLCanvasElement>(null);
  const delay = useRef<HTMLSpanElement>(null);
  const heldKeys = useRef<HTMLSpanElement>(null);
  const figures = useRef(new Map<string, HTMLElement>());
  const room = useRoom(area);
  const scale = useScale(room, screen);
  const { resolvedTheme } = useTheme();

  const listeners = useRef(new Set<(now: FeelNow) => void>());
  const onFeel = useCallback((listener: (now: FeelNow) => void) => {
    const all = listeners.current;
    all.add(listener);
    return () => void all.delete(listener);
  }, []);
  const drawnValues = useRef<ActionValues>({});
  const onDrawn = (values: ActionValues) => {
    drawnValues.current = values;
    for (const [name, element] of figures.current) {
      const text = valueText(ownEntry(values, name));
      if (element.textContent !== text) element.textContent = text;
    }
    if (trace.current) paintTraces(trace.current, actions, { traces, theme: resolvedTheme === "dark" ? "dark" : "light" });
  };
  const onPlayed = (player: Player) => {
    tickOffFelt(player);
    pins.look(player);
    const last = touchedControls.look(player, pins.isLooped);
    if (last !== null) setTouched(last);
    const now = followed && listeners.current.size > 0 ? feelNow(player, followed, drawnValues.current) : null;
    if (now) listeners.current.forEach((listener) => listener(now));
  };
  const feeding = useRef<(event: InputEvent) => void>(() => undefined);
  const pins = usePins({ feed: feeding, screen, scale, readsSecondButton: readsSecondButton(actions) });
  const { bind, feed, restart } = useRehearsal({
    layout,
    screen,
    scale,
    game,
    moment: playerView.moment,
    player: playerView,
    hz,
    mouseIsItself,
    canvas,
    onDrawn,
    onTick: (values) => traces.push(values),
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
  const startAgain = () => {
    restart();
    setRun(run + 1);
  };
  useEffect(() => {
    const told = window.setInterval(() => {
      if (delay.current) delay.current.textContent = latency.words() ?? "";
    }, TOLD_EVERY_MS);
    return () => window.clearInterval(told);
  }, [latency]);

  const glass = useRef<HTMLDivElement>(null);
  const ready = room.w > 0;
  useEffect(() => {
    if (ready) glass.current?.focus({ preventScroll: true });
  }, [ready, onlyGlass]);
  useEffect(() => () => setStage({ onlyGlass: false }), []);
  const isAlone = size === "full window";
  const { onBlur, onKeyUp, onContextMenu } = bind;
  const isChangeOver = useChangeOver(actions, followed);
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => void (isChangeOver(event.code) || bind.onKeyDown(event));
  return (
    <div className={`grid h-full grid-rows-[auto_minmax(0,1fr)_auto] ${isAlone ? "grid-cols-[minmax(0,1fr)]" : "grid-cols-[minmax(0,1fr)_18.75rem]"}`}>
      <div className="col-span-full">
        <StageBar canTug={canTug} isYard={isYard} onStartAgain={startAgain} />
      </div>
      <section aria-label="Rehearsal" className="flex min-h-0 min-w-0 flex-col">
        <div
          ref={area}
          className={`grid min-h-0 flex-1 place-items-center overflow-auto ${onlyGlass ? "fixed inset-0 z-40 bg-[#0c141b]" : ""}`}
          data-only={onlyGlass}
        >
          {room.w > 0 && (
            <div
              className={onlyGlass ? "" : "border border-ink bg-sheet p-[6px] focus-within:border-accent focus-within:ring-1 focus-within:ring-accent"}
              style={onlyGlass ? undefined : { borderRadius: Math.max(4, screen.cornerPx * scale + 7) }}
            >
              <div
                ref={glass}
                {...pins.wrap(bind)}
                onKeyDown={onKeyDown}
                onKeyUp={onKeyUp}
                onContextMenu={onContextMenu}
                onBlur={() => {
                  onBlur();
                  // Escape, held, has led out; the window alone losing its focus has not.
                  if (document.hasFocus() && stageStore.getState().onlyGlass) setStage({ onlyGlass: false });
                }}
                tabIndex={0}
                role="application"
                aria-label={`The game on ${screen.name}; keys go to it while it has the focus, hold Escape to leave`}
                data-testid="play-glass"
                className="relative touch-none overflow-hidden bg-[#0c141b] outline-none select-none"
                style={{ borderRadius: screen.cornerPx * scale, width: screen.widthPx * scale, height: screen.heightPx * scale }}
              >
                <canvas ref={canvas} className="block h-full w-full" />
                <StageOverlay layout={layout} resolved={context.resolved} screen={screen} scale={scale} tools={pins} onTouched={touchedControls.onTouched} />
              </div>
            </div>
          )}
        </div>
        <p className="caption flex h-6 shrink-0 items-center gap-4 px-4">
          <span>Click the glass: all keys go to the game. Hold Escape to leave it.</span>
          <span ref={heldKeys} className="text-accent" data-testid="held-keys" />
          <span ref={delay} className="figure ml-auto text-[0.6875rem]" data-testid="latency" />
        </p>
      </section>
      {!isAlone && (
        <aside className="row-span-2 flex min-h-0 flex-col overflow-auto border-l border-rule bg-sheet">
          <FeelPanel context={context} touched={touched} onFeel={onFeel} />
          <div className="border-t border-rule" />
          <PinList tools={pins} layout={layout} resolved={context.resolved} screen={screen} />
          <Values actions={actions} figures={figures} />
        </aside>
      )}
      {!isAlone && <TraceLanes actions={actions} canvas={trace} />}
    </div>
  );
}

/** Every action with what the game reads of it just now. */
function Values({ actions, figures }: { actions: readonly Action[]; figures: RefObject<Map<string, HTMLElement>> }) {
  return (
    <section aria-label="Values" className="px-4 py-2.5">
      <h2 className="heading mb-1">Values</h2>
      {actions.length === 0 && <p className="text-muted">No actions yet; add them in view 1.</p>}
      <dl className="grid grid-cols-[1fr_auto] gap-y-0.5">
        {actions.map((a) => (
          <div key={a.name} className="contents">
            <dt className="figure truncate">{a.name}</dt>
            <dd
              className="figure text-right"
              data-testid={`value-${a.name}`}
              ref={(element) => {
                if (element) figures.current.set(a.name, element);
                else figures.current.delete(a.name);
              }}
            >
              –
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
