"use client";
/** The first steps: four things done once show most of what can be done here. They tick themselves off; the list can be closed for good and called back. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import { note, noted } from "../document/notes";

export const FIRST_STEPS = ["grown", "felt", "mended", "taken"] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** `unbegun`: nobody has come by the welcome yet. */
interface FirstStepsState {
  readonly list: "unbegun" | "shown" | "closed";
  readonly done: readonly FirstStep[];
}

const KEY = "nodulum.deeds";
const NOTHING: FirstStepsState = { list: "unbegun", done: [] };

/** What this browser remembers of them; nothing where it remembers nothing, or something else. */
function remembered(): FirstStepsState {
  const kept = noted(KEY) as Partial<FirstStepsState> | null | undefined;
  if (!Array.isArray(kept?.done)) return NOTHING;
  const { list, done } = kept;
  return { list: list === "shown" || list === "closed" ? list : "unbegun", done: FIRST_STEPS.filter((deed) => done.includes(deed)) };
}

const store = createStore<FirstStepsState>(() => NOTHING);
let isRead = false;
function now(): FirstStepsState {
  if (!isRead && typeof window !== "undefined") {
    isRead = true;
    store.setState(remembered());
  }
  return store.getState();
}
function change(next: Partial<FirstStepsState>): void {
  store.setState({ ...now(), ...next });
  note(KEY, store.getState());
}

export const useFirstSteps = (): FirstStepsState => {
  now();
  return useStore(store);
};
/** Somebody has begun at the welcome: the list shows, unless it was closed for good. */
export function startFirstSteps(): void {
  if (now().list === "unbegun") change({ list: "shown" });
}
export const showFirstSteps = (): void => change({ list: "shown" });
export const closeFirstSteps = (): void => change({ list: "closed" });
/** Ticks a deed off. */
export function tickOff(deed: FirstStep): void {
  const { done } = now();
  if (!done.includes(deed)) change({ done: [...done, deed] });
}
