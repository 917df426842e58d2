"use client";
/** The application kept by the browser, as the window shows it; a newer one is reported once, and taken when nothing is in hand. */
import { useCallback, useEffect } from "react";
import { useStore } from "zustand";
import { useSessionActions } from "../document/SessionContext";
import { defineOwned } from "../document/uiState";
import { createOffline, type Offline, type OfflineWatch } from "./offlineState";
import { fetchAllViews } from "./ViewRouter";

/** The window has other things to do when it opens, ms. */
const REST_MS = 4000;
/** A newer one is looked for when somebody comes back to the window, at most so often, ms. */
const AGAIN_MS = 30 * 60_000;

const watch = defineOwned<OfflineWatch>({
  lasts: "window",
  create: () => {
    const container = process.env.NODE_ENV === "production" ? ((navigator.serviceWorker as ServiceWorkerContainer | undefined) ?? null) : null;
    return createOffline({ container, reload: () => window.location.reload() });
  },
});

/** How far the application is kept. */
export const useOffline = (): Offline => useStore(watch.use().store);

/** Takes the newer version, once everything is written; says why not where something is not. `hasDraft`: text was typed and not entered. */
export function useTakeNewer(hasDraft: boolean): () => void {
  const session = useSessionActions();
  return useCallback(() => {
    const later = (why: string) => session.tell({ text: `The new version is not loaded yet: ${why}.`, tone: "problem" });
    if (hasDraft) return later("a field has unsaved text; press Enter or Escape there");
    session.commit();
    void session.flush().then((safe) => (safe ? watch.of(session).take() : later("the open layout is not saved")));
  }, [session, hasDraft]);
}

/** Keeps the application from now on. Mounted once in a window. */
export function useKeepingOffline(): void {
  const session = useSessionActions();
  useEffect(() => {
    const { store, look } = watch.of(session);
    let looked = 0;
    const lookNow = () => {
      looked = Date.now();
      // Where no worker keeps the views, the page does while it is open.
      void look().then(() => (store.getState() === "never" ? fetchAllViews() : undefined));
    };
    const rest = window.setTimeout(lookNow, REST_MS);
    const onSight = () => document.visibilityState === "visible" && looked > 0 && Date.now() - looked > AGAIN_MS && lookNow();
    document.addEventListener("visibilitychange", onSight);
    const forget = store.subscribe((state) => {
      if (state === "newer")
        session.tell({
          text: "A new version of Nodulum is ready. Press “New version” (the two arrows) at the top.",
          tone: "plain",
        });
      if (state === "older") session.tell({ text: "Another window uses a new version of Nodulum. Reload this window to use it too.", tone: "plain" });
    });
    return () => {
      window.clearTimeout(rest);
      document.removeEventListener("visibilitychange", onSight);
      forget();
    };
  }, [session]);
}
