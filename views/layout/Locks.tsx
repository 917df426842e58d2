"use client";
/** A lock at the corner of whatever is locked on the bench. */
import { memo } from "react";
import { locksOf } from "../../core/editing/locks";
import { placeableBox, placeableOf } from "../../core/editing/placeables";
import type { EditContext } from "../../core/editing/placing";
import { ON_GLASS } from "./tones";

/** Side of the mark, CSS px. */
const SIDE = 12;

export const Locks = memo(function Locks({ context: { layout, resolved }, scale }: { context: EditContext; scale: number }) {
  return (
    <g pointerEvents="none">
      {Object.keys(layout.workbench.locked).map((id) => {
        const placeable = placeableOf(layout, id);
        const box = placeable && placeableBox(resolved, placeable);
        if (!box || locksOf(layout, id).length === 0) return null;
        return (
          <g key={id} data-lock={id} transform={`translate(${box.x} ${box.y}) scale(${SIDE / 12 / scale}) translate(-6 -6)`}>
            <rect x={1} y={5} width={10} height={7} fill={ON_GLASS.dark} stroke={ON_GLASS.ink} />
            <path d="M3 5V3.5a3 3 0 0 1 6 0V5" fill="none" stroke={ON_GLASS.ink} />
          </g>
        );
      })}
    </g>
  );
});
