"use client";
/** A value that is looked at now and then: what changes with every tick is reported a few times a second. */
import { useEffect, useEffectEvent, useState } from "react";

/** Looks every `ms`; the component draws again where what is seen is not the same. */
export function useEvery<T>(ms: number, look: () => T, isSame: (a: T, b: T) => boolean = Object.is): T {
  const [seen, setSeen] = useState(look);
  const update = useEffectEvent(() => {
    const next = look();
    setSeen((before) => (isSame(before, next) ? before : next));
  });
  useEffect(() => {
    const timer = window.setInterval(() => update(), ms);
    return () => window.clearInterval(timer);
  }, [ms]);
  return seen;
}
