"use client";
/** Everything over the glass: areas, frames, the controls as targets, tether and handles, the fingertip. Coordinates are px of the screen. */
import { useMemo, useRef } from "react";
import type { Finding, Severity } from "../../core/checks/finding";
import { pxPerMm } from "../../core/placement/screen";
import type { Sight } from "../../core/placement/edits";
import { useSession } from "../session/context";
import { ControlTarget } from "./ControlTarget";
import { AreaPatterns, ControlAreas, Frames } from "./Areas";
import { Handles } from "./Handles";
import { useOverlays } from "./overlays";
import { Tether, TiePoints } from "./Tether";
import { useGlassGestures } from "./useGlassGestures";

/** The fingertip under the pointer, mm across. */
const FINGERTIP_MM = 10;

export function GlassOverlay({ sight, scale }: { sight: Sight; scale: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const tip = useRef<SVGCircleElement>(null);
  const selection = useSession((s) => s.selection);
  const findings = useSession((s) => s.findings[sight.screen.name]);
  const overlays = useOverlays();
  const { bind, marquee, tie } = useGlassGestures(sight, scale, svg, tip);
  const { screen, resolved, layout } = sight;
  const one = selection.length === 1 ? resolved.controls.find((c) => c.id === selection[0]) : undefined;
  const named = useMemo(() => grave(findings), [findings]);
  const controls = new Map(layout.controls.map((c) => [c.id, c]));
  return (
    <svg
      ref={svg}
      className="absolute inset-0 touch-none overflow-visible"
      width={screen.widthPx * scale}
      height={screen.heightPx * scale}
      viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}
      {...bind}
      aria-label={`Controls on ${screen.name}`}
      role="group"
      data-testid="glass"
    >
      <AreaPatterns scale={scale} />
      <Frames sight={sight} overlays={overlays} scale={scale} />
      {resolved.controls.map((at) => (
        <ControlAreas key={at.id} control={controls.get(at.id)!} at={at} overlays={overlays} strong={selection.includes(at.id)} />
      ))}
      {resolved.controls.map((at) => (
        <ControlTarget
          key={at.id}
          control={controls.get(at.id)!}
          x={at.visual.x}
          y={at.visual.y}
          w={at.visual.w}
          h={at.visual.h}
          scale={scale}
          selected={selection.includes(at.id)}
          findings={named.get(at.id)?.count ?? 0}
          worst={named.get(at.id)?.worst ?? null}
        />
      ))}
      {one && <Tether sight={sight} at={one} scale={scale} tie={tie} />}
      {one && tie && <TiePoints sight={sight} at={one} tie={tie} scale={scale} />}
      {one && <Handles at={one} scale={scale} />}
      {marquee && (
        <rect
          x={marquee.x}
          y={marquee.y}
          width={marquee.w}
          height={marquee.h}
          fill="var(--accent)"
          fillOpacity={0.12}
          stroke="var(--accent)"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <circle
        ref={tip}
        r={(FINGERTIP_MM / 2) * pxPerMm(screen)}
        cx={-9999}
        cy={-9999}
        fill="none"
        stroke="#FBFAF6"
        strokeOpacity={0.75}
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
    </svg>
  );
}

/** For each subject, how many blockers and warnings name it, and the gravest: findings come gravest first. */
function grave(findings: readonly Finding[] | undefined): Map<string, { count: number; worst: Severity }> {
  const named = new Map<string, { count: number; worst: Severity }>();
  for (const f of findings ?? []) {
    if (f.accepted !== null || f.severity === "note") continue;
    for (const subject of f.subjects) named.set(subject, { count: (named.get(subject)?.count ?? 0) + 1, worst: named.get(subject)?.worst ?? f.severity });
  }
  return named;
}
