"use client";
/** A lock at the corner of whatever is locked on the bench. */
import { memo } from "react";
import { locksOf } from "../../core/editing/locks";
import { placeableBox, placeableOf } from "../../core/editing/placeables";
import type { EditContext } from "../../core/editing/placing";
import { ON_GLASS } from "../canvas/tones";

/** Side of the mark, CSS px. */
const SIDE = 12;

/** `held`: what Settle leaves as it is; it is marked in the accent. */
export const Locks = memo(function Locks({ context: { layout, resolved }, scale, held }: { context: EditContext; scale: number; held: readonly string[] }) {
  const locked = Object.keys(layout.workbench.locked).filter((id) => locksOf(layout, id).length > 0);
  return (
    <g pointerEvents="none">
      {[...new Set([...locked, ...held])].map((id) => {
        const placeable = placeableOf(layout, id);
        const box = placeable && placeableBox(resolved, placeable);
        if (!box) return null;
        const ink = locked.includes(id) ? ON_GLASS.ink : ON_GLASS.accent;
        return (
          <g key={id} data-lock={id} transform={`translate(${box.x} ${box.y}) scale(${SIDE / 12 / scale}) translate(-6 -6)`}>
            <rect x={1} y={5} width={10} height={7} fill={ON_GLASS.dark} stroke={ink} />
            <path d="M3 5V3.5a3 3 0 0 1 6 0V5" fill="none" stroke={ink} />
          </g>
        );
      })}
    </g>
  );
});
