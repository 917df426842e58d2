"use client";
/** A control as something to point at, to focus and to be read out: its outline, and a mark where findings name it. */
import { memo } from "react";
import type { Severity } from "../../core/checks/finding";
import type { Control } from "../../core/layout/types";
import { SEVERITY_MARK } from "../../ui/Tally";
import { useSessionActions } from "../session/context";
import { ON_GLASS } from "./Areas";

interface Props {
  readonly control: Control;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly scale: number;
  readonly selected: boolean;
  /** How many blockers and warnings name it, and the gravest of them. */
  readonly findings: number;
  readonly worst: Severity | null;
}

const MARK_COLOUR = { blocker: "#FF8A7A", warning: "#E0B050", note: "#9DB4C0" } as const;

export const ControlTarget = memo(function ControlTarget({ control, x, y, w, h, scale, selected, findings, worst }: Props) {
  const session = useSessionActions();
  const words = [control.name, control.kind, control.serves.length === 0 ? "serves nothing" : `serves ${control.serves.map((s) => s.action).join(", ")}`];
  if (findings > 0) words.push(`${findings} ${findings === 1 ? "finding" : "findings"}`);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-pressed={selected}
      aria-label={words.join(", ")}
      data-control={control.id}
      className="outline-none [&:focus-visible>rect]:stroke-[3]"
      onFocus={(event) => {
        if (event.currentTarget.matches(":focus-visible")) session.select([control.id]);
      }}
    >
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        fill="transparent"
        stroke={selected ? ON_GLASS.accent : ON_GLASS.ink}
        strokeOpacity={selected ? 1 : 0.35}
        strokeWidth={selected ? 2 : 1}
        vectorEffect="non-scaling-stroke"
      />
      {worst && (
        <text x={x + w} y={y - 3 / scale} fontSize={13 / scale} textAnchor="end" fill={MARK_COLOUR[worst]} pointerEvents="none">
          {SEVERITY_MARK[worst]}
        </text>
      )}
      {selected && (
        <text
          x={x}
          y={y - 5 / scale}
          fontSize={11 / scale}
          fill={ON_GLASS.accent}
          stroke="#0c141b"
          strokeWidth={3 / scale}
          paintOrder="stroke"
          pointerEvents="none"
        >
          {control.name}
        </text>
      )}
    </g>
  );
});
