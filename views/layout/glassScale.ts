"use client";
/** How large the screen on the bench is drawn. */
import type { Screen } from "../../core/format/types";
import { pxPerMm } from "../../core/engine/placement/screen";
import { fitScale } from "../canvas/useRoom";
import { useBench } from "./bench";
import { useCalibration } from "../canvas/trueSize";

/** Room left free about a fitted screen, CSS px. */
export const GLASS_MARGIN = 26;

/** CSS px a device pixel, by how the glass is zoomed. */
export function useGlassScale(room: { w: number; h: number }, screen: Screen): { scale: number; fit: number } {
  const zoom = useBench((b) => b.zoom);
  const { pxPerMm: cssPerMm } = useCalibration();
  const fit = fitScale(room, screen, GLASS_MARGIN);
  if (zoom.mode === "fit") return { scale: fit, fit };
  if (zoom.mode === "true") return { scale: cssPerMm / pxPerMm(screen), fit };
  return { scale: fit * zoom.factor, fit };
}
