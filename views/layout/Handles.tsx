"use client";
/** Eight handles of a box. Corners of round things keep their proportion, those of fields do not; Shift turns that over. */
import type { Box } from "../../core/engine/geometry/point";
import { HANDLES } from "../interaction/handles";
import { ON_GLASS } from "./tones";

/** Side of a handle, CSS px; the room that takes the pointer is wider. */
const SIDE = 7;
const GRIP = 15;
/** How far that room reaches into the box, as a part of its side at most: the middle of a small box is left to be dragged by. */
const INWARD = 0.25;

/** Where the room of a handle begins along one side, and how long it is. `at`: the box's low end; `fraction`: where on the side the handle stands. */
function gripAlong(at: number, side: number, fraction: number, grip: number): readonly [number, number] {
  const inward = Math.min(grip / 2, side * INWARD);
  if (fraction === 0.5) return [at + side / 2 - inward, 2 * inward];
  return [fraction === 0 ? at - (grip - inward) : at + side - inward, grip];
}

/** `of`: the key of what is resized, for the gestures. */
export function Handles({ of, box, scale, tone = ON_GLASS.accent }: { of: string; box: Box; scale: number; tone?: string }) {
  const { x, y, w, h } = box;
  const side = SIDE / scale;
  const grip = GRIP / scale;
  return (
    <g data-handles={of}>
      {HANDLES.map(({ key, fx, fy, cursor }) => {
        const [left, wide] = gripAlong(x, w, fx, grip);
        const [top, high] = gripAlong(y, h, fy, grip);
        return (
          <g key={key} data-handle={key} data-of={of} style={{ cursor }}>
            <rect x={left} y={top} width={wide} height={high} fill="transparent" />
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
        );
      })}
    </g>
  );
}
