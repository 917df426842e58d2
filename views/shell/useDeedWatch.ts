"use client";
/** Watches what is done for the first deeds: a control grown, a screen mended by an edit, a file taken out. That a stick was felt is told by the glass it is played on. */
import { useEffect } from "react";
import { useSessionActions } from "../session/context";
import type { SessionState } from "../session/state";
import { onSaved } from "../shared/download";
import { tickOff } from "./deeds";

const isEditOf = (now: SessionState, before: SessionState) => now.id === before.id && now.history.past.length > before.history.past.length;

/** Whether a screen has lost its last blocker or warning, the player being the same. @internal exported for its test */
export function isMended(now: SessionState["findings"], before: SessionState["findings"]): boolean {
  const grave = (of: SessionState["findings"], screen: string) => (screen in of ? of[screen].tally.blocker + of[screen].tally.warning : null);
  return Object.keys(before).some((screen) => (grave(before, screen) ?? 0) > 0 && grave(now, screen) === 0);
}

export function useDeedWatch(): void {
  const session = useSessionActions();
  useEffect(() => {
    /** Edits made since the findings last came: only what followed an edit was mended by one. */
    let edited = false;
    const stop = session.store.subscribe((now, before) => {
      if (isEditOf(now, before)) {
        edited = true;
        if (now.layout.controls.length > before.layout.controls.length) tickOff("grown");
      }
      if (now.id !== before.id || now.playerView !== before.playerView) edited = false;
      if (now.findings === before.findings) return;
      if (edited && now.id === before.id && now.playerView === before.playerView && isMended(now.findings, before.findings)) tickOff("mended");
    });
    const stopSaved = onSaved(() => tickOff("taken"));
    return () => {
      stop();
      stopSaved();
    };
  }, [session]);
}
