"use client";
/** The canvas of a device's glass, and when what is on it must be redrawn. */
import { useSyncExternalStore, type Ref } from "react";
import type { Screen } from "../../core/format/types";
import { forgetWordWidths } from "../../runtime/draw/label";
import { useImageArrivals } from "./images";

/** Counts the fonts that have come in, so that words are redrawn in their own type. */
function useFonts(): number {
  return useSyncExternalStore(
    (changed) => {
      const onLoad = () => {
        forgetWordWidths();
        changed();
      };
      document.fonts.addEventListener("loadingdone", onLoad);
      return () => document.fonts.removeEventListener("loadingdone", onLoad);
    },
    () => document.fonts.size + (document.fonts.status === "loaded" ? 1 : 0),
    () => 0,
  );
}

/** A count that rises when fonts or pictures have come in: what was drawn before is then redrawn. */
export function useDrawingEpoch(): number {
  const fonts = useFonts();
  const arrivals = useImageArrivals();
  return fonts + arrivals * 1000;
}

/** The canvas of a device's glass. */
export function GlassCanvas({ ref, screen, scale, label }: { ref: Ref<HTMLCanvasElement>; screen: Screen; scale: number; label: string }) {
  return (
    <canvas
      ref={ref}
      role="img"
      aria-label={label}
      className="block border border-ink bg-[#0c141b]"
      style={{ width: screen.widthPx * scale, height: screen.heightPx * scale, borderRadius: Math.max(2, screen.cornerPx * scale) }}
    />
  );
}
