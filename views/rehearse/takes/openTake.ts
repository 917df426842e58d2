"use client";
/** Which take is open on the stage, and how it is played; nothing of it outlives the window. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { OpenedTake } from "../../document/takeLibrary";

export const SPEEDS = [0.25, 0.5, 1, 2, 4, 8] as const;
export interface OpenTake extends OpenedTake {
  /** By which it is in the list. */
  readonly key: string;
}
export interface TakeStore {
  readonly open: OpenTake | null;
  /** Whether it is played on its own layout, screen and hand, or on what is on the stage now. */
  readonly asItWas: boolean;
  readonly plays: boolean;
  readonly speed: (typeof SPEEDS)[number];
  readonly loops: boolean;
}

export const takeStore = createStore<TakeStore>(() => ({ open: null, asItWas: true, plays: false, speed: 1, loops: false }));
export const useOpenTake = <T>(select: (store: TakeStore) => T): T => useStore(takeStore, select);
export const setTake = (change: Partial<TakeStore>): void => takeStore.setState(change);
/** Opens a take, which begins to play at once; where its own layout is not known it is played on the stage's. */
export const openTake = (open: OpenTake): void => takeStore.setState({ open, asItWas: open.on !== null, plays: true });
export const closeTake = (): void => takeStore.setState({ open: null, plays: false });
