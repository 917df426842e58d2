"use client";
/** A layout on a screen as a small picture: the device with its cut-outs, the game's backdrop, the controls as they look at rest. */
import { memo, useEffect, useRef, useSyncExternalStore, type Ref } from "react";
import type { Layout, Screen } from "../../core/format/types";
import type { Resolved } from "../../core/engine/placement/resolve";
import { forgetWordWidths } from "../../runtime/art";
import { drawGlass, posed } from "./drawGlass";
import { useImageArrivals } from "./images";

interface Props {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly resolved: Resolved;
  /** CSS px a device pixel. */
  readonly scale: number;
  readonly label: string;
  /** Look at the controls as held rather than at rest. */
  readonly held?: boolean;
}

/** Counts the fonts that have come in, so that words are drawn anew in their own type. */
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

/** A count that rises when fonts or pictures have come in: what was drawn before is then drawn anew. */
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

export const LayoutPicture = memo(function LayoutPicture({ layout, screen, resolved, scale, label, held = false }: Props) {
  const ref = useRef<HTMLCanvasElement>(null);
  const epoch = useDrawingEpoch();
  useEffect(() => {
    if (ref.current) drawGlass(ref.current, layout, posed(layout, resolved, held), { screen, scale, epoch });
  }, [layout, screen, resolved, scale, held, epoch]);
  return <GlassCanvas ref={ref} screen={screen} scale={scale} label={label} />;
});
