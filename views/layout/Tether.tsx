"use client";
/** The tether: a line from the control to the point of the frame it is tied to. Its end is dragged to tie the control elsewhere. */
import type { Point } from "../../core/geometry/point";
import type { Pin } from "../../core/layout/types";
import { placementIn, TIE_POINTS, type Sight } from "../../core/placement/edits";
import { frameBox, type ResolvedControl } from "../../core/placement/resolve";
import { framesOf } from "../../core/placement/screen";
import { ON_GLASS } from "./Areas";

/** A tether's end under way: where it is, and the point it would be tied to. */
export interface TieDrag {
  readonly point: Point;
  readonly anchor: readonly [number, number];
}

/** The ends of a control's tether, px: at the control and at the frame. Null for a span. */
export function tetherEnds(sight: Sight, at: ResolvedControl): { from: Point; to: Point; pin: Pin } | null {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, at.id);
  if (placement?.kind !== "pin") return null;
  const frame = frameBox(placement.frame, sight.resolved, framesOf(sight.screen, sight.layout.picture));
  if (!frame) return null;
  return {
    pin: placement,
    from: { x: at.visual.x + placement.pivot[0] * at.visual.w, y: at.visual.y + placement.pivot[1] * at.visual.h },
    to: { x: frame.x + placement.anchor[0] * frame.w, y: frame.y + placement.anchor[1] * frame.h },
  };
}

export function Tether({ sight, at, scale, tie }: { sight: Sight; at: ResolvedControl; scale: number; tie: TieDrag | null }) {
  const ends = tetherEnds(sight, at);
  if (!ends) return null;
  const to = tie?.point ?? ends.to;
  const size = 6 / scale;
  return (
    <g>
      <line
        x1={ends.from.x}
        y1={ends.from.y}
        x2={to.x}
        y2={to.y}
        stroke={ON_GLASS.accent}
        strokeWidth={1.5}
        strokeDasharray="1 3"
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
      <circle cx={ends.from.x} cy={ends.from.y} r={2.5 / scale} fill={ON_GLASS.accent} pointerEvents="none" />
      <g data-tether={at.id} style={{ cursor: "grab" }}>
        <title>Tether: drag this end to tie the control elsewhere; it stays where it is</title>
        <circle cx={to.x} cy={to.y} r={12 / scale} fill="transparent" />
        <path
          d={`M${to.x} ${to.y - size}L${to.x + size} ${to.y}L${to.x} ${to.y + size}L${to.x - size} ${to.y}Z`}
          fill={ON_GLASS.accent}
          stroke="#0c141b"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      </g>
    </g>
  );
}

/** The nine points of the frame, shown while a tether's end is under way. */
export function TiePoints({ sight, at, tie, scale }: { sight: Sight; at: ResolvedControl; tie: TieDrag; scale: number }) {
  const pin = tetherEnds(sight, at)?.pin;
  const frame = pin && frameBox(pin.frame, sight.resolved, framesOf(sight.screen, sight.layout.picture));
  if (!frame) return null;
  return (
    <g pointerEvents="none">
      {TIE_POINTS.map(([ax, ay]) => {
        const near = tie.anchor[0] === ax && tie.anchor[1] === ay;
        return (
          <circle
            key={`${ax},${ay}`}
            cx={frame.x + ax * frame.w}
            cy={frame.y + ay * frame.h}
            r={(near ? 9 : 5) / scale}
            fill={near ? ON_GLASS.accent : "none"}
            fillOpacity={0.5}
            stroke={ON_GLASS.accent}
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </g>
  );
}
