"use client";
/** What is seen of a trace, held for the view and for what is drawn with every frame. */
import { useCallback, useEffect, useRef, useState, type RefObject } from "react";
import type { TraceLog } from "../../../core/rehearsal/traceLog";
import { RUNNING, stepLanes, type Kept, type LaneInput, type LaneView } from "./laneView";

export interface Lanes {
  readonly log: TraceLog;
  readonly view: LaneView;
  /** The view of this moment, for those who draw past React. */
  readonly now: RefObject<LaneView>;
  readonly give: (input: LaneInput) => void;
  /** Reads a tick that moves by itself, from 0: the view goes with it, and the page hears of it now and then. */
  readonly follow: (tick: number) => void;
}

/** How often the page hears of a tick that moves by itself, ms. */
const TOLD_EVERY_MS = 120;

/** The ticks that a log has just now. */
export const keptOf = (log: TraceLog): Kept => ({ first: log.first(), end: log.end(), hz: log.hz });

/** Another log is looked at from its beginning: what was marked was of the one before. `onGiven` hears of what was done by hand, and what is read then. */
export function useLanes(log: TraceLog, onGiven?: (input: LaneInput, view: LaneView) => void): Lanes {
  const [view, setView] = useState<LaneView>(RUNNING);
  const now = useRef<LaneView>(view);
  const told = useRef(0);
  const give = useCallback(
    (input: LaneInput) => {
      now.current = stepLanes(now.current, input, keptOf(log));
      setView(now.current);
      onGiven?.(input, now.current);
    },
    [log, onGiven],
  );
  const follow = useCallback(
    (tick: number) => {
      if (now.current.cursor === tick || log.end() <= log.first()) return;
      now.current = stepLanes(now.current, { kind: "go", tick }, keptOf(log));
      const time = performance.now();
      if (time - told.current < TOLD_EVERY_MS) return;
      told.current = time;
      setView(now.current);
    },
    [log],
  );
  const seen = useRef(log);
  useEffect(() => {
    if (seen.current === log) return;
    seen.current = log;
    now.current = { ...RUNNING, seconds: now.current.seconds };
    setView(now.current);
  }, [log]);
  return { log, view, now, give, follow };
}
