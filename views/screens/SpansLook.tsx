"use client";
/** The span chart: aspect ratios along the bottom, a row a finding, drawn exactly where it holds and as high as its measure; its figures as a table beside it. */
import { useEffect, useMemo, useState } from "react";
import { screenAt, type AspectProfile, type AspectRange } from "../../core/checks/aspectIntervals";
import { addScreens } from "../../core/editing/edits/screens";
import { catalogueFor } from "../../core/checks/catalogue";
import type { Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { useSessionActions } from "../session/context";
import { railOf } from "../session/screens";
import { go } from "../shared/go";
import { SpanChart } from "./SpanChart";
import { aspectsOf, spanRows } from "./spanRows";
import { SpanTable } from "./SpanTable";
import { useFaces } from "./useFaces";

const SIDES = ["left", "top", "right", "bottom"] as const;

export function SpansLook() {
  const { layout, screens, faces, checker } = useFaces();
  const session = useSessionActions();
  const [size, setSize] = useState({ diagonalInches: 6.1, ppi: 420, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } });
  const range = useMemo((): AspectRange => ({ ...size, ...aspectsOf(layout) }), [size, layout]);
  const [found, setFound] = useState<{ readonly of: readonly unknown[]; readonly profiles: readonly (readonly AspectProfile[] | null)[] }>({
    of: [],
    profiles: [],
  });
  useEffect(() => {
    const profiles: (readonly AspectProfile[] | null)[] = faces.map(() => null);
    checker
      .spans({ layout, screens, faces }, range, (i, one) => {
        profiles[i] = one;
        setFound({ of: [layout, range, faces], profiles: [...profiles] });
      })
      .catch((error: unknown) =>
        session.tell({ text: `The spans could not be worked out: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" }),
      );
  }, [checker, layout, screens, faces, range, session]);
  const rows = useMemo(() => spanRows(found.profiles), [found]);
  const isWorking = found.of[0] !== layout || found.of[1] !== range || found.profiles.some((p) => p === null);
  const toBench = (aspect: number) => {
    const exact = screenAt(range, aspect);
    const whole = (value: number) => Math.round(value);
    const name = `Aspect ${aspect.toFixed(3)}, ${size.diagonalInches} inches`;
    const screen: Screen = {
      ...exact,
      name,
      widthPx: whole(exact.widthPx),
      heightPx: whole(exact.heightPx),
      insets: { left: whole(exact.insets.left), top: whole(exact.insets.top), right: whole(exact.insets.right), bottom: whole(exact.insets.bottom) },
    };
    const used = new Set(catalogueFor(layout.orientation).map((s) => s.name));
    const isThere = layout.workbench.screens.some((s) => s.name === name);
    if (
      !isThere &&
      !session.edit(`add ${name}`, (l) =>
        addScreens(
          l,
          [screen],
          railOf(l).map((s) => s.name),
          used,
        ),
      )
    )
      return;
    session.remember({ screen: name });
    go("/layout");
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <Sizes size={size} onSize={setSize} isWorking={isWorking} />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_21rem]">
        <SpanChart rows={rows} range={range} onBench={toBench} />
        <SpanTable rows={rows} onBench={toBench} />
      </div>
    </div>
  );
}

type Size = Pick<AspectRange, "diagonalInches" | "ppi" | "insetsMm">;

function Sizes({ size, onSize, isWorking }: { size: Size; onSize: (size: Size) => void; isWorking: boolean }) {
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
    <div role="group" aria-label="The screens of the chart" className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-4 py-1.5">
      {slider("diagonal", size.diagonalInches, { unit: "in", min: 3, max: 13, step: 0.1 }, (diagonalInches) => onSize({ ...size, diagonalInches }))}
      {slider("density", size.ppi, { unit: "ppi", min: 120, max: 600, step: 10 }, (ppi) => onSize({ ...size, ppi }))}
      {SIDES.map((side) => (
        <span key={side} className="contents">
          {slider(`inset ${side}`, size.insetsMm[side], { unit: "mm", min: 0, max: 12, step: 0.5 }, (mm) =>
            onSize({ ...size, insetsMm: { ...size.insetsMm, [side]: mm } }),
          )}
        </span>
      ))}
      <span className="caption ml-auto" data-testid="spans-state">
        {isWorking ? "working…" : "worked out"}
      </span>
    </div>
  );
}
