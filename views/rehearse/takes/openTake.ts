"use client";
/** Which take of the layout is open on the stage, and how it is played. */
import type { Session } from "../../document/session";
import type { OpenedTake } from "../../document/takeLibrary";
import { defineUiState } from "../../document/uiState";

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

const FIRST: TakeStore = { open: null, asItWas: true, plays: false, speed: 1, loops: false };
const take = defineUiState<TakeStore>({ lasts: "layout", first: FIRST, next: ({ speed, loops }) => ({ ...FIRST, speed, loops }) });
export const takeStore = take.of;
export const useOpenTake = take.use;
export const setTake = (session: Session, change: Partial<TakeStore>): void => takeStore(session).setState(change);
/** Opens a take, which begins to play at once; where its own layout is not known it is played on the stage's. */
export const openTake = (session: Session, open: OpenTake): void => setTake(session, { open, asItWas: open.on !== null, plays: true });
export const closeTake = (session: Session): void => setTake(session, { open: null, plays: false });
