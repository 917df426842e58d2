"use client";
/** Wishes that cannot all be had, drawn on a screen: the areas in question, hatched, in the frame they have to keep to. */
import { useId, useMemo } from "react";
import { byId } from "../../core/derived/byId";
import { resolvedOn } from "../../core/derived/resolved";
import { touchArea } from "../../core/engine/input/ready";
import { framesOf, pxPerMm } from "../../core/engine/placement/screen";
import type { Unsolved } from "../../core/settle/unsolved";
import { thumbPivots } from "../../core/editing/thumbs";
import { FINDING_TONE, ON_GLASS } from "../canvas/tones";
import { DrawnScreen } from "../canvas/DrawnScreen";
import { type Proposal } from "../document/settle/settleState";

/** The picture is no larger than this, CSS px. */
const ROOM = { w: 150, h: 110 };

/** The scenario, by its place, with the narrowest screen of those that a finding's constraints are about. */
export function narrowestScenario({ settled: { scenarios } }: Proposal, { scenario, parts }: Unsolved): number {
  const shortMm = (place: number) => Math.min(scenarios[place].screen.widthPx, scenarios[place].screen.heightPx) / pxPerMm(scenarios[place].screen);
  return parts.map((part) => part.scenario).reduce((a, b) => (shortMm(b) < shortMm(a) ? b : a), scenario);
}

export function ConstraintPicture({ proposal, unsolved, scenario: place }: { proposal: Proposal; unsolved: Unsolved; scenario: number }) {
  const { settled, of } = proposal;
  const scenario = settled.scenarios[place];
  const { screen, player, view } = scenario;
  const layout = useMemo(() => proposal.is, [proposal]);
  const between = useMemo(() => ({ was: of, is: layout, part: 1 }), [of, layout]);
  const resolved = resolvedOn(layout, screen, view);
  const scale = Math.min(ROOM.w / screen.widthPx, ROOM.h / screen.heightPx);
  const named = new Set([
    ...unsolved.subjects,
    ...unsolved.parts.filter((part) => part.scenario === place || part.code.startsWith("touch/")).flatMap((part) => part.subjects),
  ]);
  const hairline = 1 / scale;
  // Several of these pictures are on one page, each with its own hatching width.
  const hatch = `constraint-${useId().replace(/\W/g, "")}`;
  const { safe } = framesOf(screen, layout.picture);
  const isFar = unsolved.parts.some(({ code }) => code === "reach/far") || unsolved.code === "reach/far";
  const mm = pxPerMm(screen);
  return (
    <DrawnScreen screen={screen} player={player} between={between} scale={scale} of="Where it falls short,">
      <defs>
        <pattern id={hatch} width={6 * hairline} height={6 * hairline} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d={`M0 0V${6 * hairline}`} stroke={FINDING_TONE.blocker} strokeWidth={2 * hairline} />
        </pattern>
      </defs>
      <rect
        x={safe.x}
        y={safe.y}
        width={safe.w}
        height={safe.h}
        fill="none"
        stroke={ON_GLASS.ink}
        strokeWidth={hairline}
        strokeDasharray={`${6 * hairline} ${3 * hairline}`}
      />
      {isFar &&
        thumbPivots(layout, screen).map(({ x, y }) => (
          <circle
            key={`${x} ${y}`}
            cx={x}
            cy={y}
            r={layout.limits.stretchMm * mm}
            fill="none"
            stroke={ON_GLASS.reach}
            strokeWidth={1.5 * hairline}
            strokeDasharray={`${hairline} ${3 * hairline}`}
          />
        ))}
      {[...named].map((id) => {
        const control = byId(resolved.controls).get(id);
        const area = control ? touchArea(control) : byId(resolved.keepClear).get(id);
        if (!area) return null;
        return (
          <rect
            key={id}
            x={area.x}
            y={area.y}
            width={area.w}
            height={area.h}
            fill={`url(#${hatch})`}
            fillOpacity={0.8}
            stroke={FINDING_TONE.blocker}
            strokeWidth={1.5 * hairline}
          />
        );
      })}
    </DrawnScreen>
  );
}
