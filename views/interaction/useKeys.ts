"use client";
/** The keys of a place, while it is shown. */
import { useEffect, useEffectEvent } from "react";
import { workKey, type KeyHandlers } from "./keyStroke";
import type { KeyPlace } from "./keyTable";
import { keyOwner, targetOfEvent } from "./typing";

/** Listens for the keys of a place. Keys that were handled already are ignored. The handlers may be made when a key is pressed. */
export function useKeys(place: KeyPlace, handlers: KeyHandlers | (() => KeyHandlers)): void {
  const work = useEffectEvent((event: KeyboardEvent) => {
    if (!event.defaultPrevented) workKey(event, place, keyOwner(targetOfEvent(event)), typeof handlers === "function" ? handlers() : handlers);
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => work(event);
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
}
