"use client";
/** The device on the bench, drawn to true proportion: backdrop and controls on a canvas, areas and handles over it; fitted, zoomed or life size. */
import { ownEntry } from "../../core/engine/playerChanges";
import { usePinch } from "@use-gesture/react";
import { memo, useEffect, useImperativeHandle, useRef, type Ref } from "react";
import type { Point } from "../../core/engine/geometry/point";
import { arrangementFor } from "../../core/engine/placement/arrangement";
import type { Screen } from "../../core/format/types";
import { tallyOf } from "../../core/checks/finding";
import { pxPerMm } from "../../core/engine/placement/screen";
import { clampTo } from "../../core/engine/geometry/point";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { Tally } from "../../ui/Tally";
import { useBenchScreen } from "../document/benchContext";
import { useSession, useSessionActions } from "../document/SessionContext";
import { LiveLayout } from "../canvas/LiveLayout";
import { useRoom } from "../canvas/useRoom";
import { benchStore, useBenchStore, setBench, useBench, ZOOM_RANGE, zoomAbout } from "./bench";
import { useGlassScale } from "./glassScale";
import { GlassBar } from "./GlassBar";
import { GlassOverlay } from "./GlassOverlay";
import type { GlassGestures } from "./useGlassGestures";
import { KindChoice } from "./KindChoice";
import { SettledTally } from "../canvas/SettledTally";
import { useShownWay } from "../document/settle/useShownWay";

/** What others may ask of the glass. */
export interface GlassHandle {
  /** The point of the screen (px) under a point of the window, or null next to the glass. */
  pointAt(clientX: number, clientY: number): Point | null;
}

export const BenchGlass = memo(function Glass({ ref }: { ref: Ref<GlassHandle> }) {
  const area = useRef<HTMLDivElement>(null);
  const device = useRef<HTMLDivElement>(null);
  const gestures = useRef<GlassGestures>(null);
  const room = useRoom(area);
  const bench = useBenchStore();
  useEffect(() => bench.setState({ room }), [bench, room]);
  const pan = useBench((b) => b.pan);
  const held = useBench((b) => b.held);
  const hidden = useBench((b) => b.hidden);
  const screen = useBenchScreen();
  const between = useShownWay();
  const empty = useSession((s) => (s.layout.controls.length > 0 ? null : s.layout.actions.length === 0 ? "no actions" : "no controls"));
  const { scale, fit } = useGlassScale(room, screen);
  const pointAt = (clientX: number, clientY: number): Point | null => {
    const rect = device.current?.getBoundingClientRect();
    const seen = area.current?.getBoundingClientRect();
    if (!rect || !seen || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom) return null;
    if (clientX < seen.left || clientX > seen.right || clientY < seen.top || clientY > seen.bottom) return null;
    return { x: (clientX - rect.left) / scale, y: (clientY - rect.top) / scale };
  };
  useImperativeHandle(ref, () => ({ pointAt }));
  useZoomGestures(area, { fit, scale, onSecondFinger: () => gestures.current?.abandon() });
  const width = screen.widthPx * scale;
  const height = screen.heightPx * scale;
  const left = room.w / 2 + pan.x - width / 2;
  const top = room.h / 2 + pan.y - height / 2;
  return (
    <section aria-label="Bench" data-region="2" className="flex h-full min-h-0 min-w-0 flex-col">
      <GlassHeader screen={screen} />
      <div
        ref={area}
        onPointerDownCapture={(event) => gestures.current?.secondFinger(event.pointerId)}
        className="relative min-h-0 flex-1 touch-none overflow-hidden select-none"
        data-testid="bench-room"
      >
        {room.w > 0 && (
          <div ref={device} className="absolute" style={{ left, top, width, height }}>
            <div className="absolute -inset-[7px] border border-ink bg-sheet" style={{ borderRadius: Math.max(4, screen.cornerPx * scale + 7) }} />
            <div className="absolute inset-0">
              <LiveLayout screen={screen} scale={scale} label={`The layout on ${screen.name}`} held={held} without={hidden} between={between} />
            </div>
            <GlassOverlay scale={scale} gestures={gestures} />
          </div>
        )}
        <KindChoice scale={scale} left={left} top={top} room={room} />
      </div>
      {empty !== null && (
        <p className="pb-1 text-center text-muted">
          {empty === "no actions" ? "No actions yet: add the actions your game reads." : "Drag an action from the ledger onto the glass to create its control."}
        </p>
      )}
      <GlassBar screen={screen} room={room} pointAt={pointAt} />
    </section>
  );
});

