"use client";
/** The device on the bench, drawn to true proportion: backdrop and controls on a canvas, areas and handles over it. */
import { memo, useImperativeHandle, useRef, type Ref } from "react";
import type { Point } from "../../core/geometry/point";
import type { Screen } from "../../core/layout/types";
import type { Sight } from "../../core/placement/edits";
import { pxPerMm } from "../../core/placement/screen";
import { Tally } from "../../ui/Tally";
import { useSession } from "../session/context";
import { MomentChoice } from "../shared/MomentChoice";
import { LayoutPicture } from "../shared/LayoutPicture";
import { fitScale, useRoom } from "../shared/useRoom";
import { GlassOverlay } from "./GlassOverlay";
import { OVERLAYS, toggleOverlay, useOverlays } from "./overlays";

/** What others may ask of the glass. */
export interface GlassHandle {
  /** The point of the screen (px) under a point of the window, or null beside the glass. */
  pointAt(clientX: number, clientY: number): Point | null;
}

export function Glass({ sight, ref }: { sight: Sight; ref: Ref<GlassHandle> }) {
  const area = useRef<HTMLDivElement>(null);
  const device = useRef<HTMLDivElement>(null);
  const room = useRoom(area);
  const { screen, layout, resolved } = sight;
  const scale = fitScale(room, screen, 26);
  useImperativeHandle(ref, () => ({
    pointAt(clientX, clientY) {
      const rect = device.current?.getBoundingClientRect();
      if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom) return null;
      return { x: (clientX - rect.left) / scale, y: (clientY - rect.top) / scale };
    },
  }));
  return (
    <section aria-label="Bench" className="flex h-full min-h-0 min-w-0 flex-col">
      <GlassHeader screen={screen} />
      <div ref={area} className="relative grid min-h-0 flex-1 place-items-center overflow-hidden">
        {room.w > 0 && (
          <div ref={device} className="relative" style={{ width: screen.widthPx * scale, height: screen.heightPx * scale }}>
            <div className="absolute -inset-[7px] border border-ink bg-sheet" style={{ borderRadius: Math.max(4, screen.cornerPx * scale + 7) }} />
            <div className="absolute inset-0">
              <LayoutPicture layout={layout} screen={screen} resolved={resolved} scale={scale} label={`The layout on ${screen.name}`} />
            </div>
            <GlassOverlay sight={sight} scale={scale} />
          </div>
        )}
      </div>
      {layout.controls.length === 0 && (
        <p className="pb-2 text-center text-muted">
          {layout.actions.length === 0
            ? "Nothing to lay out yet: add the actions your game reads."
            : "Drag an action from the ledger onto the glass; a control that fits it grows there."}
        </p>
      )}
    </section>
  );
}

const GlassHeader = memo(function GlassHeader({ screen }: { screen: Screen }) {
  const overlays = useOverlays();
  const findings = useSession((s) => s.findings[screen.name]);
  const mm = pxPerMm(screen);
  return (
    <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 pt-2">
      <h2 className="font-semibold" data-testid="bench-screen">
        {screen.name}
      </h2>
      <span className="figure text-[11px] text-muted">
        {screen.widthPx} × {screen.heightPx} px · {(screen.widthPx / mm).toFixed(0)} × {(screen.heightPx / mm).toFixed(0)} mm
      </span>
      <Tally findings={findings} />
      <MomentChoice />
      <span className="ml-auto flex flex-wrap gap-1">
        {OVERLAYS.map((o) => (
          <button
            key={o.key}
            aria-pressed={overlays[o.key]}
            title={`${o.word} (${o.letter.toUpperCase()})`}
            onClick={() => toggleOverlay(o.key)}
            className={`h-6 rounded-sm border px-1.5 text-[11px] ${overlays[o.key] ? "border-edge bg-sheet text-ink" : "border-transparent text-muted line-through"}`}
          >
            {o.word}
          </button>
        ))}
      </span>
    </header>
  );
});
