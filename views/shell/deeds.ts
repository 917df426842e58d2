"use client";
/** The first deeds: four things done once show most of what can be done here. They tick themselves off; the list can be closed for good and called back. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";

export const DEEDS = ["grown", "felt", "mended", "taken"] as const;
export type Deed = (typeof DEEDS)[number];

/** `unbegun`: nobody has come by the welcome yet. */
interface Deeds {
  readonly list: "unbegun" | "shown" | "closed";
  readonly done: readonly Deed[];
}

const KEY = "nodulum.deeds";
const NOTHING: Deeds = { list: "unbegun", done: [] };

/** What this browser remembers of them; nothing where it remembers nothing, or something else. */
function remembered(): Deeds {
  try {
    const kept = JSON.parse(window.localStorage.getItem(KEY) ?? "null") as Partial<Deeds> | null;
    if (!kept || !Array.isArray(kept.done)) return NOTHING;
    return { list: kept.list === "shown" || kept.list === "closed" ? kept.list : "unbegun", done: DEEDS.filter((deed) => kept.done!.includes(deed)) };
  } catch {
    return NOTHING;
  }
}

const store = createStore<Deeds>(() => NOTHING);
let isRead = false;
function now(): Deeds {
  if (!isRead && typeof window !== "undefined") {
    isRead = true;
    store.setState(remembered());
  }
  return store.getState();
}
function change(next: Partial<Deeds>): void {
  store.setState({ ...now(), ...next });
  try {
    window.localStorage.setItem(KEY, JSON.stringify(store.getState()));
  } catch {
    // Where nothing can be kept, it holds as long as the window is open.
  }
}

export const useDeeds = (): Deeds => {
  now();
  return useStore(store);
};
/** Somebody has begun at the welcome: the list shows, unless it was closed for good. */
export function beginDeeds(): void {
  if (now().list === "unbegun") change({ list: "shown" });
}
export const callDeeds = (): void => change({ list: "shown" });
export const closeDeeds = (): void => change({ list: "closed" });
/** Ticks a deed off. */
export function tickOff(deed: Deed): void {
  const { done } = now();
  if (!done.includes(deed)) change({ done: [...done, deed] });
}
