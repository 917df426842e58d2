"use client";
/** The pad in use: the first of the standard mapping that the browser reports, or the simulated one while it is switched on. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { PadSnapshot } from "../../core/wiring/moved";

interface SimulatedPad extends PadSnapshot {
  readonly on: boolean;
}
const BUTTONS = 17;
const AXES = 4;
const restingPad = (on: boolean): SimulatedPad => ({ on, buttons: new Array<number>(BUTTONS).fill(0), axes: new Array<number>(AXES).fill(0) });

const simulated = createStore<SimulatedPad>(() => restingPad(false));
export const useSimulatedPad = <T>(select: (pad: SimulatedPad) => T): T => useStore(simulated, select);
/** Switches the simulated pad on or off; it begins at rest. */
export const switchSimulatedPad = (on: boolean): void => simulated.setState(restingPad(on));
/** Presses a button of the simulated pad by an amount 0…1. */
export function pressSimulated(button: number, amount: number): void {
  simulated.setState((pad) => ({ buttons: pad.buttons.map((b, i) => (i === button ? amount : b)) }));
}
/** Moves a stick of the simulated pad, each way −1…1, y down as pads give it. */
export function moveSimulated(stick: "left" | "right", x: number, y: number): void {
  const first = stick === "left" ? 0 : 2;
  simulated.setState((pad) => ({ axes: pad.axes.map((a, i) => (i === first ? x : i === first + 1 ? y : a)) }));
}

/** The pad as it is now, or null where there is none. */
export function padNow(): { buttons: number[]; axes: number[] } | null {
  const { on, buttons, axes } = simulated.getState();
  if (on) return { buttons: [...buttons], axes: [...axes] };
  const pad = navigator.getGamepads?.().find((p) => p !== null && p.mapping === "standard");
  return pad ? { buttons: pad.buttons.map((b) => b.value), axes: [...pad.axes] } : null;
}
