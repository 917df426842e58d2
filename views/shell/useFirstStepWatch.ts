"use client";
/** Watches what is done for the first steps: a control grown, a screen fixed by an edit, a file taken out. That a stick was felt is reported by the glass it is played on. */
import { useEffect } from "react";
import { useSessionActions } from "../document/SessionContext";
import type { SessionState } from "../document/sessionState";
import { onSaved } from "../document/files/download";
import { tickOff } from "./firstStepsState";

const isEditOf = (now: SessionState, before: SessionState) => now.id === before.id && now.history.past.length > before.history.past.length;

/** Whether a screen has lost its last blocker or warning, the player being the same. @internal exported for its test */
export function isMended(now: SessionState["findings"], before: SessionState["findings"]): boolean {
  const grave = (of: SessionState["findings"], screen: string) => (screen in of ? of[screen].tally.blocker + of[screen].tally.warning : null);
  return Object.keys(before).some((screen) => (grave(before, screen) ?? 0) > 0 && grave(now, screen) === 0);
}

/** Whether an edit adds a control. Such an edit often ends a finding, that of an action without one, and is its own step. */
const addsControl = (now: Pick<SessionState, "layout">, before: Pick<SessionState, "layout">): boolean =>
  now.layout.controls.length > before.layout.controls.length;

export function useFirstStepWatch(): void {
  const session = useSessionActions();
  useEffect(() => {
    /** Whether the last edit may be what fixed a screen. */
    let edited = false;
    const stop = session.store.subscribe((now, before) => {
      if (isEditOf(now, before)) {
        const isNew = addsControl(now, before);
        edited = !isNew;
        if (isNew) tickOff(session, "grown");
      }
      if (now.id !== before.id || now.playerView !== before.playerView) edited = false;
      if (now.findings === before.findings) return;
      if (
        edited &&
        now.id === before.id &&
        now.playerView === before.playerView &&
        now.countedFor === before.countedFor &&
        isMended(now.findings, before.findings)
      )
        tickOff(session, "mended");
    });
    const stopSaved = onSaved(() => tickOff(session, "taken"));
    return () => {
      stop();
      stopSaved();
    };
  }, [session]);
}
