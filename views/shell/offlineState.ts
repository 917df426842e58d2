/**
 * The application kept by the browser (scripts/service-worker.js): whether it is, and whether a newer one waits. A newer one is taken when
 * the user says so, and never before everything is written.
 */
import { createStore, type StoreApi } from "zustand/vanilla";

/**
 * never: this browser keeps no applications here (plain http, a private window, or forbidden) · preparing: it is being kept · ready: it
 * works without its server · newer: a newer one is kept as well and waits to be taken · older: another window has taken the newer one.
 */
export type Offline = "never" | "preparing" | "ready" | "newer" | "older";

/** What the browser gives to keep an application by, and to load it again. */
export interface OfflineParts {
  readonly container: Pick<ServiceWorkerContainer, "register" | "controller" | "addEventListener"> | null;
  readonly reload: () => void;
}

/** The kept application, watched. */
export interface OfflineWatch {
  readonly store: StoreApi<Offline>;
  /** Keeps it, or finds that it is kept; called again it looks for a newer one. Never rejects. */
  look(): Promise<void>;
  /** Takes the newer one: the window is loaded again by it. Everything must be written by then. */
  take(): void;
}

/** A watch that has not looked yet. */
export function createOffline({ container, reload }: OfflineParts): OfflineWatch {
  const store = createStore<Offline>(() => (container ? "preparing" : "never"));
  const say = (next: Offline) => store.setState(next, true);
  let kept: ServiceWorkerRegistration | null = null;
  let taking = false;
  // The first worker takes over a page that came from the server; that is no change of version.
  let controlled = container !== null && container.controller !== null;

  const found = (registration: ServiceWorkerRegistration) => {
    if (registration.waiting && controlled) say("newer");
    else if (registration.active && store.getState() !== "older") say("ready");
  };
  const watch = (registration: ServiceWorkerRegistration) => {
    kept = registration;
    found(registration);
    registration.addEventListener("updatefound", () => {
      registration.installing?.addEventListener("statechange", () => found(registration));
    });
    registration.installing?.addEventListener("statechange", () => found(registration));
  };
  container?.addEventListener("controllerchange", () => {
    if (taking) return reload();
    if (controlled) say("older");
    else if (kept) found(kept);
    controlled = true;
  });

  return {
    store,
    async look() {
      if (!container) return;
      try {
        if (kept) return void (await kept.update());
        const registration = (await container.register("/sw.js", { updateViaCache: "none" })) as ServiceWorkerRegistration | undefined;
        if (registration) watch(registration);
        else say("never");
      } catch (error) {
        // With the server gone there is nothing newer to be found; what is kept goes on.
        if (kept === null && container.controller === null) {
          console.warn("The application is not available offline.", error);
          say("never");
        } else if (store.getState() === "preparing") say("ready");
      }
    },
    take() {
      if (store.getState() === "older" || !kept?.waiting) return reload();
      taking = true;
      kept.waiting.postMessage("take");
    },
  };
}
