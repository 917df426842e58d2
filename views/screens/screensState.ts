"use client";
/** How the set of screens is looked at, for as long as the window is open; nothing of it is in the file. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import { NO_FILTER, type ScreenFilter, type ScreenGroupBy, type ScreenOrder } from "../../core/checks/screenFilter";
import type { VersionChoice } from "../document/versions";

export const SCREEN_LOOKS = ["shelf", "grid", "spans", "map", "misses", "changed"] as const;
export type ScreenLook = (typeof SCREEN_LOOKS)[number];
/** Screens that stand together, by their places on the shelf. */
export interface Group {
  readonly name: string | null;
  readonly places: readonly number[];
}
export interface ScreensState {
  readonly look: ScreenLook;
  readonly filter: ScreenFilter;
  /** rail: one’s own order. */
  readonly order: ScreenOrder | "rail";
  readonly grouping: ScreenGroupBy;
  /** Every moment of a screen next to the others. */
  readonly moments: boolean;
  /** The groups that are folded in the grid, by their names. */
  readonly folded: readonly string[];
  /** The cell that is open: a row's subject, and a screen's name. */
  readonly cell: { readonly subject: string | null; readonly screen: string } | null;
  /** The version that the findings of now are held against. */
  readonly against: VersionChoice | null;
}
const store = createStore<ScreensState>(() => ({
  look: "shelf",
  filter: NO_FILTER,
  order: "own",
  grouping: "none",
  moments: false,
  folded: [],
  cell: null,
  against: null,
}));
export const useScreens = <T>(select: (state: ScreensState) => T): T => useStore(store, select);
export const setScreens = (change: Partial<ScreensState>): void => store.setState(change);
export const setFilter = (change: Partial<ScreenFilter>): void => store.setState((s) => ({ filter: { ...s.filter, ...change } }));
