"use client";
/** How many CSS px a millimetre has on the display in front of the user: calibrated once, remembered by the browser. */
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";

const KEY = "nodulum.cssPxPerMm";
/** What CSS itself takes a millimetre for; displays differ. */
const CSS_PX_PER_MM = 96 / 25.4;
/** A bank card (ISO/IEC 7810, ID-1), mm. */
export const CARD_MM = { w: 85.6, h: 53.98 } as const;
/** What a calibration may come to, CSS px a mm: from a projector to a phone. */
export const CALIBRATION_RANGE = { least: 1, most: 12 } as const;

interface Calibration {
  readonly pxPerMm: number;
  readonly calibrated: boolean;
}

function remembered(): Calibration {
  try {
    const value = Number(window.localStorage.getItem(KEY));
    if (value >= CALIBRATION_RANGE.least && value <= CALIBRATION_RANGE.most) return { pxPerMm: value, calibrated: true };
  } catch {
    // Refused storage: the display counts as not calibrated.
  }
  return { pxPerMm: CSS_PX_PER_MM, calibrated: false };
}

const store = createStore<Calibration>(() => (typeof window === "undefined" ? { pxPerMm: CSS_PX_PER_MM, calibrated: false } : remembered()));
export const useCalibration = (): Calibration => useStore(store);

/** Takes a calibration, CSS px a mm. */
export function calibrate(pxPerMm: number): void {
  const { least, most } = CALIBRATION_RANGE;
  store.setState({ pxPerMm: Math.min(most, Math.max(least, pxPerMm)), calibrated: true });
  try {
    window.localStorage.setItem(KEY, String(store.getState().pxPerMm));
  } catch {
    // Refused storage costs only the memory of it.
  }
}

/** CSS px a mm of a display of this many px an inch. */
export const fromPpi = (ppi: number, devicePixelRatio: number): number => ppi / 25.4 / devicePixelRatio;
