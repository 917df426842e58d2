"use client";
/** A control, a cluster or a keep-clear zone as something to point at, to focus and to be read out: its outline, its name, and a mark where findings name it. */
import { counted } from "../../core/derived/counted";
import { memo } from "react";
import type { Box } from "../../core/engine/geometry/point";
import type { Severity } from "../../core/checks/finding";
import { SEVERITY_MARK } from "../../ui/Tally";
import { readingProps, type Reading } from "../../ui/reading";
import { useSessionActions } from "../document/SessionContext";
import { FINDING_TONE, ON_GLASS } from "../canvas/tones";

interface Props {
  readonly id: string;
  readonly name: string;
  /** What it is: "stick", "cluster of 4", "keep-clear zone". */
  readonly role: string;
  /** What else is read out: where it is, what it serves. */
  readonly words: string;
  readonly box: Box;
  readonly scale: number;
  readonly selected: boolean;
  /** Reached by Tab; what is in a cluster that is not entered is not. */
  readonly reachable: boolean;
  /** How many blockers and warnings name it, and the worst of them. */
  readonly findings?: number;
  readonly worst?: Severity | null;
  readonly tone?: string;
  readonly dashed?: boolean;
  /** Only the outline takes the pointer: what lies within stays in reach. */
  readonly hollow?: boolean;
  readonly reads?: Reading;
}

export const ControlTarget = memo(function ControlTarget(props: Props) {
  const { id, name, role, words, scale, selected, reachable, findings = 0, worst = null, reads } = props;
  const { tone = ON_GLASS.ink, dashed = false, hollow = false } = props;
  const { x, y, w, h } = props.box;
  const session = useSessionActions();
  const said = [name, role, words, findings > 0 ? counted(findings, "finding") : ""].filter((word) => word !== "").join(", ");
  const line = {
    stroke: selected ? ON_GLASS.accent : tone,
    strokeOpacity: selected ? 1 : 0.35,
    strokeWidth: selected ? 2 : 1,
    strokeDasharray: dashed ? "5 3" : undefined,
    vectorEffect: "non-scaling-stroke",
  } as const;
  return (
    <g
      role="button"
      tabIndex={reachable ? 0 : -1}
      aria-pressed={selected}
      aria-label={said}
      data-control={id}
      {...readingProps(reads, name)}
      className="outline-none [&:focus-visible>rect]:stroke-[3]"
      onFocus={(event) => {
        if (event.currentTarget.matches(":focus-visible")) session.select([id]);
      }}
    >
      <rect x={x} y={y} width={w} height={h} fill={hollow ? "none" : "transparent"} pointerEvents={hollow ? "stroke" : "all"} {...line} />
      {hollow && <rect x={x} y={y} width={w} height={h} fill="none" stroke="transparent" strokeWidth={12} vectorEffect="non-scaling-stroke" />}
      {worst && (
        <text x={x + w} y={y - 3 / scale} fontSize={13 / scale} textAnchor="end" fill={FINDING_TONE[worst]} pointerEvents="none">
          {SEVERITY_MARK[worst]}
        </text>
      )}
      {selected && (
        <text
          x={x}
          y={y - 5 / scale}
          fontSize={11 / scale}
          fill={ON_GLASS.accent}
          stroke={ON_GLASS.dark}
          strokeWidth={3 / scale}
          paintOrder="stroke"
          pointerEvents="none"
        >
          {name}
        </text>
      )}
    </g>
  );
});
