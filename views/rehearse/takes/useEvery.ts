"use client";
/** A value that is looked at now and then: what changes with every tick is reported a few times a second. */
import { useEffect, useRef, useState } from "react";

/** Looks every `ms`; the component draws again where what is seen is not the same. */
export function useEvery<T>(ms: number, look: () => T, isSame: (a: T, b: T) => boolean = Object.is): T {
  const [seen, setSeen] = useState(look);
  const latest = useRef({ look, isSame });
  useEffect(() => {
    latest.current = { look, isSame };
  });
  useEffect(() => {
    const timer = window.setInterval(() => {
      const next = latest.current.look();
      setSeen((before) => (latest.current.isSame(before, next) ? before : next));
    }, ms);
    return () => window.clearInterval(timer);
  }, [ms]);
  return seen;
}
