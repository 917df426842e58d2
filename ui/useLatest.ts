"use client";
/** A stable function that does what the newest render says. For what outlives a render outside of effects: a drag, a memoised child. In effects it is `useEffectEvent`. */
import { useCallback, useLayoutEffect, useRef } from "react";

export function useLatest<A extends readonly unknown[], R>(handler: (...args: A) => R): (...args: A) => R {
  const latest = useRef(handler);
  useLayoutEffect(() => {
    latest.current = handler;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
