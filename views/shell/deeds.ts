"use client";
/** The first deeds: four things done once show most of what can be done here. They tick themselves off; the list can be closed for good and called back. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import { note, noted } from "../shared/notes";

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
  const kept = noted(KEY) as Partial<Deeds> | null | undefined;
  if (!Array.isArray(kept?.done)) return NOTHING;
  const { list, done } = kept;
  return { list: list === "shown" || list === "closed" ? list : "unbegun", done: DEEDS.filter((deed) => done.includes(deed)) };
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
  note(KEY, store.getState());
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
