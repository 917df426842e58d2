"use client";
/** The first steps: four things done once show most of what can be done here. They tick themselves off; the list can be closed for good and called back. */
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

export const FIRST_STEPS = ["grown", "felt", "mended", "taken"] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** `unbegun`: nobody has come by the welcome yet. */
interface FirstStepsState {
  readonly list: "unbegun" | "shown" | "closed";
  readonly done: readonly FirstStep[];
}

const NOTHING: FirstStepsState = { list: "unbegun", done: [] };

/** What the browser kept of them; nothing where it kept nothing, or something else. */
function read(noted: unknown): FirstStepsState {
  const kept = noted as Partial<FirstStepsState> | null | undefined;
  if (!Array.isArray(kept?.done)) return NOTHING;
  const { list, done } = kept;
  return { list: list === "shown" || list === "closed" ? list : "unbegun", done: FIRST_STEPS.filter((step) => done.includes(step)) };
}

const steps = defineUiState<FirstStepsState>({ lasts: "window", first: NOTHING, kept: { name: "nodulum.deeds", read } });
export const useFirstSteps = (): FirstStepsState => steps.use((s) => s);
/** Somebody has begun at the welcome: the list shows, unless it was closed for good. */
export function startFirstSteps(session: Session): void {
  if (steps.of(session).getState().list === "unbegun") showFirstSteps(session);
}
export const showFirstSteps = (session: Session): void => steps.of(session).setState({ list: "shown" });
export const closeFirstSteps = (session: Session): void => steps.of(session).setState({ list: "closed" });
/** Ticks a step off. */
export function tickOff(session: Session, step: FirstStep): void {
  const { done } = steps.of(session).getState();
  if (!done.includes(step)) steps.of(session).setState({ done: [...done, step] });
}
