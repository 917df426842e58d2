"use client";
/** Eight handles of a box. Corners of round things keep their proportion, those of fields do not; Shift turns that over. */
import type { Box } from "../../core/engine/geometry/point";
import { HANDLES } from "../interaction/handles";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { ON_GLASS } from "../canvas/tones";

/** Side of a handle, CSS px; the room that takes the pointer is wider. */
const SIDE = 7;
const GRIP = 15;
/** How far that room reaches into the box, as a part of its side at most: the middle of a small box remains to be dragged by. */
const INWARD = 0.25;

/** Where the room of a handle begins along one side, and how long it is. `at`: the box's low end; `fraction`: where on the side the handle is. */
function gripAlong(at: number, side: number, fraction: number, grip: number): readonly [number, number] {
  const inward = Math.min(grip / 2, side * INWARD);
  if (fraction === 0.5) return [at + side / 2 - inward, 2 * inward];
  return [fraction === 0 ? at - (grip - inward) : at + side - inward, grip];
}

interface Props {
  readonly of: string;
  readonly name: string;
  readonly box: Box;
  /** Px a millimetre. */
  readonly mm: number;
  readonly scale: number;
  readonly tone?: string;
}

const EDGE_WORD = { n: "top", s: "bottom", w: "left", e: "right" } as const;
/** "top left corner", "right edge". */
const handleWord = (key: string) => `${[...key].map((side) => EDGE_WORD[side as keyof typeof EDGE_WORD]).join(" ")} ${key.length === 2 ? "corner" : "edge"}`;

/** `of`: the key of what is resized, for the gestures. */
export function Handles({ of, name, box, mm, scale, tone = ON_GLASS.accent }: Props) {
  const { x, y, w, h } = box;
  const size = `${(w / mm).toFixed(1)} × ${(h / mm).toFixed(1)} mm`;
  const side = SIDE / scale;
  const grip = GRIP / scale;
  return (
    <g data-handles={of}>
      {HANDLES.map(({ key, fx, fy, cursor }) => {
        const [left, wide] = gripAlong(x, w, fx, grip);
        const [top, high] = gripAlong(y, h, fy, grip);
        return (
          <g
            key={key}
            data-handle={key}
            data-of={of}
            style={{ cursor }}
            {...readingProps(says("glass.handle", { edge: handleWord(key), control: name, size }))}
          >
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
