"use client";
/** Eight handles of the selected control's visual box; corners keep its proportion. */
import type { ResolvedControl } from "../../core/placement/resolve";
import { ON_GLASS } from "./Areas";
import { HANDLES } from "./handlePlaces";

/** Side of a handle, CSS px; the room that takes the pointer is wider. */
const SIDE = 7;
const GRIP = 15;

export function Handles({ at, scale }: { at: ResolvedControl; scale: number }) {
  const { x, y, w, h } = at.visual;
  const side = SIDE / scale;
  const grip = GRIP / scale;
  return (
    <g>
      {HANDLES.map(({ key, fx, fy, cursor }) => (
        <g key={key} data-handle={key} style={{ cursor }}>
          <rect x={x + fx * w - grip / 2} y={y + fy * h - grip / 2} width={grip} height={grip} fill="transparent" />
          <rect
            x={x + fx * w - side / 2}
            y={y + fy * h - side / 2}
            width={side}
            height={side}
            fill="#FBFAF6"
            stroke={ON_GLASS.accent}
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ))}
    </g>
  );
}
