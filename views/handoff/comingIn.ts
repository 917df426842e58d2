"use client";
/** What is on its way in, and what became of what came: it outlasts the view, for a layout that comes in puts another one on the counter. */
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import type { ArtSource } from "./art/ArtDialogue";
import type { UnderWay } from "../fields/Progress";
import type { RectangleSource } from "../../core/exchange/rectangleFile";

interface ComingIn {
  /** What was taken and what was not, in lines. */
  readonly done: readonly string[];
  readonly refused: readonly string[];
  /** What is shown before anything of it is taken, one after the other. */
  readonly rectangles: readonly RectangleSource[];
  readonly art: ArtSource | null;
  /** What is under way; null: nothing. */
  readonly underWay: UnderWay | null;
}

const NOTHING: ComingIn = { done: [], refused: [], rectangles: [], art: null, underWay: null };
const coming = defineUiState<ComingIn>({ lasts: "window", first: NOTHING });

export const useComingIn = (): ComingIn => coming.use((s) => s);
export const comesIn = (session: Session, some: Partial<ComingIn>): void => coming.of(session).setState(some);
/** Something new is on its way: what was reported of the last is done with. */
export const comesInAnew = (session: Session): void => coming.of(session).setState(NOTHING);
