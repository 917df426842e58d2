"use client";
/** A layout on a screen as a small picture: the device with its cut-outs, the game's backdrop, the controls as they look at rest. */
import { memo, useEffect, useRef, useSyncExternalStore } from "react";
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

export const LayoutPicture = memo(function LayoutPicture({ layout, screen, resolved, scale, label, held = false }: Props) {
  const ref = useRef<HTMLCanvasElement>(null);
  const fonts = useFonts();
  const arrivals = useImageArrivals();
  useEffect(() => {
    if (ref.current) drawGlass(ref.current, layout, posed(layout, resolved, held), { screen, scale, epoch: fonts + arrivals * 1000 });
  }, [layout, screen, resolved, scale, fonts, held, arrivals]);
  return (
    <canvas
      ref={ref}
      role="img"
      aria-label={label}
      className="block border border-ink bg-[#0c141b]"
      style={{ width: screen.widthPx * scale, height: screen.heightPx * scale, borderRadius: Math.max(2, screen.cornerPx * scale) }}
    />
  );
});
