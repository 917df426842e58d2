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
}

/** The ticks that a log has just now. */
export const keptOf = (log: TraceLog): Kept => ({ first: log.first(), end: log.end(), hz: log.hz });

/** Another log is looked at from its beginning: what was marked was of the one before. */
export function useLanes(log: TraceLog): Lanes {
  const [view, setView] = useState<LaneView>(RUNNING);
  const now = useRef<LaneView>(view);
  const give = useCallback(
    (input: LaneInput) => {
      now.current = stepLanes(now.current, input, keptOf(log));
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
  return { log, view, now, give };
}
