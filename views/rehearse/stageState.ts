"use client";
/** How the stage is set up, for as long as the window is open; nothing of it is in the file. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { Appearance } from "./appearance";

export const HZ_CHOICES = [30, 60, 90, 120, 144] as const;
/** Which areas are drawn over the glass: none, those of what is touched, all. */
export const OVERLAY_CHOICES = ["none", "touched", "all"] as const;
/** What is under the glass. */
export const BELOW_CHOICES = ["traces", "touches", "told"] as const;
export const SIZE_CHOICES = ["fit", "true size", "full window"] as const;

export interface Stage {
  readonly hz: (typeof HZ_CHOICES)[number];
  readonly overlays: (typeof OVERLAY_CHOICES)[number];
  readonly size: (typeof SIZE_CHOICES)[number];
  /** Nothing of the application is seen but the glass. */
  readonly onlyGlass: boolean;
  /** The next press stays down where it is let go. */
  readonly isPinning: boolean;
  /** The mouse is a mouse alone, and touches nothing. */
  readonly mouseIsItself: boolean;
  /** Whether touch controls are on at all. */
  readonly areControlsOn: boolean;
  /** Controls that are hidden one by one, by their ids. */
  readonly hidden: readonly string[];
  /** The control whose feel is shown whatever is touched; null: the one touched last. */
  readonly stays: string | null;
  readonly below: (typeof BELOW_CHOICES)[number];
  /** The values of all actions are in a line over the glass. */
  readonly showsValues: boolean;
  /** The device that the game is played on, and what is seen there; null: controls show whatever the layout says. */
  readonly appearance: Appearance | null;
  /** The test yard is wished for where the game could be played. */
  readonly wantsYard: boolean;
}

export const stageStore = createStore<Stage>(() => ({
  hz: 60,
  overlays: "none",
  size: "fit",
  onlyGlass: false,
  isPinning: false,
  mouseIsItself: false,
  areControlsOn: true,
  hidden: [],
  stays: null,
  showsValues: false,
  appearance: null,
  wantsYard: false,
  below: "traces",
}));
export const useStage = <T>(select: (stage: Stage) => T): T => useStore(stageStore, select);
export const setStage = (change: Partial<Stage>): void => stageStore.setState(change);
