"use client";
/** Leaving asks while something would be lost: unwritten edits, a gesture under way, text that was typed and not entered, work that only memory has. */
import { useEffect, useState } from "react";
import { useSessionActions } from "../document/SessionContext";
import { watchDrafts } from "./drafts";

/** Asks before the window remains; gives whether text was typed and not entered. */
export function useLeaving(): boolean {
  const session = useSessionActions();
  const [hasDraft, setHasDraft] = useState(false);
  useEffect(() => {
    const watched = watchDrafts(document);
    const forget = watched.store.subscribe(setHasDraft);
    const onLeave = (event: BeforeUnloadEvent) => {
      const { onlyMemory, log } = session.store.getState();
      const isLost = session.isUnsaved() || watched.look() || (onlyMemory !== null && log.length > 0);
      if (isLost) event.preventDefault();
    };
    window.addEventListener("beforeunload", onLeave);
    return () => {
      window.removeEventListener("beforeunload", onLeave);
      forget();
      watched.stop();
    };
  }, [session]);
  return hasDraft;
}
