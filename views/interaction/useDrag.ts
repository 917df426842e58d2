"use client";
/** Drags of an element for as long as it is shown: one that goes away in the middle of a drag abandons it. */
import { useCallback, useEffect, useRef } from "react";
import type { StartDrag } from "../../ui/drags";
import { startDrag } from "./pointerDrag";

/** Follows presses, one at a time. */
export function useDrag(): StartDrag {
  const abandon = useRef<(() => void) | null>(null);
  useEffect(() => () => abandon.current?.(), []);
  return useCallback((press, spec) => {
    const stop = startDrag(press, spec);
    abandon.current = stop;
    return stop;
  }, []);
}
