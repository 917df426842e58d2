"use client";
/** How many CSS px a millimetre has on the display in front of the user: calibrated once, remembered by the browser. */
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

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

const NONE: Calibration = { pxPerMm: CSS_PX_PER_MM, calibrated: false };
function read(noted: unknown): Calibration {
  const isOne = typeof noted === "number" && noted >= CALIBRATION_RANGE.least && noted <= CALIBRATION_RANGE.most;
  return isOne ? { pxPerMm: noted, calibrated: true } : NONE;
}

const calibration = defineUiState<Calibration>({
  lasts: "window",
  first: NONE,
  kept: { name: "nodulum.cssPxPerMm", read, write: ({ pxPerMm }) => pxPerMm },
});
export const useCalibration = (): Calibration => calibration.use((c) => c);

/** Takes a calibration, CSS px a mm. */
export function calibrate(session: Session, pxPerMm: number): void {
  const { least, most } = CALIBRATION_RANGE;
  calibration.of(session).setState({ pxPerMm: Math.min(most, Math.max(least, pxPerMm)), calibrated: true });
}

/** CSS px a mm of a display of this many px an inch. */
export const fromPpi = (ppi: number, devicePixelRatio: number): number => ppi / 25.4 / devicePixelRatio;
