"use client";
/** Eight handles of a box. Corners of round things keep their proportion, those of fields do not; Shift turns that over. */
import type { Box } from "../../core/geometry/point";
import { HANDLES } from "./handlePlaces";
import { ON_GLASS } from "./tones";

/** Side of a handle, CSS px; the room that takes the pointer is wider. */
const SIDE = 7;
const GRIP = 15;

/** `of`: the key of what is resized, for the gestures. */
export function Handles({ of, box, scale, tone = ON_GLASS.accent }: { of: string; box: Box; scale: number; tone?: string }) {
  const { x, y, w, h } = box;
  const side = SIDE / scale;
  const grip = GRIP / scale;
  return (
    <g data-handles={of}>
      {HANDLES.map(({ key, fx, fy, cursor }) => (
        <g key={key} data-handle={key} data-of={of} style={{ cursor }}>
          <rect x={x + fx * w - grip / 2} y={y + fy * h - grip / 2} width={grip} height={grip} fill="transparent" />
          <rect
            x={x + fx * w - side / 2}
            y={y + fy * h - side / 2}
            width={side}
            height={side}
            fill="#FBFAF6"
            stroke={tone}
            strokeWidth={1.5}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ))}
    </g>
  );
}
