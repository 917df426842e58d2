"use client";
/** What of the glass a finding is about, in the finding's own colour. */
import type { Finding } from "../../core/checks/finding";
import type { EditContext } from "../../core/editing/placing";
import { touchArea } from "../../core/engine/input/ready";
import { ShapePath } from "../canvas/Areas";
import type { Bench } from "./bench";
import { FINDING_TONE } from "../canvas/tones";

/** The finding that is pointed out: the areas and boxes of what it is about, in its own colour. */
export function PointedOut({
  context,
  findings,
  pointed,
}: {
  context: EditContext;
  findings: readonly Finding[] | undefined;
  pointed: NonNullable<Bench["finding"]>;
}) {
  const found = findings?.find((f) => f.code === pointed.code && f.subjects.join() === pointed.subjects.join());
  if (!found) return null;
  const tone = FINDING_TONE[found.severity];
  const line = { fill: tone, fillOpacity: 0.18, stroke: tone, strokeWidth: 3, vectorEffect: "non-scaling-stroke" } as const;
  const { controls, keepClear } = context.resolved;
  return (
    <g pointerEvents="none" data-testid="pointed-out">
      {controls
        .filter((c) => found.subjects.includes(c.id))
        .map((c) => (
          <ShapePath key={c.id} shape={touchArea(c)} {...line} />
        ))}
      {keepClear
        .filter((z) => found.subjects.includes(z.id))
        .map((z) => (
          <rect key={z.id} x={z.x} y={z.y} width={z.w} height={z.h} {...line} />
        ))}
    </g>
  );
}
