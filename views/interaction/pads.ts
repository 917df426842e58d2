"use client";
/** The pad in use: the first of the standard mapping that the browser reports, or the simulated one while it is switched on. */
import type { Point } from "../../core/engine/geometry/point";
import type { PadSnapshot } from "../../core/wiring/moved";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

interface SimulatedPad extends PadSnapshot {
  readonly on: boolean;
}
const BUTTONS = 17;
const AXES = 4;
const restingPad = (on: boolean): SimulatedPad => ({ on, buttons: new Array<number>(BUTTONS).fill(0), axes: new Array<number>(AXES).fill(0) });

const simulated = defineUiState<SimulatedPad>({ lasts: "window", first: restingPad(false) });
export const useSimulatedPad = simulated.use;
/** Switches the simulated pad on or off; it begins at rest. */
export const switchSimulatedPad = (session: Session, on: boolean): void => simulated.of(session).setState(restingPad(on));
/** Presses a button of the simulated pad by an amount 0…1. */
export function pressSimulated(session: Session, button: number, amount: number): void {
  simulated.of(session).setState((pad) => ({ buttons: pad.buttons.map((b, i) => (i === button ? amount : b)) }));
}
/** Moves a stick of the simulated pad, each way −1…1, y down as pads give it. */
export function moveSimulated(session: Session, stick: "left" | "right", { x, y }: Point): void {
  const first = stick === "left" ? 0 : 2;
  simulated.of(session).setState((pad) => ({ axes: pad.axes.map((a, i) => (i === first ? x : i === first + 1 ? y : a)) }));
}

/** The pad as it is now, or null where there is none. */
export function padNow(session: Session): { buttons: number[]; axes: number[] } | null {
  const { on, buttons, axes } = simulated.of(session).getState();
  if (on) return { buttons: [...buttons], axes: [...axes] };
  const pad = navigator.getGamepads?.().find((p) => p !== null && p.mapping === "standard");
  return pad ? { buttons: pad.buttons.map((b) => b.value), axes: [...pad.axes] } : null;
}
