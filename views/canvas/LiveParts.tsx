"use client";
/** Small live pictures whose parts are dragged: a part follows the pointer, and the arrow keys. A drag is one gesture. */
import { type KeyboardEvent, type ReactNode, type RefObject } from "react";
import { useDrag } from "../interaction/useDrag";
import { light, unlight, useLit } from "../../ui/lit";
import { readingProps, type Reading } from "../../ui/reading";
import { useLatest } from "../../ui/useLatest";
import type { Point } from "../../core/engine/geometry/point";

/** The side of a picture, in its own units. How large it is drawn is the card's to say (`--picture`). */
export const PICTURE = 96;

export interface Drag {
  readonly onStart: () => void;
  readonly onEnd: () => void;
  /** The pointer was taken away: nothing of the drag is kept. */
  readonly onCancel: () => void;
}

export function LivePicture({ label, svg, children, reads }: { label: string; svg: RefObject<SVGSVGElement | null>; children: ReactNode; reads: Reading }) {
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${PICTURE} ${PICTURE}`}
      role="group"
      aria-label={label}
      {...readingProps(reads)}
      className="size-[var(--picture,6rem)] shrink-0 touch-none overflow-visible border border-rule bg-paper select-none"
    >
      {children}
    </svg>
  );
}

interface PartProps {
  readonly label: string;
  readonly svg: RefObject<SVGSVGElement | null>;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly text: string;
  readonly drag: Drag;
  /** The pointer is at a point of the picture. */
  readonly onMove: (at: Point) => void;
  /** An arrow key: this many steps along x and along y (up is positive). */
  readonly onStep: (x: number, y: number) => void;
  readonly children: ReactNode;
  readonly cursor?: string;
  /** The figure that it changes: while one is in hand, both are lit. */
  readonly part: string;
  readonly reads: Reading;
}

/** A part that can be dragged. */
export function LivePart({ label, svg, value, min, max, text, drag, onMove, onStep, children, cursor = "grab", part, reads }: PartProps) {
  const follow = useDrag();
  const lit = useLit(part);
  // While it is dragged the part is redrawn, and what a movement means with it.
  const move = useLatest(onMove);
  const pointOf = ({ x, y }: { readonly x: number; readonly y: number }): Point => {
    const rect = svg.current!.getBoundingClientRect();
    return { x: ((x - rect.left) * PICTURE) / (rect.width || 1), y: ((y - rect.top) * PICTURE) / (rect.height || 1) };
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const times = event.shiftKey ? 10 : 1;
    drag.onStart();
    onStep(way[0] * times, way[1] * times);
    drag.onEnd();
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(4))}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={text}
      {...readingProps(reads, text)}
      data-lit={lit || undefined}
      className="outline-none [&:focus-visible>*]:stroke-accent [&[data-lit]>*:not([stroke=transparent])]:stroke-accent [&[data-lit]>*:not([stroke=transparent])]:[stroke-width:2px]"
      onFocus={() => light(part)}
      onBlur={() => unlight(part)}
      style={{ cursor }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        follow(event, {
          thresholdPx: 0,
          onBegin: () => {
            light(part);
            drag.onStart();
          },
          onMove: ({ at }) => move(pointOf(at)),
          onDrop: () => {
            unlight(part);
            drag.onEnd();
          },
          onAbandon: () => {
            unlight(part);
            drag.onCancel();
          },
        });
      }}
      onKeyDown={onKeyDown}
    >
      {children}
    </g>
  );
}
