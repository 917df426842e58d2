"use client";
/** What a moving box has met, with the distances; and the gaps to its neighbours, mm. */
import { isUnderlay } from "../../core/derived/underlay";
import { gapsAbout } from "../../core/engine/geometry/gaps";
import type { EditContext } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Guide } from "../../core/editing/snap";
import { inCluster } from "../../core/editing/placeables";
import { ON_GLASS } from "../canvas/tones";

const LINE = { strokeWidth: 1, vectorEffect: "non-scaling-stroke" } as const;

function figure({ x, y, mm, scale, tone }: { x: number; y: number; mm: number; scale: number; tone: string }) {
  return (
    <text
      x={x}
      y={y}
      fontSize={10.5 / scale}
      textAnchor="middle"
      dominantBaseline="central"
      fill={tone}
      stroke={ON_GLASS.dark}
      strokeWidth={3 / scale}
      paintOrder="stroke"
      style={{ fontFamily: "var(--font-mono)" }}
    >
      {mm.toFixed(1)} mm
    </text>
  );
}

export function Guides({ guides, context, scale }: { guides: readonly Guide[]; context: EditContext; scale: number }) {
  const mm = pxPerMm(context.screen);
  return (
    <g pointerEvents="none" data-testid="guides">
      {guides.map((g) => (
        <g key={`${g.axis} ${g.sort} ${g.at}`} data-guide={g.sort}>
          {g.sort !== "gap" && (
            <path
              d={g.axis === "x" ? `M${g.at} ${g.from}V${g.to}` : `M${g.from} ${g.at}H${g.to}`}
              stroke={ON_GLASS.accent}
              strokeDasharray={g.sort === "mirror" ? "6 3" : undefined}
              {...LINE}
            />
          )}
          {g.gaps.map((gap) => {
            const middle = (gap.from + gap.to) / 2;
            const [x, y] = gap.axis === "x" ? [middle, gap.across] : [gap.across, middle];
            return (
              <g key={`${gap.from} ${gap.to}`}>
                <path
                  d={gap.axis === "x" ? `M${gap.from} ${gap.across}H${gap.to}` : `M${gap.across} ${gap.from}V${gap.to}`}
                  stroke={ON_GLASS.accent}
                  {...LINE}
                />
                {figure({ x, y, mm: (gap.to - gap.from) / mm, scale, tone: ON_GLASS.accent })}
              </g>
            );
          })}
        </g>
      ))}
    </g>
  );
}

/** Neighbours nearer than this are measured, mm, and this many of them. */
const NEIGHBOUR_MM = 14;
const MOST_GAPS = 4;

/** The gaps between what is moving and its nearest neighbours, hit area to hit area. */
export function NeighbourGaps({ context, keys, scale }: { context: EditContext; keys: readonly string[]; scale: number }) {
  const { resolved, layout, screen } = context;
  const mm = pxPerMm(screen);
  const moving = new Set(keys.flatMap((key) => [key, ...inCluster(layout, key, resolved.arrangement)]));
  // Ground is meant to lie under others: nearness to it says nothing.
  const underlay = new Set(layout.controls.filter(isUnderlay).map((c) => c.id));
  const others = resolved.controls.filter((c) => !moving.has(c.id) && !underlay.has(c.id)).map((c) => c.hit);
  const least = layout.limits.minGapMm;
  const gaps = resolved.controls
    .filter((c) => moving.has(c.id))
    .flatMap((c) => gapsAbout(c.hit, others, NEIGHBOUR_MM * mm, MOST_GAPS))
    .sort((a, b) => a.px - b.px)
    .slice(0, MOST_GAPS);
  return (
    <g pointerEvents="none" data-testid="gaps">
      {gaps.map((gap) => {
        const tone = gap.px / mm < least ? "#FF8A7A" : ON_GLASS.ink;
        return (
          <g key={`${gap.index} ${gap.from.x}`}>
            <path d={`M${gap.from.x} ${gap.from.y}L${gap.to.x} ${gap.to.y}`} stroke={tone} strokeDasharray="3 2" {...LINE} />
            {figure({ x: (gap.from.x + gap.to.x) / 2, y: (gap.from.y + gap.to.y) / 2, mm: gap.px / mm, scale, tone })}
          </g>
        );
      })}
    </g>
  );
}
