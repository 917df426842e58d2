"use client";
/** How the stage is set up; nothing of it is in the file. */
import type { GivenStates } from "../../runtime/draw/given";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
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
  /** What the game would say of controls, by their ids. */
  readonly given: GivenStates;
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

const FIRST: Stage = {
  hz: 60,
  overlays: "none",
  size: "fit",
  onlyGlass: false,
  isPinning: false,
  mouseIsItself: false,
  areControlsOn: true,
  hidden: [],
  given: new Map(),
  stays: null,
  showsValues: false,
  appearance: null,
  wantsYard: false,
  below: "traces",
};
/** Another layout is played in the same way; what is about its controls begins anew. */
const stage = defineUiState<Stage>({
  lasts: "layout",
  first: FIRST,
  next: ({ hz, overlays, size, showsValues, wantsYard, below }) => ({ ...FIRST, hz, overlays, size, showsValues, wantsYard, below }),
});
export const stageStore = stage.of;
export const useStage = stage.use;
export const setStage = (session: Session, change: Partial<Stage>): void => stageStore(session).setState(change);
