"use client";
/** The nine points of a frame as a small picture of it: a click takes the nearest. By key the same is chosen in the list next to it. */
import type { MouseEvent } from "react";
import { ANCHOR_POINTS } from "../../../core/editing/anchors";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { anchorWord } from "../anchorWord";

type Fractions = readonly [number, number];
interface Props {
  readonly label: string;
  /** The point chosen; null: several that differ. */
  readonly at: Fractions | null;
  /** Width over height of the frame: the picture has its proportion. */
  readonly aspect: number;
  readonly reads: "place.anchor" | "place.pivot";
  readonly onPick: (point: Fractions) => void;
}

/** Sides of the picture at most, and the room about the frame for its points, in the picture's own units. */
const HIGH = 38;
const MOST_WIDE = 58;
const ROOM = 6;

export function AnchorPicture({ label, at, aspect, reads, onPick }: Props) {
  const w = Math.min(MOST_WIDE, Math.max(28, HIGH * aspect));
  const h = Math.min(HIGH, Math.max(24, w / aspect));
  const [width, height] = [w + 2 * ROOM, h + 2 * ROOM];
  const word = at === null ? "several that differ" : anchorWord(at);
  const pick = (event: MouseEvent<SVGSVGElement>) => {
    const rect = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - rect.left) / rect.width) * width - ROOM;
    const y = ((event.clientY - rect.top) / rect.height) * height - ROOM;
    onPick([Math.round((Math.min(w, Math.max(0, x)) / w) * 2) / 2, Math.round((Math.min(h, Math.max(0, y)) / h) * 2) / 2]);
  };
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block cursor-pointer"
      style={{ width: `${width / 16}rem`, height: `${height / 16}rem` }}
      role="img"
      aria-label={`${label}, picture: ${word}`}
      data-picture-of={label}
      onClick={pick}
      {...readingProps(says(reads), word)}
    >
      <rect x={ROOM} y={ROOM} width={w} height={h} fill="transparent" stroke="var(--edge)" />
      {ANCHOR_POINTS.map((point) => {
        const chosen = at !== null && at[0] === point[0] && at[1] === point[1];
        return (
          <circle key={point.join()} cx={ROOM + point[0] * w} cy={ROOM + point[1] * h} r={chosen ? 4.5 : 2} fill={chosen ? "var(--accent)" : "var(--muted)"} />
        );
      })}
      {at !== null && <circle cx={ROOM + at[0] * w} cy={ROOM + at[1] * h} r={4.5} fill="var(--accent)" />}
    </svg>
  );
}
