"use client";
/** The tether: a line from the control to the point of the frame it is tied to. Its end is dragged to tie the control elsewhere. A span has a short one at each edge. */
import type { Sight } from "../../core/editing/placing";
import { framesOf } from "../../core/engine/placement/screen";
import { placementIn, spotOf, spotBox } from "../../core/editing/spots";
import { ON_GLASS } from "./tones";
import { tetherEnds, tiePoints, type TieDrag } from "./tying";

export function Tether({ sight, id, scale, tie }: { sight: Sight; id: string; scale: number; tie: TieDrag | null }) {
  const ends = tetherEnds(sight, id);
  if (!ends) return <EdgeTethers sight={sight} id={id} />;
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
      <g data-tether={id} style={{ cursor: "grab" }}>
        <title>Tether: drag this end to tie the control elsewhere; it stays where it is. Drop it with Shift and the control comes along.</title>
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

/** What the edges of a span are tied to. */
function EdgeTethers({ sight, id }: { sight: Sight; id: string }) {
  const placement = placementIn(sight.layout, sight.resolved.arrangement, id);
  const spot = spotOf(sight.layout, id);
  const box = spot && spotBox(sight.resolved, spot);
  if (placement?.kind !== "span" || !box) return null;
  const frame = framesOf(sight.screen, sight.layout.picture)[placement.frame];
  const mirrored = sight.view.handed === "left" && spot.kind !== "zone";
  const [fx, tx] = mirrored ? [1 - placement.to[0], 1 - placement.from[0]] : [placement.from[0], placement.to[0]];
  const x0 = frame.x + fx * frame.w;
  const x1 = frame.x + tx * frame.w;
  const y0 = frame.y + placement.from[1] * frame.h;
  const y1 = frame.y + placement.to[1] * frame.h;
  const cx = box.x + box.w / 2;
  const cy = box.y + box.h / 2;
  return (
    <path
      d={`M${x0} ${cy}H${box.x}M${x1} ${cy}H${box.x + box.w}M${cx} ${y0}V${box.y}M${cx} ${y1}V${box.y + box.h}`}
      stroke={ON_GLASS.accent}
      strokeWidth={1.5}
      strokeDasharray="1 3"
      vectorEffect="non-scaling-stroke"
      pointerEvents="none"
    />
  );
}

/** The points of the frames, shown while a tether's end is under way. */
export function TiePoints({ sight, id, tie, scale }: { sight: Sight; id: string; tie: TieDrag; scale: number }) {
  const pin = tetherEnds(sight, id)?.pin;
  if (!pin) return null;
  return (
    <g pointerEvents="none">
      {tiePoints(sight, pin).map(({ frame, anchor, x, y }) => {
        const near = JSON.stringify(tie.frame) === JSON.stringify(frame) && tie.anchor[0] === anchor[0] && tie.anchor[1] === anchor[1];
        return (
          <circle
            key={`${JSON.stringify(frame)} ${anchor.join()}`}
            cx={x}
            cy={y}
            r={(near ? 9 : frame === pin.frame ? 5 : 3) / scale}
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
