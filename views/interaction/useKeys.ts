"use client";
/** The keys of a place, while it is shown. */
import { useEffect, useRef } from "react";
import { workKey, type KeyHandlers } from "./keyStroke";
import type { KeyPlace } from "./keyTable";
import { keyOwner, targetOfEvent } from "./typing";

/** Listens for the keys of a place. A key that something within has worked off already is unchanged. Handlers may be made when a key is pressed. */
export function useKeys(place: KeyPlace, handlers: KeyHandlers | (() => KeyHandlers)): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!event.defaultPrevented)
        workKey(event, place, keyOwner(targetOfEvent(event)), typeof latest.current === "function" ? latest.current() : latest.current);
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, [place]);
}
