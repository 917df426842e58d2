"use client";
/** A value that changes with every frame, shown a few times a second while there is something more urgent to draw. */
import { useEffect, useRef, useState } from "react";

/** The value; while `calm`, at most one change every `ms`. */
export function useCalm<T>(value: T, calm: boolean, ms: number): T {
  const [shown, setShown] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const wait = calm ? Math.max(0, last.current + ms - performance.now()) : 0;
    const timer = window.setTimeout(() => {
      last.current = performance.now();
      setShown(() => value);
    }, wait);
    return () => window.clearTimeout(timer);
  }, [value, calm, ms]);
  return calm ? shown : value;
}
