"use client";
/** The tether: a line from the control to the point of the frame it is tied to. Its end is dragged to tie the control elsewhere. A span has a short one at each edge. */
import { isEqual } from "../../core/engine/equal";
import type { EditContext } from "../../core/editing/placing";
import { framesOf } from "../../core/engine/placement/screen";
import { placementIn, placeableOf, placeableBox } from "../../core/editing/placeables";
import { seenPin } from "../../core/editing/anchors";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { nameOf } from "../document/names";
import { anchorWord } from "./anchorWord";
import { ON_GLASS } from "../canvas/tones";
import { tetherEnds, anchorPoints, type AnchorDrag } from "../interaction/anchorDrag";

/** The point it is tied to, in words. */
const anchorOf = (context: EditContext, id: string) => {
  const pin = seenPin(context, id);
  return pin ? anchorWord(pin.anchor) : "";
};

export function Tether({ context, id, scale, anchorDrag }: { context: EditContext; id: string; scale: number; anchorDrag: AnchorDrag | null }) {
  const ends = tetherEnds(context, id);
  if (!ends) return <EdgeTethers context={context} id={id} />;
  const to = anchorDrag?.point ?? ends.to;
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
      <g data-tether={id} style={{ cursor: "grab" }} {...readingProps(says("glass.tether", { control: nameOf(context.layout, id) }), anchorOf(context, id))}>
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
function EdgeTethers({ context, id }: { context: EditContext; id: string }) {
  const placement = placementIn(context.layout, context.resolved.arrangement, id);
  const placeable = placeableOf(context.layout, id);
  const box = placeable && placeableBox(context.resolved, placeable);
  if (placement?.kind !== "span" || !box) return null;
  const frame = framesOf(context.screen, context.layout.picture)[placement.frame];
  const mirrored = context.playerView.handed === "left" && placeable.kind !== "zone";
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
export function AnchorPoints({ context, id, anchorDrag, scale }: { context: EditContext; id: string; anchorDrag: AnchorDrag; scale: number }) {
  const pin = tetherEnds(context, id)?.pin;
  if (!pin) return null;
  return (
    <g pointerEvents="none">
      {anchorPoints(context, pin).map(({ frame, anchor, x, y }) => {
        const near = isEqual(anchorDrag.frame, frame) && anchorDrag.anchor[0] === anchor[0] && anchorDrag.anchor[1] === anchor[1];
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
