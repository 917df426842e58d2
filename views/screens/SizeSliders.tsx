"use client";
/** What stays of the screens of a chart while it runs over all others: the diagonal, the density, the insets. */
import type { ReactNode } from "react";
import type { AspectRange } from "../../core/checks/aspectIntervals";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";

const SIDES = ["left", "top", "right", "bottom"] as const;

/** What stays of the screens of a chart; the diagonal where it does. */
export interface ChartSize extends Pick<AspectRange, "ppi" | "insetsMm"> {
  readonly diagonalInches?: number;
}

export function SizeSliders<S extends ChartSize>({ size, onSize, children }: { size: S; onSize: (size: S) => void; children?: ReactNode }) {
  const slider = (
    label: string,
    value: number,
    { unit, min, max, step }: { unit: string; min: number; max: number; step: number },
    set: (value: number) => void,
  ) => (
    <label className="flex items-center gap-1.5">
      <span className="caption">{label}</span>
      <input
        type="range"
        aria-label={label}
        className="w-20 accent-[var(--accent)]"
        value={value}
        min={min}
        max={max}
        step={step}
        onChange={(event) => set(Number(event.target.value))}
        {...readingProps(says("spans.size", { what: label }), `${value} ${unit}`)}
      />
      <span className="figure w-14 text-[0.6875rem]">
        {value} {unit}
      </span>
    </label>
  );
  return (
    <div role="group" aria-label="Screens of the chart" className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-1.5">
      {size.diagonalInches !== undefined &&
        slider("diagonal", size.diagonalInches, { unit: "in", min: 3, max: 13, step: 0.1 }, (diagonalInches) => onSize({ ...size, diagonalInches }))}
      {slider("density", size.ppi, { unit: "ppi", min: 120, max: 600, step: 10 }, (ppi) => onSize({ ...size, ppi }))}
      {SIDES.map((side) => (
        <span key={side} className="contents">
          {slider(`inset ${side}`, size.insetsMm[side], { unit: "mm", min: 0, max: 12, step: 0.5 }, (mm) =>
            onSize({ ...size, insetsMm: { ...size.insetsMm, [side]: mm } }),
          )}
        </span>
      ))}
      {children}
    </div>
  );
}
