"use client";
/** The drawn side of the spans, on Recharts: arrangements as bands, screens as lines, a row a finding as high as its measure. */
import { useRef, useState, type PointerEvent } from "react";
import { ComposedChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from "recharts";
import type { AspectProfile, AspectRange } from "../../core/checks/aspectIntervals";
import { aspectOf } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../shell/reading/sentences";
import { useRoom } from "../canvas/useRoom";
import { barHeight, type SpanRow } from "../../core/checks/spanRows";
import { rowWords, shortFace } from "./spanWords";
import { useFaces } from "./useFaces";

/** The height of a row, px: as high as the room allows, between these. */
const ROW = { least: 20, most: 240 };
const LABELS = 208;
const AXIS = 26;

interface ChartProps {
  readonly rows: readonly SpanRow[];
  readonly range: AspectRange;
  readonly onBench: (aspect: number) => void;
}

// oxlint-disable-next-line max-lines-per-function -- one chart: its axes, bars and marks share a scale
export function SpanChart({ rows, range, onBench }: ChartProps) {
  const { layout, screens, faces } = useFaces();
  const area = useRef<HTMLDivElement>(null);
  const { w, h } = useRoom(area);
  const width = Math.max(120, w - LABELS - 12);
  const [at, setAt] = useState<number | null>(null);
  const aspectAt = (event: PointerEvent<HTMLElement>) => {
    const rect = event.currentTarget.getBoundingClientRect();
    const part = Math.max(0, Math.min(1, (event.clientX - rect.left) / rect.width));
    return range.from + part * (range.to - range.from);
  };
  const rowHeight = Math.min(ROW.most, Math.max(ROW.least, Math.floor((h - AXIS - 2) / Math.max(3, rows.length))));
  const height = Math.max(3, rows.length) * rowHeight;
  return (
    <div ref={area} className="min-h-0 overflow-auto" data-testid="span-chart">
      <div className="relative grid" style={{ gridTemplateColumns: `${LABELS}px ${width}px` }}>
        <ul aria-hidden className="pt-0">
          {rows.map((row, i) => (
            <li key={i} className="flex items-center gap-1 truncate border-b border-rule pr-2 pl-3 text-[0.6875rem]" style={{ height: rowHeight }}>
              <span className={SEVERITY_CLASS[row.profile.severity]}>{SEVERITY_MARK[row.profile.severity]}</span>
              <span className="truncate">{rowWords(layout, row)}</span>
              {row.faces.length < faces.length && <span className="shrink-0 text-muted">{row.faces.map((f) => shortFace(faces[f])).join(" ")}</span>}
            </li>
          ))}
          {rows.length === 0 && <li className="caption p-3">No findings at any aspect ratio.</li>}
        </ul>
        <div
          className="relative cursor-crosshair"
          style={{ width, height: height + AXIS }}
          onPointerMove={(event) => setAt(aspectAt(event))}
          onPointerLeave={() => setAt(null)}
          onClick={(event) => onBench(aspectAt(event as unknown as PointerEvent<HTMLElement>))}
          data-testid="span-plot"
          {...readingProps(says("spans.plot"), at === null ? "" : at.toFixed(3))}
        >
          <ComposedChart width={width} height={height + AXIS} margin={{ top: 0, right: 0, bottom: 0, left: 0 }} data={[]} accessibilityLayer={false}>
            <XAxis
              type="number"
              dataKey="aspect"
              domain={[range.from, range.to]}
              ticks={ticksOf(range)}
              allowDataOverflow
              height={AXIS}
              tick={{ fontSize: 10, fill: "var(--muted)" }}
              stroke="var(--edge)"
            />
            <YAxis hide type="number" domain={[0, Math.max(3, rows.length)]} allowDataOverflow reversed />
            {layout.arrangements.map(({ id, when }) =>
              when.aspect ? (
                <ReferenceArea
                  key={id}
                  x1={Math.max(range.from, when.aspect.min ?? range.from)}
                  x2={Math.min(range.to, when.aspect.max ?? range.to)}
                  fill="var(--land)"
                  fillOpacity={0.1}
                  ifOverflow="hidden"
                />
              ) : null,
            )}
            {screens.map((screen) => (
              <ReferenceLine key={screen.name} x={aspectOf(screen)} stroke="var(--edge)" strokeOpacity={0.5} strokeDasharray="1 3" ifOverflow="hidden" />
            ))}
            {rows.flatMap((row, i) =>
              row.profile.intervals.map(([from, to]) => (
                <ReferenceArea
                  key={`${i} ${from}`}
                  x1={from}
                  x2={to}
                  y1={i}
                  y2={i + 1}
                  ifOverflow="hidden"
                  shape={(box: unknown) => <Bar box={box as Box} profile={row.profile} from={from} to={to} />}
                />
              )),
            )}
          </ComposedChart>
          {at !== null && (
            <div className="pointer-events-none absolute inset-y-0 w-px bg-accent" style={{ left: ((at - range.from) / (range.to - range.from)) * width }}>
              <span className="figure absolute bottom-0 left-1 bg-paper text-[0.6875rem] whitespace-nowrap text-accent">
                {at.toFixed(3)} {nearestScreen(screens, at)}
              </span>
            </div>
          )}
        </div>
      </div>
    </div>
  );
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
const TONE = { blocker: "var(--blocker)", warning: "var(--warning)", note: "var(--note)" } as const;

/** One interval of a finding: as high as its measure along it; flat where it has none. */
function Bar({ box: { x, y, width, height }, profile, from, to }: { box: Box; profile: AspectProfile; from: number; to: number }) {
  const bottom = y + height - 2;
  const full = height - 4;
  const points = profile.points.filter(([aspect]) => aspect >= from - 1e-6 && aspect <= to + 1e-6);
  const place = (aspect: number) => x + (to > from ? ((aspect - from) / (to - from)) * width : 0);
  const line =
    points.length > 1
      ? points.map(([aspect, value]) => `${place(aspect)} ${bottom - full * barHeight(profile, value)}`)
      : [`${x} ${bottom - 0.7 * full}`, `${x + width} ${bottom - 0.7 * full}`];
  return (
    <path
      d={`M${x} ${bottom}L${line.join("L")}L${x + Math.max(1, width)} ${bottom}Z`}
      fill={TONE[profile.severity]}
      fillOpacity={0.75}
      stroke={TONE[profile.severity]}
      strokeWidth={1}
      data-span={`${profile.code} ${from.toFixed(4)} ${to.toFixed(4)}`}
    />
  );
}

/** The screen whose aspect is nearest, where it is as good as the same; several of one aspect are reported by the first. */
function nearestScreen(screens: readonly Screen[], aspect: number): string {
  const near = screens
    .filter((s) => Math.abs(aspectOf(s) - aspect) <= NEAR_ASPECT)
    .sort((a, b) => Math.abs(aspectOf(a) - aspect) - Math.abs(aspectOf(b) - aspect));
  return near.length === 0 ? "" : near.length === 1 ? near[0].name : `${near[0].name} and ${near.length - 1} more`;
}
/** The pointer is on a screen's line so near to it. */
const NEAR_ASPECT = 0.008;

/** Round aspects along the bottom. */
function ticksOf({ from, to }: AspectRange): number[] {
  return [0.4, 0.5, 0.6, 0.75, 1, 1.33, 1.6, 1.78, 2, 2.17, 2.33, 2.6].filter((a) => a >= from && a <= to);
}
