"use client";
/** The areas that touches fall on, each with its pattern and its colour; dead zone and travel. */
import { memo } from "react";
import { centreOf, type Point } from "../../core/engine/geometry/point";
import type { Shape } from "../../core/engine/geometry/shape";
import type { Control, StickControl } from "../../core/format/types";
import type { ResolvedControl } from "../../core/engine/placement/resolve";
import type { Overlays } from "./overlays";
import { ON_GLASS } from "./tones";

/** The patterns, of the same size at every zoom. */
export const AreaPatterns = memo(function AreaPatterns({ scale }: { scale: number }) {
  const of = (size: number) => size / scale;
  const line = { strokeWidth: of(1), fill: "none" };
  return (
    <defs>
      <pattern id="hatch" width={of(7)} height={of(7)} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d={`M0 0V${of(7)}`} stroke={ON_GLASS.hit} {...line} />
      </pattern>
      <pattern id="dots" width={of(9)} height={of(9)} patternUnits="userSpaceOnUse">
        <circle cx={of(4.5)} cy={of(4.5)} r={of(1)} fill={ON_GLASS.land} />
      </pattern>
      <pattern id="strip" width={of(6)} height={of(6)} patternUnits="userSpaceOnUse">
        <path d={`M0 ${of(3)}H${of(6)}`} stroke={ON_GLASS.muted} {...line} />
      </pattern>
      <pattern id="cross" width={of(8)} height={of(8)} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d={`M0 0V${of(8)}M0 0H${of(8)}`} stroke={ON_GLASS.clear} {...line} />
      </pattern>
    </defs>
  );
});

const THIN = { fill: "none", vectorEffect: "non-scaling-stroke", pointerEvents: "none" } as const;

export function ShapePath({ shape, ...rest }: { shape: Shape } & React.SVGProps<SVGRectElement & SVGEllipseElement>) {
  const { x, y, w, h } = shape;
  if (shape.shape === "ellipse") return <ellipse cx={x + w / 2} cy={y + h / 2} rx={w / 2} ry={h / 2} {...rest} />;
  return <rect x={x} y={y} width={w} height={h} rx={shape.shape === "capsule" ? Math.min(w, h) / 2 : 0} {...rest} />;
}

interface TravelProps {
  readonly at: Point;
  /** px of the screen. */
  readonly travel: number;
  readonly feel: StickControl["feel"];
}

/** Travel and dead zones of a stick that goes any way. */
function TravelRings({ at, travel, feel }: TravelProps) {
  return (
    <>
      <circle cx={at.x} cy={at.y} r={travel} stroke={ON_GLASS.ink} strokeWidth={3} {...THIN} />
      <circle cx={at.x} cy={at.y} r={travel} stroke="#22323F" strokeWidth={1} {...THIN} />
      <circle cx={at.x} cy={at.y} r={travel * feel.outer} stroke={ON_GLASS.muted} strokeWidth={1} strokeDasharray="2 3" {...THIN} data-ring="outer" />
      <circle
        cx={at.x}
        cy={at.y}
        r={travel * feel.inner}
        fill={ON_GLASS.muted}
        fillOpacity={0.85}
        stroke="#22323F"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
        data-ring="inner"
      />
    </>
  );
}

/** The same of a stick of one axis: a line with marks across it, as wide as a tenth of the travel. */
function TravelLine({ at, travel, feel }: TravelProps) {
  const wide = travel / 10;
  const path = (from: number, to: number, across: number) =>
    feel.axes === "x"
      ? `M${at.x + from} ${at.y}H${at.x + to}M${at.x + to} ${at.y - across}v${2 * across}`
      : `M${at.x} ${at.y + from}V${at.y + to}M${at.x - across} ${at.y + to}h${2 * across}`;
  const marks = (part: number) => path(0, travel * part, wide) + path(0, -travel * part, wide);
  return (
    <>
      <path d={marks(1)} stroke={ON_GLASS.ink} strokeWidth={3} {...THIN} />
      <path d={marks(1)} stroke="#22323F" strokeWidth={1} {...THIN} />
      <path d={marks(feel.outer)} stroke={ON_GLASS.muted} strokeWidth={1} strokeDasharray="2 3" {...THIN} data-ring="outer" />
      <path d={marks(feel.inner)} stroke={ON_GLASS.muted} strokeWidth={4} {...THIN} data-ring="inner" />
    </>
  );
}

interface AreaProps {
  readonly control: Control;
  readonly at: ResolvedControl;
  readonly overlays: Overlays;
  readonly strong: boolean;
}

/** The areas of one control. */
export const ControlAreas = memo(
  function ControlAreas({ control, at, overlays, strong }: AreaProps) {
    const { x, y } = centreOf(at.visual);
    const radius = Math.min(at.visual.w, at.visual.h) / 2;
    const weight = strong ? 1.5 : 1;
    return (
      <g pointerEvents="none" opacity={strong ? 1 : 0.55} data-areas={control.id}>
        {overlays.landing && at.landing && (
          <rect
            x={at.landing.x}
            y={at.landing.y}
            width={at.landing.w}
            height={at.landing.h}
            fill="url(#dots)"
            stroke={ON_GLASS.land}
            strokeWidth={weight}
            vectorEffect="non-scaling-stroke"
            data-area="landing"
          />
        )}
        {overlays.hit && !at.landing && (
          <ShapePath
            shape={at.hit}
            fill="url(#hatch)"
            fillOpacity={0.55}
            stroke={ON_GLASS.hit}
            strokeWidth={weight}
            vectorEffect="non-scaling-stroke"
            data-area="hit"
          />
        )}
        {overlays.travel && control.kind === "stick" && at.travel !== undefined && (
          <g data-area="travel">
            {control.feel.axes === "both" ? (
              <TravelRings at={{ x, y }} travel={at.travel} feel={control.feel} />
            ) : (
              <TravelLine at={{ x, y }} travel={at.travel} feel={control.feel} />
            )}
          </g>
        )}
        {overlays.travel && (control.kind === "dpad" || control.kind === "dial") && (
          <circle
            cx={x}
            cy={y}
            r={radius * control.feel.neutral}
            fill={ON_GLASS.muted}
            fillOpacity={0.85}
            stroke="#22323F"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
          />
        )}
      </g>
    );
  },
  (a, b) => a.control === b.control && a.overlays === b.overlays && a.strong === b.strong && sameAt(a.at, b.at),
);

const sameBox = (a: { x: number; y: number; w: number; h: number } | undefined, b: { x: number; y: number; w: number; h: number } | undefined) =>
  a === b || (a !== undefined && b !== undefined && a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h);

function sameAt(a: ResolvedControl, b: ResolvedControl): boolean {
  return sameBox(a.visual, b.visual) && sameBox(a.hit, b.hit) && a.hit.shape === b.hit.shape && a.travel === b.travel && sameBox(a.landing, b.landing);
}
