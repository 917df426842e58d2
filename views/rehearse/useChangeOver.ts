"use client";
/** A and B are changed over by a key wherever the focus is, on the glass too, unless the game reads that key itself. */
import { useEffect, useEffectEvent } from "react";
import type { Action, Control } from "../../core/format/types";
import { useSessionActions } from "../document/SessionContext";
import { changeOver } from "./sides";

/** The key that changes over (`KeyboardEvent.code`). */
const CHANGE_OVER = "F8";

/** Listens for the key; gives whether a key is that one, and so not the game's. */
export function useChangeOver(actions: readonly Action[], followed: Control | undefined): (code: string) => boolean {
  const session = useSessionActions();
  const isRead = actions.some((a) => a.keys.some((k) => k.code === CHANGE_OVER));
  const isChangeOver = (code: string) => code === CHANGE_OVER && !isRead && followed !== undefined;
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (!isChangeOver(event.code) || !followed) return;
    event.preventDefault();
    if (!event.repeat) changeOver(session, followed);
  });
  useEffect(() => {
    const listener = (event: KeyboardEvent) => onKey(event);
    document.addEventListener("keydown", listener);
    return () => document.removeEventListener("keydown", listener);
  }, []);
  return isChangeOver;
}
