"use client";
/** How the set of screens is looked at; nothing of it is in the file. */
import { NO_FILTER, type ScreenFilter, type ScreenGroupBy, type ScreenOrder } from "../../core/checks/screenFilter";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
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
const FIRST: ScreensState = {
  look: "shelf",
  filter: NO_FILTER,
  order: "own",
  grouping: "none",
  moments: false,
  folded: [],
  cell: null,
  against: null,
};
/** Another layout is looked at in the same way; what is about its controls, screens and versions begins anew. */
const screens = defineUiState<ScreensState>({
  lasts: "layout",
  first: FIRST,
  next: ({ look, order, grouping, moments }) => ({ ...FIRST, look, order, grouping, moments }),
});
export const useScreens = screens.use;
export const setScreens = (session: Session, change: Partial<ScreensState>): void => screens.of(session).setState(change);
export const setFilter = (session: Session, change: Partial<ScreenFilter>): void =>
  screens.of(session).setState((s) => ({ filter: { ...s.filter, ...change } }));