/** The most that one turn of the wheel zooms by; a touchpad's pinch comes in many small ones. */
const WHEEL_STEP = 0.2;

interface Zooming {
  readonly fit: number;
  readonly scale: number;
  /** Two fingers have come down: what one of them began is not meant any more. */
  readonly onSecondFinger: () => void;
}

/** Two fingers or the wheel with Ctrl zoom about where they are; the wheel alone pushes a zoomed glass about. */
function useZoomGestures(area: React.RefObject<HTMLDivElement | null>, { fit, scale, onSecondFinger }: Zooming): void {
  const session = useSessionActions();
  const start = useRef({ factor: 1, pan: { x: 0, y: 0 }, origin: { x: 0, y: 0 } });
  usePinch(
    ({ first, origin, movement: [grown], event, ctrlKey, delta: [step] }) => {
      const rect = area.current?.getBoundingClientRect();
      if (!rect) return;
      const at = { x: origin[0] - rect.left - rect.width / 2, y: origin[1] - rect.top - rect.height / 2 };
      if (event.type === "wheel" || ctrlKey) {
        event.preventDefault();
        // Several turns of the wheel may come before the glass is redrawn: what is remembered counts, not what is seen.
        const { zoom } = benchStore(session).getState();
        const now = zoom.mode === "free" ? zoom.factor : scale / fit;
        const factor = clampTo(now * (1 + clampTo(step, -WHEEL_STEP, WHEEL_STEP)), ZOOM_RANGE.least, ZOOM_RANGE.most);
        zoomAbout(session, at, { factor, ratio: factor / now });
        return;
      }
      if (first) {
        start.current = { factor: scale / fit, pan: benchStore(session).getState().pan, origin: at };
        // One finger may have begun a drag before the second came down: it is not meant any more.
        onSecondFinger();
      }
      const from = start.current;
      const factor = clampTo(from.factor * grown, ZOOM_RANGE.least, ZOOM_RANGE.most);
      const ratio = factor / from.factor;
      setBench(session, {
        zoom: { mode: "free", factor },
        pan: { x: at.x - (from.origin.x - from.pan.x) * ratio, y: at.y - (from.origin.y - from.pan.y) * ratio },
      });
    },
    { target: area, eventOptions: { passive: false }, pointer: { touch: true } },
  );
  useEffect(() => {
    const element = area.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      const { zoom, pan } = benchStore(session).getState();
      if (event.ctrlKey || event.metaKey || zoom.mode === "fit") return;
      event.preventDefault();
      setBench(session, { pan: { x: pan.x - event.deltaX, y: pan.y - event.deltaY } });
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [session, area]);
}

const GlassHeader = memo(function GlassHeader({ screen }: { screen: Screen }) {
  const list = useSession((s) => ownEntry(s.findings, screen.name)?.list);
  const arrangements = useSession((s) => s.layout.arrangements);
  const handed = useSession((s) => s.playerView.handed);
  const playerSize = useSession((s) => s.playerView.playerSize);
  const mm = pxPerMm(screen);
  const arrangement = arrangements[arrangementFor(arrangements, screen)];
  return (
    <header className="flex flex-wrap items-center gap-x-3 px-4 pt-1.5 xl:h-7 xl:flex-nowrap xl:whitespace-nowrap">
      <h2 className="font-semibold" data-testid="bench-screen">
        {screen.name}
      </h2>
      <span className="figure text-[0.6875rem] text-muted">
        <span className="max-[73.75rem]:hidden">
          {screen.widthPx} × {screen.heightPx} px ·{" "}
        </span>
        {(screen.widthPx / mm).toFixed(0)} × {(screen.heightPx / mm).toFixed(0)} mm
      </span>
      <Tally tally={list ? tallyOf(list) : undefined} />
      <SettledTally screen={screen.name} />
      {arrangements.length > 0 && (
        <span
          className={`text-[0.6875rem] ${arrangement ? "text-accent" : "text-muted"}`}
          data-testid="arrangement-in-use"
          {...readingProps(says(arrangement ? "glass.arrangement" : "glass.base"), arrangement?.name)}
        >
          {arrangement ? `arrangement: ${arrangement.name}` : "base (no arrangement)"}
        </span>
      )}
      {(handed === "left" || playerSize !== 1) && (
        <span className="text-[0.6875rem] text-warning" data-testid="player-in-view">
          as a {handed}-handed player, size {playerSize}
        </span>
      )}
    </header>
  );
});
